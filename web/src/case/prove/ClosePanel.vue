<script setup lang="ts">
import { closingOf, entriesOf } from '@dewpoint/core/casebook'
import { barOf } from '@dewpoint/core/diagnosis'
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useDraft } from '../../keeping/device/drafts.ts'
import { doublePressGuard } from '../../shared/pieces/doublePressGuard.ts'
import { clock, day } from '../../shared/times.ts'
import { useCase } from '../caseStore.ts'

/** What stands before closing, each leading to its place; the ways to end it, and opening it again. */
const store = useCase()
const closing = computed(() => closingOf(store.live))
const record = computed(() => store.diagnosis?.record ?? [])
const signed = computed(() => new Set(entriesOf(store.live, 'signature').map((one) => one.payload.by)))
interface Bar {
  text: string
  to: string
}
/** what stands before closing, each with where it is put right, as it was last worked out: nothing on the page moves while it is worked out anew */
const judged = computed<Bar[]>((before) => {
  if (!store.workedOut) return before ?? []
  const ofRecord = new Map(record.value.map((one) => [barOf(one), one.id]))
  return (store.diagnosis?.closing ?? []).map((text) => {
    const item = ofRecord.get(text)
    return item ? { text: record.value.find((one) => one.id === item)!.label, to: `check-${item}` } : { text, to: text.includes('run') ? 'runs-title' : '' }
  })
})
/** that nothing stood before it says nothing of the entry that came since */
const bars = computed<Bar[]>(() => (store.workedOut || judged.value.length > 0 ? judged.value : [{ text: 'Working out what is still possible…', to: '' }]))
const unsigned = computed(() => (['engineer', 'customer'] as const).filter((by) => !signed.value.has(by)))
const router = useRouter()
async function lead(to: string) {
  // from the report the places are a page away
  if (!document.getElementById(to)) await router.push({ params: { phase: 'prove' } })
  const place = document.getElementById(to)
  place?.scrollIntoView({ block: 'center' })
  ;(place?.querySelector<HTMLElement>('input, button') ?? place)?.focus({ preventScroll: true })
}

const form = reactive({ reason: '', again: '' })
const draft = useDraft(`case ${store.current?.id} ends`, form)
const without = ref(false)
const reopening = ref(false)
const trouble = ref('')
const isMeant = doublePressGuard()
const repaired = computed(() => store.live.some((one) => one.type === 'repair'))
function close(ending: 'proven' | 'unproven' | 'notMended', reason: string) {
  if (!isMeant()) return
  draft.forget()
  without.value = false
  void store.write('decision', { kind: 'closed', ending, reason })
}
function closeWithout() {
  trouble.value = form.reason.trim().length < 8 ? 'Say why it is left without proof: it stands in red in the report.' : ''
  if (!trouble.value) close(repaired.value ? 'unproven' : 'notMended', form.reason.trim())
}
function reopen() {
  trouble.value = form.again.trim().length < 4 ? 'Say why it is opened again.' : ''
  if (trouble.value || !isMeant()) return
  void store.write('decision', { kind: 'reopened', reason: form.again.trim() })
  form.again = ''
  reopening.value = false
}
const endings = { proven: 'Closed, proved', unproven: 'Closed without proof', notMended: 'Closed, not mended', unsafe: 'Left off, unsafe' }
</script>

<template>
  <section class="close" aria-labelledby="close-title" :class="closing && ((closing.payload.ending ?? 'proven') === 'proven' ? 'good' : 'bad')">
    <template v-if="closing">
      <h2 id="close-title">{{ endings[closing.payload.ending ?? 'proven'] }}</h2>
      <p>{{ closing.payload.reason }} {{ closing.authorName }}, {{ day(closing.at) }}, {{ clock(closing.at) }}.</p>
      <v-btn v-if="!reopening" @click="reopening = true">Reopen the case…</v-btn>
      <form v-else @submit.prevent="reopen">
        <v-text-field v-model="form.again" label="Why it is opened again" maxlength="300" autofocus :error-messages="trouble || undefined" />
        <v-btn type="submit">Reopen the case</v-btn>
        <v-btn variant="text" @click="reopening = false">Leave it closed</v-btn>
      </form>
    </template>
    <template v-else>
      <h2 id="close-title">{{ bars.length > 0 ? 'Before you can close' : 'Ready to close' }}</h2>
      <ul v-if="bars.length > 0">
        <li v-for="bar in bars" :key="bar.text">
          <button v-if="bar.to" type="button" @click="lead(bar.to)">{{ bar.text }}</button><span v-else>{{ bar.text }}</span>
        </li>
      </ul>
      <p v-if="unsigned.length > 0" class="dim">
        Not signed yet by the {{ unsigned.join(' and the ') }}: <button type="button" class="to" @click="lead('signatures')">go and sign</button>
      </p>
      <div class="acts">
        <v-btn v-if="bars.length === 0" color="primary" variant="flat" @click="close('proven', 'Failed demand proved, other demand proved.')"
          >Close the case</v-btn
        >
        <v-btn v-else variant="text" :aria-expanded="without" @click="without = !without">Close without proof…</v-btn>
      </div>
      <form v-if="without && bars.length > 0" @submit.prevent="closeWithout">
        <v-text-field v-model="form.reason" label="Why it is left so" maxlength="300" autofocus :error-messages="trouble || undefined" />
        <v-btn type="submit" color="error" variant="flat">{{ repaired ? 'Close without proof' : 'Close, not mended' }}</v-btn>
      </form>
    </template>
  </section>
</template>

<style scoped>
.close {
  border-left: 4px solid var(--live);
  padding: 2px 0 4px 16px;
}
.close.good {
  border-color: var(--proven);
}
.close.bad {
  border-color: var(--stop);
}
.bad h2 {
  color: var(--stop);
}
h2 {
  font-size: 1.375rem;
}
p {
  margin: 4px 0 8px;
}
ul {
  margin: 4px 0 8px;
  padding: 0;
  list-style: none;
}
li {
  line-height: 1.25;
}
li button,
.to {
  min-height: 44px;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  text-align: left;
  text-decoration: underline;
  cursor: pointer;
}
li > span {
  display: block;
  padding: 8px 0;
}
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 8px;
  align-items: start;
  margin: 8px 0;
}
.acts {
  display: flex;
  gap: 8px;
}
@media (max-width: 760px) {
  form {
    grid-template-columns: 1fr;
  }
}
</style>
