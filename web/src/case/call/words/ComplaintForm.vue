<script setup lang="ts">
import type { Payload } from '@dewpoint/core/casebook'
import { hear } from '@dewpoint/core/diagnosis'
import { complaints } from '@dewpoint/trade/complaints'
import { dangers, speech } from '@dewpoint/trade/dangers'
import { catalogues } from '@dewpoint/trade'
import { computed, nextTick, onBeforeUnmount, onMounted, reactive, ref } from 'vue'
import { useDraft } from '../../../keeping/device/drafts.ts'
import PlainSelect from '../../../shared/pieces/PlainSelect.vue'
import { heardIn, type HeardOf } from './heardIn.ts'
import SayNow from './SayNow.vue'
import TheirWords from './TheirWords.vue'

/** What a caller tells, as entries of a journal. */
export interface Told {
  said: Payload<'said'> | null
  complaints: Payload<'complaint'>[]
  answers: Payload<'reading'>[]
  /** danger was asked about, and there is none */
  dangerRuledOut: boolean
}

const props = defineProps<{ action: string; system: string; busy?: boolean; draft: string }>()
/** the form stays as it is: what could not be written down is not lost */
const emit = defineEmits<{ done: [told: Told] }>()

const ordinary = computed(() => (catalogues[props.system]?.complaints ?? complaints).filter((one) => !one.danger))
const groups = computed(() => [
  { title: 'Hot water', complaints: ordinary.value.filter((one) => one.about === 'hotWater') },
  { title: 'Heating', complaints: ordinary.value.filter((one) => one.about === 'heating') },
  { title: 'Water and pressure', complaints: ordinary.value.filter((one) => one.about === 'water') },
  { title: 'How it starts, sounds and stops', complaints: ordinary.value.filter((one) => one.about === 'running') },
])
const danger = complaints.filter((one) => one.danger)
const form = reactive({ what: [] as string[], answers: [] as string[], pattern: 'always', where: 'all', since: '', words: '', asked: false })
const draft = useDraft(props.draft, form)
defineExpose({ forget: draft.forget })
const missing = ref(false)
const dangerOf = (id?: string) => dangers.find((one) => one.id === id)
const heard = computed(() => hear(speech, form.words))
const chosen = computed(() => dangerOf(danger.find((known) => form.what.includes(known.id))?.danger))
const said = computed(() => dangerOf(heard.value.find((one) => one.sure)?.danger))
/** what is heard in the words: offered, and written down only when somebody says that it is so */
const offered = computed(() => heardIn(catalogues[props.system] ?? { complaints, checks: [] }, form.words))
const isConfirmed = (about: string) => form.what.includes(about) || form.answers.includes(about)
function toggle({ about, isComplaint }: HeardOf) {
  const list = isComplaint ? 'what' : 'answers'
  form[list] = form[list].includes(about) ? form[list].filter((one) => one !== about) : [...form[list], about]
}
/** what the words leave open: to be asked while the customer is still there */
const questions = computed(() => (chosen.value || said.value ? [] : heard.value.flatMap((one) => dangerOf(one.danger)?.ask ?? [])))

const patterns = [
  { value: 'always', title: 'always' },
  { value: 'sometimes', title: 'now and then' },
  { value: 'workedOnArrival', title: 'working at the moment' },
]
const places = [
  { value: 'all', title: 'everywhere' },
  { value: 'oneTap', title: 'one tap' },
  { value: 'oneZone', title: 'one zone' },
]

function submit() {
  const known = [...danger, ...ordinary.value].filter((one) => form.what.includes(one.id))
  // in the order they were told in; another boiler may have been chosen since
  const what = form.what.filter((id) => known.some((one) => one.id === id))
  missing.value = what.length === 0
  if (missing.value) {
    void nextTick(() => document.getElementById('what-is-wrong')?.scrollIntoView({ block: 'center' }))
    return
  }
  const shared = { pattern: form.pattern as 'always', where: form.where as 'all', ...(form.since.trim() && { since: form.since.trim() }) }
  const meant = offered.value.filter((one) => !one.isComplaint && form.answers.includes(one.about))
  emit('done', {
    said: form.words.trim() ? { words: form.words.trim() } : null,
    complaints: what.map((one) => ({ what: one, ...shared })),
    answers: meant.map(({ about, outcome }) => ({ check: about, outcome, sureness: 'sure' as const })),
    dangerRuledOut: form.asked && !chosen.value && !said.value,
  })
}

/** danger is a key away, also while something is typed */
function toDanger(event: KeyboardEvent) {
  if (event.key !== 'F2') return
  event.preventDefault()
  document.querySelector<HTMLElement>('.danger-first input')?.focus()
}
onMounted(() => window.addEventListener('keydown', toDanger))
onBeforeUnmount(() => window.removeEventListener('keydown', toDanger))
</script>

