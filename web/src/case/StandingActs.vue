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
    <p v-for="act in store.acts" :key="act.entry">
      <span class="what"
        ><strong>{{ act.kind.label }}</strong
        ><template v-if="to(act)">: {{ to(act) }}</template>
        <time class="dim" :datetime="act.at" :title="exactly(act.at)"> since {{ clock(act.at) }}</time></span
      >
      <v-btn height="44" @click="undo(act)">{{ act.kind.undo }}</v-btn>
    </p>
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
p {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 12px;
  margin: 0;
  padding: 4px 0;
}
</style>
