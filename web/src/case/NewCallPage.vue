<script setup lang="ts">
import { readCase, type KnownAppliance, type NewCase } from '@dewpoint/contract'
import { newEntry, type Entry, type EntryType, type Payload } from '@dewpoint/core/casebook'
import { catalogueFor, catalogues } from '@dewpoint/trade'
import { v7 } from 'uuid'
import { computed, nextTick, reactive, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { writer } from '../keeping/who.ts'
import { mergeCase } from '../keeping/device/device.ts'
import { discardDraft, draftsOf, useDraft } from '../keeping/device/drafts.ts'
import { deviceId } from '../keeping/device/identity.ts'
import { knownSites } from '../keeping/device/keptAnswers.ts'
import { useOutbox } from '../keeping/outbox/outbox.ts'
import { clock, day } from '../shared/times.ts'
import ComplaintForm, { type Told } from './call/words/ComplaintForm.vue'
import FindPlace, { type PlaceForm } from './call/FindPlace.vue'
import { carriedFacts } from './call/boiler/carriedFacts.ts'

const props = defineProps<{ draft: string }>()
const router = useRouter()
const route = useRoute()
const outbox = useOutbox()
const systems = Object.values(catalogues).map(({ system }) => ({ value: system.id, title: system.label }))
const form = reactive<PlaceForm>({
  ...{ name: '', address: '', phone: '', note: '', system: systems[0]!.value, label: '', installedOn: '' },
  ...{ place: null, boiler: null, isAnother: false },
})
const draftName = `call ${props.draft}`
const kept = useDraft(`${draftName} where`, form)
const told = useTemplateRef('told')

/** calls begun and not opened: on another tab, or before a reload nobody came back from */
const unfinished = ref(
  draftsOf<Partial<PlaceForm>>('call ')
    .map(({ name, ...draft }) => ({ ...draft, id: name.split(' ')[1]! }))
    // latest first: where and what was said are kept apart, either may be all there is
    .filter(({ id }, at, all) => id !== props.draft && all.findIndex((one) => one.id === id) === at)
    .slice(0, 4)
    .map(({ id, at }) => {
      const [where] = draftsOf<PlaceForm>(`call ${id} where`)
      return { id, at: new Date(at).toISOString(), who: where?.value.place?.name || where?.value.name || 'no name yet' }
    }),
)
function discard(id: string) {
  discardDraft(`call ${id} where`)
  discardDraft(`call ${id} said`)
  unfinished.value = unfinished.value.filter((one) => one.id !== id)
}

/** the last look for places: a case is not opened before it is answered, or a place that is known would be written down twice unseen */
let looking: Promise<void> = Promise.resolve()
const known = shallowRef<KnownAppliance | null>(null)
const unclear = ref(false)
watch(
  () => form.name.trim(),
  () => (form.isAnother = unclear.value = false),
)
const there = computed(() => form.place?.appliances.find((one) => one.id === form.boiler))
const problems = ref<Record<string, string>>({})
const busy = ref(false)

/** whether places of exactly this name are known */
async function hasNamesakes(): Promise<boolean> {
  await looking.catch(() => undefined)
  const name = form.name.trim().toLowerCase()
  return name !== '' && (await knownSites(form.name.trim()).catch(() => [])).some((one) => one.name.toLowerCase() === name)
}

async function open({ said, complaints, answers, dangerRuledOut }: Told) {
  if (busy.value) return
  busy.value = true
  // a place of that name is known: whether it is that one is not ours to say
  if (!form.place && !form.isAnother && (await hasNamesakes())) {
    unclear.value = true
    busy.value = false
    await nextTick()
    document.querySelector('.who [role="alert"]')?.scrollIntoView({ block: 'center' })
    return
  }
  const now = new Date()
  const place = form.place
  const site = place
    ? { id: place.id, name: place.name, address: place.address, note: place.note, phone: place.phone || form.phone.trim() }
    : { id: v7(), name: form.name.trim(), address: form.address.trim(), note: form.note.trim(), phone: form.phone.trim() }
  const installed = form.installedOn.trim()
  const appliance = there.value
    ? { id: there.value.id, system: there.value.system, label: there.value.label, installedOn: there.value.installedOn }
    : {
        id: v7(),
        system: form.system,
        label: form.label.trim() || systems.find((one) => one.value === form.system)!.title,
        // of a year nobody knows the day of, its middle is taken
        installedOn: /^\d{4}$/.test(installed) ? `${installed}-07-01` : installed,
      }
  // with its wiring known, what was noted of its conductors comes too
  const wired = known.value?.facts.find((one) => one.fact === 'controls')?.value
  const catalogue = catalogueFor(appliance.system, String(wired)) ?? catalogues[appliance.system]!
  const facts = carriedFacts(catalogue, known.value?.facts ?? [], appliance.installedOn, now)
  const controls = facts.find((one) => one.fact === 'controls')?.value
  const body: NewCase = { id: v7(), openedAt: now.toISOString(), site, appliance, controls: typeof controls === 'string' ? controls : 'direct', settings: {} }
  const parsed = readCase(body)
  if (!parsed.ok) {
    problems.value = Object.fromEntries(parsed.problems.map((one) => [one.field, one.message]))
    busy.value = false
    await nextTick()
    document.querySelector<HTMLElement>('.who .v-input--error input')?.focus()
    return
  }
  const entries: Entry[] = []
  const note = <T extends EntryType>(type: T, payload: Payload<T>) =>
    entries.push(newEntry(type, payload, { id: v7(), now: now.getTime(), author: writer(), device: deviceId, seen: entries }))
  if (said) note('said', said)
  for (const complaint of complaints) note('complaint', complaint)
  for (const answer of answers) note('reading', answer)
  if (dangerRuledOut) {
    const act = catalogues[appliance.system]!.actions.find((one) => one.rulesOut)
    if (act) note('action', { action: act.id, value: 'all', note: 'Asked on the telephone: none' })
  }
  for (const fact of facts) note('fact', fact)
  const { id } = body
  // the copy on the device is for reading without the server; what must not be lost goes by the outbox, which says so when it cannot keep it
  await mergeCase({ ...body, settings: {}, appliance: { ...appliance, siteId: site.id }, entries, received: {}, position: 0 }).catch(() => undefined)
  await outbox.add([{ kind: 'open', caseId: id, body }, ...entries.map((entry) => ({ kind: 'entry' as const, caseId: id, entry }))])
  kept.forget()
  told.value?.forget()
  await router.replace({ name: 'case', params: { id, phase: 'call' } })
}
</script>

<template>
  <main class="new">
    <header class="head">
      <h1>New call</h1>
      <ul v-if="unfinished.length > 0" class="unfinished" aria-label="Calls not opened yet">
        <li v-for="one in unfinished" :key="one.id">
          <router-link :to="{ name: 'new', query: { ...route.query, draft: one.id } }">{{ one.who }}</router-link>
          <span class="dim">begun {{ day(one.at) }}, {{ clock(one.at) }}, not opened</span>
          <v-btn icon="$away" variant="text" size="40" :aria-label="`Discard the call begun for ${one.who}`" @click="discard(one.id)" />
        </li>
      </ul>
    </header>
    <div class="columns">
      <FindPlace
        v-model="form"
        :problems="problems"
        :unclear="unclear"
        :systems="systems"
        @known="known = $event"
        @looking="looking = $event"
        @another="((form.isAnother = true), (unclear = false))"
      />
      <ComplaintForm ref="told" action="Open the case" :system="there?.system ?? form.system" :busy="busy" :draft="`${draftName} said`" @done="open" />
    </div>
  </main>
</template>

<style scoped>
.new {
  width: 100%;
  max-width: 1280px;
  margin: 0 auto;
  padding: 22px 24px 60px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 28px;
  margin-bottom: 14px;
}
h1 {
  font-size: 1.9rem;
}
.unfinished {
  display: flex;
  flex-wrap: wrap;
  gap: 0 20px;
  list-style: none;
  margin: 0;
  padding: 0;
}
.unfinished li {
  display: flex;
  align-items: center;
  gap: 6px;
}
.unfinished a {
  color: var(--copper);
  font-weight: 600;
}
.columns {
  display: grid;
  grid-template-columns: 384px minmax(0, 1fr);
  gap: 32px;
}
@media (max-width: 1000px) {
  .new {
    padding: 16px 16px 60px;
  }
  .columns {
    grid-template-columns: 1fr;
    gap: 22px;
  }
}
</style>
