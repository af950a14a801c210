<script setup lang="ts">
import { impossibility, type RecordItem } from '@dewpoint/core/diagnosis'
import { convert, formatNumber, unitsLike, type UnitSymbol } from '@dewpoint/core/quantity'
import { limitWords } from '@dewpoint/trade/report'
import { computed, reactive, ref, watch } from 'vue'
import { useDraft } from '../../keeping/device/drafts.ts'
import { doublePressGuard } from '../../shared/pieces/doublePressGuard.ts'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import { day } from '../../shared/times.ts'
import { useCase } from '../caseStore.ts'
import { entryWords, figureChoices, outcomeChoices } from '../checkWords.ts'
import LimitBand from './LimitBand.vue'
import MeterClock from './MeterClock.vue'
import { numberTyped } from '../../shared/numbers.ts'

/** One closing check: its figure against the limit, or its answer. It keeps its height when it is answered, so that nothing moves under the finger. */
const props = defineProps<{ item: RecordItem; /** the case is closed: nothing more is said */ closed?: boolean }>()
const store = useCase()

const check = computed(() => store.catalogue?.checks.find((one) => one.id === props.item.check))
const result = computed(() => (check.value?.result.kind === 'number' && props.item.by === 'check' ? check.value.result : null))
const choices = computed(() => {
  if (props.item.by === 'word') {
    const isCause = props.item.id.startsWith('cause.')
    return isCause
      ? [{ id: 'right', label: 'Found and put right' }]
      : [
          { id: 'right', label: 'Right' },
          { id: 'notRight', label: 'Not right' },
        ]
  }
  if (props.item.by !== 'check' || !check.value) return []
  return result.value ? figureChoices : outcomeChoices(check.value, false)
})
const said = computed(() => store.live.find((one) => one.id === props.item.entry))
const words = computed(() => {
  const entry = said.value
  if (entry?.type === 'advice') return entry.payload.due ? day(entry.payload.due) : entry.payload.answer === 'declined' ? 'advised, declined' : 'told'
  return entry ? entryWords(store.catalogue!, entry).result : ''
})
const answer = computed(() => (said.value?.type === 'reading' ? said.value.payload.outcome : undefined))
/** the figure noted, in the unit of its limit */
const figure = computed(() => {
  if (said.value?.type !== 'reading' || !result.value) return null
  const { value, unit: of } = said.value.payload
  return value === undefined ? null : convert(value, of as UnitSymbol, result.value.unit)
})
const settled = computed(() => ['right', 'given', 'declined'].includes(props.item.state) || (props.item.state === 'notDone' && props.item.leaves))
const wrong = computed(() => props.item.state === 'notRight' || (props.item.state === 'notDone' && !props.item.leaves))
/** a figure nobody believes is not taken for one */
const refused = computed(() => {
  const last = store.live.findLast((one) => one.type === 'reading' && one.payload.check === props.item.check)
  return store.workedOut ? (store.diagnosis?.refused.find((one) => one.entry === last?.id)?.why ?? '') : ''
})

const form = reactive({ typed: '', unit: result.value?.unit ?? ('1' as UnitSymbol), leaving: false, reason: '', due: '' })
const draft = useDraft(`case ${store.current?.id} record ${props.item.id}`, form)
const trouble = ref<string | null>(null)
const timing = ref(false)
/** it was answered, and what that means is being worked out */
const sent = ref(false)
watch(
  () => store.workedOut,
  (workedOut) => workedOut && (sent.value = false),
)
const isMeant = doublePressGuard()
/** what was written last: the second press of a double one says the same once more */
let last = ''

function write(...[type, payload]: Parameters<typeof store.write>) {
  const once = isMeant()
  const same = JSON.stringify(payload) === last
  last = JSON.stringify(payload)
  if (!once && same) return
  trouble.value = null
  sent.value = true
  Object.assign(form, { typed: '', leaving: false, reason: '', due: '' })
  draft.forget()
  void store.write(type, payload)
}
function say(outcome: string) {
  if (props.item.by === 'check' && check.value)
    write('reading', { check: check.value.id, outcome, ...(result.value && { situation: { demand: check.value.situation.demand } }) })
  else write('reading', { check: props.item.id, outcome })
}
function record(value = numberTyped(form.typed), unit = form.unit) {
  if (!result.value || !check.value) return
  if (!Number.isFinite(value)) return void (trouble.value = 'Type a number, such as 1.2.')
  const odd = impossibility(result.value, value, unit)
  if (odd) return void (trouble.value = odd)
  const { limit } = props.item
  const held = limit && {
    ...(limit.low !== null && { low: limit.low }),
    ...(limit.high !== null && { high: limit.high }),
    unit: limit.unit,
    source: limit.source,
  }
  write('reading', { check: check.value.id, value, unit, situation: { demand: check.value.situation.demand }, ...(held && { limit: held }) })
  timing.value = false
}
function leaveOut() {
  if (form.reason.trim().length < 5) return void (trouble.value = 'Give the reason in a few words.')
  write('reading', { check: props.item.id, outcome: 'notDone', note: form.reason.trim() })
}
const advise = (given: 'given' | 'declined') => write('advice', { what: props.item.tell ?? props.item.label, answer: given, about: props.item.id })
function setDay() {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(form.due)) return void (trouble.value = 'Give the day.')
  write('advice', { what: props.item.tell ?? props.item.label, answer: 'given', about: props.item.id, due: form.due })
}
</script>

