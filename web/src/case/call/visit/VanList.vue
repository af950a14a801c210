<script setup lang="ts">
import { standingKit } from '@dewpoint/trade/parts'
import { usualCosts } from '@dewpoint/core/diagnosis'
import { computed } from 'vue'
import { useFirm } from '../../../firm/firmStore.ts'
import { money } from '../../../shared/money.ts'
import { useStock } from '../../../van/stockStore.ts'
import { useCase } from '../../caseStore.ts'
import { percent } from '../../suspects/colours.ts'

/** What to load, with the sum behind each line: its chance of being needed times a second trip, against carrying it for nothing. */
const store = useCase()
const stock = useStock()
const firm = useFirm()
const trip = computed(() => ({ ...usualCosts, ...firm.settings?.costs, ...store.current?.settings }).secondTrip)
const lines = computed(() => (store.workedOut ? (store.diagnosis?.carry ?? []) : []))
const shown = computed(() => lines.value.slice(0, 6))
/** both on one scale: the bar is what it saves, the mark what carrying costs */
const most = computed(() => Math.max(1, ...lines.value.map((one) => Math.max(one.saved, one.carrying))))
function where(part: string): { text: string; missing: boolean } {
  const there = stock.of(part)
  if (there && there.van > 0) return { text: `on the van: ${there.van}`, missing: false }
  if (there && there.store > 0) return { text: `in the store: ${there.store}`, missing: false }
  return { text: there ? 'none left' : 'not in stock', missing: true }
}
</script>

<template>
  <section class="van" aria-labelledby="van-title">
    <p class="head">
      <span id="van-title" class="eyebrow">Van list</span>
      <span class="dim">chance × {{ money(trip) }} trip, against carrying</span>
    </p>
    <p v-if="!store.workedOut" class="dim">Working it out…</p>
    <p v-else-if="lines.length === 0" class="dim">No part is likely enough to name yet. The standing kit will do.</p>
    <ul v-else>
      <li v-for="one in shown" :key="one.part">
        <span class="part"
          ><strong>{{ one.part }}</strong> <span class="dim">{{ money(one.price) }}</span></span
        >
        <strong :class="one.take ? 'take' : 'dim'">{{ one.take ? 'take' : 'leave' }}</strong>
        <span class="bar" aria-hidden="true"
          ><span class="fill" :class="{ take: one.take }" :style="{ width: `${(one.saved / most) * 100}%` }" /><span
            class="mark"
            :style="{ left: `${(one.carrying / most) * 100}%` }"
        /></span>
        <span class="mono sum">{{ percent(one.probability) }}: {{ money(one.saved) }} {{ one.take ? '>' : '<' }} {{ money(one.carrying) }}</span>
        <span class="where" :class="{ missing: one.take && where(one.part).missing }">
          {{ where(one.part).text }}<template v-if="one.seals.length > 0">, with {{ one.seals.join(', ') }}</template>
        </span>
      </li>
    </ul>
    <details>
      <summary>Standing kit</summary>
      <p class="dim">{{ standingKit.join(' · ') }}</p>
    </details>
    <router-link :to="{ name: 'van' }">Stock and prices</router-link>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0 10px;
  margin: 0 0 4px;
  font-size: 0.9375rem;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 10px;
  align-items: center;
  padding: 7px 0;
  border-bottom: 1px solid var(--rule);
  line-height: 1.25;
}
.take {
  color: var(--proven);
}
.bar {
  position: relative;
  height: 7px;
  border-radius: 3px;
  background: color-mix(in srgb, var(--rule) 55%, transparent);
}
.fill {
  display: block;
  height: 100%;
  border-radius: 3px;
  background: var(--rule);
}
.fill.take {
  background: var(--copper);
}
.mark {
  position: absolute;
  top: -4px;
  width: 2px;
  height: 15px;
  background: var(--ink);
}
.sum {
  font-size: 0.875rem;
}
.where {
  grid-column: 1 / -1;
  font-size: 0.875rem;
  color: var(--dim);
}
.where.missing {
  color: var(--stop);
}
summary {
  min-height: 44px;
  line-height: 44px;
  cursor: pointer;
}
details p {
  margin: 0;
}
a {
  display: inline-block;
  min-height: 44px;
  line-height: 44px;
  color: var(--copper);
  font-weight: 600;
}
</style>
