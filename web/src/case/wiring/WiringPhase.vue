<script setup lang="ts">
import type { Payload } from '@dewpoint/core/casebook'
import {
  demandsOf,
  movedAs,
  moveOf,
  payloadOf,
  probeProblem,
  terminalWords,
  wiredWith,
  type NextProbe,
  type Probing,
  type ProbeSpec,
} from '@dewpoint/core/diagnosis'
import type { Circuit } from '@dewpoint/core/system'
import type { Asked, Move, Probe } from '@dewpoint/core/wiring'
import { schemesOf, unknownWiring } from '@dewpoint/trade'
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import SegmentSwitch from '../../shared/pieces/SegmentSwitch.vue'
import { foundTags, tagsOf } from '../../wiring/tags.ts'
import WiringBoard from '../../wiring/WiringBoard.vue'
import { reasoning } from '../../workers/reasoning.ts'
import { useCase } from '../caseStore.ts'
import JournalList from '../JournalList.vue'
import SuspectsStrip from '../suspects/SuspectsStrip.vue'
import ProbeReading from './ProbeReading.vue'

const store = useCase()
const scheme = computed(() => store.catalogue?.system.controls ?? null)
const ways = computed(() => (store.current ? schemesOf(store.current.appliance.system) : []))

const asked = ref<Asked>({ programmed: { heating: true, hotWater: true }, cold: {} })
const red = ref('')
const black = ref('')
const meter = ref<Probe>('tester')
const convention = ref('harmonised')
const full = ref(false)
const shownAs = ref<'healthy' | 'leader'>('healthy')
const circuit = ref<Circuit>('heating')
const expected = shallowRef<Probing | null>(null)
const nexts = shallowRef<NextProbe[] | null>(null)
const trouble = ref<string | null>(null)

const circuits = computed(() => Object.keys(scheme.value?.paths ?? {}) as Circuit[])
watch(
  scheme,
  (now) => {
    if (!now) return
    const told = store.live.flatMap((one) => (one.type === 'complaint' ? (store.catalogue?.complaints.filter(({ id }) => id === one.payload.what) ?? []) : []))
    const heard = told.some((one) => demandsOf(store.catalogue!, one.id).includes('hotWater'))
    circuit.value = heard && now.paths.hotWater ? 'hotWater' : (circuits.value[0] ?? 'heating')
    const unasked = told.some((one) => one.unasked)
    asked.value = { programmed: { heating: true, hotWater: true }, cold: unasked ? {} : { [circuit.value]: true } }
    const path = now.paths[circuit.value]!
    red.value = path.terminals.at(-1)!
    black.value = path.against
  },
  { immediate: true },
)

/** conductors moved for a test and not back yet: the journal says, so that the map shows it after a reload too */
const movedConductors = computed(() =>
  store.acts.flatMap(({ kind, value, note }) => (kind.names === 'conductor' && value ? [{ value, ...(note && { note }) }] : [])),
)
watch(
  // by what it says: any entry makes the list anew, and a pad that is being typed into must not go for that
  [scheme, () => movedConductors.value.map((one) => one.value).join(' ')],
  () => {
    const { moved: _before, ...rest } = asked.value
    const now = movedConductors.value.map(({ value }) => moveOf(value)).filter((one) => scheme.value?.conductors.some(({ id }) => id === one.conductor))
    asked.value = now.length > 0 ? { ...rest, moved: now } : rest
  },
  { immediate: true },
)

