<script setup lang="ts">
import type { ApexOptions } from 'apexcharts'
import { computed } from 'vue'
import Chart from 'vue3-apexcharts'
import { useTheme } from 'vuetify'
import type { PressurePoint } from './boilerHistory.ts'

/** What the gauge read over the years, cold and hot, and when it was filled to what. */
const props = defineProps<{ points: PressurePoint[] }>()
const theme = useTheme()
const of = (kind: PressurePoint['kind']) =>
  props.points.flatMap(({ at, bar, kind: own }): [number, number][] => (own === kind && bar !== null ? [[Date.parse(at), Number(bar.toFixed(2))]] : []))
const series = computed(() => [
  { name: 'cold', data: of('cold') },
  { name: 'hot', data: of('hot') },
  // filled to what was noted; where nobody noted it, at the foot
  { name: 'topped up', data: props.points.flatMap((one): [number, number][] => (one.kind === 'topUp' ? [[Date.parse(one.at), one.bar ?? 0]] : [])) },
])
const options = computed<ApexOptions>(() => {
  const { ink, dim, rule, primary, return: cool, stop = '#a0241c' } = theme.current.value.colors as Record<string, string>
  return {
    chart: {
      animations: { enabled: false },
      toolbar: { show: false },
      zoom: { enabled: false },
      fontFamily: 'Barlow Semi Condensed, Arial Narrow, sans-serif',
      foreColor: dim,
      background: 'transparent',
    },
    theme: { mode: theme.current.value.dark ? 'dark' : 'light' },
    colors: [ink!, primary!, cool!],
    stroke: { width: [2, 2, 0], dashArray: [0, 5, 0] },
    markers: { size: [5, 5, 7], shape: ['circle', 'circle', 'triangle'] },
    grid: { borderColor: rule },
    xaxis: { type: 'datetime' },
    yaxis: { min: 0, max: 4, tickAmount: 4, title: { text: 'bar' } },
    annotations: {
      yaxis: [
        {
          y: 3,
          borderColor: stop,
          strokeDashArray: 4,
          label: { text: 'relief valve lifts', position: 'left', textAnchor: 'start', style: { color: ink, background: 'transparent' } },
        },
      ],
    },
  }
})
</script>

<template>
  <div role="img" aria-label="Gauge readings and top-ups over time; in figures below">
    <Chart type="line" height="260" :options="options" :series="series" />
  </div>
</template>
