<script setup lang="ts">
import type { Payload } from '@dewpoint/core/casebook'
import { barring, seenAlike, type NextCheck, type CheckOrder } from '@dewpoint/core/diagnosis'
import { convert, dimensionOf } from '@dewpoint/core/quantity'
import { benchToolOf } from '@dewpoint/trade/bench'
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useKeys } from '../../shared/pieces/keys.ts'
import SegmentSwitch from '../../shared/pieces/SegmentSwitch.vue'
import { useCase } from '../caseStore.ts'
import { me } from '../../keeping/who.ts'
import { draftsOf } from '../../keeping/device/drafts.ts'
import ActsPanel from './ActsPanel.vue'
import CheckPicker from './CheckPicker.vue'
import CodePanel from './CodePanel.vue'
import OutcomePad from './pads/OutcomePad.vue'
import { padDrafts } from './pads/padDraft.ts'
import { numberResult } from './pads/padScale.ts'
import ReadingPad from './pads/ReadingPad.vue'
import { inSentence } from '../../shared/words.ts'
import SeenPanel from './SeenPanel.vue'

const store = useCase()
/** the check somebody went on to, by name: what is thought meanwhile may put the list in another order */
const goneTo = ref<string | null>(null)
/** checks gone past since the last entry: not offered first again, also when the one gone to drops out of the list */
const passed = ref<string[]>([])
const picker = ref(false)
const coding = ref(false)
const acting = ref(false)
const seeing = ref(false)
/** the look whose question "which of them" was put aside */
const untold = ref<string | null>(null)
const panel = useTemplateRef<HTMLElement>('panel')

const orders: { id: CheckOrder; label: string }[] = [
  { id: 'telling', label: 'Most informative' },
  { id: 'forward', label: 'Forwards' },
  { id: 'backward', label: 'Backwards' },
]
const accessWords = { none: 'nothing opened', caseOff: 'case off', live: 'live terminals', dead: 'terminals proved dead', drained: 'boiler drained' }

