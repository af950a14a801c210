<script setup lang="ts">
import { readCase, type NewCase, type SiteLine } from '@dewpoint/contract'
import { newEntry, type Payload } from '@dewpoint/core/casebook'
import { catalogues } from '@dewpoint/trade'
import { v7 } from 'uuid'
import { computed, onMounted, reactive, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { mergeCase } from '../keeping/device.ts'
import { deviceId } from '../keeping/identity.ts'
import { knownSites } from '../keeping/keptAnswers.ts'
import { useOutbox } from '../keeping/outbox.ts'
import PlainSelect from '../shared/PlainSelect.vue'
import { author } from './author.ts'
import ComplaintForm from './call/ComplaintForm.vue'

const router = useRouter()
const outbox = useOutbox()
const systems = Object.values(catalogues).map(({ system }) => ({ value: system.id, title: system.label }))
const form = reactive({ name: '', address: '', note: '', system: systems[0]!.value, installedOn: '' })
/** places known from before that have what is typed in their name or address */
const sites = shallowRef<SiteLine[]>([])
/** the last look for them: a case is not opened before it is answered, or a known place would be written down twice */
let looking: Promise<void> = Promise.resolve()
watch(
  () => form.name.trim(),
  (typed) => {
    if (typed.length < 2) return
    looking = knownSites(typed).then((found) => {
      if (form.name.trim() === typed) sites.value = found
    })
  },
)
const known = computed(() => sites.value.find((one) => one.name.toLowerCase() === form.name.trim().toLowerCase()))
/** the boiler there that is called about; null for one not known yet */
const chosen = ref<string | null>(null)
/** a boiler chosen by hand stands, whatever is known of the place */
const byHand = ref(false)
watch(known, (one) => (chosen.value = one?.appliances.find(({ system }) => !byHand.value || system === form.system)?.id ?? null))
const boilerThere = computed({ get: () => chosen.value ?? 'another', set: (id) => (chosen.value = id === 'another' ? null : id) })
const there = computed(() => known.value?.appliances.find((one) => one.id === chosen.value))

const problems = ref<Record<string, string>>({})
const busy = ref(false)

/** at once, never late: `autofocus` waits for the field to scroll into view and would take the cursor from someone already typing */
const first = useTemplateRef<{ focus(): void }>('first')
onMounted(() => first.value?.focus())

async function open(complaint: Payload<'complaint'>) {
  if (busy.value) return
  busy.value = true
  await looking
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
  const entry = newEntry('complaint', complaint, { id: v7(), now: now.getTime(), author: author.value, device: deviceId, seen: [] })
  const { id } = body
  // the copy on the device is for reading without the server; what must not be lost goes by the outbox, which says so when it cannot keep it
  await mergeCase({ ...body, settings: {}, appliance: { ...appliance, siteId: site.id }, entries: [entry], received: {}, position: 0 }).catch(() => undefined)
  await outbox.add([
    { kind: 'open', caseId: id, body },
    { kind: 'entry', caseId: id, entry },
  ])
  await router.replace({ name: 'case', params: { id: body.id, phase: 'call' } })
}
</script>

<template>
  <main class="new">
    <h1>New call</h1>
    <section>
      <h2 class="eyebrow">Who and where</h2>
      <div class="grid">
        <v-text-field ref="first" v-model="form.name" label="Customer or place" maxlength="120" list="known-places" :error-messages="problems['site.name']" />
        <v-text-field v-if="!known" v-model="form.address" label="Address" maxlength="200" :error-messages="problems['site.address']" />
        <PlainSelect
          v-if="known"
          v-model="boilerThere"
          :items="[...known.appliances.map((one) => ({ value: one.id, title: one.label })), { value: 'another', title: 'another boiler' }]"
          label="Known here"
        />
        <PlainSelect v-if="!there" v-model="form.system" :items="systems" label="Boiler" @update:model-value="byHand = true" />
        <v-text-field v-if="!there" v-model="form.installedOn" label="Installed (2019-05-01), if known" :error-messages="problems['appliance.installedOn']" />
      </div>
    </section>
    <datalist id="known-places">
      <option v-for="one in sites" :key="one.id" :value="one.name" />
    </datalist>
    <ComplaintForm action="Open the case" :system="there?.system ?? form.system" :busy="busy" @done="open" />
    <v-text-field v-model="author" label="Written by" maxlength="120" class="author" />
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
.author {
  max-width: 320px;
  margin-top: 28px;
}
@media (max-width: 760px) {
  .grid {
    grid-template-columns: 1fr;
  }
}
</style>
