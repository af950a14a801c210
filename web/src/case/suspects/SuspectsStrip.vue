<script setup lang="ts">
import { computed, ref } from 'vue'
import { useCase } from '../caseStore.ts'
import { colourOf, percent } from './colours.ts'
import { shownSuspects } from './shownSuspects.ts'
import SuspectLetter from './SuspectLetter.vue'
import type { Odds } from '@dewpoint/core/diagnosis'
import { inSentence } from '../../shared/words.ts'

const store = useCase()
const shown = computed(() => shownSuspects(store.strip.suspects))
/** what a repair left: from then on that is what is asked, and the suspects are how it was found */
const standing = computed(() => (store.mended ? (store.diagnosis?.standing ?? []).filter((one) => one.probability >= 0.01).slice(0, 5) : []))
const standingLabels = {
  nothingWrong: 'Nothing more wrong',
  noDemand: 'Nothing asks the boiler to run',
  unlisted: 'A cause not listed here',
  rare: 'Several rare causes',
  faults: '',
}
/** those that explain something of what was complained of, and what may stand besides; each keeps the letter it has on the pad */
const groups = computed(() => {
  const ranked = shown.value.map((one, rank) => ({ one, rank }))
  const explains = ranked.filter(({ one }) => (one.explains?.length ?? 0) > 0 || one.key === 'noDemand')
  if (!ranked.some(({ one }) => (one.explains?.length ?? 0) > 0)) return [{ id: 'all', title: '', list: ranked }]
  const besides = ranked.filter((one) => !explains.includes(one))
  return [
    { id: 'explains', title: 'May explain what was complained of', list: explains },
    { id: 'besides', title: 'Also possible', list: besides },
  ].filter((group) => group.list.length > 0)
})
const counts = computed(() => {
  const parts = store.diagnosis?.parts ?? []
  const of = (state: string) => parts.filter((one) => one.state === state)
  return { good: of('good'), untested: of('untested'), bad: of('bad') }
})
const opened = ref<string | null>(null)
const roleWords = { root: 'root', consequence: 'consequence', alone: '' }
/** what stands behind the odds, in words */
const oddsWords = ({ per1000, assumedCases, cases, proven, because }: Odds) =>
  `Before any reading ${per1000 < 1 ? per1000.toFixed(1) : Math.round(per1000)} in a thousand call-outs: assumed, counting for ${assumedCases} cases${
    cases > 0 ? `; of your ${cases} proved cases ${proven}` : '; none of your own cases yet'
  }${because.map((one) => `; ${one}`).join('')}.`
const movedWords = (key: string, now: number) => {
  const was = store.before[key]
  if (was === undefined || Math.abs(now - was) < 0.01) return ''
  return now > was ? `up from ${percent(was)}` : `down from ${percent(was)}`
}
</script>

