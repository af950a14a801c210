<script setup lang="ts">
import { standing } from '@dewpoint/core/casebook'
import { hoursFrom, usualPeriods, whenOf, type WatchAnswer } from '@dewpoint/core/pressure'
import { nominal } from '@dewpoint/core/system'
import { computed, onBeforeUnmount, shallowRef, watch } from 'vue'
import { linesOf, seriesOf } from '../bench/tools/pressure/watchLines.ts'
import { stopWords, watchHeadline } from '../bench/tools/pressure/watchWords.ts'
import { wallDay, wallNow } from '../shared/times.ts'
import { watchPressure } from '../workers/pressure.ts'
import { useCase } from './caseStore.ts'

/** The gauge as it was read since a case was closed: it asks the question again by itself. */
const store = useCase()
/** what was told after the closing that stands */
const later = computed(() => {
  const live = standing(store.entries)
  const closing = live.findLastIndex((one) => one.type === 'decision' && one.payload.kind === 'closed')
  return closing < 0 ? [] : linesOf(live.slice(closing + 1).filter(({ type }) => type === 'history'))
})
const readings = computed(() => later.value.filter(({ kind }) => kind !== 'topUp'))
const answer = shallowRef<(WatchAnswer & { midnight: string }) | null>(null)
const failed = shallowRef(false)
let round = 0
watch(
  later,
  async (lines) => {
    const mine = ++round
    answer.value = null
    failed.value = false
    const system = store.catalogue?.system
    if (readings.value.length < 2 || !system) return
    const parameters = nominal(system)
    const { series, midnight } = seriesOf(lines, {
      system: {
        litres: parameters['system.volume'] ?? 90,
        litresError: 0.3,
        vesselLitres: parameters['vessel.volume'] ?? 8,
        charge: parameters['vessel.preCharge'] ?? 1,
        relief: parameters['relief.opensAt'] ?? 3,
        stopsAt: 0.5,
        mains: parameters['mains.standing'] ?? 4.5,
      },
      periods: usualPeriods,
      gaugeError: 0.07,
      pipeOutside: null,
      canMixMains: system.layout.hotWater !== 'none',
    })
    try {
      const found = await watchPressure(series, 0, false, () => undefined)
      if (mine === round && found) answer.value = { ...found, midnight }
    } catch {
      if (mine === round) failed.value = true
    }
  },
  { immediate: true },
)
onBeforeUnmount(() => round++)
const stop = computed(() =>
  answer.value && answer.value.explanations[0]?.id !== 'nothing'
    ? stopWords(answer.value.outlook, (hours) => wallDay(whenOf(answer.value!.midnight, hours)), hoursFrom([answer.value.midnight, wallNow()]).hours[1]!)
    : '',
)
const times = computed(() => `${readings.value.length} ${readings.value.length === 1 ? 'time' : 'times'}`)
</script>

<template>
  <section v-if="readings.length > 0" class="since" aria-labelledby="since-title">
    <h2 id="since-title">The gauge was read {{ times }} since it was closed</h2>
    <p role="status">
      <template v-if="answer"
        ><strong>{{ watchHeadline(answer) }}</strong> {{ stop }}</template
      >
      <template v-else-if="failed">It could not be worked out here: open the watch and try again.</template>
      <template v-else-if="readings.length < 2">From two readings on something can be said.</template>
      <template v-else>Working it out…</template>
    </p>
    <div class="acts">
      <v-btn :to="{ name: 'bench-tool', params: { tool: 'pressure-watch' }, query: { case: store.current?.id } }">Open the watch</v-btn>
      <v-btn variant="text" :to="{ name: 'case', params: { id: store.current?.id, phase: 'prove' } }">Reopen the case…</v-btn>
    </div>
  </section>
</template>

<style scoped>
.since {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 22px;
  padding: 10px 20px;
  border-bottom: 1px solid var(--rule);
  border-left: 6px solid var(--live);
  background: var(--sheet);
}
h2 {
  font-size: 1.0625rem;
}
p {
  margin: 0;
  flex: 1 1 20rem;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
