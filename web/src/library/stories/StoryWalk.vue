<script setup lang="ts">
import { catalogueFor, catalogues, schemesOf } from '@dewpoint/trade'
import { computed, nextTick, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { entryWords } from '../../case/checkWords.ts'
import { colourOf, percent } from '../../case/suspects/colours.ts'
import { useKeys } from '../../shared/pieces/keys.ts'
import { inWords, type Shelved, useWalk } from './walk.ts'

const props = defineProps<{ story: Shelved; at: number }>()
const router = useRouter()
const catalogue = computed(() => (props.story.controls ? catalogueFor(props.story.system, props.story.controls)! : catalogues[props.story.system]!))
const wiring = computed(() => schemesOf(props.story.system).find((one) => one.id === props.story.controls)?.label)
const { steps, at, now, before, trouble } = useWalk(
  () => props.story,
  () => props.at,
)
const lines = computed(() => steps.value.slice(0, at.value).map(({ entry, holds }) => ({ ...entryWords(catalogue.value, entry), holds, id: entry.id })))
const shown = computed(() => (now.value?.suspects ?? []).slice(0, 6))
const was = computed(() => new Map((before.value?.suspects ?? []).map((one) => [one.key, one.probability])))
const next = computed(() => (now.value?.next ?? []).slice(0, 3).map(({ check }) => catalogue.value.checks.find((one) => one.id === check)?.label ?? check))
const checks = computed(() =>
  (steps.value[at.value - 1]?.holds ?? []).map(({ says, holds }) => ({ says: inWords(catalogue.value, says), holds: now.value && holds(now.value) })),
)

const go = (step: number) => {
  if (step < 1 || step > steps.value.length || step === at.value) return
  void router.replace({ query: { entry: String(step) } })
}
useKeys({ ArrowRight: () => go(at.value + 1), ArrowLeft: () => go(at.value - 1) })
const list = ref<HTMLElement>()
watch(at, () => nextTick(() => list.value?.lastElementChild?.scrollIntoView({ block: 'nearest' })))
</script>

<template>
  <section class="walk" aria-labelledby="story-title">
    <header>
      <router-link :to="{ name: 'stories' }" class="eyebrow narrow">Stories</router-link>
      <h2 id="story-title">{{ story.title }}</h2>
      <p class="heard">{{ story.heard }}</p>
      <p class="dim">{{ catalogue.system.label }}{{ wiring ? `. ${wiring}` : '' }}</p>
    </header>
    <div class="steps">
      <v-btn :disabled="at <= 1" @click="go(at - 1)">Back</v-btn>
      <span class="mono" role="status">entry {{ at }} of {{ steps.length }}</span>
      <v-btn append-icon="$go" color="primary" :disabled="at >= steps.length" @click="go(at + 1)">Next entry</v-btn>
    </div>
    <div class="columns">
      <section aria-labelledby="written-title">
        <h3 id="written-title" class="eyebrow">Written down</h3>
        <ol ref="list" class="written">
          <li v-for="(line, index) in lines" :key="line.id" :class="{ latest: index === lines.length - 1 }">
            <span class="dim">{{ line.what }}</span>
            <strong>{{ line.result }}</strong>
          </li>
        </ol>
        <template v-if="checks.length > 0">
          <h3 class="eyebrow">An engineer would now insist</h3>
          <ul class="holds">
            <li v-for="one in checks" :key="one.says">
              <v-icon
                v-if="one.holds !== undefined"
                :icon="one.holds ? '$tick' : '$away'"
                :class="one.holds ? 'yes' : 'no'"
                :aria-label="one.holds ? 'holds' : 'does not hold'"
              />
              <span>{{ one.says }}</span>
            </li>
          </ul>
        </template>
      </section>
      <section aria-labelledby="suspects-title" :aria-busy="!now">
        <h3 id="suspects-title" class="eyebrow">Suspects</h3>
        <p v-if="trouble" role="alert">{{ trouble }}</p>
        <p v-else-if="!now" class="dim">Working it out…</p>
        <p v-else-if="now.stop" class="stop" role="alert"><strong>Danger stops the case.</strong> {{ now.stop.because }}</p>
        <ol v-else class="suspects">
          <li v-for="(one, rank) in shown" :key="one.key">
            <span class="name">{{ one.label }}</span>
            <span class="mono">{{ percent(one.probability) }}</span>
            <span class="track" aria-hidden="true">
              <span class="fill" :style="{ width: `${one.probability * 100}%`, background: colourOf(rank) }" />
              <span v-if="was.has(one.key)" class="was" :style="{ left: `${was.get(one.key)! * 100}%` }" />
            </span>
          </li>
        </ol>
        <template v-if="now && !now.stop && next.length > 0">
          <h3 class="eyebrow">Next checks</h3>
          <ol class="next">
            <li v-for="one in next" :key="one">{{ one }}</li>
          </ol>
        </template>
      </section>
    </div>
  </section>
</template>

<style scoped>
.walk {
  padding: 14px 28px 60px;
  max-width: 1100px;
}
header .narrow {
  display: none;
}
h2 {
  font-size: 1.5rem;
}
.heard {
  font-size: 1.1875rem;
  margin: 6px 0 2px;
}
.steps {
  position: sticky;
  top: var(--bar);
  z-index: 1;
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 12px 0;
  background: var(--paper);
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 32px;
}
ol,
ul {
  list-style: none;
  margin: 6px 0 20px;
  padding: 0;
}
.written li {
  display: grid;
  gap: 2px;
  padding: 8px 0 8px 12px;
  border-left: 3px solid var(--rule);
  line-height: 1.25;
}
.written .latest {
  border-left-color: var(--copper);
}
.holds li {
  display: grid;
  grid-template-columns: 28px 1fr;
  padding: 6px 0;
  line-height: 1.3;
}
.yes {
  color: var(--proven);
}
.no {
  color: var(--stop);
}
.suspects li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 4px 8px;
  padding: 8px 0;
  line-height: 1.25;
}
.name {
  font-weight: 600;
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
.next li {
  padding: 4px 0;
}
.stop {
  border-left: 6px solid var(--stop);
  padding-left: 12px;
}
@media (max-width: 900px) {
  .walk {
    padding: 12px 16px 60px;
  }
  header .narrow {
    display: inline-flex;
    align-items: center;
    min-height: 48px;
    color: var(--dim);
  }
  .columns {
    grid-template-columns: minmax(0, 1fr);
    gap: 8px;
  }
  .steps {
    justify-content: space-between;
    gap: 8px;
  }
}
</style>