/** the check whose reading is half typed: it stays until the reading is recorded or emptied, or somebody goes to another */
const held = ref<string | null>(leftHalfTyped())
/** the reading somebody was typing when the page was left; the wiring has its own */
function leftHalfTyped(): string | null {
  const one = draftsOf<{ typed?: string }>(padDrafts.of(store.current?.id)).find(({ value }) => value.typed)
  const id = one && padDrafts.checkOf(one.name)
  return store.catalogue?.checks.some((known) => known.id === id) ? id! : null
}
/** what is offered; it stays as it was while a check is being chosen, so that nothing moves under the finger */
const offered = shallowRef<NextCheck[]>([])
watch(
  [() => store.diagnosis, picker, acting, seeing, coding],
  () => {
    if (!picker.value && !acting.value && !seeing.value && !coding.value) offered.value = store.diagnosis?.next ?? []
  },
  { immediate: true },
)
/** the one shown last, as it was worked out then */
let last: NextCheck | undefined
const next = computed<NextCheck | undefined>(() => {
  const wanted = held.value ?? store.picked
  return (
    offered.value.find((one) => one.check === wanted) ??
    (wanted ? asLastShown(wanted) : undefined) ??
    offered.value.find((one) => one.check === goneTo.value) ??
    offered.value.find((one) => !passed.value.includes(one.check)) ??
    offered.value[0]
  )
})
watch(next, (one) => (last = one), { flush: 'sync' })
/** A check that is not offered, or not yet: as it was shown last, else with nothing said of what to expect. What is typed is for it from the first key on. */
function asLastShown(id: string): NextCheck | undefined {
  if (last?.check === id) return last
  const one = store.catalogue?.checks.find((other) => other.id === id)
  return one && { check: id, label: one.label, kind: one.kind, bits: 0, minutes: one.minutes, cost: null, access: one.access, parts: [], expected: [] }
}
/** the check shown has just been answered, and what comes after it is being worked out: nothing is shown that could be taken for the next */
const turning = computed(() => {
  const latest = store.live.at(-1)
  return !store.workedOut && !store.thoughtTrouble && !store.picked && !held.value && latest?.type === 'reading' && latest.payload.check === next.value?.check
})
/** what to expect of the check shown is still being worked out */
const awaited = computed(() => store.thinking && next.value?.expected.length === 0)
const place = computed(() => offered.value.findIndex((one) => one.check === next.value?.check))
const check = computed(() => store.catalogue?.checks.find((one) => one.id === next.value?.check))
/** what was done and not undone, and is in the way of this check */
const barred = computed(() => store.acts.find((act) => check.value && barring([act], check.value)))
/** the sum its reading belongs to, on the bench */
const tool = computed(() => check.value && benchToolOf(check.value.id))
const result = computed(() => (check.value ? numberResult(check.value) : null))
const instrument = computed(() => {
  const meter = store.catalogue?.instruments.find((one) => one.id === result.value?.instrument)
  if (!meter) return undefined
  // the smallest range that holds the highest reading a leading suspect expects
  const most = Math.max(...(next.value?.expected ?? []).map((one) => one.reading?.high ?? 0))
  const unit = result.value?.unit
  const range =
    unit && dimensionOf(unit) === dimensionOf(meter.ranges?.[0]?.unit ?? unit)
      ? meter.ranges?.find((one) => convert(one.upTo, one.unit, unit) >= most)
      : undefined
  return range ? `${meter.label}, on ${range.upTo} ${range.unit}` : meter.label
})
const why = computed(() => {
  if (awaited.value) return 'Working out what each suspect would read…'
  const [leader] = store.diagnosis?.suspects ?? []
  const from = next.value?.parts ?? []
  if (!leader || from.length === 0)
    return next.value && next.value.bits < 0.03
      ? 'Tells little now: all suspects would read much the same.'
      : 'Helps sort out several of the less likely suspects.'
  return `Tells “${inSentence(leader.label)}” from ${from
    .slice(0, 3)
    .map((one) => `“${inSentence(one)}”`)
    .join(', ')}.`
})
/** when going on costs more than acting on what is known */
const enough = computed(() => {
  const advice = store.diagnosis?.advice
  if (!advice) return null
  if (advice.first.length > 0) {
    const dear = store.catalogue?.remedies.find(
      (one) => one.id === advice.remedies.find((id) => store.catalogue?.remedies.some((other) => other.id === id && other.before)),
    )
    const [first] = advice.first
    const names = advice.first.map((one) => inSentence(one.label).replace('?', '')).join('; ')
    const again = advice.first.some((one) => one.check === next.value?.check) ? null : first!.check
    const runs = store.catalogue?.checks.find((one) => one.id === first!.check)?.runsThrough !== undefined
    if (runs && advice.kind === 'faults') return { text: `What was done may have held. Before it is done again: ${names}.`, again }
    if (advice.kind === 'nothingWrong') return { text: `Nothing more is wrong, as far as was read, but what failed has not run since: ${names}.`, again }
    return {
      text: `${dear?.label ?? 'That part'} would be next. First what looks the same and costs little: ${names}.`,
      again,
    }
  }
  if (advice.does !== 'act') return null
  if (advice.kind === 'nothingWrong' && store.live.some((one) => one.type === 'repair'))
    return { text: 'Further checks cost more than they save: run both demands through and prove the repair.', again: null }
  if (advice.kind !== 'faults') return null
  const remedy = store.catalogue?.remedies.find((one) => one.id === advice.remedies[0])
  if (!remedy) return null
  return advice.again
    ? {
        text: `${remedy.label} would be next, but that rests on one reading. Repeat it first: ${inSentence(advice.again.label)}.`,
        again: advice.again.check,
      }
    : store.live.some((one) => one.type === 'repair' && one.payload.remedy === remedy.id)
      ? {
          text: `${remedy.label}: done once and did not help. Prove what was done, or the new part itself, before it is done again; it may be something on no list here.`,
          again: null,
        }
      : { text: `Further checks cost more than they save. Do next: ${inSentence(remedy.label)}.`, again: null }
})
/** a look has just shown what several faults look like: whoever looked sees which */
const alike = computed(() => {
  const latest = store.live.at(-1)
  if (latest?.type !== 'reading' || latest.payload.outcome !== 'yes' || latest.author !== me.value?.id || latest.id === untold.value) return null
  const look = store.catalogue?.checks.find((one) => one.id === latest.payload.check)
  const among = look && store.catalogue ? seenAlike(store.catalogue, look).flatMap(({ id }) => (store.seen.has(id) ? [] : [id])) : []
  return among.length > 0 ? { entry: latest.id, among } : null
})
const others = computed(() => offered.value.filter((one) => one.check !== next.value?.check).slice(0, 3))

