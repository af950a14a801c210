<script setup lang="ts">
import { reactive, ref } from 'vue'
import { useDraft } from '../../keeping/device/drafts.ts'
import { useCase } from '../caseStore.ts'

/** Writes down what the customer was told, and what was declined. */
const store = useCase()
const what = ref('')
const draft = useDraft(`case ${store.current?.id} advice`, reactive({ what }))
const trouble = ref<string | null>(null)
function write(answer: 'given' | 'declined') {
  if (what.value.trim().length < 5) return (trouble.value = 'Say in a few words what was advised.')
  trouble.value = null
  store.write('advice', { what: what.value.trim(), answer })
  what.value = ''
  draft.forget()
  return null
}
</script>

<template>
  <form class="advice" aria-label="Advice" @submit.prevent="write('given')">
    <v-text-field v-model="what" label="Anything else advised" maxlength="300" :error-messages="trouble ?? undefined" />
    <v-btn type="submit">Told</v-btn>
    <v-btn variant="text" @click="write('declined')">Advised, declined</v-btn>
  </form>
</template>

<style scoped>
.advice {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 8px;
  align-items: start;
  border-top: 1px solid var(--rule);
  padding-top: 14px;
}
@media (max-width: 600px) {
  .advice {
    grid-template-columns: 1fr;
  }
}
</style>
