<script setup lang="ts">
import type { Payload } from '@dewpoint/core/casebook'
import { hear } from '@dewpoint/core/diagnosis'
import { complaints } from '@dewpoint/trade/complaints'
import { dangers, speech } from '@dewpoint/trade/dangers'
import { catalogues } from '@dewpoint/trade'
import { computed, reactive, ref } from 'vue'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import SayNow from './SayNow.vue'

const props = defineProps<{ action: string; system: string; busy?: boolean }>()
/** the form stays as it is: what could not be written down is not lost */
const emit = defineEmits<{ done: [complaint: Payload<'complaint'>] }>()

const ordinary = computed(() => (catalogues[props.system]?.complaints ?? complaints).filter((one) => !one.danger))
const danger = complaints.filter((one) => one.danger)
const form = reactive({ what: '', pattern: 'always', where: 'all', since: '', words: '' })
const missing = ref(false)
const dangerOf = (id?: string) => dangers.find((one) => one.id === id)
const heard = computed(() => hear(speech, form.words))
const chosen = computed(() => dangerOf(complaints.find((known) => known.id === form.what)?.danger))
const said = computed(() => dangerOf(heard.value.find((one) => one.sure)?.danger))
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
  emit('done', {
    what: form.what,
    pattern: form.pattern as 'always',
    where: form.where as 'all',
    ...(form.since.trim() && { since: form.since.trim() }),
    ...(form.words.trim() && { words: form.words.trim() }),
  })
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
    <fieldset>
      <legend class="eyebrow">What is wrong</legend>
      <div class="options">
        <label v-for="one in ordinary" :key="one.id" class="choice"
          ><input v-model="form.what" type="radio" name="what" :value="one.id" /> {{ one.label }}</label
        >
      </div>
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
