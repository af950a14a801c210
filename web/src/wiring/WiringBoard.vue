<script setup lang="ts">
import type { Circuit, ControlScheme } from '@dewpoint/core/system'
import type { Asked, Move, Probe, Wiring } from '@dewpoint/core/wiring'
import { colourConventions, coreColours } from '@dewpoint/trade'
import { computed, ref, useTemplateRef, watch } from 'vue'
import ModalSheet from '../shared/pieces/ModalSheet.vue'
import PlainSelect from '../shared/pieces/PlainSelect.vue'
import SegmentSwitch from '../shared/pieces/SegmentSwitch.vue'
import type { Tags } from './tags.ts'
import WiringMap from './WiringMap.vue'

/** The map with what is asked of it, the two probes, and the conductor looked at. Shared by the case and the bench. */
const props = defineProps<{ scheme: ControlScheme; wiring: Wiring; tags: Tags; next: string | null; known?: Record<string, 'good' | 'bad'> }>()
const emit = defineEmits<{ tag: [fact: string, value: string | number]; moved: [conductor: string, move: Move | null] }>()
const asked = defineModel<Asked>('asked', { required: true })
const red = defineModel<string>('red', { required: true })
const black = defineModel<string>('black', { required: true })
const meter = defineModel<Probe>('meter', { required: true })
const convention = defineModel<string>('convention', { required: true })
/** the map over the whole screen */
const full = defineModel<boolean>('full', { default: false })

/** what the map shows, in the page or over the whole screen */
const drawn = computed(() => ({
  ...{ scheme: props.scheme, wiring: props.wiring, next: props.next, known: props.known },
  ...{ red: red.value, black: black.value, chosen: chosen.value },
  ...{ colours: props.tags.colours, numbers: props.tags.numbers },
}))
const look = (id: string) => (chosen.value = chosen.value === id ? null : id)

const placing = ref<'red' | 'black'>('red')
const map = useTemplateRef<{ closer(): void; further(): void; whole(): void; show(terminal: string): void }>('map')
const wordsOf = (terminal: string) => props.scheme.terminalWords[terminal.slice(terminal.indexOf('.') + 1)] ?? ''
const probes = computed(() => [
  { id: 'red' as const, label: 'Red on', on: red.value, words: wordsOf(red.value) },
  { id: 'black' as const, label: 'Black on', on: black.value, words: wordsOf(black.value) },
])
/** the probe in hand: where it is comes into sight, the next press on a terminal moves it */
function take(which: 'red' | 'black') {
  placing.value = which
  map.value?.show(which === 'red' ? red.value : black.value)
}
const chosen = ref<string | null>(null)
watch(
  () => props.scheme,
  () => (chosen.value = null),
)

const circuits = computed(() => [...new Set(props.scheme.devices.flatMap((one) => one.circuit ?? []))])
const statOf = (circuit: Circuit) => props.scheme.devices.find((one) => one.circuit === circuit)!.label
const timed = computed(() => {
  const programmer = props.scheme.devices.find((one) => one.id === 'programmer')
  return (['heating', 'hotWater'] as const).filter((circuit) => programmer && `${circuit}On` in programmer.terminals)
})
const terminals = computed(() =>
  props.scheme.devices.flatMap(({ id, label, terminals: own }) =>
    Object.keys(own).map((name) => ({
      value: `${id}.${name}`,
      title: `${props.tags.numbers[`${id}.${name}`]} · ${label} ${props.scheme.terminalWords[name] ?? name}`,
    })),
  ),
)
const cores = computed(() => props.scheme.conductors.map(({ id }) => ({ value: id, title: props.scheme.components.find((one) => one.id === id)?.label ?? id })))
const warning = computed(() => props.scheme.warnings?.find((one) => one.terminal === red.value || one.terminal === black.value)?.text)
const core = computed(() => props.scheme.conductors.find((one) => one.id === chosen.value))
const coreLabel = computed(() => props.scheme.components.find((one) => one.id === chosen.value)?.label)
const isMoved = computed(() => asked.value.moved?.find((one) => one.conductor === chosen.value))
const meters: { id: Probe; label: string }[] = [
  { id: 'multimeter', label: 'Multimeter' },
  { id: 'tester', label: 'Low-impedance tester' },
]

