<script setup lang="ts">
import type { Payload } from '@dewpoint/core/casebook'
import { catalogueHash, type Cause, type Remedy, type Verdict } from '@dewpoint/core/diagnosis'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { useDraft } from '../../keeping/device/drafts.ts'
import { useRouter } from 'vue-router'
import { useCase } from '../caseStore.ts'
import JournalList from '../JournalList.vue'
import { percent } from '../suspects/colours.ts'
import { verdictWords } from '../suspects/verdictWords.ts'
import SuspectsStrip from '../suspects/SuspectsStrip.vue'
import PlanPanel from './PlanPanel.vue'
import ProvePanel from './ProvePanel.vue'
import RepairForm from './RepairForm.vue'
import { inSentence } from '../../shared/words.ts'

const store = useCase()
const reason = ref('')
const draft = useDraft(`case ${store.current?.id} passed over`, reactive({ reason }))
const asked = ref(false)

/** what stood out when last worked out: while something new is weighed nothing on the page moves, and nothing is condemned */
const verdict = shallowRef<Verdict | null>(null)
watch(
  () => [store.current?.id, store.workedOut, store.diagnosis] as const,
  ([id, workedOut], before) => {
    if (workedOut || id !== before?.[0]) verdict.value = workedOut ? (store.diagnosis?.verdict ?? null) : null
  },
  { immediate: true },
)
const leader = computed(
  () => store.diagnosis?.suspects.find((one) => verdict.value?.modes.some((mode) => one.faults.includes(mode.fault))) ?? store.diagnosis?.suspects[0],
)
const speaks = computed(() => leader.value?.account.filter((one) => one.times > 1) ?? [])
const against = computed(() => leader.value?.account.filter((one) => one.times < 1) ?? [])
const condemned = computed(() =>
  store.live.findLast((one) => one.type === 'decision' && one.payload.kind === 'condemned' && one.payload.part === verdict.value?.part),
)
/** alternatives that would need another part: what the guard is about */
const unseparated = computed(
  () => store.diagnosis?.lookalikes.filter((one) => one.separatedBy && !verdict.value?.modes.some((mode) => one.suspect.split('+').includes(mode.fault))) ?? [],
)

function condemn() {
  if (!verdict.value || !store.diagnosis || !store.workedOut) return
  if (unseparated.value.length > 0 && reason.value.trim().length < 5) {
    asked.value = true
    return
  }
  store.write('decision', {
    kind: 'condemned',
    part: verdict.value.part,
    fault: verdict.value.modes[0]!.fault,
    reason: reason.value.trim() || `The verdict stood at ${percent(verdict.value.probability)}.`,
    shown: {
      catalogue: `${store.catalogue!.system.id} ${catalogueHash(store.catalogue!)}`,
      belief: store.diagnosis.suspects.slice(0, 300).map(({ faults, probability }) => ({ faults, probability })),
    },
  })
  draft.forget()
}
/** what was found is named by its state: that it has lost its charge, not the part it is about */
const found = computed(() => verdict.value?.modes[0]?.label ?? verdict.value?.label ?? '')
const isState = computed(() => store.catalogue?.faults.find((one) => one.id === verdict.value?.modes[0]?.fault)?.kind === 'state')
/** the likeliest causes, and what is to be looked at whatever they are */
const leading = (by: Cause['by']) => by.filter((one, place) => one.fault === null || place < 4 || (one.probability ?? 0) >= 0.05)
const router = useRouter()
function look(check: string) {
  store.choose(check)
  void router.push({ params: { phase: 'trace' } })
}

/** the remedy that is being written down, and what it is done for: it stays, whatever is worked out anew meanwhile */
const recording = shallowRef<{ remedy: Remedy; faults: string[] } | null>(null)
function record(id: string, faults: string[]) {
  const remedy = store.catalogue?.remedies.find((one) => one.id === id)
  if (remedy) recording.value = { remedy, faults }
}

async function did(payload: Payload<'repair'>) {
  recording.value = null
  await store.write('repair', payload)
}
</script>

