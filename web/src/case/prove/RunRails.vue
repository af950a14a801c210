<script setup lang="ts">
import { computed, ref } from 'vue'
import { doublePressGuard } from '../../shared/pieces/doublePressGuard.ts'
import { clock } from '../../shared/times.ts'
import { useCase } from '../caseStore.ts'
import { entryWords, outcomeChoices } from '../checkWords.ts'

/** The demand that failed run down its stages again, then the other; then what was complained of asked once more. */
defineProps<{ closed: boolean }>()
const store = useCase()
const demandWords = { hotWater: 'Hot water', heating: 'Heating' }
const complained = computed(
  () => new Set(store.live.flatMap((one) => (one.type === 'complaint' ? [store.catalogue?.complaints.find(({ id }) => id === one.payload.what)?.about] : []))),
)
const since = computed(() => (store.mended ? store.live.slice(store.live.indexOf(store.mended) + 1) : []))
/** words and stages of each proof; whether it was passed is the reasoning's to say */
const proofs = computed(() =>
  (store.diagnosis?.proofs ?? [])
    .flatMap((proof) => {
      const check = store.catalogue?.checks.find((one) => one.id === proof.check)
      const said = since.value.findLast((one) => one.type === 'reading' && one.payload.check === proof.check)
      // nothing is ticked before it is known to be what a sound boiler gives
      const judged = said !== undefined && store.workedOut && proof.entry === said.id
      return check
        ? [{ ...proof, subject: check, said, passed: judged ? proof.passed : null, failedBefore: proof.demand !== null && complained.value.has(proof.demand) }]
        : []
    })
    .sort((a, b) => Number(b.failedBefore) - Number(a.failedBefore)),
)
type Shown = (typeof proofs.value)[number]
const runs = computed(() => proofs.value.filter((one) => one.demand !== null))
const asked = computed(() => proofs.value.filter((one) => one.demand === null))
const awaited = ({ said }: Shown) => said !== undefined && !store.workedOut

const stagesOf = ({ demand }: Shown) => store.catalogue?.system.sequence[demand!] ?? []
/** how many stages it was said to have got past; all of them where it ran through, −1 where nobody ran it */
function reached(proof: Shown): number {
  const outcome = proof.said?.type === 'reading' ? proof.said.payload.outcome : undefined
  if (outcome === undefined) return -1
  const stages = stagesOf(proof)
  return outcome === 'complete' ? stages.length : stages.findIndex((one) => one.id === outcome)
}
const stateOf = (proof: Shown, index: number) => {
  const far = reached(proof)
  return far < 0 ? 'open' : index < far ? 'passed' : index === far ? 'stopped' : 'after'
}
const stateWords = { open: 'not run', passed: 'passed', stopped: 'stops here', after: 'not reached' }
const runWords = (proof: Shown) =>
  proof.passed ? `runs, ${clock(proof.said!.at)}` : proof.passed === false ? 'stops' : proof.failedBefore ? 'failed, not run again yet' : 'not run yet'

const isMeant = doublePressGuard()
let last = ''
const stopping = ref<string | null>(null)
function say(check: string, outcome: string, demand?: 'hotWater' | 'heating') {
  // the second press of a double one says the same again; another button is another answer
  const again = !isMeant() && last === check
  last = check
  if (again) return
  stopping.value = null
  void store.write('reading', { check, outcome, ...(demand && { situation: { demand } }) })
}
function runsThrough(proof: Shown) {
  const through = outcomeChoices(proof.subject, false).at(-1)
  if (through) say(proof.check, through.id, proof.demand!)
}
</script>

