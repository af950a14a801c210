<script setup lang="ts">
import { staff } from '@dewpoint/contract'
import { iMay } from '../../session/session.ts'
import { catalogues } from '@dewpoint/trade'
import { computed, ref } from 'vue'
import { imported } from '../../library/imported.ts'
import { useKeys } from '../../shared/pieces/keys.ts'
import PlainSelect from '../../shared/pieces/PlainSelect.vue'
import type { BenchBoiler } from './boilers.ts'
import type { BenchReading } from './benchReading.ts'
import PutInCase from './PutInCase.vue'
import type { Inputs } from './useInputs.ts'

/** What every tool of the bench looks like: what is there, what comes of it, and what that means. */
const {
  title,
  boiler = null,
  fits = () => true,
  lines,
  readings,
  pictureFirst = false,
  inputs,
} = defineProps<{
  title: string
  boiler?: BenchBoiler | null
  /** which boilers it is about; all of them without */
  fits?: (system: string) => boolean
  /** the answer as text, line by line, to copy */
  lines: string[]
  inputs: Inputs
  /** on a telephone before the inputs: it is what is pressed */
  pictureFirst?: boolean
  /** what can be recorded in a case */
  readings: BenchReading[]
}>()
const slots = defineSlots<{ inputs(): unknown; headline(): unknown; picture(): unknown; how(): unknown; means(): unknown; more?(): unknown }>()

const howShown = ref(false)
const putting = ref(false)
const copied = ref('')
const boilers = computed(() => [
  { value: '', title: 'No particular boiler' },
  ...[...Object.values(catalogues).map(({ system }) => system), ...imported.value].map(({ id, label }) => ({ value: id, title: label })),
])
async function copy() {
  try {
    await navigator.clipboard.writeText([title, ...lines, window.location.href].join('\n'))
    copied.value = 'Copied, with a link that opens it.'
  } catch {
    copied.value = 'The browser did not allow copying: select the text instead.'
  }
}
useKeys({ f: () => (howShown.value = !howShown.value) })
</script>

<template>
  <teleport to="#bar-case">
    <div class="title">
      <strong>{{ title }}</strong>
      <router-link :to="{ name: 'bench' }">Bench</router-link>
    </div>
  </teleport>
  <main class="tool">
    <section class="inputs" aria-label="What is there">
      <h2 class="eyebrow">What is there</h2>
      <template v-if="boiler">
        <p v-if="boiler.case.value" class="from">
          From <router-link :to="{ name: 'case', params: { id: boiler.case.value.id } }">{{ boiler.case.value.site.name }}</router-link>
        </p>
        <PlainSelect
          v-else
          :model-value="boiler.chosen.value"
          label="Boiler"
          :items="boilers.filter(({ value }) => value === '' || fits(value))"
          @update:model-value="boiler.choose($event)"
        />
        <p v-if="boiler.trouble.value" class="trouble" role="alert">{{ boiler.trouble.value }}</p>
      </template>
      <slot name="inputs" />
    </section>
    <section class="answer" aria-label="The answer">
      <h1 class="headline" aria-live="polite">
        <template v-if="inputs.wrong.value">Mend the figure that cannot be, then the answer stands here.</template>
        <slot v-else name="headline" />
      </h1>
      <div class="drawn" :class="{ first: pictureFirst }"><slot v-if="!inputs.wrong.value || pictureFirst" name="picture" /></div>
      <div class="worked">
        <button type="button" class="eyebrow" :aria-expanded="howShown" aria-keyshortcuts="f" @click="howShown = !howShown">
          How it is worked out <kbd class="wide">F</kbd>
        </button>
        <div v-if="howShown" class="how"><slot v-if="!inputs.wrong.value" name="how" /></div>
      </div>
      <div class="acts">
        <v-btn v-if="iMay(staff)" color="primary" variant="flat" :disabled="readings.length === 0 || inputs.wrong.value" @click="putting = true"
          >Put this in a case</v-btn
        >
        <v-btn :disabled="inputs.wrong.value" @click="copy">Copy as text</v-btn>
        <v-btn variant="text" @click="inputs.clear()">Clear</v-btn>
        <span role="status" class="dim">{{ copied }}</span>
      </div>
      <p v-if="readings.length === 0" class="dim note">What you measure and type here can be recorded in a case as readings.</p>
      <slot v-if="slots.more" name="more" />
    </section>
    <section class="means" aria-label="What it means"><slot v-if="!inputs.wrong.value" name="means" /></section>
    <PutInCase v-if="putting" v-model="putting" :readings="readings" :case-id="boiler?.case.value?.id" @recorded="inputs.asKept()" />
  </main>
