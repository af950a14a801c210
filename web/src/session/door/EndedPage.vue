<script setup lang="ts">
import { ref } from 'vue'
import { emptyThisDevice } from './emptying.ts'

/** The firm has signed this device out, and it could not be emptied yet: nothing of it is shown. */
const busy = ref(false)
async function again() {
  busy.value = true
  await emptyThisDevice()
  busy.value = false
}
</script>

<template>
  <main id="work" class="ended">
    <h1>This device was signed out by the firm</h1>
    <p>What it has not sent is handed to the owner, then it is emptied. That needs the server, which does not answer now.</p>
    <v-btn :loading="busy" @click="again">Try again</v-btn>
  </main>
</template>

<style scoped>
.ended {
  max-width: 560px;
  margin: 0 auto;
  padding: 48px 16px;
}
</style>
