<script setup lang="ts">
import { whenOf, type TellingReading } from '@dewpoint/core/pressure'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { wallDay, wallTime } from '../../../shared/times.ts'
import { colourOf } from '../../../case/suspects/colours.ts'
import { askedWords, explanationWords } from './watchWords.ts'

/** The one reading that would tell most: when, how, and what each explanation expects of it. */
const { telling, midnight, today, ranks } = defineProps<{
  telling: TellingReading
  midnight: string
  today: string
  /** place of an explanation in the list, for its letter and colour */
  ranks: Record<string, number>
}>()
const emit = defineEmits<{ remind: []; ask: []; take: [] }>()
const when = computed(() => whenOf(midnight, telling.asked.at))
const words = computed(() => {
  const day = when.value.slice(0, 10) === today ? (Number(wallTime(when.value).slice(0, 2)) >= 17 ? 'Tonight' : 'Today') : wallDay(when.value)
  return `${day} at ${wallTime(when.value)}`
})
const shown = computed(() => telling.expects.filter(({ id, odds }) => odds > 0.02 && ranks[id]! < 4).sort((one, other) => ranks[one.id]! - ranks[other.id]!))
const x = computed(() => {
  const low = Math.min(...shown.value.map(({ mean, spread }) => mean - 3 * spread))
  const high = Math.max(...shown.value.map(({ mean, spread }) => mean + 3 * spread))
  return scaleLinear([Math.max(0, Math.floor(low * 2) / 2), Math.max(Math.ceil(high * 2) / 2, 1)], [6, 250])
})
const hill = (mean: number, spread: number) => {
  const steps = Array.from({ length: 41 }, (_unused, index) => mean + ((index - 20) / 20) * 3.2 * spread)
  return `M${steps.map((bar) => `${x.value(bar).toFixed(1)} ${(38 - 32 * Math.exp(-(((bar - mean) / spread) ** 2) / 2)).toFixed(1)}`).join('L')}`
}
</script>

<template>
  <section aria-labelledby="telling-title">
    <p class="eyebrow">The reading that tells most</p>
    <h2 id="telling-title">{{ words }}, {{ askedWords(telling.asked) }}</h2>
    <svg v-if="shown.length > 0" :viewBox="`0 0 260 ${shown.length * 44 + 24}`" aria-hidden="true" class="hills">
      <g v-for="(one, index) in shown" :key="one.id" :transform="`translate(0 ${index * 44})`">
        <line x1="6" x2="254" y1="38" y2="38" :style="{ stroke: colourOf(ranks[one.id]!) }" />
        <path :d="hill(one.mean, one.spread)" :style="{ fill: colourOf(ranks[one.id]!), stroke: colourOf(ranks[one.id]!) }" />
      </g>
      <text v-for="bar in x.ticks(5).filter((each) => x(each) > 16 && x(each) < 240)" :key="bar" :x="x(bar)" :y="shown.length * 44 + 16" text-anchor="middle">
        {{ bar.toFixed(1) }}
      </text>
    </svg>
    <div class="acts">
      <v-btn color="primary" variant="flat" @click="emit('ask')">Ask the customer</v-btn>
      <v-btn @click="emit('remind')">Remind me</v-btn>
      <v-btn variant="text" @click="emit('take')">Note it</v-btn>
    </div>
    <ul>
      <li v-for="one in shown" :key="one.id">
        <span class="letter" :style="{ background: colourOf(ranks[one.id]!) }">{{ 'ABCDEFGH'.charAt(ranks[one.id]!) }}</span>
        <strong class="mono">{{ one.mean.toFixed(1) }}</strong>
        <span
          ><strong>{{ explanationWords[one.id].label }}.</strong> {{ explanationWords[one.id].does }}</span
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1.375rem;
  margin: 6px 0 8px;
}
.hills {
  width: 100%;
  max-width: 320px;
}
.hills path {
  fill-opacity: 0.26;
  stroke-width: 2;
}
.hills line {
  stroke-width: 1.5;
}
.hills text {
  font-family: var(--mono);
  font-size: 13px;
  fill: var(--dim);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 8px 0 12px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 26px 36px 1fr;
  gap: 8px;
  align-items: start;
  padding: 7px 0;
  line-height: 1.3;
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
</style>