<template>
  <li :id="`check-${item.id}`" :class="{ wrong, settled, number: result }" tabindex="-1">
    <span class="state" aria-hidden="true"
      ><v-icon v-if="settled" :icon="item.state === 'notDone' ? '$away' : '$tick'" size="18" /><v-icon v-else-if="wrong" icon="$away" size="18" /><span
        v-else
        class="ring"
    /></span>
    <div class="what">
      <h3>{{ item.label }}</h3>
      <p v-if="item.state === 'open'" class="dim">{{ item.why }}</p>
      <p v-else class="said">{{ words }}</p>
      <p v-if="item.limit" class="dim">{{ limitWords({ limit: item.limit, unit: item.limit.unit }) }}</p>
      <p v-if="refused" class="off" role="alert">Not believed: {{ refused }}</p>
    </div>
    <LimitBand v-if="item.limit" class="band" :low="item.limit.low" :high="item.limit.high" :value="figure" :ok="!wrong" />
    <form v-if="result && !closed" class="figure" :inert="sent" @submit.prevent="record()">
      <v-text-field
        v-model="form.typed"
        :aria-label="`${item.label}: figure`"
        inputmode="decimal"
        maxlength="12"
        autocomplete="off"
        hide-details
        :placeholder="figure === null ? '' : formatNumber(figure)"
      />
      <PlainSelect
        v-if="unitsLike(result.unit).length > 1"
        v-model="form.unit"
        :items="unitsLike(result.unit).map((one) => ({ value: one, title: one === '1' ? 'ratio' : one }))"
        :hidden-label="`${item.label}: unit`"
      />
      <span v-else class="unit dim">{{ result.unit === '1' ? '' : result.unit }}</span>
    </form>
    <div class="answer" :inert="sent || closed" :class="{ sent, words: result }">
      <div v-if="!closed" class="acts">
        <v-btn v-if="result && form.typed.trim() !== ''" @click="record()">Record {{ form.typed }} {{ form.unit === '1' ? '' : form.unit }}</v-btn>
        <v-btn
          v-for="one in result && form.typed.trim() !== '' ? [] : choices"
          :key="one.id"
          :variant="result ? 'text' : undefined"
          :aria-pressed="answer === one.id"
          :class="{ chosen: answer === one.id }"
          @click="say(one.id)"
          >{{ one.label }}</v-btn
        >
        <v-btn v-if="item.check === 'measure.gasRate'" variant="text" :aria-expanded="timing" @click="timing = !timing">Time the meter</v-btn>
        <template v-if="item.by === 'told'">
          <v-btn :aria-pressed="item.state === 'given'" @click="advise('given')">Told</v-btn>
          <v-btn variant="text" :aria-pressed="item.state === 'declined'" @click="advise('declined')">Advised, declined</v-btn>
        </template>
        <form v-if="item.by === 'due'" class="day" @submit.prevent="setDay">
          <v-text-field v-model="form.due" type="date" :label="item.tell ?? 'Day'" hide-details />
          <v-btn type="submit">Set the day</v-btn>
        </form>
        <v-btn
          v-if="item.leaves && (item.by === 'word' || item.by === 'check')"
          variant="text"
          :aria-expanded="form.leaving"
          :aria-pressed="item.state === 'notDone'"
          @click="form.leaving = !form.leaving"
          >Not done…</v-btn
        >
      </div>
      <form v-if="form.leaving" class="day" @submit.prevent="leaveOut" @keydown.esc.stop="form.leaving = false">
        <v-text-field v-model="form.reason" label="Why it was not done" maxlength="300" autofocus hide-details />
        <v-btn type="submit">Leave it out</v-btn>
      </form>
      <p v-if="trouble" class="off" role="alert">{{ trouble }}</p>
      <MeterClock v-if="timing" @rate="record($event, 'm³/h')" />
    </div>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr) auto;
  gap: 2px 12px;
  align-items: start;
  padding: 8px 0 8px;
  border-top: 1px solid var(--rule);
  scroll-margin-top: 90px;
}
li.number {
  grid-template-columns: 28px minmax(0, 1fr) 128px 186px;
}
.number > .state {
  grid-row: 1;
}
.number > .what {
  grid-row: 1 / span 2;
  grid-column: 2;
}
.state {
  width: 24px;
  height: 24px;
  margin-top: 1px;
  display: grid;
  place-items: center;
  border-radius: 50%;
}
.settled .state {
  color: var(--proven);
  border: 2px solid var(--proven);
}
.wrong .state {
  border-radius: 6px;
  background: var(--stop);
  color: var(--paper);
}
.ring {
  width: 20px;
  height: 20px;
  border: 2px dashed var(--dim);
  border-radius: 50%;
}
h3 {
  font-size: 1.0625rem;
  line-height: 1.25;
}
p {
  margin: 1px 0 0;
  line-height: 1.25;
}
.said {
  font-weight: 600;
}
.wrong h3,
.wrong .said,
.off {
  color: var(--stop);
  font-weight: 600;
}
.figure {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 92px;
  gap: 6px;
  align-items: center;
}
.answer {
  max-width: 30rem;
}
.words {
  grid-column: 3 / -1;
  max-width: none;
}
.words .acts {
  gap: 0 2px;
  justify-content: flex-end;
}
.words .v-btn {
  min-width: 0;
  padding: 0 7px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.chosen {
  outline: 2px solid var(--copper);
  outline-offset: -2px;
}
.sent {
  opacity: 0.55;
}
.day {
  display: flex;
  flex: 1 1 100%;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding-top: 4px;
}
.day > :first-child {
  flex: 1 1 180px;
}
@media (max-width: 760px) {
  li,
  li.number {
    grid-template-columns: 28px minmax(0, 1fr);
  }
  .number > .what {
    grid-row: 1;
  }
  .band,
  .figure,
  .answer,
  .words {
    grid-column: 2;
  }
  .words .acts {
    justify-content: flex-start;
  }
}
</style>
