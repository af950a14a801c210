<script setup lang="ts">
import type { Payload } from '@dewpoint/core/casebook'
import type { Plan, Remedy, Verdict } from '@dewpoint/core/diagnosis'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { inSentence } from '../../shared/words.ts'
import { useStock } from '../../van/stockStore.ts'
import { useCase } from '../caseStore.ts'
import { explainLink } from '../explainLink.ts'
import JournalList from '../JournalList.vue'
import { percent } from '../suspects/colours.ts'
import SuspectsStrip from '../suspects/SuspectsStrip.vue'
import ActsPanel from '../trace/ActsPanel.vue'
import FoundPanel from './FoundPanel.vue'
import ChainStrip from './job/ChainStrip.vue'
import JobPanel from './job/JobPanel.vue'
import { progressOf } from './job/jobProgress.ts'
import type { PlannedJob } from './job/plannedJob.ts'
import OptionsTable from './options/OptionsTable.vue'
import { planNames } from './options/planNames.ts'
import RepairOrReplace from './options/RepairOrReplace.vue'
import WhileOpenPanel from './options/WhileOpenPanel.vue'
import RemedyCard from './RemedyCard.vue'
import RepairForm from './RepairForm.vue'

/** From what was found to what was done: the chain, the job in its order, and what else could be done. */
const store = useCase()
const stock = useStock()
onMounted(() => stock.load().catch(() => undefined))

/** what stood out when last worked out: while something new is weighed nothing on the page moves, and nothing is condemned */
const verdict = shallowRef<Verdict | null>(null)
watch(
  () => [store.current?.id, store.workedOut, store.diagnosis] as const,
  ([id, workedOut], before) => {
    if (workedOut || id !== before?.[0]) verdict.value = workedOut ? (store.diagnosis?.verdict ?? null) : null
  },
  { immediate: true },
)
const leader = computed(() => store.diagnosis?.suspects[0])

/** the plan somebody looks at; the chosen one, or the first, where nobody looks at any */
const looked = ref<string | null>(null)
/** the choice as the journal has it, at once: how it is worked through comes when it has been thought through */
const choice = computed(() => store.live.findLast((one) => one.type === 'decision' && one.payload.kind === 'planChosen' && one.payload.remedies !== undefined))
const chosen = computed(() => (choice.value?.type === 'decision' ? (choice.value.payload.plan ?? '') : null))
/** every repair of the chosen job was made, and something else stands out now: that is another job */
const isOver = computed(() => {
  const made = (id: string) => store.live.some((one) => one.type === 'repair' && one.payload.remedy === id)
  const of = choice.value?.type === 'decision' ? (choice.value.payload.remedies ?? []) : []
  return (
    verdict.value !== null &&
    of.length > 0 &&
    of.every((one) => made(one.remedy)) &&
    !of.some((one) => verdict.value!.modes.some(({ fault }) => one.faults?.includes(fault)))
  )
})
/** the job as it was shown last: nothing of it moves while something new is weighed */
let last: PlannedJob | null = null
const planned = computed<PlannedJob | null>(() => {
  if (!store.diagnosis) return last
  const { jobs, plans } = store.diagnosis
  const known = store.diagnosis.chosen
  const sharedOf = (plan: string) => plans.find((one) => one.id === plan)?.savedMinutes ?? 0
  if (choice.value && !isOver.value && (looked.value === null || looked.value === chosen.value)) {
    if (known?.entry === choice.value.id) return { ...known, shared: sharedOf(known.plan) }
    const meant = last?.plan === chosen.value ? last : jobs.find(({ plan }) => plan === chosen.value)
    if (meant) return { ...meant, entry: choice.value.id, shared: sharedOf(meant.plan) }
  }
  const one = jobs.find(({ plan }) => plan === looked.value) ?? jobs[0]
  return one ? { ...one, entry: null, shared: sharedOf(one.plan) } : null
})
watch(planned, (one) => (last = one), { flush: 'sync' })
const done = computed(() => {
  const one = planned.value
  if (!one) return new Set<string>()
  return new Set([...progressOf(store.live, one.job.lines, one.entry)].flatMap(([id, { done: by }]) => (by ? [id] : [])))
})
function choose(plan: string, added: string[] = []) {
  const one = store.diagnosis?.jobs.find((other) => other.plan === plan)
  const remedies = added.length > 0 ? (planned.value?.remedies ?? []) : (one?.remedies ?? [])
  looked.value = null
  const labels = added.map((id) => store.catalogue?.remedies.find((other) => other.id === id)?.label ?? id)
  return store.write('decision', {
    kind: 'planChosen',
    plan,
    reason:
      labels.length > 0 ? `Added while it is open: ${labels.map(inSentence).join(', ')}` : plan in planNames ? inSentence(planNames[plan as Plan['id']]) : plan,
    remedies: [...remedies, ...added.map((remedy) => ({ remedy, faults: [] as string[] }))],
  })
}
const begin = () => planned.value && choose(planned.value.plan)

