<script setup lang="ts">
import type { ActionKind } from '@dewpoint/core/diagnosis'
import { computed, onMounted, reactive, ref, useTemplateRef } from 'vue'
import { useDraft } from '../../keeping/device/drafts.ts'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import { useCase } from '../caseStore.ts'

/** Writes down what was done to the appliance between two readings. */
const { begin = '' } = defineProps<{
  /** the act to begin with, where somebody has chosen it already */
  begin?: string
}>()
const emit = defineEmits<{ done: [] }>()
const store = useCase()
const chosen = ref<ActionKind | null>(store.catalogue?.actions.find((one) => one.id === begin) ?? null)
const part = ref('')
const note = ref('')
const draft = useDraft(`case ${store.current?.id} act`, reactive({ note }))
const list = useTemplateRef<HTMLElement>('list')

const kinds = computed(() =>
  (store.catalogue?.actions ?? []).filter(
    ({ id, names, makesSafe, rulesOut }) =>
      // these are written down where danger is told of
      !makesSafe &&
      !rulesOut &&
      // a conductor is moved on its map where there is one
      !(names === 'conductor' && store.catalogue?.system.controls) &&
      (names === 'part' || !store.acts.some((one) => one.kind.id === id)),
  ),
)
const partLabel = (id: string) => store.catalogue?.parts.find((one) => one.id === id)?.label ?? id
/** the parts an act may be done to, likeliest first */
function partsOf({ aside, mends }: ActionKind): { value: string; title: string }[] {
  const { faults = [], remedies = [] } = store.catalogue ?? {}
  const onSale = new Set(remedies.filter((one) => one.parts.length > 0).map((one) => one.id))
  const meant = faults.filter((one) =>
    aside === 'part' ? one.kind === 'failure' && one.remedies.some((id) => onSale.has(id)) : (mends ?? []).includes(one.id),
  )
  const share = (id: string) => store.diagnosis?.parts.find((one) => one.id === id)?.probability ?? 0
  return [...new Set(meant.map((one) => one.part))].sort((a, b) => share(b) - share(a)).map((id) => ({ value: id, title: partLabel(id) }))
}
const parts = computed(() => (chosen.value ? partsOf(chosen.value) : []))
if (chosen.value) part.value = partsOf(chosen.value)[0]?.value ?? ''

function choose(kind: ActionKind) {
  const among = partsOf(kind)
  if (among.length > 1 || kind.caution || kind.names === 'conductor') {
    chosen.value = kind
    part.value = among[0]?.value ?? ''
  } else write(kind)
}
function write(kind: ActionKind) {
  const value = parts.value.length > 1 ? part.value : undefined
  const words = note.value.trim()
  draft.forget()
  store.write('action', { action: kind.id, ...(value && { value }), ...(words && { note: words }) })
  emit('done')
}
onMounted(() => list.value?.querySelector('button')?.focus())
</script>

<template>
  <section class="do" aria-labelledby="do-title" @keydown.esc="chosen && !begin ? (chosen = null) : emit('done')">
    <h2 id="do-title" class="eyebrow">{{ chosen ? chosen.label : 'What was done' }}</h2>
    <ul v-if="!chosen" ref="list" class="choices">
      <li v-for="kind in kinds" :key="kind.id">
        <button type="button" @click="choose(kind)">
          {{ kind.label }} <span class="dim">{{ kind.undo ? 'until undone' : kind.mends ? 'puts right' : '' }}</span>
        </button>
      </li>
    </ul>
    <form v-else @submit.prevent="write(chosen)">
      <p v-if="chosen.caution" class="caution">{{ chosen.caution }}</p>
      <ol v-if="chosen.steps" class="steps">
        <li v-for="line in chosen.steps" :key="line">{{ line }}</li>
      </ol>
      <PlainSelect v-if="parts.length > 1" v-model="part" :items="parts" label="What it was done to" />
      <v-text-field v-if="chosen.names === 'conductor'" v-model="note" label="Which conductor, and where to" maxlength="200" autofocus />
      <div class="acts">
        <v-btn type="submit" color="primary" variant="flat" :disabled="chosen.names === 'conductor' && note.trim().length < 3">Record the action</v-btn>
        <v-btn variant="text" @click="begin ? emit('done') : (chosen = null)">{{ begin ? 'Not now' : 'Something else' }}</v-btn>
      </div>
    </form>
  </section>
</template>

<style scoped>
.do {
  margin: 4px 0 18px;
}
form {
  display: grid;
  gap: 14px;
  margin-top: 10px;
}
.caution {
  border-left: 3px solid var(--live);
  padding-left: 14px;
  margin: 0;
  color: var(--live);
  font-weight: 600;
}
.steps {
  margin: 0;
  padding-left: 1.4em;
}
.steps li {
  padding: 3px 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