watch(
  () => store.entries,
  () => {
    goneTo.value = null
    passed.value = []
  },
)

watch(
  () => store.picked,
  (picked) => {
    if (picked) held.value = null
  },
)

/** another check begins at its title, also when it was chosen from the end of the page */
watch(
  () => next.value?.check,
  (_now, was) => {
    if (was === undefined || !panel.value || panel.value.getBoundingClientRect().top >= 0) return
    void nextTick(() => panel.value?.scrollIntoView({ block: 'start' }))
  },
)

function record(payload: Payload<'reading'>) {
  held.value = null
  store.answer(payload)
}
function cannot() {
  held.value = null
  if (check.value) store.write('decision', { kind: 'checkNotPossible', check: check.value.id, reason: 'Cannot be done on this visit.' })
}
function step(by: number) {
  const [from, count] = [next.value, offered.value.length]
  if (!from || count === 0) return
  const to = offered.value[(Math.max(place.value, 0) + by + count) % count]!.check
  held.value = null
  store.picked = null
  passed.value = [...passed.value, from.check]
  goneTo.value = to
}
function pick(id: string) {
  held.value = null
  store.picked = id
  picker.value = false
}
function turnOrder() {
  store.order = orders[(orders.findIndex((one) => one.id === store.order) + 1) % orders.length]!.id
}

useKeys({ n: () => step(1), p: () => step(-1), c: cannot, o: turnOrder, a: () => (acting.value = !acting.value), s: () => (seeing.value = !seeing.value) })
</script>

<template>
  <section ref="panel" class="next" aria-labelledby="next-title" :aria-busy="store.thinking">
    <SeenPanel v-if="alike" :key="alike.entry" :among="alike.among" @done="untold = alike?.entry ?? null" />
    <div class="head">
      <p class="eyebrow">{{ store.picked ? 'Chosen check' : place <= 0 ? 'Next check' : `Check ${place + 1} of ${offered.length}` }}</p>
      <SegmentSwitch v-model="store.order" label="Order of checks" :choices="orders" />
    </div>
    <p v-if="!store.diagnosis" class="dim" aria-live="polite">Simulated readings are being fetched…</p>
    <p v-else-if="turning" class="turning dim" role="status">Recorded. Working out the next check…</p>
    <template v-else-if="check && next">
      <p v-if="enough && store.workedOut && !store.picked" class="enough">
        {{ enough.text }}
        <v-btn v-if="enough.again" variant="text" size="small" @click="pick(enough.again)">Take it again</v-btn>
      </p>
      <h1 id="next-title">{{ check.label }}</h1>
      <p class="meta dim">
        <span>{{ next.minutes }} min</span><span>{{ accessWords[check.access] }}</span
        ><span v-if="instrument">{{ instrument }}</span>
      </p>
      <p class="why">{{ why }}</p>
      <p v-if="barred" class="barred">{{ barred.kind.label }}: undo that first, or what is read now is given little weight.</p>
      <ReadingPad v-if="result" :key="check.id" :check="check" :result="result" :next="next" @record="record" @typing="held = $event ? check.id : null" />
      <OutcomePad v-else-if="!awaited" :key="check.id" :check="check" :next="next" @record="record" />
      <div class="below">
        <v-btn variant="text" aria-keyshortcuts="c" @click="cannot">Cannot do this one</v-btn>
        <v-btn variant="text" aria-keyshortcuts="n" @click="step(1)">Offer another</v-btn>
        <v-btn v-if="tool && store.current" variant="text" :to="{ name: 'bench-tool', params: { tool }, query: { case: store.current.id } }"
          >Open on the Bench</v-btn
        >
        <v-btn variant="text" :aria-expanded="picker" @click="picker = !picker">Any check…</v-btn>
        <v-btn variant="text" :aria-expanded="coding" @click="coding = !coding">Look up a code</v-btn>
        <v-btn variant="text" aria-keyshortcuts="s" :aria-expanded="seeing" @click="seeing = !seeing">Log a defect</v-btn>
        <v-btn variant="text" aria-keyshortcuts="a" :aria-expanded="acting" @click="acting = !acting">Log an action</v-btn>
      </div>
      <CodePanel v-if="coding" @done="coding = false" />
      <SeenPanel v-if="seeing" @done="seeing = false" />
      <ActsPanel v-if="acting" @done="acting = false" />
      <CheckPicker v-if="picker" :catalogue="store.catalogue!" @pick="pick" />
      <div class="how">
        <div v-if="check.cautions?.length" class="cautions">
          <p v-for="line in check.cautions" :key="line">
            <strong>{{ line }}</strong>
          </p>
          <p>Local code and the maker’s instructions come first.</p>
        </div>
        <div>
          <ol>
            <li v-for="line in check.how" :key="line">{{ line }}</li>
          </ol>
          <p v-if="check.mistake" class="mistake"><span class="eyebrow">Easy mistake</span> {{ check.mistake }}</p>
        </div>
      </div>
      <div v-if="others.length > 0">
        <h2 class="eyebrow">After that</h2>
        <ul class="choices">
          <li v-for="one in others" :key="one.check">
            <button type="button" @click="pick(one.check)">
              {{ one.label }} <span class="dim">{{ one.minutes }} min</span>
            </button>
          </li>
        </ul>
      </div>
    </template>
    <template v-else>
      <h1 id="next-title">No check would tell more</h1>
      <p>What is left cannot be told apart by any check known here, or everything has been done. Judge by the suspects, or record any reading.</p>
      <div class="below">
        <v-btn variant="text" :aria-expanded="picker" @click="picker = !picker">Any check…</v-btn>
        <v-btn variant="text" :aria-expanded="coding" @click="coding = !coding">Look up a code</v-btn>
        <v-btn variant="text" aria-keyshortcuts="s" :aria-expanded="seeing" @click="seeing = !seeing">Log a defect</v-btn>
        <v-btn variant="text" aria-keyshortcuts="a" :aria-expanded="acting" @click="acting = !acting">Log an action</v-btn>
      </div>
      <CodePanel v-if="coding" @done="coding = false" />
      <SeenPanel v-if="seeing" @done="seeing = false" />
      <ActsPanel v-if="acting" @done="acting = false" />
      <CheckPicker v-if="picker" :catalogue="store.catalogue!" @pick="pick" />
    </template>
  </section>
