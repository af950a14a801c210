<script setup lang="ts">
import { readCase, type NewCase, type SiteLine } from '@dewpoint/contract'
import { newEntry, type Entry, type Payload } from '@dewpoint/core/casebook'
import { catalogues } from '@dewpoint/trade'
import { v7 } from 'uuid'
import { computed, nextTick, onMounted, reactive, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { mergeCase } from '../keeping/device/device.ts'
import { deviceId } from '../keeping/device/identity.ts'
import { knownSites } from '../keeping/device/keptAnswers.ts'
import { useOutbox } from '../keeping/outbox/outbox.ts'
import PlainSelect from '../shared/pieces/PlainSelect.vue'
import { author } from '../keeping/author.ts'
import ComplaintForm from './call/ComplaintForm.vue'

const router = useRouter()
const outbox = useOutbox()
const systems = Object.values(catalogues).map(({ system }) => ({ value: system.id, title: system.label }))
const form = reactive({ name: '', address: '', note: '', system: systems[0]!.value, installedOn: '' })
/** places known from before that have what is typed in their name or address: none is taken for the one meant until somebody says so */
const sites = shallowRef<SiteLine[]>([])
/** the last look for them: a case is not opened before it is answered, or a place that is known would be written down twice unseen */
let looking: Promise<void> = Promise.resolve()
watch(
  () => form.name.trim(),
  (typed) => {
    if (typed.length < 2) {
      sites.value = []
      return
    }
    looking = knownSites(typed).then((found) => {
      if (form.name.trim() === typed) sites.value = found
    })
  },
)
/** the place somebody chose from the list */
const known = shallowRef<SiteLine | null>(null)
/** somebody said that a place of the same name is another one */
const isAnother = ref(false)
/** whether that is to be said first */
const unclear = ref(false)
watch(
  () => form.name.trim(),
  () => (isAnother.value = unclear.value = false),
)
const namesakes = computed(() => sites.value.filter((one) => one.name.toLowerCase() === form.name.trim().toLowerCase()))
/** the boiler there that is called about; null for one not known yet */
const chosen = ref<string | null>(null)
/** a boiler chosen by hand stands, whatever is known of the place */
const byHand = ref(false)
const boilerThere = computed({ get: () => chosen.value ?? 'another', set: (id) => (chosen.value = id === 'another' ? null : id) })
const there = computed(() => known.value?.appliances.find((one) => one.id === chosen.value))
function take(one: SiteLine | null) {
  known.value = one
  unclear.value = false
  chosen.value = one?.appliances.find(({ system }) => !byHand.value || system === form.system)?.id ?? null
}

const problems = ref<Record<string, string>>({})
const busy = ref(false)

/** at once, never late: `autofocus` waits for the field to scroll into view and would take the cursor from someone already typing */
const first = useTemplateRef<{ focus(): void }>('first')
onMounted(() => first.value?.focus())

async function open(complaints: Payload<'complaint'>[], answers: Payload<'reading'>[]) {
  if (busy.value) return
  busy.value = true
  await looking
  // a place of that name is known: whether it is that one is not ours to say
  if (!known.value && !isAnother.value && namesakes.value.length > 0) {
    unclear.value = true
    busy.value = false
    await nextTick()
    document.getElementById('known-places')?.scrollIntoView({ block: 'center' })
    return
  }
  const now = new Date()
  const place = known.value
  const site = place
    ? { id: place.id, name: place.name, address: place.address, note: place.note }
    : { id: v7(), name: form.name.trim(), address: form.address.trim(), note: form.note.trim() }
  const label = systems.find((one) => one.value === form.system)!.title
  const appliance = there.value
    ? { id: there.value.id, system: there.value.system, label: there.value.label, installedOn: there.value.installedOn }
    : { id: v7(), system: form.system, label, installedOn: form.installedOn }
  const body: NewCase = { id: v7(), openedAt: now.toISOString(), site, appliance, controls: 'direct', settings: {} }
  const parsed = readCase(body)
  if (!parsed.ok) {
    problems.value = Object.fromEntries(parsed.problems.map((one) => [one.field, one.message]))
    busy.value = false
    return
  }
  const entries: Entry[] = []
  const writing = () => ({ id: v7(), now: now.getTime(), author: author.value, device: deviceId, seen: entries })
  for (const complaint of complaints) entries.push(newEntry('complaint', complaint, writing()))
  for (const answer of answers) entries.push(newEntry('reading', answer, writing()))
  const { id } = body
  // the copy on the device is for reading without the server; what must not be lost goes by the outbox, which says so when it cannot keep it
  await mergeCase({ ...body, settings: {}, appliance: { ...appliance, siteId: site.id }, entries, received: {}, position: 0 }).catch(() => undefined)
  await outbox.add([{ kind: 'open', caseId: id, body }, ...entries.map((entry) => ({ kind: 'entry' as const, caseId: id, entry }))])
  await router.replace({ name: 'case', params: { id: body.id, phase: 'call' } })
}
</script>

<template>
  <main class="new">
    <h1>New call</h1>
    <section>
      <h2 class="eyebrow">Who and where</h2>
      <div class="grid">
        <template v-if="known">
          <p class="place">
            <strong>{{ known.name }}</strong><br /><span class="dim">{{ known.address || 'no address written down' }}</span>
          </p>
          <v-btn variant="text" class="another" @click="take(null)">Another place</v-btn>
          <PlainSelect
            v-model="boilerThere"
            :items="[...known.appliances.map((one) => ({ value: one.id, title: one.label })), { value: 'another', title: 'another boiler' }]"
            label="Boiler there"
          />
        </template>
        <template v-else>
          <v-text-field ref="first" v-model="form.name" label="Customer or place" maxlength="120" autocomplete="off" :error-messages="problems['site.name']" />
          <v-text-field v-model="form.address" label="Address" maxlength="200" autocomplete="off" :error-messages="problems['site.address']" />
        </template>
        <PlainSelect v-if="!there" v-model="form.system" :items="systems" label="Boiler" @update:model-value="byHand = true" />
        <v-text-field v-if="!there" v-model="form.installedOn" label="Installed (2019-05-01), if known" :error-messages="problems['appliance.installedOn']" />
      </div>
      <div v-if="!known && sites.length > 0" id="known-places" class="known">
        <h3 class="eyebrow">Known places</h3>
        <ul class="choices" aria-label="Known places">
          <li v-for="one in sites.slice(0, 6)" :key="one.id">
            <button type="button" @click="take(one)">
              {{ one.name }} <span class="dim">{{ [one.address, ...one.appliances.map((boiler) => boiler.label)].filter(Boolean).join(' · ') }}</span>
            </button>
          </li>
        </ul>
        <p v-if="unclear" class="unclear" role="alert">
          A place of this name is known. Choose it above, or say that it is another one.
          <v-btn size="small" @click="((isAnother = true), (unclear = false))">It is another place</v-btn>
        </p>
      </div>
    </section>
    <ComplaintForm action="Open the case" :system="there?.system ?? form.system" :busy="busy" @done="open" />
  </main>
</template>

<style scoped>
.new {
  width: 100%;
  max-width: 860px;
  margin: 0 auto;
  padding: 28px 20px 60px;
}
h1 {
  font-size: 1.9rem;
  margin-bottom: 18px;
}
section {
  margin-bottom: 22px;
}
.grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  margin-top: 8px;
}
.place {
  margin: 0;
}
.another {
  justify-self: start;
}
.known {
  margin-top: 14px;
}
.unclear {
  color: var(--stop);
}
@media (max-width: 760px) {
  .grid {
    grid-template-columns: 1fr;
  }
}
</style>
