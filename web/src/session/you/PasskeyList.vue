<script setup lang="ts">
import { mostPasskeys, ownerOnly, type Passkeys } from '@dewpoint/contract'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { fetchPasskeys, Refused, sendOnlyPasskey, sendPasskeyRemoved } from '../../keeping/api.ts'
import { ago, exactly } from '../../shared/times.ts'
import { byName, canPasskeys, makePasskey, PasskeyTrouble } from '../passkeys.ts'
import { iMay, thisDevice } from '../session.ts'

/** Passkeys of whoever works here: a finger, a face or the telephone’s own PIN instead of a pass phrase. */
const passkeys = shallowRef<Passkeys['passkeys'] | null>(null)
/** the pass phrase alone lets nobody in */
const only = ref(false)
const busy = ref(false)
const trouble = ref('')
const said = ref('')
const can = canPasskeys()
const elsewhere = byName()

function take(answer: Passkeys) {
  passkeys.value = answer.passkeys
  only.value = answer.only
}
async function load() {
  try {
    take(await fetchPasskeys())
    trouble.value = ''
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
onMounted(load)

async function doing(work: () => Promise<Passkeys>, done: string) {
  if (busy.value) return
  busy.value = true
  trouble.value = said.value = ''
  try {
    take(await work())
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
const add = () => doing(() => makePasskey(thisDevice()), 'Made. From now on this device can sign you in.')
const remove = (one: Passkeys['passkeys'][number]) =>
  doing(() => sendPasskeyRemoved(one.id), `Removed: ${one.label} signs nobody in any more. Take it out of the device’s own list as well.`)
const turn = () =>
  only.value
    ? doing(() => sendOnlyPasskey(false), 'Your pass phrase alone lets you in again.')
    : doing(() => sendOnlyPasskey(true), 'From now on it takes a passkey: your pass phrase alone lets nobody in.')
const enough = computed(() => {
  if (only.value) return 'Your pass phrase alone lets nobody in: it takes a passkey.'
  if (passkeys.value?.length === 1)
    return 'Your pass phrase alone lets you in as well. Make a second passkey on another device before you turn that off: a lost telephone would lock you out.'
  return `Your pass phrase alone lets you in as well${iMay(ownerOnly) ? ', and whoever learns it: for an owner only a passkey is better' : ''}.`
})
const stands = (one: Passkeys['passkeys'][number]) => (one.usedAt ? `used ${ago(one.usedAt)}` : `made ${ago(one.madeAt)}, not used yet`)
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
    <v-btn v-if="can && passkeys && passkeys.length < mostPasskeys" class="make" @click="add">Make a passkey on this device</v-btn>
    <p v-else-if="elsewhere">
      Open Dewpoint by its name for that: <a :href="`${elsewhere}/you`">{{ elsewhere }}</a>.
    </p>
    <p v-else-if="!can">This browser makes none here.</p>
    <p v-if="passkeys && passkeys.length > 0" class="only">
      <span>{{ enough }}</span>
      <v-btn size="small" :disabled="busy" @click="turn">{{ only ? 'Let the pass phrase be enough' : 'Only with a passkey' }}</v-btn>
    </p>
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
.only {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
  margin: 10px 0;
}
.make {
  min-height: 48px;
  margin-top: 10px;
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
