<script setup lang="ts">
import { benchTools } from '@dewpoint/trade/bench'
import { marks } from './marks.ts'

/** The tools of the bench: one sum each, without a case. */
const tools = [
  ...Object.entries(benchTools).map(([id, { label, says }]) => ({ id, label, says, to: { name: 'bench-tool', params: { tool: id } } })),
  {
    id: 'wiring',
    label: 'What should I read?',
    says: 'Two probes on the wiring of any control scheme: what a meter shows, healthy and with a fault.',
    to: { name: 'bench-wiring' },
  },
  {
    id: 'explain',
    label: 'Explain it',
    says: 'For the customer’s eyes: the boiler alive, step by step, with the fault in it, in plain words.',
    to: { name: 'bench-explain' },
  },
]
</script>

<template>
  <main class="bench">
    <h1>Bench</h1>
    <p class="dim">One sum, now. What you type stays on this device, and goes into a case when you say so.</p>
    <ul>
      <li v-for="one in tools" :key="one.id">
        <router-link :to="one.to">
          <svg viewBox="0 0 48 48" aria-hidden="true"><path :d="marks[one.id]" /></svg>
          <span>
            <strong>{{ one.label }}</strong>
            <span class="dim">{{ one.says }}</span>
          </span>
        </router-link>
      </li>
    </ul>
  </main>
</template>

<style scoped>
.bench {
  padding: 26px 28px 60px;
  max-width: 1080px;
}
h1 {
  font-size: 1.75rem;
}
p {
  margin: 4px 0 18px;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 460px), 1fr));
  column-gap: 40px;
  margin: 0;
  padding: 0;
  list-style: none;
  border-top: 1px solid var(--rule);
}
a {
  display: flex;
  gap: 18px;
  align-items: center;
  min-height: 96px;
  padding: 10px 4px;
  border-bottom: 1px solid var(--rule);
  color: inherit;
  text-decoration: none;
}
a:hover strong {
  color: var(--copper);
}
strong {
  display: block;
  font-size: 1.25rem;
  line-height: 1.3;
}
a span span {
  display: block;
  line-height: 1.3;
}
svg {
  flex: none;
  width: 52px;
  height: 52px;
}
path {
  fill: none;
  stroke: var(--copper);
  stroke-width: 2.2;
  stroke-linecap: round;
  stroke-linejoin: round;
}
@media (max-width: 760px) {
  .bench {
    padding: 18px 16px 60px;
  }
}
</style>
