<script setup lang="ts">
import { computed } from 'vue'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import { useCase } from '../caseStore.ts'
import { notKnown } from '../checkWords.ts'

/** Which versions of parts are fitted, where it is known: what is not known stays averaged. */
const store = useCase()
const kinds = computed(() => store.catalogue?.facts.filter((one) => one.narrows === 'version') ?? [])
const said = (id: string) => {
  const last = store.live.findLast((one) => one.type === 'fact' && one.payload.fact === id)
  return last?.type === 'fact' ? String(last.payload.value) : notKnown
}
</script>

<template>
  <div v-if="kinds.length > 0" class="versions">
    <PlainSelect
      v-for="kind in kinds"
      :key="kind.id"
      :model-value="said(kind.id)"
      :label="kind.label"
      :items="[{ value: notKnown, title: 'not known' }, ...(kind.choices ?? []).map((one) => ({ value: one.id, title: one.label }))]"
      @update:model-value="(value: string) => store.write('fact', { fact: kind.id, value })"
    />
  </div>
</template>

<style scoped>
.versions {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 18px 20px;
  margin: 4px 0 26px;
}
</style>
