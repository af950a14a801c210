<script setup lang="ts">
import { formatQuantity } from '@dewpoint/core/quantity'
import { computed, ref } from 'vue'
import ModalSheet from '../shared/pieces/ModalSheet.vue'
import { useCase } from './caseStore.ts'
import { entryWords } from './checkWords.ts'

/** A reading that cannot be true: measured again, or kept as doubtful. Closed without choosing, it stays refused and listed. */
const store = useCase()
const put = ref<string[]>([])
const refused = computed(() => store.diagnosis?.refused.find((one) => !put.value.includes(one.entry)))
const entry = computed(() => store.live.find((one) => one.id === refused.value?.entry))
const words = computed(() => (entry.value && store.catalogue ? entryWords(store.catalogue, entry.value) : null))

function again() {
  const { entry: id, check } = refused.value!
  store.retract(id)
  store.choose(check)
}
function keep() {
  if (entry.value?.type !== 'reading') return
  const { id, payload } = entry.value
  store.retract(id)
  store.write('reading', { ...payload, sureness: 'doubtful' })
}
/** the figure in the unit that was probably meant */
function meant() {
  const instead = refused.value?.instead
  if (!instead || entry.value?.type !== 'reading') return
  const { id, payload } = entry.value
  store.retract(id)
  store.write('reading', { ...payload, ...instead })
}
/** the same written again is meant */
function itIsSo() {
  if (entry.value?.type === 'reading') store.write('reading', entry.value.payload)
}
function later() {
  if (refused.value) put.value = [...put.value, refused.value.entry]
}
</script>

<template>
  <ModalSheet :model-value="refused !== undefined && words !== null" label="refused-title" described="refused-why" urgent @update:model-value="later">
    <template v-if="refused && words">
      <p class="eyebrow">{{ refused.instead ? 'Which unit?' : 'Not believed' }}</p>
      <h2 id="refused-title">
        {{ words.what }} <span class="mono">{{ words.result }}</span>
      </h2>
      <p id="refused-why">{{ refused.why }}</p>
      <div v-if="refused.instead" class="acts">
        <v-btn color="primary" variant="flat" autofocus @click="meant">It was {{ formatQuantity(refused.instead.value, refused.instead.unit) }}</v-btn>
        <v-btn @click="itIsSo">It was {{ words.result }}</v-btn>
        <v-btn variant="text" @click="again">Measure again</v-btn>
      </div>
      <template v-else>
        <div class="acts">
          <v-btn color="primary" variant="flat" autofocus @click="again">Measure again</v-btn>
          <v-btn @click="keep">Keep as doubtful</v-btn>
        </div>
        <p class="dim">Saved as doubtful, it stays in the journal and weighs nothing.</p>
      </template>
    </template>
  </ModalSheet>
</template>

<style scoped>
h2 {
  font-size: 1.3rem;
  margin: 4px 0 10px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 16px 0 10px;
}
</style>
