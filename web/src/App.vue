<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { useAppearance } from './shared/appearance.ts'
import KeysDialog from './shared/KeysDialog.vue'
import { useKeys } from './shared/keys.ts'
import { useOutbox } from './shared/outbox.ts'

const outbox = useOutbox()
const appearance = useAppearance()
const route = useRoute()
const keysShown = ref(false)
const atHome = computed(() => route.name === 'today')
const atLibrary = computed(() => route.name === 'library' || route.name === 'system')

useKeys({ '?': () => (keysShown.value = true), d: () => appearance.toggle() })
onMounted(() => void outbox.flush())
</script>

<template>
  <v-app>
    <header class="bar">
      <router-link :to="{ name: 'today' }" class="mark" :aria-current="atHome ? 'page' : undefined" aria-label="Dewpoint, today’s calls">
        <svg viewBox="0 0 32 32" width="30" height="30" aria-hidden="true">
          <path d="M16 3.5c4.6 5.6 8 10.3 8 15a8 8 0 0 1-16 0c0-4.7 3.4-9.4 8-15Z" />
          <path d="M11.5 20h9" />
        </svg>
        <span class="name">Dewpoint</span>
      </router-link>
      <div id="bar-case" class="bar-case" />
      <div class="bar-end">
        <span v-if="outbox.waiting > 0" class="waiting" role="status">
          {{ outbox.waiting }} {{ outbox.waiting === 1 ? 'entry waits' : 'entries wait'
          }}<template v-if="outbox.away">: no server, kept on this device</template>
        </span>
        <router-link :to="{ name: 'bench' }" class="place" :aria-current="route.name === 'bench' ? 'page' : undefined">
          <v-icon icon="$bench" aria-hidden="true" /> <span class="place-name">Bench</span>
        </router-link>
        <router-link :to="{ name: 'library' }" class="place" :aria-current="atLibrary ? 'page' : undefined">
          <v-icon icon="$library" aria-hidden="true" /> <span class="place-name">Library</span>
        </router-link>
        <v-btn icon="$keys" variant="text" aria-label="Keys (?)" title="Keys (?)" class="wide-only" @click="keysShown = true" />
        <v-btn
          :icon="appearance.isDark() ? '$day' : '$night'"
          variant="text"
          :aria-label="appearance.isDark() ? 'Light' : 'Dark'"
          :title="appearance.isDark() ? 'Light (D)' : 'Dark (D)'"
          @click="appearance.toggle()"
        />
      </div>
    </header>
    <router-view />
    <KeysDialog v-model="keysShown" />
    <v-snackbar :model-value="outbox.refused !== null" color="error" timeout="-1" @update:model-value="outbox.refused = null">
      The server would not take an entry. {{ outbox.refused }}
      <template #actions><v-btn variant="text" @click="outbox.refused = null">Understood</v-btn></template>
    </v-snackbar>
  </v-app>
</template>

<style scoped>
.bar {
  position: sticky;
  top: 0;
  z-index: 10;
  display: flex;
  align-items: center;
  gap: 20px;
  min-height: 60px;
  padding: 0 12px 0 20px;
  border-bottom: 1px solid var(--rule);
  background: var(--paper);
}
.mark {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 48px;
  color: inherit;
  text-decoration: none;
}
.mark path {
  fill: none;
  stroke: var(--copper);
  stroke-width: 2.6;
  stroke-linecap: round;
}
.name {
  font-weight: 600;
  font-size: 1.25rem;
}
.bar-case {
  display: flex;
  justify-content: space-between;
  align-items: center;
  align-self: stretch;
  gap: 16px;
  flex: 1;
  min-width: 0;
}
.bar-end {
  display: flex;
  align-items: center;
}
.place {
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 48px;
  min-width: 48px;
  justify-content: center;
  padding: 0 8px;
  color: inherit;
  text-decoration: none;
  font-weight: 600;
}
.place[aria-current] {
  color: var(--copper);
}
/* hangs below the bar, so that nothing in it moves while entries come and go */
.waiting {
  position: absolute;
  top: 100%;
  right: 12px;
  padding: 2px 10px;
  border: 1px solid var(--rule);
  border-radius: 0 0 10px 10px;
  background: var(--paper);
  color: var(--live);
  font-weight: 600;
}
@media (max-width: 760px) {
  .bar {
    gap: 8px;
    padding: 0 4px 0 14px;
  }
  .name,
  .place-name,
  .wide-only {
    display: none;
  }
}
</style>
