<script setup lang="ts">
import type { LineProblem } from '@dewpoint/core/formats'
import type { BoilerSystem } from '@dewpoint/core/system'
import { catalogueOf, catalogues, stockCatalogues } from '@dewpoint/trade'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { importSystem, imported, notKept, removeSystem } from './imported.ts'

const router = useRouter()
const problems = ref<LineProblem[]>([])
const tried = ref('')
const chooser = ref<HTMLInputElement>()

const counts = (system: BoilerSystem) => {
  const { faults, checks, remedies } = catalogues[system.id] ?? catalogueOf(system)
  return `${faults.length} faults, ${checks.length} checks, ${remedies.length} remedies`
}
const lists = computed(() => [
  { title: 'Systems', systems: Object.values(stockCatalogues).map((one) => one.system), own: false },
  {
    title: 'Models',
    systems: Object.values(catalogues).flatMap((one) => (stockCatalogues[one.system.id] ? [] : [one.system])),
    own: false,
  },
  { title: 'Imported on this device', systems: imported.value, own: true },
])

async function choose(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  tried.value = file.name
  const read = importSystem(await file.text())
  problems.value = read.ok ? [] : read.problems
  if (read.ok) await router.push({ name: 'system', params: { system: read.system.id } })
}
</script>

<template>
  <main class="library">
    <div class="head">
      <h1>Library</h1>
      <v-btn prepend-icon="$add" @click="chooser?.click()">Import a system</v-btn>
      <input ref="chooser" type="file" accept="application/json,.json" class="visually-hidden" aria-label="File with a system or a model" @change="choose" />
    </div>
    <p class="dim">Boilers as Dewpoint knows them: how each starts, what it is made of, how its parts fail. Open one and run it.</p>

    <h2 class="eyebrow">Stories</h2>
    <ul class="systems">
      <li>
        <router-link :to="{ name: 'stories' }">
          <strong>Call-outs to walk through</strong>
          <span class="dim">entry by entry, with the suspects as they move</span>
        </router-link>
        <v-icon icon="$go" aria-hidden="true" />
      </li>
    </ul>

    <p v-if="notKept" class="problems" role="alert">
      This device has no room left: what you imported lasts until the page is closed. Save it as a file, or remove others.
    </p>
    <section v-if="problems.length > 0" class="problems" role="alert">
      <p>
        <strong>{{ tried }} was not imported.</strong> Mend {{ problems.length === 1 ? 'this line' : 'these lines' }} and choose it again; nothing was changed
        here.
      </p>
      <table>
        <thead>
          <tr>
            <th scope="col">Line</th>
            <th scope="col">Field</th>
            <th scope="col">What is wrong</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in problems.slice(0, 20)" :key="one.field + one.message">
            <td class="mono">{{ one.line }}</td>
            <td class="mono field">{{ one.field }}</td>
            <td>{{ one.message }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="problems.length > 20" class="dim">and {{ problems.length - 20 }} more</p>
    </section>

    <template v-for="list in lists" :key="list.title">
      <h2 v-if="list.systems.length > 0" class="eyebrow">{{ list.title }}</h2>
      <ul v-if="list.systems.length > 0" class="systems">
        <li v-for="system in list.systems" :key="system.id">
          <router-link :to="{ name: 'system', params: { system: system.id } }">
            <strong>{{ system.label }}</strong>
            <span class="dim">{{ counts(system) }}</span>
          </router-link>
          <v-btn v-if="list.own" icon="$away" variant="text" :aria-label="`Remove ${system.label}`" @click="removeSystem(system.id)" />
          <v-icon v-else icon="$go" aria-hidden="true" />
        </li>
      </ul>
    </template>
  </main>
</template>

<style scoped>
.library {
  width: 100%;
  max-width: 1040px;
  margin: 0 auto;
  padding: 28px 20px 60px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  flex-wrap: wrap;
}
h1 {
  font-size: 1.9rem;
}
h2 {
  margin: 26px 0 6px;
}
.systems {
  list-style: none;
  padding: 0;
  margin: 0;
  border-top: 1px solid var(--rule);
}
.systems li {
  display: flex;
  align-items: center;
  border-bottom: 1px solid var(--rule);
}
.systems a {
  flex: 1;
  display: grid;
  gap: 2px;
  min-height: 64px;
  align-content: center;
  color: inherit;
  text-decoration: none;
}
.systems a:hover strong {
  color: var(--copper);
}
.problems {
  border-left: 6px solid var(--stop);
  padding: 4px 0 4px 16px;
  margin: 16px 0;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 600;
  color: var(--dim);
}
td,
th {
  padding: 4px 12px 4px 0;
  vertical-align: top;
}
.field {
  overflow-wrap: anywhere;
  font-size: 0.875rem;
}
</style>
