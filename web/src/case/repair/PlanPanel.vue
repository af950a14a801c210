<script setup lang="ts">
import type { Plan, PlanStep, RemedyOption } from '@dewpoint/core/diagnosis'
import { computed, ref } from 'vue'
import { useCase } from '../caseStore.ts'
import { percent } from '../suspects/colours.ts'
import RemedyCard from './RemedyCard.vue'

/** The whole of what is to be done as one job, with its ways, and the sum against a new appliance. */
const emit = defineEmits<{ record: [remedy: string, faults: string[]] }>()
const store = useCase()

const chosen = ref<Plan['id'] | null>(null)
const plans = computed(() => store.diagnosis?.plans ?? [])
const plan = computed(() => plans.value.find((one) => one.id === chosen.value) ?? plans.value[0])
const planned = computed(() => new Set(plan.value?.steps.map((one) => one.remedy)))
/** what mends some of it and is in no step of the plan */
const besides = computed(() => (store.diagnosis?.remedies ?? []).filter((one) => !planned.value.has(one.id)))
/** each of the others is only a part of what is to be done: folded away */
const several = computed(() => (plan.value?.steps.filter((one) => one.faults.length > 0).length ?? 0) > 1)
const sum = computed(() => store.diagnosis?.replacement ?? null)

const names: Record<Plan['id'], string> = { usual: 'Least in the end', cheapest: 'Least today', lasting: 'Most lasting' }
/** what the step is to the others, in words */
function whyOf({ role, for: of, because }: PlanStep): string {
  if (role === 'alongside') return `Belongs to it. ${because ?? ''}`
  const about = of.join(', ')
  if (role === 'root') return `${about}: the cause.`
  return role === 'consequence' ? `${about}: what it brought about.` : `${about}.`
}
const fallsShort = (one: RemedyOption) => (one.unfit ? `Not enough on its own: ${one.unfit}.` : '')
const yearly = (money: number) => Math.round(money)
</script>

<template>
  <template v-if="plan">
    <h2 class="eyebrow spaced">The plan</h2>
    <p class="figures" role="status">
      <span
        ><strong class="mono">{{ plan.minutes }}</strong> min</span
      >
      <span
        >cost <strong class="mono">{{ plan.money }}</strong></span
      >
      <span
        >likely to come back <strong class="mono">{{ percent(plan.chanceOfReturn) }}</strong></span
      >
      <span v-if="plan.savedMinutes > 0" class="dim">{{ plan.savedMinutes }} min saved: opened once for all of it</span>
    </p>
    <div v-if="plans.length > 1" class="ways" role="group" aria-label="Ways to do it">
      <button v-for="one in plans" :key="one.id" type="button" :aria-pressed="one === plan" @click="chosen = one.id">
        <strong>{{ names[one.id] }}</strong>
        <span class="mono">{{ one.minutes }} min · {{ one.money }} · {{ percent(one.chanceOfReturn) }} back</span>
      </button>
    </div>
    <ol class="jobs">
      <RemedyCard
        v-for="(step, index) in plan.steps"
        :key="step.remedy + step.faults.join()"
        :job="step"
        :place="plan.steps.length > 1 ? index + 1 : undefined"
        @record="emit('record', step.remedy, step.faults)"
        >{{ whyOf(step) }}</RemedyCard
      >
    </ol>
    <details v-if="plan.because.length > 0" class="back">
      <summary>Why it may come back</summary>
      <p v-for="one in plan.because" :key="one.says">
        <span class="mono">{{ percent(one.share) }}</span> <span>{{ one.says }}</span>
      </p>
    </details>
    <div v-if="sum" class="new">
      <h2 class="eyebrow">Repair or a new one</h2>
      <p>
        {{ sum.because }}. {{ sum.label }}: <span class="mono">{{ sum.money }}</span>, good for {{ sum.years }} years. This one is
        {{ sum.age === null ? 'of unknown age' : `${sum.age} years old` }}, with {{ sum.yearsLeft }} {{ sum.yearsLeft === 1 ? 'year' : 'years' }} left.
      </p>
      <p>
        A year of service costs <strong class="mono">{{ yearly(sum.perYear.repair) }}</strong> repaired,
        <strong class="mono">{{ yearly(sum.perYear.replacement) }}</strong> new: {{ sum.cheaper === 'repair' ? 'repair it' : 'a new one comes cheaper' }}. The
        customer decides.
      </p>
    </div>
  </template>
  <component :is="several ? 'details' : 'section'" v-if="besides.length > 0" class="besides">
    <component :is="several ? 'summary' : 'h2'" class="eyebrow spaced">{{ plan ? 'Other repairs' : 'Repair options' }}</component>
    <ul class="jobs">
      <RemedyCard v-for="one in besides" :key="one.id" :job="one" :lesser="one.unfit !== null" @record="emit('record', one.id, [])"
        >Likely to come back: {{ percent(one.chanceOfReturn) }}. {{ fallsShort(one) }}</RemedyCard
      >
    </ul>
  </component>
  <p class="dim">
    Cost: parts, assumed, and the firm’s hour as set under what things cost, in its own currency. Local code and the maker’s instructions come first.
  </p>
</template>

<style scoped>
.spaced {
  margin-top: 28px;
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  align-items: baseline;
  margin: 4px 0 10px;
}
.figures strong {
  font-size: 1.375rem;
  font-weight: 600;
}
.ways {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(190px, 100%), 1fr));
  gap: 8px;
  margin-bottom: 10px;
}
.ways button {
  display: grid;
  gap: 2px;
  min-height: 52px;
  padding: 8px 14px;
  text-align: left;
  border: 1px solid var(--rule);
  border-radius: 10px;
  background: none;
  color: inherit;
  cursor: pointer;
}
.ways button[aria-pressed='true'] {
  border: 2px solid var(--copper);
  padding: 7px 13px;
}
.ways .mono {
  font-size: 0.875rem;
  color: var(--dim);
}
.jobs {
  list-style: none;
  padding: 0;
  margin: 6px 0;
}
.besides summary,
.back summary {
  cursor: pointer;
  min-height: 44px;
  display: list-item;
  line-height: 44px;
}
.back p {
  display: grid;
  grid-template-columns: 3.5rem 1fr;
  margin: 4px 0;
}
.new {
  border: 1px dashed var(--copper);
  border-radius: 10px;
  padding: 12px 16px;
  margin: 14px 0;
}
.new p {
  margin: 4px 0;
}
</style>
