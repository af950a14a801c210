<script setup lang="ts">
import { formatNumber } from '@dewpoint/core/quantity'
import { computed } from 'vue'
import { bandOf } from './limitBand.ts'

/** Where a figure falls against what it is held to: the band drawn, with its ends in figures. */
const props = defineProps<{ low: number | null; high: number | null; value: number | null; ok: boolean }>()
const band = computed(() => bandOf(props.low, props.high, props.value))
</script>

<template>
  <span class="limit" aria-hidden="true">
    <span class="track" />
    <span class="box" :style="{ left: `${band.from}%`, width: `${band.to - band.from}%` }" />
    <span v-if="band.at !== null" class="at" :class="{ ok }" :style="{ left: `${band.at}%` }" />
    <span v-if="low !== null" class="end" :style="{ left: `${band.from}%` }">{{ formatNumber(low) }}</span>
    <span v-if="high !== null" class="end" :style="{ left: `${band.to}%` }">{{ formatNumber(high) }}</span>
  </span>
</template>

<style scoped>
.limit {
  position: relative;
  display: block;
  height: 44px;
}
.track {
  position: absolute;
  inset: 14px 0 auto;
  border-top: 1px solid var(--dim);
}
.box {
  position: absolute;
  top: 7px;
  height: 15px;
  border: 1px solid var(--proven);
  background: color-mix(in srgb, var(--proven) 20%, transparent);
}
.at {
  position: absolute;
  top: 0;
  width: 4px;
  height: 27px;
  margin-left: -2px;
  background: var(--stop);
}
.at.ok {
  background: var(--proven);
}
.end {
  position: absolute;
  top: 25px;
  transform: translateX(-50%);
  font-size: 0.8125rem;
  color: var(--dim);
  white-space: nowrap;
}
</style>
