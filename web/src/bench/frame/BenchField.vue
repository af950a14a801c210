<script setup lang="ts">
import type { Field } from '@dewpoint/core/bench'
import { convert, counterpartOf, formatNumber, formatQuantity, type UnitSymbol } from '@dewpoint/core/quantity'
import { computed, useId } from 'vue'
import type { Inputs } from './useInputs.ts'

/** One input of a tool: the figure, its unit, what that is in the other system of units, and what is wrong with it. */
const { inputs, name } = defineProps<{ inputs: Inputs; name: string }>()
const id = useId()
const field = computed(() => inputs.fields.value.find(({ key }) => key === name) as Field)
const units = computed(() => inputs.unitsOf(field.value))
const unit = computed(() => inputs.form.units[name]!)
const read = computed(() => inputs.read.value[name]!)
const usual = computed(() => (field.value.usual === undefined ? '' : String(Number(formatNumber(convert(field.value.usual, field.value.unit, unit.value))))))
const other = computed(() => {
  const { value } = read.value
  const counterpart = counterpartOf(unit.value)
  return value === null || !counterpart ? '' : formatQuantity(convert(value, field.value.unit, counterpart), counterpart)
})
</script>

<template>
  <div class="field" :class="{ wrong: read.problem }">
    <label :for="id">{{ field.label }}</label>
    <div class="box">
      <input
        :id="id"
        :value="inputs.form.texts[name]"
        inputmode="decimal"
        autocomplete="off"
        maxlength="16"
        :placeholder="usual || '–'"
        :aria-invalid="read.problem !== null"
        :aria-describedby="`${id}-says`"
        @input="inputs.type(name, ($event.target as HTMLInputElement).value)"
        @focus="($event.target as HTMLInputElement).select()"
      />
      <select
        v-if="units.length > 1"
        :value="unit"
        :aria-label="`Unit of ${field.label}`"
        @change="inputs.measureIn(name, ($event.target as HTMLSelectElement).value as UnitSymbol)"
      >
        <option v-for="one in units" :key="one" :value="one">{{ one }}</option>
      </select>
      <span v-else-if="unit !== '1'" class="only">{{ unit }}</span>
    </div>
    <span v-if="other" class="other mono">{{ other }}</span>
    <p :id="`${id}-says`" :class="read.problem ? 'problem' : 'dim'" :role="read.problem ? 'alert' : undefined">{{ read.problem ?? field.hint }}</p>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  grid-template: 'label other' 'box box' 'says says' / 1fr auto;
  gap: 3px 8px;
  align-content: start;
  min-width: 0;
}
label {
  grid-area: label;
  color: var(--dim);
  line-height: 1.2;
}
.box {
  grid-area: box;
  display: flex;
  align-items: center;
  min-width: 0;
  border: 1px solid var(--dim);
  border-radius: 8px;
  background: var(--sheet);
}
.box:focus-within {
  outline: 3px solid var(--copper);
  outline-offset: -1px;
}
.wrong .box {
  border-color: var(--stop);
}
input {
  flex: 1 1 3ch;
  min-width: 0;
  width: 100%;
  height: 48px;
  padding: 0 4px 0 12px;
  border: 0;
  background: none;
  color: var(--ink);
  font-family: var(--mono);
  font-size: 1.25rem;
}
input:focus-visible,
select:focus-visible {
  outline: 0 !important;
}
input::placeholder {
  color: var(--dim);
  opacity: 1;
}
select {
  appearance: none;
  height: 48px;
  padding: 0 14px 0 6px;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: right;
  cursor: pointer;
  /* a corner that says it can be changed */
  background: linear-gradient(135deg, transparent 50%, var(--dim) 50%) right 5px bottom 14px / 6px 6px no-repeat;
}
select:focus-visible {
  text-decoration: underline 2px var(--copper);
}
option {
  color: var(--ink);
  background: var(--sheet);
}
.only {
  padding: 0 12px 0 2px;
}
.other {
  grid-area: other;
  align-self: end;
  color: var(--dim);
  font-size: 0.8125rem;
  white-space: nowrap;
}
p {
  grid-area: says;
  margin: 0 !important;
  font-size: 0.875rem;
  line-height: 1.25;
}
p:empty {
  display: none;
}
.problem {
  color: var(--stop);
  font-weight: 600;
}
/* two side by side leave no room beside the label */
.pair > .field {
  grid-template: 'label' 'box' 'other' 'says' / minmax(0, 1fr);
}
.pair > .field input {
  padding-left: 8px;
}
.pair > .field select {
  padding: 0 14px 0 2px;
}
.pair > .field .other {
  justify-self: start;
}
@media (max-width: 760px) {
  .field:not(.whole) {
    grid-template: 'label' 'box' 'other' 'says' / minmax(0, 1fr);
  }
  .other {
    justify-self: start;
  }
}
</style>
