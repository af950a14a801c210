<script setup lang="ts">
import { computed, onMounted, reactive, ref, useTemplateRef } from 'vue'
import { useDraft } from '../../keeping/device/drafts.ts'
import SegmentSwitch from '../../shared/pieces/SegmentSwitch.vue'
import { useCase } from '../caseStore.ts'
import { percent } from '../suspects/colours.ts'

/** Writes down defects seen by eye, one or several. */
const { among = null } = defineProps<{
  /** faults that a look just showed alike: which of them it is; without them any is searched */
  among?: readonly string[] | null
}>()
const emit = defineEmits<{ done: [] }>()
const store = useCase()
const words = ref('')
const chosen = ref<string[]>([])
const draft = useDraft(`case ${store.current?.id} seen ${among?.join(' ') ?? ''}`.trim(), reactive({ words, chosen }))
const relation = ref<'complaint' | 'aside' | 'open'>('open')
const relations: { id: typeof relation.value; label: string }[] = [
  { id: 'complaint', label: 'Part of the complaint' },
  { id: 'aside', label: 'By the way' },
  { id: 'open', label: 'Not known' },
]
const field = useTemplateRef<{ focus(): void }>('field')
const shown = 8

const share = (id: string) => store.diagnosis?.faults[id] ?? 0
/** what can be seen, likeliest first; what was chosen keeps its place while more is searched */
const found = computed(() => {
  const asked = words.value.toLowerCase().split(/\s+/).filter(Boolean)
  return (store.catalogue?.faults ?? [])
    .filter(({ id, label }) => !store.seen.has(id) && (among ? among.includes(id) : asked.every((word) => label.toLowerCase().includes(word))))
    .sort((a, b) => share(b.id) - share(a.id))
})
const listed = computed(() => {
  const first = among ? found.value : found.value.slice(0, shown)
  return [...(store.catalogue?.faults ?? []).filter(({ id }) => chosen.value.includes(id) && !first.some((one) => one.id === id)), ...first]
})
/** words that are on no list are written down as they are */
const own = computed(() => (!among && chosen.value.length === 0 && words.value.trim().length >= 3 ? words.value.trim() : null))

function turn(id: string) {
  chosen.value = chosen.value.includes(id) ? chosen.value.filter((one) => one !== id) : [...chosen.value, id]
}
function record() {
  const explains = relation.value === 'open' ? {} : { explainsComplaint: relation.value === 'complaint' }
  const { faults = [] } = store.catalogue ?? {}
  const seen = own.value ? [{ what: own.value }] : faults.filter(({ id }) => chosen.value.includes(id)).map(({ id, label }) => ({ what: label, fault: id }))
  if (seen.length === 0) return
  for (const one of seen) void store.write('finding', { ...one, ...explains })
  draft.forget()
  emit('done')
}
onMounted(() => {
  if (!among) field.value?.focus()
})
</script>

<template>
  <form class="seen" :class="{ asked: among }" aria-labelledby="seen-title" @submit.prevent="record" @keydown.esc="emit('done')">
    <h2 id="seen-title" class="eyebrow">{{ among ? 'Which is it?' : 'Defect seen' }}</h2>
    <p v-if="among" class="dim">Several look like that. Mark what you see; more than one may be so.</p>
    <v-text-field v-else ref="field" v-model="words" label="What is wrong, by part or in words" maxlength="200" autocomplete="off" hide-details />
    <ul class="choices" :aria-label="among ? 'What looks so' : 'Defects found'">
      <li v-for="one in listed" :key="one.id">
        <button type="button" :aria-pressed="chosen.includes(one.id)" @click="turn(one.id)">
          <v-icon :icon="chosen.includes(one.id) ? '$checkboxOn' : '$checkboxOff'" size="20" /><span class="what">{{ one.label }}</span>
          <span class="dim">{{ percent(share(one.id)) }}</span>
        </button>
      </li>
    </ul>
    <p v-if="!among && (found.length === 0 || found.length > shown)" class="dim" aria-live="polite">
      {{
        found.length === 0
          ? 'Nothing on the list has these words. They are kept as you wrote them, and weigh nothing.'
          : `${found.length - shown} more: type on to narrow.`
      }}
    </p>
    <SegmentSwitch v-if="!among" v-model="relation" label="Does it explain the complaint" :choices="relations" />
    <div class="acts">
      <v-btn type="submit" color="primary" variant="flat" :disabled="chosen.length === 0 && !own">
        {{ chosen.length > 1 ? `Record ${chosen.length} defects` : own ? 'Record it in these words' : 'Record the defect' }}
      </v-btn>
      <v-btn variant="text" @click="emit('done')">{{ among ? 'Cannot be told' : 'Close' }}</v-btn>
    </div>
  </form>
</template>

<style scoped>
.seen {
  display: grid;
  gap: 10px;
  justify-items: start;
  margin: 4px 0 18px;
}
.seen > :deep(.v-input),
.seen > .choices {
  width: 100%;
  margin-top: 0;
}
.asked {
  background: var(--sheet);
  border: 1px solid var(--rule);
  border-radius: 14px;
  padding: 14px 20px;
}
.choices button {
  justify-content: flex-start;
  padding: 4px 0;
}
.what {
  flex: 1;
}
.seen p {
  margin: 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
