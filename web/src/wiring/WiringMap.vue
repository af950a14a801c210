<script setup lang="ts">
import type { ControlScheme, Device } from '@dewpoint/core/system'
import type { Wiring } from '@dewpoint/core/wiring'
import { coreColours } from '@dewpoint/trade'
import { computed, nextTick, onBeforeUnmount, ref, useTemplateRef, watch } from 'vue'
import { drawingOf } from '../workers/drawing.ts'
import { type FreeMap, freeMap } from './freeMap.ts'
import type { Point, SchemeLayout } from './layout.ts'
import { doing, litOf, switchesOf } from './state.ts'

/** A wiring scheme as it stands: what is live, which switch is made, where the probes are. */
const props = defineProps<{
  scheme: ControlScheme
  wiring: Wiring
  /** terminals the probes are on */
  red: string
  black: string
  /** terminal to probe next */
  next: string | null
  /** colour of each conductor, number of each terminal, as customary or as found */
  colours: Record<string, string>
  numbers: Record<string, number>
  /** conductor looked at */
  chosen: string | null
  /** devices and conductors proven good, or bad */
  known?: Record<string, 'good' | 'bad'>
  /** moved by finger and wheel in the room it is given, instead of scrolled */
  free?: boolean
}>()
const emit = defineEmits<{ terminal: [name: string]; conductor: [id: string] }>()

const layout = ref<SchemeLayout | null>(null)
const trouble = ref<string | null>(null)
watch(
  () => props.scheme,
  (scheme) => {
    layout.value = null
    drawingOf(scheme).then(
      (drawn) => {
        if (props.scheme === scheme) layout.value = drawn
      },
      (error: Error) => (trouble.value = error.message),
    )
  },
  { immediate: true },
)

const sheet = useTemplateRef<HTMLElement>('sheet')
const drawing = useTemplateRef<SVGSVGElement>('drawing')
let map: FreeMap | null = null
watch(
  [drawing, sheet, () => props.free],
  ([drawn, view, free]) => {
    map?.end()
    const at = layout.value?.terminals[props.red]
    map = free && drawn && view && at ? freeMap(drawn, view, layout.value!, at) : null
  },
  { flush: 'post' },
)
onBeforeUnmount(() => map?.end())
const show = (terminal: string) => layout.value && map?.show(layout.value.terminals[terminal]!)
defineExpose({ closer: () => map?.closer(), further: () => map?.further(), whole: () => map?.whole(), show })
/** where the map is wider than the screen the red probe is brought into sight */
watch([layout, () => props.red], async () => {
  await nextTick()
  const at = layout.value?.terminals[props.red]
  if (at && map) return map.show(at)
  const drawn = sheet.value?.querySelector('svg')
  if (!at || !sheet.value || !drawn) return
  const x = (at.x * drawn.clientWidth) / layout.value!.width
  if (x < sheet.value.scrollLeft + 40 || x > sheet.value.scrollLeft + sheet.value.clientWidth - 40) sheet.value.scrollLeft = x - sheet.value.clientWidth / 2
})

const lit = computed(() => litOf(props.scheme, props.wiring))
const path = (points: Point[]) => points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join(' ')
const drawnColour = (id: string) => coreColours.find((one) => one.id === props.colours[id])!
/** dead conductors first, so that live ones lie over them */
const ordered = computed(() => [...props.scheme.conductors].sort((a, b) => Number(lit.value[a.id] !== 'dead') - Number(lit.value[b.id] !== 'dead')))
const label = (id: string) => props.scheme.components.find((one) => one.id === id)?.label ?? id
const nameOf = (terminal: string) => props.scheme.terminalWords[terminal.slice(terminal.indexOf('.') + 1)] ?? terminal
const terminalsOf = (device: Device) => Object.keys(device.terminals).map((name) => `${device.id}.${name}`)
/** the middle of a conductor's drawing, where its mark stands */
const middleOf = (points: Point[]) => {
  let longest = { length: 0, x: 0, y: 0 }
  for (let index = 1; index < points.length; index++) {
    const [from, to] = [points[index - 1]!, points[index]!]
    const length = Math.abs(to.x - from.x) + Math.abs(to.y - from.y)
    if (length > longest.length) longest = { length, x: (to.x + from.x) / 2, y: (to.y + from.y) / 2 }
  }
  return `translate(${longest.x} ${longest.y})`
}
const warned = (terminal: string) => props.scheme.warnings?.find((one) => one.terminal === terminal)
const litWords = { mains: 'live', low: 'live, low voltage', dead: 'not live' }
</script>

