<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { useCase } from '../caseStore.ts'
import { lookUp, meaningsOf, type CodeMeaning } from './codes.ts'

/** What a code or status on the display means on this boiler, and what it proves. */
const emit = defineEmits<{ done: [] }>()
const store = useCase()
const typed = ref('')
const field = useTemplateRef<{ focus(): void }>('field')
const meanings = computed(() => (store.catalogue ? meaningsOf(store.catalogue) : []))
const found = computed(() => lookUp(meanings.value, typed.value))
const demandWords = { heating: 'Heating', hotWater: 'Hot water', frost: 'Frost', keepWarm: 'Keep-warm' }
/** the check that takes a code, where this boiler shows any */
const reads = computed(() => store.catalogue?.checks.find((one) => one.answeredBy === 'codeReturned'))
onMounted(() => field.value?.focus())
function record(one: CodeMeaning) {
  if (!reads.value) return
  void store.write('reading', { check: reads.value.id, outcome: one.id, sureness: 'sure', situation: { demand: 'none' } })
  emit('done')
}
</script>

<template>
  <section class="codes" aria-labelledby="codes-title" @keydown.esc="emit('done')">
    <h2 id="codes-title" class="eyebrow">Look up a code or status</h2>
    <v-text-field ref="field" v-model="typed" label="As the display shows it" maxlength="30" autocomplete="off" hide-details />
    <p v-if="found.length === 0" class="dim" role="status">This boiler has no such code. Read it again, figure by figure.</p>
    <ul>
      <li v-for="one in found" :key="one.kind + one.id">
        <p class="what">
          <strong class="mono">{{ one.display }}</strong> {{ one.label }} <span class="dim">{{ one.kind === 'code' ? '' : 'status' }}</span>
        </p>
        <p v-for="each in one.where" :key="each.demand" class="dim">
          {{ demandWords[each.demand] }}: {{ one.kind === 'code' ? 'stops at' : 'stands in' }} <strong>{{ each.stage }}</strong>
          <template v-if="each.before.length > 0">; behind it, and so proved: {{ each.before.join(', ') }}</template
          >. It waits for: {{ each.waitsFor }}.
        </p>
        <v-btn v-if="one.kind === 'code' && reads" @click="record(one)">Record {{ one.display }}</v-btn>
      </li>
    </ul>
    <v-btn variant="text" @click="emit('done')">Back to the check</v-btn>
  </section>
</template>

<style scoped>
.codes {
  margin: 4px 0 18px;
}
ul {
  list-style: none;
  margin: 8px 0;
  padding: 0;
  max-height: 28rem;
  overflow-y: auto;
}
li {
  padding: 10px 0;
  border-top: 1px solid var(--rule);
}
li p {
  margin: 0 0 4px;
  line-height: 1.3;
}
.what .mono {
  display: inline-block;
  min-width: 6rem;
}
</style>
