<script setup lang="ts">
import type { ThermistorAnswer } from '@dewpoint/core/bench'
import type { ReadableCurve } from '@dewpoint/core/physics'
import { scaleLinear, scaleLog } from 'd3-scale'
import { computed } from 'vue'
import { degrees, resistance } from './thermistorWords.ts'

/** The curve with what was measured on it, and the band that counts as right. */
const { curve, answer, ohms, celsius, within } = defineProps<{
  curve: ReadableCurve
  answer: ThermistorAnswer
  ohms: number | null
  celsius: number | null
  within: number
}>()
const [width, height] = [640, 330]
const box = { left: 62, right: 40, top: 14, bottom: 34 }
const shown = computed(() => {
  const wanted = [celsius, answer.told].flatMap((one) => (one === null || Number.isNaN(one) ? [] : [one]))
  return { from: Math.max(-40, Math.min(0, ...wanted.map((one) => one - 8))), to: Math.min(160, Math.max(100, ...wanted.map((one) => one + 8))) }
})
const x = computed(() => scaleLinear([shown.value.from, shown.value.to], [box.left, width - box.right]))
const y = computed(() => scaleLog([curve.ohms(shown.value.to) / 1.3, curve.ohms(shown.value.from) * 1.3], [height - box.bottom, box.top]))
const steps = computed(() => Array.from({ length: 81 }, (_unused, index) => shown.value.from + ((shown.value.to - shown.value.from) * index) / 80))
const line = (shift: number) => steps.value.map((one) => `${x.value(one).toFixed(1)} ${y.value(curve.ohms(one - shift)).toFixed(1)}`)
const path = computed(() => `M${line(0).join('L')}`)
const band = computed(() => `M${line(within).join('L')}L${line(-within).reverse().join('L')}Z`)
const ticksX = computed(() => x.value.ticks(7))
const ticksY = computed(() =>
  [200, 500, 1000, 2000, 5000, 10_000, 20_000, 50_000, 100_000].filter((one) => one > y.value.domain()[0]! && one < y.value.domain()[1]!),
)
const hold = (value: number, [low, high]: [number, number]) => Math.min(Math.max(value, low), high)
/** where what was measured stands: at the true temperature, at the resistance measured */
const point = computed(() => {
  const at = celsius ?? answer.told
  const value = ohms ?? answer.should
  if (at === null || value === null || answer.verdict === 'open' || answer.verdict === 'short') return null
  return { x: hold(x.value(at), [box.left, width - box.right]), y: hold(y.value(value), [box.top, height - box.bottom]), at, value }
})
/** from there along its resistance to what the board takes it for */
const taken = computed(() => (point.value && answer.told !== null && celsius !== null ? hold(x.value(answer.told), [box.left, width - box.right]) : null))
const says = computed(() =>
  point.value
    ? `Curve of the thermistor, with ${resistance(point.value.value)} at ${degrees(point.value.at)} on it`
    : 'Curve of the thermistor: resistance falls as it gets hotter',
)
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="says" class="picture">
    <g class="grid">
      <line v-for="one in ticksX" :key="one" :x1="x(one)" :x2="x(one)" :y1="box.top" :y2="height - box.bottom" />
      <line v-for="one in ticksY" :key="one" :x1="box.left" :x2="width - box.right" :y1="y(one)" :y2="y(one)" />
    </g>
    <path :d="band" class="band" />
    <path :d="path" class="curve" />
    <g class="ticks">
      <text v-for="one in ticksX" :key="one" :x="x(one)" :y="height - 12" text-anchor="middle">{{ one }}{{ one === ticksX.at(-1) ? ' °C' : '' }}</text>
      <text v-for="one in ticksY" :key="one" :x="box.left - 8" :y="y(one) + 5" text-anchor="end">{{ one >= 1000 ? `${one / 1000} k` : one }}</text>
      <text :x="box.left - 8" :y="box.top + 2" text-anchor="end">Ω</text>
    </g>
    <g v-if="point">
      <line :x1="point.x" :x2="point.x" :y1="point.y" :y2="height - box.bottom" class="lead" />
      <line v-if="taken !== null" :x1="point.x" :x2="taken" :y1="point.y" :y2="point.y" class="off" />
      <circle v-if="taken !== null" :cx="taken" :cy="point.y" r="5" class="ring" />
      <circle :cx="point.x" :cy="point.y" r="7" class="dot" />
      <text v-if="taken !== null && Math.abs(taken - point.x) > 30" :x="(taken + point.x) / 2" :y="point.y + 24" text-anchor="middle" class="says">
        {{ Math.abs(answer.error!).toFixed(1) }} K
      </text>
    </g>
  </svg>
</template>

<style scoped>
.picture {
  width: 100%;
  height: auto;
  max-height: 46vh;
}
.grid line {
  stroke: var(--rule);
}
.band {
  fill: color-mix(in srgb, var(--proven) 18%, transparent);
}
.curve {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}
.ticks text {
  font-family: var(--mono);
  font-size: 13px;
  fill: var(--dim);
}
.lead {
  stroke: var(--dim);
  stroke-dasharray: 3 4;
}
.off {
  stroke: var(--stop);
  stroke-width: 4;
}
.ring {
  fill: var(--sheet);
  stroke: var(--stop);
  stroke-width: 3;
}
.dot {
  fill: var(--copper);
  stroke: var(--sheet);
  stroke-width: 2;
}
.says {
  font-size: 16px;
  font-weight: 600;
  fill: var(--stop);
}
</style>
