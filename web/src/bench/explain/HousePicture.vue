<script setup lang="ts">
import { computed } from 'vue'

/** A boiler and what hangs on it, for whoever lives with it: flame, water on its way, tap, radiators, and the part that has failed. */
const { wish, flame, flow, hot, warm, tap, stored, electric, broken, house } = defineProps<{
  wish: 'heating' | 'hotWater'
  flame: boolean
  /** water goes round */
  flow: boolean
  /** temperatures of the water leaving the boiler, of the radiators and at the tap, °C */
  hot: number
  warm: number
  tap: number
  /** hot water is kept in a store */
  stored: boolean
  electric: boolean
  /** name of the part that has failed, where there is one */
  broken: string
  /** where that is: inside the case, in the water round the house, or the controls on the wall */
  house: 'boiler' | 'water' | 'controls'
}>()
/** from cool over lukewarm to hot */
const share = (celsius: number) => Math.round(Math.min(Math.max((celsius - 15) / 50, 0), 1) * 200)
const colour = (celsius: number) => {
  const at = share(celsius)
  const [from, to] = at < 100 ? ['live', 'return'] : ['flow', 'live']
  return `color-mix(in srgb, rgb(var(--v-theme-${from})) ${at % 100 || (at === 200 ? 100 : 0)}%, rgb(var(--v-theme-${to})))`
}
const toHouse = 'M250 150V96H560V150M560 230V330H220V262'
const toStore = 'M250 150V96H420V200M420 290V330H220V262'
const ways = computed(() => {
  const all = [{ of: 'heating', way: toHouse }, ...(stored ? [{ of: 'hotWater', way: toStore }] : [])]
  return all.sort((one, other) => Number(one.of === wish) - Number(other.of === wish))
})
const says = computed(
  () =>
    `${flame ? (electric ? 'The elements heat' : 'The flame burns') : 'Nothing burns'}; the water ${flow ? 'goes round' : 'stands still'}; ${wish === 'heating' ? `the radiators are at ${Math.round(warm)} °C` : `the ${stored ? 'store' : 'tap'} is at ${Math.round(tap)} °C`}${broken ? `; ${broken} has failed` : ''}`,
)
</script>

<template>
  <svg viewBox="0 0 720 380" role="img" :aria-label="says" class="house">
    <path d="M20 372V120L360 14L700 120V372Z" class="wall" />
    <!-- the way that is used lies over the other -->
    <path
      v-for="one in ways"
      :key="one.of"
      :d="one.way"
      class="pipe"
      :class="{ goes: flow && wish === one.of }"
      :style="{ stroke: wish === one.of ? colour(hot) : undefined }"
    />
    <rect x="170" y="120" width="130" height="150" rx="10" class="case" />
    <g v-if="!electric" class="fire" :class="{ lit: flame }">
      <path d="M205 250c-14-16-4-30 3-44c6 8 8 14 8 22c6-8 8-20 5-32c18 14 30 30 24 54c14-6 16-18 12-30c12 14 10 30-2 38Z" />
    </g>
    <path v-else d="M200 245q8-18 16 0t16 0t16 0t16 0" class="element" :class="{ lit: flame }" />
    <path d="M190 160q10-12 20 0t20 0t20 0t20 0" class="coil" :style="{ stroke: colour(hot) }" />
    <text x="235" y="144" text-anchor="middle" class="figure">{{ Math.round(hot) }}°</text>
    <g>
      <rect x="500" y="150" width="130" height="80" rx="8" class="radiator" :style="{ fill: wish === 'heating' ? colour(warm) : undefined }" />
      <line v-for="at in 5" :key="at" :x1="500 + at * 21.6" :x2="500 + at * 21.6" y1="158" y2="222" class="fin" />
      <text x="565" y="252" text-anchor="middle">
        radiators
        <tspan class="figure">{{ Math.round(warm) }}°</tspan>
      </text>
    </g>
    <g v-if="stored">
      <rect x="385" y="200" width="70" height="90" rx="20" class="store" :style="{ fill: colour(tap) }" />
      <text x="420" y="250" text-anchor="middle" class="figure in">{{ Math.round(tap) }}°</text>
    </g>
    <g v-else>
      <path d="M250 290H420V268" class="tap-pipe" :class="{ goes: wish === 'hotWater' }" :style="{ stroke: wish === 'hotWater' ? colour(tap) : undefined }" />
      <path d="M250 290V270" class="tap-pipe" :style="{ stroke: wish === 'hotWater' ? colour(tap) : undefined }" />
    </g>
    <g v-if="!stored">
      <path d="M408 268h26v-12h18v24" class="tap" />
      <path v-if="wish === 'hotWater'" d="M452 282v36" class="stream" :style="{ stroke: colour(tap) }" />
      <path d="M424 322h56l-8 22h-40Z" class="basin" />
      <text x="492" y="312" class="figure">{{ Math.round(tap) }}°</text>
    </g>
    <rect x="70" y="180" width="46" height="46" rx="8" class="dial" />
    <circle cx="93" cy="203" r="12" class="dial" />
    <text x="93" y="246" text-anchor="middle">controls</text>
    <g v-if="broken" class="broken" :transform="house === 'boiler' ? 'translate(300 130)' : house === 'water' ? 'translate(470 96)' : 'translate(118 178)'">
      <circle r="15" />
      <path d="M-6 -6L6 6M6 -6L-6 6" />
    </g>
  </svg>
</template>

<style scoped>
.house {
  width: 100%;
  height: auto;
  max-height: 52vh;
}
.wall {
  fill: var(--sheet);
  stroke: var(--rule);
  stroke-width: 3;
}
.pipe,
.tap-pipe {
  fill: none;
  stroke: var(--rule);
  stroke-width: 9;
  stroke-linejoin: round;
}
.goes {
  stroke-dasharray: 16 7;
  animation: goes 0.7s linear infinite;
}
@keyframes goes {
  to {
    stroke-dashoffset: -23;
  }
}
.case {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 3;
}
.coil {
  fill: none;
  stroke-width: 6;
  stroke-linecap: round;
}
.fire {
  fill: none;
  stroke: var(--dim);
  stroke-width: 2;
  stroke-dasharray: 3 4;
}
.fire.lit {
  fill: var(--copper);
  stroke: none;
}
.element {
  fill: none;
  stroke: var(--dim);
  stroke-width: 5;
}
.element.lit {
  stroke: var(--copper);
}
.radiator {
  fill: var(--rule);
  stroke: var(--ink);
  stroke-width: 2.5;
}
.fin {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.store,
.dial,
.basin {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2.5;
}
.tap {
  fill: none;
  stroke: var(--ink);
  stroke-width: 6;
  stroke-linejoin: round;
}
.stream {
  stroke-width: 7;
  stroke-dasharray: 10 4;
  animation: goes 0.5s linear infinite;
}
text {
  font-family: var(--face);
  font-size: 17px;
  fill: var(--ink);
}
.figure {
  font-family: var(--mono);
  font-size: 20px;
  font-weight: 600;
}
.in {
  fill: #fff;
  paint-order: stroke;
  stroke: rgb(0 0 0 / 55%);
  stroke-width: 4px;
}
.broken circle {
  fill: var(--stop);
}
.broken path {
  stroke: var(--paper);
  stroke-width: 4;
  stroke-linecap: round;
}
</style>
