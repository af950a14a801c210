<script setup lang="ts">
import { computed } from 'vue'
import { useCase } from '../caseStore.ts'
import { waterMap } from './waterMap.ts'

/** Where the water goes in the demand being run, and what is known of each thing on its way. */
const { demand } = defineProps<{ demand: 'hotWater' | 'heating' }>()
const store = useCase()
const map = computed(() => waterMap(store.diagnosis?.parts ?? []))
const words = computed(() => map.value.places.map((one) => `${one.label}: ${one.says}`).join('; '))
</script>

<template>
  <section v-if="map.places.length > 0" class="water" aria-labelledby="water-title">
    <h2 id="water-title" class="eyebrow">Water’s way</h2>
    <svg viewBox="-6 0 256 262" role="img" :aria-label="words">
      <path v-for="one in map.branches" :key="one" :d="one" class="pipe" />
      <path :d="map.ways.heating" class="pipe" />
      <path :d="map.ways.hotWater" class="pipe" />
      <path :d="map.ways[demand]" class="lit" />
      <g v-for="one in map.places" :key="one.id" :class="one.state" :transform="`translate(${one.x} ${one.y})`">
        <title>{{ one.label }}: {{ one.says }}</title>
        <circle v-if="one.state !== 'bad'" r="9" class="sign" />
        <rect v-else x="-9" y="-9" width="18" height="18" rx="4" class="sign" />
        <path v-if="one.state === 'good'" d="M-4.2 .4l3 3L4.6 -3" class="cut" />
        <path v-else-if="one.state === 'bad'" d="M-4 0h8" class="cut" />
        <text
          :x="one.side === 'left' ? -14 : 0"
          :y="one.side === 'left' ? 4.5 : one.side === 'above' ? -15 : 23"
          :text-anchor="one.side === 'left' ? 'end' : 'middle'"
        >
          {{ one.label }}
        </text>
      </g>
    </svg>
  </section>
</template>

<style scoped>
.water {
  padding: 14px 10px 0;
}
svg {
  display: block;
  width: 100%;
  max-width: 300px;
  margin-top: 10px;
  overflow: visible;
}
.pipe,
.lit {
  fill: none;
  stroke: var(--rule);
  stroke-width: 4;
  stroke-linejoin: round;
}
.lit {
  stroke: var(--copper);
}
.sign {
  fill: var(--paper);
  stroke: var(--dim);
  stroke-width: 2;
}
.untested .sign {
  stroke-dasharray: 3 3;
}
.good .sign {
  fill: var(--proven);
  stroke: var(--proven);
}
.bad .sign {
  fill: var(--stop);
  stroke: var(--stop);
}
.cut {
  fill: none;
  stroke: var(--paper);
  stroke-width: 2.4;
  stroke-linecap: round;
  stroke-linejoin: round;
}
text {
  font-size: 12px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
  stroke-linejoin: round;
}
</style>
