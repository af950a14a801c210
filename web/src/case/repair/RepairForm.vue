<script setup lang="ts">
import type { Payload } from '@dewpoint/core/casebook'
import { usualCosts, type Remedy } from '@dewpoint/core/diagnosis'
import { computed, onMounted, reactive, ref, useTemplateRef } from 'vue'
import { useDraft } from '../../keeping/device/drafts.ts'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import { useFirm } from '../../firm/firmStore.ts'
import { money } from '../../shared/money.ts'
import { useStock } from '../../van/stockStore.ts'
import { useCase } from '../caseStore.ts'
import { numberTyped } from '../../shared/numbers.ts'

/** What was really done: filled in with what is usual, written down as it was. */
const props = defineProps<{ remedy: Remedy; /** what it is done for, where that is known */ faults: string[] }>()
const emit = defineEmits<{ done: [repair: Payload<'repair'>]; cancel: [] }>()

const store = useCase()
/** of what mends one at a time: which, the likeliest first */
const ones = computed(() =>
  props.remedy.each
    ? props.remedy.mends
        .map((id) => ({ value: id, title: store.catalogue?.faults.find((one) => one.id === id)?.label ?? id, share: store.diagnosis?.faults[id] ?? 0 }))
        .sort((a, b) => b.share - a.share)
    : [],
)
const which = ref(props.faults[0] ?? ones.value[0]?.value ?? '')
const minutes = ref(String(props.remedy.minutes))
const stock = useStock()
onMounted(() => stock.load().catch(() => undefined))
const priceOf = (name: string) => stock.lines.find((one) => one.part === name.trim())?.counts
const parts = ref(props.remedy.parts.map((name) => ({ name, quantity: '1', price: priceText(name) })))
function priceText(name: string): string {
  const known = priceOf(name)
  return known === undefined ? '' : String(known)
}
/** another part is another price, unless somebody has typed one */
function named(part: { name: string; price: string }, before: string) {
  if (part.price === '' || part.price === priceText(before)) part.price = priceText(part.name)
}
const firm = useFirm()
const perHour = computed(() => ({ ...usualCosts, ...firm.settings?.costs, ...store.current?.settings }).hourlyRate)
const sums = computed(() => {
  const of = parts.value.reduce((sum, one) => sum + (numberTyped(one.quantity) || 0) * (numberTyped(one.price) || 0), 0)
  return { parts: of, time: ((numberTyped(minutes.value) || 0) / 60) * perHour.value }
})
const note = ref('')
const draft = useDraft(`case ${store.current?.id} repair ${props.remedy.id}`, reactive({ which, minutes, parts, note }))
const asked = ref(false)
const first = useTemplateRef<{ focus(): void }>('first')
onMounted(() => first.value?.focus())

/** longest a repair takes on one day, minutes */
const longest = 1440
const trouble = computed(() => {
  const took = numberTyped(minutes.value)
  return took >= 0 && took <= longest ? null : `Give the minutes it took, 0 to ${longest}.`
})
const partTrouble = (quantity: string) => {
  const many = numberTyped(quantity)
  return many >= 0 && many <= 100 ? null : 'How many, 0 to 100.'
}

const priceTrouble = (price: string) =>
  price.trim() === '' || (numberTyped(price) >= 0 && numberTyped(price) <= 100_000) ? null : 'A price, 0 to 100 000, or nothing.'

function record() {
  asked.value = true
  if (trouble.value || parts.value.some((one) => one.name.trim() && (partTrouble(one.quantity) || priceTrouble(one.price)))) return
  const fitted = parts.value
    .map(({ name, quantity, price }) => ({ name: name.trim(), quantity: numberTyped(quantity), ...(price.trim() !== '' && { price: numberTyped(price) }) }))
    .filter((one) => one.name && one.quantity > 0)
  draft.forget()
  emit('done', {
    remedy: props.remedy.id,
    faults: props.remedy.each ? [which.value] : props.faults.length > 0 ? props.faults : props.remedy.mends,
    result: 'unknown',
    minutes: numberTyped(minutes.value),
    parts: fitted,
    ...(note.value.trim() && { note: note.value.trim() }),
  })
}
</script>

<template>
  <form class="record" :aria-label="`${remedy.label}: what was done`" @submit.prevent="record" @keydown.esc.stop="emit('cancel')">
    <PlainSelect v-if="ones.length > 1" v-model="which" :items="ones" label="Which one" />
    <v-text-field
      ref="first"
      v-model="minutes"
      label="Minutes it took"
      inputmode="decimal"
      maxlength="8"
      :error-messages="asked && trouble ? trouble : undefined"
    />
    <div v-for="(part, index) in parts" :key="index" class="part">
      <v-text-field
        :model-value="part.name"
        label="Part fitted"
        maxlength="120"
        list="known-parts"
        autocomplete="off"
        @update:model-value="
          (name: string) => {
            const before = part.name
            part.name = name
            named(part, before)
          }
        "
      />
      <v-text-field
        v-model="part.quantity"
        label="How many"
        inputmode="decimal"
        maxlength="8"
        :error-messages="asked && part.name.trim() ? (partTrouble(part.quantity) ?? undefined) : undefined"
      />
      <v-text-field
        v-model="part.price"
        label="Price each"
        inputmode="decimal"
        maxlength="10"
        :error-messages="asked && part.name.trim() ? (priceTrouble(part.price) ?? undefined) : undefined"
      />
    </div>
    <v-btn variant="text" class="more" :disabled="parts.length >= 20" @click="parts.push({ name: '', quantity: '1', price: '' })">Add a part</v-btn>
    <datalist id="known-parts">
      <option v-for="one in stock.lines" :key="one.part" :value="one.part">{{ one.alsoCalled }}</option>
    </datalist>
    <p class="dim sums" role="status">
      Parts <strong class="mono">{{ money(sums.parts, true) }}</strong>, time <strong class="mono">{{ money(sums.time, true) }}</strong>
    </p>
    <v-text-field v-model="note" label="Note" maxlength="500" />
    <div class="acts">
      <v-btn type="submit" color="primary" variant="flat">Record the repair</v-btn>
      <v-btn variant="text" @click="emit('cancel')">Not done</v-btn>
    </div>
  </form>
</template>

<style scoped>
.record {
  display: grid;
  gap: 12px;
  padding: 12px 0 4px;
}
.part {
  display: grid;
  grid-template-columns: 1fr 7.5rem 7.5rem;
  gap: 12px;
}
.more {
  justify-self: start;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
