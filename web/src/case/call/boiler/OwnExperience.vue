<script setup lang="ts">
import { computed, ref } from 'vue'
import { Refused } from '../../../keeping/api.ts'
import { me } from '../../../keeping/who.ts'
import PlainSelect from '../../../shared/pieces/PlainSelect.vue'
import { inSentence } from '../../../shared/words.ts'
import { useCase } from '../../caseStore.ts'

/** What engineers say of this kind of boiler from their own experience: stated, weighed, and overruled by closed cases. */
const store = useCase()
const labelOf = (id: string) => store.catalogue?.faults.find((one) => one.id === id)?.label ?? id
const faults = computed(() =>
  [...(store.catalogue?.faults ?? [])].sort((a, b) => a.label.localeCompare(b.label)).map((one) => ({ value: one.id, title: one.label })),
)
const opinions = computed(() => store.past?.experience.opinions ?? [])
const cases = computed(() => store.past?.experience.cases ?? 0)
const chosen = ref('')
const fault = computed({ get: () => chosen.value || (faults.value[0]?.value ?? ''), set: (id) => (chosen.value = id) })
const inTen = ref('3')
const trouble = ref<string | null>(null)
const sending = ref(false)

async function say(id: string, times: number | null) {
  sending.value = true
  trouble.value = null
  try {
    await store.stateExperience(id, times)
  } catch (error) {
    trouble.value =
      error instanceof Refused ? error.problem.detail : 'The server does not answer: this is the firm’s, not this device’s. Say it again when there is signal.'
  } finally {
    sending.value = false
  }
}
</script>

<template>
  <details class="own">
    <summary class="eyebrow">Own experience with this model</summary>
    <ul v-if="opinions.length > 0">
      <li v-for="one in opinions" :key="one.fault + one.author">
        <span
          >{{ labelOf(one.fault) }} <span class="dim">{{ one.authorName }}</span></span
        >
        <span class="mono">{{ one.inTen }} in 10</span>
        <v-btn
          v-if="one.author === me?.id"
          icon="$close"
          variant="text"
          size="small"
          :disabled="sending"
          :aria-label="`Take back: ${inSentence(labelOf(one.fault))}`"
          @click="say(one.fault, null)"
        />
      </li>
    </ul>
    <form @submit.prevent="say(fault, Number(inTen))">
      <PlainSelect v-model="fault" :items="faults" label="On this model it is often" />
      <PlainSelect v-model="inTen" :items="['1', '2', '3', '4', '5', '6', '7', '8', '9', '10']" label="Calls in ten" />
      <v-btn type="submit" :disabled="sending">Say so</v-btn>
    </form>
    <p v-if="trouble" role="alert" class="trouble">{{ trouble }}</p>
    <p class="dim">
      Counts for a hundred calls at first, for less with each proved case of the firm<template v-if="cases > 0"> ({{ cases }} so far)</template>. Any reading
      outweighs it.
    </p>
  </details>
</template>

<style scoped>
.own {
  margin-top: 18px;
}
summary {
  cursor: pointer;
  min-height: 44px;
  line-height: 44px;
}
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 16px 10px;
  margin: 12px 0;
}
form > :first-child {
  grid-column: 1 / -1;
}
ul {
  list-style: none;
  padding: 0;
  margin: 6px 0;
}
li {
  display: grid;
  grid-template-columns: 1fr auto 40px;
  align-items: center;
  gap: 8px;
  min-height: 44px;
  border-top: 1px solid var(--rule);
}
li .dim {
  display: block;
}
.trouble {
  color: var(--stop);
}
</style>
