<script setup lang="ts">
import { mostPasskeys, passPhraseLength, type PasskeyLine } from '@dewpoint/contract'
import { onMounted, ref, shallowRef } from 'vue'
import { fetchPasskeys, Refused, sendPasskeyRemoved } from '../../keeping/api.ts'
import { ago, exactly } from '../../shared/times.ts'
import { byName, canPasskeys, makePasskey, PasskeyTrouble } from '../passkeys.ts'
import { thisDevice, useSession } from '../session.ts'

/** Passkeys of whoever works here: a finger, a face or the telephone’s own PIN instead of a pass phrase. */
const session = useSession()
const passkeys = shallowRef<PasskeyLine[] | null>(null)
const passPhrase = ref('')
const busy = ref(false)
const trouble = ref('')
const said = ref('')
const can = canPasskeys()
const elsewhere = byName()

async function load() {
  try {
    passkeys.value = (await fetchPasskeys()).passkeys
    trouble.value = ''
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
onMounted(load)

async function doing(work: () => Promise<{ passkeys: PasskeyLine[] }>, done: string) {
  if (busy.value) return
  busy.value = true
  trouble.value = said.value = ''
  try {
    passkeys.value = (await work()).passkeys
    passPhrase.value = ''
    said.value = done
  } catch (error) {
    const known = error instanceof Refused || error instanceof PasskeyTrouble
    const field = error instanceof Refused ? error.problem.fields?.[0]?.message : undefined
    trouble.value = field
      ? `${field.replace(/^./, (first) => first.toUpperCase())}.`
      : known
        ? error.message
        : 'The server does not answer. This needs it: try again when there is signal.'
  } finally {
    busy.value = false
  }
}
const add = () => doing(() => makePasskey(passPhrase.value, thisDevice()), 'Made. From now on this device can sign you in.')
const remove = (one: PasskeyLine) =>
  doing(() => sendPasskeyRemoved(one.id), `Removed: ${one.label} signs nobody in any more. Take it out of the device’s own list as well.`)
const stands = (one: PasskeyLine) => (one.usedAt ? `used ${ago(one.usedAt)}` : `made ${ago(one.madeAt)}, not used yet`)
</script>

<template>
  <section aria-labelledby="passkeys-title">
    <h2 id="passkeys-title">Passkeys</h2>
    <p class="dim">Sign in with a finger, a face or the device’s own PIN. The key never leaves the device or its keyring; nobody can read it off you.</p>
    <ul v-if="passkeys && passkeys.length > 0" class="keys">
      <li v-for="one in passkeys" :key="one.id">
        <strong>{{ one.label }}</strong>
        <span class="dim" :title="exactly(one.usedAt ?? one.madeAt)">{{ stands(one) }}</span>
        <v-btn size="small" :disabled="busy" :aria-label="`Remove the passkey ${one.label}, ${stands(one)}`" @click="remove(one)">Remove</v-btn>
      </li>
    </ul>
    <form v-if="can && passkeys && passkeys.length < mostPasskeys" class="line" novalidate @submit.prevent="add">
      <input type="text" class="visually-hidden" autocomplete="username" tabindex="-1" aria-hidden="true" :value="session.me.value?.name" readonly />
      <v-text-field
        v-if="!session.isDemo.value"
        v-model="passPhrase"
        label="Your pass phrase"
        type="password"
        autocomplete="current-password"
        :maxlength="passPhraseLength.most"
      />
      <v-btn type="submit" :loading="busy" :disabled="!session.isDemo.value && passPhrase === ''">Make a passkey on this device</v-btn>
    </form>
    <p v-else-if="elsewhere">
      Open Dewpoint by its name for that: <a :href="`${elsewhere}/you`">{{ elsewhere }}</a>.
    </p>
    <p v-else-if="!can">This browser makes none here.</p>
    <p v-if="trouble" role="alert" class="trouble">{{ trouble }}</p>
    <p v-if="said" role="status">{{ said }}</p>
  </section>
</template>

<style scoped>
section {
  margin-top: 28px;
  padding-top: 18px;
  border-top: 1px solid var(--rule);
}
h2 {
  font-size: 1.1875rem;
  margin-bottom: 4px;
}
.keys {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
}
.keys li {
  display: grid;
  grid-template-columns: 1fr auto auto;
  align-items: center;
  gap: 4px 16px;
  min-height: 56px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: start;
  gap: 8px;
  margin-top: 10px;
}
.line > :deep(.v-input) {
  flex: 1 1 200px;
  max-width: 300px;
}
.line > .v-btn {
  min-height: 48px;
}
.trouble {
  color: var(--stop);
  font-weight: 600;
}
@media (max-width: 760px) {
  .keys li {
    grid-template-columns: 1fr auto;
  }
  .keys strong {
    grid-column: 1 / -1;
  }
}
</style>
