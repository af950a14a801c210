<script setup lang="ts">
import { readFirmCosts, type FirmCosts } from '@dewpoint/contract'
import { usualCosts } from '@dewpoint/core/diagnosis'
import { onMounted, reactive, ref } from 'vue'
import { fetchCosts, Refused, sendCosts } from '../shared/api.ts'

/** What things cost the firm: the next check is weighed by it. */
const fields: { key: keyof FirmCosts; label: string; says: string }[] = [
  { key: 'hourlyRate', label: 'An hour on site', says: 'Every check and repair is paid by the minute.' },
  { key: 'secondTrip', label: 'A second trip', says: 'The way, and the customer’s patience. The hour there comes on top.' },
  { key: 'wrongPart', label: 'A part condemned in vain', says: 'Beyond its price and the time: trust. The higher, the surer before a part is changed.' },
]
const form = reactive<Record<keyof FirmCosts, string>>({ hourlyRate: '', secondTrip: '', wrongPart: '' })
const problems = ref<Partial<Record<string, string>>>({})
const said = ref('')
const away = ref(false)

const show = (costs: FirmCosts) => {
  for (const { key } of fields) form[key] = String(costs[key])
}
onMounted(async () => {
  try {
    show((await fetchCosts()) ?? usualCosts)
  } catch {
    away.value = true
    show(usualCosts)
  }
})

async function keep() {
  said.value = ''
  const numberOf = (text: string) => (text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')))
  const parsed = readFirmCosts(Object.fromEntries(fields.map(({ key }) => [key, numberOf(form[key])])))
  problems.value = parsed.ok ? {} : Object.fromEntries(parsed.problems.map(({ field, message }) => [field, message]))
  if (!parsed.ok) return
  try {
    await sendCosts(parsed.value)
    away.value = false
    said.value = 'Kept. Every case is weighed by it from now on.'
  } catch (error) {
    if (error instanceof Refused) problems.value = Object.fromEntries((error.problem.fields ?? []).map(({ field, message }) => [field, message]))
    else said.value = 'Not kept: the server does not answer. Leave this page open and try again.'
  }
}
</script>

<template>
  <main class="firm">
    <h1>What things cost</h1>
    <p class="dim">In your own money. The next check is the one with the least expected cost up to a proven repair.</p>
    <p v-if="away" role="alert">The server does not answer: these are the usual figures, not yours.</p>
    <form @submit.prevent="keep">
      <div v-for="one in fields" :key="one.key" class="field">
        <v-text-field v-model="form[one.key]" :label="one.label" inputmode="decimal" :error-messages="problems[one.key]" />
        <p class="dim">{{ one.says }}</p>
      </div>
      <v-btn type="submit" color="primary" variant="flat">Keep</v-btn>
      <p role="status">{{ said }}</p>
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
  margin-bottom: 6px;
}
.field {
  margin: 18px 0;
}
.field p {
  margin: 4px 0 0;
}
</style>