const ask = (change: Partial<Asked>) => (asked.value = { ...asked.value, ...change })
const programme = (circuit: 'heating' | 'hotWater') => ask({ programmed: { ...asked.value.programmed, [circuit]: !asked.value.programmed[circuit] } })
const chill = (circuit: Circuit) => ask({ cold: { ...asked.value.cold, [circuit]: !asked.value.cold[circuit] } })
function place(name: string) {
  if (placing.value === 'red') red.value = name
  else black.value = name
}
function move(end: 'from' | 'to', terminal: string) {
  if (!core.value) return
  const own = core.value[end] === terminal
  const { id } = core.value
  const others = (asked.value.moved ?? []).filter((one) => one.conductor !== id)
  const step: Move | null = own ? null : { conductor: id, end, terminal }
  const moved = step ? [...others, step] : others
  const { moved: _before, ...rest } = asked.value
  asked.value = moved.length > 0 ? { ...rest, moved } : rest
  emit('moved', id, step)
}
function renumber(terminal: string, text: string) {
  const number = Number(text)
  if (text.trim() !== '' && Number.isInteger(number) && number >= 0 && number < 1000) emit('tag', `number.${terminal}`, number)
}
</script>

<template>
  <div class="board">
    <div class="asks">
      <div role="group" aria-label="What is asked" class="toggles">
        <button v-for="circuit in timed" :key="`p${circuit}`" type="button" :aria-pressed="asked.programmed[circuit]" @click="programme(circuit)">
          {{ circuit === 'heating' ? 'Heating' : 'Hot water' }} on
        </button>
        <button v-for="circuit in circuits" :key="circuit" type="button" :aria-pressed="asked.cold[circuit] === true" @click="chill(circuit)">
          {{ statOf(circuit) }} calls
        </button>
        <button type="button" class="isolate" :aria-pressed="asked.isolated === true" @click="ask({ isolated: !asked.isolated })">Isolated</button>
      </div>
      <div class="right">
        <SegmentSwitch v-model="meter" label="Instrument" :choices="meters" />
        <v-btn height="44" @click="full = true">Map full screen</v-btn>
      </div>
    </div>

    <WiringMap v-if="!full" v-bind="drawn" @terminal="place" @conductor="look" />

    <ModalSheet v-model="full" label="full-title" whole>
      <div class="over">
        <div class="bar">
          <h2 id="full-title">{{ scheme.label }}</h2>
          <v-btn @click="full = false">Close</v-btn>
        </div>
        <div class="room">
          <WiringMap ref="map" free v-bind="drawn" @terminal="place" @conductor="look" />
          <div class="sizes" role="group" aria-label="Size of the map">
            <button type="button" aria-label="Larger" @click="map?.closer()">+</button>
            <button type="button" aria-label="Smaller" @click="map?.further()">−</button>
            <button type="button" aria-label="All of it" @click="map?.whole()">All</button>
          </div>
        </div>
        <div class="below">
          <div class="placing" role="group" aria-label="Probe a press on a terminal places">
            <button v-for="one in probes" :key="one.id" type="button" :class="one.id" :aria-pressed="placing === one.id" @click="take(one.id)">
              {{ one.label }} <strong class="mono">{{ tags.numbers[one.on] }}</strong> {{ one.words }}
            </button>
            <v-btn v-if="next && next !== red" color="primary" variant="flat" @click="red = next">Probe next: {{ tags.numbers[next] }}</v-btn>
          </div>
          <p v-if="core" class="dim">{{ coreLabel }}</p>
          <p v-if="warning" class="warning">
            <strong>{{ warning }}</strong>
          </p>
          <slot name="reading" />
        </div>
      </div>
    </ModalSheet>

    <slot />

    <div class="probes">
      <SegmentSwitch
        v-model="placing"
        label="Probe a press on a terminal places"
        :choices="[
          { id: 'red', label: 'Place red' },
          { id: 'black', label: 'Place black' },
        ]"
      />
      <PlainSelect v-model="red" :items="terminals" label="Red probe on" />
      <PlainSelect v-model="black" :items="terminals" label="Black probe on" />
      <PlainSelect
        :model-value="chosen ?? ''"
        :items="[{ value: '', title: 'none' }, ...cores]"
        label="Conductor looked at"
        @update:model-value="(id: string) => (chosen = id || null)"
      />
      <PlainSelect v-model="convention" :items="colourConventions.map(({ id, label }) => ({ value: id, title: label }))" label="Customary colours" />
    </div>
    <p v-if="warning" class="warning">
      <strong>{{ warning }}</strong>
    </p>
    <p v-if="wiring.blown.size > 0" class="warning" role="status"><strong>In this state a fuse blows: a short stands.</strong></p>

    <section v-if="core" class="core" aria-labelledby="core-title">
      <h2 id="core-title">{{ coreLabel }}</h2>
      <div class="fields">
        <PlainSelect
          :model-value="tags.colours[core.id]!"
          :items="coreColours.map(({ id, label }) => ({ value: id, title: label }))"
          label="Its colour, as found"
          @update:model-value="(colour: string) => emit('tag', `colour.${core!.id}`, colour)"
        />
        <v-text-field
          v-for="end in ['from', 'to'] as const"
          :key="`${core.id}${end}`"
          :model-value="tags.numbers[core[end]]"
          :label="`Number at its ${end === 'from' ? 'first' : 'second'} end, as found`"
          inputmode="numeric"
          hide-details
          @change="(event: Event) => renumber(core![end], (event.target as HTMLInputElement).value)"
        />
        <PlainSelect
          v-for="end in ['from', 'to'] as const"
          :key="`${core.id}${end}move`"
          :model-value="isMoved?.end === end ? isMoved.terminal : core[end]"
          :items="terminals"
          :label="`${end === 'from' ? 'First' : 'Second'} end, moved for a test to`"
          @update:model-value="(terminal: string) => move(end, terminal)"
        />
      </div>
      <p class="dim">Colours lie: identify it at both ends by its destination. Move a conductor only dead, and put it back.</p>
    </section>
    <p v-else class="dim">
      Press a conductor, or choose it above, to see where it goes, to write down its colour and numbers as found, or to move it for a test.
    </p>
  </div>
