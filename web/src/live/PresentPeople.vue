<script setup lang="ts">
import type { Person } from '@dewpoint/core/casebook'
import { computed } from 'vue'
import { initialsOf } from '../session/roleWords.ts'

/** Who else looks at this case now. */
const props = defineProps<{ people: readonly Person[] }>()
const names = computed(() => props.people.map((one) => one.name).join(', '))
</script>

<template>
  <span class="present" role="status">
    <template v-if="people.length > 0">
      <span v-for="one in people.slice(0, 3)" :key="one.id" class="one" aria-hidden="true" :title="`${one.name} is here too`">{{ initialsOf(one.name) }}</span>
      <span v-if="people.length > 3" class="dim" aria-hidden="true">+{{ people.length - 3 }}</span>
      <span class="visually-hidden">{{ names }} {{ people.length === 1 ? 'is' : 'are' }} here too</span>
    </template>
  </span>
</template>

<style scoped>
.present {
  display: inline-flex;
  align-items: center;
  gap: 4px;
}
.one {
  display: grid;
  place-items: center;
  min-width: 30px;
  height: 30px;
  padding: 0 4px;
  border: 2px solid var(--live);
  border-radius: 50%;
  background: var(--sheet);
  font-size: 0.8125rem;
  font-weight: 600;
}
</style>
