<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'

/** Temperatures along the plate: the heating side from left to right, the main from right to left, and what lies between them. */
const { coldIn, hotOut, primaryIn, primaryOut, wrong } = defineProps<{
  coldIn: number | null
  hotOut: number | null
  primaryIn: number | null
  primaryOut: number | null
  wrong: boolean
}>()
const [width, height] = [640, 330]
const box = { left: 92, right: 92, top: 26, bottom: 40 }
const y = computed(() => {
  const all = [coldIn, hotOut, primaryIn, primaryOut].flatMap((one) => one ?? [])
  return scaleLinear([Math.min(0, ...all), Math.max(90, ...all) + 5], [height - box.bottom, box.top])
})
const ends = { left: box.left, right: width - box.right }
const bend = (from: number, to: number, sag: number) =>
  `M${ends.left} ${y.value(from)}Q${width / 2} ${(y.value(from) + y.value(to)) / 2 + sag} ${ends.right} ${y.value(to)}`
const hot = computed(() => (primaryIn !== null && primaryOut !== null ? bend(primaryIn, primaryOut, 14) : null))
const cold = computed(() => (hotOut !== null && coldIn !== null ? bend(hotOut, coldIn, 14) : null))
const between = computed(() =>
  hot.value && cold.value && !wrong
    ? `${hot.value}L${ends.right} ${y.value(coldIn!)}Q${width / 2} ${(y.value(hotOut!) + y.value(coldIn!)) / 2 + 14} ${ends.left} ${y.value(hotOut!)}Z`
    : null,
)
const ticks = computed(() => y.value.ticks(6))
const marks = computed(() =>
  [
    { value: primaryIn, at: ends.left, side: 'hot', end: 'left', label: 'in' },
    { value: primaryOut, at: ends.right, side: 'hot', end: 'right', label: 'out' },
    { value: hotOut, at: ends.left, side: 'cold', end: 'left', label: 'tap' },
    { value: coldIn, at: ends.right, side: 'cold', end: 'right', label: 'main' },
  ].flatMap((one) => (one.value === null ? [] : [{ ...one, value: one.value, y: y.value(one.value) }])),
)
/** labels at one end move apart where they would lie over each other */
const placed = computed(() =>
  marks.value.map((one) => {
    const other = marks.value.find((each) => each.end === one.end && each.side !== one.side)
    const gap = other ? other.y - one.y : 99
    return {
      ...one,
      text: one.y + (Math.abs(gap) < 24 ? (gap > 0 || (gap === 0 && one.side === 'hot') ? -(24 - Math.abs(gap)) / 2 : (24 - Math.abs(gap)) / 2) : 0),
    }
  }),
)
const says = computed(() => `Plate: ${marks.value.map((one) => `${one.label} ${Math.round(one.value)} °C`).join(', ') || 'nothing measured yet'}`)
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="says" class="picture">
    <g class="grid">
      <line v-for="one in ticks" :key="one" :x1="ends.left" :x2="ends.right" :y1="y(one)" :y2="y(one)" />
      <text v-for="one in ticks" :key="one" :x="width / 2" :y="y(one) - 3" text-anchor="middle">{{ one }}</text>
    </g>
    <rect :x="ends.left" :y="box.top" :width="ends.right - ends.left" :height="height - box.top - box.bottom" class="plate" />
    <path v-if="between" :d="between" class="between" />
    <path v-if="hot" :d="hot" class="hot" />
    <path v-if="cold" :d="cold" class="cold" />
    <g v-for="one in placed" :key="one.label" :class="one.side">
      <circle :cx="one.at" :cy="one.y" r="6" />
      <text :x="one.end === 'left' ? one.at - 14 : one.at + 14" :y="one.text + 6" :text-anchor="one.end === 'left' ? 'end' : 'start'" class="value">
        {{ one.end === 'left' ? `${one.label} ` : '' }}
        <tspan class="figure">{{ Math.round(one.value) }}°</tspan>
        {{ one.end === 'right' ? ` ${one.label}` : '' }}
      </text>
    </g>
    <text :x="ends.left" :y="height - 12" class="foot hot">heating side →</text>
    <text :x="ends.right" :y="height - 12" text-anchor="end" class="foot cold">← main to tap</text>
    <text v-if="marks.length === 0" :x="width / 2" :y="height / 2" text-anchor="middle" class="value">Clamps on the plate’s pipes, tap running</text>
  </svg>
</template>

<style scoped>
.picture {
  width: 100%;
  height: auto;
  max-height: 44vh;
}
.grid line {
  stroke: var(--rule);
}
text {
  font-family: var(--face);
  font-size: 15px;
  fill: var(--dim);
}
.grid text {
  font-family: var(--mono);
  font-size: 12px;
}
.plate {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.between {
  fill: color-mix(in srgb, rgb(var(--v-theme-flow)) 14%, transparent);
}
path.hot,
path.cold {
  fill: none;
  stroke-width: 4;
}
path.hot {
  stroke: rgb(var(--v-theme-flow));
}
path.cold {
  stroke: rgb(var(--v-theme-return));
}
.hot circle {
  fill: rgb(var(--v-theme-flow));
}
.cold circle {
  fill: rgb(var(--v-theme-return));
}
.value {
  fill: var(--ink);
  font-size: 16px;
}
.figure {
  font-family: var(--mono);
  font-weight: 600;
  font-size: 18px;
}
.foot.hot {
  fill: rgb(var(--v-theme-flow));
  font-weight: 600;
}
.foot.cold {
  fill: rgb(var(--v-theme-return));
  font-weight: 600;
}
</style>
