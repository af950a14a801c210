<script setup lang="ts">
import type { Circuit, ControlScheme } from '@dewpoint/core/system'
import type { Asked, Move, Probe, Wiring } from '@dewpoint/core/wiring'
import { colourConventions, coreColours } from '@dewpoint/trade'
import { computed, ref, watch } from 'vue'
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

const placing = ref<'red' | 'black'>('red')
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
      <SegmentSwitch v-model="meter" label="Instrument" :choices="meters" />
    </div>

    <WiringMap
      :scheme="scheme"
      :wiring="wiring"
      :red="red"
      :black="black"
      :next="next"
      :colours="tags.colours"
      :numbers="tags.numbers"
      :chosen="chosen"
      :known="known"
      @terminal="place"
      @conductor="(id) => (chosen = chosen === id ? null : id)"
    />

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
