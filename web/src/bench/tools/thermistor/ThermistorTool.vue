<script setup lang="ts">
import { rangeFor, thermistorAnswer, thermistorTable } from '@dewpoint/core/bench'
import { nearestBeta } from '@dewpoint/core/physics'
import { convert, formatQuantity } from '@dewpoint/core/quantity'
import { benchTools } from '@dewpoint/trade/bench'
import { catalogues } from '@dewpoint/trade'
import { computed, reactive, ref, useTemplateRef, watch } from 'vue'
import { useDraft } from '../../../keeping/device/drafts.ts'
import { importSystem } from '../../../library/imported.ts'
import { download } from '../../../shared/download.ts'
import { printOnly } from '../../../shared/printing.ts'
import PlainSelect from '../../../shared/pieces/PlainSelect.vue'
import BenchField from '../../frame/BenchField.vue'
import BenchFrame from '../../frame/BenchFrame.vue'
import { lastReading, useBenchBoiler, useCaseReadings } from '../../frame/boilers.ts'
import { rounded, type BenchReading } from '../../frame/benchReading.ts'
import { useInputs } from '../../frame/useInputs.ts'
import { asModelCurve, chartOf, curveBy } from './curveOf.ts'
import CurvePicture from './CurvePicture.vue'
import { curveFields, tableFields, thermistorFields } from './thermistorFields.ts'
import { degrees, headlineOf, meansOf, nextOf, resistance } from './thermistorWords.ts'

const row = benchTools.thermistor
const boiler = useBenchBoiler()
const fields = () => [...thermistorFields({ highLimit: boiler.usual(row.links.highLimit, '°C') }), ...curveFields, ...tableFields]
const inputs = useInputs('thermistor', fields, { curve: ['model', 'beta', 'three', 'chart'], which: ['flow', 'return', 'hotWater'] })
useCaseReadings(boiler, inputs, row.links)
const chart = reactive({ text: '', name: '' })
useDraft('bench thermistor chart', chart)

// of a case: what its meter read, and how warm the pipe was
watch(
  [boiler.case, () => inputs.form.chosen.which],
  ([one]) => {
    if (!one) return
    const check = row.derived[inputs.form.chosen.which as 'flow']
    const reading = lastReading(one.entries, check, { unit: 'kΩ' })
    const entry = one.entries.findLast((each) => each.type === 'reading' && check.some((id) => id === each.payload.check))
    if (!reading || inputs.form.texts.ohms !== '') return
    inputs.fill('ohms', reading.text, reading.unit)
    const at = entry?.type === 'reading' ? entry.payload.situation?.temperature : undefined
    if (at && (at.unit === '°C' || at.unit === '°F')) inputs.fill('celsius', String(at.value), at.unit)
  },
  { immediate: true },
)

const found = computed(() => curveBy(inputs.form.chosen.curve!, boiler.system.value?.thermistor, inputs.value, chart.text))
const ohms = computed(() => (inputs.value('ohms') === null ? null : inputs.value('ohms')! * 1000))
const celsius = computed(() => inputs.value('celsius'))
const highLimit = computed(() => inputs.value('highLimit') ?? 84)
const within = computed(() => inputs.value('within') ?? 3)
const answer = computed(() =>
  found.value.curve
    ? thermistorAnswer({ curve: found.value.curve, ohms: ohms.value, celsius: celsius.value, highLimit: highLimit.value, within: within.value })
    : null,
)
const headline = computed(() => (answer.value ? headlineOf(answer.value, ohms.value, celsius.value) : 'Give the curve first.'))

const meter = catalogues['premix-combi']!.instruments.find(({ id }) => id === 'multimeter')!
const ranges = (meter.ranges ?? []).map(({ unit, upTo }) => ({ ohms: convert(upTo, unit, 'Ω'), words: `${upTo} ${unit}` }))
/** the range to set: for what is to be expected, else for what was read */
const range = computed(() => {
  const value = answer.value?.should ?? ohms.value
  const upTo =
    value === null
      ? undefined
      : rangeFor(
          value,
          ranges.map((one) => one.ohms),
        )
  return ranges.find((one) => one.ohms === upTo)?.words
})

