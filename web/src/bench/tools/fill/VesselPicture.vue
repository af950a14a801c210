<script setup lang="ts">
import type { FillAnswer } from '@dewpoint/core/bench'
import { convert, type UnitSymbol } from '@dewpoint/core/quantity'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { pressure } from './fillWords.ts'

/** Two fills on one gauge: each with its vessel cold and hot, its water and gas in true proportion, and the relief valve as a wall. */
const { one, two, third, vessel, relief, seen, unit } = defineProps<{
  one: FillAnswer
  two: FillAnswer
  /** the second fill with the vessel pumped to suit it; null where that is what it is */
  third: { fill: FillAnswer; charge: number } | null
  vessel: number
  relief: number
  seen: { cold: number; hot: number } | null
  unit: UnitSymbol
}>()
const [width, height] = [640, 516]
const gauge = { top: 206, bottom: 266, left: 14, right: 626 }
const most = computed(() => Math.max(relief * 1.34, Math.min(Math.max(one.hot, two.hot, seen?.hot ?? 0) * 1.08, relief * 2)))
const x = computed(() => scaleLinear([0, most.value], [gauge.left, gauge.right]).clamp(true))
const tall = 116
const wide = 78
const rows = computed(() => [row(one, true), row(two, false)])
/** vessels hang where their pressure stands, and move apart where they would lie over each other */
function row(fill: FillAnswer, above: boolean) {
  const [cold, hot] = [x.value(fill.fill), x.value(fill.hot)]
  const apart = Math.max(wide + 22 - (hot - cold), 0) / 2
  const hold = (at: number) => Math.min(Math.max(at, gauge.left + wide / 2 + 4), gauge.right - wide / 2 - 4)
  const coldAt = hold(cold - apart)
  const hotAt = hold(Math.max(hot + apart, coldAt + wide + 22))
  return {
    above,
    fill,
    cold,
    hot,
    vessels: [
      { at: Math.min(coldAt, hotAt - wide - 22), from: cold, gas: fill.gasCold, hot: false },
      { at: hotAt, from: hot, gas: fill.gasHot, hot: true },
    ],
  }
}
const topOf = (above: boolean) => (above ? 46 : 350)
const share = (gas: number) => Math.min(Math.max(gas / vessel, 0.02), 1)
const ticks = computed(() => x.value.ticks(most.value > 5 ? 6 : 5))
const minor = computed(() => x.value.ticks(30))
const says = computed(
  () =>
    `Gauge with two fills: ${pressure(one.fill, unit)} cold reaches ${pressure(one.hot, unit)}, ${pressure(two.fill, unit)} cold reaches ${pressure(two.hot, unit)}; the relief valve lifts at ${pressure(relief, unit)}`,
)
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="says" class="picture">
    <defs>
      <pattern id="over" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="8" class="hatch" />
      </pattern>
    </defs>
    <rect :x="gauge.left" :y="gauge.top" :width="gauge.right - gauge.left" :height="gauge.bottom - gauge.top" class="gauge" />
    <rect :x="gauge.left" :y="gauge.top" :width="x(0.5) - gauge.left" :height="gauge.bottom - gauge.top" class="stop" />
    <text :x="(gauge.left + x(0.5)) / 2 + 8" :y="gauge.top + 26" text-anchor="middle" class="small">stop</text>
    <rect :x="x(relief)" :y="gauge.top" :width="gauge.right - x(relief)" :height="gauge.bottom - gauge.top" fill="url(#over)" />
    <g class="ticks">
      <line v-for="at in minor" :key="`m${at}`" :x1="x(at)" :x2="x(at)" :y1="gauge.top" :y2="gauge.top + 6" />
      <line v-for="at in minor" :key="`n${at}`" :x1="x(at)" :x2="x(at)" :y1="gauge.bottom - 6" :y2="gauge.bottom" />
      <text
        v-for="at in ticks.slice(1).filter((each) => x(each) < gauge.right - 12)"
        :key="at"
        :x="x(at)"
        :y="gauge.top + 26"
        text-anchor="middle"
        class="figure"
      >
        {{ unit === 'bar' ? at : Math.round(convert(at, 'bar', unit)) }}
      </text>
    </g>
    <line :x1="x(relief)" :x2="x(relief)" :y1="gauge.top - 26" :y2="gauge.bottom + 26" class="wall" />
    <text :x="Math.min(x(relief) + 6, width - 130)" :y="gauge.top - 12" class="label stopped">relief lifts, {{ pressure(relief, unit) }}</text>
    <g v-for="each in rows" :key="String(each.above)">
      <text :x="gauge.left" :y="each.above ? gauge.top - 10 : gauge.bottom + 22" class="label strong">Filled to {{ pressure(each.fill.fill, unit) }}</text>
      <line
        :x1="each.cold"
        :x2="Math.max(each.hot - 9, each.cold)"
        :y1="each.above ? gauge.top - 9 : gauge.bottom + 12"
        :y2="each.above ? gauge.top - 9 : gauge.bottom + 12"
        class="climb"
      />
      <path :d="`M${each.hot} ${each.above ? gauge.top - 9 : gauge.bottom + 12}l-11 -6v12z`" class="head" />
      <g v-for="tank in each.vessels" :key="String(tank.hot)">
        <path
          :d="
            each.above
              ? `M${tank.at} ${topOf(true) + tall}V${gauge.top - 24}L${tank.from} ${gauge.top - 16}V${gauge.top}`
              : `M${tank.at} ${topOf(false)}V${gauge.bottom + 30}L${tank.from} ${gauge.bottom + 22}V${gauge.bottom}`
          "
          class="stem"
        />
        <clipPath :id="`in-${each.above}-${tank.hot}`">
          <rect :x="tank.at - wide / 2" :y="topOf(each.above)" :width="wide" :height="tall" rx="26" />
        </clipPath>
        <g :clip-path="`url(#in-${each.above}-${tank.hot})`">
          <rect :x="tank.at - wide / 2" :y="topOf(each.above)" :width="wide" :height="tall" class="gas" />
          <rect
            v-if="share(tank.gas) < 0.995"
            :x="tank.at - wide / 2"
            :y="topOf(each.above) + tall * share(tank.gas)"
            :width="wide"
            :height="tall"
            :class="tank.hot ? 'water hot' : 'water cold'"
          />
        </g>
        <rect :x="tank.at - wide / 2" :y="topOf(each.above)" :width="wide" :height="tall" rx="26" class="shell" />
        <text
          v-if="share(tank.gas) > 0.28"
          :x="tank.at"
          :y="topOf(each.above) + Math.min(tall * share(tank.gas) * 0.5, 44) + 5"
          text-anchor="middle"
          class="figure"
        >
          {{ tank.gas.toFixed(1) }} l
        </text>
        <text
          v-if="share(tank.gas) > 0.45"
          :x="tank.at"
          :y="topOf(each.above) + Math.min(tall * share(tank.gas) * 0.5, 44) + 22"
          text-anchor="middle"
          class="small"
        >
          gas
        </text>
        <text
          v-if="share(tank.gas) < 0.82"
          :x="tank.at"
          :y="topOf(each.above) + tall * (1 + share(tank.gas)) * 0.5 + 5"
          text-anchor="middle"
          class="figure wet"
        >
          {{ (vessel - tank.gas).toFixed(1) }} l
        </text>
        <text :x="tank.at" :y="each.above ? topOf(true) - 10 : topOf(false) + tall + 24" text-anchor="middle" class="label">
          <tspan class="figure">{{ pressure(tank.hot ? each.fill.hot : each.fill.fill, unit) }}</tspan>
          {{ tank.hot ? 'hot' : 'cold' }}
        </text>
      </g>
    </g>
    <g v-if="third && third.fill.hot < two.hot - 0.04">
      <line :x1="x(third.fill.hot)" :x2="x(third.fill.hot)" :y1="gauge.bottom - 10" :y2="gauge.bottom + 34" class="better" />
      <circle :cx="x(third.fill.hot)" :cy="gauge.bottom + 36" r="5" class="better-dot" />
      <text :x="x(third.fill.hot) - 10" :y="gauge.bottom + 46" text-anchor="end" class="label better-text">
        {{ pressure(third.fill.hot, unit) }} if pumped to {{ pressure(third.charge, unit) }}
      </text>
    </g>
    <g v-if="seen" class="seen">
      <line :x1="x(seen.cold)" :x2="x(seen.hot)" :y1="gauge.bottom - 15" :y2="gauge.bottom - 15" />
      <circle :cx="x(seen.cold)" :cy="gauge.bottom - 15" r="7" class="open" />
      <circle :cx="x(seen.hot)" :cy="gauge.bottom - 15" r="7" />
    </g>
  </svg>
  <p v-if="seen" class="legend dim">On the gauge itself: <span class="ring" /> what you saw cold, <span class="dot" /> and hot.</p>