</template>

<style scoped>
.next {
  scroll-margin-top: 76px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  flex-wrap: wrap;
  gap: 8px 12px;
  margin-bottom: 12px;
}
h1 {
  font-size: 1.75rem;
}
.turning {
  min-height: 60vh;
}
.meta {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  margin: 6px 0 4px;
}
.enough {
  border-left: 3px solid var(--copper);
  padding: 2px 0 2px 14px;
  margin: 0 0 14px;
}
.barred {
  border-left: 3px solid var(--live);
  padding-left: 14px;
  margin: 0 0 12px;
  color: var(--live);
  font-weight: 600;
}
.why {
  margin: 0 0 12px;
}
.below {
  display: flex;
  flex-wrap: wrap;
  margin: 4px 0 4px -12px;
}
.how {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 24px;
  margin: 8px 0 20px;
}
.how > :last-child {
  order: -1;
}
.how ol {
  padding-left: 1.3em;
  margin: 0;
}
.how li {
  padding-bottom: 4px;
}
.cautions {
  border-left: 3px solid var(--live);
  padding-left: 14px;
}
.cautions p {
  margin: 0 0 6px;
}
.cautions strong {
  color: var(--live);
  font-weight: 600;
}
.mistake {
  margin: 8px 0 0;
}
@media (max-width: 760px) {
  h1 {
    font-size: 1.5rem;
  }
  .how {
    grid-template-columns: 1fr;
    gap: 14px;
  }
  .how > :last-child {
    order: 0;
  }
}
/* little height, as on a page enlarged twice: the pad comes before what is said about it */
@media (max-height: 520px) {
  .next {
    display: flex;
    flex-direction: column;
  }
  .next > * {
    order: 2;
  }
  .next > .head,
  .next > h1,
  .next > .meta,
  .next > :deep(.pad) {
    order: 0;
  }
  .head {
    margin-bottom: 4px;
  }
  .next > .why {
    order: 1;
    margin-top: 10px;
  }
}
</style>
