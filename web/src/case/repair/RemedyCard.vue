<script setup lang="ts">
import type { Access, Skill } from '@dewpoint/core/diagnosis'
import { inSentence } from '../../shared/words.ts'

/** One job: what it takes, how it is done, and the button that writes it down. */
defineProps<{
  job: {
    label: string
    minutes: number
    money?: number
    parts?: string[]
    seals: string[]
    access: Access
    skill: Skill
    steps: string[]
    cautions: string[]
  }
  /** its place in the order of work */
  place?: number
  /** not enough by itself */
  lesser?: boolean
}>()
const emit = defineEmits<{ record: [] }>()

const skillWords: Record<Skill, string> = { anyone: '', heating: '', gas: 'Gas work.', electrical: 'Electrical work.', unvented: 'Unvented cylinder.' }
const accessWords: Record<Access, string> = {
  none: '',
  caseOff: 'Case off.',
  live: 'At live terminals.',
  dead: 'At the terminals, proved dead.',
  drained: 'Water let out.',
}
</script>

<template>
  <li class="job" :class="{ lesser }">
    <div class="head">
      <span v-if="place" class="mono place" aria-hidden="true">{{ place }}</span>
      <h3>{{ job.label }}</h3>
      <span class="mono">{{ job.minutes }} min</span>
      <span v-if="job.money !== undefined"
        >cost <span class="mono">{{ job.money }}</span></span
      >
    </div>
    <p class="why"><slot /></p>
    <p class="dim">
      {{ accessWords[job.access] }} {{ skillWords[job.skill] }}
      <template v-if="job.parts && job.parts.length > 0">Parts: {{ job.parts.join(', ') }}.</template>
      <template v-if="job.seals.length > 0"> Always new: {{ job.seals.join(', ') }}.</template>
    </p>
    <p v-for="line in job.cautions" :key="line" class="caution">{{ line }}</p>
    <ol>
      <li v-for="line in job.steps" :key="line">{{ line }}</li>
    </ol>
    <v-btn class="done" @click="emit('record')">Record as done: {{ inSentence(job.label) }}</v-btn>
  </li>
</template>

<style scoped>
.job {
  border-top: 1px solid var(--rule);
  padding: 14px 0 18px;
}
.head {
  display: flex;
  gap: 20px;
  align-items: baseline;
}
.head h3 {
  flex: 1;
  font-size: 1.1875rem;
}
.place {
  min-width: 1.2em;
  color: var(--copper);
  font-weight: 600;
}
p {
  margin: 2px 0 4px;
}
.why:empty {
  display: none;
}
ol {
  margin: 4px 0 12px;
  padding-left: 1.3em;
}
.done {
  max-width: 100%;
  height: auto;
  min-height: 48px;
  padding-block: 8px;
}
.done :deep(.v-btn__content) {
  white-space: normal;
  text-align: left;
}
.caution {
  color: var(--live);
  font-weight: 600;
}
.lesser h3 {
  color: var(--dim);
}
</style>
