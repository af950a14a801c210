<script setup lang="ts">
import { staff } from '@dewpoint/contract'
import { iMay } from '../../../session/session.ts'
import type { Field } from '@dewpoint/core/bench'
import { hoursFrom, readWatchTable, usualPeriods, usualTopUps, whenOf, type Period, type WatchAnswer, type WatchProblem } from '@dewpoint/core/pressure'
import { formatQuantity } from '@dewpoint/core/quantity'
import { benchTools, type BenchLink } from '@dewpoint/trade/bench'
import { createEvent } from 'ics'
import Papa from 'papaparse'
import { computed, nextTick, onBeforeUnmount, reactive, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { colourOf } from '../../../case/suspects/colours.ts'
import { useDraft } from '../../../keeping/device/drafts.ts'
import { download } from '../../../shared/download.ts'
import { useKeys } from '../../../shared/pieces/keys.ts'
import PlainSelect from '../../../shared/pieces/PlainSelect.vue'
import { momentTyped, wallDay, wallNow, wallTime } from '../../../shared/times.ts'
import { cancelWatch, watchPressure } from '../../../workers/pressure.ts'
import BenchField from '../../frame/BenchField.vue'
import { tellAddress } from '../../frame/address.ts'
import { useBenchBoiler, useCaseReadings } from '../../frame/boilers.ts'
import PutInCase from '../../frame/PutInCase.vue'
import { useInputs } from '../../frame/useInputs.ts'
import AddLine from './AddLine.vue'
import CourseRow from './CourseRow.vue'
import DayAxis from './DayAxis.vue'
import NextReading from './NextReading.vue'
import { useWidth } from './useWidth.ts'
import { asLink, eventOf, fromLink, linesOf, merged, seriesOf, type Line } from './watchLines.ts'
import { askedWords, explanationWords, litresWords, oddsWords, rateWords, stopWords, watchHeadline } from './watchWords.ts'

const links: Record<string, BenchLink> = benchTools['pressure-watch'].links
const route = useRoute()
const router = useRouter()
const boiler = useBenchBoiler()
const usual = (key: string, unit: 'l' | 'bar') => boiler.usual(links[key], unit)
const fields = (): Field[] => [
  {
    key: 'litres',
    label: 'Water in the system',
    unit: 'l',
    others: ['US gal'],
    low: 5,
    high: 2000,
    usual: usual('litres', 'l') ?? 90,
    hint: 'typed: taken as counted',
  },
  { key: 'vessel', label: 'Vessel', unit: 'l', others: ['US gal'], low: 1, high: 500, usual: usual('vessel', 'l') ?? 8 },
  { key: 'charge', label: 'Charge it should have', unit: 'bar', others: ['psi', 'kPa'], low: 0.2, high: 4, usual: usual('charge', 'bar') ?? 1 },
  { key: 'relief', label: 'Relief valve lifts at', unit: 'bar', others: ['psi', 'kPa'], low: 1, high: 10, usual: usual('relief', 'bar') ?? 3 },
  { key: 'stops', label: 'Boiler stops at', unit: 'bar', others: ['psi', 'kPa'], low: 0.1, high: 1.5, usual: 0.5 },
  { key: 'mains', label: 'Main, nothing drawn', unit: 'bar', others: ['psi', 'kPa'], low: 0.5, high: 16, usual: usual('mains', 'bar') ?? 4.5 },
  { key: 'error', label: 'Gauge is good to', unit: 'bar', others: ['psi', 'kPa'], low: 0.01, high: 1, usual: 0.07 },
]
const inputs = useInputs('pressure-watch', fields, { pipe: ['unknown', 'dry', 'wet'], heating: ['usual', 'long', 'off'] })
useCaseReadings(boiler, inputs, links)
const heatings: Record<string, readonly Period[]> = { usual: usualPeriods, long: [[6, 22]], off: [] }

const caseId = typeof route.query.case === 'string' ? route.query.case : ''
const own = reactive<{ lines: Line[]; link: string }>({ lines: [], link: '' })
useDraft(`bench watch lines${caseId && ` ${caseId.slice(0, 36)}`}`, own)
const given = typeof route.query.readings === 'string' ? route.query.readings : ''
if (given !== '' && given !== own.link) Object.assign(own, { lines: fromLink(given), link: given })
const fromCase = computed(() => (boiler.case.value ? linesOf(boiler.case.value.entries) : []))
const lines = computed(() => merged(fromCase.value, own.lines))
const fresh = computed(() => lines.value.filter((one) => !one.kept))
let telling: number | undefined
watch(
  () => own.lines,
  (now) => {
    window.clearTimeout(telling)
    telling = window.setTimeout(() => {
      own.link = asLink(now)
      if ((route.query.readings ?? '') !== own.link) void tellAddress(router, { readings: own.link || undefined })
    }, 300)
  },
  { deep: true },
)

const series = computed(() => {
  const of = (key: string, otherwise: number) => inputs.value(key) ?? otherwise
  return seriesOf(lines.value, {
    system: {
      litres: of('litres', 90),
      litresError: inputs.isTyped('litres') ? 0.1 : 0.3,
      vesselLitres: of('vessel', 8),
      charge: of('charge', 1),
      relief: of('relief', 3),
      stopsAt: of('stops', 0.5),
      mains: of('mains', 4.5),
    },
    periods: heatings[inputs.form.chosen.heating!] ?? usualPeriods,
    gaugeError: of('error', 0.07),
    pipeOutside: inputs.form.chosen.pipe === 'dry' ? 'dry' : inputs.form.chosen.pipe === 'wet' ? 'wet' : null,
    canMixMains: !boiler.system.value || boiler.system.value.layout.hotWater !== 'none',
  })
})
/** fewer readings say nothing of a course */
const enough = computed(() => series.value.series.readings.length >= 2)
const nowHours = () => hoursFrom([`${series.value.midnight.slice(0, 10)}T00:00`, wallNow()]).hours[1]!
const wrong = inputs.wrong

const answer = shallowRef<(WatchAnswer & { midnight: string; of: unknown }) | null>(null)
const share = ref<number | null>(null)
const stopped = ref(false)
const trouble = ref('')
const whole = ref(false)
let round = 0
let soon: number | undefined
async function work() {
  const mine = ++round
  if (!enough.value || wrong.value) {
    answer.value = null
    share.value = null
    return
  }
  const of = series.value
  const { series: readings, midnight } = of
  share.value = 0
  stopped.value = false
  trouble.value = ''
  try {
    const found = await watchPressure(JSON.parse(JSON.stringify(readings)) as typeof readings, nowHours(), whole.value, (done) => {
      if (mine === round) share.value = done
    })
    if (mine !== round) return
    if (found) answer.value = { ...found, midnight, of }
  } catch (error) {
    if (mine === round) trouble.value = `${(error as Error).message} What you noted is kept.`
  }
  if (mine === round) share.value = null
}
watch(
  [series, whole],
  () => {
    window.clearTimeout(soon)
    soon = window.setTimeout(() => void work(), 120)
  },
  { deep: true, immediate: true },
)
function cancel() {
  round++
  share.value = null
  stopped.value = true
  void cancelWatch()
}
onBeforeUnmount(() => {
  round++
  window.clearTimeout(soon)
  window.clearTimeout(telling)
})

const dayAt = (hours: number) => wallDay(whenOf(answer.value?.midnight ?? series.value.midnight, hours))
/** what is shown is about the readings as they stand: else it is being worked out, and nothing of it is an answer */
const current = computed(() => answer.value !== null && enough.value && answer.value.of === series.value)
const headline = computed(() => {
  if (wrong.value) return 'Mend the figure that cannot be, then the answer stands here.'
  if (!enough.value) return 'Note the gauge as it is read: from two readings on something can be said.'
  if (current.value) return watchHeadline(answer.value!)
  return stopped.value ? 'Left off: nothing is worked out yet.' : trouble.value ? 'It could not be worked out.' : 'Working it out…'
})
/** what may be nothing stops nowhere */
const stop = computed(() => (current.value && answer.value!.explanations[0]?.id !== 'nothing' ? stopWords(answer.value!.outlook, dayAt, nowHours()) : ''))
const all = ref(false)
const rows = computed(() => (answer.value?.explanations ?? []).filter(({ track }) => track !== null))
const others = computed(() => (answer.value?.explanations ?? []).filter(({ track }) => track === null))
const ranks = computed(() => Object.fromEntries((answer.value?.explanations ?? []).map(({ id }, index) => [id, index])))
const expectsOf = (id: string) => answer.value?.telling?.expects.find((one) => one.id === id) ?? null
/** a leak and a passing relief valve read the same on any gauge */
const pipeParts = computed(() => {
  if (inputs.form.chosen.pipe !== 'unknown') return ''
  const likely = (answer.value?.explanations ?? []).filter(({ odds }) => odds > 0.05).map(({ id }) => id)
  const leak = likely.find((id) => id === 'leak' || id === 'leakHot' || id === 'leakCold')
  return leak && likely.includes('relief') ? `${explanationWords[leak].said} and ${explanationWords.relief.said}` : ''
})
const drawing = useTemplateRef<HTMLElement>('drawing')
const width = useWidth(drawing, 900)

const noted = ref<Partial<Line> | null>(null)
const adding = useTemplateRef<HTMLElement>('adding')
function point(hours: number, bar: number) {
  noted.value = { when: whenOf(series.value.midnight, Math.min(hours, nowHours())), bar }
  void nextTick(() => adding.value?.scrollIntoView({ block: 'nearest' }))
}
function take() {
  const asked = answer.value!.telling!.asked
  noted.value = {
    when: whenOf(answer.value!.midnight, Math.min(asked.at, nowHours())),
    kind: asked.state,
    ...(asked.loopOff && { loopOff: true }),
    ...(asked.heating && { heating: asked.heating }),
  }
  void nextTick(() => adding.value?.querySelector<HTMLInputElement>('.bar input')?.focus())
}
const add = (line: Line) => (own.lines = merged([line], own.lines))
const remove = (line: Line) => (own.lines = own.lines.filter((one) => one.when !== line.when || one.kind !== line.kind))

const said = ref('')
const askText = computed(() => {
  const { telling: one, midnight } = answer.value ?? { telling: null, midnight: '' }
  if (!one) return ''
  const when = whenOf(midnight, one.asked.at)
  return `Please read the pressure gauge under the boiler on ${wallDay(when)} at about ${wallTime(when)}, ${askedWords(one.asked)}, and send me the figure. Please do not top it up before you have read it.`
})
async function ask() {
  try {
    await navigator.clipboard.writeText(askText.value)
    said.value = 'Copied: paste it into a message to the customer.'
  } catch {
    said.value = askText.value
  }
}
function remind() {
  const { asked } = answer.value!.telling!
  const when = whenOf(answer.value!.midnight, asked.at)
  const moment = new Date(momentTyped(when.slice(0, 10), when.slice(11)) ?? when)
  createEvent(
    {
      title: 'Read the gauge',
      description: `${askedWords(asked)}. ${window.location.href}`,
      start: [moment.getUTCFullYear(), moment.getUTCMonth() + 1, moment.getUTCDate(), moment.getUTCHours(), moment.getUTCMinutes()],
      startInputType: 'utc',
      duration: { minutes: 10 },
      alarms: [{ action: 'display', description: 'Read the gauge', trigger: { minutes: 15, before: true } }],
    },
    (error, text) => (error ? (said.value = 'The calendar entry could not be made.') : download('read-the-gauge.ics', 'text/calendar', text)),
  )
}

const pasted = ref('')
const problems = shallowRef<WatchProblem[]>([])
const chooser = useTemplateRef<HTMLInputElement>('chooser')
const largest = 200_000
async function takeFile(file: File | undefined) {
  if (!file) return
  if (file.size > largest) problems.value = [{ line: 0, column: '', says: 'The file is larger than 200 kB: three years of daily readings fit.' }]
  else takeTable(await file.text())
}
function takeTable(text: string) {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { delimitersToGuess: [';', '\t', '|', ','] })
  const read = readWatchTable(data)
  problems.value = read.problems
  if (read.lines.length > 0) own.lines = merged(own.lines, read.lines)
  if (read.problems.length === 0) pasted.value = ''
}
function chosen(event: Event) {
  const input = event.target as HTMLInputElement
  void takeFile(input.files?.[0])
  input.value = ''
}
const kindWords = { cold: 'off', hot: 'on', topUp: 'topped up' } as const
const saveCsv = () =>
  download(
    'gauge.csv',
    'text/csv',
    `date;bar;heating\n${lines.value.map(({ when, bar, kind }) => `${when.replace('T', ' ')};${bar === null ? '' : Number(bar.toFixed(3))};${kindWords[kind]}`).join('\n')}\n`,
  )
