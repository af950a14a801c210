<script setup lang="ts">
import type { Catalogue } from '@dewpoint/core/diagnosis'
import { computed, reactive, ref } from 'vue'
import ModalSheet from '../../shared/pieces/ModalSheet.vue'
import { clock, day } from '../../shared/times.ts'
import type { Unsent } from '../device/device.ts'
import { useDraft } from '../device/drafts.ts'
import { asAnother, correctable, corrected, inWords, takenOver } from './mending.ts'
import { useOutbox } from './outbox.ts'
import { entryLine, unsentWords } from './unsentWords.ts'

const props = defineProps<{ item: Unsent; catalogue?: Catalogue; linked: boolean }>()
const outbox = useOutbox()
const correcting = ref(false)
const discarding = ref(false)
const values = reactive<Record<string, string>>({})
const problems = ref<Record<string, string>>({})

const written = computed(() => (props.item.kind === 'open' ? props.item.body.openedAt : props.item.entry.at))
const lines = computed(() => correctable(props.item))
const said = computed(() => (props.item.state === 'refused' || props.item.state === 'conflict' ? props.item.why : ''))
const fields = computed(() => (props.item.state === 'refused' ? (props.item.fields ?? []) : []))
/** what the server has under the same numbers, in words */
const theirs = computed(() => {
  const one = props.item
  if (one.state === 'conflict') return entryLine(one.theirs, props.catalogue)
  const present = one.state === 'refused' ? one.present : undefined
  return [
    present?.site && [present.site.name, present.site.address, present.site.note].filter(Boolean).join(', '),
    present?.appliance && `${present.appliance.label}${present.appliance.installedOn ? `, installed ${day(present.appliance.installedOn)}` : ''}`,
    present?.case && `a case opened ${day(present.case.openedAt)}, ${clock(present.case.openedAt)}`,
  ]
    .filter(Boolean)
    .join('; ')
})
const mine = computed(() => {
  const one = props.item
  if (one.kind === 'entry') return entryLine(one.entry, props.catalogue)
  const { site, appliance } = one.body
  return [site.name, site.address, site.note, appliance.label].filter(Boolean).join(', ')
})

for (const line of lines.value) values[line.field] = line.value
const draft = useDraft(`mend ${props.item.kind === 'open' ? props.item.body.id : props.item.entry.id}`, values)

function correct() {
  problems.value = Object.fromEntries(lines.value.map((line) => [line.field, line.message]))
  correcting.value = true
}

async function sendCorrected() {
  const read = corrected(props.item, { ...values })
  if (!read.ok) {
    problems.value = Object.fromEntries(read.problems.map((one) => [one.field, inWords(one)]))
    return
  }
  correcting.value = false
  draft.forget()
  await outbox.mend(props.item, read.value)
}
</script>

<template>
  <li>
    <p>
      <strong>{{ unsentWords(item, catalogue) }}</strong>
    </p>
    <p class="dim">
      {{ day(written) }}, {{ clock(written) }}<template v-if="item.kind === 'entry'">, {{ item.entry.authorName }}</template>
      <router-link v-if="linked" :to="{ name: 'case', params: { id: item.caseId } }" class="to">Go to the case</router-link>
    </p>
    <p v-if="fields.length === 0">{{ said }}</p>
    <ul v-else class="fields">
      <li v-for="one in fields" :key="one.field">{{ inWords(one) }}</li>
    </ul>
    <dl v-if="theirs">
      <dt>Yours</dt>
      <dd>{{ mine }}</dd>
      <dt>On the server</dt>
      <dd>{{ theirs }}</dd>
    </dl>
    <div class="acts">
      <template v-if="item.state === 'conflict'">
        <v-btn v-if="item.kind === 'entry'" @click="outbox.keepBoth(item)">Keep both entries</v-btn>
        <v-btn @click="outbox.discard(item)">Keep the server’s entry only</v-btn>
      </template>
      <template v-else-if="item.state === 'refused'">
        <template v-if="item.kind === 'open' && item.problem === 'conflict'">
          <v-btn v-if="item.present?.case" @click="outbox.acceptOpening(item)">Use the server’s case</v-btn>
          <template v-else>
            <v-btn @click="outbox.mend(item, takenOver(item))">Use the server’s details</v-btn>
            <v-btn @click="outbox.mend(item, asAnother(item))">Record mine as another place</v-btn>
          </template>
        </template>
        <v-btn v-else-if="item.problem === 'noCase'" @click="outbox.sendWhole(item)">Send the whole case again</v-btn>
        <template v-else>
          <v-btn v-if="item.problem !== 'journalFull'" @click="correct">Correct and send</v-btn>
          <v-btn variant="text" @click="outbox.retry(item)">Send again as it is</v-btn>
        </template>
        <v-btn variant="text" color="error" @click="discarding = true">Discard…</v-btn>
      </template>
    </div>

    <ModalSheet v-model="correcting" :label="`correct-${item.sequence}`">
      <h2 :id="`correct-${item.sequence}`">Correct and send</h2>
      <p class="dim">{{ unsentWords(item, catalogue) }}</p>
      <form class="correct" @submit.prevent="sendCorrected">
        <v-text-field
          v-for="line in lines"
          :key="line.field"
          v-model="values[line.field]"
          :label="line.label"
          :inputmode="line.number ? 'decimal' : undefined"
          :error-messages="problems[line.field]"
        />
        <p v-if="lines.length === 0">Nothing in it can be corrected here.</p>
        <div class="acts">
          <v-btn type="submit" color="primary" variant="flat" :disabled="lines.length === 0">Send corrected</v-btn>
          <v-btn variant="text" @click="correcting = false">Back</v-btn>
        </div>
      </form>
    </ModalSheet>
    <ModalSheet v-model="discarding" :label="`discard-${item.sequence}`" urgent>
      <h2 :id="`discard-${item.sequence}`">Discard this for good?</h2>
      <p>{{ unsentWords(item, catalogue) }}</p>
      <p v-if="item.kind === 'open'">With it goes everything written in this case on this device.</p>
      <div class="acts">
        <v-btn color="error" variant="flat" @click="outbox.discard(item)">Discard {{ item.kind === 'open' ? 'the case' : 'the entry' }}</v-btn>
        <v-btn variant="text" @click="discarding = false">Keep it</v-btn>
      </div>
    </ModalSheet>
  </li>
</template>

<style scoped>
li {
  padding: 12px 0;
  border-top: 1px solid var(--rule);
}
ul > li:first-child {
  border-top: 0;
}
p {
  margin: 2px 0;
}
.to {
  margin-left: 12px;
  color: var(--copper);
  font-weight: 600;
}
.fields {
  margin: 2px 0 4px;
  padding-left: 1.2em;
}
.fields li {
  padding: 0;
  border: 0;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 14px;
  margin: 6px 0;
}
dt {
  color: var(--dim);
}
dd {
  margin: 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
}
.correct {
  display: grid;
  gap: 14px;
  margin-top: 14px;
}
</style>
