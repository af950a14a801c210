<script setup lang="ts">
import type { Check } from '@dewpoint/core/diagnosis'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { doublePressGuard } from '../../shared/pieces/doublePressGuard.ts'
import { useKeys } from '../../shared/pieces/keys.ts'
import { useCase } from '../caseStore.ts'
import { outcomeChoices } from '../checkWords.ts'
import { percent } from '../suspects/colours.ts'
import SuspectBar from '../suspects/SuspectBar.vue'
import { useAhead } from '../suspects/useAhead.ts'
import { answeredOn } from './answeredOn.ts'

/** The question to say aloud: the one that tells most about this complaint, with what each answer would make of the suspects. */
const store = useCase()
const most = 5

const known = computed(() => answeredOn(store.catalogue, store.live))
const asked = computed(() => store.live.filter((one) => one.type === 'reading' && checkOf(one.payload.check)?.kind === 'ask').length)
const checkOf = (id: string) => store.catalogue?.checks.find((one) => one.id === id)
/** a question somebody brought up instead of the one offered */
const broughtUp = ref<string | null>(null)
/** questions nobody has to travel for, by what they tell; as they were offered while the next ones are worked out */
const worth = shallowRef<Check[]>([])
watch(
  [() => store.diagnosis, () => store.workedOut],
  () => {
    if (!store.workedOut) return
    const telling = store.diagnosis?.telling ?? {}
    worth.value = (store.catalogue?.checks ?? [])
      .filter((one) => one.kind === 'ask' && telling[one.id] !== undefined && !known.value.has(one.id))
      .sort((a, b) => telling[b.id]! - telling[a.id]!)
      .slice(0, most)
  },
  { immediate: true },
)
const question = computed(() => worth.value.find((one) => one.id === broughtUp.value) ?? worth.value[0])
const later = computed(() => worth.value.filter((one) => one !== question.value))
const choices = computed(() => (question.value ? outcomeChoices(question.value, false) : []))

const { told, chanceOf } = useAhead(
  question,
  computed(() => ({ sureness: 'sure' })),
  choices,
)
const now = computed(() => store.diagnosis?.suspects ?? [])

const isMeant = doublePressGuard()
const heading = ref<HTMLElement | null>(null)
/** the question is the one on the screen until what was answered has been thought through */
const isResting = computed(() => question.value !== undefined && !known.value.has(question.value.id))
async function answered(by: () => Promise<void>) {
  if (!isResting.value || !isMeant()) return
  const hadFocus = document.activeElement?.closest('.answers') !== null
  broughtUp.value = null
  await by()
  // whoever goes by keyboard or ear is told the next question
  if (hadFocus) await nextTick(() => heading.value?.focus())
}
const answer = (outcome: string) => answered(() => store.write('reading', { check: question.value!.id, outcome, sureness: 'sure' }))
const unknown = () => answered(() => store.write('decision', { kind: 'checkNotPossible', check: question.value!.id, reason: 'The customer does not know.' }))

useKeys({
  ...Object.fromEntries(Array.from({ length: 9 }, (_unused, index) => [String(index + 1), () => choices.value[index] && answer(choices.value[index].id)])),
  '0': () => question.value && unknown(),
})
</script>

