<script setup lang="ts">
import { cylinderAnswer, recoveryMinutes, tundishCauses } from '@dewpoint/core/bench'
import { catalogues } from '@dewpoint/trade'
import { benchTools, type BenchLink } from '@dewpoint/trade/bench'
import { computed } from 'vue'
import PlainSelect from '../../../shared/pieces/PlainSelect.vue'
import BenchField from '../../frame/BenchField.vue'
import BenchFrame from '../../frame/BenchFrame.vue'
import { typedReadings } from '../../frame/benchReading.ts'
import { useBenchBoiler, useCaseReadings } from '../../frame/boilers.ts'
import FigureRows from '../../frame/FigureRows.vue'
import { useInputs } from '../../frame/useInputs.ts'
import { cylinderFields } from './cylinderFields.ts'
import CylinderPicture from './CylinderPicture.vue'
import { causeWords } from './cylinderWords.ts'

const links: Record<string, BenchLink> = benchTools.cylinder.links
const boiler = useBenchBoiler()
const fields = () => cylinderFields((key, unit) => boiler.usual(links[key], unit))
const inputs = useInputs('cylinder', fields, {
  runs: ['unknown', 'heatUp', 'always', 'never'],
  temperature: ['unknown', 'cold', 'hot'],
  recharged: ['unknown', 'yes'],
})
useCaseReadings(boiler, inputs, links)
const of = inputs.value
const cylinder = computed(() => ({
  litres: of('litres') ?? 150,
  coldCelsius: of('cold') ?? 10,
  hotCelsius: of('hot') ?? 60,
  reducedTo: of('reduced') ?? 3,
  relief: of('relief') ?? 6,
  vesselLitres: of('vessel') ?? 12,
  charge: of('charge') ?? of('reduced') ?? 3,
}))
const wrong = computed(() => Object.values(inputs.read.value).some(({ problem }) => problem !== null))
const answer = computed(() => cylinderAnswer(cylinder.value))
const causes = computed(() => {
  const { runs, temperature, recharged } = inputs.form.chosen
  if (runs === 'unknown' && temperature === 'unknown') return []
  return tundishCauses(cylinder.value, {
    runs: runs === 'unknown' ? null : (runs as 'heatUp'),
    isHot: temperature === 'unknown' ? null : temperature === 'hot',
    pressure: of('pressure'),
    charge: of('charge'),
    afterRecharge: recharged === 'yes' ? true : null,
  })
})
const minutes = computed(() => recoveryMinutes(cylinder.value.litres, cylinder.value.coldCelsius, cylinder.value.hotCelsius, of('power') ?? 15))
const first = computed(() => (causes.value[0] ? causeWords[causes.value[0]] : null))
const headline = computed(() => {
  if (wrong.value) return 'Mend the figure that cannot be, then the answer stands here.'
  if (first.value && causes.value[0] !== 'none') return `Likeliest: ${first.value.label.charAt(0).toLowerCase()}${first.value.label.slice(1)}.`
  const { hot, liftsAt, room } = answer.value
  return room < 0
    ? `Heated to ${Math.round(cylinder.value.hotCelsius)} °C the relief lifts already at ${Math.round(liftsAt ?? 0)} °C.`
    : `Heated to ${Math.round(cylinder.value.hotCelsius)} °C it reaches ${hot.toFixed(1)} bar, ${room.toFixed(1)} bar below the relief.`
})
const rows = computed(() => [
  { label: 'Water grows by', text: `${answer.value.grows.toFixed(1)} l` },
  { label: 'Pressure hot', text: answer.value.hot > 20 ? 'over 20 bar' : `${answer.value.hot.toFixed(1)} bar`, bad: answer.value.room < 0 },
  { label: 'Relief lifts at', text: answer.value.liftsAt === null ? 'never' : `${Math.round(answer.value.liftsAt)} °C`, bad: answer.value.room < 0 },
  { label: 'Right charge', text: `${answer.value.rightCharge.toFixed(1)} bar`, why: 'what the reducing valve holds' },
  {
    label: 'Vessel needed',
    text: Number.isFinite(answer.value.vesselNeeded) ? `${answer.value.vesselNeeded.toFixed(1)} l` : '–',
    bad: cylinder.value.vesselLitres < answer.value.vesselNeeded,
  },
  {
    label: 'Heats up in',
    text: Number.isFinite(minutes.value) ? `${Math.round(minutes.value)} min` : 'never',
    why: `with ${of('power') ?? 15} kW to the store`,
  },
])
const lines = computed(() => [headline.value, ...causes.value.map((one) => `${causeWords[one].label}: ${causeWords[one].does}`)])
const readings = computed(() => typedReadings(inputs, links))
const fits = (id: string) => ['cylinder', 'store'].includes(catalogues[id]?.system.layout.hotWater ?? '')
</script>