<template>
  <div class="beside">
    <section class="work">
      <template v-if="recording">
        <p class="eyebrow">What was done</p>
        <h1>{{ recording.remedy.label }}</h1>
        <RepairForm :key="recording.remedy.id + recording.faults.join()" v-bind="recording" @done="did" @cancel="recording = null" />
      </template>
      <template v-else-if="verdict">
        <p class="eyebrow">{{ store.mended ? 'Still possible' : 'Found' }}</p>
        <h1>
          {{ found }} <span class="sure">{{ verdictWords(store.diagnosis!) }}</span>
        </h1>
        <ul v-if="verdict.modes.length > 1" class="modes">
          <li v-for="mode in verdict.modes" :key="mode.fault">
            {{ mode.label }} <span class="mono dim">{{ percent(mode.probability) }}</span>
          </li>
        </ul>
        <div class="account">
          <div>
            <h2 class="eyebrow">Evidence for</h2>
            <p v-if="speaks.length === 0" class="dim">Only the odds before any reading.</p>
            <p v-for="one in speaks" :key="one.check">
              {{ one.label }} <strong>{{ one.says }}</strong>
            </p>
          </div>
          <div>
            <h2 class="eyebrow">Evidence against</h2>
            <p v-if="against.length === 0" class="dim">Nothing so far.</p>
            <p v-for="one in against" :key="one.check">
              {{ one.label }} <strong>{{ one.says }}</strong>
            </p>
          </div>
        </div>
        <div v-if="unseparated.length > 0" class="guard">
          <p>
            <strong>Look-alikes not ruled out yet:</strong>
            {{ unseparated.map((one) => `${one.label} (${inSentence(one.separatedBy!.label)}, ${one.separatedBy!.minutes} min)`).join('; ') }}
          </p>
          <v-text-field
            v-model="reason"
            label="Reason for passing it over"
            :error-messages="asked && reason.trim().length < 5 ? 'Give a reason, or do that check first.' : undefined"
            maxlength="300"
          />
        </div>
        <v-btn v-if="!condemned" color="primary" variant="flat" :disabled="!store.workedOut" @click="condemn">{{
          isState ? `Record as found: ${inSentence(found)}` : `Condemn the ${inSentence(verdict.label)}`
        }}</v-btn>
        <p v-else class="condemned">
          <v-icon icon="$tick" size="20" color="proven" aria-hidden="true" /> {{ isState ? 'Found and recorded.' : 'Condemned and recorded.' }}
        </p>

        <section v-for="cause in store.diagnosis?.causes ?? []" :key="cause.fault" class="cause">
          <h2 class="eyebrow spaced">Cause to find: {{ inSentence(cause.label) }}</h2>
          <ul v-if="cause.by.length > 0">
            <li v-for="one in leading(cause.by)" :key="one.label">
              <span class="what">{{ one.label }}</span>
              <span class="mono dim">{{ one.probability === null ? '' : percent(one.probability) }}</span>
              <v-btn v-if="one.check" size="small" variant="text" @click="look(one.check.check)">{{
                one.fault === null ? 'Check it' : inSentence(one.check.label).replace('?', '')
              }}</v-btn>
            </li>
          </ul>
          <p v-else>{{ cause.lookFor.join(' · ') }}</p>
        </section>

        <PlanPanel @record="record" />
      </template>
      <p v-else-if="!store.workedOut" class="dim" role="status">Working out what the readings say…</p>
      <template v-else-if="!store.mended">
        <p class="eyebrow">Verdict</p>
        <h1>No verdict yet</h1>
        <p>
          A part is offered for condemning from 90%. Most likely so far: <strong>{{ leader ? inSentence(leader.label) : '…' }}</strong> at
          <span class="mono">{{ leader ? percent(leader.probability) : '…' }}</span>. One or two more checks will do it.
        </p>
        <v-btn color="primary" variant="flat" :to="{ params: { phase: 'trace' } }">Back to the next check</v-btn>
      </template>
      <ProvePanel v-if="store.mended && !recording" :class="{ after: verdict }" />
    </section>
    <aside>
      <SuspectsStrip />
      <JournalList />
    </aside>
  </div>
</template>

<style scoped>
h1 {
  font-size: 2rem;
  margin: 4px 0 6px;
}
h1 .sure {
  display: block;
  font-size: 1.1875rem;
  font-weight: 500;
}
.modes {
  padding: 0;
  margin: 0 0 16px;
  list-style: none;
}
.account {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 28px;
  border-top: 1px solid var(--rule);
  padding: 14px 0 6px;
}
.account p {
  margin: 6px 0;
  line-height: 1.3;
}
.account strong {
  display: block;
  font-weight: 600;
}
.guard {
  border: 1px dashed var(--copper);
  border-radius: 10px;
  padding: 12px 16px 16px;
  margin: 6px 0 16px;
}
.guard p {
  margin: 0 0 10px;
}
.condemned {
  display: flex;
  gap: 8px;
  align-items: center;
}
.after {
  margin-top: 40px;
}
.spaced {
  margin-top: 28px;
}
.cause ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
.cause li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 3.5rem minmax(0, 1fr);
  align-items: center;
  gap: 10px;
  min-height: 44px;
  border-top: 1px solid var(--rule);
}
.cause .mono {
  text-align: right;
}
.cause .v-btn {
  justify-self: start;
  max-width: 100%;
  white-space: normal;
  text-align: left;
}
@media (max-width: 1000px) {
  .account {
    grid-template-columns: 1fr;
    gap: 14px;
  }
}
</style>
