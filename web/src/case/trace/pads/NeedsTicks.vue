<script setup lang="ts">
import type { Check } from '@dewpoint/core/diagnosis'
import { computed } from 'vue'
import { type Needs, needsOf, needWords } from './needs.ts'

/** What a check needs, asked before its reading is recorded. */
const { check } = defineProps<{ check: Check }>()
const said = defineModel<Needs>({ required: true })
const needs = computed(() => needsOf(check))
</script>

<template>
  <div v-if="needs.length > 0" class="needs" role="group" aria-label="Before it is read">
    <div v-for="one in needs" :key="one">
      <v-checkbox
        :model-value="said[one]"
        :label="needWords[one].ask"
        hide-details
        density="compact"
        @update:model-value="said = { ...said, [one]: $event === true }"
      />
      <p v-if="!said[one]" class="dim">{{ needWords[one].without }}</p>
    </div>
  </div>
</template>

<style scoped>
.needs {
  flex-basis: 100%;
}
p {
  margin: 0 0 6px;
}
</style>
