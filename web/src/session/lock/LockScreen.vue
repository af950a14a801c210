<script setup lang="ts">
import { ref, watch } from 'vue'
import ModalSheet from '../../shared/pieces/ModalSheet.vue'
import type { Member } from '@dewpoint/contract'
import { locked, unlock } from './lock.ts'
import { hasPin, isSpent } from './pins.ts'
import PinForm from './PinForm.vue'
import SignIn from '../door/SignIn.vue'
import { useSession } from '../session.ts'

/** Covers everything until somebody says by PIN who they are; what is typed behind it stays. */
const session = useSession()
const asked = ref<Member | null>(null)
const signingIn = ref(false)
const ask = (one: Member | null) => {
  asked.value = one
  signingIn.value = one !== null && isSpent(one.id)
}
watch(locked, (on) => on && ask(session.me.value), { immediate: true })

function goOn(one: Member) {
  session.goOnAs(one.id)
  unlock()
}
</script>

<template>
  <ModalSheet v-model="locked" label="lock-title" fixed whole>
    <div class="lock">
      <h1 id="lock-title" tabindex="-1">Who is it?</h1>
      <p class="dim">This device was left alone. What was typed is still there.</p>
      <template v-if="signingIn">
        <p>The PIN was wrong too often: the pass phrase helps.</p>
        <SignIn @done="unlock()" />
      </template>
      <PinForm v-else-if="asked" :key="asked.id" :person="asked.id" :name="asked.name" @right="goOn(asked)" @spent="signingIn = true" />
      <ul v-if="session.here.value.length > 1" aria-label="Others on this device">
        <li v-for="one in session.here.value.filter((other) => other.id !== asked?.id)" :key="one.id">
          <v-btn variant="text" @click="hasPin(one.id) ? ask(one) : goOn(one)">{{ one.name }}</v-btn>
        </li>
      </ul>
      <v-btn v-if="!signingIn" variant="text" @click="signingIn = true">Sign in with the pass phrase</v-btn>
    </div>
  </ModalSheet>
</template>

<style scoped>
.lock {
  height: 100%;
  max-width: 420px;
  margin: 0 auto;
  padding: 12vh 16px 24px;
  overflow: auto;
}
p {
  margin: 4px 0 18px;
}
ul {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  margin: 8px 0;
  padding: 0;
}
</style>
