<script setup lang="ts">
import { cyclingAnswer, plateAnswer } from '@dewpoint/core/bench'
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
import CrossoverTest from './CrossoverTest.vue'
import { hotWaterFields } from './hotWaterFields.ts'
import { cyclingWords, kilowatts, percent, plateHeadline, plateMeans, plateNext, refusals, saysWords } from './hotWaterWords.ts'
import PlatePicture from './PlatePicture.vue'

const links: Record<string, BenchLink> = benchTools['hot-water'].links
const boiler = useBenchBoiler()
const fields = () => hotWaterFields((key, unit) => boiler.usual(links[key], unit))
const inputs = useInputs('hot-water', fields, { dropsOut: ['unknown', 'yes', 'no'] })
useCaseReadings(boiler, inputs, links)
const of = inputs.value

/** by the meter or display, else by a jug and a watch */
const flow = computed(() => {
  const [said, jug, seconds] = [of('flow'), of('jug'), of('jugSeconds')]
  return said ?? (jug !== null && seconds !== null ? (jug / seconds) * 60 : null)
})
const model = computed(() => ({ clean: of('clean') ?? 790, output: of('output') ?? 24 }))
const coldIn = computed(() => of('coldIn') ?? 10)
const answer = computed(() =>
  plateAnswer(
    {
      coldIn: coldIn.value,
      hotOut: of('hotOut'),
      primaryIn: of('primaryIn'),
      primaryOut: of('primaryOut'),
      flow: flow.value,
      clampError: of('clampError') ?? 1.5,
    },
    model.value,
  ),
)
const headline = computed(() => plateHeadline(answer.value))
const means = computed(() => plateMeans(answer.value, model.value.output, coldIn.value, flow.value, of('tapSet') ?? 46))
const cycling = computed(() =>
  cyclingAnswer(
    {
      highLimit: of('highLimit') ?? 84,
      lowestOutput: of('lowest') ?? 6,
      coldIn: coldIn.value,
      tap: of('tapSet') ?? 46,
      flow: flow.value ?? 8,
      clampError: of('clampError') ?? 1.5,
    },
    {
      clampAtCutOut: of('clampAtCutOut'),
      displayAtCutOut: of('displayAtCutOut'),
      lowestRate: of('lowestFound') === null ? null : of('lowestFound')! / 100,
      plateOfClean: answer.value.ofClean,
      dropsOut: inputs.form.chosen.dropsOut === 'unknown' ? null : inputs.form.chosen.dropsOut === 'yes',
    },
  ),
)
const rows = computed(() => {
  const { power, share, primaryFlow, effectiveness, conductance, ofClean, ofCleanRange } = answer.value
  const has = (value: number | null, text: (value: number) => string) => (value === null ? '–' : text(value))
  return [
    { label: 'Heat to the water', text: has(power, kilowatts) },
    { label: 'of the burner', text: has(share, percent), bad: share !== null && share < 0.7 },
    { label: 'Effectiveness', text: has(effectiveness, percent) },
    { label: 'Conductance', text: has(conductance, (value) => `${Math.round(value)} W/K`) },
    {
      label: 'of a clean plate',
      text: has(ofClean, percent),
      bad: ofClean !== null && ofClean < 0.7,
      ...(ofCleanRange && { why: `${percent(ofCleanRange[0])} to ${percent(ofCleanRange[1])}, by the clamps` }),
    },
    { label: 'Flow, heating side', text: has(primaryFlow, (value) => `${value.toFixed(1)} l/min`) },
  ]
})
const lines = computed(() => [headline.value, ...means.value])
const readings = computed(() => {
  const typed = typedReadings(inputs, links)
  return inputs.isTyped('flow') || flow.value === null
    ? typed
    : [...typed, { checks: links.flow!.checks!, value: Number(flow.value.toFixed(1)), unit: 'l/min' as const }]
})
const fits = (id: string) => catalogues[id]?.system.layout.hotWater === 'plate'
</script>

