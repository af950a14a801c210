<script setup lang="ts">
import { timelineCsv } from '@dewpoint/core/formats'
import { at as valueAt, type Script, type Timeline } from '@dewpoint/core/plant'
import type { Catalogue } from '@dewpoint/core/diagnosis'
import { signals, type SignalName } from '@dewpoint/core/system'
import { computed, defineAsyncComponent, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'
import { download } from '../shared/download.ts'
import { useKeys } from '../shared/pieces/keys.ts'
import { runPlant, type Running } from '../workers/plant.ts'
import { clock, eventsOf } from './runEvents.ts'
import { groupsOf, signalWords } from './signalGroups.ts'

const SignalChart = defineAsyncComponent(() => import('./SignalChart.vue'))

const props = defineProps<{ catalogue: Catalogue }>()
const system = computed(() => props.catalogue.system)
const runs = computed(() => props.catalogue.runs.map((one) => ({ value: one.id, title: one.label.charAt(0).toUpperCase() + one.label.slice(1) })))
const first = props.catalogue.runs.find((one) => ['full', 'heating', 'stored'].includes(one.id)) ?? props.catalogue.runs[0]!
const runId = ref(first.id)
const fault = ref<string | null>(null)
const severity = ref(0.5)
const minutes = ref(String(Math.round((first.seconds + (first.after ?? 0)) / 60)))
const groups = computed(() => groupsOf(system.value))
const groupId = ref(groups.value[0]!.id)
const group = computed(() => groups.value.find((one) => one.id === groupId.value) ?? groups.value[0]!)

const faults = computed(() => props.catalogue.faults.map((one) => ({ value: one.id, title: one.label })).sort((a, b) => a.title.localeCompare(b.title)))
const ranged = computed(() => Object.values(props.catalogue.faults.find((one) => one.id === fault.value)?.patch ?? {}).some((one) => typeof one !== 'number'))
const template = computed(() => props.catalogue.runs.find((one) => one.id === runId.value)!)
const demand = computed(() => (template.value.heating || template.value.zone2 ? ('heating' as const) : ('hotWater' as const)))
const length = computed(() => Number(minutes.value.replace(',', '.')))
const lengthTrouble = computed(() => (length.value >= 0.5 && length.value <= 10_080 ? '' : 'Give minutes from 0.5 to 10 080, a week.'))

/** what was run last: the chart keeps showing it until the next run is there */
const shown = shallowRef<{ healthy: Timeline; faulty: Timeline | null; demand: 'heating' | 'hotWater'; label: string } | null>(null)
const progress = ref<number | null>(null)
const trouble = ref<string | null>(null)
const cursor = ref(0)
let running: Running[] = []

async function run() {
  if (lengthTrouble.value || progress.value !== null) return
  stop()
  trouble.value = null
  progress.value = 0
  const seconds = Math.round(length.value * 60)
  const { id: _id, label: _label, ...rest } = template.value
  const script: Script = { ...rest, seconds: Math.max(seconds - (rest.after ?? 0), Math.min(seconds, 30)), every: Math.max(1, Math.ceil(seconds / 3600)) }
  const chosen = props.catalogue.faults.find((one) => one.id === fault.value)
  const order = (list: { patch: (typeof props.catalogue.faults)[number]['patch']; severity: number }[]) => ({ system: system.value, faults: list, script })
  const shares = [0, 0]
  const report = (index: number) => (share: number) => {
    shares[index] = share
    if (progress.value !== null) progress.value = chosen ? (shares[0]! + shares[1]!) / 2 : shares[0]!
  }
  const own = [runPlant(order([]), report(0)), ...(chosen ? [runPlant(order([{ patch: chosen.patch, severity: severity.value }]), report(1))] : [])]
  running = own
  try {
    const [healthy, faulty] = await Promise.all(own.map((one) => one.result))
    if (running !== own || !healthy) return
    shown.value = { healthy, faulty: faulty ?? null, demand: demand.value, label: chosen?.label ?? 'healthy' }
    cursor.value = Math.min(cursor.value, (healthy.rows - 1) * healthy.step)
  } catch (error) {
    trouble.value = (error as Error).message
  } finally {
    if (running === own) progress.value = null
  }
}
function stop() {
  for (const one of running) one.stop()
  running = []
  progress.value = null
}
onMounted(run)
onBeforeUnmount(stop)

const timeline = computed(() => shown.value && (shown.value.faulty ?? shown.value.healthy))
const last = computed(() => (timeline.value ? (timeline.value.rows - 1) * timeline.value.step : 0))
const events = computed(() => (shown.value && timeline.value ? eventsOf(system.value, timeline.value, shown.value.demand) : []))
const marks = computed(() => [...new Set(events.value.map((one) => one.seconds))])
const rowOf = (one: Timeline) => Math.min(one.rows - 1, Math.max(0, Math.round(cursor.value / one.step)))
const read = (one: Timeline, name: SignalName) => {
  const value = valueAt(one, rowOf(one), name)
  return Math.abs(value) >= 100 ? value.toFixed(0) : value.toFixed(Math.abs(value) >= 10 ? 1 : 2)
}
const display = (one: Timeline) => {
  const code = valueAt(one, rowOf(one), 'code')
  if (valueAt(one, rowOf(one), 'displayOn') < 0.5) return 'dark'
  return code > 0 ? system.value.codes[code - 1]!.display : (system.value.statuses[valueAt(one, rowOf(one), 'status')]?.display ?? '')
}
const atEvent = (step: 1 | -1) => {
  const times = marks.value
  const next = step > 0 ? times.find((one) => one > cursor.value) : times.findLast((one) => one < cursor.value)
  if (next !== undefined) cursor.value = next
}
const saveCsv = () => {
  if (timeline.value)
    download(`${system.value.id}-${runId.value}${fault.value ? `-${fault.value}` : ''}.csv`, 'text/csv', timelineCsv(system.value, timeline.value))
}
useKeys({ r: run, n: () => atEvent(1), p: () => atEvent(-1), Escape: stop })

function pickRun(id: string) {
  runId.value = id
  minutes.value = String(Math.round((template.value.seconds + (template.value.after ?? 0)) / 60))
}
</script>

<template>
  <section class="run" aria-labelledby="run-title">
    <h2 id="run-title" class="eyebrow">Run it</h2>
    <form class="options" @submit.prevent="run">
      <PlainSelect :model-value="runId" :items="runs" label="What is asked" class="wide" @update:model-value="pickRun" />
      <v-autocomplete v-model="fault" :items="faults" label="With this wrong" placeholder="nothing" persistent-placeholder clearable class="wide" />
      <v-text-field v-model="minutes" label="Minutes" inputmode="decimal" :error-messages="lengthTrouble" class="narrow" />
      <label v-if="fault && ranged" class="severity">
        <span>mild</span>
        <input v-model.number="severity" type="range" min="0" max="1" step="0.05" aria-label="Severity, mild to severe" />
        <span>severe</span>
      </label>
      <v-btn v-if="progress === null" type="submit" color="primary" variant="flat">Run <kbd>R</kbd></v-btn>
      <v-btn v-else @click="stop">Stop at {{ Math.round(progress * 100) }} %</v-btn>
    </form>
    <p v-if="trouble" role="alert" class="trouble">The run failed: {{ trouble }} Change the choices above and run it again.</p>

    <template v-if="shown && timeline">
      <div class="groups" role="group" aria-label="Signals shown">
        <button v-for="one in groups" :key="one.id" type="button" :aria-pressed="groupId === one.id" @click="groupId = one.id">{{ one.label }}</button>
      </div>
      <SignalChart :group="group" :healthy="shown.healthy" :faulty="shown.faulty" :marks="marks" :at="cursor" @point="(seconds) => (cursor = seconds)" />
      <div class="steps">
        <v-btn :disabled="cursor <= 0" @click="atEvent(-1)">Before <kbd>P</kbd></v-btn>
        <input v-model.number="cursor" type="range" min="0" :max="last" :step="timeline.step" aria-label="Moment of the run" :aria-valuetext="clock(cursor)" />
        <v-btn @click="atEvent(1)">Next step <kbd>N</kbd></v-btn>
      </div>
      <div class="tables">
        <div>
          <table>
            <caption class="eyebrow">
              At
              <span class="mono">{{ clock(cursor) }}</span>
            </caption>
            <thead>
              <tr>
                <td></td>
                <th scope="col">{{ shown.faulty ? 'with the fault' : 'healthy' }}</th>
                <th v-if="shown.faulty" scope="col">healthy</th>
              </tr>
            </thead>
            <tbody>
              <tr>
                <th scope="row">display</th>
                <td class="mono">{{ display(timeline) }}</td>
                <td v-if="shown.faulty" class="mono dim">{{ display(shown.healthy) }}</td>
              </tr>
              <tr v-for="name in group.signals" :key="name">
                <th scope="row">{{ signalWords(name) }}</th>
                <td class="mono">{{ read(timeline, name) }} {{ signals[name][0] }}</td>
                <td v-if="shown.faulty" class="mono dim">{{ read(shown.healthy, name) }} {{ signals[name][0] }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <div class="events">
          <h3 class="eyebrow">What happened</h3>
          <ol>
            <li v-for="(one, index) in events.slice(0, 40)" :key="index">
              <button type="button" :class="[one.kind, { now: one.seconds <= cursor }]" @click="cursor = one.seconds">
                <span class="mono">{{ clock(one.seconds) }}</span> {{ one.words }}
              </button>
            </li>
          </ol>
          <p v-if="events.length === 0" class="dim">Nothing: no stage was proved.</p>
          <p v-if="events.length > 40" class="dim">and {{ events.length - 40 }} more, in the CSV</p>
        </div>
      </div>
      <v-btn variant="text" @click="saveCsv">Save this run as CSV</v-btn>
    </template>
    <p v-else class="dim waiting" aria-live="polite">Simulating…</p>
  </section>
</template>

<style scoped>
.run {
  padding: 18px 24px 30px;
  min-width: 0;
}
.options {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: flex-start;
  margin: 10px 0 12px;
}
.wide {
  flex: 1 1 170px;
  max-width: 300px;
}
.narrow {
  flex: 0 0 108px;
}
.severity {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 48px;
}
input[type='range'] {
  accent-color: var(--copper);
  min-height: 48px;
}
.severity input {
  width: 84px;
}
.groups {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 4px;
  border-bottom: 1px solid var(--rule);
}
.groups button {
  border: 0;
  background: transparent;
  color: var(--dim);
  min-height: 44px;
  padding: 0 10px;
  cursor: pointer;
  border-bottom: 3px solid transparent;
}
.groups [aria-pressed='true'] {
  color: var(--ink);
  font-weight: 600;
  border-bottom-color: var(--copper);
}
.steps {
  display: flex;
  align-items: center;
  gap: 12px;
}
.steps input {
  flex: 1;
  min-width: 80px;
}
.tables {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: 32px;
  margin: 14px 0;
}
table {
  border-collapse: collapse;
  width: 100%;
}
caption {
  text-align: left;
}
th {
  text-align: left;
  font-weight: 400;
  color: var(--dim);
}
tbody td {
  font-size: 1.0625rem;
  white-space: nowrap;
}
td,
th {
  padding: 3px 12px 3px 0;
}
.events ol {
  list-style: none;
  padding: 0;
  margin: 0;
  max-height: 260px;
  overflow-y: auto;
}
.events button {
  border: 0;
  background: transparent;
  color: var(--dim);
  text-align: left;
  min-height: 30px;
  cursor: pointer;
  padding: 0;
}
.events .mono {
  display: inline-block;
  min-width: 3.6rem;
}
.events .now {
  color: var(--ink);
}
.events .code {
  color: var(--stop);
  font-weight: 600;
}
.trouble {
  color: var(--stop);
}
.waiting {
  min-height: 420px;
}
@media (max-width: 900px) {
  .run {
    padding: 14px 16px 24px;
  }
  .tables {
    grid-template-columns: 1fr;
    gap: 18px;
  }
  .wide {
    max-width: none;
    flex-basis: 100%;
  }
  .steps kbd {
    display: none;
  }
}
</style>
