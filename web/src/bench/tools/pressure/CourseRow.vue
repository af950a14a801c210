<script setup lang="ts">
import type { WatchedExplanation } from '@dewpoint/core/pressure'
import { scaleLinear } from 'd3-scale'
import { area, line } from 'd3-shape'
import { computed } from 'vue'

/** The readings under one explanation's own course: what it would have the gauge do, what it misses, and where it ends. */
const { explanation, readings, topUps, from, to, now, asked, expects, width, colour, relief, stopsAt } = defineProps<{
  explanation: WatchedExplanation
  readings: { at: number; bar: number; state: 'cold' | 'hot' }[]
  topUps: { at: number; to: number | null }[]
  from: number
  to: number
  now: number
  asked: number | null
  expects: { mean: number; spread: number } | null
  width: number
  colour: string
  relief: number
  stopsAt: number
  label: string
  /** its lines are named */
  named: boolean
}>()
const emit = defineEmits<{ point: [hours: number, bar: number] }>()
const height = 164
const top = 14
const bottom = 8
const x = computed(() => scaleLinear([from, to], [22, width - 4]))
const y = computed(() => scaleLinear([0, Math.max(relief + 0.25, 3.25)], [height - bottom, top]).clamp(true))
const points = computed(() => {
  const { track } = explanation
  return track ? Array.from(track.at, (at, index) => ({ at, mid: track.mid[index]!, low: track.low[index]!, high: track.high[index]! })) : []
})
type Point = { at: number; mid: number; low: number; high: number }
const drawn = line<Point>(
  (one) => x.value(one.at),
  (one) => y.value(one.mid),
)
const past = computed(() => drawn(points.value.filter(({ at }) => at <= now)) ?? '')
const coming = computed(() => drawn(points.value.filter(({ at }) => at >= now - 0.6)) ?? '')
const band = computed(
  () =>
    area<Point>(
      (one) => x.value(one.at),
      (one) => y.value(one.low),
      (one) => y.value(one.high),
    )(points.value) ?? '',
)
const days = computed(() => {
  const step = Math.max(1, Math.ceil((to - from) / 24 / 24))
  return Array.from({ length: Math.floor((to - from) / 24 / step) + 1 }, (_unused, index) => from + index * step * 24)
})
const shown = computed(() =>
  readings.flatMap((one, index) =>
    one.at >= from && one.at <= to ? [{ ...one, mean: explanation.mean[index]!, missed: explanation.misses.includes(index) }] : [],
  ),
)
const stops = computed(() => {
  const { stops: when } = explanation.outlook
  if (!when || when.low > to) return null
  return { low: x.value(Math.max(when.low, from)), mid: when.mid <= to ? x.value(when.mid) : null, high: x.value(Math.min(when.high, to)) }
})
const within = (at: number) => at >= from && at <= to
function point(event: MouseEvent) {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  const scale = width / box.width
  const hours = x.value.invert((event.clientX - box.left) * scale)
  if (hours < from || hours > to) return
  emit('point', Math.round(hours * 4) / 4, Math.max(0, Math.round(y.value.invert((event.clientY - box.top) * scale) * 20) / 20))
}
</script>

