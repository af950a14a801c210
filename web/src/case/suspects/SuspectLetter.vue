<script setup lang="ts">
import { colourOf, letterOf } from './colours.ts'

defineProps<{ rank: number }>()
</script>

<template>
  <span class="letter" :style="{ background: colourOf(rank) }" aria-hidden="true">{{ letterOf(rank) }}</span>
</template>

<style scoped>
.letter {
  display: inline-grid;
  flex: none;
  place-items: center;
  width: 22px;
  height: 22px;
  border-radius: 6px;
  color: var(--sheet);
  font-size: 0.8125rem;
  font-weight: 600;
}
</style>
