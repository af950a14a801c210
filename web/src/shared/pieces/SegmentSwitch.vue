<script setup lang="ts" generic="T extends string">
const chosen = defineModel<T>({ required: true })
defineProps<{ label: string; choices: { id: T; label: string }[] }>()
</script>

<template>
  <div class="switch" role="group" :aria-label="label">
    <button v-for="one in choices" :key="one.id" type="button" :aria-pressed="chosen === one.id" @click="chosen = one.id">{{ one.label }}</button>
  </div>
</template>

<style scoped>
.switch {
  display: flex;
  border: 1px solid var(--rule);
  border-radius: 10px;
  overflow: hidden;
}
button {
  border: 0;
  background: var(--sheet);
  color: var(--dim);
  padding: 0 11px;
  min-height: 40px;
  cursor: pointer;
}
[aria-pressed='true'] {
  background: var(--ink);
  color: var(--paper);
}
@media (max-width: 760px) {
  button {
    padding: 0 9px;
    font-size: 0.9375rem;
  }
}
</style>
