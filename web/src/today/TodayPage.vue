<script setup lang="ts">
import { folded, officeOnly, type CaseLine } from '@dewpoint/contract'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { fetchCases } from '../keeping/api.ts'
import { keptCases } from '../keeping/device/device.ts'
import { useOutbox } from '../keeping/outbox/outbox.ts'
import { keepRecent, letGoOfOld, lineOf } from '../keeping/device/recentCases.ts'
import { lazyPart } from '../shared/missingPart.ts'
import { iMay } from '../session/session.ts'
import { useLive } from '../live/live.ts'
import { ago, exactly } from '../shared/times.ts'
import { urgencies, windowWords } from '../case/call/visit/bookingWords.ts'
import { kindsBefore, kindsOf, readyAhead } from '../workers/readyAhead.ts'
import { complaintWords } from './complaintWords.ts'
import { fetchAhead } from './fetchAhead.ts'

const NotAccepted = lazyPart(() => import('../keeping/outbox/NotAccepted.vue'))

const cases = shallowRef<CaseLine[] | null>(null)
/** where the list goes on; null at its end */
const next = ref<string | null>(null)
/** the server does not answer: the list is of what this device keeps */
const away = ref<string | null>(null)
const search = ref<string | null>('')
const outbox = useOutbox()
/** counts what was asked for: an answer to an earlier question is thrown away */
let question = 0
let here = true

/** calls taken here that the server is not known to have */
const keptHere = computed(() => outbox.items.flatMap((one) => (one.kind === 'open' ? [{ id: one.caseId, name: one.body.site.name }] : [])))

/** @returns whether the server answered */
async function load(after: string | null = null): Promise<boolean> {
  const mine = ++question
  const words = (search.value ?? '').trim()
  try {
    const answer = await fetchCases(words, after)
    if (mine !== question) return true
    cases.value = after === null ? answer.cases : [...(cases.value ?? []), ...answer.cases]
    next.value = answer.next
    stretches = after === null ? 1 : stretches + 1
    away.value = null
    if (after === null && answer.cases.length > 0) void readyAhead(kindsOf(answer.cases), () => here)
    // beside what is shown; a later list goes on with it
    if (words === '' && after === null) void keepRecent(answer.cases, Date.now(), () => here && mine === question)
    return true
  } catch (error) {
    const kept = await keptCases().catch(() => [])
    if (mine !== question) return false
    away.value = (error as Error).message
    cases.value = kept
      .map(lineOf)
      .filter(({ site, appliance }) => [site.name, site.address, appliance.label].some((text) => folded(text).includes(folded(words))))
    next.value = null
    return false
  }
}
watch(search, () => load())
/** how many stretches of the list are shown */
let stretches = 1
// what was written just before is told as soon as the server has it; whoever has read further down keeps their place
watch(
  () => outbox.waiting,
  (now, before) => now < before && stretches === 1 && load(),
)
/** the list is there: from here on it follows */
let begun = false
let asked = false
/** what colleagues write and take is here by itself; whoever has read further down keeps their place */
useLive(
  null,
  async () => {
    // what was written while the list was fetched may not be in it
    if (!begun) asked = true
    return !begun || stretches !== 1 || (await load())
  },
  (changed) => changed.some(({ id, position }) => cases.value?.find((one) => one.id === id)?.position !== position),
)
onMounted(async () => {
  void readyAhead(kindsBefore(), () => here)
  fetchAhead()
  await load()
  begun = true
  if (asked) await load()
  await letGoOfOld(outbox.items, Date.now())
})
onBeforeUnmount(() => (here = false))

/** who goes and when, else how urgent it is */
const promised = ({ summary: { booking } }: CaseLine) =>
  [booking?.engineer, windowWords(booking ?? {}) || urgencies.find((one) => one.id === booking?.urgency)?.label.toLowerCase()].filter(Boolean).join(', ')
const where = (one: CaseLine): { text: string; done: boolean } => {
  const { closed, later = 0, repairs, condemned, readings } = one.summary
  if (closed) return later ? { text: 'closed; noted since', done: false } : { text: 'closed', done: true }
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
        <v-btn v-if="iMay(officeOnly)" variant="text" :to="{ name: 'firm' }">Firm settings</v-btn>
        <v-btn variant="text" :to="{ name: 'van' }">Parts on the van</v-btn>
        <v-btn color="primary" variant="flat" prepend-icon="$add" :to="{ name: 'new' }">New call</v-btn>
      </div>
    </div>

    <NotAccepted v-if="outbox.notAccepted.length > 0" />
    <section v-if="away" class="note" role="alert">
      <p>
        <strong>{{ away }}</strong> {{ cases?.length ? 'These are the cases kept on this device.' : 'No cases are kept on this device yet.' }} What you record
        is kept here and sent when there is signal.
      </p>
      <v-btn @click="load()">Try again</v-btn>
    </section>
    <ul v-if="keptHere.length > 0" class="kept">
      <li v-for="one in keptHere" :key="one.id">
        <router-link :to="{ name: 'case', params: { id: one.id } }">{{ one.name }}</router-link> <span class="dim">kept on this device, not sent yet</span>
      </li>
    </ul>
    <v-text-field v-model="search" label="Find a case by name, street, number or boiler" maxlength="80" clearable type="search" class="find" />
    <p v-if="!cases" class="dim" aria-live="polite">Fetching the calls…</p>
    <section v-if="cases && cases.length === 0 && !away" class="note">
      <p v-if="!search?.trim()">No calls yet. Take one: the customer’s first words already tell suspects apart, and say what to put on the van.</p>
      <p v-else>No case has “{{ search?.trim() }}” in its name, street, number or boiler.</p>
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
            <span v-if="!where(one).done && promised(one)" class="promised">{{ promised(one) }}</span>
            <time class="dim" :datetime="one.openedAt" :title="exactly(one.openedAt)">called {{ ago(one.openedAt) }}</time>
          </span>
          <v-icon icon="$go" class="go" aria-hidden="true" />
        </router-link>
      </li>
    </ol>
    <v-btn v-if="next" variant="text" class="more" @click="load(next)">Show earlier cases</v-btn>
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
  flex-wrap: wrap;
  gap: 8px;
}
.promised {
  display: block;
  font-weight: 600;
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
.find {
  max-width: 32rem;
  margin-bottom: 14px;
}
.more {
  margin-top: 14px;
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