<template>
  <section class="ask" aria-labelledby="ask-title" :aria-busy="!isResting && worth.length > 0">
    <p class="head">
      <span class="eyebrow">Ask next</span>
      <span class="dim"
        >{{ asked }} answered<template v-if="later.length > 0">, {{ later.length }} more worth asking</template></span
      >
    </p>
    <template v-if="question">
      <h1 id="ask-title" ref="heading" tabindex="-1">“{{ question.label }}”</h1>
      <p class="how dim">{{ isResting ? question.how[0] : 'Working out the next question…' }}</p>
      <p class="columns dim" aria-hidden="true"><span>they say</span><span>how likely</span><span>suspects after that answer</span></p>
      <ol class="answers">
        <li v-for="(choice, index) in choices" :key="choice.id" :style="{ '--likely': chanceOf(choice.id) ?? 0 }">
          <button type="button" :disabled="!isResting" :aria-keyshortcuts="String(index + 1)" @click="answer(choice.id)">
            <kbd class="wide">{{ index + 1 }}</kbd>
            <span class="say">{{ choice.label }}</span>
            <span class="mono likely">{{ told.has(choice.id) ? percent(chanceOf(choice.id)!) : '' }}</span>
            <SuspectBar v-if="told.has(choice.id)" :shares="told.get(choice.id)!.suspects" />
            <span v-else class="awaited" />
          </button>
        </li>
        <li class="unknown">
          <button type="button" :disabled="!isResting" aria-keyshortcuts="0" @click="unknown">
            <kbd class="wide">0</kbd>
            <span class="say">Does not know</span>
            <span class="mono likely" />
            <SuspectBar v-if="now.length > 0" :shares="now" />
          </button>
        </li>
      </ol>
      <ul v-if="later.length > 0" class="later" aria-label="Then">
        <li v-for="one in later" :key="one.id">
          <button type="button" @click="broughtUp = one.id"><span class="dim">Then</span> “{{ one.label }}”</button>
        </li>
      </ul>
    </template>
    <template v-else>
      <h1 id="ask-title" ref="heading" tabindex="-1">{{ store.workedOut ? 'Asked enough' : 'Working out what to ask…' }}</h1>
      <p v-if="store.workedOut" class="dim">Nothing the customer can say would tell the suspects further apart. The rest is seen on site.</p>
    </template>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  margin: 0 0 8px;
}
h1 {
  font-size: 1.75rem;
  outline-offset: 6px;
}
.how {
  margin: 6px 0 14px;
  min-height: 1.4em;
}
.columns,
.answers button {
  display: grid;
  grid-template-columns: 26px minmax(96px, 34%) 52px minmax(0, 1fr);
  gap: 12px;
  align-items: center;
}
.columns {
  margin: 0 0 4px;
  padding: 0 12px;
  font-size: 0.875rem;
}
.columns > :first-child {
  grid-column: 1 / span 2;
}
.columns > :nth-child(2) {
  text-align: right;
  white-space: nowrap;
  direction: rtl;
}
ol,
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.answers {
  display: grid;
  gap: 6px;
}
.answers button {
  width: 100%;
  /* the likelier it is, the taller it stands */
  min-height: calc(54px + 64px * var(--likely, 0));
  padding: 8px 12px;
  border: 1px solid var(--rule);
  border-radius: 10px;
  background: var(--sheet);
  color: inherit;
  text-align: left;
  cursor: pointer;
  transition: min-height 0.25s ease;
}
.answers button:hover:enabled {
  border-color: var(--ink);
}
.answers button:disabled {
  cursor: default;
  opacity: 0.6;
}
.answers kbd {
  margin: 0;
  text-align: center;
}
.say {
  font-weight: 600;
  font-size: 1.125rem;
  line-height: 1.2;
}
.likely {
  text-align: right;
}
.awaited {
  height: 28px;
  border-radius: 4px;
  background: color-mix(in srgb, var(--rule) 40%, transparent);
}
.later {
  margin-top: 14px;
}
.later button {
  width: 100%;
  min-height: 48px;
  border: 0;
  border-top: 1px solid var(--rule);
  background: none;
  color: inherit;
  font-weight: 600;
  text-align: left;
  cursor: pointer;
}
.later .dim {
  font-weight: 400;
}
@media (max-width: 760px) {
  .columns {
    display: none;
  }
  .answers button {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 6px 10px;
  }
  .answers button > .bar,
  .awaited {
    grid-column: 1 / -1;
  }
  .wide {
    display: none;
  }
  h1 {
    font-size: 1.5rem;
  }
}
</style>
