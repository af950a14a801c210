<script setup lang="ts">
import type { BenchToolId } from '@dewpoint/trade/bench'
import { computed } from 'vue'
import { lazyPart } from '../shared/missingPart.ts'

/** One tool of the bench. Another case or another tool is another page: nothing typed for one may end in the next. */
const { tool } = defineProps<{ tool: string }>()
const tools: Record<BenchToolId, ReturnType<typeof lazyPart>> = {
  thermistor: lazyPart(() => import('./tools/thermistor/ThermistorTool.vue')),
  fill: lazyPart(() => import('./tools/fill/FillTool.vue')),
  'pressure-watch': lazyPart(() => import('./tools/pressure/PressureWatch.vue')),
  'hot-water': lazyPart(() => import('./tools/hotWater/HotWaterTool.vue')),
  'gas-rate': lazyPart(() => import('./tools/gasRate/GasRateTool.vue')),
  combustion: lazyPart(() => import('./tools/combustion/CombustionTool.vue')),
  cylinder: lazyPart(() => import('./tools/cylinder/CylinderTool.vue')),
}
const shown = computed(() => tools[tool as BenchToolId])
</script>

<template>
  <component :is="shown" :key="`${tool} ${String($route.query.case ?? '')}`" />
</template>
