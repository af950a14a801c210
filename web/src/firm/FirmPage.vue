<script setup lang="ts">
import { readFirmSettings, type FirmCosts } from '@dewpoint/contract'
import { usualCosts } from '@dewpoint/core/diagnosis'
import { onMounted, reactive, ref, watch } from 'vue'
import { useDraft } from '../keeping/device/drafts.ts'
import { Refused } from '../keeping/api.ts'
import PlainSelect from '../shared/pieces/PlainSelect.vue'
import { currency } from '../shared/money.ts'
import { zone } from '../shared/times.ts'
import { inSentence } from '../shared/words.ts'
import { schools, type School } from '@dewpoint/trade/schools'
import { useFirm } from './firmStore.ts'
import { numberTyped } from '../shared/numbers.ts'

/** What the firm has set: what things cost, and the clock it works by. */
const firm = useFirm()
const fields: { key: keyof FirmCosts; label: string; says: string }[] = [
  { key: 'hourlyRate', label: 'An hour on site', says: 'Every check and repair is costed by the minute.' },
  { key: 'secondTrip', label: 'A second trip', says: 'Travel, and the customer’s patience. Time on site is added to it.' },
  {
    key: 'wrongPart',
    label: 'A good part replaced',
    says: 'On top of price and time: lost trust. The higher it is, the surer Dewpoint must be before a part is changed.',
  },
]
const letterhead = [
  { key: 'name', label: 'Name of the firm', most: 120 },
  { key: 'address', label: 'Address', most: 200 },
  { key: 'phone', label: 'Telephone', most: 40 },
  { key: 'emergency', label: 'Gas emergency number of the place', most: 40 },
]
/** what is done where the firm has not said */
const unsaid = ({ choices: [first] }: School) => (first!.prefers ? 'Whatever costs least in the end.' : `Until you say: ${inSentence(first!.label)}.`)
const unitChoices = [
  { value: 'metric', title: 'metric: bar, °C, l/min, m³/h' },
  { value: 'imperial', title: 'imperial beside it: psi, °F, gal/min, ft³/h' },
]
const zones = ['UTC', ...Intl.supportedValuesOf('timeZone').filter((one) => one !== 'UTC')]
const currencies = ['EUR', 'GBP', 'USD', ...Intl.supportedValuesOf('currency').filter((one) => !['EUR', 'GBP', 'USD'].includes(one))]
const empty = {
  ...{ hourlyRate: '', secondTrip: '', wrongPart: '', timeZone: '', currency: '', name: '', address: '', phone: '', emergency: '', units: '' },
  ...Object.fromEntries(schools.map((one) => [`way ${one.id}`, ''])),
} as Record<string, string>
const form = reactive<Record<string, string>>({ ...empty, timeZone: zone.value, currency: currency.value, units: 'metric' })
/** the revision the form was filled from: nobody's later change is undone unseen */
const revision = ref(0)
const problems = ref<Partial<Record<string, string>>>({})
const said = ref('')
const away = ref(false)

/** what was filled in, so that what arrives late does not overwrite what somebody has begun to type */
let filled: Record<string, string> = { ...form }
function show(overTyped = false) {
  const { hourlyRate, secondTrip, wrongPart } = firm.settings?.costs ?? usualCosts
  const profile = firm.settings?.profile
  const known: Record<string, string> = {
    hourlyRate: String(hourlyRate),
    secondTrip: String(secondTrip),
    wrongPart: String(wrongPart),
    timeZone: firm.settings?.timeZone ?? zone.value,
    currency: profile?.currency ?? currency.value,
    ...{ name: profile?.name ?? '', address: profile?.address ?? '', phone: profile?.phone ?? '', emergency: profile?.emergency ?? '' },
    units: profile?.units ?? 'metric',
    ...Object.fromEntries(schools.map(({ id }) => [`way ${id}`, profile?.ways?.find((one) => one.question === id)?.choice ?? ''])),
  }
  for (const key of Object.keys(known)) if (overTyped || form[key] === filled[key]) form[key] = known[key]!
  filled = known
  revision.value = firm.settings?.revision ?? 0
}
/** what is typed and not saved: kept without what the server said, which may have changed by the next time */
const typed = reactive<Record<string, string>>({ ...empty })
const draft = useDraft('firm settings', typed)
watch(form, () => {
  for (const key of Object.keys(typed)) typed[key] = form[key] === filled[key] ? '' : form[key]!
})
onMounted(async () => {
  const begun = { ...typed }
  show()
  for (const key of Object.keys(typed)) if (begun[key]) form[key] = begun[key]
  try {
    await firm.load()
  } catch {
    away.value = true
  }
  show()
})

