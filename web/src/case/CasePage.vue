<script setup lang="ts">
import { closingOf } from '@dewpoint/core/casebook'
import { computed, nextTick, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useOutbox } from '../keeping/outbox/outbox.ts'
import PresentPeople from '../live/PresentPeople.vue'
import { useLive } from '../live/live.ts'
import { land } from '../shared/landing.ts'
import { lazyPart } from '../shared/missingPart.ts'
import { complaintWords } from '../today/complaintWords.ts'
import CallPhase from './call/CallPhase.vue'
import { useCase } from './caseStore.ts'
import DangerQuestions from './DangerQuestions.vue'
import RefusedDialog from './RefusedDialog.vue'
import StandingActs from './StandingActs.vue'
import SaidStrip from './SaidStrip.vue'
import StopPanel from './StopPanel.vue'
import TracePhase from './trace/TracePhase.vue'

// the map comes with its own drawing library
const WiringPhase = lazyPart(() => import('./wiring/WiringPhase.vue'))
const RepairPhase = lazyPart(() => import('./repair/RepairPhase.vue'))
const ReportPhase = lazyPart(() => import('./report/ReportPhase.vue'))
const ProvePhase = lazyPart(() => import('./prove/ProvePhase.vue'))
const LookPhase = lazyPart(() => import('./look/LookPhase.vue'))
const SinceClosed = lazyPart(() => import('./SinceClosed.vue'))
const NotAccepted = lazyPart(() => import('../keeping/outbox/NotAccepted.vue'))

const props = defineProps<{ id: string; phase?: string }>()
const store = useCase()
const outbox = useOutbox()
const router = useRouter()

const phases = [
  { id: 'call', label: 'Call' },
  { id: 'look', label: 'Look' },
  { id: 'trace', label: 'Trace' },
  { id: 'wiring', label: 'Wiring' },
  { id: 'repair', label: 'Repair' },
  { id: 'prove', label: 'Prove' },
  { id: 'report', label: 'Report' },
] as const
const closed = computed(() => closingOf(store.live) !== null)
/** a closed case opens on its report */
const shown = computed(() => props.phase || (closed.value ? 'report' : 'trace'))
const complaints = computed(() => store.live.filter((one) => one.type === 'complaint'))
const done = computed<Record<string, boolean>>(() => ({
  call: complaints.value.length > 0,
  trace: store.diagnosis?.verdict != null,
  repair: store.live.some((one) => one.type === 'repair'),
  prove: closed.value,
}))
const years = computed(() => {
  const installed = store.current?.appliance.installedOn
  if (!installed) return ''
  const age = Math.floor((Date.now() - Date.parse(installed)) / 31_557_600_000)
  return age < 1 ? ' · under a year' : ` · ${age} ${age === 1 ? 'year' : 'years'}`
})

watch(
  () => props.id,
  (id) => store.open(id),
  { immediate: true },
)
/** what a colleague writes is here within two seconds */
const { present } = useLive(
  computed(() => props.id),
  () => store.refresh(),
  (changed) => {
    const mine = changed.find((one) => one.id === props.id)
    // the person was taken out of it: nothing of them stays on the screen
    if (mine?.erased && !store.current?.erasedAt) void store.open(props.id)
    return mine !== undefined && mine.position > (store.current?.position ?? 0)
  },
)

// the case comes after the page it is on
watch(
  () => store.current?.id,
  () => void nextTick(land),
)

/** the wiring takes longest to draw: begun as soon as nobody waits for anything else */
watch(
  () => store.diagnosis && store.catalogue?.system.controls,
  (scheme) => {
    if (scheme) void import('../workers/drawing.ts').then(({ drawingOf }) => drawingOf(scheme)).catch(() => undefined)
  },
)

const refusedHere = computed(() => outbox.notAccepted.some((one) => one.caseId === props.id))
const go = (phase: string) => router.push({ name: 'case', params: { id: props.id, phase } })
</script>

