<script setup lang="ts">
import { crossoverStep, type CrossoverSeen } from '@dewpoint/core/bench'
import { computed, reactive } from 'vue'
import { useDraft } from '../../../keeping/device/drafts.ts'
import { crossoverWords } from './hotWaterWords.ts'

/** The crossover test, one step at a time. */
const seen = reactive<CrossoverSeen>({ stillRuns: null, oneMixer: null, newCartridge: null })
useDraft('bench crossover', seen)
const step = computed(() => crossoverStep(seen))
const words = computed(() => crossoverWords[step.value])
const asked = { shutFeed: 'stillRuns', isolateMixers: 'oneMixer', tryCartridge: 'newCartridge' } as const
function say(yes: boolean) {
  if (step.value in asked) seen[asked[step.value as keyof typeof asked]] = yes
}
const again = () => Object.assign(seen, { stillRuns: null, oneMixer: null, newCartridge: null })
</script>

<template>
  <section class="crossing" aria-labelledby="crossing-title">
    <h2 id="crossing-title">Does cold cross into hot?</h2>
    <p aria-live="polite">
      {{ words.says }} <strong v-if="words.ask">{{ words.ask }}</strong>
    </p>
    <div class="acts">
      <template v-if="words.ask">
        <v-btn @click="say(true)">Yes</v-btn>
        <v-btn @click="say(false)">No</v-btn>
      </template>
      <v-btn v-if="step !== 'shutFeed'" variant="text" @click="again">Begin again</v-btn>
    </div>
  </section>
</template>

<style scoped>
.crossing {
  margin-top: 18px;
  padding-top: 14px;
  border-top: 1px solid var(--rule);
}
h2 {
  font-size: 1.125rem;
}
p {
  margin: 6px 0 10px;
  max-width: 60ch;
}
.acts {
  display: flex;
  gap: 10px;
}
</style>
