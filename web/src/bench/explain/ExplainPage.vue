<script setup lang="ts">
import { at, type Timeline } from '@dewpoint/core/plant'
import { catalogues } from '@dewpoint/trade'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import SegmentSwitch from '../../shared/pieces/SegmentSwitch.vue'
import { runPlant, type Running } from '../../workers/plant.ts'
import { inSentence } from '../../shared/words.ts'
import { tellAddress, watchAddress } from '../frame/address.ts'
import HousePicture from './HousePicture.vue'
import { outcomeOf, partOf, runFor, stepsAt, type Wish } from './explained.ts'

/** The boiler and what is wrong with it, for the customer's eyes: alive, and in plain words. */
const route = useRoute()
const router = useRouter()
watchAddress(router)
const asked = (name: string) => (typeof route.query[name] === 'string' ? route.query[name] : '')
const boiler = ref(catalogues[asked('boiler')] ? asked('boiler') : 'premix-combi')
const catalogue = computed(() => catalogues[boiler.value]!)
const fault = ref(asked('fault'))
const wishes = computed(() =>
  (['hotWater', 'heating'] as const).filter((one) => runFor(catalogue.value, one)).map((id) => ({ id, label: id === 'heating' ? 'The rooms' : 'Hot water' })),
)
const wish = ref<Wish>(asked('wish') === 'heating' ? 'heating' : 'hotWater')
const chosen = computed(() => catalogue.value.faults.find(({ id }) => id === fault.value))
const part = computed(() => (chosen.value ? partOf(catalogue.value, chosen.value) : null))
const faults = computed(() => [
  { value: '', title: 'nothing: all is well' },
  ...catalogue.value.faults.map(({ id, label }) => ({ value: id, title: label })).sort((one, other) => one.title.localeCompare(other.title)),
])
watch([boiler, fault, wish], () => {
  if (!wishes.value.some(({ id }) => id === wish.value)) wish.value = wishes.value[0]!.id
  void tellAddress(router, { boiler: boiler.value, fault: fault.value || undefined, wish: wish.value })
})

const healthy = shallowRef<Timeline | null>(null)
const faulty = shallowRef<Timeline | null>(null)
const trouble = ref('')
let running: Running[] = []
let round = 0
async function run() {
  const mine = ++round
  running.forEach((one) => one.stop())
  healthy.value = faulty.value = null
  trouble.value = ''
  const template = runFor(catalogue.value, wish.value)
  if (!template) return
  const { id: _id, label: _label, ...script } = template
  const short = { ...script, seconds: Math.min(script.seconds, 900), every: 1 }
  const order = (list: Parameters<typeof runPlant>[0]['faults']) => runPlant({ system: catalogue.value.system, faults: list, script: short }, () => undefined)
  running = [order([]), ...(chosen.value ? [order([{ patch: chosen.value.patch, severity: 0.8 }])] : [])]
  try {
    const [sound, wrong] = await Promise.all(running.map((one) => one.result))
    if (mine !== round || !sound) return
    healthy.value = sound
    faulty.value = wrong ?? null
    moment.value = 0
    playing.value = !still
  } catch (error) {
    if (mine === round) trouble.value = (error as Error).message
  }
}
watch([boiler, chosen, wish], run, { immediate: true })

const timeline = computed(() => faulty.value ?? healthy.value)
const last = computed(() => (timeline.value ? Math.max(0, Math.floor(timeline.value.demandEnds / timeline.value.step) - 2) : 0))
/** somebody who wants no motion moves it by hand */
const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches
const moment = ref(0)
const playing = ref(false)
/** a minute of the boiler in five seconds */
const faster = 12
let before = 0
let frame = 0
function tick(now: number) {
  if (before > 0) moment.value = Math.min(moment.value + ((now - before) / 1000) * faster, last.value)
  before = now
  if (moment.value >= last.value) playing.value = false
  else if (playing.value) frame = requestAnimationFrame(tick)
}
watch(playing, (runs) => {
  before = 0
  cancelAnimationFrame(frame)
  if (runs) frame = requestAnimationFrame(tick)
})
onBeforeUnmount(() => {
  round++
  cancelAnimationFrame(frame)
  running.forEach((one) => one.stop())
})
function play() {
  if (moment.value >= last.value) moment.value = 0
  playing.value = !playing.value
}
const row = computed(() => Math.round(moment.value))
const value = (signal: Parameters<typeof at>[2]) => (timeline.value ? at(timeline.value, Math.min(row.value, timeline.value.rows - 1), signal) : 0)
const steps = computed(() => (timeline.value ? stepsAt(catalogue.value, timeline.value, wish.value, row.value) : []))
const stored = computed(() => ['cylinder', 'store'].includes(catalogue.value.system.layout.hotWater))
const outcome = computed(() => (healthy.value && faulty.value ? outcomeOf(catalogue.value, healthy.value, faulty.value, wish.value) : ''))
const place = computed<'boiler' | 'water' | 'controls'>(() => {
  const id = chosen.value?.part ?? ''
  if (/stat|programm|Valve|Wire|transformer|receiver/i.test(id) && !/gasValve|overheat|thermistor/i.test(id)) return 'controls'
  return /radiator|pipework|system|mixer|shower|aerator|cylinder|bypass/i.test(id) ? 'water' : 'boiler'
})
const title = computed(() => {
  const goal = wish.value === 'heating' ? 'warms the rooms' : 'makes hot water'
  return chosen.value ? `Why your boiler no longer ${goal} as it should` : `How your boiler ${goal}`
})
const clock = computed(() => `${Math.floor(moment.value / 60)}:${String(Math.floor(moment.value % 60)).padStart(2, '0')}`)
</script>