const readings = computed<BenchReading[]>(() =>
  inputs.isFresh('ohms') && inputs.isTyped('celsius')
    ? [
        {
          checks: row.derived[inputs.form.chosen.which as 'flow'],
          value: rounded(convert(inputs.value('ohms')!, 'kΩ', inputs.form.units.ohms!)),
          unit: inputs.form.units.ohms!,
          at: { value: rounded(convert(celsius.value!, '°C', inputs.form.units.celsius!)), unit: inputs.form.units.celsius! },
        },
      ]
    : [],
)

const table = computed(() =>
  found.value.curve ? thermistorTable(found.value.curve, inputs.value('tableFrom') ?? 0, inputs.value('tableTo') ?? 100, inputs.value('tableStep') ?? 5) : [],
)
const sheet = useTemplateRef<HTMLElement>('sheet')
const saveCsv = () =>
  download(
    'thermistor.csv',
    'text/csv',
    `temperature °C;resistance Ω\n${table.value.map((one) => `${Number(one.celsius.toFixed(2))};${Number(one.ohms.toPrecision(6))}`).join('\n')}\n`,
  )

const chooser = useTemplateRef<HTMLInputElement>('chooser')
const trouble = ref('')
async function take(file: File | undefined) {
  trouble.value = ''
  if (!file) return
  if (file.size > 100_000) trouble.value = 'The file is larger than 100 kB: a chart needs a few dozen lines.'
  else Object.assign(chart, { text: await file.text(), name: file.name })
}
function chosen(event: Event) {
  const input = event.target as HTMLInputElement
  void take(input.files?.[0])
  input.value = ''
}

const nearest = computed(() => (found.value.curve ? nearestBeta(found.value.curve, 20, 85) : null))
const modelName = ref('')
const base = ref('premix-combi')
const saved = ref('')
function saveModel() {
  const { curve } = found.value
  const name = modelName.value.trim()
  if (!curve || !nearest.value || name === '') return
  const own = found.value.curve && 'own' in found.value ? found.value.own : null
  const kind = inputs.form.chosen.curve
  const file = {
    format: 'dewpoint-model',
    version: 1,
    id: `curve-${
      name
        .toLowerCase()
        .normalize('NFKD')
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-+|-+$/g, '')
        .slice(0, 40) || 'own'
    }`,
    label: name,
    system: boiler.system.value && catalogues[boiler.system.value.id] ? boiler.system.value.id : base.value,
    changes: {},
    thermistor: own ?? asModelCurve(curve, nearest.value.curve, kind === 'chart' ? chartOf(chart.text).points : null),
  }
  const text = `${JSON.stringify(file, null, 2)}\n`
  const read = importSystem(text)
  saved.value = read.ok
    ? `Saved: “${name}” stands in the Library on this device, and its file was handed to you.`
    : read.problems.map((one) => one.message).join(' ')
  if (read.ok) download(`${file.id}.json`, 'application/json', text)
}
const kinds = computed(() => [
  { value: 'model', title: boiler.system.value ? 'The boiler’s own' : '10 kΩ at 25 °C, the usual class' },
  { value: 'beta', title: 'By its B-value' },
  { value: 'three', title: 'Through three points' },
  { value: 'chart', title: 'From a chart, pasted or CSV' },
])
const lines = computed(() => [headline.value, ...(answer.value ? [meansOf(answer.value, highLimit.value)] : [])])
</script>