<template>
  <RefusedDialog />
  <teleport to="#bar-case" defer>
    <div v-if="store.current" class="title">
      <strong>{{ store.current.site.name }}</strong>
      <span class="dim">{{ store.current.appliance.label }}{{ years }} · {{ complaintWords(complaints.map((one) => one.payload.what)) }}</span>
    </div>
    <PresentPeople v-if="store.current" :people="present" />
    <nav v-if="store.current" class="phases" aria-label="Phases of the case">
      <router-link
        v-for="one in phases"
        :key="one.id"
        :to="{ name: 'case', params: { id, phase: one.id } }"
        class="phase"
        :aria-current="shown === one.id ? 'step' : undefined"
      >
        {{ one.label }}
        <v-icon v-if="done[one.id]" icon="$tick" size="18" aria-label="done" />
      </router-link>
    </nav>
  </teleport>

  <main v-if="store.trouble" class="trouble" role="alert">
    <h1>This case cannot be shown now</h1>
    <p>{{ store.trouble }}</p>
    <v-btn @click="store.open(id)">Try again</v-btn>
    <v-btn variant="text" :to="{ name: 'today' }">Today’s calls</v-btn>
  </main>
  <main v-else-if="!store.current" class="trouble dim" aria-live="polite">Fetching the case…</main>
  <!-- another case is another page: nothing typed for one may end in the next -->
  <main v-else :key="id" class="case">
    <NotAccepted v-if="refusedHere" :case-id="id" :catalogue="store.catalogue ?? undefined" class="refused" />
    <p v-if="store.thoughtTrouble" class="alert" role="alert">
      {{ store.thoughtTrouble }} Entries are kept; the ranking will follow.
      <v-btn variant="text" @click="store.think()">Try again</v-btn>
    </p>
    <DangerQuestions v-if="!store.stop && store.questions.length > 0" />
    <SinceClosed v-if="closed" />
    <SaidStrip />
    <StandingActs v-if="store.acts.length > 0" />
    <StopPanel v-if="store.stop && !(closed && shown === 'report')" :stop="store.stop" />
    <CallPhase v-else-if="shown === 'call'" @done="go('trace')" />
    <LookPhase v-else-if="shown === 'look'" @done="go('trace')" />
    <WiringPhase v-else-if="shown === 'wiring'" />
    <RepairPhase v-else-if="shown === 'repair'" />
    <ProvePhase v-else-if="shown === 'prove'" />
    <ReportPhase v-else-if="shown === 'report'" />
    <TracePhase v-else @verdict="go('repair')" />
  </main>
</template>

<style scoped>
.refused {
  margin: 0;
  border-bottom: 1px solid var(--rule);
}
.title {
  display: flex;
  flex-direction: column;
  line-height: 1.25;
  min-width: 0;
}
.title > * {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.title strong {
  font-size: 1.0625rem;
  font-weight: 600;
}
.phases {
  display: flex;
  flex: none;
  align-self: stretch;
}
.phase {
  display: flex;
  align-items: center;
  justify-content: center;
  gap: 6px;
  min-width: 86px;
  min-height: 59px;
  color: var(--dim);
  text-decoration: none;
  font-weight: 600;
  border-bottom: 3px solid transparent;
}
.phase[aria-current] {
  color: var(--ink);
  border-color: var(--copper);
}
.case {
  width: 100%;
}
.trouble {
  max-width: 34rem;
  margin: 14vh auto 0;
  padding: 0 20px;
}
.trouble h1 {
  margin-bottom: 10px;
}
.alert {
  margin: 0;
  padding: 8px 20px;
  color: var(--stop);
  border-bottom: 1px solid var(--rule);
}
@media (max-width: 760px) {
  .phases {
    position: fixed;
    top: auto;
    bottom: 0;
    left: 0;
    right: 0;
    padding: 0;
    border-top: 1px solid var(--rule);
    background: var(--paper);
    padding-bottom: env(safe-area-inset-bottom);
  }
  .phase {
    position: relative;
    font-size: 0.9375rem;
    flex: 1;
    min-width: 0;
    min-height: 56px;
    border-bottom: 0;
    border-top: 3px solid transparent;
  }
  .phase .v-icon {
    position: absolute;
    top: 3px;
    right: 4px;
    font-size: 14px;
  }
  .case {
    padding-bottom: 70px;
  }
}
</style>
