<script setup lang="ts">
import { probed, probeProblem, terminalWords, wiredWith, type ProbeSpec } from '@dewpoint/core/diagnosis'
import { spiceNetlist } from '@dewpoint/core/formats'
import type { Circuit } from '@dewpoint/core/system'
import type { Asked, Probe, Wiring } from '@dewpoint/core/wiring'
import { wiredCatalogues } from '@dewpoint/trade'
import { computed, ref, watch } from 'vue'
import { download } from '../shared/download.ts'
import { tagsOf } from '../wiring/tags.ts'
import PlainSelect from '../shared/pieces/PlainSelect.vue'
import WiringBoard from '../wiring/WiringBoard.vue'

// one catalogue a scheme: the first system it is met on
const all = wiredCatalogues().filter((one, index, list) => list.findIndex((other) => other.system.controls === one.system.controls) === index)
const chosen = ref(all.find((one) => one.system.controls!.id === 'two-valves')!.system.id)
const catalogue = computed(() => all.find((one) => one.system.id === chosen.value)!)
const scheme = computed(() => catalogue.value.system.controls!)

const asked = ref<Asked>({ programmed: { heating: true, hotWater: true }, cold: {} })
const red = ref('')
const black = ref('')
const meter = ref<Probe>('multimeter')
const convention = ref('harmonised')
const fault = ref<string | null>(null)
const found = ref<Record<string, string | number>>({})

watch(
  scheme,
  (now) => {
    const [circuit, path] = Object.entries(now.paths)[0] as [Circuit, { terminals: string[]; against: string }]
    asked.value = { programmed: { heating: true, hotWater: true }, cold: { [circuit]: true } }
    red.value = path.terminals.at(-1)!
    black.value = path.against
    fault.value = null
    found.value = {}
  },
  { immediate: true },
)

/** faults that touch the wiring */
const faults = computed(() => {
  const own = new Set(scheme.value.components.map((one) => one.id))
  return catalogue.value.faults
    .filter(({ patch }) => Object.keys(patch).some((key) => own.has(key.slice(0, key.indexOf('.')))))
    .map(({ id, label }) => ({ value: id, title: label }))
})
const tags = computed(() => tagsOf(scheme.value, convention.value, found.value))
const healthy = computed(() => wiredWith(catalogue.value, [], asked.value))
const faulty = computed(() =>
  fault.value ? wiredWith(catalogue.value, [catalogue.value.faults.findIndex((one) => one.id === fault.value)], asked.value) : null,
)
const spec = computed<ProbeSpec>(() => ({
  kind: asked.value.isolated ? 'continuity' : 'volts',
  over: red.value,
  under: black.value,
  meter: meter.value,
  asked: asked.value,
}))
const problem = computed(() => probeProblem(scheme.value, spec.value))
const floating = (wiring: Wiring) => wiring.net.island[wiring.net.node(red.value)] !== wiring.net.island[wiring.net.node(black.value)]
function reading(wiring: Wiring): string {
  const floats = floating(wiring)
  const value = probed(wiring, spec.value)
  if (spec.value.kind === 'continuity') return ['open', 'beeps', `about ${ohms(wiring)}`][value]!
  return `${Math.round(value)} V${floats ? ', floating' : ''}`
}
function ohms(wiring: Wiring): string {
  const value = wiring.ohms(red.value, black.value)
  return value < 1000 ? `${Math.round(value)} Ω` : `${(value / 1000).toFixed(1)} kΩ`
}
const ghost = computed(
  () => spec.value.kind === 'volts' && meter.value === 'multimeter' && [healthy.value, ...(faulty.value ? [faulty.value] : [])].some(floating),
)
const saveSpice = () => {
  const wiring = faulty.value ?? healthy.value
  const elements = wiring.net.present().filter((one) => one.kind !== 'capacitance')
  const { text } = spiceNetlist(`${scheme.value.label}, as set`, elements, 'supply._earth')
  download(`${scheme.value.id}.cir`, 'text/plain', `${text}\n.ac lin 1 50 50\n.end\n`)
}
</script>

<template>
  <main class="bench">
    <div class="head">
      <div>
        <p class="eyebrow">Bench</p>
        <h1>What should I read?</h1>
      </div>
      <PlainSelect v-model="chosen" :items="all.map(({ system }) => ({ value: system.id, title: system.controls!.label }))" label="Control scheme" />
      <v-autocomplete v-model="fault" :items="faults" label="With this wrong" placeholder="nothing" persistent-placeholder clearable hide-details />
    </div>
    <p class="dim">{{ scheme.says }}</p>
    <WiringBoard
      v-model:asked="asked"
      v-model:red="red"
      v-model:black="black"
      v-model:meter="meter"
      v-model:convention="convention"
      :scheme="scheme"
      :wiring="faulty ?? healthy"
      :tags="tags"
      :next="null"
      @tag="(fact, value) => (found = { ...found, [fact]: value })"
    >
      <section class="reading" aria-labelledby="reading-title" aria-live="polite">
        <h2 id="reading-title">{{ asked.isolated ? 'Continuity' : 'Volts' }}: {{ terminalWords(scheme, red) }} – {{ terminalWords(scheme, black) }}</h2>
        <p v-if="problem" role="alert">{{ problem }}</p>
        <dl v-else>
          <div>
            <dt>healthy</dt>
            <dd class="mono">{{ reading(healthy) }}</dd>
          </div>
          <div v-if="faulty">
            <dt>with the fault</dt>
            <dd class="mono">{{ reading(faulty) }}</dd>
          </div>
        </dl>
        <p v-if="ghost && !problem" class="dim">
          Nothing joins the two terminals. What a multimeter of 10 MΩ shows there is picked up from the cores beside it: a ghost. The low-impedance tester
          settles it.
        </p>
        <p v-if="asked.isolated" class="dim">
          Prove dead first: meter proved on a known source; live to neutral, live to earth, neutral to earth; meter proved again. Fuse out, isolator locked.
        </p>
      </section>
    </WiringBoard>
    <p><v-btn variant="text" @click="saveSpice">Save this state as a SPICE netlist</v-btn></p>
  </main>
</template>

<style scoped>
.bench {
  padding: 18px 22px 60px;
  display: grid;
  gap: 14px;
  min-width: 0;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 10px 18px;
}
.head > .plain-select,
.head > .v-input {
  flex: 1 1 260px;
  max-width: 420px;
}
h1 {
  font-size: 1.75rem;
}
h2 {
  font-size: 1.25rem;
}
p {
  margin: 0;
}
.reading {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 28px;
}
dl,
dl div {
  display: flex;
  align-items: baseline;
  gap: 10px;
  margin: 0;
}
dl {
  gap: 28px;
}
dt {
  color: var(--dim);
}
dd {
  margin: 0;
  font-size: 1.5rem;
}
@media (max-width: 760px) {
  .bench {
    padding: 14px;
  }
}
</style>
