<script setup lang="ts">
import type { ApexOptions } from 'apexcharts'
import { computed } from 'vue'
import Chart from 'vue3-apexcharts'
import { useTheme } from 'vuetify'
import type { PressurePoint } from './boilerHistory.ts'

/** What the gauge read over the years, cold and hot, with a line where water was let in. */
const props = defineProps<{ points: PressurePoint[] }>()
const theme = useTheme()
const of = (kind: PressurePoint['kind']) =>
  props.points.flatMap(({ at, bar, kind: own }): [number, number][] => (own === kind && bar !== null ? [[Date.parse(at), Number(bar.toFixed(2))]] : []))
const series = computed(() => [
  { name: 'cold', data: of('cold') },
  { name: 'hot', data: of('hot') },
])
const options = computed<ApexOptions>(() => {
  const { ink, dim, rule, primary, stop = '#a0241c' } = theme.current.value.colors as Record<string, string>
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
    colors: [ink!, primary!],
    stroke: { width: [2, 2], dashArray: [0, 5] },
    markers: { size: 5 },
    grid: { borderColor: rule },
    xaxis: { type: 'datetime' },
    yaxis: { min: 0, max: 4, tickAmount: 4, title: { text: 'bar' } },
    annotations: {
      xaxis: props.points
        .filter((one) => one.kind === 'topUp')
        .map((one) => ({
          x: Date.parse(one.at),
          borderColor: primary,
          strokeDashArray: 2,
          label: { text: 'topped up', style: { color: ink, background: 'transparent' } },
        })),
      yaxis: [{ y: 3, borderColor: stop, strokeDashArray: 4, label: { text: 'relief valve lifts', style: { color: ink, background: 'transparent' } } }],
    },
  }
})
</script>

<template>
  <div role="img" aria-label="Gauge readings and top-ups over time; in figures below">
    <Chart type="line" height="260" :options="options" :series="series" />
  </div>
</template>
