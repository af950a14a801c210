<script setup lang="ts">
import { demands, type BoilerSystem, type Demand } from '@dewpoint/core/system'
import { computed, ref } from 'vue'
import SegmentSwitch from '../shared/pieces/SegmentSwitch.vue'
import { wordsOf } from './dataWords.ts'

const props = defineProps<{ system: BoilerSystem }>()
const labels: Record<Demand, string> = { heating: 'Heating', hotWater: 'Hot water', keepWarm: 'Keep-warm', frost: 'Frost' }
const choices = computed(() => [...demands].reverse().flatMap((id) => (props.system.sequence[id] ? [{ id, label: labels[id] }] : [])))
const chosen = ref<Demand>('hotWater')
const demand = computed(() => (props.system.sequence[chosen.value] ? chosen.value : choices.value[0]!.id))
const stages = computed(() => props.system.sequence[demand.value] ?? [])
const words = computed(() => wordsOf(props.system))
const opened = ref<string | null>(null)
</script>

<template>
  <section class="sequence" aria-labelledby="sequence-title">
    <h2 id="sequence-title" class="eyebrow">Sequence of operation</h2>
    <SegmentSwitch :model-value="demand" label="Demand" :choices="choices" @update:model-value="(one: Demand) => (chosen = one)" />
    <ol>
      <li v-for="(stage, index) in stages" :key="stage.id" :class="{ outside: stage.external }">
        <button type="button" :aria-expanded="opened === stage.id" @click="opened = opened === stage.id ? null : stage.id">
          <span class="number mono">{{ index + 1 }}</span>
          <span class="words">
            <strong>{{ stage.label }}</strong>
            <span class="dim">{{ stage.sign }}</span>
          </span>
        </button>
        <dl v-if="opened === stage.id">
          <template v-if="words.action(stage.action).length > 0">
            <dt>Does</dt>
            <dd>{{ words.action(stage.action).join(', ') }}</dd>
          </template>
          <dt>Proof</dt>
          <dd>
            {{ stage.proof.map(words.condition).join(' and ') || 'time alone' }}<template v-if="stage.hold">, for {{ words.number(stage.hold) }} s</template>
          </dd>
          <template v-if="stage.limit">
            <dt>Within</dt>
            <dd>{{ words.number(stage.limit) }} s, or it {{ words.failure(stage.onFail, stages) }}</dd>
          </template>
          <template v-for="keep in stage.keeps ?? []" :key="JSON.stringify(keep)">
            <dt>Keeps</dt>
            <dd>{{ words.condition(keep.condition) }}; else {{ words.failure(keep.onFail, stages) }}</dd>
          </template>
          <dt>Shows</dt>
          <dd>“{{ system.statuses.find((one) => one.id === stage.shows)?.display ?? stage.shows }}”</dd>
        </dl>
      </li>
    </ol>
    <h2 class="eyebrow">What it can show</h2>
    <dl class="shows">
      <template v-for="one in [...system.codes, ...system.statuses]" :key="one.id">
        <dt class="mono">{{ one.display }}</dt>
        <dd class="dim">{{ one.label }}</dd>
      </template>
    </dl>
  </section>
</template>

<style scoped>
.sequence {
  padding: 18px 20px 30px;
}
.sequence > h2 {
  margin-bottom: 10px;
}
.sequence :deep(.switch button) {
  white-space: nowrap;
  padding: 0 8px;
  flex: 1 1 auto;
}
ol {
  list-style: none;
  padding: 0;
  margin: 12px 0 24px;
}
li {
  border-bottom: 1px solid var(--rule);
}
li button {
  display: flex;
  gap: 12px;
  width: 100%;
  min-height: 52px;
  align-items: center;
  text-align: left;
  border: 0;
  background: transparent;
  color: inherit;
  cursor: pointer;
  padding: 6px 0;
}
.number {
  flex: none;
  width: 28px;
  height: 28px;
  display: grid;
  place-items: center;
  border: 1.5px solid var(--ink);
  border-radius: 50%;
  font-size: 0.875rem;
}
.outside .number {
  border-style: dashed;
}
.words {
  display: grid;
  line-height: 1.25;
}
li dl {
  display: grid;
  grid-template-columns: 64px 1fr;
  gap: 4px 8px;
  margin: 0 0 12px 40px;
}
dt {
  color: var(--dim);
}
dd {
  margin: 0;
}
.shows {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 14px;
  font-size: 0.9375rem;
}
.shows dt {
  color: var(--ink);
}
</style>
