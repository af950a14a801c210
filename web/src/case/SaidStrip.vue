<script setup lang="ts">
import { computed } from 'vue'
import { heardIn } from './call/heardIn.ts'
import { useCase } from './caseStore.ts'

/** What the customer said, in their own words, in sight in every phase; what else is heard in it is offered, and written down only when somebody says so. */
const store = useCase()
const quotes = computed(() =>
  store.live.flatMap((one) => (one.type === 'complaint' && one.payload.words ? [{ words: one.payload.words, pattern: one.payload.pattern }] : [])),
)
const known = computed(() => {
  const said = store.live.flatMap((one) => {
    if (one.type === 'reading') return [one.payload.check]
    if (one.type === 'decision') return one.payload.check ? [one.payload.check] : []
    if (one.type !== 'complaint') return []
    const evidence = store.catalogue?.complaints.find(({ id }) => id === one.payload.what)?.evidence ?? []
    return [one.payload.what, ...evidence.map((item) => item.check)]
  })
  return new Set(said)
})
const offered = computed(() =>
  quotes.value
    .flatMap(({ words, pattern }) => heardIn(store.catalogue ?? { complaints: [], checks: [] }, words).map((one) => ({ ...one, pattern })))
    .filter(({ about, answers }, place, all) => {
      const said = known.value.has(about) || answers.every((id) => known.value.has(id))
      return !said && all.findIndex((other) => other.about === about) === place
    }),
)
/** what is told in one breath is so as often as what it was told with */
function add({ about, isComplaint, pattern = 'always' }: (typeof offered.value)[number]) {
  if (isComplaint) void store.write('complaint', { what: about, pattern, where: 'all' })
  else void store.write('reading', { check: about, outcome: 'yes', sureness: 'sure' })
}
</script>

<template>
  <section v-if="quotes.length > 0" class="said" aria-label="What the customer said">
    <p v-for="{ words } in quotes" :key="words">“{{ words }}”</p>
    <p v-if="offered.length > 0" class="offered">
      <span class="dim">Heard:</span>
      <v-btn v-for="one in offered" :key="one.about" size="small" variant="outlined" @click="add(one)">{{ one.label }}: add</v-btn>
    </p>
  </section>
</template>

<style scoped>
.said {
  padding: 8px 22px;
  border-bottom: 1px solid var(--rule);
  background: var(--sheet);
}
.said p {
  margin: 0;
  line-height: 1.35;
  overflow-wrap: anywhere;
}
.offered {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 8px;
  padding-top: 6px;
}
@media (max-width: 760px) {
  .said {
    padding: 8px 14px;
  }
}
</style>