const tags = computed(() => (scheme.value ? tagsOf(scheme.value, convention.value, foundTags(store.live)) : { colours: {}, numbers: {} }))
/** faults of the leading suspect, as indices */
const leading = computed(() => {
  const faults = store.diagnosis?.suspects[0]?.key.split('+') ?? []
  return faults.map((id) => store.catalogue!.faults.findIndex((one) => one.id === id)).filter((index) => index >= 0)
})
const wiring = computed(() => wiredWith(store.catalogue!, shownAs.value === 'leader' ? leading.value : [], asked.value))
const spec = computed<ProbeSpec>(() => ({
  kind: asked.value.isolated ? 'continuity' : 'volts',
  over: red.value,
  under: black.value,
  meter: meter.value,
  asked: asked.value,
}))
const problem = computed(() => (scheme.value ? probeProblem(scheme.value, spec.value) : null))
/** what is proven of devices and conductors: good when every part of it is, bad when one is */
const known = computed(() => {
  const parts = store.diagnosis?.parts ?? []
  const ids = scheme.value ? [...scheme.value.devices.map((one) => one.id), ...scheme.value.conductors.map((one) => one.id)] : []
  return Object.fromEntries(
    ids.flatMap((id): [string, 'good' | 'bad'][] => {
      const own = parts.filter((one) => one.id === id || one.of === id)
      if (own.some((one) => one.state === 'bad')) return [[id, 'bad']]
      return own.length > 0 && own.every((one) => one.state === 'good') ? [[id, 'good']] : []
    }),
  )
})
const words = (terminal: string) => (scheme.value ? terminalWords(scheme.value, terminal) : terminal)

// a pad made for other terminals must not take what is typed now
watch(spec, () => (expected.value = null), { flush: 'sync' })

let round = 0
watch(
  [scheme, () => store.entries, spec],
  async () => {
    const mine = ++round
    if (!scheme.value || !store.current || problem.value) {
      expected.value = null
      return
    }
    try {
      const found = await reasoning.probing(store.current.appliance.system, store.controls, toRaw(store.entries), plain(spec.value), store.experience)
      if (mine === round) [expected.value, trouble.value] = [found, null]
    } catch (error) {
      if (mine === round) trouble.value = (error as Error).message
    }
  },
  { immediate: true },
)
let turn = 0
watch(
  [scheme, () => store.entries, () => store.order, circuit, asked],
  async () => {
    const mine = ++turn
    if (!scheme.value || !store.current || asked.value.isolated) {
      nexts.value = []
      return
    }
    const found = await reasoning
      .nextProbes(store.current.appliance.system, store.controls, toRaw(store.entries), circuit.value, store.order, plain(asked.value), store.experience)
      .catch(() => [])
    if (mine === turn) nexts.value = found
  },
  { immediate: true },
)
/** what is reactive does not cross into a worker */
function plain<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T
}

function record(payload: Payload<'reading'>) {
  store.answer({ ...payload, check: `probe.${spec.value.kind}`, ...payloadOf(spec.value) })
}
function take(one: NextProbe) {
  red.value = one.spec.over
  black.value = one.spec.under
}
function wire(id: string) {
  store.write('fact', { fact: 'controls', value: id })
}
function moved(conductor: string, move: Move | null) {
  const label = store.catalogue?.system.components.find((one) => one.id === conductor)?.label ?? conductor
  const act = store.catalogue?.actions.find((one) => one.names === 'conductor')
  if (!act) return
  for (const one of movedConductors.value) if (moveOf(one.value).conductor === conductor) store.write('action', { action: act.id, ...one, undone: true })
  if (move) store.write('action', { action: act.id, value: movedAs(move), note: `${label} to ${words(move.terminal)}` })
}
const orders = [
  { id: 'telling', label: 'Most informative' },
  { id: 'forward', label: 'From the programmer' },
  { id: 'backward', label: 'From the boiler back' },
] as const
const circuitWords = (one: Circuit) =>
  one === 'heating' ? (scheme.value?.paths.zone2 ? 'Zone 1' : 'Heating') : one === 'hotWater' ? 'Hot water' : `Zone ${one.slice(4)}`
</script>

