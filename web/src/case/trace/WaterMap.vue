<script setup lang="ts">
import type { UnitSymbol } from '@dewpoint/core/quantity'
import type { FigureAt } from '@dewpoint/core/diagnosis'
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import { inSentence } from '../../shared/words.ts'
import { reasoning } from '../../workers/reasoning.ts'
import { useCase } from '../caseStore.ts'
import SuspectLetter from '../suspects/SuspectLetter.vue'
import ProvedBy from './ProvedBy.vue'
import { pointsOf, waterMap } from './waterMap.ts'

/** Where the water goes in the demand being run, what is known of each thing on its way and by which entry, and what should be read at each point. */
const { demand } = defineProps<{ demand: 'hotWater' | 'heating' }>()
const store = useCase()
const map = computed(() => waterMap(store.diagnosis?.parts ?? []))
const points = computed(() => pointsOf(store.catalogue?.checks ?? [], demand))

const touched = ref<string | null>(null)
const touch = (id: string) => (touched.value = touched.value === id ? null : id)
/** a place of the drawing as a button: by finger, mouse and key */
const touchable = ({ id, x, y }: { id: string; x: number; y: number }) => ({
  class: 'touch',
  role: 'button',
  tabindex: 0,
  'aria-expanded': touched.value === id,
  transform: `translate(${x} ${y})`,
  onClick: () => touch(id),
  onKeydown(event: KeyboardEvent) {
    if (event.key !== 'Enter' && event.key !== ' ') return
    event.preventDefault()
    touch(id)
  },
})
const place = computed(() => map.value.places.find((one) => one.id === touched.value))
const point = computed(() => points.value.find((one) => one.id === touched.value))
/** figures of the other demand say nothing of this one; those with nothing asked hold in both */
const asked = computed(() =>
  (place.value?.checks ?? point.value?.checks ?? []).filter((id) => {
    const of = store.catalogue?.checks.find((one) => one.id === id)?.situation.demand
    return of === demand || of === 'none'
  }),
)

const figures = shallowRef<FigureAt[]>([])
const trouble = ref(false)
let round = 0
watch([() => asked.value.join(' '), () => store.entries], async ([ids], before) => {
  const mine = ++round
  if (before?.[0] !== ids) figures.value = []
  trouble.value = false
  if (!store.current || ids === '') return
  try {
    const found = await reasoning.figuresAt(store.current.appliance.system, store.controls, toRaw(store.entries), ids.split(' '), toRaw(store.experience))
    if (mine === round) figures.value = found
  } catch {
    if (mine === round) trouble.value = true
  }
})

/** so many digits tell something of what is only expected */
const told = (value: number, unit: UnitSymbol) => `${Math.abs(value) < 10 ? Number(value.toPrecision(2)) : Math.round(value)} ${unit}`
/** "73 to 85 °C" */
function soundWords({ sound }: FigureAt): string {
  if (!sound) return 'not read'
  const { low, high, unit } = sound
  if (low === null) return `up to ${told(high!, unit)}`
  return high === null ? `from ${told(low, unit)}` : `${told(low, unit).replace(` ${unit}`, '')} to ${told(high, unit)}`
}
const figureWords = ({ reading, notReached }: FigureAt['suspects'][number]) =>
  reading && notReached < 0.5 ? `about ${told(reading.typical, reading.unit)}` : 'not reached'
</script>

<template>
  <section v-if="map.places.length > 0" class="water" aria-labelledby="water-title">
    <h2 id="water-title" class="eyebrow">Water’s way</h2>
    <svg viewBox="-6 0 256 262" role="group" aria-labelledby="water-title">
      <g aria-hidden="true">
        <path v-for="one in map.branches" :key="one" :d="one" class="pipe" />
        <path :d="map.ways.heating" class="pipe" />
        <path :d="map.ways.hotWater" class="pipe" />
        <path :d="map.ways[demand]" class="lit" />
      </g>
      <g v-for="one in map.places" :key="one.id" v-bind="touchable(one)" :class="one.state" :aria-label="`${one.label}: ${one.says}`">
        <circle r="20" class="reach" />
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
      <g v-for="one in points" :key="one.id" v-bind="touchable(one)" class="point" :aria-label="`What to read at: ${inSentence(one.label)}`">
        <circle r="14" class="reach" />
        <path d="M0 -7L7 0L0 7L-7 0Z" class="clamp" />
      </g>
    </svg>
    <div v-if="place || point" class="told" aria-live="polite">
      <template v-if="place">
        <h3>{{ place.label }}</h3>
        <p>{{ place.says.charAt(0).toUpperCase() + place.says.slice(1) }}<template v-if="place.entries.length > 0">, by:</template></p>
        <ProvedBy :entries="place.entries" />
      </template>
      <h3 v-else>{{ point!.label }}, {{ demand === 'heating' ? 'heating called' : 'hot water called' }}</h3>
      <p v-if="trouble" role="alert">The figures to expect could not be worked out. Touch it again.</p>
      <p v-else-if="asked.length > figures.length" class="dim">Working out what to read…</p>
      <dl v-for="one in figures" :key="one.check">
        <dt>{{ one.label }}</dt>
        <dd class="sound">
          <span>sound</span> <strong class="mono">{{ soundWords(one) }}</strong>
        </dd>
        <dd v-for="(suspect, rank) in one.suspects" :key="suspect.suspect" class="with">
          <SuspectLetter :rank="rank" />
          <span
            >{{ suspect.label }}<br /><strong class="mono">{{ figureWords(suspect) }}</strong></span
          >
        </dd>
        <dd><v-btn variant="text" size="small" @click="store.choose(one.check)">Read it now</v-btn></dd>
      </dl>
    </div>
    <p v-else class="dim hint">Touch a part for what proves it, a diamond for what to read there.</p>
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
  pointer-events: none;
  font-size: 12px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
  stroke-linejoin: round;
}
.touch {
  cursor: pointer;
}
.touch[aria-expanded='true'] .reach {
  stroke: var(--ink);
  stroke-width: 2;
}
.reach {
  fill: transparent;
}
.clamp {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2;
}
.told {
  border-left: 3px solid var(--copper);
  padding-left: 12px;
  margin-top: 12px;
}
h3 {
  font-size: 1.0625rem;
  font-weight: 600;
  margin: 0;
}
.told p,
.hint {
  margin: 2px 0 0;
}
dl {
  margin: 10px 0 0;
}
dt {
  line-height: 1.25;
}
dd {
  margin: 4px 0 0;
  line-height: 1.3;
}
.sound {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.with {
  display: grid;
  grid-template-columns: 22px 1fr;
  gap: 8px;
  align-items: start;
}
.told .mono {
  font-size: 1rem;
  white-space: nowrap;
}
dd .v-btn {
  margin-left: -12px;
}
</style>
