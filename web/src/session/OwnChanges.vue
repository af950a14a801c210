<script setup lang="ts">
import type { OwnChange, OwnChangeKind } from '@dewpoint/contract'
import { computed, onMounted, shallowRef } from 'vue'
import { fetchOwnChanges } from '../keeping/api.ts'
import { recall, remember } from '../keeping/device/storage.ts'
import { me } from '../keeping/who.ts'
import { ago, exactly } from '../shared/times.ts'

/** What changed of how somebody signs in, done elsewhere: told once on each of their devices, until they say that they know. */
const key = `dewpoint.toldOf.${me.value?.id}`
const changes = shallowRef<OwnChange[]>([])
/** up to which moment they know on this device */
const known = shallowRef(recall(key) ?? '')
const fresh = computed(() => changes.value.filter((one) => one.at > known.value))
const words: Record<OwnChangeKind, string> = {
  passPhrase: 'Your pass phrase was changed',
  passkey: 'A passkey of yours was made',
  passkeyGone: 'A passkey of yours was removed',
  code: 'You were given a code for a new pass phrase',
  onlyPasskey: 'Your pass phrase alone lets you in no more, only a passkey',
  phraseEnough: 'Your pass phrase alone lets you in again',
  withCode: 'Somebody signed in as you with a code and chose a pass phrase',
}
onMounted(async () => {
  // without signal it is told the next time
  changes.value = await fetchOwnChanges().then(
    (answer) => answer.changes,
    () => [],
  )
})
function know() {
  known.value = changes.value[0]?.at ?? known.value
  remember(key, known.value)
}
</script>

<template>
  <section v-if="fresh.length > 0" class="told" role="status">
    <ul>
      <li v-for="one in fresh" :key="one.id">
        <strong>{{ words[one.what] }}</strong>{{ one.by ? ` by ${one.by}` : '' }}{{ one.device ? ` on “${one.device}”` : '' }},
        <span :title="exactly(one.at)">{{ ago(one.at) }}</span>.
      </li>
    </ul>
    <p>Was it not you? Change your pass phrase under <router-link :to="{ name: 'you' }">You and this device</router-link>, and tell whoever runs the firm.</p>
    <v-btn @click="know">I know</v-btn>
  </section>
</template>

<style scoped>
.told {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 20px;
  padding: 10px 20px;
  border-bottom: 1px solid var(--rule);
  border-left: 6px solid var(--copper);
  background: var(--sheet);
}
.told ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.told p {
  margin: 0;
  flex: 1 1 300px;
}
</style>
