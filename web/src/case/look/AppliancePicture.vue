<script setup lang="ts">
import { computed } from 'vue'
import { canvas, type Drawn, type Spot } from './picture.ts'

/** How a place stands: nobody looked, it is as it should be, or something is there. */
export type PlaceState = 'open' | 'fine' | 'something'

/** A section through house and wall with this appliance in it, and the places to look at as numbered rings. */
const props = defineProps<{ drawn: Drawn; spots: readonly Spot[]; states: Record<string, PlaceState>; chosen: string | null; telling: string | null }>()
const emit = defineEmits<{ choose: [place: string] }>()
const stateWords = { open: 'not looked at', fine: 'looked, fine', something: 'looked, something there' }
const middle = computed(() => (props.drawn.case.left + props.drawn.case.right) / 2)
const flueX = computed(() => middle.value)
const pipes = computed(() => [
  { x: 200, kind: 'flow' },
  { x: 218, kind: props.drawn.hotWater ? 'hot' : '' },
  { x: 240, kind: props.drawn.gas ? 'gas' : '' },
  { x: 284, kind: 'cold' },
  { x: 306, kind: 'return' },
])
const wall = { left: 404, right: 430 }
const floor = 624
</script>

<template>
  <svg class="picture" :viewBox="`0 0 ${canvas.width} ${canvas.height}`" role="group" aria-label="The appliance, with places to look at">
    <defs>
      <pattern id="brick" width="10" height="10" patternTransform="rotate(45)" patternUnits="userSpaceOnUse"><path d="M0 0V10" class="hatch" /></pattern>
    </defs>
    <g aria-hidden="true" class="house">
      <rect :x="wall.right" y="60" :width="canvas.width - wall.right" :height="floor - 60" class="sky" />
      <rect :x="wall.left" y="60" :width="wall.right - wall.left" :height="floor - 60" class="wall" />
      <text x="14" y="48" class="region">INSIDE</text>
      <text :x="wall.right + 14" y="48" class="region">OUTSIDE</text>
      <path :d="`M0 ${floor}H${canvas.width}`" class="ground" />

      <!-- pipes run behind the case -->
      <template v-for="pipe in pipes" :key="pipe.x">
        <path v-if="pipe.kind" :d="`M${pipe.x} ${drawn.case.bottom}V${floor}`" class="pipe" :class="pipe.kind" />
      </template>
      <path :d="`M200 606H100V590`" class="pipe flow" />
      <path :d="`M306 614H40V590`" class="pipe return" />

      <template v-if="drawn.flue">
        <path :d="`M${flueX} ${drawn.case.top}V122H486`" class="flue" />
        <path d="M486 106v32M494 112c6 4 10 -4 16 0M494 126c6 4 10 -4 16 0" class="line" />
      </template>

      <rect
        :x="drawn.case.left"
        :y="drawn.case.top"
        :width="drawn.case.right - drawn.case.left"
        :height="drawn.case.bottom - drawn.case.top"
        rx="8"
        class="box"
      />
      <path :d="`M${drawn.case.left} ${drawn.panel}H${drawn.case.right}`" class="line" />
      <g v-if="drawn.sightGlass">
        <circle :cx="middle" cy="252" r="17" class="glass" />
        <path :d="`M${middle - 5} 260c-4 -8 5 -8 5 -17c7 8 9 12 5 17z`" class="flame" />
      </g>
      <path v-else :d="`M${middle - 22} 300h8l4 -14l8 28l8 -28l4 14h12`" class="line" />
      <rect v-if="drawn.display" :x="drawn.case.left + 14" :y="drawn.panel + 16" width="74" height="34" rx="4" class="screen" />
      <text v-if="drawn.display" :x="drawn.case.left + 51" :y="drawn.panel + 39" text-anchor="middle" class="figures">–.–</text>
      <g v-if="drawn.knob">
        <circle :cx="drawn.case.left + 46" :cy="drawn.panel + 40" r="18" class="dial" />
        <path :d="`M${drawn.case.left + 46} ${drawn.panel + 40}l10 -10`" class="line thick" />
      </g>
      <circle :cx="drawn.case.left + 104" :cy="drawn.panel + 24" r="5" class="lamp" />
      <circle :cx="drawn.case.left + 104" :cy="drawn.panel + 42" r="5" class="lamp" />
      <circle :cx="drawn.case.right - 30" :cy="drawn.panel + 38" r="20" class="dial" />
      <path :d="`M${drawn.case.right - 30} ${drawn.panel + 38}l-12 5`" class="line thick" />
      <path
        v-for="share in drawn.drips"
        :key="share"
        :d="`M${drawn.case.left + (drawn.case.right - drawn.case.left) * share} ${drawn.case.bottom + 6}c-3 5 -3 8 0 8s3 -3 0 -8`"
        class="drop"
      />

      <g v-if="drawn.loop === 'hose'">
        <path d="M284 506h-14a12 18 0 0 0 36 0" class="hose" />
        <path d="M276 500v12M306 494v14" class="line thick" />
      </g>
      <g v-else>
        <circle cx="284" cy="506" r="8" class="dial" />
        <circle cx="306" cy="506" r="8" class="dial" />
        <path d="M292 506h6" class="line thick" />
      </g>
      <g v-if="drawn.gas">
        <rect x="232" y="528" width="16" height="18" rx="2" class="brass" />
        <path d="M240 528v-14" class="line thick" />
      </g>
      <g v-if="drawn.valves > 0">
        <rect x="188" y="470" width="24" height="16" rx="3" class="dial" />
        <rect v-if="drawn.valves > 1" x="294" y="452" width="24" height="16" rx="3" class="dial" />
      </g>
      <path v-if="drawn.relief" :d="`M${drawn.case.right - 12} ${drawn.case.bottom}V470H478v16h-16`" class="pipe copper" />
      <path v-if="drawn.condensate" :d="`M${middle + 8} ${drawn.case.bottom}V590H478v20`" class="pipe plastic" />
      <path v-if="drawn.condensate" d="M464 612h28l-4 12h-20z" class="line" />

      <g v-if="drawn.tap !== null" :transform="`translate(0 ${drawn.tap})`">
        <path d="M20 10h28v14M34 10v-10M26 0h16" class="line thick" />
        <path v-if="!drawn.cylinder" d="M14 40h58l-8 16H22z" class="line" />
      </g>
      <g v-if="drawn.cylinder">
        <rect x="20" y="346" width="84" height="150" rx="36" class="box" />
        <path d="M34 440c14 -10 14 10 28 0s14 10 28 0M34 456c14 -10 14 10 28 0s14 10 28 0" class="line" />
        <rect x="84" y="446" width="14" height="20" class="screen" />
      </g>
      <path v-if="drawn.tundish" d="M36 498v8h20v-8M40 510l6 8l6 -8" class="line" />
      <g>
        <rect x="18" y="560" width="104" height="46" class="box" />
        <path v-for="x in [32, 46, 60, 74, 88, 102]" :key="x" :d="`M${x} 566v34`" class="line faint" />
      </g>
      <g v-if="drawn.programmer">
        <rect x="18" y="96" width="46" height="40" rx="4" class="box" />
        <path d="M26 106h30M26 114h18" class="line" />
      </g>
      <g v-if="drawn.thermostats > 0">
        <rect x="18" y="174" width="46" height="40" rx="4" class="box" />
        <circle cx="41" cy="194" r="10" class="dial" />
      </g>
      <rect v-if="drawn.thermostats > 1" x="18" y="224" width="46" height="34" rx="4" class="box" />
    </g>

    <g
      v-for="spot in spots"
      :key="spot.place.id"
      class="spot"
      :class="[states[spot.place.id] ?? 'open', { chosen: chosen === spot.place.id, telling: telling === spot.place.id }]"
      role="button"
      tabindex="0"
      :aria-label="`${spot.number} ${spot.place.label}: ${stateWords[states[spot.place.id] ?? 'open']}`"
      :aria-pressed="chosen === spot.place.id"
      @click="emit('choose', spot.place.id)"
      @keydown.enter.prevent="emit('choose', spot.place.id)"
      @keydown.space.prevent="emit('choose', spot.place.id)"
    >
      <title>{{ spot.place.label }}</title>
      <path :d="`M${spot.ring[0]} ${spot.ring[1]}L${spot.at[0]} ${spot.at[1]}`" class="lead" aria-hidden="true" />
      <circle :cx="spot.at[0]" :cy="spot.at[1]" r="3" class="point" aria-hidden="true" />
      <!-- what a thumb finds -->
      <circle :cx="spot.ring[0]" :cy="spot.ring[1]" r="32" class="reach" aria-hidden="true" />
      <circle v-if="telling === spot.place.id" :cx="spot.ring[0]" :cy="spot.ring[1]" r="25" class="halo" aria-hidden="true" />
      <circle :cx="spot.ring[0]" :cy="spot.ring[1]" r="18" class="ring" aria-hidden="true" />
      <text :x="spot.ring[0]" :y="spot.ring[1] + 6" text-anchor="middle" class="number" aria-hidden="true">{{ spot.number }}</text>
      <g v-if="states[spot.place.id] === 'fine'" aria-hidden="true">
        <circle :cx="spot.ring[0] + 14" :cy="spot.ring[1] - 13" r="9" class="badge" />
        <path :d="`M${spot.ring[0] + 10} ${spot.ring[1] - 13}l3 4l6 -8`" class="tick" />
      </g>
    </g>
  </svg>
