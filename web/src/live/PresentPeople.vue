<script setup lang="ts">
import type { Person } from '@dewpoint/core/casebook'
import { computed, ref } from 'vue'
import { initialsOf } from '../session/roleWords.ts'

/** Who else looks at this case now: the letters of one, the number of several; pressed, their names. */
const props = defineProps<{ people: readonly Person[] }>()
const open = ref(false)
const names = computed(() => props.people.map((one) => one.name).join(', '))
const told = computed(() => `${names.value} ${props.people.length === 1 ? 'is' : 'are'} here too`)
</script>

<template>
  <!-- by itself it takes no room in the bar: only somebody who is there does -->
  <span class="visually-hidden" role="status">{{ people.length > 0 ? told : '' }}</span>
  <div v-if="people.length > 0" class="present">
    <button type="button" :aria-label="told" :aria-expanded="open" @click="open = !open" @blur="open = false" @keydown.esc="open = false">
      <span class="ring" aria-hidden="true">{{ people.length === 1 ? initialsOf(people[0]!.name) : people.length }}</span>
    </button>
    <div v-if="open" class="names" aria-hidden="true">
      <span class="dim">Here too</span>
      <span v-for="one in people" :key="one.id">{{ one.name }}</span>
    </div>
  </div>
</template>

<style scoped>
.present {
  position: relative;
  margin: 0 -8px;
}
button {
  display: grid;
  place-items: center;
  width: 44px;
  height: 44px;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  cursor: pointer;
}
.ring {
  display: grid;
  place-items: center;
  min-width: 28px;
  height: 28px;
  padding: 0 4px;
  border: 2px solid var(--live);
  border-radius: 50%;
  background: var(--sheet);
  font-size: 0.8125rem;
  font-weight: 600;
}
.names {
  position: absolute;
  z-index: 20;
  top: 100%;
  right: 0;
  display: grid;
  gap: 4px;
  min-width: 150px;
  padding: 10px 14px;
  border: 1px solid var(--dim);
  border-radius: 10px;
  background: var(--sheet);
  white-space: nowrap;
}
</style>
