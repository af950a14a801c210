<script setup lang="ts">
import type { Check } from '@dewpoint/core/diagnosis'
import { computed, onMounted, ref, useTemplateRef } from 'vue'

/** Finds any check by its words. A plain list that only what is typed changes, so that nothing moves under the finger. */
const { checks } = defineProps<{ checks: readonly Check[] }>()
const emit = defineEmits<{ pick: [check: string] }>()

const shown = 8
const words = ref('')
const field = useTemplateRef<{ focus(): void }>('field')
const found = computed(() => {
  const asked = words.value.toLowerCase().split(/\s+/).filter(Boolean)
  return checks.filter(({ label }) => asked.every((word) => label.toLowerCase().includes(word)))
})
onMounted(() => field.value?.focus())
</script>

<template>
  <div class="picker">
    <v-text-field ref="field" v-model="words" label="Find a check" autocomplete="off" hide-details @keydown.enter="found[0] && emit('pick', found[0].id)" />
    <ul v-if="found.length > 0" class="choices" aria-label="Checks found">
      <li v-for="one in found.slice(0, shown)" :key="one.id">
        <button type="button" @click="emit('pick', one.id)">
          <span>{{ one.label }}</span> <span class="dim">{{ one.minutes }} min</span>
        </button>
      </li>
    </ul>
    <p class="dim" aria-live="polite">
      {{
        found.length === 0
          ? 'No check has these words. Try fewer, or a part’s name.'
          : found.length > shown
            ? `${found.length - shown} more: type on to narrow.`
            : ''
      }}
    </p>
  </div>
</template>

<style scoped>
.picker {
  margin: 4px 0 16px;
}
.picker p {
  margin: 8px 0 0;
  min-height: 1.5em;
}
</style>
