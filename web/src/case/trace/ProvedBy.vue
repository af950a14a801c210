<script setup lang="ts">
import { computed } from 'vue'
import { clock, exactly } from '../../shared/times.ts'
import { useCase } from '../caseStore.ts'
import { entryWords } from '../checkWords.ts'

/** Entries something rests on: what was read, what came of it, when and by whom. */
const { entries } = defineProps<{ entries: readonly string[] }>()
const store = useCase()
const lines = computed(() =>
  store.live.flatMap((entry) => (store.catalogue && entries.includes(entry.id) ? [{ entry, ...entryWords(store.catalogue, entry) }] : [])),
)
</script>

<template>
  <ul v-if="lines.length > 0" class="by">
    <li v-for="one in lines" :key="one.entry.id">
      {{ one.what }}: <strong>{{ one.result }}</strong>
      <span class="dim" :title="exactly(one.entry.at)">{{ clock(one.entry.at) }}, {{ one.entry.authorName }}</span>
    </li>
  </ul>
</template>

<style scoped>
.by {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
  line-height: 1.3;
}
li {
  padding: 3px 0;
  overflow-wrap: anywhere;
}
.dim {
  white-space: nowrap;
}
</style>
