<script setup lang="ts">
import type { Role } from '@dewpoint/contract'
import { roleWords } from '../roleWords.ts'

/** A place that is for others. */
const props = defineProps<{ who: readonly Role[] }>()
const whom = props.who.map((one) => (one === 'engineer' ? 'an engineer' : `the ${roleWords[one]}`)).join(' or ')
</script>

<template>
  <main class="not-for">
    <h1>This is for {{ whom }}</h1>
    <p>You are signed in as somebody else. A colleague can sign in on this device by the letters at the top.</p>
    <v-btn :to="{ name: 'library' }">To the Library</v-btn>
  </main>
</template>

<style scoped>
.not-for {
  max-width: 560px;
  margin: 0 auto;
  padding: 48px 16px;
}
</style>
