<script setup lang="ts">
import type { EntryOf } from '@dewpoint/core/casebook'
import { computed } from 'vue'
import { barOf } from '@dewpoint/core/diagnosis'
import { useCase } from '../caseStore.ts'
import { entryWords, outcomeChoices } from '../checkWords.ts'
import { percent } from '../suspects/colours.ts'
import { inSentence } from '../../shared/words.ts'
import AdviceForm from './AdviceForm.vue'
import RecordRow from './RecordRow.vue'

const store = useCase()

const since = computed(() => (store.mended ? store.live.slice(store.live.indexOf(store.mended) + 1) : []))
/** what may stand now, likeliest first */
const standing = computed(() => (store.workedOut ? (store.diagnosis?.standing ?? []) : []).filter((one) => one.probability >= 0.02).slice(0, 4))
const standingWords = computed(() => ({
  // nothing is "nothing more" before it has run
  nothingWrong: proofs.value.every((one) => one.passed) ? 'nothing more' : 'nothing more, if it runs',
  noDemand: 'nothing asks it to run',
  unlisted: 'a cause not listed here',
  rare: 'several rare causes',
  faults: '',
}))
const closed = computed(() => store.live.findLast((one) => one.type === 'decision' && one.payload.kind === 'closed'))
const condemned = computed(() => store.live.findLast((one): one is EntryOf<'decision'> => one.type === 'decision' && one.payload.kind === 'condemned'))
const record = computed(() => store.diagnosis?.record ?? [])
const ofRecord = computed(() => new Set(record.value.map(barOf)))
const closing = computed(() => (store.workedOut ? (store.diagnosis?.closing ?? []) : ['Working out what is still possible…']))
/** what bars closing besides what must stand in the record */
const bars = computed(() => closing.value.filter((line) => !ofRecord.value.has(line)))
const open = computed(() => closing.value.length - bars.value.length)
/** words and choices of each proof; whether it was passed is the reasoning's to say */
const proofs = computed(() =>
  (store.diagnosis?.proofs ?? []).flatMap((proof) => {
    const check = store.catalogue?.checks.find((one) => one.id === proof.check)
    const said = since.value.findLast((one) => one.type === 'reading' && one.payload.check === proof.check)
    // nothing is ticked before it is known to be what a sound boiler gives
    const passed = said && store.workedOut && proof.entry === said.id ? proof.passed : null
    return check ? [{ ...proof, subject: check, said, passed }] : []
  }),
)
/** what was just said of it is being judged */
const awaited = ({ said }: { said?: unknown }) => said !== undefined && !store.workedOut
const demandWords = { hotWater: 'Hot water', heating: 'Heating' }

const ran = (check: string, demand: 'hotWater' | 'heating') => {
  const through = outcomeChoices(
    store.catalogue!.checks.find((one) => one.id === check)!,
    false,
  ).at(-1)
  if (through) store.write('reading', { check, outcome: through.id, situation: { demand } })
}
</script>

<template>
  <div>
    <p class="eyebrow">Prove it</p>
    <h1>{{ closed ? 'Closed' : 'Run the failed demand, then the other' }}</h1>
    <p v-if="store.mended && store.catalogue">
      <template v-if="condemned">{{ entryWords(store.catalogue, condemned).result }} condemned: {{ condemned.payload.reason }} </template>
      Last repair: {{ inSentence(entryWords(store.catalogue, store.mended).result) }}.
    </p>
    <ul class="proofs">
      <li v-for="proof in proofs" :key="proof.check">
        <h2>{{ proof.demand ? demandWords[proof.demand] : proof.label }}</h2>
        <p v-if="proof.said" :class="{ stopped: proof.passed === false }">
          <v-icon v-if="proof.passed" icon="$tick" size="20" color="proven" aria-hidden="true" />
          {{ entryWords(store.catalogue!, proof.said).result }}<template v-if="proof.passed === false">: not proved</template>
        </p>
        <div v-if="!proof.passed" class="acts">
          <template v-if="proof.demand">
            <v-btn :disabled="awaited(proof)" @click="ran(proof.check, proof.demand)"
              >{{ demandWords[proof.demand] }} runs through{{ proof.said ? ' now' : '' }}</v-btn
            >
            <v-btn variant="text" :to="{ params: { phase: 'trace' } }">It stops: trace on</v-btn>
          </template>
          <template v-else>
            <v-btn
              v-for="one in outcomeChoices(proof.subject, false)"
              :key="one.id"
              :disabled="awaited(proof)"
              @click="store.write('reading', { check: proof.check, outcome: one.id })"
              >{{ one.label }}</v-btn
            >
          </template>
        </div>
      </li>
    </ul>
    <div v-if="!closed && standing.length > 0" class="standing">
      <h2 class="eyebrow">Still possible</h2>
      <p v-for="one in standing" :key="one.key + one.kind">
        <span class="mono">{{ percent(one.probability) }}</span> {{ standingWords[one.kind] || inSentence(one.label) }}
      </p>
    </div>
    <section v-if="record.length > 0" class="record" aria-labelledby="record-title">
      <h2 id="record-title" class="eyebrow">
        For the record<template v-if="open > 0">: {{ open }} left</template>
      </h2>
      <ul>
        <RecordRow v-for="item in record" :key="item.id" :item="item" :closed="closed !== undefined" />
      </ul>
      <AdviceForm v-if="!closed" />
    </section>
    <template v-if="!closed">
      <div v-if="bars.length > 0" class="bars">
        <h2 class="eyebrow">Before you can close</h2>
        <p v-for="line in bars" :key="line">{{ line }}</p>
      </div>
      <v-btn
        v-if="closing.length === 0"
        color="primary"
        variant="flat"
        @click="store.write('decision', { kind: 'closed', reason: 'Failed demand proved, other demand proved.' })"
        >Close the case</v-btn
      >
    </template>
  </div>
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
.record ul {
  list-style: none;
  padding: 0;
  margin: 6px 0 10px;
}
.record {
  margin-bottom: 20px;
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
