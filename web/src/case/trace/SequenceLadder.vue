<script setup lang="ts">
import { runOf } from '@dewpoint/core/diagnosis'
import type { Stage } from '@dewpoint/core/system'
import { computed, ref } from 'vue'
import SegmentSwitch from '../../shared/pieces/SegmentSwitch.vue'
import { useCase } from '../caseStore.ts'
import { entryWords } from '../checkWords.ts'
import ProvedBy from './ProvedBy.vue'

const demand = defineModel<'hotWater' | 'heating'>({ required: true })
const store = useCase()
const demands = computed(() =>
  (
    [
      { id: 'heating', label: 'Heating' },
      { id: 'hotWater', label: 'Hot water' },
    ] as const
  ).filter((one) => store.catalogue?.system.sequence[one.id]),
)
const opened = ref<string | null>(null)

const checkId = computed(() => (store.catalogue && runOf(store.catalogue, demand.value)?.id) ?? '')
const stages = computed(() => store.catalogue?.system.sequence[demand.value] ?? [])
/** what was read since the last repair: what was so before it tells nothing of the boiler as it runs now */
const since = computed(() => store.live.slice(store.live.findLastIndex((one) => one.type === 'repair') + 1))
/** how far it got, as last marked */
const marked = computed(() => since.value.findLast((one) => one.type === 'reading' && one.payload.check === checkId.value))
const stalledAt = computed(() => (marked.value?.type === 'reading' ? marked.value.payload.outcome : undefined))
const stalledIndex = computed(() => (stalledAt.value === 'complete' ? stages.value.length : stages.value.findIndex((one) => one.id === stalledAt.value)))
const stateOf = (index: number) =>
  stalledIndex.value < 0 ? 'unseen' : index < stalledIndex.value ? 'proved' : index === stalledIndex.value ? 'stalled' : 'notReached'
const stateWords = { unseen: 'not looked', proved: 'proved', stalled: 'stops here', notReached: 'not reached' }

/** readings that tell of a stage stand beside it */
const toldOf = (stage: string) =>
  since.value.filter((entry) => {
    if (entry.type !== 'reading') return false
    const check = store.catalogue?.checks.find((one) => one.id === entry.payload.check)
    return !check?.runsThrough && check?.concerns?.demand === demand.value && check.concerns.stage === stage
  })
/** what says so: the run that was marked, and every reading that tells of the stage */
const behind = (stage: Stage, index: number) => [
  ...(marked.value && (stateOf(index) === 'proved' || stateOf(index) === 'stalled') ? [marked.value.id] : []),
  ...toldOf(stage.id).map((one) => one.id),
]

const noteWords = (stage: Stage, index: number) =>
  toldOf(stage.id)
    .map((entry) => entryWords(store.catalogue!, entry).result)
    .join(', ') || (stateOf(index) === 'stalled' ? 'stops here' : stateOf(index) === 'notReached' ? 'not reached' : stage.sign)

function mark(outcome: string) {
  store.write('reading', { check: checkId.value, outcome, situation: { demand: demand.value } })
  opened.value = null
}
</script>

<template>
  <section class="ladder" aria-labelledby="ladder-title">
    <div class="head">
      <h2 id="ladder-title" class="eyebrow">Sequence</h2>
      <SegmentSwitch v-if="demands.length > 1" v-model="demand" label="Demand being run" :choices="demands" />
    </div>
    <p v-if="stalledIndex < 0" class="dim hint">Run it, and mark the first step that does not happen.</p>
    <ol>
      <li v-for="(stage, index) in stages" :key="stage.id" :class="stateOf(index)">
        <button
          type="button"
          class="stage"
          :aria-label="`${stage.label}, ${stateWords[stateOf(index)]}: ${noteWords(stage, index)}`"
          :aria-expanded="opened === stage.id"
          @click="opened = opened === stage.id ? null : stage.id"
        >
          <svg class="sign" viewBox="0 0 24 24" width="24" height="24" aria-hidden="true">
            <circle v-if="stateOf(index) === 'proved'" cx="12" cy="12" r="11" class="full" />
            <path v-if="stateOf(index) === 'proved'" d="M7 12.5l3.4 3.4L17 9" class="cut" />
            <rect v-else-if="stateOf(index) === 'stalled'" x="1" y="1" width="22" height="22" rx="6" class="bar" />
            <circle v-else cx="12" cy="12" r="10" class="ring" />
            <path v-if="stateOf(index) === 'stalled'" d="M7 12h10" class="cut" />
          </svg>
          <span class="words">
            <strong>{{ stage.label }}</strong>
            <span class="dim">{{ noteWords(stage, index) }}</span>
          </span>
        </button>
        <div v-if="opened === stage.id" class="act">
          <ProvedBy :entries="behind(stage, index)" />
          <v-btn @click="mark(stage.id)">It stops here</v-btn>
        </div>
      </li>
    </ol>
    <v-btn block variant="text" class="through" @click="mark('complete')">It runs right through</v-btn>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}
.hint {
  margin: 10px 0 0;
}
ol {
  list-style: none;
  padding: 0;
  margin: 10px 0 4px;
}
li {
  position: relative;
}
li:not(:last-child)::after {
  content: '';
  position: absolute;
  left: 21px;
  top: 38px;
  bottom: -8px;
  width: 2px;
  background: var(--rule);
}
li.proved::after {
  background: var(--proven) !important;
}
.stage {
  display: grid;
  grid-template-columns: 24px 1fr;
  gap: 12px;
  width: 100%;
  min-height: 52px;
  padding: 8px 10px;
  border: 0;
  border-radius: 10px;
  background: none;
  color: inherit;
  text-align: left;
  cursor: pointer;
}
.stage:hover {
  background: var(--sheet);
}
.stalled .stage {
  background: var(--wash);
}
.words {
  display: grid;
  line-height: 1.2;
}
.words strong {
  font-weight: 600;
}
.words .dim {
  font-size: 0.9375rem;
}
.stalled strong {
  color: var(--copper);
}
.notReached strong {
  color: var(--dim);
  font-weight: 400;
}
.sign {
  fill: none;
}
.full {
  fill: var(--proven);
}
.bar {
  fill: var(--copper);
}
.ring {
  stroke: var(--dim);
  stroke-width: 2;
  fill: var(--paper);
}
.notReached .ring {
  stroke-dasharray: 4 4;
}
.cut {
  stroke: var(--paper);
  stroke-width: 2.8;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.act {
  padding: 4px 10px 12px 46px;
}
.through {
  justify-content: flex-start;
}
</style>
