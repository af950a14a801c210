<script setup lang="ts">
import type { Payload } from '@dewpoint/core/casebook'
import { computed, reactive, ref } from 'vue'
import { useDraft } from '../../../keeping/device/drafts.ts'
import PlainSelect from '../../../shared/pieces/PlainSelect.vue'
import { momentTyped, zone } from '../../../shared/times.ts'
import { useCase } from '../../caseStore.ts'

/** Writes down a dated event of the past: evidence like any other. */
type Event = Payload<'history'>['event']
const store = useCase()
const events: { value: Event; title: string }[] = [
  { value: 'topUp', title: 'Topped up' },
  { value: 'gaugeReading', title: 'Gauge read' },
  { value: 'codeReturned', title: 'Code came back' },
  { value: 'repair', title: 'Repaired' },
  { value: 'visit', title: 'Earlier visit' },
  { value: 'installation', title: 'Installed' },
]
const form = reactive({ event: 'topUp' as Event, on: '', time: '', value: '', unit: 'bar' as 'bar' | 'psi', code: '', note: '' })
const draft = useDraft(`case ${store.current?.id} history`, form)
const trouble = ref<string | null>(null)
const measured = computed(() => form.event === 'gaugeReading')
const codes = computed(() => {
  const result = store.catalogue?.checks.find((one) => one.answeredBy === 'codeReturned')?.result
  return result?.kind === 'outcome'
    ? result.outcomes.filter((one) => one.id !== 'none').map((one) => ({ value: one.label.split(' · ')[0]!, title: one.label }))
    : []
})

function add() {
  trouble.value = null
  if (!/^\d{4}-\d{2}-\d{2}$/.test(form.on)) return (trouble.value = 'Give the day.')
  const value = Number(form.value.replace(',', '.'))
  if (measured.value && (form.value.trim() === '' || !Number.isFinite(value) || value < 0)) return (trouble.value = 'Give what the gauge showed, such as 1.2.')
  if (measured.value && !/^\d{2}:\d{2}$/.test(form.time)) return (trouble.value = 'Give the time too: hours count between two readings.')
  if (form.event === 'codeReturned' && !(form.code || form.note.trim())) return (trouble.value = 'Say which code.')
  const on = measured.value ? momentTyped(form.on, form.time) : form.on
  if (on === null) return (trouble.value = `There was no ${form.time} on that day (${zone.value}): the clocks went forward. Give the time they showed.`)
  const title = events.find((one) => one.value === form.event)!.title
  store.write('history', {
    event: form.event,
    on,
    ...(measured.value && { value, unit: form.unit, note: `${title} ${form.time}: ${form.value} ${form.unit}` }),
    ...(form.event === 'codeReturned' && { note: form.code || form.note.trim() }),
    ...(!measured.value && form.event !== 'codeReturned' && { note: form.note.trim() || title }),
  })
  form.value = ''
  form.note = ''
  draft.forget()
  return null
}
</script>

<template>
  <form class="history" aria-label="What happened before" @submit.prevent="add">
    <div class="fields">
      <PlainSelect v-model="form.event" :items="events" label="What" />
      <v-text-field v-model="form.on" type="date" label="Day" />
      <template v-if="measured">
        <v-text-field v-model="form.time" type="time" label="Time" />
        <v-text-field v-model="form.value" label="It showed" inputmode="decimal" />
        <PlainSelect v-model="form.unit" :items="['bar', 'psi']" hidden-label="Unit of the gauge" />
      </template>
      <PlainSelect v-else-if="form.event === 'codeReturned' && codes.length > 0" v-model="form.code" :items="codes" label="Code" />
      <v-text-field v-else v-model="form.note" label="Words, if any" maxlength="200" />
      <v-btn type="submit">Record the event</v-btn>
    </div>
    <p v-if="trouble" role="alert" class="trouble">{{ trouble }}</p>
  </form>
</template>

<style scoped>
.history {
  margin-bottom: 26px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 14px 12px;
  margin-top: 14px;
}
.trouble {
  color: var(--stop);
  margin: 8px 0 0;
}
</style>