<template>
  <!-- a press notes a reading there; the form below does the same for a keyboard -->
  <svg :viewBox="`0 0 ${width} ${height}`" :height="height" role="img" :aria-label="label" class="row" @click="point">
    <line v-for="at in days" :key="at" :x1="x(at)" :x2="x(at)" :y1="top" :y2="height - bottom" class="grid" />
    <line v-for="bar in [1, 2]" :key="bar" x1="22" :x2="width" :y1="y(bar)" :y2="y(bar)" class="grid dotted" />
    <text v-for="bar in [1, 2, 3]" :key="`t${bar}`" x="0" :y="y(bar) + 5" class="figure" :class="{ stopped: bar === relief }">{{ bar }}</text>
    <line x1="22" :x2="width" :y1="y(relief)" :y2="y(relief)" class="relief" />
    <line x1="22" :x2="width" :y1="y(stopsAt)" :y2="y(stopsAt)" class="stop" />
    <template v-if="named">
      <text :x="width - 4" :y="y(relief) - 4" text-anchor="end" class="name">relief lifts {{ relief.toFixed(1) }} bar</text>
      <text x="26" :y="y(stopsAt) + 16" class="name">stops at {{ stopsAt.toFixed(1) }} bar</text>
    </template>
    <rect v-if="asked !== null && within(asked)" :x="x(asked) - 9" :y="top" width="18" :height="height - top - bottom" class="asked" />
    <path :d="band" :style="{ fill: colour }" class="band" />
    <path :d="past" :style="{ stroke: colour }" class="course" />
    <path :d="coming" :style="{ stroke: colour }" class="course coming" />
    <line v-for="one in topUps.filter(({ at }) => within(at))" :key="one.at" :x1="x(one.at)" :x2="x(one.at)" :y1="top" :y2="height - bottom" class="topUp" />
    <g v-if="expects && asked !== null && within(asked)">
      <rect
        :x="x(asked) - 9"
        :y="y(expects.mean + expects.spread)"
        width="18"
        :height="Math.max(y(expects.mean - expects.spread) - y(expects.mean + expects.spread), 3)"
        :style="{ fill: colour }"
        class="expected"
      />
      <text :x="Math.min(x(asked) + 13, width - 30)" :y="y(expects.mean) + 5" class="figure strong" :style="{ fill: colour }">
        {{ expects.mean.toFixed(1) }}
      </text>
    </g>
    <g v-if="stops">
      <line :x1="stops.low" :x2="stops.high" :y1="y(stopsAt)" :y2="y(stopsAt)" class="stops" />
      <circle v-if="stops.mid !== null" :cx="stops.mid" :cy="y(stopsAt)" r="6" class="stops-at" />
    </g>
    <g v-for="one in shown" :key="`${one.at} ${one.state}`">
      <line v-if="one.missed" :x1="x(one.at)" :x2="x(one.at)" :y1="y(one.mean)" :y2="y(one.bar)" class="miss" />
      <circle :cx="x(one.at)" :cy="y(one.bar)" r="5" :class="one.state" />
    </g>
  </svg>
</template>

<style scoped>
.row {
  display: block;
  width: 100%;
  cursor: crosshair;
}
.grid {
  stroke: var(--rule);
}
.dotted {
  stroke-dasharray: 2 4;
}
.figure {
  font-family: var(--mono);
  font-size: 13px;
  fill: var(--dim);
}
.name {
  font-family: var(--face);
  font-size: 13px;
  font-weight: 600;
  fill: var(--stop);
}
.strong {
  font-size: 16px;
  font-weight: 700;
}
.stopped {
  fill: var(--stop);
}
.relief {
  stroke: var(--stop);
  stroke-width: 1.5;
}
.stop {
  stroke: var(--stop);
  stroke-width: 1.5;
  stroke-dasharray: 5 4;
}
.asked {
  fill: color-mix(in srgb, var(--copper) 16%, transparent);
}
.band {
  opacity: 0.16;
}
.course {
  fill: none;
  stroke-width: 2;
}
.coming {
  stroke-dasharray: 3 4;
}
.topUp {
  stroke: rgb(var(--v-theme-return));
  stroke-width: 1.5;
  stroke-dasharray: 1 4;
}
.expected {
  opacity: 0.5;
}
.stops {
  stroke: var(--stop);
  stroke-width: 5;
}
.stops-at {
  fill: var(--stop);
}
.miss {
  stroke: var(--stop);
  stroke-width: 3;
}
.cold {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2.5;
}
.hot {
  fill: var(--ink);
  stroke: var(--sheet);
  stroke-width: 1.5;
}
</style>