</template>

<style scoped>
.title {
  display: flex;
  flex-direction: column;
  line-height: 1.25;
}
.title strong {
  font-size: 1.0625rem;
  font-weight: 600;
}
.title a {
  color: var(--dim);
}
.tool {
  display: grid;
  grid-template-columns: 264px minmax(0, 1fr) 304px;
  min-height: calc(100dvh - var(--bar));
}
section {
  padding: 20px 22px 40px;
  min-width: 0;
}
.inputs {
  display: grid;
  gap: 12px;
  align-content: start;
  border-right: 1px solid var(--rule);
}
.means {
  border-left: 1px solid var(--rule);
}
.headline {
  font-size: 1.625rem;
  min-height: 2.3em;
  margin-bottom: 14px;
  text-wrap: balance;
}
.worked {
  border-top: 1px solid var(--rule);
  margin-top: 14px;
}
.worked > button {
  display: flex;
  align-items: center;
  width: 100%;
  min-height: 48px;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
}
.how {
  padding-bottom: 12px;
}
.how :deep(p) {
  margin: 0 0 6px;
}
.how :deep(.formula) {
  font-family: var(--mono);
  font-size: 0.9375rem;
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
}
.note {
  margin: 8px 0 0;
}
.from,
.trouble {
  margin: 0;
}
.trouble {
  color: var(--stop);
}
.means :deep(h2) {
  font-size: 1.0625rem;
  margin: 18px 0 4px;
}
.means :deep(h2:first-child) {
  margin-top: 0;
}
.means :deep(p) {
  margin: 0 0 8px;
  line-height: 1.35;
}
.means :deep(.caution) {
  border-left: 3px solid var(--stop);
  padding-left: 12px;
}
.tool :deep(.pair) {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  align-items: end;
}
.inputs :deep(.switch) {
  justify-self: start;
}
.inputs :deep(h3) {
  border-top: 1px solid var(--rule);
  padding-top: 12px;
  margin-top: 4px;
}
.inputs :deep(summary) {
  min-height: 48px;
  display: flex;
  align-items: center;
  color: var(--copper);
  font-weight: 600;
  cursor: pointer;
}
.inputs :deep(details > * + *) {
  margin-top: 8px;
}
.inputs :deep(p) {
  margin-bottom: 0;
}
@media (max-width: 1120px) {
  .tool {
    grid-template-columns: 264px minmax(0, 1fr);
  }
  .means {
    grid-column: 1 / -1;
    border-left: 0;
    border-top: 1px solid var(--rule);
  }
}
@media (max-width: 760px) {
  .tool {
    display: flex;
    flex-direction: column;
  }
  .answer {
    display: contents;
  }
  .answer > * {
    margin-left: 16px;
    margin-right: 16px;
  }
  /* the answer stays in sight while figures are typed */
  .headline {
    order: -1;
    position: sticky;
    top: var(--bar);
    z-index: 5;
    margin: 0 !important;
    padding: 12px 16px 10px;
    min-height: 0;
    font-size: 1.25rem;
    background: var(--paper);
    border-bottom: 1px solid var(--rule);
  }
  .drawn.first {
    order: -1;
    margin-top: 14px;
  }
  .inputs {
    grid-template-columns: 1fr 1fr;
    gap: 10px 12px;
    padding: 14px 16px 16px;
    border: 0;
  }
  .inputs > .eyebrow,
  .inputs > .from,
  .inputs > .plain-select,
  .inputs :deep(.whole) {
    grid-column: 1 / -1;
  }
  .means {
    padding: 18px 16px 60px;
    margin-top: 18px;
  }
  .wide {
    display: none;
  }
}
</style>
