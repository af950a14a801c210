<script setup lang="ts">
import type { OnSite } from '@dewpoint/core/diagnosis'
import { area, curveMonotoneX, line } from 'd3-shape'
import { computed } from 'vue'
import { inSentence } from '../../../shared/words.ts'

/** How long the visit is likely to take: the hill of it, the middle as a line, eight in ten visits shaded. */
const props = defineProps<{ visit: OnSite }>()
const width = 288
const height = 66
const end = computed(() => Math.max(120, Math.ceil((props.visit.high * 1.35) / 30) * 30))
const points = computed(() => props.visit.hill.filter((one) => one.minutes <= end.value))
const x = (minutes: number) => (minutes / end.value) * width
const top = computed(() => Math.max(...points.value.map((one) => one.share)))
const y = (share: number) => height - 6 - (share / top.value) * (height - 12)
const outline = computed(
  () =>
    line<(typeof points.value)[number]>(
      (one) => x(one.minutes),
      (one) => y(one.share),
    ).curve(curveMonotoneX)(points.value) ?? '',
)
const shaded = computed(
  () =>
    area<(typeof points.value)[number]>(
      (one) => x(one.minutes),
      height - 6,
      (one) => y(one.share),
    ).curve(curveMonotoneX)(points.value.filter((one) => one.minutes >= props.visit.low && one.minutes <= props.visit.high)) ?? '',
)
const ticks = computed(() => Array.from({ length: Math.floor(end.value / 30) }, (_unused, index) => (index + 1) * 30).filter((one) => one < end.value))
</script>

<template>
  <section class="on-site" aria-labelledby="on-site-title">
    <p class="head">
      <span id="on-site-title" class="eyebrow">On site</span>
      <span
        ><strong class="mono">{{ visit.typical }}</strong> min, {{ visit.low }} to {{ visit.high }}</span
      >
    </p>
    <svg
      :viewBox="`0 0 ${width} ${height + 14}`"
      role="img"
      :aria-label="`Half of such visits take ${visit.typical} minutes or less, eight in ten between ${visit.low} and ${visit.high}`"
    >
      <path :d="shaded" class="shade" />
      <path :d="outline" class="outline" />
      <path :d="`M0 ${height - 6}H${width}`" class="ground" />
      <path :d="`M${x(visit.typical)} 2V${height - 2}`" class="middle" />
      <text v-for="one in ticks" :key="one" :x="x(one)" :y="height + 11" text-anchor="middle">{{ one }}</text>
    </svg>
    <p v-if="visit.long" class="dim">About {{ visit.long.minutes }} min if it comes to this: {{ inSentence(visit.long.label) }}.</p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  margin: 0;
}
.head strong {
  font-size: 1.375rem;
  font-weight: 500;
}
svg {
  display: block;
  width: 100%;
}
.shade {
  fill: color-mix(in srgb, var(--copper) 32%, transparent);
}
.outline {
  fill: none;
  stroke: var(--copper);
  stroke-width: 1.6;
}
.ground {
  stroke: var(--dim);
}
.middle {
  stroke: var(--ink);
  stroke-width: 2.4;
}
text {
  font: 12px var(--mono);
  fill: var(--dim);
}
.on-site > .dim {
  margin: 4px 0 0;
  line-height: 1.3;
}
</style>