</template>

<style scoped>
.picture {
  width: 100%;
  height: auto;
  max-height: 60vh;
}
.gauge {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2;
}
.stop {
  fill: var(--rule);
}
.hatch {
  stroke: var(--stop);
  stroke-width: 3;
}
.ticks line {
  stroke: var(--ink);
}
.wall {
  stroke: var(--stop);
  stroke-width: 3;
}
text {
  font-family: var(--face);
  fill: var(--ink);
  font-size: 15px;
}
.figure {
  font-family: var(--mono);
  font-size: 16px;
  font-weight: 600;
}
.small {
  fill: var(--dim);
  font-size: 14px;
}
.strong {
  font-weight: 600;
}
.stopped {
  fill: var(--stop);
  font-weight: 600;
}
.climb {
  stroke: rgb(var(--v-theme-flow));
  stroke-width: 5;
}
.head {
  fill: rgb(var(--v-theme-flow));
}
.stem {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.gas {
  fill: color-mix(in srgb, var(--live) 12%, var(--sheet));
}
.shell {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}
.water.cold {
  fill: color-mix(in srgb, rgb(var(--v-theme-return)) 42%, var(--sheet));
}
.water.hot {
  fill: color-mix(in srgb, rgb(var(--v-theme-flow)) 45%, var(--sheet));
}
.better {
  stroke: var(--proven);
  stroke-width: 3;
}
.better-dot {
  fill: var(--proven);
}
.better-text {
  fill: var(--proven);
  font-weight: 600;
}
.seen line {
  stroke: var(--ink);
  stroke-width: 3;
  stroke-dasharray: 6 4;
}
.seen circle {
  fill: var(--ink);
  stroke: var(--sheet);
  stroke-width: 2;
}
.seen .open {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 3;
}
.legend {
  margin: 0;
}
.ring,
.dot {
  display: inline-block;
  width: 12px;
  height: 12px;
  border: 3px solid var(--ink);
  border-radius: 50%;
  vertical-align: -1px;
}
.dot {
  background: var(--ink);
}
</style>
