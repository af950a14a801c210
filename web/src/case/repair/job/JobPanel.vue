<script setup lang="ts">
import type { JobLine } from '@dewpoint/core/diagnosis'
import { computed, nextTick, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { doublePressGuard } from '../../../shared/pieces/doublePressGuard.ts'
import { clock } from '../../../shared/times.ts'
import { useCase } from '../../caseStore.ts'
import JobRow from './JobRow.vue'
import { progressOf } from './jobProgress.ts'
import type { PlannedJob } from './plannedJob.ts'

/** The whole of it in the order of work: what is opened once, what is done, what is noted, and how long it still takes. */
const props = defineProps<{ planned: PlannedJob }>()
const emit = defineEmits<{ begin: []; record: [remedy: string, faults: string[]] }>()
const store = useCase()

const lines = computed(() => props.planned.job.lines)
const progress = computed(() => progressOf(store.live, lines.value, props.planned.entry))
const doneOf = (line: JobLine) => progress.value.get(line.id)?.done ?? null
const current = computed(() => lines.value.find((line) => !doneOf(line)))
const left = computed(() => lines.value.reduce((sum, line) => sum + (doneOf(line) ? 0 : line.minutes), 0))
const ways = computed(() => props.planned.job.ways)
/** a way in that takes so few lines has no room for its name */
const named = (way: { from: number; to: number }) => way.to - way.from >= 3

const now = ref(Date.now())
const ticking = window.setInterval(() => (now.value = Date.now()), 30_000)
onBeforeUnmount(() => window.clearInterval(ticking))
const ready = computed(() => clock(new Date(now.value + left.value * 60_000).toISOString()))

/** a line somebody looks into besides the one in hand */
const opened = shallowRef<string | null>(null)
watch(current, () => (opened.value = null))

const isMeant = doublePressGuard()
const list = ref<HTMLElement | null>(null)
async function tick(line: JobLine, state: 'done' | 'notDone' | 'open', note?: string) {
  // the second press of a double one lands on the line that has come under the finger
  if (!isMeant()) return
  const hadFocus = list.value?.contains(document.activeElement)
  if (props.planned.entry === null) emit('begin')
  await store.write('step', { remedy: line.id, step: 0, state, ...(note && { note }) })
  // whoever goes by keyboard or ear goes on with the next
  if (hadFocus) await nextTick(() => list.value?.querySelector<HTMLElement>('.current h3')?.focus())
}
async function note(line: JobLine, step: number, value: number, unit: string) {
  if (props.planned.entry === null) emit('begin')
  await store.write('step', { remedy: line.id, step, state: 'done', value, unit })
}
function record(line: JobLine) {
  if (props.planned.entry === null && lines.value.length > 1) emit('begin')
  emit('record', line.remedy!, line.faults)
}
</script>

<template>
  <section class="job" aria-labelledby="job-title">
    <div class="head">
      <h2 id="job-title">The job in order</h2>
      <span v-if="planned.shared > 0" class="dim">access hatched, paid once: {{ planned.shared }} min saved</span>
      <span v-if="current" class="left" role="status"
        ><strong class="mono">{{ left }}</strong> min left, done <strong class="mono">{{ ready }}</strong></span
      >
      <span v-else class="left" role="status">All of it done</span>
    </div>
    <div ref="list" class="lines" role="list" :style="{ '--ways': ways.length }">
      <span
        v-for="(way, index) in ways"
        :key="way.id"
        class="way"
        aria-hidden="true"
        :title="`${way.label}: ${way.minutes} min`"
        :style="{ gridColumn: index + 1, gridRow: `${way.from + 1} / ${way.to + 2}` }"
        ><span v-if="named(way)">{{ way.label }} · {{ way.minutes }} min</span></span
      >
      <JobRow
        v-for="(line, index) in lines"
        :key="line.id"
        :line="line"
        :place="index + 1"
        :done="doneOf(line)"
        :noted="progress.get(line.id)!.noted"
        :is-current="line === current"
        :is-open="opened === line.id"
        :style="{ gridRow: index + 1 }"
        @tick="(state, why) => tick(line, state, why)"
        @note="(step, value, unit) => note(line, step, value, unit)"
        @record="record(line)"
        @look="opened = opened === line.id ? null : line.id"
      />
    </div>
    <p v-if="!current" class="ended">
      Nothing is repaired before it is proved. <v-btn color="primary" variant="flat" :to="{ params: { phase: 'prove' } }">Go and prove it</v-btn>
    </p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 14px;
  margin-bottom: 8px;
}
h2 {
  font-size: 1.5rem;
}
.left {
  margin-left: auto;
}
.left strong {
  font-size: 1.25rem;
}
.lines {
  display: grid;
  grid-template-columns: repeat(var(--ways), 22px) minmax(0, 1fr);
  column-gap: 4px;
}
.way {
  display: flex;
  align-items: center;
  justify-content: center;
  margin: 3px 0;
  border: 1.5px solid color-mix(in srgb, var(--copper) 60%, transparent);
  border-radius: 6px;
  background: repeating-linear-gradient(135deg, color-mix(in srgb, var(--copper) 22%, transparent) 0 3px, transparent 3px 8px);
}
.way > span {
  padding: 6px 1px;
  background: var(--paper);
  border-radius: 4px;
  font-size: 0.8125rem;
  font-weight: 600;
  white-space: nowrap;
  writing-mode: vertical-rl;
  transform: rotate(180deg);
}
.lines > :deep([role='listitem']) {
  grid-column: -2 / -1;
}
.ended {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
  margin: 14px 0;
}
@media (max-width: 760px) {
  .lines {
    grid-template-columns: repeat(var(--ways), 6px) minmax(0, 1fr);
    column-gap: 3px;
  }
  .way > span {
    display: none;
  }
}
</style>