<template>
  <form class="complaint" @submit.prevent="submit">
    <fieldset class="danger-first">
      <legend class="eyebrow">Danger first <kbd class="wide">F2</kbd></legend>
      <div class="options">
        <label v-for="one in danger" :key="one.id" class="choice danger"
          ><input v-model="form.what" type="checkbox" :value="one.id" @change="form.asked = false" /> {{ one.label }}</label
        >
        <label class="choice none"><input v-model="form.asked" type="checkbox" :disabled="Boolean(chosen)" /> Asked: none of these</label>
      </div>
    </fieldset>
    <SayNow v-if="chosen" :danger="chosen" />
    <v-textarea v-model="form.words" label="In the customer’s words" maxlength="1000" />
    <!-- beside the words it was heard in: on a telephone what stands above is out of sight -->
    <SayNow v-if="!chosen && said" :danger="said" />
    <p v-for="question in questions" :key="question" class="missing" role="alert">
      Ask now: <strong>{{ question }}</strong>
    </p>
    <TheirWords v-if="offered.length > 0 && !chosen" :words="form.words.trim()" :heard="offered" :confirmed="isConfirmed" @toggle="toggle" />
    <fieldset id="what-is-wrong" class="what">
      <legend class="eyebrow">What is wrong: one or several</legend>
      <p v-if="missing" class="missing" role="alert">Choose what the customer complains of.</p>
      <section v-for="group in groups" :key="group.title" :aria-label="group.title">
        <p class="dim group" aria-hidden="true">{{ group.title }}</p>
        <div class="options">
          <label v-for="one in group.complaints" :key="one.id" class="choice plain"
            ><input v-model="form.what" type="checkbox" :value="one.id" /> {{ one.label }}</label
          >
        </div>
      </section>
    </fieldset>
    <div class="more">
      <PlainSelect v-model="form.pattern" :items="patterns" label="How often" />
      <PlainSelect v-model="form.where" :items="places" label="Where" />
      <v-text-field v-model="form.since" label="Since when" maxlength="120" autocomplete="off" />
    </div>
    <v-btn type="submit" color="primary" variant="flat" :loading="props.busy">{{ props.action }}</v-btn>
  </form>
</template>

<style scoped>
.complaint {
  display: grid;
  gap: 18px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
}
legend {
  padding: 0 0 8px;
}
.options {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.choice {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-height: 48px;
  padding: 0 14px;
  border: 1px solid var(--rule);
  border-radius: 10px;
  background: var(--sheet);
  line-height: 1.15;
  cursor: pointer;
}
.choice:has(:checked) {
  border-color: var(--copper);
  box-shadow: inset 0 0 0 1px var(--copper);
  font-weight: 600;
}
.choice:has(:focus-visible) {
  outline: 3px solid var(--copper);
  outline-offset: 2px;
}
.choice input {
  accent-color: var(--copper);
  width: 18px;
  height: 18px;
  flex: none;
}
.danger {
  color: var(--stop);
  font-weight: 600;
}
.danger:has(:checked) {
  border-color: var(--stop);
  box-shadow: inset 0 0 0 1px var(--stop);
}
.none:has(:checked) {
  border-color: var(--proven);
  box-shadow: inset 0 0 0 1px var(--proven);
}
.danger-first .options {
  gap: 0 18px;
}
.danger-first .choice {
  padding: 0;
  border: 0;
  background: none;
  box-shadow: none;
  min-height: 44px;
}
.what {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px 28px;
}
.what > .missing {
  grid-column: 1 / -1;
}
.group {
  margin: 0 0 2px;
  font-weight: 600;
  border-bottom: 1px solid var(--rule);
}
.what .options {
  display: block;
  columns: 2;
  column-gap: 18px;
}
.plain {
  display: flex;
  break-inside: avoid;
  min-height: 44px;
  padding: 0;
  border: 0;
  background: none;
}
.plain:has(:checked) {
  box-shadow: none;
}
.more {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 12px;
}
.missing {
  color: var(--stop);
  margin: 0;
}
.v-btn {
  justify-self: start;
}
@media (max-width: 760px) {
  .what {
    grid-template-columns: 1fr;
  }
  .what .options {
    columns: 1;
  }
  .plain {
    min-height: 48px;
  }
  .more {
    grid-template-columns: 1fr 1fr;
  }
  .more > :last-child {
    grid-column: 1 / -1;
  }
  .v-btn {
    justify-self: stretch;
  }
}
</style>
