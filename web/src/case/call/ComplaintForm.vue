<script setup lang="ts">
import type { Payload } from '@dewpoint/core/casebook'
import { hear } from '@dewpoint/core/diagnosis'
import { complaints } from '@dewpoint/trade/complaints'
import { dangers, speech } from '@dewpoint/trade/dangers'
import { catalogues } from '@dewpoint/trade'
import { computed, reactive, ref, watch } from 'vue'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import { heardIn } from './heardIn.ts'
import SayNow from './SayNow.vue'

const props = defineProps<{ action: string; system: string; busy?: boolean }>()
/** the form stays as it is: what could not be written down is not lost */
const emit = defineEmits<{ done: [complaints: Payload<'complaint'>[], answers: Payload<'reading'>[]] }>()

const ordinary = computed(() => (catalogues[props.system]?.complaints ?? complaints).filter((one) => !one.danger))
const groups = computed(() => [
  { title: 'Hot water', complaints: ordinary.value.filter((one) => one.about === 'hotWater') },
  { title: 'Heating', complaints: ordinary.value.filter((one) => one.about === 'heating') },
  { title: 'Water and pressure', complaints: ordinary.value.filter((one) => one.about === 'water') },
  { title: 'How it starts, sounds and stops', complaints: ordinary.value.filter((one) => one.about === 'running') },
])
const danger = complaints.filter((one) => one.danger)
const form = reactive({ what: '', pattern: 'always', where: 'all', since: '', words: '' })
/** what else the customer tells, besides what they rang about: complaints, and questions answered with yes */
const also = ref<string[]>([])
const missing = ref(false)
const dangerOf = (id?: string) => dangers.find((one) => one.id === id)
const heard = computed(() => hear(speech, form.words))
const chosen = computed(() => dangerOf(complaints.find((known) => known.id === form.what)?.danger))
const said = computed(() => dangerOf(heard.value.find((one) => one.sure)?.danger))
/** what else is heard in the words: offered, and written down only when somebody says so */
const offered = computed(() => {
  const { complaints: listed, checks } = catalogues[props.system] ?? { complaints, checks: [] }
  return heardIn({ complaints: listed, checks }, form.words).filter((one) => one.about !== form.what)
})
const besides = computed(() =>
  ordinary.value.filter((one) => also.value.includes(one.id) && one.id !== form.what && !offered.value.some(({ about }) => about === one.id)),
)
const addable = computed(() => ordinary.value.filter((one) => one.id !== form.what && !also.value.includes(one.id)))
const added = ref('')
watch(added, (id) => {
  if (id) also.value = [...also.value, id]
  added.value = ''
})
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
  missing.value = ![...ordinary.value, ...danger].some((one) => one.id === form.what)
  if (missing.value) return
  const shared = { pattern: form.pattern as 'always', where: form.where as 'all', ...(form.since.trim() && { since: form.since.trim() }) }
  // only what is in sight is meant: words may have been changed since, or another boiler chosen
  const meant = offered.value.filter((one) => also.value.includes(one.about))
  const more = [...meant.filter((one) => one.isComplaint).map((one) => one.about), ...besides.value.map((one) => one.id)]
  emit(
    'done',
    [{ what: form.what, ...shared, ...(form.words.trim() && { words: form.words.trim() }) }, ...more.map((what) => ({ what, ...shared }))],
    meant.filter((one) => !one.isComplaint).map(({ about }) => ({ check: about, outcome: 'yes', sureness: 'sure' as const })),
  )
}
</script>

<template>
  <form class="complaint" @submit.prevent="submit">
    <fieldset>
      <legend class="eyebrow">Danger first</legend>
      <div class="options">
        <label v-for="one in danger" :key="one.id" class="choice danger"
          ><input v-model="form.what" type="radio" name="what" :value="one.id" /> {{ one.label }}</label
        >
      </div>
    </fieldset>
    <SayNow v-if="chosen" :danger="chosen" />
    <fieldset class="what">
      <legend class="visually-hidden">What is wrong</legend>
      <section v-for="group in groups" :key="group.title" :aria-label="group.title">
        <p class="eyebrow" aria-hidden="true">{{ group.title }}</p>
        <div class="options">
          <label v-for="one in group.complaints" :key="one.id" class="choice"
            ><input v-model="form.what" type="radio" name="what" :value="one.id" /> {{ one.label }}</label
          >
        </div>
      </section>
      <p v-if="missing" class="missing" role="alert">Choose what the customer complains of.</p>
    </fieldset>
    <div class="more">
      <PlainSelect v-model="form.pattern" :items="patterns" label="How often" />
      <PlainSelect v-model="form.where" :items="places" label="Where" />
      <v-text-field v-model="form.since" label="Since when" maxlength="120" />
    </div>
    <v-textarea v-model="form.words" label="In the customer’s words" maxlength="1000" />
    <!-- beside the words it was heard in: on a telephone what stands above is out of sight -->
    <SayNow v-if="!chosen && said" :danger="said" />
    <p v-for="question in questions" :key="question" class="missing" role="alert">
      Ask now: <strong>{{ question }}</strong>
    </p>
    <fieldset v-if="form.what && !chosen" class="also">
      <legend class="eyebrow">{{ offered.length > 0 ? 'Heard in these words: is it so?' : 'And what else' }}</legend>
      <div class="options">
        <label v-for="one in offered" :key="one.about" class="choice"><input v-model="also" type="checkbox" :value="one.about" /> {{ one.label }}</label>
        <label v-for="one in besides" :key="one.id" class="choice"><input v-model="also" type="checkbox" :value="one.id" /> {{ one.label }}</label>
        <PlainSelect
          v-model="added"
          :items="[{ value: '', title: 'Something else as well…' }, ...addable.map((one) => ({ value: one.id, title: one.label }))]"
          hidden-label="Something else the customer complains of"
        />
      </div>
    </fieldset>
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
  gap: 8px;
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
}
.danger:has(:checked) {
  border-color: var(--stop);
  box-shadow: inset 0 0 0 1px var(--stop);
  color: var(--stop);
}
.what {
  display: grid;
  gap: 14px;
}
.what .eyebrow {
  margin: 0 0 8px;
}
.more {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 12px;
}
.missing {
  color: var(--stop);
  margin: 8px 0 0;
}
.v-btn {
  justify-self: start;
}
@media (max-width: 760px) {
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
