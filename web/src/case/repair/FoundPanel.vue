<script setup lang="ts">
import { catalogueHash, type Cause, type Verdict } from '@dewpoint/core/diagnosis'
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useDraft } from '../../keeping/device/drafts.ts'
import { inSentence } from '../../shared/words.ts'
import { useCase } from '../caseStore.ts'
import { percent } from '../suspects/colours.ts'
import { verdictWords } from '../suspects/verdictWords.ts'

/** What was found, what speaks for and against it, and the decision that condemns it; once it is taken, one line. */
const props = defineProps<{ verdict: Verdict }>()
const store = useCase()
const router = useRouter()
const reason = ref('')
const draft = useDraft(`case ${store.current?.id} passed over`, reactive({ reason }))
const asked = ref(false)

const leader = computed(
  () => store.diagnosis?.suspects.find((one) => props.verdict.modes.some((mode) => one.faults.includes(mode.fault))) ?? store.diagnosis?.suspects[0],
)
const speaks = computed(() => leader.value?.account.filter((one) => one.times > 1) ?? [])
const against = computed(() => leader.value?.account.filter((one) => one.times < 1) ?? [])
const condemned = computed(() =>
  store.live.findLast((one) => one.type === 'decision' && one.payload.kind === 'condemned' && one.payload.part === props.verdict.part),
)
/** alternatives that would need another part: what the guard is about */
const unseparated = computed(
  () => store.diagnosis?.lookalikes.filter((one) => one.separatedBy && !props.verdict.modes.some((mode) => one.suspect.split('+').includes(mode.fault))) ?? [],
)

function condemn() {
  if (!store.diagnosis || !store.workedOut) return
  if (unseparated.value.length > 0 && reason.value.trim().length < 5) {
    asked.value = true
    return
  }
  store.write('decision', {
    kind: 'condemned',
    part: props.verdict.part,
    fault: props.verdict.modes[0]!.fault,
    reason: reason.value.trim() || `The verdict stood at ${percent(props.verdict.probability)}.`,
    shown: {
      catalogue: `${store.catalogue!.system.id} ${catalogueHash(store.catalogue!)}`,
      belief: store.diagnosis.suspects.slice(0, 300).map(({ faults, probability }) => ({ faults, probability })),
    },
  })
  draft.forget()
}
/** what was found is named by its state: that it has lost its charge, not the part it is about */
const found = computed(() => props.verdict.modes[0]?.label ?? props.verdict.label)
const isState = computed(() => store.catalogue?.faults.find((one) => one.id === props.verdict.modes[0]?.fault)?.kind === 'state')
/** the likeliest causes, and what is to be looked at whatever they are */
const leading = (by: Cause['by']) => by.filter((one, place) => one.fault === null || place < 4 || (one.probability ?? 0) >= 0.05)
function look(check: string) {
  store.choose(check)
  void router.push({ params: { phase: 'trace' } })
}
</script>

<template>
  <section class="found">
    <p class="eyebrow">{{ store.mended ? 'Still possible' : 'Found' }}</p>
    <h1>
      {{ found }} <span class="sure">{{ verdictWords(store.diagnosis!) }}</span>
    </h1>
    <ul v-if="verdict.modes.length > 1" class="modes">
      <li v-for="mode in verdict.modes" :key="mode.fault">
        {{ mode.label }} <span class="mono dim">{{ percent(mode.probability) }}</span>
      </li>
    </ul>
    <component :is="condemned ? 'details' : 'div'" class="evidence">
      <summary v-if="condemned">Evidence for and against</summary>
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
    </component>
    <div v-if="unseparated.length > 0 && !condemned" class="guard">
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
  </section>
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
.evidence summary {
  cursor: pointer;
  min-height: 44px;
  line-height: 44px;
}
.found {
  margin-bottom: 26px;
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