/** what mends some of it and is in no line of the job */
const besides = computed(() => {
  const inJob = new Set(planned.value?.remedies.map((one) => one.remedy))
  return (store.diagnosis?.remedies ?? []).filter((one) => !inJob.has(one.id))
})

/** a known-good part on trial, before anything is bought */
const trying = ref(false)
const canTry = computed(
  () =>
    store.catalogue?.actions.some((one) => one.id === 'trialSpare') &&
    store.catalogue.faults.some(({ part, kind }) => part === verdict.value?.part && kind === 'failure') &&
    !store.acts.some((one) => one.value === verdict.value?.part),
)

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
  <div class="repair">
    <ChainStrip v-if="planned && !recording" :job="planned.job" :done="done" />
    <div class="two">
      <section class="work">
        <template v-if="recording">
          <p class="eyebrow">What was done</p>
          <h1>{{ recording.remedy.label }}</h1>
          <RepairForm :key="recording.remedy.id + recording.faults.join()" v-bind="recording" @done="did" @cancel="recording = null" />
        </template>
        <template v-else>
          <FoundPanel v-if="verdict" :key="verdict.part" :verdict="verdict" />
          <p v-if="verdict"><v-btn variant="text" class="try" :to="explainLink(store)">Explain it to the customer</v-btn></p>
          <p v-else-if="!store.workedOut && !planned" class="dim" role="status">Working out what the readings say…</p>
          <template v-else-if="!store.mended && !planned?.entry">
            <p class="eyebrow">Verdict</p>
            <h1>No verdict yet</h1>
            <p>
              A part is offered for condemning from 90%. Most likely so far: <strong>{{ leader ? inSentence(leader.label) : '…' }}</strong> at
              <span class="mono">{{ leader ? percent(leader.probability) : '…' }}</span>. One or two more checks will do it.
            </p>
            <v-btn color="primary" variant="flat" :to="{ params: { phase: 'trace' } }">Back to the next check</v-btn>
          </template>
          <template v-else-if="store.mended && !verdict">
            <p class="eyebrow">Repaired</p>
            <h1>Now prove it</h1>
            <p>Nothing else stands out. Run the failed demand, then the other.</p>
          </template>
          <v-btn v-if="store.mended && !verdict" color="primary" variant="flat" class="on" :to="{ params: { phase: 'prove' } }">Go and prove it</v-btn>
          <template v-if="verdict && canTry">
            <ActsPanel v-if="trying" begin="trialSpare" @done="trying = false" />
            <p v-else><v-btn variant="text" class="try" @click="trying = true">Fit a known-good part as a test</v-btn></p>
          </template>
          <JobPanel v-if="planned && (verdict || planned.entry)" :planned="planned" @begin="begin" @record="record" />
        </template>
      </section>
      <section v-if="!recording" class="alternatives">
        <OptionsTable v-if="verdict" :shown="planned?.plan ?? ''" :chosen="chosen" @show="looked = $event" @choose="choose" />
        <WhileOpenPanel v-if="planned && (verdict || planned.entry)" @add="choose(planned.plan, [$event])" />
        <RepairOrReplace v-if="verdict" />
        <details v-if="besides.length > 0 && verdict" class="besides">
          <summary class="eyebrow">Other repairs</summary>
          <ul class="jobs">
            <RemedyCard v-for="one in besides" :key="one.id" :job="one" :lesser="one.unfit !== null" @record="record(one.id, [])"
              >Likely to come back: {{ percent(one.chanceOfReturn) }}.{{ one.unfit ? ` Not enough on its own: ${one.unfit}.` : '' }}</RemedyCard
            >
          </ul>
        </details>
        <p v-if="verdict" class="dim">Parts at the firm’s prices where it has said them, else assumed. Local code and the maker’s instructions come first.</p>
        <div class="strip">
          <SuspectsStrip />
          <JournalList />
        </div>
      </section>
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
}
.work,
.alternatives {
  padding: 18px 24px 40px;
}
.alternatives {
  border-left: 1px solid var(--rule);
}
h1 {
  font-size: 1.75rem;
  margin: 4px 0 6px;
}
.try {
  margin-left: -12px;
}
.on {
  margin: 0 0 22px;
}
.besides summary {
  cursor: pointer;
  min-height: 44px;
  line-height: 44px;
}
.jobs {
  list-style: none;
  margin: 0;
  padding: 0;
}
.strip {
  margin-top: 22px;
  border-top: 1px solid var(--rule);
  padding-top: 14px;
}
@media (max-width: 1000px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
  .alternatives {
    border-left: 0;
    border-top: 1px solid var(--rule);
  }
}
@media (max-width: 760px) {
  .work,
  .alternatives {
    padding: 14px 16px 30px;
  }
}
</style>
