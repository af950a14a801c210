<script setup lang="ts">
import type { EntryOf } from '@dewpoint/core/casebook'
import { computed } from 'vue'
import { useCase } from '../caseStore.ts'
import { settledBy } from '@dewpoint/core/diagnosis'
import { entryWords, outcomeChoices } from '../checkWords.ts'
import { percent } from '../trace/colours.ts'
import { inSentence } from '../../shared/words.ts'

const store = useCase()

const since = computed(() => (store.mended ? store.live.slice(store.live.indexOf(store.mended) + 1) : []))
/** what may stand now, likeliest first */
const standing = computed(() => (store.mendedKnown ? (store.diagnosis?.standing ?? []) : []).filter((one) => one.probability >= 0.02).slice(0, 4))
const standingWords = {
  nothingWrong: 'nothing more',
  noDemand: 'nothing asks it to run',
  unlisted: 'a cause not listed here',
  rare: 'many that are rare',
  faults: '',
}
const closed = computed(() => store.live.findLast((one) => one.type === 'decision' && one.payload.kind === 'closed'))
const condemned = computed(() => store.live.findLast((one): one is EntryOf<'decision'> => one.type === 'decision' && one.payload.kind === 'condemned'))
const bars = computed(() => (store.mendedKnown ? (store.diagnosis?.closing ?? []) : ['One moment: what still stands is being worked out.']))
const proofs = computed(() =>
  (
    [
      { check: 'display.sequenceHotWater', demand: 'hotWater', label: 'Hot water', through: 'Hot water runs through' },
      { check: 'display.sequenceHeating', demand: 'heating', label: 'Heating', through: 'Heating runs through' },
    ] as const
  ).filter((one) => store.catalogue?.checks.some((check) => check.id === one.check)),
)
const shownFor = (check: string) => since.value.findLast((one) => one.type === 'reading' && one.payload.check === check)
const through = (check: string) => {
  const shown = shownFor(check)
  return shown?.type === 'reading' && shown.payload.outcome === 'complete'
}
/** complaints a run down the ladder does not settle: the question they came as is asked again */
const questions = computed(() => {
  const asked = new Set(
    store.live.flatMap((one) =>
      one.type === 'complaint' ? (store.catalogue?.complaints.find((known) => known.id === one.payload.what)?.evidence.map((item) => item.check) ?? []) : [],
    ),
  )
  return [...asked].flatMap((id) => (id in settledBy ? [] : (store.catalogue?.checks.filter((one) => one.id === id && !one.before) ?? [])))
})

const ran = (check: string, demand: 'hotWater' | 'heating') => store.write('reading', { check, outcome: 'complete', situation: { demand } })
</script>

<template>
  <p class="eyebrow">Prove it</p>
  <h1>{{ closed ? 'Closed' : 'Run the failed demand, then the other' }}</h1>
  <p v-if="store.mended && store.catalogue">
    <template v-if="condemned">{{ entryWords(store.catalogue, condemned).result }} condemned: {{ condemned.payload.reason }} </template>
    Last put right: {{ inSentence(entryWords(store.catalogue, store.mended).result) }}.
  </p>
  <ul class="proofs">
    <li v-for="proof in proofs" :key="proof.check">
      <h2>{{ proof.label }}</h2>
      <p v-if="shownFor(proof.check)" :class="{ stopped: !through(proof.check) }">
        <v-icon v-if="through(proof.check)" icon="$tick" size="20" color="proven" aria-hidden="true" />
        {{ entryWords(store.catalogue!, shownFor(proof.check)!).result }}
      </p>
      <div v-if="!through(proof.check)" class="acts">
        <v-btn @click="ran(proof.check, proof.demand)">{{ shownFor(proof.check) ? `${proof.through} now` : proof.through }}</v-btn>
        <v-btn variant="text" :to="{ params: { phase: 'trace' } }">It stops: trace on</v-btn>
      </div>
    </li>
    <li v-for="check in questions" :key="check.id">
      <h2>{{ check.label }}</h2>
      <p v-if="shownFor(check.id)">
        <v-icon icon="$tick" size="20" color="proven" aria-hidden="true" /> {{ entryWords(store.catalogue!, shownFor(check.id)!).result }}
      </p>
      <div v-else class="acts">
        <v-btn v-for="one in outcomeChoices(check, false)" :key="one.id" @click="store.write('reading', { check: check.id, outcome: one.id })">{{
          one.label
        }}</v-btn>
      </div>
    </li>
  </ul>
  <div v-if="!closed && standing.length > 0" class="standing">
    <h2 class="eyebrow">May still stand</h2>
    <p v-for="one in standing" :key="one.key + one.kind">
      <span class="mono">{{ percent(one.probability) }}</span> {{ standingWords[one.kind] || inSentence(one.label) }}
    </p>
  </div>
  <template v-if="!closed">
    <div v-if="bars.length > 0" class="bars">
      <h2 class="eyebrow">What bars closing</h2>
      <p v-for="line in bars" :key="line">{{ line }}</p>
    </div>
    <v-btn v-else color="primary" variant="flat" @click="store.write('decision', { kind: 'closed', reason: 'Failed demand proved, other demand proved.' })"
      >Close the case</v-btn
    >
  </template>
  <p class="dim">
    After gas, chamber or flue work: tightness, combustion at high and low rate and flue integrity, by those licensed for it, before it is left running.
  </p>
</template>

<style scoped>
h1 {
  font-size: 1.75rem;
  margin: 4px 0 10px;
}
.proofs {
  list-style: none;
  padding: 0;
  margin: 0 0 20px;
}
.proofs li {
  border-top: 1px solid var(--rule);
  padding: 14px 0;
}
.proofs h2 {
  font-size: 1.125rem;
}
.proofs p {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 6px 0 0;
}
.proofs .stopped {
  color: var(--live);
  font-weight: 600;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
}
.standing {
  margin-bottom: 18px;
}
.standing p {
  display: grid;
  grid-template-columns: 3.5rem 1fr;
  margin: 4px 0;
}
.bars {
  border-left: 3px solid var(--live);
  padding-left: 14px;
  margin-bottom: 18px;
}
.bars p {
  margin: 4px 0;
}
</style>
