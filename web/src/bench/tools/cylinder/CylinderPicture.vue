<script setup lang="ts">
import type { CylinderAnswer } from '@dewpoint/core/bench'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'

/** The cylinder with its water, and beside it the pressure of a heat-up against the relief valve. */
const { answer, hot, reducedTo, relief, litres } = defineProps<{ answer: CylinderAnswer; hot: number; reducedTo: number; relief: number; litres: number }>()
const [width, height] = [640, 320]
const y = computed(() => scaleLinear([0, Math.max(relief * 1.25, Math.min(answer.hot * 1.08, relief * 2))], [height - 30, 16]).clamp(true))
const ticks = computed(() => y.value.ticks(6))
const left = 372
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${height}`"
    role="img"
    :aria-label="`${Math.round(litres)} l heated to ${Math.round(hot)} °C grow by ${answer.grows.toFixed(1)} l; the pressure goes from ${reducedTo.toFixed(1)} to ${answer.hot.toFixed(1)} bar, the relief lifts at ${relief.toFixed(1)} bar`"
    class="picture"
  >
    <path d="M70 64c0-46 150-46 150 0v196c0 40-150 40-150 0Z" class="tank" />
    <path d="M70 150h150v110c0 40-150 40-150 0Z" class="cold" />
    <path d="M70 64c0-46 150-46 150 0v86H70Z" class="hot" />
    <text x="145" y="110" text-anchor="middle" class="figure">{{ Math.round(hot) }}°</text>
    <text x="145" y="222" text-anchor="middle" class="figure">{{ Math.round(litres) }} l</text>
    <path d="M145 30v-18h104v46" class="pipe" />
    <path d="M232 58h34l-12 26h-10Z" class="tundish" />
    <path v-if="answer.room < 0" d="M249 92c-5 8-7 11-7 15a7 7 0 0 0 14 0c0-4-2-7-7-15Z" class="drop" />
    <text x="272" y="76">tundish</text>
    <text x="145" y="312" text-anchor="middle">
      grows by
      <tspan class="figure">{{ answer.grows.toFixed(1) }} l</tspan>
    </text>
    <line :x1="left" :x2="left" :y1="y(0)" y2="16" class="axis" />
    <g v-for="one in ticks" :key="one">
      <line :x1="left - 6" :x2="left" :y1="y(one)" :y2="y(one)" class="axis" />
      <text :x="left - 12" :y="y(one) + 5" text-anchor="end" class="tick">{{ one }}</text>
    </g>
    <text :x="left" :y="height - 8" text-anchor="middle">bar</text>
    <rect :x="left" y="16" width="180" :height="y(relief) - 16" class="over" />
    <line :x1="left" :x2="left + 180" :y1="y(relief)" :y2="y(relief)" class="wall" />
    <text :x="left + 8" :y="y(relief) - 8" class="stopped">relief lifts</text>
    <path :d="`M${left + 20} ${y(reducedTo)}L${left + 150} ${y(answer.hot)}`" class="climb" />
    <circle :cx="left + 20" :cy="y(reducedTo)" r="6" class="cold-dot" />
    <circle :cx="left + 150" :cy="y(answer.hot)" r="7" class="hot-dot" />
    <text :x="left + 34" :y="y(reducedTo) + 24">
      <tspan class="figure">{{ reducedTo.toFixed(1) }}</tspan>
      cold
    </text>
    <text :x="left + 166" :y="y(answer.hot) + (answer.room < 0 ? 24 : 6)">
      <tspan class="figure">{{ answer.hot.toFixed(1) }}</tspan>
      hot
    </text>
  </svg>
</template>

<style scoped>
.picture {
  width: 100%;
  height: auto;
  max-height: 44vh;
}
.tank {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
.cold {
  fill: color-mix(in srgb, rgb(var(--v-theme-return)) 30%, var(--sheet));
}
.hot {
  fill: color-mix(in srgb, rgb(var(--v-theme-flow)) 40%, var(--sheet));
}
.pipe,
.tundish {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}
.drop {
  fill: rgb(var(--v-theme-return));
}
text {
  font-family: var(--face);
  font-size: 15px;
  fill: var(--dim);
}
.figure {
  font-family: var(--mono);
  font-size: 17px;
  font-weight: 600;
  fill: var(--ink);
}
.tick {
  font-family: var(--mono);
  font-size: 13px;
}
.axis {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.over {
  fill: color-mix(in srgb, var(--stop) 12%, transparent);
}
.wall {
  stroke: var(--stop);
  stroke-width: 3;
}
.stopped {
  fill: var(--stop);
  font-weight: 600;
}
.climb {
  stroke: rgb(var(--v-theme-flow));
  stroke-width: 4;
}
.cold-dot {
  fill: rgb(var(--v-theme-return));
}
.hot-dot {
  fill: rgb(var(--v-theme-flow));
}
</style>
