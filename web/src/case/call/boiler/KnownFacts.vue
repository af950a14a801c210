<script setup lang="ts">
import { factsOf, type Payload } from '@dewpoint/core/casebook'
import type { FactKind } from '@dewpoint/core/diagnosis'
import { formatQuantity, isUnit, unitsLike, type UnitSymbol } from '@dewpoint/core/quantity'
import { schemesOf, unknownWiring } from '@dewpoint/trade'
import { computed, nextTick, reactive, ref } from 'vue'
import { useDraft } from '../../../keeping/device/drafts.ts'
import PlainSelect from '../../../shared/pieces/PlainSelect.vue'
import { month } from '../../../shared/times.ts'
import { useCase } from '../../caseStore.ts'
import { notKnown } from '../../checkWords.ts'

/** What is known of the boiler, one line a fact; what nobody knows says so, and nothing has to be filled in. */
const store = useCase()
const said = computed(() => factsOf(store.live))
const kinds = computed(() => (store.catalogue?.facts ?? []).filter((one) => one.ofAppliance))
const form = reactive({ fact: '', value: '', unit: '' })
const draft = useDraft(`case ${store.current!.id} fact`, form)
const problem = ref('')

const valueOf = (kind: FactKind): string => {
  const payload = said.value[kind.id]?.payload
  if (!payload || payload.value === notKnown) return ''
  const choice = kind.choices?.find((one) => one.id === payload.value)
  if (choice) return choice.label
  return typeof payload.value === 'number' && payload.unit && isUnit(payload.unit) ? formatQuantity(payload.value, payload.unit) : String(payload.value)
}
const listed = computed(() => kinds.value.filter((one) => valueOf(one) !== '' || form.fact === one.id))
const open = computed(() => kinds.value.filter((one) => !listed.value.includes(one)))
const fixed = computed(() => {
  const { appliance } = store.current!
  const scheme = schemesOf(appliance.system).find((one) => one.id === store.controls)
  return [
    { label: 'Kind of boiler', value: store.catalogue?.system.label ?? appliance.system },
    { label: 'Installed', value: appliance.installedOn ? month(appliance.installedOn) : '' },
    { label: 'Controls', value: store.controls === unknownWiring ? '' : (scheme?.label ?? '') },
  ]
})
const editing = computed(() => kinds.value.find((one) => one.id === form.fact))
const choices = computed(() => [{ value: notKnown, title: 'not known' }, ...(editing.value?.choices ?? []).map((one) => ({ value: one.id, title: one.label }))])

function edit(kind: FactKind) {
  problem.value = ''
  const payload = said.value[kind.id]?.payload
  Object.assign(form, {
    fact: kind.id,
    value: payload && payload.value !== notKnown ? String(payload.value) : kind.choices ? notKnown : '',
    unit: payload?.unit ?? kind.unit ?? '',
  })
  void nextTick(() => document.querySelector<HTMLElement>('.fact-form input, .fact-form select')?.focus())
}
function shut() {
  Object.assign(form, { fact: '', value: '', unit: '' })
  draft.forget()
}
function record(kind: FactKind) {
  problem.value = ''
  const typed = form.value.trim()
  const payload: Payload<'fact'> = { fact: kind.id, value: typed || notKnown }
  if (kind.type === 'number' && typed !== '') {
    const value = Number(typed.replace(',', '.'))
    if (!Number.isFinite(value) || (value < 0 && kind.unit !== '°C')) return void (problem.value = 'Give a number, such as 12.')
    Object.assign(payload, { value, ...(form.unit && { unit: form.unit }) })
  }
  void store.write('fact', payload)
  shut()
}
</script>

<template>
  <section class="known" aria-labelledby="known-title">
    <h2 id="known-title" class="eyebrow">The boiler</h2>
    <ul class="facts">
      <li v-for="one in fixed" :key="one.label" class="line">
        <span>{{ one.label }}</span>
        <span :class="one.value ? 'value' : 'dim'">{{ one.value || 'not known' }}</span>
      </li>
      <li v-for="kind in listed" :key="kind.id">
        <form v-if="form.fact === kind.id" class="fact-form" @submit.prevent="record(kind)" @keydown.esc="shut">
          <PlainSelect v-if="kind.choices" v-model="form.value" :items="choices" :label="kind.label" />
          <v-text-field
            v-else
            v-model="form.value"
            :label="kind.label"
            :inputmode="kind.type === 'number' ? 'decimal' : 'text'"
            maxlength="120"
            :error-messages="problem || undefined"
          />
          <PlainSelect v-if="kind.unit && !kind.choices" v-model="form.unit" :items="unitsLike(kind.unit as UnitSymbol)" hidden-label="Unit" class="unit" />
          <v-btn type="submit" color="primary" variant="flat">Record</v-btn>
          <v-btn variant="text" @click="shut">Leave</v-btn>
        </form>
        <button v-else type="button" class="line" :aria-label="`${kind.label}: ${valueOf(kind) || 'not known'}. Change`" @click="edit(kind)">
          <span class="term">{{ kind.label }}</span>
          <span :class="{ dim: !valueOf(kind), value: valueOf(kind) }">{{ valueOf(kind) || 'not known' }}</span>
        </button>
      </li>
    </ul>
    <router-link class="history" :to="{ name: 'boiler', params: { id: store.current!.appliance.id } }">All its cases on one line of time</router-link>
    <details v-if="open.length > 0">
      <summary>{{ open.length }} not known <span class="dim">averaged over: say what you know</span></summary>
      <div class="open">
        <button v-for="kind in open" :key="kind.id" type="button" :aria-label="`${kind.label}: not known. Change`" @click="edit(kind)">{{ kind.label }}</button>
      </div>
    </details>
  </section>
</template>

<style scoped>
.history {
  color: var(--copper);
  display: inline-block;
  min-height: 44px;
  line-height: 44px;
}
.facts {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
  border-bottom: 1px solid var(--rule);
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: 44px;
  padding: 4px 0;
  border: 0;
  border-top: 1px solid var(--rule);
  background: none;
  color: inherit;
  text-align: left;
  line-height: 1.2;
}
button.line {
  cursor: pointer;
}
button.line:hover .term {
  color: var(--copper);
}
.value {
  font-weight: 600;
}
.fact-form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: start;
  padding: 14px 0 10px;
  border-top: 1px solid var(--rule);
}
.fact-form > :first-child {
  flex: 1 1 10rem;
}
.unit {
  width: 92px;
}
.open {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
summary {
  min-height: 44px;
  padding: 10px 0;
  line-height: 1.3;
  cursor: pointer;
}
.open button {
  min-height: 44px;
  padding: 0 12px;
  border: 1px dashed var(--dim);
  border-radius: 22px;
  background: none;
  color: var(--dim);
  cursor: pointer;
}
.open button:hover {
  color: var(--copper);
  border-color: var(--copper);
}
</style>