</template>

<style scoped>
.picture {
  display: block;
  width: 100%;
  max-height: calc(100vh - 190px);
  touch-action: manipulation;
}
.house * {
  stroke-linejoin: round;
  stroke-linecap: round;
}
.sky {
  fill: color-mix(in srgb, rgb(var(--v-theme-return)) 9%, transparent);
}
.wall {
  fill: url('#brick');
  stroke: var(--ink);
}
.hatch {
  stroke: color-mix(in srgb, var(--copper) 40%, var(--rule));
  stroke-width: 3;
}
.region {
  font-size: 13px;
  font-weight: 600;
  letter-spacing: 1.2px;
  fill: var(--dim);
}
.ground {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.box,
.dial {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.thick {
  stroke-width: 3;
}
.faint {
  stroke: var(--dim);
  stroke-width: 1;
}
.pipe {
  fill: none;
  stroke-width: 8;
  stroke: var(--dim);
}
.pipe.flow,
.pipe.hot {
  stroke: color-mix(in srgb, rgb(var(--v-theme-flow)) 62%, var(--sheet));
}
.pipe.cold,
.pipe.return {
  stroke: color-mix(in srgb, rgb(var(--v-theme-return)) 55%, var(--sheet));
}
.pipe.gas {
  stroke: color-mix(in srgb, var(--live) 55%, var(--sheet));
}
.pipe.copper {
  stroke: color-mix(in srgb, var(--copper) 62%, var(--sheet));
}
.pipe.plastic {
  stroke: color-mix(in srgb, var(--dim) 35%, var(--sheet));
}
.flue {
  fill: none;
  stroke: color-mix(in srgb, var(--dim) 45%, var(--sheet));
  stroke-width: 26;
  stroke-linejoin: miter;
}
.glass {
  fill: color-mix(in srgb, var(--ink) 82%, var(--copper));
  stroke: var(--ink);
}
.flame {
  fill: rgb(var(--v-theme-return));
}
.screen {
  fill: color-mix(in srgb, var(--ink) 88%, var(--proven));
}
.v-theme--dark .screen,
.v-theme--dark .glass {
  fill: #0b1011;
  stroke: var(--dim);
}
.figures {
  font: 15px var(--mono);
  fill: #cfe3cf;
}
.lamp {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}
.brass {
  fill: color-mix(in srgb, var(--live) 55%, var(--sheet));
  stroke: var(--ink);
}
.hose {
  fill: none;
  stroke: var(--dim);
  stroke-width: 7;
  stroke-dasharray: 3 2;
}
.drop {
  fill: rgb(var(--v-theme-return));
}
.spot {
  cursor: pointer;
  outline: none;
}
.lead {
  stroke: var(--dim);
  stroke-width: 1;
}
.point {
  fill: var(--dim);
}
.reach {
  fill: transparent;
}
.ring {
  fill: var(--paper);
  stroke: var(--dim);
  stroke-width: 1.8;
  stroke-dasharray: 4 4;
}
.number {
  font: 500 16px var(--mono);
  fill: var(--ink);
}
.fine .ring {
  stroke: var(--proven);
  stroke-width: 2.2;
  stroke-dasharray: none;
}
.fine .number {
  fill: var(--proven);
}
.badge {
  fill: var(--proven);
}
.tick {
  fill: none;
  stroke: var(--paper);
  stroke-width: 2.2;
}
.something .ring {
  fill: var(--copper);
  stroke: var(--copper);
  stroke-dasharray: none;
}
.something .number {
  fill: rgb(var(--v-theme-on-primary));
}
.halo {
  fill: color-mix(in srgb, var(--copper) 16%, transparent);
  stroke: var(--copper);
  stroke-width: 2;
}
.chosen .ring {
  stroke: var(--ink);
  stroke-width: 3;
}
.spot:focus-visible .ring {
  stroke: var(--copper);
  stroke-width: 4;
  stroke-dasharray: none;
}
</style>
