<script setup lang="ts">
import type { Strength } from '@dewpoint/contract/strength'
import { shallowRef, watch } from 'vue'

/** How far a pass phrase has come while it is typed: in words, and as a bar. */
const { passPhrase, name } = defineProps<{ passPhrase: string; name: string }>()
const strength = shallowRef<Strength | null>(null)
watch(
  () => [passPhrase, name] as const,
  async ([typed, of], _before, stale) => {
    let over = false
    stale(() => (over = true))
    if (typed === '') return void (strength.value = null)
    // the dictionary comes with the first letter; where it cannot be had the server says it
    const found = await import('@dewpoint/contract/strength').then(
      ({ strengthOf }) => strengthOf(typed, of),
      () => null,
    )
    if (!over) strength.value = found
  },
  { immediate: true },
)
</script>

<template>
  <div v-if="strength" class="strength" :class="{ good: strength.good }">
    <span class="bar" aria-hidden="true"><i v-for="one in 4" :key="one" :class="{ on: one <= strength.quarters }" /></span>
    <span role="status">{{ strength.words }}</span>
  </div>
</template>

<style scoped>
.strength {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  font-size: 0.9375rem;
}
.bar {
  display: grid;
  grid-template-columns: repeat(4, 28px);
  gap: 3px;
}
.bar i {
  height: 6px;
  background: var(--rule);
}
.bar .on {
  background: var(--copper);
}
.good .on {
  background: var(--proven);
}
</style>
