<script setup lang="ts">
import type { Catalogue, Fault } from '@dewpoint/core/diagnosis'
import { computed, ref } from 'vue'
import { parameterWords } from './dataWords.ts'

const props = defineProps<{ catalogue: Catalogue }>()
const sought = ref('')

/** a fault stands with the first component whose parameter it changes */
const byComponent = computed(() => {
  const found = new Map<string, Fault[]>()
  for (const fault of props.catalogue.faults) {
    const home = Object.keys(fault.patch)[0]!.split('.')[0]!
    found.set(home, [...(found.get(home) ?? []), fault])
  }
  return found
})
const shown = computed(() => {
  const words = sought.value.trim().toLowerCase()
  return props.catalogue.system.components.filter((component) => {
    if (!words) return true
    const faults = byComponent.value.get(component.id) ?? []
    return [component.label, component.id, ...faults.map((one) => one.label)].join(' ').toLowerCase().includes(words)
  })
})
const odds = ({ per1000 }: Fault) => (typeof per1000 === 'number' ? `${per1000}` : `${per1000.to5}, ${per1000.to12}, ${per1000.over12}`)
</script>

<template>
  <section class="parts" aria-labelledby="parts-title">
    <div class="head">
      <h2 id="parts-title" class="eyebrow">What it is made of, and how each part fails</h2>
      <v-text-field v-model="sought" label="Find a part or a fault" clearable class="find" />
    </div>
    <p v-if="shown.length === 0" class="dim">Nothing here by that name.</p>
    <ul>
      <li v-for="component in shown" :key="component.id">
        <h3>{{ component.label }}</h3>
        <table>
          <tbody>
            <tr v-for="(parameter, name) in component.parameters" :key="name">
              <td class="mono value">{{ parameterWords(parameter) }}</td>
              <td>
                {{ parameter.says }}
                <span class="dim"
                  >{{ parameter.source
                  }}<template v-if="parameter.spread">, healthy ones differ by ±{{ Number(parameter.spread.toPrecision(2)) }}</template></span
                >
              </td>
            </tr>
          </tbody>
        </table>
        <p v-for="fault in byComponent.get(component.id) ?? []" :key="fault.id" class="fault">
          <span class="kind" :class="fault.kind">{{ fault.kind === 'state' ? 'set or left wrongly' : 'fails' }}</span>
          {{ fault.label }}
          <span class="dim">· {{ odds(fault) }} in 1000 calls{{ typeof fault.per1000 === 'number' ? '' : ' by age' }}, assumed</span>
        </p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.parts {
  border-top: 1px solid var(--rule);
  padding: 20px 24px 60px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
}
.find {
  max-width: 320px;
  min-width: 240px;
}
ul {
  list-style: none;
  padding: 0;
  columns: 2;
  column-gap: 40px;
}
li {
  break-inside: avoid;
  padding: 14px 0;
  border-bottom: 1px solid var(--rule);
}
h3 {
  font-size: 1.125rem;
  margin-bottom: 6px;
}
table {
  border-collapse: collapse;
}
td {
  padding: 1px 14px 1px 0;
  vertical-align: baseline;
  line-height: 1.3;
}
.value {
  white-space: nowrap;
  min-width: 7rem;
}
td .dim {
  font-size: 0.875rem;
}
.fault {
  margin: 6px 0 0;
  line-height: 1.3;
}
.kind {
  font-size: 0.8125rem;
  font-weight: 600;
  margin-right: 6px;
  color: var(--copper);
}
.kind.state {
  color: var(--live);
}
@media (max-width: 900px) {
  .parts {
    padding: 18px 16px 40px;
  }
  ul {
    columns: 1;
  }
}
</style>
