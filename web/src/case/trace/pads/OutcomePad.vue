<script setup lang="ts">
import type { Payload } from '@dewpoint/core/casebook'
import type { Check, NextCheck } from '@dewpoint/core/diagnosis'
import { computed, ref } from 'vue'
import { useKeys } from '../../../shared/pieces/keys.ts'
import { outcomeChoices } from '../../checkWords.ts'
import { colourOf, letterOf, percent } from '../../suspects/colours.ts'
import SuspectLetter from '../../suspects/SuspectLetter.vue'
import { useCase } from '../../caseStore.ts'
import { saidOf, stillSo } from './needs.ts'
import NeedsTicks from './NeedsTicks.vue'

const props = defineProps<{ check: Check; next: NextCheck }>()
const emit = defineEmits<{ record: [payload: Payload<'reading'>] }>()
const unsure = ref(false)
const store = useCase()
const said = ref(stillSo(store.live, store.acts))

/** from how many answers on those nobody expects stand behind a press */
const many = 5
const unlikely = 0.03
const all = ref(false)
const known = computed(() =>
  outcomeChoices(
    props.check,
    props.next.expected.some((one) => one.notReached > 0.1),
  ),
)
const expectedOnes = computed(() => known.value.filter((one) => props.next.expected.some((_suspect, index) => chanceOf(one.id, index) > unlikely)))
const choices = computed(() => (all.value || known.value.length <= many || expectedOnes.value.length === 0 ? known.value : expectedOnes.value))
const chanceOf = (outcome: string, index: number) => {
  const one = props.next.expected[index]!
  return outcome === 'notReached' ? one.notReached : (one.outcomes?.[outcome] ?? 0)
}

function record(outcome: string | undefined) {
  if (outcome === undefined) return
  emit('record', {
    check: props.check.id,
    outcome,
    sureness: unsure.value ? 'unsure' : 'sure',
    situation: { demand: props.check.situation.demand, ...saidOf(props.check, said.value) },
  })
}

useKeys(Object.fromEntries(Array.from({ length: 9 }, (_unused, index) => [String(index + 1), () => record(choices.value[index]?.id)])))
</script>

<template>
  <div class="pad">
    <p class="legend">
      <span v-for="(one, rank) in next.expected" :key="one.suspect"><SuspectLetter :rank="rank" /> {{ one.label }}</span>
    </p>
    <NeedsTicks v-model="said" :check="check" />
    <div v-for="(choice, index) in choices" :key="choice.id" class="row">
      <v-btn class="answer" :aria-keyshortcuts="String(index + 1)" @click="record(choice.id)"
        ><span>{{ choice.label }}</span> <kbd class="wide">{{ index + 1 }}</kbd></v-btn
      >
      <span
        class="bars"
        role="img"
        :aria-label="`Expected by: ${next.expected.map((one, rank) => `${one.label} ${percent(chanceOf(choice.id, rank))}`).join(', ')}`"
      >
        <span v-for="(one, rank) in next.expected" :key="one.suspect" class="bar"
          ><span class="mark">{{ letterOf(rank) }}</span
          ><span class="track"><span class="fill" :style="{ width: `${Math.max(chanceOf(choice.id, rank) * 100, 0.6)}%`, background: colourOf(rank) }" /></span
        ></span>
      </span>
    </div>
    <v-btn v-if="choices.length < known.length" variant="text" class="more" @click="all = true">Something else: {{ known.length - choices.length }} more</v-btn>
    <v-checkbox v-model="unsure" label="I am not sure of it" hide-details density="compact" />
  </div>
</template>

<style scoped>
.pad {
  background: var(--sheet);
  border: 1px solid var(--rule);
  border-radius: 14px;
  padding: 14px 20px 8px;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  margin: 0 0 10px;
  line-height: 1.3;
}
.row {
  display: grid;
  grid-template-columns: minmax(190px, 42%) 1fr;
  gap: 16px;
  align-items: center;
  padding: 5px 0;
}
.answer {
  justify-content: space-between;
  height: auto !important;
  min-height: 48px;
}
.answer :deep(.v-btn__content) {
  width: 100%;
  justify-content: space-between;
  white-space: normal;
  text-align: left;
  gap: 8px;
}
.bars {
  display: grid;
  gap: 1px;
}
.bar {
  display: grid;
  grid-template-columns: 14px 1fr;
  align-items: center;
  height: 11px;
}
.mark {
  font-size: 0.6875rem;
  line-height: 1;
  color: var(--dim);
}
.track {
  height: 8px;
  border-radius: 4px;
  background: color-mix(in srgb, var(--rule) 45%, transparent);
}
.fill {
  display: block;
  height: 100%;
  border-radius: 4px;
}
@media (max-width: 760px) {
  .pad {
    padding: 12px 12px 4px;
  }
  .row {
    grid-template-columns: minmax(150px, 52%) 1fr;
    gap: 10px;
  }
  .legend {
    flex-direction: column;
  }
  .wide {
    display: none;
  }
}
</style>
