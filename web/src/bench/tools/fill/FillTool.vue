<script setup lang="ts">
import { cushionByFilling, cushionSeen, fillAnswer, rightCharge, vesselNeeded, waterBehind, type SealedSystem } from '@dewpoint/core/bench'
import { expansion } from '@dewpoint/core/physics'
import type { UnitSymbol } from '@dewpoint/core/quantity'
import { benchTools, type BenchLink } from '@dewpoint/trade/bench'
import { computed, reactive, ref } from 'vue'
import { useDraft } from '../../../keeping/device/drafts.ts'
import BenchField from '../../frame/BenchField.vue'
import BenchFrame from '../../frame/BenchFrame.vue'
import { typedReadings } from '../../frame/benchReading.ts'
import { useBenchBoiler, useCaseReadings } from '../../frame/boilers.ts'
import { useInputs } from '../../frame/useInputs.ts'
import { countedParts, fillFields, litresCounted } from './fillFields.ts'
import { cushionHeadline, cushionNext, fillHeadline, fillMeans, litres, pressure } from './fillWords.ts'
import VesselPicture from './VesselPicture.vue'

const links: Record<string, BenchLink> = benchTools.fill.links
const boiler = useBenchBoiler()
const fields = () => fillFields((key, unit) => boiler.usual(links[key], unit))
const inputs = useInputs('fill', fields)
useCaseReadings(boiler, inputs, links)

const counting = ref(false)
const counts = reactive<Record<string, string>>(Object.fromEntries(countedParts.map(({ part }) => [part, ''])))
useDraft('bench fill counts', counts)
const counted = computed(() => litresCounted(counts))
function takeCounted() {
  inputs.type('litres', String(Math.round(counted.value!)), 'l')
  counting.value = false
}

const of = (key: string) => inputs.value(key)
const unit = computed<UnitSymbol>(() => inputs.form.units.fillOne!)
/** every figure there, and the water getting warmer: else nothing can be said */
const system = computed<SealedSystem | null>(() => {
  const [water, vessel, preCharge, coldCelsius, hotCelsius, relief] = ['litres', 'vessel', 'charge', 'cold', 'hot', 'relief'].map(of)
  if ([water, vessel, preCharge, coldCelsius, hotCelsius, relief].includes(null)) return null
  return { litres: water!, vesselLitres: vessel!, preCharge: preCharge!, coldCelsius: coldCelsius!, hotCelsius: hotCelsius!, relief: relief! }
})
const notWarmer = computed(() => system.value !== null && system.value.hotCelsius <= system.value.coldCelsius)
const fills = computed(() => {
  const [first, second] = [of('fillOne'), of('fillTwo')]
  if (!system.value || notWarmer.value || first === null || second === null) return null
  const charge = rightCharge(second, (of('height') ?? 5) * 0.0981)
  return {
    one: fillAnswer(system.value, first),
    two: fillAnswer(system.value, second),
    third: Math.abs(charge - system.value.preCharge) < 0.05 ? null : { charge, fill: fillAnswer({ ...system.value, preCharge: charge }, second) },
    needed: vesselNeeded(system.value),
  }
})
const seen = computed(() => {
  const [cold, hot] = [of('seenCold'), of('seenHot')]
  return cold !== null && hot !== null ? { cold, hot } : null
})
const cushion = computed(() =>
  system.value && !notWarmer.value && seen.value
    ? cushionSeen(system.value, { ...seen.value, gaugeError: 0.05, volumeError: inputs.isTyped('litres') ? 0.1 : 0.25 })
    : null,
)
const filled = computed(() => {
  const [letIn, from, to] = [of('letIn'), of('letFrom'), of('letTo')]
  if (letIn === null || from === null || to === null) return null
  const gas = cushionByFilling(letIn, from, to)
  if (gas === null) return { gas: null, water: null }
  // the gas by the pressure the pair begins at
  const atCold = seen.value && system.value ? (gas * (from + 1.01325)) / (seen.value.cold + 1.01325) : null
  return { gas, water: atCold !== null ? waterBehind(atCold, seen.value!.cold, seen.value!.hot, system.value!.coldCelsius, system.value!.hotCelsius) : null }
})
const headline = computed(() => {
  if (notWarmer.value) return 'The hot water has to be warmer than the cold.'
  if (!fills.value || !system.value) return 'Mend the figure that cannot be, then the answer stands here.'
  if (cushion.value) return cushionHeadline(cushion.value)
  return fillHeadline(fills.value.one, fills.value.two, system.value.relief, unit.value)
})
const grows = computed(() => (system.value ? expansion(system.value.litres, system.value.coldCelsius, system.value.hotCelsius) : 0))
const means = computed(() => (fills.value ? fillMeans(fills.value.one, fills.value.two, unit.value) : []))
const lines = computed(() => [headline.value, ...means.value, ...(cushion.value ? [cushionNext(cushion.value)] : [])])
const readings = computed(() => typedReadings(inputs, links))
const rows = computed(() => {
  if (!fills.value || !system.value) return []
  const { one, two } = fills.value
  const [first, second] = [one, two]
  const row = (label: string, of: (fill: typeof one) => string, bad: (fill: typeof one) => boolean) => ({
    label,
    cells: [first, second].map((each) => ({ text: of(each), bad: bad(each) })),
  })
  return [
    row(
      `Hot, at ${Math.round(system.value.hotCelsius)} °C`,
      ({ hot }) => pressure(hot, unit.value),
      ({ room }) => room < 0.3,
    ),
    row(
      'Room below relief',
      ({ room }) => (room < 0 ? 'none' : pressure(room, unit.value)),
      ({ room }) => room < 0.3,
    ),
    row(
      'Relief lifts at',
      ({ liftsAt }) => (liftsAt === null ? 'never' : `${Math.round(liftsAt)} °C`),
      ({ liftsAt }) => liftsAt !== null && liftsAt < 80,
    ),
    row(
      'Serves at most',
      ({ serves }) => litres(serves),
      ({ serves }) => serves < system.value!.litres,
    ),
    row(
      'Water in reserve',
      ({ reserve }) => litres(reserve),
      ({ reserve }) => reserve < 0.3,
    ),
  ]
})
</script>

