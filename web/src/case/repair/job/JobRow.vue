<script setup lang="ts">
import type { Entry } from '@dewpoint/core/casebook'
import type { JobLine, JobNote, Skill } from '@dewpoint/core/diagnosis'
import { computed, onBeforeUnmount, reactive, ref } from 'vue'
import { useDraft } from '../../../keeping/device/drafts.ts'
import { clock } from '../../../shared/times.ts'
import { inSentence } from '../../../shared/words.ts'
import { useCase } from '../../caseStore.ts'
import { numberTyped } from '../../../shared/numbers.ts'

/** One line of the job: ticked as it is done, with what must be noted, what is always new, and how, for the one in hand. */
const props = defineProps<{
  line: JobLine
  place: number
  done: Entry | null
  noted: ReadonlyMap<number, { value: number; unit: string }>
  isCurrent: boolean
  isOpen: boolean
}>()
const emit = defineEmits<{
  tick: [state: 'done' | 'notDone' | 'open', why?: string]
  note: [step: number, value: number, unit: string]
  record: []
  look: []
}>()
const store = useCase()
const skillWords: Record<Skill, string> = {
  anyone: '',
  heating: '',
  gas: 'Gas work: only by those licensed for it.',
  electrical: 'Electrical work.',
  unvented: 'Unvented cylinder: only by those qualified.',
}
const why = computed(() => {
  const { role, because } = props.line
  if (role === 'alongside') return because ? `Belongs to it. ${because}` : 'Added while it is open.'
  return { root: 'The cause.', consequence: 'What it brought about.', alone: '' }[role ?? 'alone']
})
const small = computed(() =>
  [
    props.line.seals.length > 0 ? `always new: ${props.line.seals.join(', ')}` : '',
    props.line.torque ?? '',
    props.line.parts.length > 0 ? props.line.parts.join(', ') : '',
  ].filter(Boolean),
)
const notDone = computed(() => props.done?.type === 'step' && props.done.payload.state === 'notDone')

/** figures half typed stay, through a reload too */
const typed = reactive<Record<string, string>>(Object.fromEntries(props.line.notes.map((one) => [`note ${one.step}`, ''])))
const draft = useDraft(`case ${store.current?.id} job ${props.line.id}`, typed)
const half = computed(() => Object.values(typed).some((one) => one !== ''))
const wrong = ref<number | null>(null)
/** a field that goes away says that it was changed: what is half typed in it stays a draft */
let gone = false
onBeforeUnmount(() => (gone = true))
function keep(note: JobNote) {
  if (gone) return
  const text = typed[`note ${note.step}`]!
  wrong.value = null
  if (text.trim() === '') return
  const value = numberTyped(text)
  if (!Number.isFinite(value) || Math.abs(value) > 100_000) {
    wrong.value = note.step
    return
  }
  typed[`note ${note.step}`] = ''
  if (Object.values(typed).every((one) => one === '')) draft.forget()
  emit('note', note.step, value, note.unit)
}
const unitWords = (unit: string) => (unit === '1' ? '' : unit)
const bandWords = ({ low, high, unit }: JobNote) => {
  const shown = unitWords(unit)
  if (low !== undefined && high !== undefined)
    return low === high ? `${low} ${shown}` : low === 0 ? `at most ${high} ${shown}` : `${low.toFixed(1)} to ${high.toFixed(1)} ${shown}`
  return low !== undefined ? `over ${low} ${shown}` : high !== undefined ? `at most ${high} ${shown}` : ''
}
const isOff = ({ low, high }: JobNote, value: number) => (low !== undefined && value < low - 1e-9) || (high !== undefined && value > high + 1e-9)

/** asked for why it is left out */
const reason = ref('')
const asking = ref(false)
function leaveOut() {
  if (reason.value.trim().length < 3) return
  emit('tick', 'notDone', reason.value.trim())
  asking.value = false
  reason.value = ''
}
const shows = computed(() => (props.isCurrent || props.isOpen) && (!props.done || props.isOpen))
</script>

