<script setup lang="ts">
import type { WhileOpen } from '@dewpoint/core/diagnosis'
import { computed } from 'vue'
import { money } from '../../../shared/money.ts'
import { useCase } from '../../caseStore.ts'

/** Parts with a bad record that are in reach anyway: a later visit by its chance as a bar, doing it now as the line. */
const emit = defineEmits<{ add: [remedy: string] }>()
const store = useCase()
const lines = computed(() => store.diagnosis?.whileOpen ?? [])
const most = computed(() => Math.max(1, ...lines.value.flatMap((one) => [one.later, one.now])))
const proposed = (one: WhileOpen) => one.take && !store.ways.leavesBadRecords
</script>

<template>
  <section v-if="lines.length > 0" class="while" aria-labelledby="while-title">
    <p class="head"><span id="while-title" class="eyebrow">While it is open</span> <span class="dim">a later visit × its chance, against doing it now</span></p>
    <ul>
      <li v-for="one in lines" :key="one.remedy">
        <span class="what"
          ><strong>{{ one.label }}</strong> <span class="dim">{{ one.because }}</span></span
        >
        <span class="bar" aria-hidden="true"
          ><span class="fill" :class="{ take: one.take }" :style="{ width: `${(one.later / most) * 100}%` }" /><span
            class="line"
            :style="{ left: `${(one.now / most) * 100}%` }"
        /></span>
        <span class="mono sum">{{ money(one.later) }} {{ one.take ? '>' : '<' }} {{ money(one.now) }}</span>
        <v-btn v-if="proposed(one)" @click="emit('add', one.remedy)">Add to the job</v-btn>
        <v-btn v-else variant="text" @click="emit('add', one.remedy)">Add it anyway</v-btn>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.while {
  margin-top: 22px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 2px 12px;
  margin: 0 0 2px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 110px auto auto;
  gap: 12px;
  align-items: center;
  min-height: 56px;
  padding: 4px 0;
  border-top: 1px solid var(--rule);
}
.what {
  line-height: 1.25;
}
.what .dim {
  display: block;
  font-size: 0.9375rem;
}
.bar {
  position: relative;
  height: 8px;
}
.fill {
  display: block;
  height: 100%;
  border-radius: 4px;
  background: color-mix(in srgb, var(--copper) 40%, var(--rule));
}
.fill.take {
  background: var(--copper);
}
.line {
  position: absolute;
  top: -5px;
  width: 2px;
  height: 18px;
  background: var(--ink);
}
.sum {
  white-space: nowrap;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .bar {
    grid-column: 1 / -1;
  }
}
</style>
