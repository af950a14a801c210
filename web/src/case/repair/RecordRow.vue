<script setup lang="ts">
import type { RecordItem } from '@dewpoint/core/diagnosis'
import { computed, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useDraft } from '../../keeping/device/drafts.ts'
import { useCase } from '../caseStore.ts'
import { entryWords, figureChoices, outcomeChoices } from '../checkWords.ts'
import { day } from '../../shared/times.ts'
import { inSentence } from '../../shared/words.ts'

/** One thing that must stand in the record: what was said of it, or how to say it. */
const props = defineProps<{ item: RecordItem; /** the case is closed: nothing more is said */ closed?: boolean }>()
const store = useCase()
const router = useRouter()

const check = computed(() => store.catalogue?.checks.find((one) => one.id === props.item.check))
const isNumber = computed(() => check.value?.result.kind === 'number')
const choices = computed(() => (!check.value ? [] : isNumber.value ? figureChoices : outcomeChoices(check.value, false)))
const said = computed(() => store.live.find((one) => one.id === props.item.entry))
const words = computed(() => {
  const entry = said.value
  if (entry?.type === 'advice') return entry.payload.due ? day(entry.payload.due) : entry.payload.answer === 'declined' ? 'advised, declined' : 'told'
  return entry ? entryWords(store.catalogue!, entry).result : ''
})
const settled = computed(() => ['right', 'given', 'declined'].includes(props.item.state) || (props.item.state === 'notDone' && props.item.leaves))
const again = ref(false)
/** it was answered, and what that means is being worked out */
const sent = ref(false)
watch(
  () => store.workedOut,
  (workedOut) => workedOut && (sent.value = false),
)
const asking = computed(() => !props.closed && (!settled.value || again.value))

const leaving = ref(false)
const reason = ref('')
const due = ref('')
const draft = useDraft(`case ${store.current?.id} record ${props.item.id}`, reactive({ leaving, reason, due }))
const trouble = ref<string | null>(null)

/** What is answered folds up and the next row moves under the finger: the second press of a double press is none. */
function onlyFirst(event: MouseEvent) {
  if (event.detail < 2) return
  event.stopPropagation()
  event.preventDefault()
}
function say(outcome: 'right' | 'notRight') {
  again.value = false
  sent.value = true
  store.write('reading', { check: props.item.id, outcome })
}
function read(outcome: string) {
  again.value = false
  sent.value = true
  store.write('reading', { check: props.item.check!, outcome })
}
function leaveOut() {
  if (reason.value.trim().length < 5) return (trouble.value = 'Give the reason in a few words.')
  trouble.value = null
  store.write('reading', { check: props.item.id, outcome: 'notDone', note: reason.value.trim() })
  leaving.value = again.value = false
  reason.value = ''
  draft.forget()
  return null
}
function advise(answer: 'given' | 'declined') {
  again.value = false
  sent.value = true
  store.write('advice', { what: props.item.tell ?? props.item.label, answer, about: props.item.id })
}
function setDay() {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(due.value)) return (trouble.value = 'Give the day.')
  trouble.value = null
  again.value = false
  sent.value = true
  store.write('advice', { what: props.item.tell ?? props.item.label, answer: 'given', about: props.item.id, due: due.value })
  draft.forget()
  return null
}
function toPad() {
  store.choose(props.item.check!)
  void router.push({ params: { phase: 'trace' } })
}
</script>

<template>
  <li :class="{ wrong: item.state === 'notRight' || (item.state === 'notDone' && !item.leaves) }">
    <div class="what">
      <v-icon v-if="settled" icon="$tick" size="20" color="proven" aria-hidden="true" />
      <span v-else class="ring" aria-hidden="true" />
      <div>
        <h3>{{ item.label }}</h3>
        <p v-if="item.state === 'open'" class="dim">{{ item.why }}</p>
        <p v-else>
          {{ words }}
          <button v-if="settled && !again && !closed" type="button" class="again" @click="again = true">Say it again</button>
        </p>
      </div>
    </div>
    <div v-if="asking" class="acts" :inert="sent" :class="{ sent }" @click.capture="onlyFirst">
      <template v-if="item.by === 'word' || item.by === 'check'">
        <template v-if="check && item.by === 'check'">
          <v-btn v-if="isNumber" @click="toPad">Note the figure</v-btn>
          <v-btn v-for="one in choices" :key="one.id" :variant="isNumber ? 'text' : undefined" @click="read(one.id)">{{ one.label }}</v-btn>
        </template>
        <template v-else>
          <v-btn @click="say('right')">{{ item.id.startsWith('cause.') ? 'Found and put right' : 'Right' }}</v-btn>
          <v-btn v-if="!item.id.startsWith('cause.')" variant="text" @click="say('notRight')">Not right</v-btn>
          <v-btn v-if="check" variant="text" @click="toPad">{{ inSentence(check.label).replace('?', '') }}</v-btn>
        </template>
        <v-btn v-if="item.leaves && !leaving" variant="text" @click="leaving = true">Not done…</v-btn>
      </template>
      <template v-else-if="item.by === 'told'">
        <v-btn @click="advise('given')">Told</v-btn>
        <v-btn variant="text" @click="advise('declined')">Advised, declined</v-btn>
      </template>
      <form v-else class="day" @submit.prevent="setDay">
        <v-text-field v-model="due" type="date" :label="item.tell ?? 'Day'" :error-messages="trouble ?? undefined" />
        <v-btn type="submit">Set the day</v-btn>
      </form>
    </div>
    <form v-if="leaving" class="day" @submit.prevent="leaveOut" @keydown.esc.stop="leaving = false">
      <v-text-field v-model="reason" label="Why it was not done" maxlength="300" autofocus :error-messages="trouble ?? undefined" />
      <v-btn type="submit">Leave it out</v-btn>
    </form>
  </li>
</template>

<style scoped>
li {
  border-top: 1px solid var(--rule);
  padding: 10px 0 12px;
}
.what {
  display: grid;
  grid-template-columns: 24px 1fr;
  gap: 10px;
}
.ring {
  width: 18px;
  height: 18px;
  margin: 2px 1px;
  border: 2px solid var(--dim);
  border-radius: 50%;
}
h3 {
  font-size: 1.0625rem;
}
p {
  margin: 2px 0 0;
}
.wrong h3,
.wrong p {
  color: var(--live);
  font-weight: 600;
}
.wrong .ring {
  border-color: var(--live);
  border-style: dashed;
}
.again {
  border: 0;
  background: none;
  cursor: pointer;
  text-decoration: underline;
  color: var(--dim);
  min-height: 32px;
  padding: 0 6px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 8px 0 0 34px;
}
.sent {
  opacity: 0.5;
}
.day {
  display: grid;
  grid-template-columns: minmax(0, 20rem) auto;
  gap: 10px;
  align-items: start;
  margin: 10px 0 0 34px;
}
.acts .day {
  margin: 0;
  flex: 1;
}
@media (max-width: 600px) {
  .acts,
  .day {
    margin-left: 0;
  }
  .day {
    grid-template-columns: 1fr;
  }
}
</style>