<template>
  <teleport to="#bar-case">
    <div class="bar-title">
      <strong>Explain it</strong>
      <router-link v-if="asked('case')" :to="{ name: 'case', params: { id: asked('case') } }">Back to the case</router-link>
      <router-link v-else :to="{ name: 'bench' }">Bench</router-link>
    </div>
  </teleport>
  <main class="explain">
    <section class="shown" aria-labelledby="explain-title">
      <h1 id="explain-title">{{ title }}</h1>
      <p v-if="trouble" role="alert">{{ trouble }}</p>
      <p v-else-if="!timeline" class="dim" aria-live="polite">Running the boiler…</p>
      <template v-else>
        <HousePicture
          :wish="wish"
          :flame="value('flame') > 0.5"
          :flow="value('waterFlow') > 1"
          :hot="value('flowTemperature')"
          :warm="value('radiatorTemperature')"
          :tap="stored ? value('cylinderTemperature') : value('tapTemperature')"
          :stored="stored"
          :electric="catalogue.system.layout.burner === 'electric'"
          :broken="part?.label ?? ''"
          :house="place"
        />
        <div class="player">
          <v-btn color="primary" variant="flat" @click="play">{{ playing ? 'Pause' : moment >= last ? 'Show it again' : 'Play' }}</v-btn>
          <input
            v-model.number="moment"
            type="range"
            min="0"
            :max="last"
            step="1"
            aria-label="Moment"
            :aria-valuetext="`after ${clock}`"
            @input="playing = false"
          />
          <span class="mono">{{ clock }}</span>
        </div>
        <div v-if="part" class="wrong">
          <h2>{{ chosen!.label }}</h2>
          <p>
            <template v-if="part.is">{{ part.label }}: {{ inSentence(part.is) }}</template> {{ outcome }}
          </p>
        </div>
      </template>
    </section>
    <section class="steps" aria-labelledby="steps-title">
      <h2 id="steps-title">One thing after another</h2>
      <ol>
        <li v-for="one in steps" :key="one.id" :class="one.state">
          <span class="mark" aria-hidden="true" />
          <span>{{ one.says }}<span v-if="one.state === 'stuck'" class="visually-hidden"> Here it stops.</span></span>
        </li>
      </ol>
      <details class="choose">
        <summary>What is shown</summary>
        <SegmentSwitch v-model="wish" label="What is asked for" :choices="wishes" />
        <PlainSelect v-model="boiler" label="Boiler" :items="Object.keys(catalogues).map((id) => ({ value: id, title: catalogues[id]!.system.label }))" />
        <PlainSelect v-model="fault" label="With this wrong" :items="faults" />
      </details>
    </section>
  </main>
</template>

<style scoped>
.bar-title {
  display: flex;
  flex-direction: column;
  line-height: 1.25;
}
.bar-title strong {
  font-size: 1.0625rem;
  font-weight: 600;
}
.bar-title a {
  color: var(--dim);
}
.explain {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  gap: 0 34px;
  padding: 22px 28px 60px;
}
h1 {
  font-size: 2rem;
  margin-bottom: 12px;
}
h2 {
  font-size: 1.25rem;
}
.player {
  display: flex;
  align-items: center;
  gap: 16px;
  margin: 12px 0;
}
input[type='range'] {
  flex: 1;
  min-height: 48px;
  accent-color: var(--copper);
}
.wrong {
  margin-bottom: 22px;
  border-left: 5px solid var(--stop);
  padding-left: 16px;
  font-size: 1.1875rem;
  line-height: 1.4;
}
.wrong p {
  margin: 4px 0 0;
}
ol {
  list-style: none;
  margin: 12px 0 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 26px 1fr;
  gap: 12px;
  padding: 9px 0;
  font-size: 1.1875rem;
  line-height: 1.3;
  color: var(--dim);
}
.done {
  color: var(--ink);
}
.stuck {
  color: var(--stop);
  font-weight: 700;
}
.mark {
  width: 24px;
  height: 24px;
  border: 2.5px solid var(--dim);
  border-radius: 50%;
}
.done .mark {
  border-color: var(--proven);
  background: radial-gradient(var(--proven) 0 55%, transparent 56%);
}
.stuck .mark {
  border-color: var(--stop);
  border-radius: 4px;
  background: linear-gradient(var(--stop), var(--stop)) center / 12px 4px no-repeat;
}
.choose {
  margin-top: 18px;
  border-top: 1px solid var(--rule);
}
summary {
  min-height: 48px;
  display: flex;
  align-items: center;
  color: var(--copper);
  font-weight: 600;
  cursor: pointer;
}
.choose > * + * {
  margin-top: 14px;
}
@media (max-width: 1000px) {
  .explain {
    grid-template-columns: minmax(0, 1fr);
    padding: 16px 16px 60px;
  }
  h1 {
    font-size: 1.5rem;
  }
}
</style>