</template>

<style scoped>
.board {
  display: grid;
  gap: 14px;
}
.asks,
.right,
.toggles,
.probes,
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.asks {
  justify-content: space-between;
}
.probes > .plain-select,
.fields > .plain-select,
.fields > .v-input {
  flex: 1 1 210px;
}
.toggles button {
  min-height: 44px;
  padding: 0 14px;
  border: 1px solid var(--rule);
  border-radius: 10px;
  background: var(--sheet);
  color: var(--dim);
  cursor: pointer;
}
.toggles button[aria-pressed='true'] {
  border-color: var(--live);
  color: var(--ink);
  box-shadow: inset 0 -3px var(--live);
}
.toggles .isolate[aria-pressed='true'] {
  border-color: var(--proven);
  box-shadow: inset 0 -3px var(--proven);
}
.over {
  display: grid;
  grid-template-rows: auto minmax(200px, 1fr) auto;
  height: 100%;
}
.bar {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 8px 14px;
  border-bottom: 1px solid var(--rule);
}
.bar h2 {
  font-size: 1.125rem;
}
.room {
  position: relative;
  min-height: 0;
}
.sizes {
  position: absolute;
  right: 12px;
  bottom: 12px;
  display: grid;
  border: 1px solid var(--rule);
  border-radius: 10px;
  overflow: hidden;
}
.sizes button {
  width: 48px;
  height: 48px;
  border: 0;
  background: var(--sheet);
  color: var(--ink);
  font-size: 1.25rem;
  cursor: pointer;
}
.sizes button:last-child {
  font-size: 0.9375rem;
}
.below {
  max-height: 58dvh;
  overflow: auto;
  padding: 10px 14px 14px;
  border-top: 2px solid var(--copper);
  background: var(--paper);
  display: grid;
  gap: 8px;
}
.placing {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.placing button:not(.v-btn) {
  flex: 1 1 0;
  min-height: 48px;
  padding: 4px 12px;
  border: 1px solid var(--rule);
  border-radius: 10px;
  background: var(--sheet);
  color: var(--ink);
  text-align: left;
  cursor: pointer;
}
.placing .red[aria-pressed='true'] {
  box-shadow: inset 4px 0 var(--stop);
  border-color: var(--stop);
}
.placing .black[aria-pressed='true'] {
  box-shadow: inset 4px 0 var(--ink);
  border-color: var(--ink);
}
.warning {
  margin: 0;
  padding-left: 14px;
  border-left: 3px solid var(--live);
}
.warning strong {
  color: var(--live);
  font-weight: 600;
}
.core {
  display: grid;
  gap: 10px;
}
.core h2 {
  font-size: 1.125rem;
}
p {
  margin: 0;
}
</style>
