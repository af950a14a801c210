<script setup lang="ts">
import { combustionAnswer, flueIntegrity } from '@dewpoint/core/bench'
import type { GasId } from '@dewpoint/core/physics'
import { catalogues } from '@dewpoint/trade'
import { benchTools, type BenchLink } from '@dewpoint/trade/bench'
import { computed, watch } from 'vue'
import PlainSelect from '../../../shared/pieces/PlainSelect.vue'
import SegmentSwitch from '../../../shared/pieces/SegmentSwitch.vue'
import BenchField from '../../frame/BenchField.vue'
import BenchFrame from '../../frame/BenchFrame.vue'
import { typedReadings, type BenchReading } from '../../frame/benchReading.ts'
import { lastReading, useBenchBoiler, useCaseReadings } from '../../frame/boilers.ts'
import FigureRows from '../../frame/FigureRows.vue'
import { useInputs } from '../../frame/useInputs.ts'
import { combustionFields } from './combustionFields.ts'
import { combustionHeadline, combustionMeans, combustionNext, flueWhere, percent, ppm } from './combustionWords.ts'
import LinePicture from './LinePicture.vue'

const row = benchTools.combustion
const links: Record<string, BenchLink> = row.links
const boiler = useBenchBoiler()
const condensing = computed(() => !boiler.system.value || boiler.system.value.layout.burner === 'premix')
const inputs = useInputs('combustion', (chosen) => combustionFields((key, unit) => boiler.usual(links[key], unit), chosen.rate!, condensing.value), {
  gas: ['naturalGas', 'propane'],
  rate: ['high', 'low'],
})
useCaseReadings(boiler, inputs, links)
const high = computed(() => inputs.form.chosen.rate === 'high')
const rateChecks = computed(() => ({
  dioxide: high.value ? row.derived.dioxideHigh : row.derived.dioxideLow,
  monoxide: high.value ? row.derived.monoxideHigh : row.derived.monoxideLow,
}))
watch(
  [boiler.case, high],
  ([one]) => {
    if (!one) return
    for (const [key, checks] of Object.entries(rateChecks.value)) {
      const field = inputs.fields.value.find((each) => each.key === key)!
      const reading = lastReading(one.entries, checks, field)
      if (reading && inputs.form.texts[key] === '') inputs.fill(key, reading.text, reading.unit)
    }
  },
  { immediate: true },
)
const of = inputs.value
const share = (key: string) => (of(key) === null ? null : of(key)! / 100)
const gas = computed<GasId>(() => {
  const own = boiler.system.value?.gas
  return own === 'naturalGas' || own === 'propane' ? own : inputs.form.chosen.gas === 'propane' ? 'propane' : 'naturalGas'
})
const monoxide = computed(() => (of('monoxide') === null ? null : of('monoxide')! / 1e6))
const limits = computed(() => ({
  setTo: share('setTo'),
  within: (of('setWithin') ?? 0.3) / 100,
  carbonMonoxide: (of('limitMonoxide') ?? 200) / 1e6,
  ratio: of('limitRatio') ?? 0.004,
}))
const answer = computed(() =>
  combustionAnswer(
    {
      gas: gas.value,
      carbonDioxide: share('dioxide'),
      oxygen: share('oxygen'),
      carbonMonoxide: monoxide.value,
      flueCelsius: of('flue'),
      airCelsius: of('air') ?? 20,
      returnCelsius: of('back'),
    },
    limits.value,
  ),
)
const headline = computed(() => combustionHeadline(answer.value, monoxide.value))
const means = computed(() => combustionMeans(answer.value))
const flue = computed(() => flueIntegrity(share('inletDioxide'), share('inletOxygen'), answer.value.carbonDioxide ?? limits.value.setTo ?? 0.09))
const rows = computed(() => {
  const one = answer.value
  const has = (value: number | null, text: (value: number) => string) => (value === null ? '–' : text(value))
  return [
    { label: 'CO', text: has(monoxide.value, ppm), bad: one.fails.includes('carbonMonoxide'), why: `at most ${ppm(limits.value.carbonMonoxide)}` },
    { label: 'CO to CO2', text: has(one.ratio, (value) => value.toFixed(4)), bad: one.fails.includes('ratio'), why: `at most ${limits.value.ratio}` },
    { label: 'CO without the spare air', text: has(one.airFree, ppm) },
    {
      label: 'CO2',
      text: has(one.carbonDioxide, percent),
      bad: one.mixture === 'lean' || one.mixture === 'rich',
      ...(limits.value.setTo !== null && { why: `the model: ${percent(limits.value.setTo)}` }),
    },
    { label: 'O2 that goes with it', text: has(one.oxygen, percent) },
    { label: 'Air over what is needed', text: has(one.airRatio, (value) => `${Math.round((value - 1) * 100)} %`) },
    { label: 'Dew point', text: has(one.dewPoint, (value) => `${value.toFixed(1)} °C`) },
    { label: 'Flue loss', text: has(one.loss, percent) },
    { label: 'Efficiency, net', text: has(one.net, percent), why: 'before standing loss' },
    { label: 'gross', text: has(one.gross, percent) },
  ]
})
const lines = computed(() => [headline.value, ...means.value, ...(flue.value.verdict === 'leaks' ? ['Products in the air inlet: a flue seal leaks.'] : [])])
const readings = computed<BenchReading[]>(() => [
  ...(inputs.isFresh('dioxide') ? [{ checks: rateChecks.value.dioxide, value: of('dioxide')!, unit: '%' as const }] : []),
  ...(inputs.isFresh('monoxide') ? [{ checks: rateChecks.value.monoxide, value: of('monoxide')!, unit: 'ppm' as const }] : []),
  ...(high.value && answer.value.ratio !== null && inputs.isFresh('dioxide')
    ? [{ checks: row.derived.ratioHigh, value: Number(answer.value.ratio.toPrecision(3)), unit: '1' as const }]
    : []),
  ...typedReadings(inputs, high.value ? links : { inletDioxide: links.inletDioxide!, inletOxygen: links.inletOxygen! }),
])
const fits = (id: string) => catalogues[id]?.system.layout.burner !== 'electric'
</script>

