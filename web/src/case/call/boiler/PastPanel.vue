<script setup lang="ts">
import { topUpsPerYear } from '@dewpoint/core/diagnosis'
import { computed } from 'vue'
import { complaintWords } from '../../../today/complaintWords.ts'
import { day } from '../../../shared/times.ts'
import { inSentence } from '../../../shared/words.ts'
import { useCase } from '../../caseStore.ts'

/** What is known from before: of this boiler, and of its kind. */
const store = useCase()
const faultWords = (id: string) => store.catalogue?.faults.find((one) => one.id === id)?.label ?? id
const visits = computed(() => store.past?.appliance ?? [])
/** faults this boiler has had more than once: the root may still be there */
const again = computed(() => {
  const counts = new Map<string, number>()
  for (const one of visits.value) for (const fault of one.faults) counts.set(fault, (counts.get(fault) ?? 0) + 1)
  return [...counts].filter(([, times]) => times > 1).map(([fault]) => faultWords(fault))
})
const lastYear = computed(() => visits.value.filter((one) => Date.parse(store.current!.openedAt) - Date.parse(one.openedAt) < 365 * 86_400_000).length)
const topUps = computed(() => topUpsPerYear(store.live).times)
const common = computed(() =>
  Object.entries(store.past?.experience.proven ?? {})
    .sort((a, b) => b[1] - a[1])
    .slice(0, 3),
)
</script>

<template>
  <section v-if="visits.length > 0 || common.length > 0 || topUps > 0" class="past" aria-labelledby="past-title">
    <h2 id="past-title" class="eyebrow">From before</h2>
    <p v-if="lastYear > 0">
      <strong>{{ lastYear === 1 ? 'One visit' : `${lastYear} visits` }} in the last year.</strong>
      <template v-if="again.length > 0"> More than once: {{ again.map(inSentence).join(', ') }}. Look for what brings it about.</template>
    </p>
    <ul v-if="visits.length > 0">
      <li v-for="one in visits.slice(0, 5)" :key="one.id">
        <router-link :to="{ name: 'case', params: { id: one.id, phase: 'repair' } }">{{ day(one.openedAt) }}</router-link>
        {{ complaintWords(one.complaints) }}
        <span v-if="one.faults.length > 0" class="dim">{{ one.faults.map(faultWords).join(', ') }}</span>
        <span v-else class="dim">{{ one.closed ? 'nothing proved' : 'still open' }}</span>
      </li>
    </ul>
    <p v-if="topUps > 0">
      {{ topUps === 1 ? 'One top-up' : `${topUps} top-ups` }} in a year<template v-if="topUps > 3">: more than is normal, water goes somewhere.</template
      ><template v-else>.</template>
    </p>
    <p v-if="common.length > 0" class="dim">
      This firm’s {{ store.past!.experience.cases }} proved {{ store.past!.experience.cases === 1 ? 'case' : 'cases' }} on this kind of boiler:
      {{ common.map(([fault, times]) => `${inSentence(faultWords(fault))} ${times}`).join(', ') }}.
    </p>
  </section>
</template>

<style scoped>
.past {
  border-left: 3px solid var(--copper);
  padding-left: 14px;
}
.past p {
  margin: 6px 0;
}
ul {
  list-style: none;
  margin: 8px 0;
  padding: 0;
}
li {
  padding: 6px 0;
  border-top: 1px solid var(--rule);
}
li a {
  color: var(--copper);
  font-weight: 600;
}
li .dim {
  display: block;
}
</style>
