<script setup lang="ts">
import { whenOf } from '@dewpoint/core/pressure'
import { computed } from 'vue'
import { wallDay } from '../../../shared/times.ts'

/** The days above the courses: weekday and date, when the heating runs, what was let in. */
const { from, to, now, midnight, width, periods, topUps } = defineProps<{
  from: number
  to: number
  now: number
  midnight: string
  width: number
  periods: readonly (readonly [number, number])[]
  topUps: { at: number; to: number | null }[]
}>()
const x = (hours: number) => 22 + ((hours - from) / (to - from)) * (width - 26)
/** as many days as have room for their words */
const every = computed(() => Math.max(1, Math.ceil(34 / ((width - 26) / ((to - from) / 24)))))
const days = computed(() =>
  Array.from({ length: Math.floor((to - from) / 24) }, (_unused, index) => from + index * 24).map((at, index) => {
    const [weekday, date] = wallDay(whenOf(midnight, at + 12)).split(' ')
    return { at, weekday: weekday!.charAt(0), date: date!, named: index % every.value === 0, today: now >= at && now < at + 24 }
  }),
)
/** the month the first day is in, where it has room */
const months = computed(() => wallDay(whenOf(midnight, from + 12)).split(' ')[2]!)
const narrow = computed(() => (to - from) / 24 > 40)
</script>

<template>
  <svg :viewBox="`0 0 ${width} 74`" height="74" aria-hidden="true" class="axis">
    <text v-if="width > 500" x="0" y="14">{{ months }}</text>
    <template v-for="one in days" :key="one.at">
      <g v-if="one.named" :class="{ today: one.today }">
        <text :x="x(one.at + 12)" y="14" text-anchor="middle">{{ one.weekday }}</text>
        <text :x="x(one.at + 12)" y="31" text-anchor="middle" class="date">{{ one.date }}</text>
      </g>
      <template v-if="!narrow">
        <rect
          v-for="[begin, end] in periods"
          :key="begin"
          :x="x(one.at + begin)"
          y="40"
          :width="Math.max(x(one.at + end) - x(one.at + begin), 1)"
          height="9"
          :class="one.at + begin > now ? 'will' : 'on'"
        />
      </template>
    </template>
    <g v-for="one in topUps.filter(({ at }) => at >= from && at <= to)" :key="one.at" class="let-in">
      <path :d="`M${x(one.at)} 72v-15m-5 6l5 -6l5 6`" />
      <text :x="x(one.at) + 8" y="70">{{ one.to === null ? 'topped up' : `to ${one.to.toFixed(1)}` }}</text>
    </g>
  </svg>
</template>

<style scoped>
.axis {
  display: block;
  width: 100%;
}
text {
  font-family: var(--face);
  font-size: 14px;
  fill: var(--dim);
}
.date {
  font-family: var(--mono);
  font-size: 15px;
  fill: var(--ink);
}
.today text {
  fill: var(--copper);
  font-weight: 700;
}
.on {
  fill: rgb(var(--v-theme-flow));
}
.will {
  fill: none;
  stroke: rgb(var(--v-theme-flow));
}
.let-in path {
  fill: none;
  stroke: rgb(var(--v-theme-return));
  stroke-width: 2;
}
.let-in text {
  fill: rgb(var(--v-theme-return));
  font-weight: 600;
}
</style>
