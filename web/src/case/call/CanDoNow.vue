<script setup lang="ts">
import { advisable, type CanDoNow } from '@dewpoint/trade/advice'
import { computed, ref } from 'vue'
import { printOnly } from '../../shared/printing.ts'
import { useCase } from '../caseStore.ts'

/** What the customer can do until somebody comes, as steps to say, to print or to send. */
const store = useCase()
const opened = ref<string | null>(null)
const sent = ref<string | null>(null)
const given = computed(() => new Set(store.live.flatMap((one) => (one.type === 'advice' && one.payload.about ? [one.payload.about] : []))))
const offered = computed(() =>
  store.stop
    ? []
    : advisable(
        store.live.flatMap((one) => (one.type === 'complaint' ? [one.payload.what] : [])),
        store.workedOut ? (store.diagnosis?.faults ?? {}) : {},
      ),
)

function textOf({ label, steps, stop }: CanDoNow) {
  return [label, ...steps.map((one, index) => `${index + 1}. ${one}`), stop].join('\n')
}
async function send(one: CanDoNow) {
  try {
    // a telephone sends it by whatever it has; elsewhere it is copied
    if (typeof navigator.share === 'function') await navigator.share({ title: one.label, text: textOf(one) })
    else await navigator.clipboard.writeText(textOf(one))
    sent.value = typeof navigator.share === 'function' ? null : one.id
  } catch {
    sent.value = null
  }
}
const print = (event: Event) => printOnly((event.currentTarget as HTMLElement).closest<HTMLElement>('.advice')!)
const note = (one: CanDoNow) => store.write('advice', { what: `${one.label}: ${one.steps.join(' ')} ${one.stop}`, answer: 'given', about: one.id })
</script>

<template>
  <section v-if="offered.length > 0" class="can-do" aria-labelledby="can-do-title">
    <h2 id="can-do-title" class="eyebrow">They can do now</h2>
    <ul>
      <li v-for="one in offered" :key="one.id" class="advice">
        <button type="button" class="name" :aria-expanded="opened === one.id" @click="opened = opened === one.id ? null : one.id">
          <strong>{{ one.label }}</strong>
          <span v-if="given.has(one.id)" class="given">told</span>
        </button>
        <div v-show="opened === one.id">
          <ol>
            <li v-for="step in one.steps" :key="step">{{ step }}</li>
          </ol>
          <p class="stop">{{ one.stop }}</p>
          <div class="acts no-print">
            <v-btn :disabled="given.has(one.id)" @click="note(one)">Told them</v-btn>
            <v-btn variant="text" @click="send(one)">Send as text</v-btn>
            <v-btn variant="text" @click="print">Print the steps</v-btn>
            <span v-if="sent === one.id" role="status" class="dim">Copied: paste it into a message.</span>
          </div>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
.advice {
  border-top: 1px solid var(--rule);
}
.name {
  display: flex;
  justify-content: space-between;
  width: 100%;
  min-height: 48px;
  align-items: center;
  border: 0;
  background: none;
  color: inherit;
  text-align: left;
  cursor: pointer;
}
.name::after {
  content: '+';
  font-family: var(--mono);
  color: var(--dim);
}
.name[aria-expanded='true']::after {
  content: '−';
}
.given {
  margin-left: auto;
  margin-right: 10px;
  color: var(--proven);
  font-weight: 600;
}
ol {
  margin: 0;
  padding-left: 1.3em;
}
.stop {
  margin: 8px 0;
  padding-left: 10px;
  border-left: 3px solid var(--stop);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  padding-bottom: 10px;
}
</style>