<template>
  <section class="runs" aria-labelledby="runs-title">
    <h2 id="runs-title" class="eyebrow" tabindex="-1">Failed demand first</h2>
    <p v-if="!store.diagnosis" class="dim" role="status">Working out what has to run…</p>
    <div class="rails">
      <div v-for="proof in runs" :id="`run-${proof.demand}`" :key="proof.check" class="rail" tabindex="-1">
        <h3>{{ demandWords[proof.demand!] }}</h3>
        <p :class="proof.passed ? 'passed' : proof.passed === false ? 'stopped' : 'dim'" role="status">{{ runWords(proof) }}</p>
        <ol>
          <li v-for="(stage, index) in stagesOf(proof)" :key="stage.id" :class="stateOf(proof, index)">
            <span class="mark" aria-hidden="true"><v-icon v-if="stateOf(proof, index) === 'passed'" icon="$tick" size="16" /></span>
            <span class="name"
              >{{ stage.label }}<span class="visually-hidden">, {{ stateWords[stateOf(proof, index)] }}</span></span
            >
            <v-btn v-if="stopping === proof.check" size="small" @click="say(proof.check, stage.id, proof.demand!)">Stops here</v-btn>
          </li>
        </ol>
        <div v-if="!closed" class="acts">
          <v-btn :disabled="awaited(proof)" @click="runsThrough(proof)">{{ demandWords[proof.demand!] }} runs through{{ proof.said ? ' now' : '' }}</v-btn>
          <v-btn variant="text" :aria-expanded="stopping === proof.check" @click="stopping = stopping === proof.check ? null : proof.check">It stops…</v-btn>
        </div>
        <router-link v-if="proof.passed === false" :to="{ params: { phase: 'trace' } }">Trace on from there</router-link>
      </div>
    </div>
    <ul v-if="asked.length > 0" class="asked">
      <li v-for="proof in asked" :id="`proof-${proof.check}`" :key="proof.check" tabindex="-1">
        <h3>{{ proof.label }}</h3>
        <p v-if="proof.said" :class="{ stopped: proof.passed === false, passed: proof.passed }">
          {{ entryWords(store.catalogue!, proof.said).result }}<template v-if="proof.passed === false">: not proved</template>
        </p>
        <div v-if="!closed && !proof.passed" class="acts">
          <v-btn v-for="one in outcomeChoices(proof.subject, false)" :key="one.id" :disabled="awaited(proof)" @click="say(proof.check, one.id)">{{
            one.label
          }}</v-btn>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.rails {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 16px;
  margin-top: 8px;
}
h3 {
  font-size: 1.1875rem;
}
.rail p,
.asked p {
  margin: 0 0 8px;
}
ol {
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
}
ol li {
  position: relative;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
  min-height: 44px;
}
/* the rail: solid where it was passed, dashed where nobody has been */
ol li:not(:last-child)::after {
  content: '';
  position: absolute;
  left: 11px;
  top: 34px;
  bottom: -10px;
  border-left: 2px dashed var(--dim);
}
ol li.passed:not(:last-child)::after {
  border-left: 4px solid var(--proven);
  left: 10px;
}
.mark {
  flex: none;
  width: 24px;
  height: 24px;
  display: grid;
  place-items: center;
  border: 2px dashed var(--dim);
  border-radius: 50%;
}
li.passed .mark {
  border: 0;
  background: var(--proven);
  color: var(--paper);
}
li.stopped .mark {
  border: 3px solid var(--stop);
  border-radius: 6px;
}
li.stopped .name {
  color: var(--stop);
  font-weight: 600;
}
.name {
  flex: 1;
  line-height: 1.2;
}
.passed {
  color: var(--proven);
  font-weight: 600;
}
ol .passed {
  color: inherit;
  font-weight: 400;
}
.stopped {
  color: var(--stop);
  font-weight: 600;
}
.rail a {
  color: var(--copper);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.acts .v-btn {
  height: auto;
  min-height: 48px;
}
.acts :deep(.v-btn__content) {
  white-space: normal;
}
.asked {
  list-style: none;
  margin: 20px 0 0;
  padding: 0;
}
.asked li {
  border-top: 1px solid var(--rule);
  padding: 10px 0;
}
</style>
