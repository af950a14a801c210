<script setup lang="ts">
import { gasRateAnswer, pipeDrop } from '@dewpoint/core/bench'
import { referenceGases, type GasId } from '@dewpoint/core/physics'
import { catalogues } from '@dewpoint/trade'
import { benchTools, type BenchLink } from '@dewpoint/trade/bench'
import { computed } from 'vue'
import PlainSelect from '../../../shared/pieces/PlainSelect.vue'
import SegmentSwitch from '../../../shared/pieces/SegmentSwitch.vue'
import BenchField from '../../frame/BenchField.vue'
import BenchFrame from '../../frame/BenchFrame.vue'
import { typedReadings } from '../../frame/benchReading.ts'
import { useBenchBoiler, useCaseReadings } from '../../frame/boilers.ts'
import FigureRows from '../../frame/FigureRows.vue'
import { useInputs } from '../../frame/useInputs.ts'
import { gasRateFields } from './gasRateFields.ts'
import { dropWords, gasHeadline, gasMeans, gasNext, kilowatts } from './gasRateWords.ts'
import PlateBand from './PlateBand.vue'
import StopClock from './StopClock.vue'

const row = benchTools['gas-rate']
const links: Record<string, BenchLink> = row.links
const boiler = useBenchBoiler()
/** the boiler's own, where one is chosen; else what is said */
const gasBy = (chosen: string | undefined): GasId => {
  const own = boiler.system.value?.gas
  return own === 'naturalGas' || own === 'propane' ? own : chosen === 'propane' ? 'propane' : 'naturalGas'
}
const inputs = useInputs('gas-rate', (chosen) => gasRateFields(gasBy(chosen.gas)), { gas: ['naturalGas', 'propane'], basis: ['net', 'gross'] })
const gas = computed(() => gasBy(inputs.form.chosen.gas))
useCaseReadings(boiler, inputs, links)
const of = inputs.value
const basis = computed(() => (inputs.form.chosen.basis === 'gross' ? 'gross' : 'net'))

const answer = computed(() => {
  const [litres, seconds] = [of('volume'), of('seconds')]
  if (litres === null || seconds === null) return null
  return gasRateAnswer({
    gas: gas.value,
    litres,
    seconds,
    gross: of('gross'),
    meterCelsius: of('meterCelsius'),
    meterMillibar: of('meterCelsius') === null ? null : (of('atMeter') ?? 20),
    plate: of('plate'),
    plateBasis: basis.value,
    below: (of('below') ?? 5) / 100,
    above: (of('above') ?? 5) / 100,
  })
})
const headline = computed(() => gasHeadline(answer.value, of('plate'), basis.value))
const expected = computed(() => (answer.value && of('length') !== null ? pipeDrop(gas.value, answer.value.rate, of('bore') ?? 20, of('length')!) : null))
const drop = computed(() => (of('atMeter') !== null && of('atBoiler') !== null ? dropWords(of('atMeter')! - of('atBoiler')!, expected.value) : null))
const rows = computed(() =>
  answer.value
    ? [
        { label: 'Gas rate', text: `${answer.value.rate.toFixed(2)} m³/h` },
        { label: 'Heat input, gross', text: kilowatts(answer.value.gross) },
        { label: 'net', text: kilowatts(answer.value.net) },
        ...(answer.value.ofPlate === null
          ? []
          : [
              { label: 'of the plate', text: `${Math.round(answer.value.ofPlate * 100)} %`, bad: answer.value.verdict !== 'right' },
              { label: 'At the plate’s input it would take', text: `${answer.value.secondsAtPlate!.toFixed(1)} s` },
            ]),
      ]
    : [],
)
function stopped(seconds: number) {
  inputs.type('seconds', String(seconds), 's')
}
const volumes = [
  { text: '10', unit: 'l', label: '10 l' },
  { text: '20', unit: 'l', label: '20 l' },
  { text: '0.1', unit: 'm³', label: '0.1 m³' },
  { text: '1', unit: 'ft³', label: '1 ft³' },
  { text: '2', unit: 'ft³', label: '2 ft³' },
  { text: '5', unit: 'ft³', label: '5 ft³' },
] as const
function dial({ text, unit }: (typeof volumes)[number]) {
  inputs.type('volume', text, unit)
}
const isDial = ({ text, unit }: (typeof volumes)[number]) => (inputs.form.texts.volume || '20') === text && inputs.form.units.volume === unit
const lines = computed(() => [headline.value, ...(answer.value ? [gasMeans(answer.value)] : []), ...(drop.value ? [drop.value.says] : [])])
const readings = computed(() => {
  const typed = typedReadings(inputs, links)
  return answer.value && inputs.isFresh('seconds')
    ? [{ checks: row.derived.rate, value: Number(answer.value.rate.toFixed(3)), unit: 'm³/h' as const }, ...typed]
    : typed
})
const fits = (id: string) => catalogues[id]?.system.layout.burner !== 'electric'
</script>

