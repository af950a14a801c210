<script setup lang="ts">
import type { Timeline } from '@dewpoint/core/plant'
import { signalIndex, signalNames } from '@dewpoint/core/system'
import type { ApexOptions } from 'apexcharts'
import { computed } from 'vue'
import Chart from 'vue3-apexcharts'
import { useTheme } from 'vuetify'
import { clock } from './runEvents.ts'
import { signalWords, type SignalGroup } from './signalGroups.ts'

const props = defineProps<{ group: SignalGroup; healthy: Timeline; faulty: Timeline | null; marks: number[]; at: number }>()
const emit = defineEmits<{ point: [seconds: number] }>()
const theme = useTheme()
const width = signalNames.length
/** points a line is drawn with */
const most = 450
const palette = ['primary', 'return', 'violet', 'moss', 'live', 'proven', 'dim'] as const

const colours = computed(() => palette.map((name) => String(theme.current.value.colors[name])))
const points = (timeline: Timeline, column: number) => {
  const stride = Math.max(1, Math.ceil(timeline.rows / most))
  const list: [number, number][] = []
  for (let row = 0; row < timeline.rows; row += stride) list.push([row * timeline.step, Number(timeline.values[row * width + column]!.toPrecision(5))])
  return list
}
/** round times on the axis */
const axis = computed(() => {
  const { rows, step } = props.faulty ?? props.healthy
  const total = (rows - 1) * step
  const every = [5, 10, 15, 30, 60, 120, 300, 600, 900, 1800, 3600, 7200, 10_800].find((one) => total / one <= 11) ?? 14_400
  const ticks = Math.max(1, Math.ceil(total / every))
  return { end: ticks * every, ticks }
})
const series = computed(() => [
  ...props.group.signals.map((name) => ({ name: signalWords(name), data: points(props.faulty ?? props.healthy, signalIndex[name]) })),
  ...(props.faulty ? props.group.signals.map((name) => ({ name: `${signalWords(name)}, healthy`, data: points(props.healthy, signalIndex[name]) })) : []),
])
const options = computed<ApexOptions>(() => {
  const { ink, dim, rule } = theme.current.value.colors as Record<string, string>
  const count = props.group.signals.length
  const own = props.group.signals.map((_name, index) => colours.value[index % colours.value.length]!)
  return {
    chart: {
      animations: { enabled: false },
      toolbar: { show: false },
      zoom: { enabled: true, type: 'x' },
      fontFamily: 'Barlow Semi Condensed, Arial Narrow, sans-serif',
      foreColor: dim,
      background: 'transparent',
      events: {
        click: (_event, _context, detail?: { dataPointIndex?: number }) => {
          const row = detail?.dataPointIndex ?? -1
          const point = row >= 0 ? series.value[0]?.data[row] : undefined
          if (point) emit('point', point[0])
        },
      },
    },
    theme: { mode: theme.current.value.dark ? 'dark' : 'light' },
    colors: props.faulty ? [...own, ...own] : own,
    stroke: {
      width: props.faulty ? [...own.map(() => 2.5), ...own.map(() => 1.5)] : 2.5,
      dashArray: props.faulty ? [...own.map(() => 0), ...own.map(() => 5)] : 0,
    },
    legend: { show: false },
    grid: { borderColor: rule, padding: { left: 4, right: 8, top: -12 } },
    xaxis: {
      type: 'numeric',
      min: 0,
      max: axis.value.end,
      tickAmount: axis.value.ticks,
      labels: { formatter: (value) => clock(Number(value)), style: { fontSize: '13px' } },
      axisBorder: { color: rule },
      axisTicks: { color: rule },
      tooltip: { enabled: false },
    },
    yaxis: {
      labels: { formatter: (value) => (Math.abs(value) >= 100 ? value.toFixed(0) : String(Number(value.toPrecision(3)))), style: { fontSize: '13px' } },
    },
    tooltip: {
      x: { formatter: (value) => clock(value) },
      y: { formatter: (value) => `${value} ${props.group.unit}` },
      enabledOnSeries: props.group.signals.map((_n, i) => i).slice(0, count),
    },
    annotations: {
      xaxis: [
        ...props.marks.map((x) => ({ x, borderColor: dim, strokeDashArray: 2, opacity: 0.5 })),
        { x: props.at, borderColor: ink, strokeDashArray: 0, borderWidth: 2, opacity: 1 },
      ],
    },
  }
})
</script>

<template>
  <div class="chart">
    <ul class="legend" aria-hidden="true">
      <li class="dim">{{ group.unit }}</li>
      <li v-for="(name, index) in group.signals" :key="name">
        <span class="line" :style="{ background: colours[index % colours.length] }" /> {{ signalWords(name) }}
      </li>
      <li v-if="faulty" class="dim"><span class="line dashed" /> healthy</li>
    </ul>
    <Chart
      type="line"
      height="260"
      :options="options"
      :series="series"
      role="img"
      :aria-label="`${group.label} over the run; the values stand in the table below`"
    />
  </div>
</template>

<style scoped>
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  list-style: none;
  padding: 0;
  margin: 6px 0 0;
}
.legend li {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
.line {
  width: 22px;
  height: 3px;
  border-radius: 2px;
}
.dashed {
  height: 0;
  border-top: 2px dashed currentcolor;
}
.chart {
  min-height: 294px;
}
</style>