<template>
  <p v-if="trouble" role="alert">The drawing failed: {{ trouble }} Probes can be placed by name below.</p>
  <p v-else-if="!layout" class="dim waiting" aria-live="polite">Drawing the wiring…</p>
  <div v-else ref="sheet" class="sheet" :class="{ free }" tabindex="0" role="region" :aria-label="free ? 'Wiring map' : 'Wiring map, scrolls'">
    <svg ref="drawing" :viewBox="`0 0 ${layout.width} ${layout.height}`" :width="layout.width" :height="layout.height" role="group" :aria-label="scheme.label">
      <g v-for="{ id } in ordered" :key="id" class="core" :class="[lit[id], { chosen: chosen === id }]" @click="emit('conductor', id)">
        <title>{{ label(id) }}, {{ drawnColour(id).label }}: {{ litWords[lit[id]!] }}</title>
        <path class="touch" :d="path(layout.conductors[id]!)" />
        <path class="glow" :d="path(layout.conductors[id]!)" />
        <path class="sleeve" :d="path(layout.conductors[id]!)" />
        <path class="edge" :d="path(layout.conductors[id]!)" />
        <path class="skin" :d="path(layout.conductors[id]!)" :stroke="drawnColour(id).drawn[0]" />
        <path v-if="drawnColour(id).drawn[1]" class="skin stripe" :d="path(layout.conductors[id]!)" :stroke="drawnColour(id).drawn[1]" />
      </g>
      <g
        v-for="{ id } in ordered.filter((one) => known?.[one.id])"
        :key="`known ${id}`"
        class="mark"
        :class="known![id]"
        :transform="middleOf(layout.conductors[id]!)"
      >
        <title>{{ label(id) }}: {{ known![id] === 'good' ? 'proven good' : 'bad' }}</title>
        <circle r="7" />
        <path :d="known![id] === 'good' ? 'M-3.2 .3l2.3 2.3L3.6 -2.4' : 'M-3.4 0h6.8'" />
      </g>
      <g v-for="device in scheme.devices" :key="device.id">
        <rect v-bind="layout.devices[device.id]" rx="8" class="box" />
        <text :x="layout.devices[device.id]!.x + 10" :y="layout.devices[device.id]!.y + 20" class="device">{{ device.label }}</text>
        <text :x="layout.devices[device.id]!.x + 10" :y="layout.devices[device.id]!.y + 37" class="doing">
          {{ doing(scheme, wiring, device) }}
        </text>
        <g
          v-if="known?.[device.id]"
          class="mark"
          :class="known[device.id]"
          :transform="`translate(${layout.devices[device.id]!.x + layout.devices[device.id]!.width - 14} ${layout.devices[device.id]!.y + 14})`"
        >
          <title>{{ device.label }}: {{ known[device.id] === 'good' ? 'proven good' : 'bad' }}</title>
          <circle r="8" />
          <path :d="known[device.id] === 'good' ? 'M-3.8 .3l2.7 2.7L4.2 -2.8' : 'M-4 0h8'" />
        </g>
        <path
          v-for="one in switchesOf(wiring, device)"
          :key="`${one.from} ${one.to}`"
          class="switch"
          :class="{ made: one.made }"
          :d="path([layout.terminals[one.from]!, layout.terminals[one.to]!])"
        />
        <g
          v-for="name in terminalsOf(device)"
          :key="name"
          class="terminal"
          :class="{ red: red === name, black: black === name, next: next === name }"
          role="button"
          tabindex="0"
          :aria-label="`Terminal ${numbers[name]}, ${device.label} ${nameOf(name)}${red === name ? ', red probe' : black === name ? ', black probe' : ''}${next === name ? ', probe next' : ''}${warned(name) ? `. ${warned(name)!.text}` : ''}`"
          @click="emit('terminal', name)"
          @focus="show(name)"
          @keydown.enter.prevent="emit('terminal', name)"
          @keydown.space.prevent="emit('terminal', name)"
        >
          <circle :cx="layout.terminals[name]!.x" :cy="layout.terminals[name]!.y" r="16" class="reach" />
          <circle :cx="layout.terminals[name]!.x" :cy="layout.terminals[name]!.y" r="10" class="screw" />
          <text :x="layout.terminals[name]!.x" :y="layout.terminals[name]!.y + 4" class="number">{{ numbers[name] }}</text>
          <text
            :x="layout.terminals[name]!.x + (layout.terminals[name]!.side === 'left' ? 15 : -15)"
            :y="layout.terminals[name]!.y + 4"
            class="name"
            :text-anchor="layout.terminals[name]!.side === 'left' ? 'start' : 'end'"
          >
            {{ nameOf(name) }}{{ warned(name) ? ' ⚠' : '' }}
          </text>
        </g>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.sheet {
  overflow: auto;
  background: var(--sheet);
  border: 1px solid var(--rule);
  border-radius: 14px;
  padding: 6px 10px 14px;
}
.sheet.free {
  position: relative;
  height: 100%;
  padding: 0;
  overflow: hidden;
  border: 0;
  border-radius: 0;
  touch-action: none;
}
.free svg {
  position: absolute;
  inset: 0 auto auto 0;
  width: auto;
  min-width: 0;
}
.waiting {
  min-height: 380px;
}
svg {
  display: block;
  min-width: 1060px;
  max-width: none;
  width: 100%;
  height: auto;
}
path {
  fill: none;
}
.core {
  cursor: pointer;
}
.mark circle {
  fill: var(--proven);
}
.mark.bad circle {
  fill: var(--stop);
}
.mark path {
  stroke: var(--sheet);
  stroke-width: 2;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.touch {
  stroke: transparent;
  stroke-width: 12;
}
.glow {
  stroke: transparent;
  stroke-width: 8;
  transition: stroke 0.15s;
}
.mains .glow {
  stroke: color-mix(in srgb, var(--live) 55%, transparent);
}
.low .glow {
  stroke: color-mix(in srgb, var(--live) 28%, transparent);
}
.sleeve {
  stroke: var(--sheet);
  stroke-width: 4.5;
}
.mains .sleeve,
.low .sleeve {
  stroke: transparent;
}
/* so that a white core shows on paper, and a black one on slate */
.edge {
  stroke: var(--dim);
  stroke-width: 3.6;
}
.skin {
  stroke-width: 2.4;
}
.dead .edge {
  opacity: 0.4;
}
.dead .skin {
  opacity: 0.55;
}
.stripe {
  stroke-dasharray: 7 7;
}
.core:hover .sleeve,
.chosen .sleeve {
  stroke: var(--ink);
}
.box {
  fill: var(--paper);
  stroke: var(--dim);
}
.device {
  font-weight: 600;
  font-size: 15px;
  fill: var(--ink);
}
.doing {
  font-size: 13.5px;
  fill: var(--dim);
}
.switch {
  stroke: var(--dim);
  stroke-width: 1.5;
  stroke-dasharray: 3 6;
  opacity: 0.7;
}
.switch.made {
  stroke: var(--proven);
  stroke-width: 2.5;
  stroke-dasharray: none;
  opacity: 1;
}
.terminal {
  cursor: pointer;
}
.reach {
  fill: transparent;
}
.screw {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.4;
}
.number {
  font:
    600 11px 'JetBrains Mono Variable',
    monospace;
  text-anchor: middle;
  fill: var(--ink);
}
.name {
  font-size: 13.5px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
.next .screw {
  stroke: var(--copper);
  stroke-width: 3.5;
}
.next .reach {
  stroke: var(--copper);
  stroke-width: 2;
  stroke-dasharray: 4 4;
}
.red .screw {
  fill: var(--stop);
  stroke: var(--stop);
}
.black .screw {
  fill: var(--ink);
  stroke: var(--ink);
}
.red .number,
.black .number {
  fill: var(--paper);
}
.terminal:focus-visible {
  outline: none;
}
.terminal:focus-visible .reach {
  stroke: var(--ink);
  stroke-width: 2.5;
}
@media (prefers-reduced-motion: reduce) {
  .glow {
    transition: none;
  }
}
</style>