<template>
  <div role="listitem" class="line" :class="{ current: isCurrent, done: done !== null, out: notDone }">
    <div class="top">
      <button
        v-if="line.kind !== 'work'"
        type="button"
        class="tick"
        :aria-pressed="done !== null && !notDone"
        :aria-label="`${line.label}: ${done ? (notDone ? 'left out' : 'done') : 'not done yet'}`"
        @click="emit('tick', done ? 'open' : 'done')"
      >
        <v-icon v-if="done && !notDone" icon="$tick" size="20" aria-hidden="true" /><span v-else aria-hidden="true">{{ notDone ? '–' : place }}</span>
      </button>
      <span v-else class="tick still" aria-hidden="true"
        ><v-icon v-if="done" icon="$tick" size="20" /><template v-else>{{ place }}</template></span
      >
      <div class="what">
        <h3 tabindex="-1">{{ line.label }}</h3>
        <p v-if="why" class="dim">{{ why }}</p>
        <p v-if="small.length > 0" class="dim">{{ small.join(' · ') }}</p>
      </div>
      <span class="minutes mono"
        ><template v-if="done">{{ clock(done.at) }}</template
        ><template v-else-if="line.minutes > 0">{{ line.minutes }} <span class="dim">min</span></template></span
      >
      <span v-if="!isCurrent" class="side">
        <v-btn v-if="line.kind === 'work' && !done" :aria-label="`Record as done: ${inSentence(line.label)}`" @click="emit('record')">Record as done</v-btn>
        <v-btn variant="text" :aria-expanded="isOpen" :aria-label="`${isOpen ? 'Fold' : 'Show how'}: ${inSentence(line.label)}`" @click="emit('look')">{{
          isOpen ? 'Fold' : 'How'
        }}</v-btn>
      </span>
    </div>
    <p v-if="line.notes.length > 0 && !shows && noted.size === 0 && !half && !done" class="dim tonote">
      To note: {{ line.notes.map((one) => inSentence(one.label)).join(', ') }}
    </p>
    <p v-else-if="noted.size > 0 && !shows && !half" class="tonote">
      <span v-for="note in line.notes.filter((one) => noted.has(one.step))" :key="note.step" :class="isOff(note, noted.get(note.step)!.value) ? 'off' : 'noted'"
        >{{ note.label }} {{ noted.get(note.step)!.value }} {{ unitWords(note.unit)
        }}<template v-if="isOff(note, noted.get(note.step)!.value)">: should be {{ bandWords(note) }}</template
        >{{ ' ' }}</span
      >
    </p>
    <div v-else-if="line.notes.length > 0 && (shows || half)" class="notes">
      <form v-for="note in line.notes" :key="note.step" class="note" @submit.prevent="keep(note)">
        <label
          ><span>{{ note.label }}</span>
          <span class="field"
            ><input
              v-model="typed[`note ${note.step}`]"
              class="mono"
              inputmode="decimal"
              maxlength="10"
              autocomplete="off"
              :placeholder="noted.has(note.step) ? String(noted.get(note.step)!.value) : ''"
              :aria-invalid="wrong === note.step"
              @change="keep(note)"
            /><span class="unit dim">{{ unitWords(note.unit) }}</span></span
          ></label
        >
        <span v-if="wrong === note.step" class="off" role="alert">Give a figure.</span>
        <span v-else-if="noted.has(note.step) && isOff(note, noted.get(note.step)!.value)" class="off"
          >{{ noted.get(note.step)!.value }} {{ unitWords(note.unit) }}: should be {{ bandWords(note) }}</span
        >
        <span v-else-if="noted.has(note.step)" class="noted">noted {{ noted.get(note.step)!.value }} {{ unitWords(note.unit) }}</span>
        <span v-else class="dim">{{ bandWords(note) }}</span>
        <span v-if="note.because && shows" class="dim because">{{ note.because }}</span>
      </form>
    </div>
    <template v-if="shows">
      <p v-if="skillWords[line.skill]" class="caution">{{ skillWords[line.skill] }}</p>
      <p v-for="one in line.cautions" :key="one" class="caution">{{ one }}</p>
      <ol v-if="line.steps.length > 0" class="how">
        <li v-for="one in line.steps" :key="one">{{ one }}</li>
      </ol>
    </template>
    <p v-if="notDone && done?.type === 'step'" class="off">Left out: {{ done.payload.note }}</p>
    <div v-if="!done && isCurrent" class="acts">
      <v-btn v-if="line.kind === 'work'" color="primary" variant="flat" class="act" @click="emit('record')">Record as done: {{ inSentence(line.label) }}</v-btn>
      <template v-else>
        <v-btn color="primary" variant="flat" class="act" @click="emit('tick', 'done')">Done: {{ inSentence(line.label) }}</v-btn>
        <v-btn variant="text" @click="asking = !asking">Leave it out…</v-btn>
      </template>
    </div>
    <form v-if="asking && !done" class="reason" @submit.prevent="leaveOut">
      <v-text-field v-model="reason" label="Why it is left out" maxlength="300" hide-details />
      <v-btn type="submit" :disabled="reason.trim().length < 3">Leave it out</v-btn>
    </form>
  </div>
