<script setup lang="ts">
import { computed } from 'vue'
import { money } from '../../../shared/money.ts'
import { useCase } from '../../caseStore.ts'

/** The repair against a new appliance, as money a year of service. */
const store = useCase()
const sum = computed(() => store.diagnosis?.replacement ?? null)
const most = computed(() => Math.max(1, sum.value?.perYear.repair ?? 0, sum.value?.perYear.replacement ?? 0))
const rows = computed(() =>
  sum.value
    ? [
        { id: 'repair' as const, label: 'Repair', perYear: sum.value.perYear.repair },
        { id: 'replacement' as const, label: sum.value.label, perYear: sum.value.perYear.replacement },
      ]
    : [],
)
</script>

<template>
  <section v-if="sum" class="replace" aria-labelledby="replace-title">
    <p class="head">
      <span id="replace-title" class="eyebrow">Repair or replace</span>
      <span class="dim"
        >{{ sum.age === null ? 'age not known' : `${sum.age} years old` }}, about {{ sum.yearsLeft }} left; a new one {{ money(sum.money) }}, about
        {{ sum.years }}</span
      >
    </p>
    <p v-for="row in rows" :key="row.id" class="row">
      <strong>{{ row.label }}</strong>
      <span class="bar" aria-hidden="true"><span :class="row.id" :style="{ width: `${(row.perYear / most) * 100}%` }" /></span>
      <span
        ><strong class="mono">{{ money(row.perYear) }}</strong> a year of service</span
      >
    </p>
    <p class="dim">{{ sum.because }}: {{ sum.cheaper === 'repair' ? 'the repair comes cheaper' : 'a new one comes cheaper' }}. The customer decides.</p>
  </section>
</template>

<style scoped>
.replace {
  margin-top: 22px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 2px 12px;
  margin: 0 0 6px;
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
.row {
  display: grid;
  grid-template-columns: 110px minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
  margin: 4px 0;
}
.bar > span {
  display: block;
  height: 16px;
  border-radius: 3px;
  background: var(--dim);
}
.bar > .repair {
  background: var(--copper);
}
</style>
