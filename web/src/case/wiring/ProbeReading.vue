<script setup lang="ts">
import type { Payload } from '@dewpoint/core/casebook'
import type { NextCheck, Probing } from '@dewpoint/core/diagnosis'
import type { Probe } from '@dewpoint/core/wiring'
import { computed } from 'vue'
import OutcomePad from '../trace/pads/OutcomePad.vue'
import { numberResult } from '../trace/pads/padScale.ts'
import ReadingPad from '../trace/pads/ReadingPad.vue'

/** What a meter between the two probes should read, and the pad for what it does. */
const { expected } = defineProps<{
  /** why nothing can be read there */
  problem: string | null
  expected: Probing | null
  isolated: boolean
  meter: Probe
  /** little room: the map is over the whole screen */
  tight?: boolean
}>()
const emit = defineEmits<{ record: [payload: Payload<'reading'>] }>()
/** what the reading pads take: a check with its expected readings */
const next = computed<NextCheck | null>(() => {
  if (!expected) return null
  const { check, bits, parts, expected: each } = expected
  return { check: check.id, label: check.label, kind: check.kind, bits, minutes: check.minutes, cost: null, access: check.access, parts, expected: each }
})
const number = computed(() => (expected ? numberResult(expected.check) : null))
const healthy = computed(() => {
  if (!expected) return ''
  if (expected.healthy.volts !== undefined) return `${Math.round(expected.healthy.volts)} V`
  const { result } = expected.check
  return result.kind === 'outcome' ? result.outcomes.find((one) => one.id === expected.healthy.outcome)?.label : ''
})
</script>

<template>
  <div class="probe">
    <p v-if="problem" role="alert" class="caution">{{ problem }}</p>
    <template v-else-if="expected && next">
      <p class="healthy">
        Healthy: <strong class="mono">{{ healthy }}</strong>
        <template v-if="expected.healthy.floating && !isolated">
          floating: nothing joins the two.
          {{ meter === 'multimeter' ? 'What a multimeter shows there is picked up from cores beside it; the low-impedance tester settles it.' : '' }}
        </template>
      </p>
      <p v-for="line in expected.check.cautions" :key="line" class="caution">{{ line }}</p>
      <ReadingPad v-if="number" :class="{ tight }" :check="expected.check" :result="number" :next="next" @record="emit('record', $event)" />
      <OutcomePad v-else :check="expected.check" :next="next" @record="emit('record', $event)" />
    </template>
    <p v-else class="dim" aria-live="polite">Working out what each suspect would read…</p>
  </div>
</template>

<style scoped>
.probe {
  display: grid;
  gap: 10px;
  min-width: 0;
}
p {
  margin: 0;
}
.healthy strong {
  font-size: 1.25rem;
}
.caution {
  border-left: 3px solid var(--live);
  padding-left: 14px;
  color: var(--live);
  font-weight: 600;
}
</style>