</template>

<style scoped>
.line {
  border-top: 1px solid var(--rule);
  padding: 6px 10px 8px 6px;
}
.line.current {
  border-left: 4px solid var(--copper);
  border-radius: 0 8px 8px 0;
  background: color-mix(in srgb, var(--copper) 11%, var(--paper));
}
.top {
  display: grid;
  grid-template-columns: 48px minmax(0, 1fr) auto auto;
  gap: 8px;
  align-items: center;
  min-height: 48px;
}
.tick {
  width: 48px;
  height: 48px;
  display: grid;
  place-items: center;
  border: 0;
  background: none;
  color: var(--ink);
  font-family: inherit;
  font-weight: 600;
  cursor: pointer;
  position: relative;
}
.tick.still {
  cursor: default;
}
.tick::before {
  content: '';
  position: absolute;
  inset: 11px;
  border: 2px dashed var(--dim);
  border-radius: 50%;
}
.done .tick::before {
  border: 0;
  background: var(--proven);
}
.done .tick {
  color: var(--paper);
}
.out .tick::before {
  background: none;
  border: 2px solid var(--dim);
}
.out .tick {
  color: var(--ink);
}
.tick > * {
  position: relative;
}
h3 {
  font-size: 1.0625rem;
  font-weight: 600;
  line-height: 1.2;
  outline-offset: 3px;
}
.current h3 {
  font-size: 1.25rem;
}
.done h3 {
  font-weight: 400;
  color: var(--dim);
}
.what p {
  margin: 1px 0 0;
  line-height: 1.25;
  font-size: 0.9375rem;
}
.minutes {
  white-space: nowrap;
}
.side {
  display: flex;
  justify-content: flex-end;
}
.tonote {
  margin: 0 0 4px 56px;
  font-size: 0.9375rem;
}
.notes {
  display: grid;
  gap: 4px;
  margin: 2px 0 6px 56px;
}
.note {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 12px;
}
.note label {
  display: flex;
  align-items: center;
  gap: 10px;
}
.note label > span:first-child {
  min-width: 8.5em;
}
.field {
  display: inline-flex;
  align-items: center;
  width: 116px;
  height: 48px;
  padding: 0 10px;
  border: 1px solid var(--dim);
  border-radius: 8px;
  background: var(--sheet);
}
.field:focus-within {
  outline: 2px solid var(--copper);
  outline-offset: 1px;
}
.field input {
  flex: 1;
  min-width: 0;
  width: 100%;
  border: 0;
  background: none;
  color: inherit;
  font-size: 1.0625rem;
  outline: 0;
}
.because {
  flex-basis: 100%;
  font-size: 0.9375rem;
}
.noted {
  color: var(--proven);
  font-weight: 600;
}
.off {
  color: var(--stop);
  font-weight: 600;
  margin: 2px 0 2px 0;
}
.caution {
  margin: 2px 0 4px 56px;
  color: var(--live);
  font-weight: 600;
}
.how {
  margin: 4px 0 8px 56px;
  padding-left: 1.2em;
}
.how li {
  padding-bottom: 3px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 4px 0 2px 56px;
}
.act {
  max-width: 100%;
  height: auto;
  min-height: 48px;
  padding-block: 6px;
}
.act :deep(.v-btn__content) {
  white-space: normal;
  text-align: left;
}
.reason {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin: 6px 0 4px 56px;
}
.reason > :first-child {
  flex: 1 1 220px;
}
@media (max-width: 760px) {
  .top {
    grid-template-columns: 48px minmax(0, 1fr) auto;
  }
  .side {
    grid-column: 2 / -1;
    justify-content: flex-start;
  }
  .notes,
  .tonote,
  .caution,
  .how,
  .acts,
  .reason {
    margin-left: 8px;
  }
}
</style>
