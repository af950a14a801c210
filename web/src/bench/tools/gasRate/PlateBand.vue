<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { kilowatts } from './gasRateWords.ts'

/** The heat input on a line, with the plate and the band that is right. */
const { input, plate, band, basis } = defineProps<{ input: number; plate: number; band: [number, number]; basis: 'gross' | 'net' }>()
const [width, height] = [640, 96]
const x = computed(() => scaleLinear([Math.min(band[0] * 0.75, input * 0.92), Math.max(band[1] * 1.25, input * 1.08)], [16, width - 16]))
const ticks = computed(() => x.value.ticks(8))
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="`${kilowatts(input)} ${basis} against ${kilowatts(plate)} on the plate`" class="picture">
    <rect :x="x(band[0])" y="34" :width="x(band[1]) - x(band[0])" height="26" class="right" />
    <line x1="16" :x2="width - 16" y1="60" y2="60" class="axis" />
    <g v-for="one in ticks" :key="one">
      <line :x1="x(one)" :x2="x(one)" y1="60" y2="66" class="axis" />
      <text :x="x(one)" y="84" text-anchor="middle">{{ one }}</text>
    </g>
    <line :x1="x(plate)" :x2="x(plate)" y1="28" y2="60" class="plate" />
    <text :x="x(plate)" y="20" text-anchor="middle" class="label">plate</text>
    <path :d="`M${x(input)} 58l-9 -16h18z`" class="needle" />
  </svg>
</template>

<style scoped>
.picture {
  width: 100%;
  height: auto;
  margin-top: 12px;
}
.right {
  fill: color-mix(in srgb, var(--proven) 24%, transparent);
}
.axis {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.plate {
  stroke: var(--proven);
  stroke-width: 3;
}
.needle {
  fill: var(--copper);
}
text {
  font-family: var(--mono);
  font-size: 14px;
  fill: var(--dim);
}
.label {
  font-family: var(--face);
  font-size: 15px;
  fill: var(--proven);
  font-weight: 600;
}
</style>
