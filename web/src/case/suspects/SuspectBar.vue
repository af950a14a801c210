<script setup lang="ts">
import { computed } from 'vue'
import { useCase } from '../caseStore.ts'
import { colourOf, letterOf, percent } from './colours.ts'
import { shownSuspects } from './shownSuspects.ts'

/** Shares of belief on one bar: the suspects shown with their letters, those not among them by name where they are wide, the rest as one. */
const props = defineProps<{ shares: readonly { key: string; label: string; probability: number }[]; height?: number }>()
const store = useCase()
const named = computed(() => shownSuspects(store.strip.suspects))

interface Piece {
  key: string
  share: number
  label: string
  letter: string
  colour: string
}
const pieces = computed<Piece[]>(() => {
  const known = named.value.map((one, rank) => ({
    ...{ key: one.key, label: one.label, letter: letterOf(rank), colour: colourOf(rank) },
    share: props.shares.find(({ key }) => key === one.key)?.probability ?? 0,
  }))
  // one that was not among them and would now stand out
  const fresh = props.shares
    .filter((one) => one.probability >= 0.12 && !known.some(({ key }) => key === one.key))
    .map((one) => ({ key: one.key, label: one.label, letter: '', colour: '', share: one.probability }))
  const rest = Math.max(0, 1 - [...known, ...fresh].reduce((sum, one) => sum + one.share, 0))
  return [...known, ...fresh, { key: 'rest', label: 'other', letter: '', colour: '', share: rest }].filter((one) => one.share >= 0.004)
})
const words = computed(() => pieces.value.map((one) => `${one.label} ${percent(one.share)}`).join(', '))
</script>

<template>
  <span class="bar" role="img" :aria-label="words" :style="{ height: `${height ?? 28}px` }">
    <span
      v-for="one in pieces"
      :key="one.key"
      class="piece"
      :class="{ plain: !one.colour, fresh: !one.colour && one.key !== 'rest' }"
      :style="{ flexGrow: one.share, background: one.colour || undefined }"
      :title="`${one.label} ${percent(one.share)}`"
      ><span v-if="one.share > 0.07 && one.letter" class="in">{{ one.letter }}</span
      ><span v-else-if="one.share > 0.2" class="in">{{ one.label }}</span></span
    >
  </span>
</template>

<style scoped>
.bar {
  display: flex;
  gap: 1px;
  width: 100%;
  min-width: 0;
  overflow: hidden;
  border-radius: 4px;
}
.piece {
  flex: 1 1 0;
  min-width: 2px;
  display: flex;
  align-items: center;
  justify-content: center;
  overflow: hidden;
  color: rgb(var(--v-theme-on-primary));
  transition: flex-grow 0.25s ease;
}
.plain {
  background: var(--rule);
  color: var(--ink);
}
.fresh {
  background: repeating-linear-gradient(135deg, var(--rule) 0 5px, color-mix(in srgb, var(--rule) 55%, var(--sheet)) 5px 10px);
}
.in {
  overflow: hidden;
  padding: 0 4px;
  font-size: 0.8125rem;
  font-weight: 600;
  line-height: 1.1;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
