<script setup lang="ts">
import type { Act } from '@dewpoint/core/diagnosis'
import { clock, exactly } from '../shared/times.ts'
import { useCase } from './caseStore.ts'

/** What was done to the appliance and must be undone, at the top of every phase: the readings of all of them hang on it. */
const store = useCase()
const to = ({ value, note }: Act) => store.catalogue?.parts.find((one) => one.id === value)?.label ?? note
function undo({ kind, value, note }: Act) {
  store.write('action', { action: kind.id, undone: true, ...(value && { value }), ...(note && { note }) })
}
</script>

<template>
  <section class="acts" aria-label="Done and not undone">
    <div v-for="act in store.acts" :key="act.entry" class="act">
      <span class="what"
        ><strong>{{ act.kind.label }}</strong
        ><template v-if="to(act)">: {{ to(act) }}</template>
        <time class="dim" :datetime="act.at" :title="exactly(act.at)"> since {{ clock(act.at) }}</time></span
      >
      <v-btn height="44" @click="undo(act)">{{ act.kind.undo }}</v-btn>
      <details v-if="act.kind.then">
        <summary>What to do now</summary>
        <ol>
          <li v-for="line in act.kind.then" :key="line">{{ line }}</li>
        </ol>
      </details>
    </div>
  </section>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0 28px;
  padding: 4px 16px;
  border-bottom: 1px solid var(--rule);
  border-left: 6px solid var(--live);
}
.act {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 12px;
  margin: 0;
  padding: 4px 0;
}
details {
  flex-basis: 100%;
}
summary {
  min-height: 36px;
  line-height: 36px;
  cursor: pointer;
}
ol {
  margin: 0 0 8px;
  padding-left: 1.4em;
}
li {
  padding: 2px 0;
}
</style>