<template>
  <BenchFrame title="Plate and hot water" :boiler="boiler" :fits="fits" :lines="lines" :readings="readings" :inputs="inputs">
    <template #inputs>
      <BenchField name="coldIn" :inputs="inputs" />
      <BenchField name="hotOut" :inputs="inputs" />
      <BenchField name="flow" :inputs="inputs" class="whole" />
      <div class="pair whole">
        <BenchField name="jug" :inputs="inputs" />
        <BenchField name="jugSeconds" :inputs="inputs" />
      </div>
      <div class="pair whole">
        <BenchField name="primaryIn" :inputs="inputs" />
        <BenchField name="primaryOut" :inputs="inputs" />
      </div>
      <details class="whole">
        <summary>The model’s figures</summary>
        <BenchField name="clean" :inputs="inputs" />
        <BenchField name="output" :inputs="inputs" />
        <BenchField name="tapSet" :inputs="inputs" />
        <BenchField name="clampError" :inputs="inputs" />
      </details>
      <details class="whole">
        <summary>Hot, cold, hot</summary>
        <PlainSelect
          v-model="inputs.form.chosen.dropsOut!"
          label="Burner goes out, tap running"
          :items="[
            { value: 'unknown', title: 'not watched yet' },
            { value: 'yes', title: 'it does' },
            { value: 'no', title: 'it stays lit' },
          ]"
        />
        <div class="pair">
          <BenchField name="clampAtCutOut" :inputs="inputs" />
          <BenchField name="displayAtCutOut" :inputs="inputs" />
        </div>
        <BenchField name="lowestFound" :inputs="inputs" />
        <div class="pair">
          <BenchField name="lowest" :inputs="inputs" />
          <BenchField name="highLimit" :inputs="inputs" />
        </div>
      </details>
    </template>
    <template #headline>{{ headline }}</template>
    <template #picture>
      <PlatePicture
        :cold-in="of('coldIn')"
        :hot-out="of('hotOut')"
        :primary-in="of('primaryIn')"
        :primary-out="of('primaryOut')"
        :wrong="answer.refused.length > 0"
      />
    </template>
    <template #how>
      <p class="formula">Q = flow · ρ · c · (tap − main)</p>
      <p class="formula">ΔT_lm = (ΔT₁ − ΔT₂) / ln(ΔT₁ / ΔT₂), UA = Q / ΔT_lm, ε = Q / (C_min · (in − main))</p>
      <p v-if="answer.power !== null" class="formula">
        {{ flow!.toFixed(1) }} l/min from {{ coldIn.toFixed(1) }} to {{ of('hotOut')!.toFixed(1) }} °C: Q = {{ kilowatts(answer.power) }}
      </p>
      <p v-if="answer.conductance !== null" class="formula">
        ΔT₁ = {{ (of('primaryIn')! - of('hotOut')!).toFixed(1) }} K, ΔT₂ = {{ (of('primaryOut')! - coldIn).toFixed(1) }} K, ΔT_lm =
        {{ ((answer.power! * 1000) / answer.conductance).toFixed(1) }} K: UA = {{ Math.round(answer.conductance) }} W/K of {{ Math.round(model.clean) }}
      </p>
      <p>
        Counterflow. Kays and London, Compact Heat Exchangers; water by fits to IAPWS-IF97. Two clamps together are out by √2 times one: here
        {{ ((of('clampError') ?? 1.5) * Math.SQRT2).toFixed(1) }} K.
      </p>
    </template>
    <template #means>
      <FigureRows :rows="rows" />
      <p v-for="one in answer.refused.slice(1)" :key="one" class="caution">{{ refusals[one] }}</p>
      <h2>What it means</h2>
      <p v-for="line in means" :key="line">{{ line }}</p>
      <h2>Check next</h2>
      <p>{{ plateNext(answer) }}</p>
      <p class="caution">Hot pipes and hot water scald: let the tap run into the basin, hands clear.</p>
    </template>
    <template #more>
      <section class="cycling" aria-labelledby="cycling-title">
        <h2 id="cycling-title">Hot, cold, hot: which of the look-alikes?</h2>
        <p v-if="inputs.form.chosen.dropsOut === 'no'">The burner stays lit: it does not cycle. Look at crossover, flow and the tap itself.</p>
        <p v-else-if="cycling.next === 'dropsOut'">First watch whether the burner really goes out while the tap runs: set it under <em>Hot, cold, hot</em>.</p>
        <p v-else-if="cycling.next">Check next: {{ cyclingWords[cycling.next].check }}</p>
        <p class="dim">The draw takes {{ kilowatts(cycling.taken) }}; the lowest rate gives {{ kilowatts(cycling.given) }}.</p>
        <ul>
          <li v-for="one in cycling.suspects" :key="one.suspect" :class="one.says">
            <span class="mark" aria-hidden="true" />
            <strong>{{ cyclingWords[one.suspect].label }}</strong> <span class="dim">{{ saysWords[one.says] }}</span>
          </li>
        </ul>
      </section>
      <CrossoverTest />
    </template>
  </BenchFrame>
</template>

<style scoped>
.cycling {
  margin-top: 18px;
  padding-top: 14px;
  border-top: 1px solid var(--rule);
}
h2 {
  font-size: 1.125rem;
}
.cycling p {
  margin: 6px 0;
}
ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
li {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 36px;
}
.mark {
  width: 16px;
  height: 16px;
  border: 2px solid var(--dim);
  border-radius: 50%;
}
.for .mark {
  border-color: var(--stop);
  background: var(--stop);
  border-radius: 2px;
}
.against .mark {
  border-color: var(--proven);
  background: linear-gradient(45deg, transparent 44%, var(--proven) 44% 56%, transparent 56%);
}
</style>