<template>
  <BenchFrame title="Gas rate" picture-first :boiler="boiler" :fits="fits" :lines="lines" :readings="readings" :inputs="inputs">
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
      <BenchField name="volume" :inputs="inputs" />
      <BenchField name="seconds" :inputs="inputs" />
      <BenchField name="plate" :inputs="inputs" />
      <SegmentSwitch
        v-model="inputs.form.chosen.basis!"
        label="The plate says"
        :choices="[
          { id: 'net', label: 'Plate says net' },
          { id: 'gross', label: 'gross' },
        ]"
        class="whole"
      />
      <BenchField name="gross" :inputs="inputs" class="whole" />
      <div class="pair whole">
        <BenchField name="atMeter" :inputs="inputs" />
        <BenchField name="atBoiler" :inputs="inputs" />
      </div>
      <details class="whole">
        <summary>Tolerance, pipe, temperature</summary>
        <div class="pair">
          <BenchField name="below" :inputs="inputs" />
          <BenchField name="above" :inputs="inputs" />
        </div>
        <div class="pair">
          <BenchField name="bore" :inputs="inputs" />
          <BenchField name="length" :inputs="inputs" />
        </div>
        <BenchField name="meterCelsius" :inputs="inputs" />
      </details>
    </template>
    <template #headline>{{ headline }}</template>
    <template #picture>
      <StopClock @stopped="stopped" />
      <div class="dials" role="group" aria-label="Volume on the dial">
        <v-btn v-for="one in volumes" :key="one.label" variant="text" :aria-pressed="isDial(one)" @click="dial(one)">{{ one.label }}</v-btn>
      </div>
      <PlateBand
        v-if="answer?.band && of('plate') !== null"
        :input="basis === 'gross' ? answer.gross : answer.net"
        :plate="of('plate')!"
        :band="answer.band"
        :basis="basis"
      />
    </template>
    <template #how>
      <p class="formula">kW = litres / seconds × MJ/m³</p>
      <p v-if="answer">
        {{ of('volume')!.toFixed(1) }} l in {{ of('seconds')!.toFixed(1) }} s at {{ (of('gross') ?? 0).toFixed(2) }} MJ/m³ gross; net is
        {{ ((referenceGases[gas].net / referenceGases[gas].gross) * 100).toFixed(1) }} % of it.
        <template v-if="answer.factor !== 1">The volume counts {{ answer.factor.toFixed(3) }} times at 15 °C and 1013 mbar.</template>
      </p>
      <p>
        Heating values of EN 437 at 15 °C and 1013.25 mbar, dry (from memory): natural gas {{ referenceGases.naturalGas.gross }} gross and
        {{ referenceGases.naturalGas.net }} net, propane {{ referenceGases.propane.gross.toFixed(2) }} and {{ referenceGases.propane.net.toFixed(2) }} MJ/m³.
        Gas as supplied differs: take the value of the bill.
      </p>
      <p v-if="expected !== null" class="formula">Pole: Q = 0.0071 · √(d⁵ · h / (s · l)), h = {{ expected.toFixed(2) }} mbar</p>
    </template>
    <template #means>
      <FigureRows v-if="rows.length > 0" :rows="rows" />
      <h2>What it means</h2>
      <p>{{ gasMeans(answer ?? { verdict: 'read' }) }}</p>
      <p v-if="answer?.tooShort" class="caution">Timed over too little: half a second of hand moves the answer out of the band. Time a longer stretch.</p>
      <p v-if="drop" :class="{ caution: drop.bad }">{{ drop.says }}</p>
      <h2>Check next</h2>
      <p>{{ gasNext(answer ?? { verdict: 'read' }) }}</p>
      <p class="dim">Highest-rate function, every other appliance off. A whole turn of the dial, or two minutes and more.</p>
      <p class="caution">
        Gas work only by those licensed for it where they work. Tightness before and after. Smell of gas: stop, shut off, ventilate, the place’s emergency
        number.
      </p>
    </template>
  </BenchFrame>
</template>

<style scoped>
.dials {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-top: 8px;
}
[aria-pressed='true'] {
  color: var(--copper);
  box-shadow: inset 0 -3px 0 var(--copper);
  border-radius: 0;
}
</style>
