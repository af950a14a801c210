<script setup lang="ts">
import { comingBack, usualCosts, type Plan, type RemedyOption } from '@dewpoint/core/diagnosis'
import { computed } from 'vue'
import { useFirm } from '../../../firm/firmStore.ts'
import { money } from '../../../shared/money.ts'
import { inSentence } from '../../../shared/words.ts'
import { useStock } from '../../../van/stockStore.ts'
import { useCase } from '../../caseStore.ts'
import { percent } from '../../suspects/colours.ts'
import { planNames } from './planNames.ts'

/** What can be done about it, side by side: minutes, money, how likely it comes back and why, and what has to be waited for. */
defineProps<{ shown: string; chosen: string | null }>()
const emit = defineEmits<{ show: [plan: string]; choose: [plan: string] }>()
const store = useCase()
const firm = useFirm()
const stock = useStock()
const back = computed(() => comingBack({ ...usualCosts, ...firm.settings?.costs, ...store.current?.settings }))
const plans = computed(() => store.diagnosis?.plans ?? [])
/** mends only a part of what is to be done */
const short = computed(() => {
  const planned = new Set(plans.value.flatMap((one) => one.steps.map((step) => step.remedy)))
  return (store.diagnosis?.remedies ?? []).filter((one) => one.unfit !== null && !planned.has(one.id)).slice(0, 2)
})
const most = computed(() => ({
  minutes: Math.max(1, ...plans.value.map((one) => one.minutes)),
  money: Math.max(1, ...plans.value.map((one) => one.money)),
}))
/** what the dear ones differ in: the repairs in their names */
const does = (plan: Plan) =>
  plan.steps
    .filter((one) => one.role !== 'alongside')
    .map((one) => one.label)
    .join(', ')
function parts(plan: Plan): { text: string; waits: boolean } {
  const lacking = plan.parts.filter((part) => (stock.of(part)?.van ?? 0) === 0)
  if (plan.parts.length === 0) return { text: 'none', waits: false }
  if (lacking.length === 0) return { text: 'aboard', waits: false }
  const away = lacking.filter((part) => (stock.of(part)?.store ?? 0) === 0)
  return {
    text: away.length > 0 ? `to order: ${away[0]}${away.length > 1 ? ` and ${away.length - 1} more` : ''}` : `in the store: ${lacking[0]}`,
    waits: away.length > 0,
  }
}
const withReturns = (plan: Plan) => plan.money + plan.chanceOfReturn * back.value
const least = computed(() => Math.min(...plans.value.map(withReturns)))
const fallsShort = (one: RemedyOption) => one.unfit ?? ''
</script>

<template>
  <section v-if="plans.length > 0" class="options" aria-labelledby="options-title">
    <p class="head">
      <span id="options-title" class="eyebrow">Repair options</span> <span class="dim">a return costs {{ money(back) }}</span>
    </p>
    <div class="table">
      <article v-for="plan in plans" :key="plan.id" :class="{ chosen: shown === plan.id }" :aria-label="planNames[plan.id]">
        <h3>{{ planNames[plan.id] }}</h3>
        <p class="does dim">{{ does(plan) }}</p>
        <p class="figure">
          <strong class="mono">{{ plan.minutes }}</strong> min<span class="bar" aria-hidden="true"
            ><span :style="{ width: `${(plan.minutes / most.minutes) * 100}%` }"
          /></span>
        </p>
        <p class="figure">
          <strong class="mono">{{ money(plan.money) }}</strong> parts and time<span class="bar" aria-hidden="true"
            ><span :style="{ width: `${(plan.money / most.money) * 100}%` }"
          /></span>
        </p>
        <p class="figure">
          <strong class="mono">{{ percent(plan.chanceOfReturn) }}</strong> back within a year<span class="bar" aria-hidden="true"
            ><span class="risk" :style="{ width: `${plan.chanceOfReturn * 100}%` }"
          /></span>
        </p>
        <details v-if="plan.because.length > 0">
          <summary>Why it may come back</summary>
          <p v-for="one in plan.because.slice(0, 4)" :key="one.says">
            <span class="mono">{{ percent(one.share) }}</span> {{ one.says }}
          </p>
        </details>
        <p :class="parts(plan).waits ? 'waits' : 'dim'">Parts {{ parts(plan).text }}</p>
        <p class="sum">
          With returns <strong class="mono" :class="{ least: withReturns(plan) === least }">{{ money(withReturns(plan)) }}</strong>
        </p>
        <p v-if="chosen === plan.id" class="is"><v-icon icon="$tick" size="18" aria-hidden="true" /> Chosen</p>
        <template v-else>
          <v-btn v-if="shown !== plan.id" @click="emit('show', plan.id)">Show {{ inSentence(planNames[plan.id]) }}</v-btn>
          <v-btn v-else color="primary" variant="flat" @click="emit('choose', plan.id)">Choose {{ inSentence(planNames[plan.id]) }}</v-btn>
        </template>
      </article>
      <article v-for="one in short" :key="one.id" class="short" :aria-label="one.label">
        <h3>{{ one.label }}</h3>
        <p class="figure">
          <strong class="mono">{{ one.minutes }}</strong> min
        </p>
        <p class="figure">
          <strong class="mono">{{ money(one.money) }}</strong> parts and time
        </p>
        <p class="waits">Not enough on its own: {{ fallsShort(one) }}.</p>
      </article>
    </div>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  margin: 0 0 6px;
}
.table {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(170px, 100%), 1fr));
  gap: 10px;
}
article {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  gap: 6px;
  padding: 10px 12px 12px;
  border: 1px solid var(--rule);
  border-top: 3px solid var(--rule);
  border-radius: 0 0 10px 10px;
}
article.chosen {
  border-color: color-mix(in srgb, var(--copper) 45%, var(--rule));
  border-top-color: var(--copper);
  background: color-mix(in srgb, var(--copper) 9%, var(--paper));
}
h3 {
  font-size: 1.0625rem;
}
p {
  margin: 0;
  line-height: 1.25;
}
.does {
  font-size: 0.9375rem;
}
.figure strong {
  font-size: 1.25rem;
  font-weight: 600;
}
.bar {
  display: block;
  height: 6px;
  margin-top: 3px;
  border-radius: 3px;
  background: var(--rule);
}
.bar > span {
  display: block;
  height: 100%;
  border-radius: 3px;
  background: var(--ink);
}
.bar > .risk {
  background: var(--copper);
}
summary {
  cursor: pointer;
  min-height: 44px;
  line-height: 44px;
}
details p {
  padding-bottom: 4px;
  font-size: 0.9375rem;
}
.waits {
  color: var(--stop);
  font-weight: 600;
}
.sum {
  border-top: 1px solid var(--rule);
  padding-top: 6px;
}
.sum strong {
  font-size: 1.25rem;
}
.least {
  color: var(--copper);
}
.is {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 48px;
  color: var(--copper);
  font-weight: 600;
}
article .v-btn {
  height: auto;
  min-height: 48px;
}
article .v-btn :deep(.v-btn__content) {
  white-space: normal;
}
.short h3 {
  color: var(--dim);
}
</style>
