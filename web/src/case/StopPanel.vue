<script setup lang="ts">
import type { Stop } from '@dewpoint/core/diagnosis'
import { closingOf } from '@dewpoint/core/casebook'
import { computed, reactive, ref } from 'vue'
import { useDraft } from '../keeping/device/drafts.ts'
import { lazyPart } from '../shared/missingPart.ts'
import { useCase } from './caseStore.ts'

// seldom needed: they come with the proof
const ClosePanel = lazyPart(() => import('./prove/ClosePanel.vue'))
const LeftUnsafe = lazyPart(() => import('./prove/LeftUnsafe.vue'))

const props = defineProps<{ stop: Stop }>()
const store = useCase()
const closed = computed(() => closingOf(store.live) !== null)
const how = ref('')
const draft = useDraft(`case ${store.current?.id} made safe`, reactive({ how }))

function madeSafe() {
  const act = store.catalogue?.actions.find((one) => one.makesSafe)
  if (!act) return
  store.write('action', { action: act.id, note: how.value.trim() })
  draft.forget()
}
</script>

<template>
  <section class="stop" role="alert" aria-labelledby="stop-title">
    <p class="eyebrow">Stop · before anything else</p>
    <h1 id="stop-title"><v-icon icon="$stop" size="34" aria-hidden="true" /> {{ stop.label }}</h1>
    <p v-if="stop.because !== stop.label || stop.others.length > 0" class="because">
      {{ stop.because
      }}<template v-for="one in stop.others" :key="one.danger">
        · also <strong>{{ one.label }}</strong> ({{ one.because }})</template
      >
    </p>
    <h2>Say now</h2>
    <ol>
      <li v-for="line in stop.say" :key="line">{{ line }}</li>
    </ol>
    <h2>Then</h2>
    <ul>
      <li v-for="line in stop.act" :key="line">{{ line }}</li>
    </ul>
    <p class="dim">Local code and the emergency procedure of the place come first. Nothing is ranked while this stands.</p>
    <hr class="rule" />
    <ClosePanel v-if="closed" />
    <template v-else>
      <form class="safe" @submit.prevent="madeSafe">
        <v-text-field v-model="how" label="Made safe: by whom, and how" maxlength="300" />
        <v-btn type="submit" :disabled="how.trim().length < 5">Record as made safe</v-btn>
      </form>
      <LeftUnsafe :stop="stop" />
      <v-btn variant="text" prepend-icon="$undo" @click="store.retract(props.stop.entry)">Entered by mistake: take it back</v-btn>
    </template>
  </section>
</template>

<style scoped>
.stop {
  max-width: 46rem;
  margin: 28px auto;
  padding: 0 20px 30px 24px;
  border-left: 6px solid var(--stop);
}
h1 {
  font-size: 2rem;
  color: var(--stop);
  margin: 6px 0 18px;
}
h2 {
  font-size: 1.125rem;
  margin: 14px 0 4px;
}
li {
  font-size: 1.1875rem;
  margin: 6px 0;
}
ol,
ul {
  padding-left: 1.4em;
}
.rule {
  margin: 18px 0;
}
.because {
  font-size: 1.125rem;
  margin: -10px 0 14px;
}
.safe {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 12px;
  margin-bottom: 8px;
}
@media (max-width: 760px) {
  .stop {
    margin: 16px 14px;
    padding: 0 0 20px 16px;
  }
  .safe {
    grid-template-columns: 1fr;
  }
}
</style>
