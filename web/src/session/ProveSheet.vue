<script setup lang="ts">
import { passPhraseLength } from '@dewpoint/contract'
import { ref, watch } from 'vue'
import { Refused, sendProof } from '../keeping/api.ts'
import { me } from '../keeping/who.ts'
import ModalSheet from '../shared/pieces/ModalSheet.vue'
import { canPasskeys, PasskeyTrouble, proveWithPasskey } from './passkeys.ts'
import { askedToProve } from './proving.ts'

/** Whoever is about to change who may do what says once more that it is them; what they were about to do then goes on by itself. */
const passPhrase = ref('')
const busy = ref(false)
const trouble = ref('')
const can = canPasskeys()
// what one began is not gone on with by another
watch(
  () => me.value?.id,
  () => askedToProve.value?.(false),
)

async function saying(work: Promise<unknown>) {
  if (busy.value) return
  busy.value = true
  trouble.value = ''
  try {
    await work
    askedToProve.value?.(true)
  } catch (error) {
    trouble.value =
      error instanceof Refused || error instanceof PasskeyTrouble ? error.message : 'The server does not answer. This needs it: try again when there is signal.'
  } finally {
    busy.value = false
  }
}
function send() {
  if (passPhrase.value === '') trouble.value = 'Type your pass phrase.'
  else void saying(sendProof(passPhrase.value))
}
</script>

<template>
  <ModalSheet :model-value="true" label="prove-title" described="prove-why" @update:model-value="askedToProve?.(false)">
    <h1 id="prove-title" tabindex="-1">Is it still you, {{ me?.name }}?</h1>
    <p id="prove-why">What you are about to do changes who gets in. It holds for a quarter of an hour.</p>
    <form novalidate @submit.prevent="send">
      <input type="text" class="visually-hidden" autocomplete="username" tabindex="-1" aria-hidden="true" :value="me?.name" readonly />
      <v-text-field
        v-model="passPhrase"
        label="Your pass phrase"
        type="password"
        autocomplete="current-password"
        autofocus
        :maxlength="passPhraseLength.most"
        :aria-describedby="trouble ? 'prove-trouble' : undefined"
      />
      <p v-if="trouble" id="prove-trouble" role="alert" class="trouble">{{ trouble }}</p>
      <div class="acts">
        <v-btn type="submit" color="primary" variant="flat" :loading="busy">Go on</v-btn>
        <v-btn v-if="can" :disabled="busy" @click="saying(proveWithPasskey())">With a passkey</v-btn>
        <v-btn variant="text" @click="askedToProve?.(false)">Leave it</v-btn>
      </div>
    </form>
  </ModalSheet>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.trouble {
  margin: 0;
  color: var(--stop);
  font-weight: 600;
}
</style>
