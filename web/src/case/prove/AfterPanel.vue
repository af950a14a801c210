<script setup lang="ts">
import { entriesOf } from '@dewpoint/core/casebook'
import { computed, reactive, ref } from 'vue'
import { useDraft } from '../../keeping/device/drafts.ts'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import { day } from '../../shared/times.ts'
import { useCase } from '../caseStore.ts'

/** What was found by the way, what the customer was told, and when somebody comes back to it. */
defineProps<{ closed: boolean }>()
const store = useCase()
/** what explains the complaint is what was found, not found by the way */
const found = computed(() => entriesOf(store.live, 'finding').filter((one) => one.payload.explainsComplaint !== true))
const advised = computed(() => entriesOf(store.live, 'advice'))
const follows = computed(() => entriesOf(store.live, 'followUp'))
const kinds = [
  { value: 'visit' as const, title: 'a visit' },
  { value: 'call' as const, title: 'a call' },
  { value: 'watch' as const, title: 'pressure watched' },
]
const kindWords = { visit: 'visit', call: 'call', watch: 'pressure watched' }

const form = reactive({ seen: '', advice: '', what: '', on: '', kind: 'visit' as 'visit' | 'call' | 'watch' })
useDraft(`case ${store.current?.id} after`, form)
const trouble = ref({ seen: '', advice: '', followUp: '' })
const enough = (text: string) => text.trim().length >= 4

function note() {
  trouble.value.seen = enough(form.seen) ? '' : 'Say in a few words what was found.'
  if (trouble.value.seen) return
  void store.write('finding', { what: form.seen.trim(), explainsComplaint: false })
  form.seen = ''
}
function advise(answer: 'given' | 'declined') {
  trouble.value.advice = enough(form.advice) ? '' : 'Say in a few words what was advised.'
  if (trouble.value.advice) return
  void store.write('advice', { what: form.advice.trim(), answer })
  form.advice = ''
}
function follow() {
  trouble.value.followUp = !enough(form.what) ? 'Say what for.' : /^\d{4}-\d{2}-\d{2}$/.test(form.on) ? '' : 'Give the day.'
  if (trouble.value.followUp) return
  void store.write('followUp', { what: form.what.trim(), on: form.on, kind: form.kind })
  Object.assign(form, { what: '', on: '', kind: 'visit' })
}
</script>

<template>
  <div class="after">
    <section v-if="!closed || found.length > 0" aria-labelledby="found-title">
      <h2 id="found-title" class="eyebrow">Found by the way</h2>
      <ul v-if="found.length > 0">
        <li v-for="one in found" :key="one.id">{{ one.payload.what }}</li>
      </ul>
      <form v-if="!closed" aria-label="Found by the way" @submit.prevent="note">
        <v-text-field v-model="form.seen" label="What was seen besides" maxlength="300" :error-messages="trouble.seen || undefined" />
        <v-btn type="submit">Record the finding</v-btn>
      </form>
    </section>
    <section v-if="!closed || advised.length > 0" aria-labelledby="advice-title">
      <h2 id="advice-title" class="eyebrow">Advice</h2>
      <ul v-if="advised.length > 0">
        <li v-for="one in advised" :key="one.id">
          {{ one.payload.what }} <strong :class="one.payload.answer">{{ one.payload.answer === 'declined' ? 'declined' : 'given' }}</strong><template
            v-if="one.payload.due"
            >, {{ day(one.payload.due) }}</template
          >
        </li>
      </ul>
      <form v-if="!closed" class="advice" aria-label="Advice" @submit.prevent="advise('given')">
        <v-text-field v-model="form.advice" label="Anything else advised" maxlength="300" :error-messages="trouble.advice || undefined" />
        <v-btn type="submit">Told</v-btn>
        <v-btn variant="text" @click="advise('declined')">Advised, declined</v-btn>
      </form>
    </section>
    <section v-if="!closed || follows.length > 0" aria-labelledby="follow-title">
      <h2 id="follow-title" class="eyebrow">Follow-up</h2>
      <ul v-if="follows.length > 0">
        <li v-for="one in follows" :key="one.id">
          <strong>{{ day(one.payload.on) }}</strong> {{ one.payload.what }} <span class="dim">{{ kindWords[one.payload.kind] }}</span>
        </li>
      </ul>
      <form v-if="!closed" class="follow" aria-label="Follow-up" @submit.prevent="follow">
        <v-text-field v-model="form.what" label="Come back to what" maxlength="300" :error-messages="trouble.followUp || undefined" />
        <PlainSelect v-model="form.kind" :items="kinds" label="By" />
        <v-text-field v-model="form.on" type="date" label="Day of the follow-up" hide-details />
        <v-btn type="submit">Set the follow-up</v-btn>
      </form>
    </section>
  </div>
</template>

<style scoped>
.after {
  display: grid;
  gap: 20px;
  margin-top: 26px;
}
ul {
  list-style: none;
  margin: 4px 0 8px;
  padding: 0;
}
li {
  padding: 5px 0;
  border-top: 1px solid var(--rule);
}
.declined {
  color: var(--copper);
}
.given {
  color: var(--proven);
}
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px;
  align-items: start;
  margin-top: 6px;
}
.advice {
  grid-template-columns: minmax(0, 1fr) auto auto;
}
.follow {
  grid-template-columns: minmax(0, 1fr) 9.5rem 10.5rem auto;
}
@media (max-width: 1180px) {
  .follow {
    grid-template-columns: 1fr 1fr;
  }
}
@media (max-width: 760px) {
  form,
  .advice,
  .follow {
    grid-template-columns: 1fr;
  }
}
</style>
