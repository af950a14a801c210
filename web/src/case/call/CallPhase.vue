<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { useStock } from '../../van/stockStore.ts'
import { useCase } from '../caseStore.ts'
import JournalList from '../JournalList.vue'
import SuspectsStrip from '../suspects/SuspectsStrip.vue'
import AskNext from './AskNext.vue'
import BookingForm from './visit/BookingForm.vue'
import CanDoNow from './CanDoNow.vue'
import ComplaintForm, { type Told } from './words/ComplaintForm.vue'
import HistoryForm from './boiler/HistoryForm.vue'
import KnownFacts from './boiler/KnownFacts.vue'
import OnSiteHill from './visit/OnSiteHill.vue'
import OwnExperience from './boiler/OwnExperience.vue'
import PastPanel from './boiler/PastPanel.vue'
import VanList from './visit/VanList.vue'

const emit = defineEmits<{ done: [] }>()
const store = useCase()
const stock = useStock()
const adding = ref(false)
const told = useTemplateRef('told')
const noted = computed(() => store.live.some((one) => one.type === 'complaint'))

onMounted(() => stock.load().catch(() => undefined))

async function add({ said, complaints, answers, dangerRuledOut }: Told) {
  // it is in the journal from here on
  told.value?.forget()
  adding.value = false
  if (said) await store.write('said', said)
  for (const complaint of complaints) await store.write('complaint', complaint)
  for (const answer of answers) await store.write('reading', answer)
  const act = dangerRuledOut ? store.catalogue?.actions.find((one) => one.rulesOut) : undefined
  if (act) await store.write('action', { action: act.id, value: 'all', note: 'Asked on the telephone: none' })
}
</script>

<template>
  <div class="call">
    <section v-if="!noted || adding" class="say">
      <h1>What does the customer say?</h1>
      <ComplaintForm ref="told" action="Record the complaint" :system="store.current!.appliance.system" :draft="`case ${store.current!.id} said`" @done="add" />
      <v-btn v-if="adding" variant="text" @click="adding = false">Back to the questions</v-btn>
    </section>
    <div v-else class="three">
      <div class="left">
        <!-- what arrives late stands below what is pressed -->
        <KnownFacts />
        <CanDoNow />
        <PastPanel />
        <details class="fold">
          <summary class="eyebrow">What happened before</summary>
          <HistoryForm />
        </details>
        <OwnExperience />
      </div>
      <div class="middle">
        <AskNext />
        <BookingForm />
        <div class="onward">
          <v-btn color="primary" variant="flat" @click="emit('done')">Go to tracing</v-btn>
          <v-btn variant="text" @click="adding = true">Another complaint</v-btn>
        </div>
      </div>
      <aside class="right">
        <SuspectsStrip />
        <OnSiteHill v-if="store.workedOut && store.diagnosis?.onSite" :visit="store.diagnosis.onSite" />
        <VanList />
        <JournalList />
      </aside>
    </div>
  </div>
</template>

<style scoped>
.say {
  max-width: 920px;
  padding: 24px 28px 60px;
}
.say h1 {
  margin-bottom: 14px;
}
.three {
  display: grid;
  grid-template-columns: 352px minmax(0, 1fr) 320px;
}
.left,
.middle,
.right {
  padding: 20px 24px 40px;
}
.left,
.right {
  display: grid;
  gap: 20px;
  align-content: start;
}
.left {
  border-right: 1px solid var(--rule);
}
.right {
  border-left: 1px solid var(--rule);
}
.fold summary {
  min-height: 44px;
  line-height: 44px;
  cursor: pointer;
}
.onward {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 18px;
}
@media (max-width: 1100px) {
  .three {
    grid-template-columns: minmax(0, 1fr) 300px;
  }
  .middle {
    grid-column: 1;
    grid-row: 1;
  }
  .right {
    grid-column: 2;
    grid-row: 1 / span 2;
  }
  .left {
    grid-column: 1;
    border-right: 0;
    border-top: 1px solid var(--rule);
  }
}
@media (max-width: 760px) {
  .three {
    grid-template-columns: minmax(0, 1fr);
  }
  .left,
  .middle,
  .right {
    grid-column: 1;
    grid-row: auto;
    padding: 16px;
  }
  .middle {
    order: -2;
  }
  .right {
    order: -1;
    border-left: 0;
    border-top: 1px solid var(--rule);
  }
  .say {
    padding: 16px;
  }
}
</style>
