<script setup lang="ts">
import type { ChainLink, Job } from '@dewpoint/core/diagnosis'

/** From what lies behind it to what the customer saw: each link with the line of the job that cures it. */
const props = defineProps<{ job: Job; done: ReadonlySet<string> }>()
const roleWords: Record<ChainLink['role'], string> = { cause: 'Cause', root: 'Root', consequence: 'Consequence', alone: 'Found', complaint: 'Complaint' }
const isDone = ({ line }: ChainLink) => line !== null && props.done.has(props.job.lines[line]!.id)
function cures(link: ChainLink): string {
  if (link.role === 'complaint') return 'proved last'
  if (link.role === 'cause') return 'to be found'
  if (link.line === null) return 'no step'
  return isDone(link) ? 'cured' : `step ${link.line + 1}`
}
</script>

<template>
  <ol class="chain" aria-label="From cause to complaint">
    <li v-for="(link, index) in job.chain" :key="link.role + link.label" :class="[link.role, { done: isDone(link) }]">
      <svg v-if="index > 0" viewBox="0 0 24 12" width="24" height="12" aria-hidden="true">
        <path d="M0 6h20M15 1l6 5-6 5" fill="none" stroke="currentColor" stroke-width="2" />
      </svg>
      <span class="link"
        ><span class="eyebrow">{{ roleWords[link.role] }}</span> <strong>{{ cures(link) }}</strong><br /><span class="label">{{ link.label }}</span></span
      >
    </li>
  </ol>
</template>

<style scoped>
.chain {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  list-style: none;
  margin: 0;
  padding: 12px 24px;
  border-bottom: 1px solid var(--rule);
}
li {
  display: flex;
  align-items: center;
  gap: 12px;
}
.link {
  line-height: 1.25;
  max-width: 240px;
}
.link > strong {
  font-size: 0.9375rem;
}
.label {
  font-weight: 600;
  font-size: 1.0625rem;
}
.root .label {
  color: var(--copper);
}
.cause .label,
.done .label {
  color: var(--dim);
}
@media (max-width: 760px) {
  .chain {
    padding: 10px 16px;
    flex-direction: column;
  }
  svg {
    transform: rotate(90deg);
  }
}
</style>
