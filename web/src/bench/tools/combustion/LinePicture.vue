<script setup lang="ts">
import { airRatioFromCarbonDioxide, carbonDioxide, flueOxygen, fuels, type GasId } from '@dewpoint/core/physics'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'

/** Where it burns on the line every complete combustion of this gas lies on, and where the model should. */
const { gas, dioxide, oxygen, setTo, within } = defineProps<{
  gas: GasId
  /** shares; null where neither was read */
  dioxide: number | null
  oxygen: number | null
  setTo: number | null
  within: number
}>()
const [width, height] = [640, 330]
const box = { left: 54, right: 22, top: 16, bottom: 42 }
const x = scaleLinear([0, 21], [box.left, width - box.right])
const most = computed(() => carbonDioxide(fuels[gas], 1) * 100)
const y = computed(() => scaleLinear([0, most.value * 1.12], [height - box.bottom, box.top]))
const at = (airRatio: number) => ({ x: x(flueOxygen(fuels[gas], airRatio) * 100), y: y.value(carbonDioxide(fuels[gas], airRatio) * 100) })
const end = computed(() => ({ from: at(1), to: { x: x(20.95), y: y.value(0) } }))
const ratios = computed(() => [1.2, 1.5, 2, 3].map((ratio) => ({ ratio, ...at(ratio) })))
const right = computed(() => {
  if (setTo === null) return null
  const [lean, rich] = [setTo - within, Math.min(setTo + within, most.value / 100)].map((share) =>
    at(Math.max(1, airRatioFromCarbonDioxide(fuels[gas], share))),
  )
  return { lean: lean!, rich: rich! }
})
const point = computed(() =>
  dioxide !== null && oxygen !== null ? { x: x(Math.min(oxygen * 100, 21)), y: y.value(Math.min(dioxide * 100, most.value * 1.1)) } : null,
)
const says = computed(() =>
  point.value
    ? `${(dioxide! * 100).toFixed(1)} % CO2 with ${(oxygen! * 100).toFixed(1)} % O2, on the line of complete combustion`
    : 'Line of complete combustion: the more oxygen is left, the less CO2',
)
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="says" class="picture">
    <path :d="`M${end.from.x} ${end.from.y}L${end.to.x} ${end.to.y}L${end.from.x} ${end.to.y}Z`" class="under" />
    <g class="grid">
      <line v-for="one in [0, 5, 10, 15, 20]" :key="`x${one}`" :x1="x(one)" :x2="x(one)" :y1="box.top" :y2="height - box.bottom" />
      <line
        v-for="one in [0, 2, 4, 6, 8, 10, 12, 14].filter((each) => each < most * 1.12)"
        :key="`y${one}`"
        :x1="box.left"
        :x2="width - box.right"
        :y1="y(one)"
        :y2="y(one)"
      />
      <text v-for="one in [0, 5, 10, 15, 20]" :key="`tx${one}`" :x="x(one)" :y="height - 22" text-anchor="middle">{{ one }}</text>
      <text v-for="one in [0, 4, 8, 12].filter((each) => each < most * 1.12)" :key="`ty${one}`" :x="box.left - 8" :y="y(one) + 5" text-anchor="end">
        {{ one }}
      </text>
    </g>
    <text :x="width - box.right" :y="height - 4" text-anchor="end" class="name">O2 %, dry</text>
    <text :x="6" :y="box.top + 4" class="name">CO2 %</text>
    <path :d="`M${end.from.x} ${end.from.y}L${end.to.x} ${end.to.y}`" class="line" />
    <path v-if="right" :d="`M${right.rich.x} ${right.rich.y}L${right.lean.x} ${right.lean.y}`" class="right" />
    <g v-for="one in ratios" :key="one.ratio">
      <circle :cx="one.x" :cy="one.y" r="3" class="mark" />
      <text v-if="!point || Math.hypot(point.x - one.x, point.y - one.y) > 34" :x="one.x + 8" :y="one.y - 6">
        {{ Math.round((one.ratio - 1) * 100) }} % air to spare
      </text>
    </g>
    <text v-if="right" :x="right.lean.x - 12" :y="right.lean.y + 22" text-anchor="end" class="name set">the model</text>
    <circle v-if="point" :cx="point.x" :cy="point.y" r="8" class="point" />
  </svg>
</template>

<style scoped>
.picture {
  width: 100%;
  height: auto;
  max-height: 44vh;
}
.under {
  fill: color-mix(in srgb, var(--live) 9%, transparent);
}
.grid line {
  stroke: var(--rule);
}
text {
  font-family: var(--mono);
  font-size: 12.5px;
  fill: var(--dim);
}
.name {
  font-family: var(--face);
  font-size: 15px;
}
.set {
  fill: var(--proven);
  font-weight: 600;
}
.line {
  stroke: var(--ink);
  stroke-width: 2.5;
}
.right {
  stroke: var(--proven);
  stroke-width: 12;
  stroke-linecap: round;
  opacity: 0.55;
}
.mark {
  fill: var(--ink);
}
.point {
  fill: var(--copper);
  stroke: var(--sheet);
  stroke-width: 3;
}
</style>
