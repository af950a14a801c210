<script setup lang="ts">
import { ref, watch } from 'vue'
import type { Member } from '@dewpoint/contract'
import ModalSheet from '../shared/pieces/ModalSheet.vue'
import { lockNow, unlock } from './lock/lock.ts'
import { hasPin, isSpent } from './lock/pins.ts'
import PinForm from './lock/PinForm.vue'
import { roleWords } from './roleWords.ts'
import SignIn from './door/SignIn.vue'
import { useSession } from './session.ts'

/** Who works on this device: a colleague takes it over with a tap, or a PIN where they have one. */
const shown = defineModel<boolean>({ required: true })
const props = defineProps<{ again?: boolean }>()
const session = useSession()
const asked = ref<Member | null>(null)
const signingIn = ref(false)
watch(shown, (on) => {
  asked.value = null
  signingIn.value = on && props.again === true
})

function choose(one: Member) {
  if (one.id === session.me.value?.id) return void (shown.value = false)
  if (!hasPin(one.id)) return goOn(one)
  if (isSpent(one.id)) signingIn.value = true
  else asked.value = one
}
function goOn(one: Member) {
  session.goOnAs(one.id)
  unlock()
  shown.value = false
}
function lock() {
  shown.value = false
  lockNow()
}
</script>

<template>
  <ModalSheet v-model="shown" label="who-title">
    <h1 id="who-title" tabindex="-1" autofocus>{{ signingIn ? 'Sign in' : 'Who is writing?' }}</h1>
    <template v-if="signingIn">
      <p class="dim">What is kept on this device stays. What waits to be sent goes when its writer is signed in.</p>
      <SignIn @done="shown = false" />
    </template>
    <template v-else>
      <ul class="people" aria-label="Signed in on this device">
        <li v-for="one in session.here.value" :key="one.id">
          <button type="button" :aria-current="one.id === session.me.value?.id ? 'true' : undefined" @click="choose(one)">
            <span class="who">{{ one.name }}</span>
            <span class="dim">{{ roleWords[one.role] }}{{ one.id === session.me.value?.id ? ', writes now' : '' }}</span>
          </button>
          <PinForm v-if="asked?.id === one.id" :person="one.id" :name="one.name" @right="goOn(one)" @spent="signingIn = true" />
        </li>
      </ul>
      <div class="acts">
        <v-btn @click="signingIn = true">Somebody else signs in</v-btn>
        <v-btn v-if="session.me.value && hasPin(session.me.value.id)" variant="text" @click="lock">Lock now</v-btn>
        <v-btn variant="text" :to="{ name: 'you' }" @click="shown = false">You and this device</v-btn>
      </div>
    </template>
  </ModalSheet>
</template>

<style scoped>
h1 {
  font-size: 1.5rem;
  margin-bottom: 8px;
}
.people {
  list-style: none;
  display: grid;
  gap: 8px;
  margin: 0 0 18px;
  padding: 0;
}
.people button {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  width: 100%;
  min-height: 52px;
  margin-bottom: 6px;
  padding: 4px 16px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--sheet);
  color: var(--ink);
  text-align: left;
  cursor: pointer;
}
.people button[aria-current] {
  border-color: var(--copper);
}
.who {
  font-weight: 600;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
