<script setup lang="ts">
import type { OutcomeAhead } from '@dewpoint/core/diagnosis'
import { computed } from 'vue'
import { useCase } from '../caseStore.ts'
import { colourOf, percent } from '../suspects/colours.ts'
import { shownSuspects } from '../suspects/shownSuspects.ts'
import SuspectLetter from '../suspects/SuspectLetter.vue'

/** The suspects, and beside each what it would become if the answer pointed at were so. */
const props = defineProps<{ preview: OutcomeAhead | null }>()
const store = useCase()
const rows = computed(() =>
  shownSuspects(store.strip.suspects).map((one, rank) => {
    const then = props.preview ? (props.preview.suspects.find(({ key }) => key === one.key)?.probability ?? 0) : null
    const moved = then === null ? 0 : then - one.probability
    const words = then === null ? '' : Math.abs(moved) < 0.01 ? 'stays' : `${moved > 0 ? 'rises' : 'falls'} to ${percent(then)}`
    return { ...one, rank, then, words }
  }),
)
</script>

<template>
  <section aria-labelledby="look-suspects">
    <p class="head">
      <span id="look-suspects" class="eyebrow">Suspects</span>
      <span class="dim" role="status">{{ preview ? 'if you see that' : store.strip.current ? '' : 'being worked out…' }}</span>
    </p>
    <ol>
      <li v-for="one in rows" :key="one.key">
        <SuspectLetter :rank="one.rank" />
        <strong>{{ one.label }}</strong>
        <span class="mono">{{ store.strip.current ? percent(one.probability) : '' }}</span>
        <span class="track" aria-hidden="true">
          <span class="fill" :style="{ width: `${one.probability * 100}%`, background: colourOf(one.rank) }" />
          <span v-if="one.then !== null" class="then" :style="{ left: `${one.then * 100}%`, background: colourOf(one.rank) }" />
        </span>
        <span class="dim words">{{ one.words }}</span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  margin: 0;
}
ol {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto;
  gap: 4px 6px;
  align-items: center;
  padding: 10px 0 6px;
  border-bottom: 1px solid var(--rule);
  line-height: 1.2;
}
.track,
.words {
  grid-column: 1 / -1;
}
.track {
  position: relative;
  height: 8px;
  border-radius: 4px;
  background: var(--rule);
}
.fill {
  display: block;
  height: 100%;
  border-radius: 4px;
}
.then {
  position: absolute;
  top: -4px;
  width: 5px;
  height: 16px;
  border: 1px solid var(--paper);
  border-radius: 2px;
  transition: left 0.2s ease;
}
.words {
  min-height: 1.2em;
  font-size: 0.9375rem;
}
</style>