<template>
  <BenchFrame title="Thermistor" :boiler="boiler" :lines="lines" :readings="readings" :inputs="inputs">
    <template #inputs>
      <PlainSelect
        v-model="inputs.form.chosen.which!"
        label="Sensor"
        :items="[
          { value: 'flow', title: 'Flow' },
          { value: 'return', title: 'Return' },
          { value: 'hotWater', title: 'Hot water' },
        ]"
      />
      <PlainSelect v-model="inputs.form.chosen.curve!" label="Curve" :items="kinds" />
      <BenchField name="ohms" :inputs="inputs" />
      <BenchField name="celsius" :inputs="inputs" />
      <template v-if="inputs.form.chosen.curve === 'beta'">
        <BenchField name="r25" :inputs="inputs" />
        <BenchField name="beta" :inputs="inputs" />
      </template>
      <div v-if="inputs.form.chosen.curve === 'three'" class="pair whole">
        <template v-for="place in 3" :key="place">
          <BenchField :name="`t${place}`" :inputs="inputs" />
          <BenchField :name="`r${place}`" :inputs="inputs" />
        </template>
      </div>
      <div v-if="inputs.form.chosen.curve === 'chart'" class="whole" @dragover.prevent @drop.prevent="take($event.dataTransfer?.files[0])">
        <v-textarea
          v-model="chart.text"
          label="Chart: temperature and resistance"
          placeholder="25; 10000&#10;60; 2490"
          persistent-placeholder
          rows="4"
          max-rows="8"
          maxlength="100000"
        />
        <v-btn variant="text" @click="chooser?.click()">Choose its CSV file…</v-btn>
        <input
          ref="chooser"
          type="file"
          accept=".csv,text/csv,text/plain"
          class="visually-hidden"
          tabindex="-1"
          aria-label="Chart as a CSV file"
          @change="chosen"
        />
        <span class="dim">{{ chart.name || 'or drop it here' }}</span>
        <p v-if="trouble" role="alert" class="problem">{{ trouble }}</p>
      </div>
      <div v-if="found.problems.length > 0" class="problems whole" role="alert">
        <ul>
          <li v-for="one in found.problems.slice(0, 8)" :key="`${one.line} ${one.says}`">
            <strong v-if="one.line > 0">Line {{ one.line }}, {{ one.column }}:</strong> {{ one.says }}
          </li>
          <li v-if="found.problems.length > 8">and {{ found.problems.length - 8 }} more</li>
        </ul>
      </div>
      <BenchField name="highLimit" :inputs="inputs" />
      <BenchField name="within" :inputs="inputs" />
    </template>
    <template #headline>{{ headline }}</template>
    <template #picture>
      <CurvePicture v-if="answer && found.curve" :curve="found.curve" :answer="answer" :ohms="ohms" :celsius="celsius" :within="within" />
      <p class="under">
        <span v-if="range"
          >Set the meter to <strong class="mono">{{ range }}</strong>.</span
        >
        <span v-if="answer?.band">
          Right at {{ degrees(celsius!) }}: <strong class="mono">{{ resistance(answer.band[0]) }}</strong> to
          <strong class="mono">{{ resistance(answer.band[1]) }}</strong>.
        </span>
        <span v-if="answer?.beyond" class="dim">Beyond what the curve was made from: carried on.</span>
      </p>
    </template>
    <template #how>
      <template v-if="inputs.form.chosen.curve === 'three'">
        <p class="formula">1/T = a + b · ln R + c · (ln R)³</p>
        <p>Through the three points. Source: Steinhart and Hart, Deep-Sea Research 15 (1968) 497.</p>
      </template>
      <template v-else-if="inputs.form.chosen.curve === 'chart'">
        <p class="formula">between two lines: ln R straight over 1/T</p>
        <p>Each stretch of the chart has a B-value of its own.</p>
      </template>
      <template v-else-if="found.curve && 'own' in found && found.own">
        <p class="formula">1/T = 1/298.15 + ln(R / {{ formatQuantity(found.own.r0 / 1000, 'kΩ') }}) / {{ Math.round(found.own.beta) }}</p>
        <p>One B-value, T in kelvin. Source: IEC 60539-1. A chart may differ from it by half a kelvin.</p>
      </template>
      <p v-if="answer?.limitActsAt != null && ohms !== null && answer.should !== null" class="formula">
        {{ resistance(ohms) }} / {{ resistance(answer.should) }} = {{ (ohms / answer.should).toFixed(2) }} of the chart: so at every temperature
      </p>
      <p v-if="nearest" class="dim">
        The B-value nearest this curve from 20 to 85 °C is {{ Math.round(nearest.curve.beta) }}, with {{ resistance(nearest.curve.r0) }} at 25 °C; off by
        {{ nearest.worst.toFixed(2) }} K at worst.
      </p>
    </template>
    <template #means>
      <template v-if="answer">
        <h2>What it means</h2>
        <p>{{ meansOf(answer, highLimit) }}</p>
        <h2>Check next</h2>
        <p>{{ nextOf(answer) }}</p>
        <p class="caution">
          Power off and proved dead before a plug is pulled. Hot pipes burn. Never bridge or replace a sensor with a resistor to make it run.
        </p>
      </template>
    </template>
    <template #more>
      <details class="table">
        <summary>The curve as a table</summary>
        <div class="row">
          <BenchField name="tableFrom" :inputs="inputs" />
          <BenchField name="tableTo" :inputs="inputs" />
          <BenchField name="tableStep" :inputs="inputs" />
        </div>
        <div class="row">
          <v-btn @click="saveCsv">Save as CSV</v-btn>
          <v-btn @click="sheet && printOnly(sheet)">Print</v-btn>
        </div>
        <div ref="sheet" class="sheet" tabindex="0" role="region" aria-label="Table of the curve">
          <table>
            <caption class="visually-hidden">
              Resistance of the thermistor by temperature
            </caption>
            <thead>
              <tr>
                <th scope="col">°C</th>
                <th scope="col">°F</th>
                <th scope="col">resistance</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in table" :key="one.celsius">
                <td class="mono">{{ Number(one.celsius.toFixed(2)) }}</td>
                <td class="mono">{{ Number(convert(one.celsius, '°C', '°F').toFixed(1)) }}</td>
                <td class="mono">{{ resistance(one.ohms) }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </details>
      <details v-if="found.curve" class="table">
        <summary>Save it as the curve of a model</summary>
        <p class="dim">A model of your own with this curve: it goes into the Library on this device, and as a file to pass on.</p>
        <div class="row">
          <v-text-field v-model="modelName" label="Name of the model" maxlength="60" hide-details />
          <PlainSelect v-model="base" label="Built like" :items="Object.keys(catalogues).map((id) => ({ value: id, title: catalogues[id]!.system.label }))" />
          <v-btn :disabled="modelName.trim() === ''" @click="saveModel">Save the model</v-btn>
        </div>
        <p role="status">{{ saved }}</p>
      </details>
    </template>
  </BenchFrame>
</template>

<style scoped>
.under {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 22px;
  margin: 6px 0 0;
}
.problems ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.problems {
  padding: 0 0 0 10px;
  border-left: 3px solid var(--stop);
}
.problem {
  color: var(--stop);
}
.table {
  border-top: 1px solid var(--rule);
  margin-top: 14px;
}
summary {
  min-height: 48px;
  display: flex;
  align-items: center;
  font-weight: 600;
  cursor: pointer;
}
summary::before {
  content: '+';
  width: 1.2em;
  color: var(--copper);
}
[open] > summary::before {
  content: '−';
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-bottom: 10px;
}
.row > * {
  flex: 1 1 150px;
}
.row > .v-btn {
  flex: 0 0 auto;
}
.sheet {
  max-height: 420px;
  overflow: auto;
}
table {
  border-collapse: collapse;
}
th,
td {
  text-align: right;
  padding: 3px 18px 3px 0;
  border-bottom: 1px solid var(--rule);
}
th {
  color: var(--dim);
  font-weight: 600;
}
</style>
