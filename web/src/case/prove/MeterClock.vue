<script setup lang="ts">
import { heatInput, referenceGases } from '@dewpoint/core/physics'
import { convert } from '@dewpoint/core/quantity'
import { computed, onBeforeUnmount, reactive, ref } from 'vue'
import { useDraft } from '../../keeping/device/drafts.ts'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import SegmentSwitch from '../../shared/pieces/SegmentSwitch.vue'
import { useCase } from '../caseStore.ts'
import { seconds as secondsOf } from './meterTime.ts'
import { numberTyped } from '../../shared/numbers.ts'

/** Times the gas meter, metric or imperial, and says what it comes to; whatever was started goes on through a reload. */
const emit = defineEmits<{ rate: [cubicMetresPerHour: number] }>()
const store = useCase()
const form = reactive({ meter: 'metric' as 'metric' | 'imperial', volume: '', calorific: '', startedAt: 0, stoppedAt: 0, typed: '' })
useDraft(`case ${store.current?.id} meter clock`, form)
const gas = computed(() => (store.catalogue?.system.gas === 'propane' ? 'propane' : 'naturalGas'))
const now = ref(Date.now())
const ticking = window.setInterval(() => (now.value = Date.now()), 200)
onBeforeUnmount(() => window.clearInterval(ticking))

const running = computed(() => form.startedAt > 0 && form.stoppedAt === 0)
const elapsed = computed(() => secondsOf(form.typed, form.startedAt, form.stoppedAt, now.value))
function press() {
  form.typed = ''
  if (running.value) form.stoppedAt = Date.now()
  else Object.assign(form, { startedAt: Date.now(), stoppedAt: 0 })
}
const volumes = { metric: ['0.01', '0.02', '0.05', '0.1'], imperial: ['1', '2', '5'] }
const volume = computed(() => {
  const typed = numberTyped(form.volume || volumes[form.meter][0]!)
  return typed > 0 && typed <= 1000 ? typed : NaN
})
const unit = computed(() => (form.meter === 'metric' ? ('m³' as const) : ('ft³' as const)))
const litres = computed(() => convert(volume.value, unit.value, 'l'))
/** heating value of the bill, or of the reference gas */
const gross = computed(() => {
  const typed = numberTyped(form.calorific)
  return typed > 5 && typed < 150 ? typed : referenceGases[gas.value].gross
})
const done = computed(() => !running.value && elapsed.value > 0 && Number.isFinite(litres.value))
const rate = computed(() => (done.value ? (litres.value / 1000 / elapsed.value) * 3600 : null))
const kilowatts = computed(() => {
  if (!done.value) return null
  const { gross: reference, net } = referenceGases[gas.value]
  const input = heatInput(litres.value, elapsed.value, gross.value)
  return { gross: input, net: input * (net / reference) }
})
</script>

<template>
  <div class="clock">
    <SegmentSwitch
      v-model="form.meter"
      label="Meter"
      :choices="[
        { id: 'metric', label: 'm³' },
        { id: 'imperial', label: 'ft³' },
      ]"
    />
    <PlainSelect
      :model-value="form.volume || volumes[form.meter][0]!"
      label="Volume timed"
      :items="volumes[form.meter].map((one) => ({ value: one, title: `${one} ${unit}` }))"
      @update:model-value="form.volume = $event"
    />
    <v-text-field
      v-model="form.calorific"
      label="Heating value of the bill, MJ/m³"
      inputmode="decimal"
      maxlength="6"
      :placeholder="String(gross)"
      hide-details
    />
    <button type="button" class="press" :class="{ running }" @click="press">
      <strong class="mono">{{ elapsed.toFixed(running ? 0 : 1) }} s</strong>
      <span>{{ running ? 'Stop' : form.startedAt ? 'Start again' : 'Start' }}</span>
    </button>
    <v-text-field v-model="form.typed" label="or seconds by the watch" inputmode="decimal" maxlength="6" hide-details />
    <p v-if="rate !== null && kilowatts" class="out" role="status">
      <strong class="mono">{{ rate.toFixed(2) }} m³/h</strong>, <strong class="mono">{{ kilowatts.gross.toFixed(1) }} kW</strong> gross,
      <strong class="mono">{{ kilowatts.net.toFixed(1) }} kW</strong> net
      <v-btn @click="emit('rate', rate)">Record {{ rate.toFixed(2) }} m³/h</v-btn>
    </p>
    <p class="dim">Highest-rate function, every other appliance off. One whole revolution of the dial, or two minutes and more.</p>
  </div>
</template>

<style scoped>
.clock {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 10px;
  align-items: center;
  padding: 10px 0 12px;
}
.press {
  min-height: 72px;
  display: grid;
  place-content: center;
  text-align: center;
  border: 2px solid var(--ink);
  border-radius: 12px;
  background: var(--sheet);
  color: inherit;
  cursor: pointer;
}
.press.running {
  border-color: var(--copper);
  background: color-mix(in srgb, var(--copper) 14%, var(--sheet));
}
.press strong {
  font-size: 1.375rem;
}
.out,
.clock > .dim {
  grid-column: 1 / -1;
  margin: 0;
}
.out {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
}
</style>