function example() {
  // two weeks of an invented harbour house: cold in the morning, once hot in the evening, topped up twice
  const start = Date.parse(`${wallNow().slice(0, 10)}T00:00:00Z`) - 11 * 86_400_000
  const at = (hours: number) => new Date(start + hours * 3_600_000).toISOString().slice(0, 16)
  const cold = [1.45, 1.3, 1.2, 1.1, 1.05, 1.35, 1.25, 1.15, 1.1, 1.3]
  own.lines = merged([
    ...cold.map((bar, day): Line => ({ when: at(day * 24 + 5.75), bar, kind: 'cold' })),
    { when: at(6 * 24 + 20), bar: 1.65, kind: 'hot' },
    { when: at(4 * 24 + 6), bar: 1.5, kind: 'topUp' },
    { when: at(8 * 24 + 6), bar: 1.5, kind: 'topUp' },
  ])
}
const tableShown = ref(false)
const setup = ref(false)
const putting = ref(false)
const copied = ref('')
async function copy() {
  const text = [
    'Pressure watch',
    headline.value,
    stop.value,
    ...rows.value.map((one) => `${oddsWords(one.odds)} ${explanationWords[one.id].label}`),
    window.location.href,
  ]
  try {
    await navigator.clipboard.writeText(text.filter(Boolean).join('\n'))
    copied.value = 'Copied, with a link that opens it.'
  } catch {
    copied.value = 'The browser did not allow copying: select the text instead.'
  }
}
/** what was put into a case stands there from now on */
function recorded(id: string) {
  if (id !== caseId) own.lines = own.lines.map((one) => ({ ...one, kept: true as const }))
  else {
    own.lines = []
    boiler.again()
  }
}
function clear() {
  own.lines = []
  inputs.clear()
}
useKeys({ t: () => (tableShown.value = !tableShown.value) })
</script>

