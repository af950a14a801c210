<script setup lang="ts">
import { computed, ref } from 'vue'
import { useCase } from '../caseStore.ts'
import { outcomeChoices } from '../checkWords.ts'
import JournalList from '../JournalList.vue'
import { inSentence } from '../../shared/words.ts'
import { percent } from '../trace/colours.ts'
import SuspectsStrip from '../trace/SuspectsStrip.vue'
import ComplaintForm from './ComplaintForm.vue'
import HistoryForm from './HistoryForm.vue'
import OwnExperience from './OwnExperience.vue'
import PastPanel from './PastPanel.vue'
import VersionFacts from './VersionFacts.vue'

const emit = defineEmits<{ done: [] }>()
const store = useCase()
const adding = ref(false)
const facts = ref<Record<string, string>>({})
/** fields that hold something other than a number; what was typed stays there */
const notNumbers = ref<Record<string, boolean>>({})
/** how it is wired is said before its map */
const figures = computed(() => store.catalogue?.facts.filter((one) => one.type === 'number') ?? [])

const noted = computed(() => store.live.filter((one) => one.type === 'complaint').length > 0)
/** questions nobody has to travel for, the most telling first */
const questions = computed(() => {
  const ranked = store.diagnosis?.next ?? []
  const asked = new Set(
    store.live.flatMap((one) => {
      if (one.type === 'reading') return [one.payload.check]
      if (one.type === 'decision') return one.payload.check ? [one.payload.check] : []
      return one.type === 'complaint'
        ? (store.catalogue?.complaints.find((known) => known.id === one.payload.what)?.evidence.map((item) => item.check) ?? [])
        : []
    }),
  )
  const all = store.catalogue?.checks.filter((one) => one.kind === 'ask' && !asked.has(one.id)) ?? []
  const place = (id: string) => {
    const index = ranked.findIndex((one) => one.check === id)
    return index < 0 ? Infinity : index
  }
  return [...all].sort((a, b) => place(a.id) - place(b.id)).slice(0, 4)
})
const carry = computed(() => store.diagnosis?.carry ?? [])

function recordFact(id: string, unit: string | undefined) {
  const typed = facts.value[id]?.trim() ?? ''
  const value = Number(typed.replace(',', '.'))
  // a field left empty is nothing to complain of
  notNumbers.value = { ...notNumbers.value, [id]: typed !== '' && !Number.isFinite(value) }
  if (typed === '' || !Number.isFinite(value)) return
  store.write('fact', { fact: id, value, ...(unit && { unit }) })
  facts.value[id] = ''
}
</script>

<template>
  <div class="beside">
    <section class="work">
      <template v-if="!noted || adding">
        <h1>What does the customer say?</h1>
        <ComplaintForm
          action="Record the complaint"
          :system="store.current!.appliance.system"
          @done="
            (complaints, answers) => {
              for (const complaint of complaints) store.write('complaint', complaint)
              for (const answer of answers) store.write('reading', answer)
              adding = false
            }
          "
        />
      </template>
      <template v-else>
        <h1>Ask before you travel</h1>
        <p class="dim">The question that tells most comes first. Leave out what the customer does not know.</p>
        <ul class="questions">
          <li v-for="check in questions" :key="check.id">
            <h2>{{ check.label }}</h2>
            <p class="dim">{{ check.how[0] }}</p>
            <div class="answers">
              <v-btn v-for="one in outcomeChoices(check, false)" :key="one.id" @click="store.answer({ check: check.id, outcome: one.id })">{{
                one.label
              }}</v-btn>
              <v-btn variant="text" @click="store.write('decision', { kind: 'checkNotPossible', check: check.id, reason: 'The customer does not know.' })"
                >does not know</v-btn
              >
            </div>
          </li>
        </ul>
        <p v-if="questions.length === 0" class="dim">Everything that can be asked has been asked.</p>
        <h2 class="eyebrow">What is known of the boiler</h2>
        <div class="facts">
          <form v-for="fact in figures" :key="fact.id" @submit.prevent="recordFact(fact.id, fact.unit)">
            <v-text-field
              v-model="facts[fact.id]"
              :label="fact.label"
              :suffix="fact.unit"
              inputmode="decimal"
              maxlength="12"
              :error-messages="notNumbers[fact.id] ? 'Give a number, such as 12.' : undefined"
            />
            <v-btn type="submit" :aria-label="`Record ${inSentence(fact.label)}`">Record</v-btn>
          </form>
        </div>
        <VersionFacts />
        <HistoryForm />
        <div class="onward">
          <v-btn color="primary" variant="flat" @click="emit('done')">Go to tracing</v-btn>
          <v-btn variant="text" @click="adding = true">Another complaint</v-btn>
        </div>
      </template>
    </section>
    <aside>
      <PastPanel />
      <OwnExperience />
      <SuspectsStrip />
      <section v-if="carry.length > 0" class="carry">
        <h2 class="eyebrow">Worth carrying</h2>
        <ul>
          <li v-for="one in carry" :key="one.part">
            {{ one.part }} <span class="mono dim">{{ percent(one.probability) }}</span>
          </li>
        </ul>
      </section>
      <JournalList />
    </aside>
  </div>
</template>

<style scoped>
h1 {
  font-size: 1.75rem;
  margin-bottom: 12px;
}
.questions {
  list-style: none;
  padding: 0;
  margin: 8px 0 26px;
}
.questions li {
  padding: 16px 0;
  border-top: 1px solid var(--rule);
}
.questions h2 {
  font-size: 1.1875rem;
}
.questions p {
  margin: 2px 0 10px;
}
.answers,
.onward {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.facts {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 20px;
  margin: 10px 0 26px;
}
.facts form {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: start;
  gap: 8px;
}
.carry ul {
  list-style: none;
  padding: 0;
  margin: 8px 0 0;
}
.carry li {
  display: flex;
  justify-content: space-between;
  padding: 4px 0;
}
@media (max-width: 1000px) {
  .facts {
    grid-template-columns: 1fr;
  }
}
</style>
