<script setup lang="ts">
import { bookingOf, type Payload } from '@dewpoint/core/casebook'
import { computed, onMounted, reactive, ref, shallowRef } from 'vue'
import { useDraft } from '../../../keeping/device/drafts.ts'
import { knownPeople } from '../../../keeping/device/keptAnswers.ts'
import SegmentSwitch from '../../../shared/pieces/SegmentSwitch.vue'
import { momentTyped, zone } from '../../../shared/times.ts'
import { useCase } from '../../caseStore.ts'
import { bookingWords, urgencies, vulnerabilities } from './bookingWords.ts'

/** How urgent it is, who suffers, who goes and when: asked once, in words, and changed by saying it again. */
const store = useCase()
const empty = { urgency: '' as string, vulnerable: [] as string[], engineer: '', on: '', from: '', to: '', contact: '', phone: '', note: '' }
const form = reactive({ ...empty })
const draft = useDraft(`case ${store.current!.id} booking`, form)
const said = computed(() => bookingOf(store.live))
const isSaid = computed(() => Object.keys(said.value).length > 0)
const changing = ref(false)
const people = shallowRef<string[]>([])
const problem = ref('')
const open = computed(() => !isSaid.value || changing.value || JSON.stringify(form) !== JSON.stringify(empty))
onMounted(async () => {
  people.value = (await knownPeople().catch(() => [])).filter((one) => one.role !== 'learner').map((one) => one.name)
})

function mark(id: string) {
  const others = form.vulnerable.filter((one) => one !== id)
  // nobody is nobody
  form.vulnerable = form.vulnerable.includes(id) ? others : id === 'nobody' ? ['nobody'] : [...others.filter((one) => one !== 'nobody'), id]
}
function record() {
  problem.value = ''
  const payload: Payload<'booking'> = {}
  if (form.urgency) payload.urgency = form.urgency as typeof payload.urgency
  if (form.vulnerable.length > 0) payload.vulnerable = [...form.vulnerable] as NonNullable<typeof payload.vulnerable>
  for (const key of ['engineer', 'contact', 'phone', 'note'] as const) if (form[key].trim()) payload[key] = form[key].trim()
  if (form.from || form.to || form.on) {
    if (!form.on) return void (problem.value = 'Give the day of the visit.')
    if (!form.from) return void (problem.value = 'Give the time from which the visit is promised.')
    const from = momentTyped(form.on, form.from)
    const to = form.to ? momentTyped(form.on, form.to) : null
    if (from === null || (form.to && to === null)) return void (problem.value = `There is no such time on that day (${zone.value}).`)
    if (to !== null && Date.parse(to) <= Date.parse(from)) return void (problem.value = 'The visit ends before it begins: give a later time.')
    Object.assign(payload, { from, ...(to && { to }) })
  }
  if (Object.keys(payload).length === 0) return void (problem.value = 'Say at least how urgent it is.')
  void store.write('booking', payload)
  Object.assign(form, { ...empty, vulnerable: [] })
  draft.forget()
  changing.value = false
}
</script>

<template>
  <section class="booking" aria-labelledby="booking-title">
    <div class="head">
      <h2 id="booking-title" class="eyebrow">When and who</h2>
      <v-btn v-if="!open" variant="text" @click="changing = true">Change the booking</v-btn>
    </div>
    <p v-if="isSaid" class="said">{{ bookingWords(said) }}</p>
    <form v-if="open" @submit.prevent="record">
      <div class="row">
        <p class="asked">“How soon do you need us?”</p>
        <SegmentSwitch v-model="form.urgency" :choices="urgencies" label="How urgent" />
      </div>
      <div class="row">
        <p class="asked">“Is anyone there who cannot do without heat or hot water?”</p>
        <div class="chips">
          <button
            v-for="one in vulnerabilities"
            :key="one.id"
            type="button"
            class="chip"
            :aria-pressed="form.vulnerable.includes(one.id)"
            @click="mark(one.id)"
          >
            {{ one.label }}
          </button>
        </div>
      </div>
      <div class="fields">
        <v-text-field v-model="form.engineer" label="Who goes" list="booking-people" maxlength="120" autocomplete="off" />
        <datalist id="booking-people">
          <option v-for="one in people" :key="one" :value="one" />
        </datalist>
        <v-text-field v-model="form.contact" label="Ask for" maxlength="120" autocomplete="off" />
        <v-text-field v-model="form.phone" label="Telephone on the day" maxlength="40" inputmode="tel" autocomplete="off" />
        <v-text-field v-model="form.on" type="date" label="Day" />
        <v-text-field v-model="form.from" type="time" label="From" />
        <v-text-field v-model="form.to" type="time" label="To" />
        <v-text-field v-model="form.note" label="To know before coming" maxlength="500" class="wide-field" autocomplete="off" />
        <v-btn type="submit" color="primary" variant="flat">Record the booking</v-btn>
      </div>
      <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
    </form>
  </section>
</template>

<style scoped>
.booking {
  margin-top: 26px;
  padding-top: 16px;
  border-top: 1px solid var(--rule);
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 32px;
}
.said {
  margin: 0 0 6px;
  font-weight: 600;
  overflow-wrap: anywhere;
}
form {
  display: grid;
  gap: 12px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 18px;
}
.asked {
  margin: 0;
  flex: 0 1 17rem;
  font-weight: 600;
  line-height: 1.2;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.chip {
  min-height: 48px;
  padding: 0 14px;
  border: 1px solid var(--rule);
  border-radius: 24px;
  background: var(--paper);
  color: inherit;
  cursor: pointer;
}
.chip[aria-pressed='true'] {
  border-color: var(--copper);
  box-shadow: inset 0 0 0 1px var(--copper);
  font-weight: 600;
}
.chip[aria-pressed='true']::before {
  content: '✓ ';
}
.fields {
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 12px;
}
.fields > * {
  grid-column: span 2;
}
.fields > .wide-field {
  grid-column: span 4;
}
.problem {
  margin: 0;
  color: var(--stop);
}
@media (max-width: 1000px) {
  .fields {
    grid-template-columns: 1fr 1fr;
  }
  .fields > * {
    grid-column: auto;
  }
  .fields > .wide-field,
  .fields > .v-btn {
    grid-column: 1 / -1;
  }
}
@media (max-width: 760px) {
  .asked {
    flex: 1 1 100%;
  }
}
</style>