<template>
  <BenchFrame title="Combustion" :boiler="boiler" :fits="fits" :lines="lines" :readings="readings" :inputs="inputs">
    <template #inputs>
      <PlainSelect
        v-if="!boiler.system.value"
        v-model="inputs.form.chosen.gas!"
        label="Gas"
        :items="[
          { value: 'naturalGas', title: 'Natural gas' },
          { value: 'propane', title: 'Propane' },
        ]"
      />
      <SegmentSwitch
        v-model="inputs.form.chosen.rate!"
        label="Rate it runs at"
        :choices="[
          { id: 'high', label: 'Full rate' },
          { id: 'low', label: 'Lowest' },
        ]"
        class="whole"
      />
      <div class="pair whole">
        <BenchField name="dioxide" :inputs="inputs" />
        <BenchField name="oxygen" :inputs="inputs" />
      </div>
      <BenchField name="monoxide" :inputs="inputs" />
      <BenchField name="setTo" :inputs="inputs" />
      <BenchField name="flue" :inputs="inputs" />
      <BenchField name="back" :inputs="inputs" />
      <h3 class="eyebrow whole">In the air inlet</h3>
      <div class="pair whole">
        <BenchField name="inletDioxide" :inputs="inputs" />
        <BenchField name="inletOxygen" :inputs="inputs" />
      </div>
      <details class="whole">
        <summary>Air, limits</summary>
        <BenchField name="air" :inputs="inputs" />
        <BenchField name="setWithin" :inputs="inputs" />
        <BenchField name="limitMonoxide" :inputs="inputs" />
        <BenchField name="limitRatio" :inputs="inputs" />
      </details>
    </template>
    <template #headline>{{ headline }}</template>
    <template #picture>
      <LinePicture :gas="gas" :dioxide="answer.carbonDioxide" :oxygen="share('oxygen') ?? answer.oxygen" :set-to="limits.setTo" :within="limits.within" />
    </template>
    <template #how>
      <p class="formula">CxHy + (x + y/4)·λ·(O2 + 3.773 N2) → x CO2 + y/2 H2O + …</p>
      <p v-if="answer.airRatio !== null">
        λ = {{ answer.airRatio.toFixed(3) }}: {{ percent(answer.carbonDioxide!, 2) }} CO2 and {{ percent(answer.oxygen!, 2) }} O2 in dry products. Natural gas
        is taken as methane.
      </p>
      <p>
        Dew point by Hyland and Wexler’s saturation pressure (ASHRAE Handbook, Fundamentals), dry air, 1013 mbar. Flue loss from the products’ heat; what
        condenses is won back. Ratio limit of condensing boilers 0.004, others 0.008 (from memory); the model’s own comes first.
      </p>
    </template>
    <template #means>
      <FigureRows :rows="rows" />
      <h2 v-if="means.length > 0">What it means</h2>
      <p v-for="line in means" :key="line">{{ line }}</p>
      <template v-if="flue.verdict === 'leaks'">
        <h2>Products in the air inlet</h2>
        <p class="caution">
          A seal leaks: some {{ percent(flue.share, 0) }} of what it draws in is flue gas. Do not leave it running; renew every seal of that run.
        </p>
        <ol>
          <li v-for="one in flueWhere" :key="one">{{ one }}</li>
        </ol>
        <p>Find the highest reading: it stands nearest the leak.</p>
      </template>
      <p v-else-if="flue.verdict === 'tight'">The air inlet draws fresh air: the flue is tight.</p>
      <h2>Check next</h2>
      <p>{{ combustionNext(answer) }}</p>
      <p class="caution">
        Gas work only by those licensed for it. Raised CO in the room or symptoms: stop, ventilate, everybody out, the place’s emergency number.
      </p>
    </template>
  </BenchFrame>
</template>

<style scoped>
ol {
  margin: 0 0 8px;
  padding-left: 22px;
}
</style>
