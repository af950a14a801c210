<script setup lang="ts">
import { emptied } from './emptying.ts'
import SignIn from './SignIn.vue'
import { useSession } from '../session.ts'

/** Before anything else: who is it? */
const session = useSession()
</script>

<template>
  <main id="work" class="door">
    <section class="leaf" aria-labelledby="door-title">
      <h1 id="door-title">{{ session.first.value ? 'Welcome to Dewpoint' : 'Who is it?' }}</h1>
      <p class="dim">What you write carries your name. This device remembers you, also without signal.</p>
      <p v-if="emptied" role="status" class="emptied">
        <strong>The firm signed this device out.</strong> What was kept on it is gone.
        <template v-if="emptied.handedIn > 0">
          {{ emptied.handedIn === 1 ? 'One entry it had not sent was' : `${emptied.handedIn} entries it had not sent were` }} handed to the owner.
        </template>
      </p>
      <SignIn />
    </section>
  </main>
</template>

<style scoped>
.door {
  display: grid;
  justify-items: center;
  align-items: start;
  padding: clamp(16px, 6vh, 72px) 16px 48px;
}
.leaf {
  width: min(100%, 460px);
}
h1 {
  font-size: 2rem;
}
.leaf > p {
  margin: 6px 0 18px;
}
.emptied {
  padding: 10px 14px;
  border-left: 4px solid var(--stop);
  background: var(--wash);
}
@media (max-width: 760px) {
  h1 {
    font-size: 1.625rem;
  }
}
</style>
