<script setup lang="ts">
import type { CaseLine } from '@dewpoint/contract'
import { onMounted, ref } from 'vue'
import { fetchCases } from '../shared/api.ts'
import { listUnsent } from '../shared/device.ts'
import { useOutbox } from '../shared/outbox.ts'
import { ago, exactly } from '../shared/times.ts'
import { complaintWords } from './complaintWords.ts'

const cases = ref<CaseLine[] | null>(null)
const failed = ref<string | null>(null)
const keptHere = ref<{ id: string; name: string }[]>([])
const outbox = useOutbox()

async function load() {
  failed.value = null
  await outbox.flush()
  keptHere.value = (await listUnsent()).flatMap((one) => (one.kind === 'open' ? [{ id: one.caseId, name: one.body.site.name }] : []))
  try {
    cases.value = await fetchCases()
  } catch (error) {
    failed.value = (error as Error).message
  }
}
onMounted(load)

const where = (one: CaseLine): { text: string; done: boolean } => {
  const { closed, repairs, condemned, readings } = one.summary
  if (closed) return { text: 'closed', done: true }
  if (repairs > 0) return { text: 'repaired, to be proved', done: false }
  if (condemned.length > 0) return { text: 'part condemned', done: false }
  return readings > 0 ? { text: `${readings} ${readings === 1 ? 'reading' : 'readings'} in`, done: false } : { text: 'call taken', done: false }
}
</script>

<template>
  <main class="today">
    <div class="head">
      <h1>Today’s calls</h1>
      <div class="head-acts">
        <v-btn variant="text" :to="{ name: 'firm' }">What things cost</v-btn>
        <v-btn color="primary" variant="flat" prepend-icon="$add" :to="{ name: 'new' }">New call</v-btn>
      </div>
    </div>

    <section v-if="failed" class="note" role="alert">
      <p>
        <strong>{{ failed }}</strong> Calls opened on this device before can still be reached by their address; new entries are kept here and sent later.
      </p>
      <v-btn @click="load">Try again</v-btn>
    </section>
    <ul v-if="keptHere.length > 0" class="kept">
      <li v-for="one in keptHere" :key="one.id">
        <router-link :to="{ name: 'case', params: { id: one.id } }">{{ one.name }}</router-link> <span class="dim">kept on this device, not sent yet</span>
      </li>
    </ul>
    <p v-if="!cases && !failed" class="dim" aria-live="polite">Fetching the calls…</p>
    <section v-if="cases && cases.length === 0" class="note">
      <p>No calls yet. Take one: the customer’s first words already tell suspects apart, and say what to put on the van.</p>
    </section>

    <ol v-if="cases && cases.length > 0" class="calls">
      <li v-for="one in cases" :key="one.id">
        <router-link :to="{ name: 'case', params: { id: one.id } }" class="call" :class="{ done: where(one).done }">
          <span class="site">
            <strong>{{ one.site.name }}</strong>
            <span class="dim">{{ one.site.address }}</span>
          </span>
          <span class="what">
            {{ complaintWords(one.summary.complaints) }}
            <span class="dim">{{ one.appliance.label }}</span>
          </span>
          <span class="state">
            <v-icon v-if="where(one).done" icon="$tick" size="20" color="proven" aria-hidden="true" />
            {{ where(one).text }}
            <time class="dim" :datetime="one.openedAt" :title="exactly(one.openedAt)">called {{ ago(one.openedAt) }}</time>
          </span>
          <v-icon icon="$go" class="go" aria-hidden="true" />
        </router-link>
      </li>
    </ol>
  </main>
</template>

<style scoped>
.today {
  width: 100%;
  max-width: 1040px;
  margin: 0 auto;
  padding: 28px 20px 60px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 16px;
  margin-bottom: 22px;
}
h1 {
  font-size: 1.9rem;
}
.head-acts {
  display: flex;
  gap: 8px;
}
.calls,
.kept {
  list-style: none;
  margin: 0;
  padding: 0;
}
.kept {
  margin-bottom: 18px;
}
.calls {
  border-top: 1px solid var(--rule);
}
.call {
  display: grid;
  grid-template-columns: 1.2fr 1.2fr 0.9fr 24px;
  gap: 18px;
  align-items: center;
  padding: 16px 4px;
  min-height: 76px;
  border-bottom: 1px solid var(--rule);
  color: inherit;
  text-decoration: none;
}
.call:hover {
  background: var(--sheet);
}
.call .dim {
  display: block;
}
.site strong {
  font-size: 1.125rem;
  font-weight: 600;
}
.done .what,
.done .site strong {
  color: var(--dim);
}
.note {
  border-left: 3px solid var(--copper);
  padding: 4px 0 8px 16px;
  margin-bottom: 20px;
  max-width: 44rem;
}
@media (max-width: 760px) {
  .call {
    grid-template-columns: 1fr 24px;
    gap: 4px 12px;
  }
  .what,
  .state {
    grid-column: 1;
  }
  .state .dim {
    display: inline;
    padding-left: 6px;
  }
  .go {
    grid-column: 2;
    grid-row: 1 / 4;
  }
}
</style>
