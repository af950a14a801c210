<script setup lang="ts">
import { computed, ref } from 'vue'
import { clock, exactly } from '../shared/times.ts'
import { useOutbox } from '../keeping/outbox/outbox.ts'
import { useCase } from './caseStore.ts'
import { entryWords } from './checkWords.ts'
import PhotoView from './photos/PhotoView.vue'

const store = useCase()
const outbox = useOutbox()
/** where an entry stands that the server is not known to keep */
const standings = { saving: '', unsaved: 'in this page only, not saved', waiting: 'waiting to send', refused: 'not accepted by the server' } as const
const clocks = {
  ahead: 'Clock of that device was fast',
  behind: 'Clock of that device was slow',
  unreadable: 'Time unreadable',
} as const
const doubts = computed(() => new Map(store.diagnosis?.doubted.map((one) => [one.entry, one.why])))
/** so many of the latest are listed; the others are a press away */
const most = 40
const all = ref(false)
const listed = computed(() => [...store.live].reverse().slice(0, all.value ? undefined : most))
const lines = computed(() =>
  store.catalogue
    ? listed.value.map((entry) => ({
        entry,
        ...entryWords(store.catalogue!, entry),
        doubt: doubts.value.get(entry.id),
        standing: outbox.standingOf(entry.id),
        untrue: store.untrue.get(entry.id),
      }))
    : [],
)
</script>

<template>
  <section class="journal" aria-labelledby="journal-title">
    <div class="head">
      <h2 id="journal-title" class="eyebrow">Journal</h2>
      <v-btn v-if="lines.length > 0" variant="text" size="small" prepend-icon="$undo" aria-keyshortcuts="u" :disabled="!store.undoable" @click="store.retract()"
        >Undo <kbd class="wide">U</kbd></v-btn
      >
    </div>
    <p v-if="lines.length === 0" class="dim">Nothing written yet. Every answer and reading lands here by itself.</p>
    <ol>
      <li v-for="line in lines" :key="line.entry.id">
        <time
          class="mono dim"
          :class="{ untrue: line.untrue }"
          :datetime="line.entry.at"
          :title="`${exactly(line.entry.at)}, ${line.entry.authorName}${line.untrue ? `. ${clocks[line.untrue]}` : ''}`"
          >{{ line.untrue === 'unreadable' ? '–' : clock(line.entry.at) }}</time
        >
        <span class="what">{{ line.what }}</span>
        <PhotoView
          v-if="line.entry.type === 'photo'"
          class="picture"
          :hash="line.entry.payload.hash"
          :caption="line.entry.payload.caption ?? ''"
          :width="line.entry.payload.width"
          :height="line.entry.payload.height"
        />
        <strong v-else>{{ line.result }}</strong>
        <span v-if="line.untrue" class="mark">{{ clocks[line.untrue] }}</span>
        <span v-if="line.doubt" class="mark">Given little weight: {{ line.doubt }}</span>
        <span v-if="line.standing && line.standing !== 'saving'" class="mark" :class="line.standing">{{ standings[line.standing] }}</span>
        <!-- a journal is long: a plain button a line costs a tenth of a component -->
        <button type="button" class="back" :aria-label="`Take back: ${line.what}, ${line.result}`" title="Take back" @click="store.retract(line.entry.id)">
          <svg viewBox="0 0 24 24" width="20" height="20" aria-hidden="true"><path d="M5 5l14 14M19 5L5 19" /></svg>
        </button>
      </li>
    </ol>
    <v-btn v-if="!all && store.live.length > most" variant="text" @click="all = true">Earlier entries: {{ store.live.length - most }} more</v-btn>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 36px;
}
ol {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  display: grid;
  grid-template-columns: 3.2rem 1fr 32px;
  gap: 0 6px;
  padding: 8px 0;
  border-top: 1px solid var(--rule);
  line-height: 1.25;
}
time {
  font-size: 0.8125rem;
  padding-top: 2px;
}
strong {
  grid-column: 2;
  font-weight: 600;
}
.picture {
  grid-column: 2;
}
.mark {
  grid-column: 2;
  color: var(--live);
}
.mark.waiting::before,
.mark.unsaved::before,
.mark.refused::before {
  content: '';
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 7px;
  border: 2px solid currentcolor;
  border-radius: 50%;
}
.mark.unsaved,
.mark.refused {
  color: var(--stop);
}
.mark.refused::before {
  border-radius: 0;
  background: currentcolor;
}
.untrue {
  text-decoration: line-through;
}
.what {
  color: var(--dim);
}
.back {
  grid-column: 3;
  grid-row: 1 / 3;
  align-self: center;
  display: grid;
  place-items: center;
  width: 32px;
  height: 32px;
  padding: 0;
  border: 0;
  border-radius: 8px;
  background: none;
  color: var(--dim);
  cursor: pointer;
}
.back:hover {
  color: var(--ink);
}
.back path {
  fill: none;
  stroke: currentcolor;
  stroke-width: 2;
  stroke-linecap: round;
}
@media (max-width: 760px) {
  .wide {
    display: none;
  }
}
</style>
