<script setup lang="ts">
import { closingOf } from '@dewpoint/core/casebook'
import { computed } from 'vue'
import { inSentence } from '../../shared/words.ts'
import { useCase } from '../caseStore.ts'
import { entryWords } from '../checkWords.ts'
import JournalList from '../JournalList.vue'
import { percent } from '../suspects/colours.ts'
import AfterPanel from './AfterPanel.vue'
import ClosePanel from './ClosePanel.vue'
import ClosingRow from './ClosingRow.vue'
import RunRails from './RunRails.vue'
import SignPanel from './SignPanel.vue'

/** What shows that it is mended, and what has to stand in the record before it is left. */
const store = useCase()
const closed = computed(() => closingOf(store.live) !== null)
const record = computed(() => store.diagnosis?.record ?? [])
/** what is measured or looked at first, then what is said of the rest */
const rows = computed(() => [...record.value].sort((a, b) => Number(b.limit !== null) - Number(a.limit !== null)))
const counts = computed(() => ({
  pass: record.value.filter((one) => ['right', 'given', 'declined'].includes(one.state)).length,
  fail: record.value.filter((one) => one.state === 'notRight').length,
  notDone: record.value.filter((one) => one.state === 'notDone').length,
  open: record.value.filter((one) => one.state === 'open').length,
}))
/** what may stand now, likeliest first */
const standing = computed(() => (store.workedOut ? (store.diagnosis?.standing ?? []) : []).filter((one) => one.probability >= 0.02).slice(0, 4))
const allRun = computed(() => (store.diagnosis?.proofs ?? []).every((one) => one.passed))
const standingWords = computed(() => ({
  // nothing is "nothing more" before it has run
  nothingWrong: allRun.value ? 'nothing more' : 'nothing more, if it runs',
  noDemand: 'nothing asks it to run',
  unlisted: 'a cause not listed here',
  rare: 'several rare causes',
  faults: '',
}))
</script>

<template>
  <div class="prove">
    <aside class="left"><RunRails :closed="closed" /></aside>
    <section class="work">
      <p class="eyebrow">Prove it</p>
      <h1>{{ closed ? 'Closed' : !store.mended ? 'Nothing repaired yet' : allRun ? 'It runs: now the closing checks' : 'Run it, then the closing checks' }}</h1>
      <p v-if="store.mended && store.catalogue" class="dim">Last repair: {{ inSentence(entryWords(store.catalogue, store.mended).result) }}.</p>
      <p v-else-if="!closed">What is repaired is proved here. <router-link :to="{ params: { phase: 'repair' } }">Go to the repair</router-link></p>
      <section v-if="record.length > 0" class="record" aria-labelledby="record-title">
        <p class="head">
          <span id="record-title" class="eyebrow">Closing checks</span>
          <span role="status"
            ><strong>{{ counts.pass }}</strong> pass<template v-if="counts.fail > 0"
              >, <strong class="fails">{{ counts.fail }} {{ counts.fail === 1 ? 'fails' : 'fail' }}</strong></template
            ><template v-if="counts.notDone > 0"
              >, <strong>{{ counts.notDone }}</strong> not done</template
            ><template v-if="counts.open > 0"
              >, <strong>{{ counts.open }}</strong> left</template
            ></span
          >
        </p>
        <ul>
          <ClosingRow v-for="item in rows" :key="item.id" :item="item" :closed="closed" />
        </ul>
      </section>
      <AfterPanel :closed="closed" />
      <SignPanel />
    </section>
    <aside class="right">
      <ClosePanel />
      <section v-if="!closed && standing.length > 0" class="standing" aria-labelledby="standing-title">
        <h2 id="standing-title" class="eyebrow">Still possible</h2>
        <p v-for="one in standing" :key="one.key + one.kind">
          <span class="mono">{{ percent(one.probability) }}</span> {{ standingWords[one.kind] || inSentence(one.label) }}
        </p>
      </section>
      <JournalList />
    </aside>
  </div>
</template>

<style scoped>
.prove {
  display: grid;
  grid-template-columns: 290px minmax(0, 1fr) 320px;
}
.left,
.work,
.right {
  padding: 18px 20px 40px;
}
.left {
  border-right: 1px solid var(--rule);
}
.right {
  border-left: 1px solid var(--rule);
  display: grid;
  align-content: start;
  gap: 22px;
}
h1 {
  font-size: 1.75rem;
  margin: 4px 0 6px;
}
.work a {
  color: var(--copper);
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 2px 12px;
  margin: 16px 0 4px;
}
.fails {
  color: var(--stop);
}
.record ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.standing p {
  display: grid;
  grid-template-columns: 3.5rem 1fr;
  margin: 4px 0;
}
@media (max-width: 1180px) {
  .prove {
    grid-template-columns: 260px minmax(0, 1fr);
  }
  .right {
    grid-column: 1 / -1;
    border-left: 0;
    border-top: 1px solid var(--rule);
  }
}
@media (max-width: 760px) {
  .prove {
    grid-template-columns: minmax(0, 1fr);
  }
  .left {
    border-right: 0;
    border-bottom: 1px solid var(--rule);
  }
  .left,
  .work,
  .right {
    padding: 14px 16px 26px;
  }
}
</style>