<template>
  <section class="suspects" aria-labelledby="suspects-title" :aria-busy="store.thinking">
    <div class="head">
      <h2 id="suspects-title" class="eyebrow">{{ store.mended ? 'What still stands' : 'Suspects' }}</h2>
      <span class="dim" role="status">{{
        store.strip.current ? `after ${store.live.length} ${store.live.length === 1 ? 'entry' : 'entries'}` : 'being worked out…'
      }}</span>
    </div>
    <p v-if="!store.strip.known" class="dim">Working it out…</p>
    <ol v-if="standing.length > 0" class="standing" aria-live="polite" :class="{ stale: !store.workedOut }">
      <li v-for="one in standing" :key="one.kind + one.key">
        <span class="label">{{ standingLabels[one.kind] || one.label }}</span>
        <span class="mono share">{{ percent(one.probability) }}</span>
        <span class="track" aria-hidden="true"><span class="fill neutral" :style="{ width: `${one.probability * 100}%` }" /></span>
      </li>
    </ol>
    <component :is="store.mended ? 'details' : 'div'" v-if="store.strip.known">
      <summary v-if="store.mended" class="as-found">As it was found</summary>
      <ol aria-live="polite" :class="{ stale: !store.strip.current }">
        <template v-for="group in groups" :key="group.id">
          <li v-for="({ one, rank }, at) in group.list" :key="one.key">
            <p v-if="at === 0 && group.title" class="group dim">{{ group.title }}</p>
            <SuspectLetter :rank="rank" />
            <button type="button" class="label" :aria-expanded="opened === one.key" @click="opened = opened === one.key ? null : one.key">
              {{ one.label }}
            </button>
            <span class="mono share">{{ percent(one.probability) }}</span>
            <span class="track" aria-hidden="true">
              <span class="fill" :style="{ width: `${one.probability * 100}%`, background: colourOf(rank) }" />
              <span v-if="store.before[one.key] !== undefined" class="was" :style="{ left: `${store.before[one.key]! * 100}%` }" />
            </span>
            <span class="dim why">{{ movedWords(one.key, one.probability) }}</span>
            <div v-if="opened === one.key" class="behind">
              <template v-if="one.origins.length > 1">
                <p v-for="fault in one.origins" :key="fault.fault">
                  {{ fault.label }} <strong v-if="roleWords[fault.role]">{{ roleWords[fault.role] }}</strong>
                </p>
              </template>
              <p v-for="piece in one.account.slice(0, 5)" :key="piece.check">
                {{ piece.label }} <strong>{{ piece.says }}</strong>
              </p>
              <p v-if="one.account.length === 0" class="dim">No evidence for or against it yet.</p>
              <p v-for="odds in one.odds" :key="odds.fault" class="dim">{{ oddsWords(odds) }}</p>
            </div>
          </li>
        </template>
        <li v-if="store.strip.several && store.strip.several.probability > 0.02" class="others">
          <span class="label">Several at once</span>
          <span class="mono share">{{ percent(store.strip.several.probability) }}</span>
          <span class="dim why">likeliest: {{ inSentence(store.strip.several.likeliest) }}</span>
        </li>
      </ol>
    </component>
    <details v-if="store.diagnosis && store.workedOut" class="counts">
      <summary>
        <span
          ><strong class="mono">{{ counts.good.length }}</strong> proven good</span
        >
        <span
          ><strong class="mono">{{ counts.untested.length }}</strong> untested</span
        >
        <span
          ><strong class="mono">{{ counts.bad.length }}</strong> bad</span
        >
      </summary>
      <p v-if="counts.bad.length > 0"><strong>Bad:</strong> {{ counts.bad.map((one) => one.label).join(', ') }}</p>
      <p><strong>Proven good:</strong> <template v-if="counts.good.length === 0">none yet</template></p>
      <ul v-if="counts.good.length > 0" class="proven">
        <li v-for="one in counts.good" :key="one.id">
          {{ one.label }}<span v-if="one.provenBy[0]" class="dim"> by {{ inSentence(one.provenBy[0].label).replace('?', '') }}</span>
        </li>
      </ul>
      <p><strong>Untested:</strong> {{ counts.untested.map((one) => one.label).join(', ') || 'none' }}</p>
    </details>
    <div v-if="store.workedOut && !store.mended && (store.diagnosis?.lookalikes.length ?? 0) > 0" class="lookalikes">
      <p>
        <strong>Look-alikes:</strong>
      </p>
      <ul>
        <li v-for="one in store.diagnosis!.lookalikes.slice(0, 3)" :key="one.suspect">
          {{ one.label
          }}<span class="dim"
            >:
            {{
              one.separatedBy
                ? `${inSentence(one.separatedBy.label).replace('?', '')}, ${one.separatedBy.minutes} min`
                : 'no check here tells them apart; treat both'
            }}</span
          >
        </li>
      </ul>
    </div>
    <p v-if="store.workedOut && store.diagnosis?.contradiction" class="contradiction" role="alert">
      {{ store.diagnosis.contradiction.says }}
      <v-btn v-if="store.diagnosis.contradiction.check" variant="text" size="small" @click="store.choose(store.diagnosis.contradiction.check)"
        >Measure again</v-btn
      >
    </p>
    <p v-for="one in store.workedOut ? (store.diagnosis?.remarks ?? []) : []" :key="one.says" class="remark">
      {{ one.says }} <v-btn v-if="one.again" variant="text" size="small" @click="store.choose(one.again.check)">Read it again</v-btn>
    </p>
    <p v-for="one in store.diagnosis?.refused ?? []" :key="one.entry" class="contradiction" role="alert">
      Not believed: {{ one.why }} <v-btn variant="text" size="small" @click="store.retract(one.entry)">Take it back</v-btn>
    </p>
  </section>