<template>
  <BenchFrame title="Fill and vessel" :boiler="boiler" :lines="lines" :readings="readings" :inputs="inputs">
    <template #inputs>
      <div class="water">
        <BenchField name="litres" :inputs="inputs" />
        <button type="button" class="count" :aria-expanded="counting" @click="counting = !counting">not known? Count it</button>
      </div>
      <div v-if="counting" class="counts whole">
        <label v-for="{ part, label } in countedParts" :key="part">
          {{ label }} <input v-model="counts[part]" inputmode="decimal" maxlength="6" autocomplete="off" placeholder="0" />
        </label>
        <v-btn :disabled="counted === null" @click="takeCounted">Take {{ counted === null ? 'the sum' : litres(counted) }}</v-btn>
      </div>
      <BenchField name="vessel" :inputs="inputs" />
      <BenchField name="charge" :inputs="inputs" />
      <BenchField name="cold" :inputs="inputs" />
      <BenchField name="hot" :inputs="inputs" />
      <BenchField name="relief" :inputs="inputs" />
      <div class="pair whole">
        <BenchField name="fillOne" :inputs="inputs" />
        <BenchField name="fillTwo" :inputs="inputs" />
      </div>
      <h3 class="eyebrow whole">Seen on this gauge</h3>
      <div class="pair whole">
        <BenchField name="seenCold" :inputs="inputs" />
        <BenchField name="seenHot" :inputs="inputs" />
      </div>
      <p class="dim whole note">Both, and it tells a flat cushion from a small vessel.</p>
      <details class="whole">
        <summary>Litres let in, height</summary>
        <div class="pair">
          <BenchField name="letFrom" :inputs="inputs" />
          <BenchField name="letTo" :inputs="inputs" />
        </div>
        <BenchField name="letIn" :inputs="inputs" />
        <BenchField name="height" :inputs="inputs" />
      </details>
    </template>
    <template #headline>{{ headline }}</template>
    <template #picture>
      <VesselPicture
        v-if="fills && system"
        :one="fills.one"
        :two="fills.two"
        :third="fills.third"
        :vessel="system.vesselLitres"
        :relief="system.relief"
        :seen="seen"
        :unit="unit"
      />
    </template>
    <template #how>
      <template v-if="fills && system">
        <p class="formula">p_hot = (p_cold + 1.013) · V_gas / (V_gas − {{ Math.round(system.litres) }} · e) − 1.013</p>
        <p>
          Water grows {{ ((grows / system.litres) * 100).toFixed(2) }} % from {{ Math.round(system.coldCelsius) }} to {{ Math.round(system.hotCelsius) }} °C:
          <strong class="mono">{{ grows.toFixed(2) }} l</strong>. Gas cold {{ fills.one.gasCold.toFixed(1) }} and {{ fills.two.gasCold.toFixed(1) }} l. Boyle’s
          law; water density by Kell, J. Chem. Eng. Data 20 (1975) 97, within 0.01 kg/m³ of IAPWS-IF97.
        </p>
        <p>
          By EN 12828’s rule (formula from memory: half a bar below the relief valve, a reserve of half a per cent, no less than 3 l, of a small vessel a fifth)
          this system asks for <strong class="mono">{{ litres(fills.needed) }}</strong>.
        </p>
        <template v-if="cushion">
          <p class="formula">V = e · (p_hot + 1.013) / (p_hot − p_cold) = {{ cushion.gas.toFixed(2) }} l</p>
          <p>
            Gauge ±0.05 bar each, water in the system ±{{ inputs.isTyped('litres') ? 10 : 25 }} %: nine times in ten between {{ cushion.low.toFixed(1) }} and
            {{ cushion.high.toFixed(1) }} l.
          </p>
        </template>
      </template>
    </template>
    <template #means>
      <template v-if="fills && system">
        <table>
          <thead>
            <tr>
              <th scope="col" class="eyebrow">Filled cold to</th>
              <th scope="col">{{ pressure(fills.one.fill, unit) }}</th>
              <th scope="col">{{ pressure(fills.two.fill, unit) }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.label">
              <th scope="row">{{ row.label }}</th>
              <td v-for="(cell, index) in row.cells" :key="index" class="mono" :class="{ bad: cell.bad }">{{ cell.text }}</td>
            </tr>
          </tbody>
        </table>
        <h2>What it means</h2>
        <p v-for="line in means" :key="line">{{ line }}</p>
        <template v-if="fills.third">
          <h2>Both, with the cushion at {{ pressure(fills.third.charge, unit) }}</h2>
          <p>
            Pump the vessel to <strong class="mono">{{ pressure(fills.third.charge, unit) }}</strong>, fill to
            <strong class="mono">{{ pressure(fills.two.fill, unit) }}</strong>: <strong class="mono">{{ pressure(fills.third.fill.hot, unit) }}</strong> hot,
            <strong class="mono">{{ litres(fills.third.fill.reserve) }}</strong> in reserve{{
              fills.third.fill.liftsAt === null ? '' : `, lifts at ${Math.round(fills.third.fill.liftsAt)} °C`
            }}.
          </p>
        </template>
        <p v-if="seen && !cushion" class="caution">
          The gauge hardly moved from cold to hot: with its own error nothing can be told. Heat it further, or read it on a second gauge.
        </p>
        <p v-if="cushion?.relieved">Read so near the relief valve’s setting, it may have let water out: there may be less gas still.</p>
        <p v-if="filled?.gas">
          Letting in {{ litres(of('letIn')!) }} says <strong class="mono">{{ litres(filled.gas) }}</strong> of gas at {{ pressure(of('letFrom')!, unit)
          }}<template v-if="filled.water">
            , and with the pair <strong class="mono">{{ litres(filled.water) }}</strong> of water in the system</template
          >.
        </p>
        <p v-else-if="filled">The gauge has to rise while water is let in: “to” is no higher than “from”.</p>
        <h2>Check next</h2>
        <p>{{ cushionNext(cushion) }}</p>
      </template>
      <p class="caution">Stored pressure: let it down before a vessel or valve is opened. Hot water scalds. The maker’s figures come first.</p>
    </template>
  </BenchFrame>
</template>

<style scoped>
.count {
  min-height: 32px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--copper);
  font-weight: 600;
  font-size: 0.9375rem;
  cursor: pointer;
}
.counts {
  display: grid;
  gap: 4px;
}
.counts label {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}
.counts input {
  width: 70px;
  height: 40px;
  border: 1px solid var(--dim);
  border-radius: 6px;
  background: var(--sheet);
  color: var(--ink);
  font-family: var(--mono);
  text-align: right;
  padding: 0 8px;
}
.note {
  margin: 0;
  line-height: 1.25;
}
table {
  width: 100%;
  border-collapse: collapse;
  margin-bottom: 18px;
}
th,
td {
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
  text-align: right;
  font-weight: 400;
}
th:first-child {
  text-align: left;
}
thead th {
  font-weight: 600;
}
td {
  font-size: 1.0625rem;
  white-space: nowrap;
  padding-left: 8px;
}
.bad {
  color: var(--stop);
  font-weight: 700;
}
</style>