<template>
  <BenchFrame title="Cylinder" :boiler="boiler" :fits="fits" :lines="lines" :readings="readings" :inputs="inputs">
    <template #inputs>
      <PlainSelect
        v-model="inputs.form.chosen.runs!"
        label="At the tundish water runs"
        :items="[
          { value: 'unknown', title: 'not looked yet' },
          { value: 'heatUp', title: 'while it heats up' },
          { value: 'always', title: 'all the time' },
          { value: 'never', title: 'never: dry' },
        ]"
        class="whole"
      />
      <PlainSelect
        v-model="inputs.form.chosen.temperature!"
        label="and it is"
        :items="[
          { value: 'unknown', title: 'not felt yet' },
          { value: 'cold', title: 'cold or lukewarm' },
          { value: 'hot', title: 'hot' },
        ]"
      />
      <PlainSelect
        v-model="inputs.form.chosen.recharged!"
        label="Vessel pumped up"
        :items="[
          { value: 'unknown', title: 'not yet' },
          { value: 'yes', title: 'yes, and it goes on' },
        ]"
      />
      <BenchField name="pressure" :inputs="inputs" />
      <BenchField name="charge" :inputs="inputs" />
      <BenchField name="reduced" :inputs="inputs" />
      <BenchField name="relief" :inputs="inputs" />
      <BenchField name="litres" :inputs="inputs" />
      <BenchField name="vessel" :inputs="inputs" />
      <div class="pair whole">
        <BenchField name="cold" :inputs="inputs" />
        <BenchField name="hot" :inputs="inputs" />
      </div>
      <BenchField name="power" :inputs="inputs" />
    </template>
    <template #headline>{{ headline }}</template>
    <template #picture>
      <CylinderPicture
        v-if="!wrong"
        :answer="answer"
        :hot="cylinder.hotCelsius"
        :reduced-to="cylinder.reducedTo"
        :relief="cylinder.relief"
        :litres="cylinder.litres"
      />
    </template>
    <template #how>
      <p class="formula">p_hot = (p + 1.013) · V_gas / (V_gas − e) − 1.013, e = {{ answer.grows.toFixed(2) }} l</p>
      <p class="formula">
        {{ cylinder.reducedTo.toFixed(1) }} bar cold, {{ cylinder.vesselLitres.toFixed(1) }} l charged to {{ cylinder.charge.toFixed(1) }} bar:
        {{ answer.hot.toFixed(2) }} bar hot
      </p>
      <p>The check valve keeps the growing water in; the vessel takes it up. Boyle’s law, water density by Kell 1975, within 0.01 kg/m³ of IAPWS-IF97.</p>
      <p class="formula">t = Σ ρ · V · c · ΔT / (Q − loss)</p>
      <p>Standing loss of 2 W/K to a room of 20 °C. Energy balance, water’s heat by IAPWS-IF97.</p>
    </template>
    <template #means>
      <FigureRows :rows="rows" />
      <template v-for="(one, index) in causes" :key="one">
        <h2>{{ index === 0 ? '' : 'else: ' }}{{ causeWords[one].label }}</h2>
        <p :class="{ caution: causeWords[one].danger }">{{ causeWords[one].means }}</p>
        <p>{{ causeWords[one].does }}</p>
      </template>
      <p v-if="causes.length === 0">Say what runs at the tundish, and when: that tells vessel, reducing valve and relief apart.</p>
      <p class="dim">Some cylinders hold an air gap inside instead of a vessel: it is restored by the maker’s procedure, not by pumping.</p>
      <p class="caution">Stored hot water under pressure: only somebody qualified for unvented cylinders where they work. Never plug or cap a relief valve.</p>
    </template>
  </BenchFrame>
</template>
