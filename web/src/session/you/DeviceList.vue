<script setup lang="ts">
import { ownerOnly, type DeviceLine, type HandedIn } from '@dewpoint/contract'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { fetchDevices, fetchHandIns, sendEnd, sendSettled } from '../../keeping/api.ts'
import ModalSheet from '../../shared/pieces/ModalSheet.vue'
import { ago, exactly } from '../../shared/times.ts'
import { emptyThisDevice } from '../door/emptying.ts'
import { iMay } from '../session.ts'

/** Devices somebody is signed in on: one that was lost or taken away is signed out from here, and empties itself. */
const devices = shallowRef<DeviceLine[] | null>(null)
const handIns = shallowRef<HandedIn[]>([])
const ending = ref<DeviceLine | null>(null)
const trouble = ref('')
const said = ref('')
const owner = computed(() => iMay(ownerOnly))

async function load() {
  try {
    devices.value = (await fetchDevices()).devices
    if (owner.value) handIns.value = (await fetchHandIns()).handIns
    trouble.value = ''
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
onMounted(load)

async function end() {
  const one = ending.value
  ending.value = null
  if (!one) return
  try {
    await sendEnd(one.id)
    if (one.here) await emptyThisDevice()
    else await load()
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
async function settle(one: HandedIn, take: boolean) {
  try {
    const { kept, refused } = await sendSettled(one.id, take)
    said.value = take ? `${kept} put in. ${refused.join(' ')}`.trim() : 'Given up.'
    await load()
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
const stands = ({ endedAt, wipedAt }: DeviceLine) =>
  wipedAt ? `emptied itself ${ago(wipedAt)}` : endedAt ? 'signed out; empties itself when it next has signal' : ''
</script>

<template>
  <section aria-labelledby="devices-title">
    <h2 id="devices-title">{{ owner ? 'Devices of the firm' : 'Your devices' }}</h2>
    <p class="dim">A device that is lost or taken away is signed out from here. At its next contact it hands in what it had not sent, and empties itself.</p>
    <p v-if="trouble" role="alert" class="trouble">{{ trouble }}</p>
    <ul v-if="devices" class="devices">
      <li v-for="one in devices" :key="one.id" :class="{ over: one.endedAt }">
        <span class="what">
          <strong>{{ one.label }}{{ one.here ? ' (this one)' : '' }}</strong>
          <span class="dim">{{ one.people.map((who) => who.name).join(', ') || 'nobody signed in' }}</span>
        </span>
        <span class="dim" :title="exactly(one.seenAt)">{{ stands(one) || `seen ${ago(one.seenAt)}` }}</span>
        <v-btn v-if="!one.endedAt" size="small" :aria-label="`Sign out ${one.label} of ${one.people.map((who) => who.name).join(', ')}`" @click="ending = one">
          Sign out…
        </v-btn>
      </li>
    </ul>
    <template v-if="handIns.length > 0">
      <h2 class="handed">Handed in by devices that were signed out</h2>
      <ul class="devices">
        <li v-for="one in handIns" :key="one.id">
          <span class="what">
            <strong>{{ one.device }}</strong>
            <span class="dim"
              >{{ one.entries }} {{ one.entries === 1 ? 'entry' : 'entries' }}<template v-if="one.openings > 0">, {{ one.openings }} new calls</template></span
            >
          </span>
          <span class="dim" :title="exactly(one.receivedAt)">{{ ago(one.receivedAt) }}</span>
          <span class="acts">
            <v-btn size="small" color="primary" variant="flat" @click="settle(one, true)">Put in</v-btn>
            <v-btn size="small" variant="text" @click="settle(one, false)">Give up</v-btn>
          </span>
        </li>
      </ul>
    </template>
    <p v-if="said" role="status">{{ said }}</p>

    <ModalSheet :model-value="ending !== null" label="end-title" urgent @update:model-value="ending = null">
      <h1 id="end-title" tabindex="-1" autofocus>Sign out {{ ending?.here ? 'this device' : ending?.label }}?</h1>
      <p>
        Everybody on it is signed out: {{ ending?.people.map((one) => one.name).join(', ') }}. What is kept on it is deleted when it next has signal; what it
        had not sent comes to the owner first.
      </p>
      <div class="acts">
        <v-btn color="error" variant="flat" @click="end">Sign out and empty it</v-btn>
        <v-btn variant="text" @click="ending = null">Leave it</v-btn>
      </div>
    </ModalSheet>
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
.handed {
  margin-top: 18px;
}
.devices {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
}
.devices li {
  display: grid;
  grid-template-columns: 1fr auto auto;
  align-items: center;
  gap: 4px 16px;
  min-height: 56px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
.over strong {
  text-decoration: line-through;
}
.what {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.trouble {
  color: var(--stop);
  font-weight: 600;
}
@media (max-width: 760px) {
  .devices li {
    grid-template-columns: 1fr auto;
  }
  .what {
    grid-column: 1 / -1;
  }
}
</style>
