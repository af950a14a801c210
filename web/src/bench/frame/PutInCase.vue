<script setup lang="ts">
import { controlsOf, type Payload } from '@dewpoint/core/casebook'
import { impossibility, type Check } from '@dewpoint/core/diagnosis'
import { formatQuantity } from '@dewpoint/core/quantity'
import { catalogueFor } from '@dewpoint/trade'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useCase } from '../../case/caseStore.ts'
import { saidOf, type Needs } from '../../case/trace/pads/needs.ts'
import NeedsTicks from '../../case/trace/pads/NeedsTicks.vue'
import { numberResult } from '../../case/trace/pads/padScale.ts'
import { fetchCases } from '../../keeping/api.ts'
import { keptCases } from '../../keeping/device/device.ts'
import { lineOf } from '../../keeping/device/recentCases.ts'
import { myName } from '../../keeping/who.ts'
import ModalSheet from '../../shared/pieces/ModalSheet.vue'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import { doublePressGuard } from '../../shared/pieces/doublePressGuard.ts'
import type { BenchReading } from './benchReading.ts'

/** Records what was measured on the bench as readings of a case, each with what it needs. */
const shown = defineModel<boolean>({ required: true })
const {
  readings,
  events = [],
  caseId = '',
} = defineProps<{
  readings: BenchReading[]
  /** what happened before, such as a gauge read over days */
  events?: Payload<'history'>[]
  caseId?: string
}>()
const emit = defineEmits<{ recorded: [caseId: string] }>()
const store = useCase()
const open = shallowRef<{ value: string; title: string }[] | null>(null)
const chosen = ref(caseId)
const left = ref<number[]>([])
const said = ref<Record<string, Needs>>({})
const done = ref<{ count: number; place: string } | null>(null)
const busy = ref(false)
const isMeant = doublePressGuard()

onMounted(async () => {
  const { cases } = await fetchCases().catch(async () => ({ cases: (await keptCases().catch(() => [])).map(lineOf) }))
  open.value = cases.flatMap(({ id, site, summary }) =>
    summary.closed && id !== caseId ? [] : [{ value: id, title: [site.name, site.address].filter(Boolean).join(', ') }],
  )
  // a case that is closed, or of long ago, is on no list
  if (caseId && !open.value.some(({ value }) => value === caseId)) open.value = [{ value: caseId, title: 'The case it was opened from' }, ...open.value]
  chosen.value ||= open.value[0]?.value ?? ''
})
watch(chosen, (id) => id && store.current?.id !== id && void store.open(id), { immediate: true })

const there = computed(() => (store.current?.id === chosen.value ? store.current : null))
const catalogue = computed(() =>
  there.value ? (catalogueFor(there.value.appliance.system, controlsOf(store.entries, there.value.controls)) ?? store.catalogue) : null,
)
const rows = computed(() =>
  readings.map((reading) => {
    const check = reading.checks.flatMap((id) => catalogue.value?.checks.find((one) => one.id === id) ?? [])[0]
    const result = check && numberResult(check)
    return { reading, check, trouble: result ? impossibility(result, reading.value, reading.unit) : null }
  }),
)
const taken = computed(() => rows.value.filter(({ check, trouble }, index) => check && !trouble && !left.value.includes(index)))
const count = computed(() => taken.value.length + events.length)
const needsOf = (check: Check) => said.value[check.id] ?? { drained: false, powerOff: false }

function payloadOf({ value, unit, at }: BenchReading, check: Check): Payload<'reading'> {
  const instrument = numberResult(check)?.instrument
  return {
    check: check.id,
    value,
    unit,
    ...(instrument && { instrument }),
    sureness: 'sure',
    situation: { demand: check.situation.demand, ...saidOf(check, needsOf(check)), ...(at && { temperature: at }) },
  }
}
async function record() {
  if (!isMeant() || !there.value || count.value === 0 || busy.value) return
  busy.value = true
  const written = count.value
  await store.writeAll(
    'reading',
    taken.value.map(({ reading, check }) => payloadOf(reading, check!)),
  )
  await store.writeAll('history', [...events])
  busy.value = false
  emit('recorded', there.value.id)
  done.value = { count: written, place: there.value.site.name }
}
const turn = (index: number) => (left.value = left.value.includes(index) ? left.value.filter((one) => one !== index) : [...left.value, index])
</script>

<template>
  <ModalSheet v-model="shown" label="put-title">
    <h1 id="put-title" tabindex="-1">Put this in a case</h1>
    <template v-if="done">
      <p role="status">{{ done.count }} {{ done.count === 1 ? 'reading' : 'readings' }} recorded in {{ done.place }} by {{ myName }}.</p>
      <div class="acts">
        <v-btn color="primary" variant="flat" :to="{ name: 'case', params: { id: chosen, phase: 'trace' } }">Open the case</v-btn>
        <v-btn variant="text" @click="shown = false">Stay on the bench</v-btn>
      </div>
    </template>
    <template v-else>
      <p v-if="!open" class="dim" aria-live="polite">Fetching the cases…</p>
      <p v-else-if="open.length === 0">No case is open. Take a call first; what is typed here stays.</p>
      <template v-else>
        <PlainSelect v-model="chosen" label="Case" :items="open" />
        <p v-if="store.trouble && !there" role="alert" class="trouble">{{ store.trouble }}</p>
        <p v-else-if="!there" class="dim" aria-live="polite">Fetching the case…</p>
        <p v-if="there && events.length > 0">{{ events.length }} readings and top-ups of the gauge, each at its time.</p>
        <ul v-if="there && rows.length > 0" aria-label="Readings to record">
          <li v-for="({ reading, check, trouble }, index) in rows" :key="index">
            <v-checkbox
              v-if="check && !trouble"
              :model-value="!left.includes(index)"
              :label="`${check.label}: ${formatQuantity(reading.value, reading.unit)}${reading.at ? ` at ${formatQuantity(reading.at.value, reading.at.unit)}` : ''}`"
              hide-details
              density="compact"
              @update:model-value="turn(index)"
            />
            <p v-else class="dim">{{ formatQuantity(reading.value, reading.unit) }}: {{ trouble ?? 'this boiler has no such check, so it is left out.' }}</p>
            <NeedsTicks
              v-if="check && !trouble && !left.includes(index)"
              :model-value="needsOf(check)"
              :check="check"
              class="needs"
              @update:model-value="said = { ...said, [check.id]: $event }"
            />
          </li>
        </ul>
      </template>
      <div class="acts">
        <v-btn color="primary" variant="flat" :disabled="!there || count === 0 || busy" @click="record"
          >Record {{ count }} {{ count === 1 ? 'reading' : 'readings' }}</v-btn
        >
        <v-btn variant="text" @click="shown = false">Cancel</v-btn>
      </div>
    </template>
  </ModalSheet>
</template>

<style scoped>
h1 {
  font-size: 1.375rem;
  margin-bottom: 14px;
}
ul {
  list-style: none;
  margin: 10px 0;
  padding: 0;
}
li {
  border-bottom: 1px solid var(--rule);
  padding: 4px 0;
}
li p {
  margin: 6px 0;
}
.needs {
  padding-left: 28px;
}
.trouble {
  color: var(--stop);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-top: 14px;
}
</style>
