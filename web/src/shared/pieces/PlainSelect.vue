<script setup lang="ts" generic="T extends string">
import { useId } from 'vue'

/** A short list to choose one of, by the browser's own control: a wheel on a phone, letters on a keyboard, nothing that opens late. */
const { items, label = '', hiddenLabel = '' } = defineProps<{ items: readonly (T | { value: T; title: string })[]; label?: string; hiddenLabel?: string }>()
const chosen = defineModel<T>({ required: true })
const id = useId()
const valueOf = (item: T | { value: T; title: string }) => (typeof item === 'string' ? item : item.value)
const titleOf = (item: T | { value: T; title: string }) => (typeof item === 'string' ? item : item.title)
</script>

<template>
  <div class="plain-select">
    <label v-if="label" :for="id">{{ label }}</label>
    <select :id="id" v-model="chosen" :aria-label="hiddenLabel || undefined">
      <option v-for="item in items" :key="valueOf(item)" :value="valueOf(item)">{{ titleOf(item) }}</option>
    </select>
    <span class="mark" aria-hidden="true" />
  </div>
</template>

<style scoped>
.plain-select {
  position: relative;
}
select {
  appearance: none;
  width: 100%;
  height: 48px;
  padding: 0 36px 0 15px;
  font: inherit;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--dim);
  border-radius: 8px;
  text-overflow: ellipsis;
}
option {
  color: var(--ink);
  background: var(--sheet);
}
label {
  position: absolute;
  top: -9px;
  left: 11px;
  padding: 0 4px;
  font-size: 0.75rem;
  line-height: 16px;
  background: linear-gradient(transparent 50%, var(--sheet) 50%);
}
.mark {
  position: absolute;
  right: 16px;
  top: 17px;
  width: 8px;
  height: 8px;
  border: solid var(--dim);
  border-width: 0 2px 2px 0;
  transform: rotate(45deg);
  pointer-events: none;
}
</style>