</template>

<style scoped>
/* shares of before the latest entry are no answer to it */
.stale .share,
.stale .why {
  visibility: hidden;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
ol {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
ol > li {
  display: grid;
  grid-template-columns: 24px 1fr auto;
  gap: 4px 8px;
  align-items: center;
  padding: 10px 0 8px;
  border-bottom: 1px solid var(--rule);
  line-height: 1.2;
}
.label {
  font-weight: 600;
  font-size: 1.0625rem;
}
button.label {
  border: 0;
  padding: 0;
  background: none;
  color: inherit;
  font: inherit;
  font-weight: 600;
  font-size: 1.0625rem;
  line-height: 1.2;
  text-align: left;
  min-height: 32px;
  cursor: pointer;
}
button.label:hover {
  color: var(--copper);
}
.behind {
  grid-column: 1 / -1;
  padding: 4px 0 6px;
  line-height: 1.3;
}
.behind p {
  margin: 0 0 5px;
}
.proven {
  margin: 0 0 8px;
  padding: 0;
  list-style: none;
}
.share {
  font-size: 1.1875rem;
}
.track {
  grid-column: 1 / -1;
  position: relative;
  height: 8px;
  border-radius: 4px;
  background: var(--rule);
}
.fill {
  display: block;
  height: 100%;
  border-radius: 4px;
  transition: width 0.35s ease;
}
.was {
  position: absolute;
  top: -3px;
  width: 2px;
  height: 14px;
  background: var(--ink);
}
.why {
  grid-column: 1 / -1;
  font-size: 0.875rem;
  min-height: 1.1em;
}
.standing > li {
  grid-template-columns: 1fr auto;
}
.neutral {
  background: var(--ink);
}
.as-found {
  min-height: 44px;
  line-height: 44px;
  cursor: pointer;
}
.others {
  grid-template-columns: 1fr auto !important;
}
.others .label {
  font-weight: 400;
  font-size: 1rem;
}
.counts summary {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
  padding: 12px 0;
  min-height: 48px;
  cursor: pointer;
  line-height: 1.15;
}
.counts strong.mono {
  display: block;
  font-size: 1.25rem;
  font-weight: 500;
}
.counts summary span:first-child {
  border-top: 2px solid var(--proven);
  padding-top: 4px;
}
.counts summary span:nth-child(2) {
  border-top: 2px dashed var(--dim);
  padding-top: 4px;
}
.counts summary span:last-child {
  border-top: 2px solid var(--stop);
  padding-top: 4px;
}
.counts p {
  margin: 4px 0 8px;
}
.lookalikes {
  border: 1px dashed var(--copper);
  border-radius: 10px;
  padding: 10px 14px;
  margin-top: 8px;
}
.lookalikes p {
  margin: 0;
  color: var(--copper);
}
.lookalikes ul {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}
.lookalikes li {
  padding: 4px 0;
  line-height: 1.25;
}
.group {
  grid-column: 1 / -1;
  margin: 2px 0 6px;
  font-size: 0.9375rem;
}
.remark {
  border-left: 3px solid var(--live);
  padding-left: 10px;
}
.contradiction {
  color: var(--stop);
  border-left: 3px solid var(--stop);
  padding-left: 10px;
}
</style>
