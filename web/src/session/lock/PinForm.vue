<script setup lang="ts">
import { ref } from 'vue'
import { isPin, isPinOf, isSpent } from './pins.ts'

/** Asks somebody for their PIN on this device. */
const props = defineProps<{ person: string; name: string }>()
const emit = defineEmits<{ right: []; spent: [] }>()
const pin = ref('')
const trouble = ref('')
const busy = ref(false)

async function look() {
  if (busy.value || !isPin(pin.value)) return void (trouble.value = busy.value ? '' : 'Four to eight figures.')
  busy.value = true
  const right = await isPinOf(props.person, pin.value)
  busy.value = false
  pin.value = ''
  if (right) return emit('right')
  trouble.value = 'That is not it.'
  if (isSpent(props.person)) emit('spent')
}
</script>

<template>
  <form class="pin" novalidate @submit.prevent="look">
    <v-text-field
      v-model="pin"
      :label="`PIN of ${name}`"
      type="password"
      inputmode="numeric"
      maxlength="8"
      autocomplete="off"
      autofocus
      :error-messages="trouble"
      @update:model-value="trouble = ''"
    />
    <v-btn type="submit" color="primary" variant="flat" :loading="busy">Go on</v-btn>
  </form>
</template>

<style scoped>
.pin {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: start;
  gap: 10px;
}
.pin :deep(.v-btn) {
  min-height: 48px;
}
</style>
