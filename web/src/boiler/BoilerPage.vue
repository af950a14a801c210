<script setup lang="ts">
import type { ApplianceHistory } from '@dewpoint/contract'
import { catalogues } from '@dewpoint/trade'
import { computed, defineAsyncComponent, shallowRef, watch } from 'vue'
import { Refused } from '../keeping/api.ts'
import { knownHistory } from '../keeping/device/keptAnswers.ts'
import { day, month } from '../shared/times.ts'
import { complaintWords } from '../today/complaintWords.ts'
import { pressureOf, tellingLines } from './boilerHistory.ts'

/** One boiler on one line of time: its cases, what was found and fitted, what the gauge read and when it was topped up. */
const props = defineProps<{ id: string }>()
const PressureChart = defineAsyncComponent(() => import('./PressureChart.vue'))
const history = shallowRef<ApplianceHistory | null>(null)
const trouble = shallowRef('')
watch(
  () => props.id,
  async (id) => {
    history.value = null
    trouble.value = ''
    try {
      const known = await knownHistory(id)
      if (props.id === id) history.value = known
    } catch (error) {
      if (props.id === id)
        trouble.value =
          error instanceof Refused
            ? error.problem.detail
            : 'The server does not answer, and nothing of this boiler is kept here. Try again when there is signal.'
    }
  },
  { immediate: true },
)
const catalogue = computed(() => catalogues[history.value?.appliance.system ?? ''])
const points = computed(() => (history.value ? pressureOf(history.value) : []))
const rows = computed(() =>
  (history.value?.cases ?? []).map((one) => ({
    ...one,
    faultWords: one.faults.map((id) => catalogue.value?.faults.find((fault) => fault.id === id)?.label ?? id),
    lines: catalogue.value ? tellingLines(catalogue.value, one.entries) : [],
  })),
)
const installed = computed(() => {
  const at = history.value?.appliance.installedOn
  return at ? `, installed ${month(at)}` : ''
})
</script>

<template>
  <main class="boiler">
    <p v-if="trouble" role="alert">{{ trouble }}</p>
    <p v-else-if="!history" class="dim" role="status">Fetching what is known of this boiler…</p>
    <template v-else>
      <h1>{{ history.site.name }}</h1>
      <p class="dim">{{ history.appliance.label }}{{ installed }} · {{ history.site.address || 'address not known' }}</p>
      <section v-if="points.length > 1" aria-labelledby="pressure-title">
        <h2 id="pressure-title" class="eyebrow">Pressure and top-ups</h2>
        <PressureChart :points="points" />
        <details>
          <summary>In figures</summary>
          <ul>
            <li v-for="one in points" :key="one.at + one.kind + one.bar">
              {{ day(one.at) }}: {{ { cold: 'cold', hot: 'hot', topUp: 'topped up' }[one.kind]
              }}<template v-if="one.bar !== null"
                >, <strong class="mono">{{ one.bar.toFixed(2) }} bar</strong></template
              >
            </li>
          </ul>
        </details>
      </section>
      <h2 id="line-title" class="eyebrow">{{ rows.length === 1 ? 'One case' : `${rows.length} cases` }}</h2>
      <ol class="line" aria-labelledby="line-title">
        <li v-for="one in rows" :key="one.id" :class="{ open: !one.closed }">
          <span class="dot" aria-hidden="true" />
          <p class="when">{{ day(one.openedAt) }}</p>
          <div>
            <router-link :to="{ name: 'case', params: { id: one.id } }">{{ complaintWords(one.complaints) || 'No complaint noted' }}</router-link>
            <p v-if="one.faultWords.length > 0">
              Proved: <strong>{{ one.faultWords.join(', ') }}</strong>
            </p>
            <p v-else class="dim">{{ one.closed ? 'nothing proved' : 'still open' }}</p>
            <p v-for="(line, index) in one.lines" :key="index">
              <span class="dim">{{ line.what }}</span> {{ line.result }}
            </p>
          </div>
        </li>
      </ol>
      <p v-if="rows.length === 0" class="dim">No case of this boiler yet. <router-link :to="{ name: 'new' }">Take a call</router-link></p>
    </template>
  </main>
</template>

<style scoped>
.boiler {
  width: 100%;
  max-width: 900px;
  margin: 0 auto;
  padding: 26px 20px 60px;
}
h1 {
  font-size: 1.9rem;
}
section {
  margin: 22px 0;
}
summary {
  min-height: 44px;
  line-height: 44px;
  cursor: pointer;
}
ul,
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
.line li {
  position: relative;
  display: grid;
  grid-template-columns: 18px 120px minmax(0, 1fr);
  gap: 14px;
  padding: 10px 0 16px;
}
/* the line of time */
.line li::before {
  content: '';
  position: absolute;
  left: 8px;
  top: 0;
  bottom: 0;
  border-left: 2px solid var(--rule);
}
.dot {
  position: relative;
  width: 18px;
  height: 18px;
  margin-top: 3px;
  border-radius: 50%;
  background: var(--proven);
}
.open .dot {
  background: var(--paper);
  border: 2px dashed var(--dim);
}
.when {
  font-weight: 600;
}
p {
  margin: 0 0 3px;
}
.boiler a {
  color: var(--copper);
}
.line a {
  font-weight: 600;
  display: inline-block;
  min-height: 32px;
}
@media (max-width: 760px) {
  .line li {
    grid-template-columns: 18px minmax(0, 1fr);
  }
  .when {
    grid-column: 2;
  }
  .line li > div {
    grid-column: 2;
  }
}
</style>
