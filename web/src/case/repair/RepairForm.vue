<script setup lang="ts">
import type { Payload } from '@dewpoint/core/casebook'
import type { Remedy } from '@dewpoint/core/diagnosis'
import { computed, onMounted, reactive, ref, useTemplateRef } from 'vue'
import { useDraft } from '../../keeping/device/drafts.ts'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import { useCase } from '../caseStore.ts'

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
const parts = ref(props.remedy.parts.map((name) => ({ name, quantity: '1' })))
const note = ref('')
const draft = useDraft(`case ${store.current?.id} repair ${props.remedy.id}`, reactive({ which, minutes, parts, note }))
const asked = ref(false)
const first = useTemplateRef<{ focus(): void }>('first')
onMounted(() => first.value?.focus())

const numberOf = (text: string) => (text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')))
/** longest a repair takes on one day, minutes */
const longest = 1440
const trouble = computed(() => {
  const took = numberOf(minutes.value)
  return took >= 0 && took <= longest ? null : `Give the minutes it took, 0 to ${longest}.`
})
const partTrouble = (quantity: string) => {
  const many = numberOf(quantity)
  return many >= 0 && many <= 100 ? null : 'How many, 0 to 100.'
}

function record() {
  asked.value = true
  if (trouble.value || parts.value.some((one) => one.name.trim() && partTrouble(one.quantity))) return
  const fitted = parts.value.map(({ name, quantity }) => ({ name: name.trim(), quantity: numberOf(quantity) })).filter((one) => one.name && one.quantity > 0)
  draft.forget()
  emit('done', {
    remedy: props.remedy.id,
    faults: props.remedy.each ? [which.value] : props.faults.length > 0 ? props.faults : props.remedy.mends,
    result: 'unknown',
    minutes: numberOf(minutes.value),
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
      <v-text-field v-model="part.name" label="Part fitted" maxlength="120" />
      <v-text-field
        v-model="part.quantity"
        label="How many"
        inputmode="decimal"
        maxlength="8"
        :error-messages="asked && part.name.trim() ? (partTrouble(part.quantity) ?? undefined) : undefined"
      />
    </div>
    <v-btn variant="text" class="more" :disabled="parts.length >= 20" @click="parts.push({ name: '', quantity: '1' })">Add a part</v-btn>
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
  grid-template-columns: 1fr 8rem;
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