async function save() {
  said.value = ''
  const costs = Object.fromEntries(fields.map(({ key }) => [key, numberTyped(form[key]!)]))
  const letter = Object.fromEntries(letterhead.map(({ key }) => [key, form[key]!.trim()]))
  const ways = schools.flatMap(({ id }) => (form[`way ${id}`] ? [{ question: id, choice: form[`way ${id}`]! }] : []))
  const profile = { ...firm.settings?.profile, ...letter, currency: form.currency, units: form.units, ways }
  const parsed = readFirmSettings({ costs, timeZone: form.timeZone, profile, revision: revision.value })
  problems.value = parsed.ok ? {} : Object.fromEntries(parsed.problems.map(({ field, message }) => [field, message]))
  if (!parsed.ok) return
  try {
    await firm.send(parsed.value)
    revision.value = firm.settings?.revision ?? 0
    away.value = false
    filled = { ...form }
    draft.forget()
    said.value = 'Saved. It applies to every case from now on.'
  } catch (error) {
    if (!(error instanceof Refused)) said.value = 'Not saved: the server does not answer. Leave this page open and try again.'
    else if (error.kind === 'changed') said.value = `Not saved: ${error.problem.detail}`
    else problems.value = Object.fromEntries((error.problem.fields ?? []).map(({ field, message }) => [field, message]))
  }
}

/** Fills the form with what somebody else saved meanwhile. */
async function showTheirs() {
  said.value = ''
  await firm.load().catch(() => (away.value = true))
  show(true)
}
</script>

<template>
  <main class="firm">
    <h1>Firm settings</h1>
    <p v-if="away" role="alert">The server does not answer: these are the last known settings.</p>
    <form @submit.prevent="save">
      <h2 class="eyebrow">What things cost</h2>
      <p class="dim">In your own money. The next check is the one with the least expected cost up to a proven repair.</p>
      <div class="field">
        <PlainSelect v-model="form.currency!" :items="[{ value: '', title: 'no sign, figures only' }, ...currencies]" label="Currency" />
      </div>
      <div v-for="one in fields" :key="one.key" class="field">
        <v-text-field v-model="form[one.key]" :label="one.label" inputmode="decimal" :error-messages="problems[`costs.${one.key}`]" />
        <p class="dim">{{ one.says }}</p>
      </div>
      <h2 class="eyebrow">On reports</h2>
      <div v-for="one in letterhead" :key="one.key" class="field">
        <v-text-field v-model="form[one.key]" :label="one.label" :maxlength="one.most" autocomplete="off" :error-messages="problems[`profile.${one.key}`]" />
      </div>
      <div class="field">
        <PlainSelect v-model="form.units!" :items="unitChoices" label="Units" />
      </div>
      <h2 class="eyebrow">How we work</h2>
      <p class="dim">Where practitioners disagree. What the firm does comes first in a plan; the sum stays beside it.</p>
      <div v-for="school in schools" :key="school.id" class="field">
        <PlainSelect
          v-model="form[`way ${school.id}`]!"
          :items="[{ value: '', title: 'as it comes' }, ...school.choices.map((one) => ({ value: one.id, title: one.label }))]"
          :label="school.question"
        />
        <p class="dim">{{ school.choices.find((one) => one.id === form[`way ${school.id}`])?.follows ?? unsaid(school) }}</p>
      </div>
      <h2 class="eyebrow">Clock</h2>
      <div class="field">
        <PlainSelect v-model="form.timeZone!" :items="zones" label="Time zone" />
        <p class="dim">Days and times are shown and typed in it, whatever the device is set to.</p>
      </div>
      <v-btn type="submit" color="primary" variant="flat">Save settings</v-btn>
      <p role="status">
        {{ said }}
        <v-btn v-if="said.startsWith('Not saved: Somebody')" variant="text" @click="showTheirs">Show theirs</v-btn>
      </p>
    </form>
  </main>
</template>

<style scoped>
.firm {
  width: 100%;
  max-width: 640px;
  margin: 0 auto;
  padding: 28px 20px 60px;
}
h1 {
  font-size: 1.9rem;
  margin-bottom: 18px;
}
h2 {
  margin-top: 30px;
}
.field {
  margin: 18px 0;
}
.field p {
  margin: 4px 0 0;
}
</style>