<template>
  <teleport to="#bar-case">
    <div class="title">
      <strong>Pressure watch</strong>
      <span class="dim"
        ><router-link :to="{ name: 'bench' }">Bench</router-link
        ><template v-if="boiler.case.value">
          · <router-link :to="{ name: 'case', params: { id: boiler.case.value.id } }">{{ boiler.case.value.site.name }}</router-link></template
        ></span
      >
    </div>
  </teleport>
  <main class="watch" :class="{ alone: !enough }">
    <section class="work" aria-label="The watch">
      <div class="head" aria-live="polite">
        <h1>{{ headline }}</h1>
        <p v-if="stop" class="stop">{{ stop }}</p>
      </div>
      <div class="state">
        <template v-if="share !== null">
          <progress :value="share" max="1" aria-label="Working out the explanations" />
          <v-btn variant="text" size="small" @click="cancel">Cancel</v-btn>
        </template>
        <p v-else-if="stopped" role="status" class="dim">Left off. <v-btn variant="text" size="small" @click="work">Work it out</v-btn></p>
        <p v-if="trouble" role="alert" class="trouble">{{ trouble }} <v-btn variant="text" size="small" @click="work">Try again</v-btn></p>
      </div>
      <p v-if="boiler.trouble.value" role="alert" class="trouble">{{ boiler.trouble.value }}</p>
      <div ref="drawing" class="drawing" :class="{ stale: !current }" :aria-busy="!current && enough">
        <template v-if="answer && enough">
          <DayAxis
            :from="answer.from"
            :to="answer.to"
            :now="nowHours()"
            :midnight="answer.midnight"
            :width="width"
            :periods="series.series.periods"
            :top-ups="[...series.series.topUps]"
          />
          <div v-for="(one, index) in rows.slice(0, all ? 4 : 3)" :key="one.id" class="explanation">
            <h2>
              <span class="letter" :style="{ background: colourOf(index) }">{{ 'ABCD'.charAt(index) }}</span>
              <strong class="mono">{{ current ? oddsWords(one.odds) : '…' }}</strong>
              <span>{{ explanationWords[one.id].label }}</span>
              <span class="dim rate">{{ rateWords(one.id, one.outlook) }}</span>
              <span class="end">{{
                one.outlook.stops
                  ? `${one.outlook.stops.mid < nowHours() ? 'stopped by' : 'stops'} ${dayAt(one.outlook.stops.mid)}`
                  : one.id === 'nothing'
                    ? ''
                    : `settles near ${one.outlook.endsAt.toFixed(1)} bar`
              }}</span>
            </h2>
            <CourseRow
              :explanation="one"
              :readings="[...series.series.readings]"
              :top-ups="[...series.series.topUps]"
              :from="answer.from"
              :to="answer.to"
              :now="nowHours()"
              :asked="answer.telling?.asked.at ?? null"
              :expects="expectsOf(one.id)"
              :width="width"
              :colour="colourOf(index)"
              :relief="series.series.system.relief"
              :stops-at="series.series.system.stopsAt"
              :named="index === 0"
              :label="`${explanationWords[one.id].label}: its course misses ${one.misses.length} of ${series.series.readings.length} readings`"
              @point="point"
            />
          </div>
          <p class="legend dim">
            <span><i class="ring" /> read cold</span> <span><i class="dot" /> read hot</span> <span><i class="miss" /> the course misses it</span>
            <span><i class="coming" /> to come</span>
          </p>
          <div class="rest">
            <v-btn v-if="rows.length > 3" variant="text" :aria-expanded="all" @click="all = !all">{{ all ? 'Three courses' : 'One more course' }}</v-btn>
            <v-btn variant="text" :aria-pressed="whole" @click="whole = !whole">{{ whole ? 'The last four weeks' : 'From the first reading' }}</v-btn>
            <span v-for="one in others" :key="one.id" class="dim">{{ explanationWords[one.id].label }} {{ oddsWords(one.odds) }}</span>
          </div>
        </template>
        <div v-else-if="!enough" class="empty">
          <p>
            A reading is the gauge at a time, with the heating off for hours or on for half an hour. Ten over a few days, some hot, tell a leak from a lost
            cushion, a filling loop or the gauge itself.
          </p>
          <v-btn v-if="lines.length === 0" @click="example">Show an example</v-btn>
        </div>
      </div>
      <div ref="adding" class="adding"><AddLine :given="noted" :draft="`bench watch line${caseId && ` ${caseId.slice(0, 36)}`}`" @add="add" /></div>
      <div class="acts">
        <v-btn v-if="iMay(staff)" color="primary" variant="flat" :disabled="fresh.length === 0" @click="putting = true">Put this in a case</v-btn>
        <v-btn variant="text" aria-keyshortcuts="t" :aria-expanded="tableShown" @click="tableShown = !tableShown"
          >Readings as a table <kbd class="wide">T</kbd></v-btn
        >
        <v-btn variant="text" :aria-expanded="setup" @click="setup = !setup">The system and its gauge</v-btn>
        <v-btn variant="text" :disabled="!current" @click="copy">Copy as text</v-btn>
        <v-btn variant="text" @click="clear">Clear</v-btn>
        <span role="status" class="dim">{{ copied }}</span>
      </div>
      <section v-if="setup" class="setup" aria-label="The system and its gauge">
        <PlainSelect
          :model-value="inputs.form.chosen.pipe!"
          label="Pipe outside"
          :items="[
            { value: 'unknown', title: 'not looked at' },
            { value: 'dry', title: 'dry' },
            { value: 'wet', title: 'wet or dripping' },
          ]"
          @update:model-value="inputs.choose('pipe', $event)"
        />
        <PlainSelect
          :model-value="inputs.form.chosen.heating!"
          label="Heating runs"
          :items="[
            { value: 'usual', title: 'morning and evening' },
            { value: 'long', title: 'all day' },
            { value: 'off', title: 'not at all: summer' },
          ]"
          @update:model-value="inputs.choose('heating', $event)"
        />
        <BenchField v-for="one in inputs.fields.value" :key="one.key" :name="one.key" :inputs="inputs" />
      </section>
      <section v-if="tableShown" aria-label="Readings as a table" class="table">
        <div class="scrolls" tabindex="0" role="region" aria-label="Table of readings">
          <table v-if="lines.length > 0">
            <caption class="visually-hidden">
              Readings of the gauge and top-ups
            </caption>
            <thead>
              <tr>
                <th scope="col">when</th>
                <th scope="col">bar</th>
                <th scope="col">heating</th>
                <th scope="col">since the last</th>
                <th scope="col"><span class="visually-hidden">Remove</span></th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in lines" :key="`${one.when} ${one.kind}`">
                <td>{{ wallDay(one.when) }} {{ wallTime(one.when) }}</td>
                <td class="mono">{{ one.bar === null ? '–' : formatQuantity(one.bar, 'bar') }}</td>
                <td>{{ kindWords[one.kind] }}</td>
                <td>{{ [one.loopOff && 'loop off', one.heating && `heating ${one.heating}`].filter(Boolean).join(', ') }}</td>
                <td>
                  <span v-if="one.kept" class="dim">in the case</span>
                  <v-btn v-else variant="text" size="small" :aria-label="`Remove ${wallDay(one.when)} ${wallTime(one.when)}`" @click="remove(one)"
                    >Remove</v-btn
                  >
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <div @dragover.prevent @drop.prevent="takeFile($event.dataTransfer?.files[0])">
          <v-textarea
            v-model="pasted"
            label="Paste a table: date, bar, heating on, off or topped up"
            placeholder="2026-11-16 07:30; 1.45; off"
            persistent-placeholder
            rows="3"
            max-rows="8"
            maxlength="200000"
          />
          <div class="acts">
            <v-btn :disabled="pasted.trim() === ''" @click="takeTable(pasted)">Take the table</v-btn>
            <v-btn variant="text" @click="chooser?.click()">Choose its CSV file…</v-btn>
            <input
              ref="chooser"
              type="file"
              accept=".csv,text/csv,text/plain"
              class="visually-hidden"
              tabindex="-1"
              aria-label="Readings as a CSV file"
              @change="chosen"
            />
            <v-btn variant="text" :disabled="lines.length === 0" @click="saveCsv">Save as CSV</v-btn>
          </div>
          <div v-if="problems.length > 0" class="problems" role="alert">
            <ul>
              <li v-for="one in problems.slice(0, 12)" :key="`${one.line} ${one.says}`">
                <strong v-if="one.line > 0">Line {{ one.line }}{{ one.column ? `, ${one.column}` : '' }}:</strong> {{ one.says }}
              </li>
              <li v-if="problems.length > 12">and {{ problems.length - 12 }} more</li>
            </ul>
          </div>
        </div>
      </section>
    </section>
    <aside v-if="answer?.telling && current" aria-label="What next">
      <NextReading
        :telling="answer.telling"
        :midnight="answer.midnight"
        :today="wallNow().slice(0, 10)"
        :ranks="ranks"
        @ask="ask"
        @remind="remind"
        @take="take"
      />
      <p role="status">{{ said }}</p>
      <section v-if="pipeParts" aria-labelledby="pipe-title" class="topups">
        <h2 id="pipe-title" class="eyebrow">Look outside</h2>
        <p>The gauge cannot part these two: {{ pipeParts }}. The pipe outside can, at once.</p>
        <div class="acts">
          <v-btn @click="inputs.choose('pipe', 'dry')">It is dry</v-btn>
          <v-btn @click="inputs.choose('pipe', 'wet')">It is wet</v-btn>
        </div>
      </section>
      <section aria-labelledby="topups-title" class="topups">
        <h2 id="topups-title" class="eyebrow">Top-ups</h2>
        <p>
          <strong>{{ series.series.topUps.length }} in {{ Math.max(1, Math.round(answer.days)) }} days</strong>; up to {{ usualTopUps }} a year is usual.
          <template v-if="answer.topUps.litresAYear > 5">
            Each lets in oxygen: rust, then sludge. At this rate <strong>{{ litresWords(answer.topUps.litresAYear) }}</strong> a year, with
            {{ answer.topUps.oxygen.toFixed(1) }} g of oxygen, which makes {{ answer.topUps.sludge.toFixed(0) }} g of magnetite.
          </template>
        </p>
      </section>
      <details class="how">
        <summary>How it is worked out</summary>
        <p>
          Every explanation is a course of the pressure: water grows against the vessel’s gas (Boyle’s law, Kell’s density), a leak or the main moves water, the
          relief valve lets out what is over its setting. Its figures are drawn until they fit the readings (adaptive importance sampling); odds are by Bayes’
          rule with how often each is met. Intervals hold nine times in ten. A reading far off now and then is allowed for.
        </p>
      </details>
      <p class="caution">Water under pressure and hot pipes. Let a customer read the gauge, never open a valve for you.</p>
    </aside>
    <PutInCase v-if="putting" v-model="putting" :readings="[]" :events="fresh.map(eventOf)" :case-id="caseId" @recorded="recorded" />
  </main>
