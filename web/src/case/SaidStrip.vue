<script setup lang="ts">
import { computed } from 'vue'
import { answeredOn } from './call/answeredOn.ts'
import { heardIn, type HeardOf } from './call/words/heardIn.ts'
import TheirWords from './call/words/TheirWords.vue'
import { useCase } from './caseStore.ts'

/** What the customer said, in their own words, in sight in every phase; what is heard in it is offered, and written down only when somebody says that it is so. */
const store = useCase()
const quotes = computed(() =>
  store.live.flatMap((one) => ((one.type === 'said' || one.type === 'complaint') && one.payload.words ? [{ entry: one.id, words: one.payload.words }] : [])),
)
const known = computed(
  () => new Set([...answeredOn(store.catalogue, store.live), ...store.live.flatMap((one) => (one.type === 'complaint' ? [one.payload.what] : []))]),
)
const isKnown = ({ about, answers }: HeardOf) => known.value.has(about) || answers.every((id) => known.value.has(id))
const lines = computed(() =>
  quotes.value.map((one) => {
    const heard = heardIn(store.catalogue ?? { complaints: [], checks: [] }, one.words)
    return { ...one, heard, open: heard.filter((each) => !isKnown(each)) }
  }),
)
/** what is told in one breath is so as often as what it was told with */
const pattern = computed(() => store.live.flatMap((one) => (one.type === 'complaint' && one.payload.pattern ? [one.payload.pattern] : []))[0] ?? 'always')
function add({ about, isComplaint, outcome }: HeardOf) {
  if (isComplaint) void store.write('complaint', { what: about, pattern: pattern.value, where: 'all' })
  else void store.write('reading', { check: about, outcome, sureness: 'sure' })
}
</script>

<template>
  <section v-if="lines.length > 0" class="said" aria-label="What the customer said">
    <TheirWords
      v-for="one in lines"
      :key="one.entry"
      :words="one.words"
      :heard="one.open.length > 0 ? one.heard : []"
      :confirmed="(about) => one.heard.some((each) => each.about === about && isKnown(each))"
      one-way
      @toggle="add"
    />
  </section>
</template>

<style scoped>
.said {
  display: grid;
  gap: 8px;
  padding: 8px 22px;
  border-bottom: 1px solid var(--rule);
  background: var(--sheet);
}
@media (max-width: 760px) {
  .said {
    padding: 8px 14px;
  }
}
</style>
