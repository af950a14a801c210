<script setup lang="ts">
import type { Payload } from '@dewpoint/core/casebook'
import { entriesOf, factsOf } from '@dewpoint/core/casebook'
import type { Check, NextCheck } from '@dewpoint/core/diagnosis'
import { computed, nextTick, onBeforeUnmount, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { doublePressGuard } from '../../shared/pieces/doublePressGuard.ts'
import { useKeys } from '../../shared/pieces/keys.ts'
import { useCase } from '../caseStore.ts'
import { entryWords, outcomeChoices } from '../checkWords.ts'
import { percent } from '../suspects/colours.ts'
import SuspectBar from '../suspects/SuspectBar.vue'
import { useAhead } from '../suspects/useAhead.ts'
import { numberResult } from '../trace/pads/padScale.ts'
import ReadingPad from '../trace/pads/ReadingPad.vue'
import AppliancePicture, { type PlaceState } from './AppliancePicture.vue'
import PhotoTake from '../photos/PhotoTake.vue'
import PhotoView from '../photos/PhotoView.vue'
import LookSuspects from './LookSuspects.vue'
import { drawnOf, spotsOf } from './picture.ts'

/** What can be seen, heard and read with nothing opened, on a picture of this appliance. */
const emit = defineEmits<{ done: [] }>()
const store = useCase()
const spots = computed(() => (store.catalogue ? spotsOf(store.catalogue) : []))
const facts = computed(() => factsOf(store.live))
const drawn = computed(() => (store.catalogue ? drawnOf(store.catalogue, (id) => facts.value[id]?.payload.value) : null))
const checkOf = (id: string) => store.catalogue?.checks.find((one) => one.id === id)

/** readings that stand, by check: the last of each */
const read = computed(() => new Map(store.live.flatMap((one) => (one.type === 'reading' ? [[one.payload.check, one] as const] : []))))
const impossible = computed(
  () =>
    new Set(store.live.flatMap((one) => (one.type === 'decision' && one.payload.kind === 'checkNotPossible' && one.payload.check ? [one.payload.check] : []))),
)
const states = computed<Record<string, PlaceState>>(() =>
  Object.fromEntries(
    spots.value.map(({ place }) => {
      // what was recorded a moment ago is not judged yet: it says neither
      const sound = store.diagnosis?.sound ?? {}
      const judged = place.checks.flatMap((id) => sound[read.value.get(id)?.id ?? ''] ?? [])
      if (judged.length === 0) return [place.id, 'open']
      return [place.id, judged.includes(false) ? 'something' : 'fine']
    }),
  ),
)
const lookedAt = computed(() => Object.values(states.value).filter((one) => one !== 'open').length)

/** bits a check tells; as they were while the next are worked out, so that nothing moves under the finger */
const telling = shallowRef<Record<string, number>>({})
watch(
  [() => store.diagnosis, () => store.workedOut],
  () => {
    if (store.workedOut) telling.value = store.diagnosis?.telling ?? {}
  },
  { immediate: true },
)
const open = (id: string) => !read.value.has(id) && !impossible.value.has(id)
const worth = (ids: readonly string[]) => Math.max(0, ...ids.filter(open).map((id) => telling.value[id] ?? 0))
const ranked = computed(() => [...spots.value].filter((one) => worth(one.place.checks) >= 0.01).sort((a, b) => worth(b.place.checks) - worth(a.place.checks)))
const mostTelling = computed(() => ranked.value[0]?.place.id ?? null)
const chosen = ref<string | null>(null)
const spot = computed(() => spots.value.find((one) => one.place.id === (chosen.value ?? mostTelling.value)) ?? spots.value[0])
/** the checks of the place, what tells most first, what was made last */
const checks = computed(() =>
  (spot.value?.place.checks ?? [])
    .flatMap((id) => checkOf(id) ?? [])
    .sort((a, b) => Number(open(b.id)) - Number(open(a.id)) || (telling.value[b.id] ?? 0) - (telling.value[a.id] ?? 0)),
)
const picked = ref<string | null>(null)
const check = computed<Check | undefined>(() => checks.value.find((one) => one.id === picked.value) ?? checks.value[0])
const others = computed(() => checks.value.filter((one) => one !== check.value))
/** whether all of what can be looked at here is listed */
const more = ref(false)
const situationWords = { none: '', heating: 'While heating is called.', hotWater: 'While hot water is called.' }

const panel = useTemplateRef<HTMLElement>('panel')
function choose(place: string) {
  chosen.value = place
  picked.value = null
  preview.value = null
  more.value = false
  // on a telephone the panel lies below the picture
  void nextTick(() => panel.value?.scrollIntoView({ block: 'nearest', behavior: 'instant' }))
}

const as = computed<Omit<Payload<'reading'>, 'check' | 'outcome'>>(() => ({ sureness: 'sure', situation: { demand: check.value?.situation.demand ?? 'none' } }))
const { told, chanceOf } = useAhead(
  check,
  as,
  computed(() => choices.value),
)
/** its answers; that it never gets that far is one of them where that is not unlikely */
const choices = computed(() => {
  if (!check.value || check.value.result.kind === 'number') return []
  return outcomeChoices(check.value, (told.value.get('notReached')?.probability ?? 0) > 0.1)
})
/** the answer somebody points at: what the suspects would become */
const preview = ref<string | null>(null)
const shown = computed(() => (preview.value === null ? null : (told.value.get(preview.value) ?? null)))

/** a number goes by the pad, which asks the reasoning what to expect */
const number = computed(() => (check.value ? numberResult(check.value) : null))
let asked: string | null = null
watch(
  [number, check],
  ([one, of]) => {
    if (!one || !of || of.id === asked) return
    asked = of.id
    store.choose(of.id)
  },
  { immediate: true },
)
// asked for here only: tracing goes on with what is offered there
onBeforeUnmount(() => {
  if (store.picked === asked) store.picked = null
})
const next = computed<NextCheck>(() => {
  const { id, label, kind, minutes, access } = check.value!
  return (
    store.diagnosis?.next.find((one) => one.check === id) ?? { ...{ check: id, label, kind, minutes, access, bits: 0, cost: null, parts: [] }, expected: [] }
  )
})

const isMeant = doublePressGuard()
const isResting = computed(() => store.workedOut || store.thoughtTrouble !== null)
async function record(payload: Payload<'reading'>) {
  if (!isMeant()) return
  preview.value = null
  // the place stays: what else is to be seen here comes next, and whoever looked elsewhere chooses it
  chosen.value = spot.value!.place.id
  picked.value = checks.value.find((one) => one.id !== payload.check && open(one.id) && (telling.value[one.id] ?? 0) >= 0.02)?.id ?? payload.check
  await store.write('reading', payload)
}
const say = (outcome: string) => isResting.value && record({ check: check.value!.id, outcome, ...as.value })
async function cannot() {
  if (!check.value || !isMeant()) return
  const { id } = check.value
  await store.write('decision', { kind: 'checkNotPossible', check: id, reason: 'Cannot get to it.' })
  picked.value = null
  chosen.value = null
}
const toMostTelling = () => {
  chosen.value = null
  picked.value = null
}

useKeys({
  ...Object.fromEntries(
    Array.from({ length: 9 }, (_unused, index) => [String(index + 1), () => !number.value && choices.value[index] && say(choices.value[index].id)]),
  ),
  n: toMostTelling,
  c: cannot,
})

const photos = computed(() => entriesOf(store.live, 'photo').filter((one) => one.payload.place === spot.value?.place.id))
/** the last reading made at this place: what a photo taken now is about */
const lastHere = computed(() => store.live.findLast((one) => one.type === 'reading' && spot.value?.place.checks.includes(one.payload.check))?.id)
/** what was seen last, latest first */
const seen = computed(() =>
  store.live
    .filter((one) => one.type === 'reading' && spots.value.some(({ place }) => place.checks.includes(one.payload.check)))
    .slice(-4)
    .reverse()
    .map((entry) => ({
      ...entryWords(store.catalogue!, entry),
      id: entry.id,
      number: spots.value.find(({ place }) => entry.type === 'reading' && place.checks.includes(entry.payload.check))?.number,
    })),
)
const saidOf = (id: string) => {
  const entry = read.value.get(id)
  return entry ? entryWords(store.catalogue!, entry).result : ''
}
</script>

<template>
  <div class="look">
    <section class="house" aria-labelledby="look-title">
      <p class="head">
        <span id="look-title" class="title">Look, touch nothing yet</span>
        <span class="dim"
          ><strong class="mono">{{ lookedAt }}</strong> of <strong class="mono">{{ spots.length }}</strong> looked at</span
        >
      </p>
      <AppliancePicture v-if="drawn" :drawn="drawn" :spots="spots" :states="states" :chosen="spot?.place.id ?? null" :telling="mostTelling" @choose="choose" />
      <ul class="legend" aria-hidden="true">
        <li><span class="key open" /> not looked at</li>
        <li><span class="key fine" /> looked, fine</li>
        <li><span class="key something" /> looked, something there</li>
      </ul>
    </section>

    <section v-if="spot && check" ref="panel" class="panel" aria-labelledby="place-title">
      <p class="head">
        <span class="eyebrow">{{ spot.place.id === mostTelling ? 'Most informative place' : 'Chosen place' }}</span>
        <v-btn v-if="spot.place.id !== mostTelling && mostTelling" variant="text" size="small" aria-keyshortcuts="n" @click="toMostTelling"
          >Most informative place</v-btn
        >
        <span v-else class="dim">{{ check.minutes }} min</span>
      </p>
      <h1 id="place-title">{{ spot.number }} {{ spot.place.label }}</h1>
      <p class="dim where">{{ spot.place.where }}</p>
      <h2>{{ check.label }}</h2>
      <p class="how">
        {{ check.how[0] }} <strong v-if="situationWords[check.situation.demand]">{{ situationWords[check.situation.demand] }}</strong>
      </p>
      <p v-if="check.cautions?.length" class="caution">{{ check.cautions[0] }}</p>
      <p v-if="read.has(check.id)" class="was">
        Said: <strong>{{ saidOf(check.id) }}</strong>
      </p>
      <ReadingPad v-if="number" :key="check.id" :check="check" :result="number" :next="next" @record="record" />
      <template v-else>
        <p class="bar-of dim">
          <SuspectBar v-if="store.diagnosis" :shares="store.diagnosis.suspects" :height="20" />
          <span>suspects now; below, after what you see</span>
        </p>
        <ol class="outcomes" @mouseleave="preview = null">
          <li v-for="(choice, index) in choices" :key="choice.id">
            <button
              type="button"
              :disabled="!isResting"
              :aria-keyshortcuts="String(index + 1)"
              @click="say(choice.id)"
              @mouseenter="preview = choice.id"
              @focus="preview = choice.id"
              @blur="preview = null"
            >
              <span class="say"
                ><strong>{{ choice.label }}</strong> <span class="dim">{{ told.has(choice.id) ? percent(chanceOf(choice.id)!) : '' }}</span></span
              >
              <kbd class="wide">{{ index + 1 }}</kbd>
              <SuspectBar v-if="told.has(choice.id)" :shares="told.get(choice.id)!.suspects" :height="22" />
              <span v-else class="awaited" />
            </button>
          </li>
        </ol>
      </template>
      <div class="acts">
        <v-btn aria-keyshortcuts="c" @click="cannot">Cannot get to it</v-btn>
        <PhotoTake :key="spot.place.id" :place="spot.place.id" :about="lastHere" :suggested="spot.place.label" />
      </div>
      <div v-if="photos.length > 0" class="photos">
        <PhotoView
          v-for="one in photos"
          :key="one.id"
          :hash="one.payload.hash"
          :caption="one.payload.caption ?? ''"
          :width="one.payload.width"
          :height="one.payload.height"
        />
      </div>
      <section v-if="others.length > 0" aria-labelledby="also-title">
        <h3 id="also-title" class="eyebrow">Also here</h3>
        <ul class="also">
          <li v-for="one in more ? others : others.slice(0, 3)" :key="one.id">
            <button type="button" :class="{ done: read.has(one.id) }" @click="picked = one.id">
              <span>{{ one.label }}</span> <strong v-if="read.has(one.id)">{{ saidOf(one.id) }}</strong>
            </button>
          </li>
        </ul>
        <v-btn v-if="others.length > 3 && !more" variant="text" @click="more = true">{{ others.length - 3 }} more to look at here</v-btn>
      </section>
      <section v-if="seen.length > 0" class="seen" aria-labelledby="seen-title">
        <p class="head">
          <span id="seen-title" class="eyebrow">Seen last</span>
          <v-btn variant="text" size="small" prepend-icon="$undo" aria-keyshortcuts="u" :disabled="!store.undoable" @click="store.retract()"
            >Undo <kbd class="wide">U</kbd></v-btn
          >
        </p>
        <ul>
          <li v-for="one in seen" :key="one.id">
            <strong class="mono">{{ one.number }}</strong> <span>{{ one.what }}: {{ one.result }}</span>
          </li>
        </ul>
      </section>
    </section>

    <aside>
      <LookSuspects :preview="shown" />
      <section v-if="ranked.length > 1" aria-labelledby="then-title">
        <h2 id="then-title" class="eyebrow">Then</h2>
        <ul class="then">
          <li v-for="one in ranked.filter((other) => other !== spot).slice(0, 3)" :key="one.place.id">
            <button type="button" @click="choose(one.place.id)">
              <strong class="mono">{{ one.number }}</strong> {{ one.place.label }}
            </button>
          </li>
        </ul>
      </section>
      <details class="names">
        <summary>All places</summary>
        <ul>
          <li v-for="one in spots" :key="one.place.id">
            <button type="button" @click="choose(one.place.id)">
              <strong class="mono">{{ one.number }}</strong> {{ one.place.label }}
              <span class="dim">{{ { open: '', fine: 'fine', something: 'something' }[states[one.place.id] ?? 'open'] }}</span>
            </button>
          </li>
        </ul>
      </details>
      <v-btn color="primary" variant="flat" @click="emit('done')">Go to tracing</v-btn>
    </aside>
  </div>
</template>

<style scoped>
.look {
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(320px, 1fr) 300px;
}
.house,
.panel,
aside {
  padding: 18px 20px 40px;
}
aside {
  display: grid;
  gap: 18px;
  align-content: start;
  border-left: 1px solid var(--rule);
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  min-height: 32px;
  margin: 0;
}
.title {
  font-size: 1.5rem;
  font-weight: 600;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
.legend li {
  display: flex;
  align-items: center;
  gap: 8px;
}
.key {
  width: 18px;
  height: 18px;
  border-radius: 50%;
}
.key.open {
  border: 2px dashed var(--dim);
}
.key.fine {
  border: 2px solid var(--proven);
  box-shadow: 5px -5px 0 -4px var(--proven);
}
.key.something {
  background: var(--copper);
}
h1 {
  font-size: 1.625rem;
}
.where,
.how {
  margin: 4px 0 10px;
}
h2:not(.eyebrow) {
  font-size: 1.1875rem;
}
.also button {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 2px 12px;
}
.also .done span::before {
  content: '✓ ';
  color: var(--proven);
}
.caution {
  border-left: 3px solid var(--live);
  padding-left: 12px;
  color: var(--live);
  font-weight: 600;
  margin: 0 0 10px;
}
.was {
  margin: 0 0 8px;
}
.bar-of {
  margin: 0 0 8px;
  font-size: 0.875rem;
}
.outcomes {
  display: grid;
  gap: 8px;
  list-style: none;
  margin: 0;
  padding: 0;
}
.outcomes button {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px 10px;
  align-items: center;
  width: 100%;
  min-height: 76px;
  padding: 10px 14px;
  border: 1px solid var(--rule);
  border-radius: 10px;
  background: var(--sheet);
  color: inherit;
  text-align: left;
  cursor: pointer;
}
.outcomes button:hover:enabled,
.outcomes button:focus-visible {
  border-color: var(--ink);
}
.outcomes button:disabled {
  opacity: 0.6;
  cursor: default;
}
.outcomes .bar,
.awaited {
  grid-column: 1 / -1;
}
.awaited {
  height: 22px;
  border-radius: 4px;
  background: color-mix(in srgb, var(--rule) 40%, transparent);
}
.say strong {
  font-size: 1.125rem;
}
.say .dim {
  margin-left: 8px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 12px 0 18px;
}
.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-bottom: 16px;
}
.seen {
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
.seen ul,
.then,
.also,
.names ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.seen li {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr);
  padding: 5px 0;
  line-height: 1.25;
}
.then button,
.also button,
.names button {
  width: 100%;
  min-height: 48px;
  border: 0;
  border-top: 1px solid var(--rule);
  background: none;
  color: inherit;
  text-align: left;
  cursor: pointer;
}
.then strong,
.names strong {
  display: inline-block;
  min-width: 26px;
}
summary {
  min-height: 44px;
  line-height: 44px;
  cursor: pointer;
}
@media (max-width: 1100px) {
  .look {
    grid-template-columns: minmax(0, 1fr) minmax(320px, 1fr);
  }
  aside {
    grid-column: 1 / -1;
    border-left: 0;
    border-top: 1px solid var(--rule);
  }
}
@media (max-width: 760px) {
  .look {
    grid-template-columns: minmax(0, 1fr);
  }
  .house,
  .panel,
  aside {
    padding: 14px;
  }
  .panel {
    scroll-margin-top: var(--bar);
    border-top: 1px solid var(--rule);
  }
  .wide {
    display: none;
  }
}
</style>
