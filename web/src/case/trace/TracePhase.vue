<script setup lang="ts">
import { demandsOf } from '@dewpoint/core/diagnosis'
import { computed, ref, watch } from 'vue'
import { useKeys } from '../../shared/pieces/keys.ts'
import { useCase } from '../caseStore.ts'
import { entryWords } from '../checkWords.ts'
import JournalList from '../JournalList.vue'
import { verdictWords } from '../suspects/verdictWords.ts'
import NextCheckPanel from './NextCheckPanel.vue'
import SequenceLadder from './SequenceLadder.vue'
import SuspectsStrip from '../suspects/SuspectsStrip.vue'
import WaterMap from './WaterMap.vue'

const emit = defineEmits<{ verdict: [] }>()
const store = useCase()
const demand = ref<'hotWater' | 'heating'>('hotWater')

watch(
  () => store.current?.id,
  () => {
    const sequence = store.catalogue?.system.sequence
    const about = store.live.flatMap((one) => (one.type === 'complaint' && store.catalogue ? demandsOf(store.catalogue, one.payload.what) : []))
    const first = about[0] ?? 'hotWater'
    demand.value = sequence && !sequence[first] ? (first === 'heating' ? 'hotWater' : 'heating') : first
  },
  { immediate: true },
)

/** how far it got, in a line, where the ladder is out of sight */
const runs = computed(() => new Set(store.catalogue?.checks.filter((one) => one.runsThrough).map((one) => one.id)))
const far = computed(() => {
  const reading = store.live.findLast((one) => one.type === 'reading' && runs.value.has(one.payload.check))
  return reading && store.catalogue ? entryWords(store.catalogue, reading).result : 'not marked yet: run it and mark how far it gets'
})

useKeys({
  u: () => store.retract(),
  h: () => {
    const other = demand.value === 'hotWater' ? 'heating' : 'hotWater'
    if (store.catalogue?.system.sequence[other]) demand.value = other
  },
})
</script>

<template>
  <div class="trace">
    <a href="#sequence" class="to-ladder"><span class="eyebrow">Sequence</span> {{ far }}</a>
    <div id="sequence" class="left"><SequenceLadder v-model="demand" /><WaterMap :demand="demand" /></div>
    <div class="middle">
      <div v-if="store.workedOut && store.diagnosis?.verdict" class="verdict" role="status">
        <p>
          <span class="eyebrow">Found</span><br /><strong>{{ store.diagnosis.verdict.modes[0]?.label ?? store.diagnosis.verdict.label }}</strong>
          <span class="part dim">{{ store.diagnosis.verdict.label }}</span>
          <span class="sure">{{ verdictWords(store.diagnosis) }}</span>
        </p>
        <v-btn color="primary" variant="flat" @click="emit('verdict')">See evidence and repair</v-btn>
      </div>
      <NextCheckPanel />
    </div>
    <div class="right">
      <SuspectsStrip />
      <JournalList />
    </div>
  </div>
</template>

<style scoped>
.trace {
  display: grid;
  grid-template-columns: 272px minmax(0, 1fr) 328px;
  min-height: calc(100vh - 61px);
}
.left {
  border-right: 1px solid var(--rule);
  padding: 18px 14px 40px;
}
.middle {
  padding: 18px 22px 60px;
}
.right {
  border-left: 1px solid var(--rule);
  padding: 22px 20px 60px;
  display: grid;
  gap: 22px;
  align-content: start;
}
.to-ladder {
  display: none;
}
.verdict {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  background: var(--wash);
  border-radius: 14px;
  padding: 12px 18px;
  margin-bottom: 18px;
}
.verdict p {
  margin: 0;
}
.verdict .part {
  padding-left: 10px;
}
.verdict strong {
  font-size: 1.25rem;
  font-weight: 600;
}
.verdict .sure {
  display: block;
  font-size: 1.0625rem;
}
@media (max-width: 1180px) {
  .trace {
    grid-template-columns: minmax(0, 1fr) 320px;
  }
  .left {
    grid-column: 1;
    grid-row: 2;
    border-right: 0;
    border-top: 1px solid var(--rule);
  }
  .right {
    grid-row: 1 / 3;
    grid-column: 2;
  }
}
@media (max-width: 760px) {
  .trace {
    display: flex;
    flex-direction: column;
  }
  .to-ladder {
    display: block;
    margin: 12px 14px 0;
    padding: 12px 14px;
    border-radius: 10px;
    background: var(--wash);
    color: var(--copper);
    font-weight: 600;
    text-decoration: none;
  }
  .left {
    scroll-margin-top: 64px;
  }
  .middle {
    padding: 14px 14px 8px;
    order: 1;
  }
  .right {
    order: 2;
    border-left: 0;
    border-top: 1px solid var(--rule);
    padding: 16px 14px;
  }
  .left {
    order: 3;
    padding: 14px 10px 24px;
  }
}
@media (max-width: 760px) and (max-height: 520px) {
  .to-ladder {
    order: 1;
  }
  .middle {
    order: 0;
  }
}
</style>
