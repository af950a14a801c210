<script setup lang="ts">
import { readField, type Field } from '@dewpoint/core/bench'
import type { UnitSymbol } from '@dewpoint/core/quantity'
import { computed, reactive, watch } from 'vue'
import { useDraft } from '../../../keeping/device/drafts.ts'
import { wallNow } from '../../../shared/times.ts'
import PlainSelect from '../../../shared/pieces/PlainSelect.vue'
import SegmentSwitch from '../../../shared/pieces/SegmentSwitch.vue'
import type { Line } from './watchLines.ts'

/** Notes a reading or a top-up: when, what, and how the heating ran. */
const { draft, given } = defineProps<{
  /** name its draft is kept by */
  draft: string
  /** what was pressed on a course, or is asked for */
  given: Partial<Line> | null
}>()
const emit = defineEmits<{ add: [line: Line] }>()
const field: Field = { key: 'bar', label: 'Gauge', unit: 'bar', others: ['psi', 'kPa'], low: 0, high: 6 }
const now = wallNow()
const form = reactive({
  day: now.slice(0, 10),
  time: now.slice(11),
  bar: '',
  unit: 'bar' as UnitSymbol,
  kind: 'cold' as Line['kind'],
  heating: 'usual' as 'usual' | 'off' | 'on',
  loop: 'on' as 'on' | 'off',
})
const kept = useDraft(draft, form)
watch(
  () => given,
  (line) => {
    if (!line) return
    if (line.when) Object.assign(form, { day: line.when.slice(0, 10), time: line.when.slice(11) })
    if (line.kind) form.kind = line.kind
    if (line.bar !== undefined) Object.assign(form, { bar: line.bar === null ? '' : String(line.bar), unit: 'bar' })
    form.heating = line.heating ?? 'usual'
    form.loop = line.loopOff ? 'off' : 'on'
  },
)
const read = computed(() => readField(field, form.bar, form.unit))
const when = computed(() => (/^\d{4}-\d{2}-\d{2}$/.test(form.day) && /^\d{2}:\d{2}/.test(form.time) ? `${form.day}T${form.time.slice(0, 5)}` : null))
const trouble = computed(() => {
  if (read.value.problem) return read.value.problem
  if (when.value === null) return 'Give the day and the time.'
  if (when.value < '2000') return 'Give a day of this century.'
  return when.value > wallNow() ? 'That is still to come: a reading is noted when it was taken.' : null
})
const ready = computed(() => trouble.value === null && (read.value.value !== null || form.kind === 'topUp'))
function add() {
  if (!ready.value) return
  emit('add', {
    when: when.value!,
    bar: read.value.value,
    kind: form.kind,
    ...(form.kind !== 'topUp' && form.loop === 'off' && { loopOff: true }),
    ...(form.kind !== 'topUp' && form.heating !== 'usual' && { heating: form.heating }),
  })
  form.bar = ''
  kept.forget()
}
const kinds: { id: Line['kind']; label: string }[] = [
  { id: 'cold', label: 'Read cold' },
  { id: 'hot', label: 'Read hot' },
  { id: 'topUp', label: 'Topped up' },
]
</script>

<template>
  <form class="add" aria-label="Note a reading" @submit.prevent="add">
    <SegmentSwitch v-model="form.kind" label="What is noted" :choices="kinds" />
    <v-text-field v-model="form.day" type="date" label="Day" hide-details />
    <v-text-field v-model="form.time" type="time" label="Time" hide-details />
    <div class="bar">
      <v-text-field v-model="form.bar" :label="form.kind === 'topUp' ? 'up to' : 'Gauge'" inputmode="decimal" autocomplete="off" maxlength="8" hide-details />
      <PlainSelect v-model="form.unit" :items="['bar', 'psi', 'kPa']" hidden-label="Unit of the gauge" />
    </div>
    <template v-if="form.kind !== 'topUp'">
      <PlainSelect
        v-model="form.heating"
        label="Heating since the last"
        :items="[
          { value: 'usual', title: 'as every day' },
          { value: 'off', title: 'left off' },
          { value: 'on', title: 'on all the time' },
        ]"
      />
      <PlainSelect
        v-model="form.loop"
        label="Filling loop since the last"
        :items="[
          { value: 'on', title: 'in place' },
          { value: 'off', title: 'taken off or blanked' },
        ]"
      />
    </template>
    <v-btn type="submit" color="primary" variant="flat" :disabled="!ready">Note {{ form.kind === 'topUp' ? 'the top-up' : 'the reading' }}</v-btn>
    <p v-if="trouble && form.bar !== ''" role="alert" class="trouble">{{ trouble }}</p>
  </form>
</template>

<style scoped>
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 10px;
  align-items: center;
}
.add > .v-input {
  flex: 0 1 158px;
}
.add > .plain-select {
  flex: 1 1 190px;
}
.bar {
  display: flex;
  gap: 6px;
  flex: 1 1 190px;
}
.bar > .plain-select {
  flex: 0 0 84px;
}
.trouble {
  flex-basis: 100%;
  margin: 0;
  color: var(--stop);
  font-weight: 600;
}
@media (max-width: 760px) {
  .add > .v-input {
    flex: 1 1 130px;
  }
}
</style>