<template>
  <div v-if="!scheme" class="choose">
    <h1>How is it wired?</h1>
    <p v-if="ways.length > 0">
      Until it is known, what calls the boiler counts as one contact after another. Say how it is wired and every terminal can be probed on a map. It can be
      changed later: it is an entry like any other.
    </p>
    <p v-else>No control scheme is known for this system. Trace it by its checks.</p>
    <ul class="choices">
      <li v-for="one in ways" :key="one.id">
        <button type="button" @click="wire(one.id)">
          <span
            ><strong>{{ one.label }}</strong
            ><br />{{ one.says }}</span
          >
        </button>
      </li>
    </ul>
  </div>
  <div v-else class="wiring">
    <section class="main" aria-labelledby="wiring-title">
      <div class="head">
        <div>
          <h1 id="wiring-title">{{ scheme.label }}</h1>
          <p class="dim">{{ scheme.says }}</p>
        </div>
        <v-btn variant="text" @click="wire(unknownWiring)">Wired differently</v-btn>
        <SegmentSwitch
          v-model="shownAs"
          label="Shown as"
          :choices="[
            { id: 'healthy', label: 'Healthy' },
            { id: 'leader', label: 'As the leading suspect' },
          ]"
        />
      </div>
      <WiringBoard
        v-model:asked="asked"
        v-model:red="red"
        v-model:black="black"
        v-model:meter="meter"
        v-model:convention="convention"
        v-model:full="full"
        :scheme="scheme"
        :wiring="wiring"
        :tags="tags"
        :next="nexts?.[0]?.spec.over ?? null"
        :known="known"
        @tag="(fact, value) => store.write('fact', { fact, value })"
        @moved="moved"
      >
        <template #reading>
          <ProbeReading tight :problem="problem ?? trouble" :expected="expected" :isolated="asked.isolated === true" :meter="meter" @record="record" />
        </template>
        <div class="trace">
          <div class="head">
            <SegmentSwitch v-model="store.order" label="Where to probe next" :choices="[...orders]" />
            <SegmentSwitch
              v-if="circuits.length > 1"
              v-model="circuit"
              label="Circuit traced"
              :choices="circuits.map((one) => ({ id: one, label: circuitWords(one) }))"
            />
          </div>
          <p v-if="nexts?.[0]" class="probe-next">
            <v-btn color="primary" variant="flat" @click="take(nexts[0])">Probe next: {{ words(nexts[0].spec.over) }}</v-btn>
            <span class="dim">against {{ words(nexts[0].spec.under) }}</span>
          </p>
          <p v-else-if="nexts" class="dim">Along this circuit no further voltage would tell much in this state.</p>
        </div>
      </WiringBoard>
    </section>
    <section v-if="!full" class="reading" aria-labelledby="probe-title">
      <h2 id="probe-title">{{ asked.isolated ? 'Continuity' : 'Volts' }}: {{ words(red) }} – {{ words(black) }}</h2>
      <ProbeReading :problem="problem ?? trouble" :expected="expected" :isolated="asked.isolated === true" :meter="meter" @record="record" />
    </section>
    <div class="aside">
      <SuspectsStrip />
      <JournalList />
    </div>
  </div>
</template>

<style scoped>
.choose {
  max-width: 44rem;
  margin: 28px auto;
  padding: 0 18px;
}
.choose .choices button {
  padding: 10px 0;
}
.wiring {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 328px;
}
.main {
  grid-column: 1 / 3;
  padding: 18px 22px;
  border-bottom: 1px solid var(--rule);
  display: grid;
  gap: 12px;
  min-width: 0;
}
.reading {
  padding: 18px 22px 60px;
  display: grid;
  gap: 10px;
  align-content: start;
  min-width: 0;
}
.aside {
  border-left: 1px solid var(--rule);
  padding: 22px 20px 60px;
  display: grid;
  gap: 22px;
  align-content: start;
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: start;
  gap: 8px 16px;
}
.main > .head > div:first-child {
  flex: 1 1 24rem;
}
h1 {
  font-size: 1.5rem;
}
h2 {
  font-size: 1.25rem;
}
p {
  margin: 0;
}
.trace {
  display: grid;
  gap: 8px;
}
.probe-next {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
}
.probe-next .v-btn {
  max-width: 100%;
}
@media (max-width: 760px) {
  .wiring {
    display: flex;
    flex-direction: column;
  }
  .main,
  .reading {
    padding: 14px;
  }
  .aside {
    border-left: 0;
    border-top: 1px solid var(--rule);
    padding: 16px 14px;
  }
}
</style>
