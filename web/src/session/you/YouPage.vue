<script setup lang="ts">
import { passPhraseLength, ownerOnly, officeOnly } from '@dewpoint/contract'
import { computed, reactive, ref } from 'vue'
import { Refused, sendPassPhrase } from '../../keeping/api.ts'
import { useOutbox } from '../../keeping/outbox/outbox.ts'
import ModalSheet from '../../shared/pieces/ModalSheet.vue'
import DeviceList from './DeviceList.vue'
import PasskeyList from './PasskeyList.vue'
import PhraseStrength from '../PhraseStrength.vue'
import { dropPin, hasPin, isPin, setPin } from '../lock/pins.ts'
import { roleSays, roleWords } from '../roleWords.ts'
import { iMay, useSession } from '../session.ts'

/** Whoever works here, and the devices they are signed in on. */
const session = useSession()
const outbox = useOutbox()
const me = computed(() => session.me.value)
/** counts changes of the PIN, which the browser's store does not tell of */
const changes = ref(0)
const pinned = computed(() => changes.value >= 0 && me.value !== null && hasPin(me.value.id))
const pin = ref('')
const pinSaid = ref('')
const phrase = reactive({ old: '', fresh: '' })
const phraseSaid = ref({ trouble: '', done: '' })
const leaving = ref<'here' | 'everywhere' | null>(null)
const outTrouble = ref('')
const mine = computed(() => outbox.items.filter((one) => one.kind === 'open' || one.entry.author === me.value?.id).length)

async function keepPin() {
  if (!me.value) return
  if (!isPin(pin.value)) return void (pinSaid.value = 'A PIN has four to eight figures.')
  await setPin(me.value.id, pin.value)
  pin.value = ''
  pinSaid.value = 'Set. It is asked for when this device was left alone for ten minutes, or when somebody takes it over.'
  changes.value++
}
function takePin() {
  if (me.value) dropPin(me.value.id)
  pinSaid.value = 'No PIN any more.'
  changes.value++
}
async function changePhrase() {
  phraseSaid.value = { trouble: '', done: '' }
  if (phrase.fresh.length < passPhraseLength.least) return void (phraseSaid.value.trouble = `The new one needs at least ${passPhraseLength.least} characters.`)
  try {
    await sendPassPhrase(phrase.old, phrase.fresh)
    Object.assign(phrase, { old: '', fresh: '' })
    phraseSaid.value = { trouble: '', done: 'Changed. Your other devices ask for it.' }
  } catch (error) {
    phraseSaid.value.trouble =
      error instanceof Refused
        ? (error.problem.fields?.[0]?.message.replace(/^./, (first) => first.toUpperCase()) ?? error.problem.detail)
        : 'The server does not answer: try again when there is signal.'
  }
}
async function leave() {
  const trouble = await session.out(leaving.value === 'everywhere')
  outTrouble.value = trouble ?? ''
  if (!trouble) leaving.value = null
}
</script>

<template>
  <main v-if="me" class="you">
    <h1>You and this device</h1>
    <p class="who">
      <strong>{{ me.name }}</strong>, {{ roleWords[me.role] }}. <span class="dim">{{ roleSays[me.role] }}</span>
    </p>
    <nav v-if="iMay(officeOnly)" class="links" aria-label="Running the firm">
      <v-btn v-if="iMay(ownerOnly)" :to="{ name: 'people' }">People</v-btn>
      <v-btn v-if="iMay(ownerOnly)" :to="{ name: 'audit' }">Who did what</v-btn>
      <v-btn :to="{ name: 'firm' }">Firm settings</v-btn>
    </nav>

    <section aria-labelledby="pin-title">
      <h2 id="pin-title">PIN on this device</h2>
      <p class="dim">For a telephone you share. It works without signal; it is no pass phrase, and stays on this device.</p>
      <form class="line" novalidate @submit.prevent="keepPin">
        <v-text-field v-model="pin" :label="pinned ? 'Another PIN' : 'PIN'" type="password" inputmode="numeric" maxlength="8" autocomplete="off" />
        <v-btn type="submit">{{ pinned ? 'Change the PIN' : 'Set the PIN' }}</v-btn>
        <v-btn v-if="pinned" variant="text" @click="takePin">Take it away</v-btn>
      </form>
      <p v-if="pinSaid" role="status">{{ pinSaid }}</p>
    </section>

    <section v-if="!session.isDemo.value" aria-labelledby="phrase-title">
      <h2 id="phrase-title">Pass phrase</h2>
      <form class="line" novalidate @submit.prevent="changePhrase">
        <input type="text" class="visually-hidden" autocomplete="username" tabindex="-1" aria-hidden="true" :value="me.name" readonly />
        <v-text-field v-model="phrase.old" label="The one you have" type="password" autocomplete="current-password" :maxlength="passPhraseLength.most" />
        <v-text-field v-model="phrase.fresh" label="A new one" type="password" autocomplete="new-password" :maxlength="passPhraseLength.most" />
        <v-btn type="submit" :disabled="phrase.old === '' || phrase.fresh === ''">Change it</v-btn>
      </form>
      <PhraseStrength :pass-phrase="phrase.fresh" :name="me.name" />
      <p v-if="phraseSaid.trouble" role="alert" class="trouble">{{ phraseSaid.trouble }}</p>
      <p v-if="phraseSaid.done" role="status">{{ phraseSaid.done }}</p>
    </section>

    <PasskeyList :key="me.id" />

    <DeviceList />

    <section aria-labelledby="out-title">
      <h2 id="out-title">Sign out</h2>
      <div class="links">
        <v-btn @click="leaving = 'here'">Sign out on this device</v-btn>
        <v-btn variant="text" @click="leaving = 'everywhere'">Sign out everywhere</v-btn>
      </div>
    </section>

    <ModalSheet :model-value="leaving !== null" label="out-ask" @update:model-value="leaving = null">
      <h1 id="out-ask" tabindex="-1" autofocus>Sign out{{ leaving === 'everywhere' ? ' on every device' : '' }}?</h1>
      <p v-if="mine > 0" class="trouble">
        {{ mine === 1 ? 'One entry of yours is' : `${mine} entries of yours are` }} not sent yet: kept on this device, and sent when you sign in here again.
      </p>
      <p v-else>Everything you wrote here is sent.</p>
      <p v-if="outTrouble" role="alert" class="trouble">{{ outTrouble }}</p>
      <div class="links">
        <v-btn color="primary" variant="flat" @click="leave">Sign out</v-btn>
        <v-btn variant="text" @click="leaving = null">Stay</v-btn>
      </div>
    </ModalSheet>
  </main>
</template>

<style scoped>
.you {
  width: 100%;
  max-width: 860px;
  margin: 0 auto;
  padding: 28px 20px 60px;
}
h1 {
  font-size: 2rem;
}
h2 {
  font-size: 1.1875rem;
  margin-bottom: 4px;
}
section {
  margin-top: 28px;
  padding-top: 18px;
  border-top: 1px solid var(--rule);
}
.who {
  font-size: 1.0625rem;
  margin: 6px 0 12px;
}
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
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
  .you {
    padding: 18px 16px 90px;
  }
  h1 {
    font-size: 1.625rem;
  }
}
</style>