</template>

<style scoped>
.title {
  display: flex;
  flex-direction: column;
  line-height: 1.25;
}
.title strong {
  font-size: 1.0625rem;
  font-weight: 600;
}
.title a {
  color: inherit;
}
.watch {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 328px;
  min-height: calc(100dvh - var(--bar));
}
.watch.alone {
  grid-template-columns: minmax(0, 1fr);
}
.work {
  padding: 18px 22px 50px;
  min-width: 0;
}
aside {
  border-left: 1px solid var(--rule);
  padding: 20px 20px 50px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 18px;
}
h1 {
  font-size: 1.625rem;
}
.stop {
  margin: 0;
  font-weight: 600;
}
.state {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 34px;
}
.state p {
  margin: 0;
}
progress {
  width: 180px;
  accent-color: var(--copper);
}
.stale {
  opacity: 0.55;
}
.explanation {
  border-top: 1px solid var(--rule);
}
.explanation h2 {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 12px;
  font-size: 1.0625rem;
  padding: 6px 0 0;
}
.rate {
  font-weight: 400;
}
.end {
  margin-left: auto;
}
.letter {
  width: 26px;
  height: 26px;
  border-radius: 6px;
  display: grid;
  place-content: center;
  color: var(--paper);
  font-weight: 700;
}
.legend,
.rest {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 20px;
  margin: 6px 0;
}
.legend i {
  display: inline-block;
  width: 12px;
  height: 12px;
  vertical-align: -1px;
}
.ring,
.dot {
  border: 2.5px solid var(--ink);
  border-radius: 50%;
}
.dot {
  background: var(--ink);
}
.legend .miss {
  width: 3px;
  background: var(--stop);
}
.legend .coming {
  height: 0;
  width: 24px;
  vertical-align: 4px;
  border-top: 2px dashed var(--dim);
}
.empty {
  max-width: 60ch;
  padding: 8px 0 18px;
}
.adding {
  padding: 14px 0;
  border-top: 1px solid var(--rule);
  scroll-margin-top: 80px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
.setup {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: 14px;
  align-items: start;
  margin-top: 16px;
}
.setup > .plain-select {
  margin-top: 22px;
}
.table {
  margin-top: 16px;
}
.scrolls {
  max-height: 380px;
  overflow: auto;
  margin-bottom: 16px;
}
table {
  border-collapse: collapse;
  width: 100%;
  max-width: 720px;
}
th,
td {
  text-align: left;
  padding: 2px 16px 2px 0;
  border-bottom: 1px solid var(--rule);
}
th {
  color: var(--dim);
  font-weight: 600;
}
.trouble,
.problems {
  color: var(--stop);
}
.problems ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.problems {
  margin: 8px 0 0;
  padding: 0 0 0 10px;
  border-left: 3px solid var(--stop);
}
.topups {
  margin-top: 16px;
  padding-top: 14px;
  border-top: 1px solid var(--rule);
}
.topups p {
  margin: 6px 0 0;
  line-height: 1.35;
}
.how summary {
  min-height: 48px;
  display: flex;
  align-items: center;
  font-weight: 600;
  cursor: pointer;
}
.caution {
  border-left: 3px solid var(--stop);
  padding-left: 12px;
}
@media (max-width: 1000px) {
  .watch {
    grid-template-columns: minmax(0, 1fr);
  }
  aside {
    border-left: 0;
    border-top: 1px solid var(--rule);
  }
}
@media (max-width: 760px) {
  .work {
    padding: 14px 16px 30px;
  }
  aside {
    padding: 18px 16px 60px;
  }
  h1 {
    font-size: 1.375rem;
  }
  .wide {
    display: none;
  }
}
</style>
