<script setup lang="ts">
import { usualCosts } from '@dewpoint/core/diagnosis'
import { limitWords, reportDocument, reportOf } from '@dewpoint/trade/report'
import { computed, reactive, ref } from 'vue'
import { useFirm } from '../../firm/firmStore.ts'
import { useDraft } from '../../keeping/device/drafts.ts'
import { pictureHere } from '../../keeping/photos/photoShelf.ts'
import { download } from '../../shared/download.ts'
import { printOnly } from '../../shared/printing.ts'
import { zone } from '../../shared/times.ts'
import { useCase } from '../caseStore.ts'
import { explainLink } from '../explainLink.ts'
import PhotoView from '../photos/PhotoView.vue'
import LimitBand from '../prove/LimitBand.vue'
import ClosePanel from '../prove/ClosePanel.vue'
import CsvIn from './CsvIn.vue'
import { calendarOf, caseFileOf, readingsCsv } from './exports.ts'

/** What stays of a case: one page of plain words for the customer, the record behind it, and all of it to take away. */
const store = useCase()
const firm = useFirm()
const profile = computed(() => firm.settings?.profile)
const report = computed(() => {
  const one = store.current
  if (!one || !store.catalogue) return null
  return reportOf({
    ...{ catalogue: store.catalogue, openedAt: one.openedAt, place: one.site, appliance: one.appliance, entries: store.entries },
    ...{ firm: profile.value ?? {}, timeZone: zone.value },
    hourlyRate: { ...usualCosts, ...firm.settings?.costs, ...one.settings }.hourlyRate,
  })
})
const number = computed(() => store.current?.id.slice(-6).toUpperCase() ?? '')
const head = computed(() => ({
  ...{ firm: profile.value?.name ?? '', address: profile.value?.address ?? '', phone: profile.value?.phone ?? '', emergency: profile.value?.emergency ?? '' },
  caseNumber: number.value,
}))

/** the words for the customer, while somebody writes them */
const editing = ref(false)
const words = reactive<Record<string, string>>({ wrong: '', did: '', know: '' })
const draft = useDraft(`case ${store.current?.id} wording`, words)
function edit() {
  for (const one of report.value?.plain ?? []) if (!words[one.id]) words[one.id] = one.text
  editing.value = true
}
async function keepWords() {
  const before = new Map(report.value?.plain.map((one) => [one.id, one.text]))
  const changed = Object.entries(words).filter(([id, text]) => text.trim() !== before.get(id))
  for (const [section, text] of changed) await store.write('wording', { section, text: text.trim() })
  leaveWords()
}
function leaveWords() {
  editing.value = false
  Object.assign(words, { wrong: '', did: '', know: '' })
  draft.forget()
}
/** the words that come of the record again */
const ownWords = (section: string) => store.write('wording', { section, text: '' })

const trouble = ref('')
const making = ref(false)
async function pdf() {
  if (!report.value || making.value) return
  making.value = true
  trouble.value = ''
  try {
    const pictures: Record<string, string> = {}
    for (const { hash, type } of report.value.photos) {
      const blob = type === 'image/jpeg' ? ((await pictureHere(hash)) ?? (await fetched(hash))) : undefined
      if (blob) pictures[hash] = await dataAddress(blob)
    }
    const { pdfOf } = await import('./reportPdf.ts')
    const document = (withPictures: boolean) => reportDocument(report.value!, head.value, withPictures ? pictures : {})
    // a picture that cannot be set is left out: the report is made all the same
    const paper = await pdfOf(document(true)).catch(() => pdfOf(document(false)))
    download(`report-${number.value}.pdf`, 'application/pdf', paper)
  } catch (error) {
    trouble.value = `The PDF could not be made: ${(error as Error).message} What you have recorded stays. Try again when there is signal.`
  } finally {
    making.value = false
  }
}
const fetched = (hash: string) =>
  fetch(`/api/photos/${hash}`)
    .then((answer) => (answer.ok ? answer.blob() : undefined))
    .catch(() => undefined)
const dataAddress = (blob: Blob) =>
  new Promise<string>((done, failed) => {
    const reader = new FileReader()
    reader.onload = () => done(String(reader.result))
    reader.onerror = () => failed(new Error('A picture could not be read.'))
    reader.readAsDataURL(blob)
  })

const sheet = ref<HTMLElement | null>(null)
function file() {
  const one = store.current
  if (!one) return
  const written = caseFileOf(one.appliance.system, store.controls, one.settings, store.entries)
  download(`case-${number.value}.json`, 'application/json', JSON.stringify(written, null, 2))
}
const table = () => store.catalogue && download(`readings-${number.value}.csv`, 'text/csv;charset=utf-8', readingsCsv(store.catalogue, store.live))
const calendar = computed(() => (store.current ? calendarOf(store.current.id, store.current.site, store.live) : null))
</script>

<template>
  <div v-if="report" class="report">
    <article ref="sheet" class="sheet" aria-labelledby="report-title">
      <header>
        <p>
          <strong>{{ head.firm || 'Service report' }}</strong><br /><span class="dim">{{ [head.address, head.phone].filter(Boolean).join(' · ') }}</span>
        </p>
        <p class="right">
          <strong>Service report</strong><br /><span class="dim mono">Case {{ number }}</span>
        </p>
      </header>
      <div class="first">
        <div>
          <h1 id="report-title" :class="{ bad: report.ending === 'unsafe' || report.ending === 'unproven' }">{{ report.headline }}</h1>
          <p v-if="report.reason" class="reason">
            {{ report.ending === 'unsafe' ? 'Left off, unsafe' : report.ending === 'unproven' ? 'Closed without proof' : 'Closed, not mended' }}:
            {{ report.reason }}
          </p>
          <form v-if="editing" class="no-print" aria-label="Words for the customer" @submit.prevent="keepWords">
            <v-textarea v-for="one in report.plain" :key="one.id" v-model="words[one.id]" :label="one.title" rows="3" auto-grow maxlength="1500" />
            <div class="acts">
              <v-btn type="submit" color="primary" variant="flat">Record these words</v-btn>
              <v-btn variant="text" @click="leaveWords">Leave them as they were</v-btn>
            </div>
          </form>
          <template v-else>
            <p v-for="one in report.plain" :key="one.id" class="plain">
              <strong>{{ one.title }}.</strong> {{ one.text }}
              <button v-if="one.isEdited" type="button" class="own no-print" @click="ownWords(one.id)">Back to the record’s own words</button>
            </p>
            <v-btn class="no-print" variant="text" @click="edit">Edit the words</v-btn>
          </template>
        </div>
        <dl>
          <div v-for="one in report.facts" :key="one.label">
            <dt class="dim">{{ one.label }}</dt>
            <dd>{{ one.value }}</dd>
          </div>
        </dl>
      </div>
      <section v-if="report.said.length > 0" aria-labelledby="said-title">
        <h2 id="said-title">Said</h2>
        <div>
          <p v-for="one in report.said" :key="one">“{{ one }}”</p>
        </div>
      </section>
      <section v-if="report.found.length > 0 || report.runs.length > 0" aria-labelledby="was-found-title">
        <h2 id="was-found-title">Found</h2>
        <div>
          <template v-for="run in report.runs" :key="run.demand">
            <p class="dim">{{ run.demand }} as it was found</p>
            <ol class="run">
              <li v-for="stage in run.stages" :key="stage.label" :class="stage.state">
                <span aria-hidden="true" />{{ stage.label
                }}<span class="visually-hidden">, {{ stage.state === 'stopped' ? 'stopped here' : stage.state === 'after' ? 'not reached' : 'passed' }}</span>
              </li>
            </ol>
          </template>
          <p v-for="one in report.found" :key="one">
            <strong>{{ one }}</strong>
          </p>
        </div>
      </section>
      <section v-if="report.measured.length > 0" aria-labelledby="measured-title">
        <h2 id="measured-title">Measured</h2>
        <ul class="measured">
          <li v-for="one in report.measured" :key="one.label">
            <span>{{ one.label }}</span>
            <LimitBand v-if="one.limit" :low="one.limit.low" :high="one.limit.high" :value="one.left ?? one.found" :ok="one.passes !== false" /><span v-else />
            <strong class="mono">{{ one.words }}</strong>
            <span class="dim">{{ [one.otherWords, limitWords(one)].filter(Boolean).join(' · ') }}</span>
            <strong :class="one.passes === false ? 'fails' : ''">{{ one.passes === null ? '' : one.passes ? 'pass' : 'fails' }}</strong>
          </li>
        </ul>
      </section>
      <section v-if="report.done.length > 0" aria-labelledby="done-title">
        <h2 id="done-title">Done</h2>
        <div class="two">
          <ul>
            <li v-for="(one, index) in report.done" :key="index">
              <span class="mono dim">{{ one.at }}</span> {{ one.what }}
            </li>
          </ul>
          <ul v-if="report.parts.length > 0">
            <li v-for="(one, index) in report.parts" :key="index" class="part">
              <span>{{ one.quantity }} {{ one.name }}</span
              ><span class="mono">{{ one.price }}</span>
            </li>
            <li class="part">
              <strong>with {{ Math.round(report.minutes) }} min</strong><strong class="mono">{{ report.total }}</strong>
            </li>
          </ul>
        </div>
      </section>
      <section v-if="report.closing.length > 0" aria-labelledby="closing-title">
        <h2 id="closing-title">Closing checks</h2>
        <ul>
          <li v-for="one in report.closing" :key="one.label">
            {{ one.label }}:
            <strong :class="{ fails: one.state === 'notRight' }">{{ { right: 'right', notRight: 'not right', notDone: 'not done' }[one.state] }}</strong>
            {{ one.words }}
          </li>
        </ul>
      </section>
      <section v-if="report.advice.length + report.followUps.length > 0" aria-labelledby="advised-title">
        <h2 id="advised-title">Advice</h2>
        <ul>
          <li v-for="one in report.advice" :key="one.what">
            {{ one.what }}<template v-if="one.due">, {{ one.due }}</template
            >: <strong>{{ one.answer === 'declined' ? 'advised, declined' : 'advised' }}</strong>
          </li>
          <li v-for="one in report.followUps" :key="one.what + one.on">
            Follow-up: {{ one.what }}, <strong>{{ one.on }}</strong>
          </li>
        </ul>
      </section>
      <section v-if="report.photos.length > 0" aria-labelledby="photos-title">
        <h2 id="photos-title">Photos</h2>
        <div class="photos">
          <PhotoView v-for="one in report.photos" :key="one.hash" :hash="one.hash" :caption="one.caption" :width="one.width" :height="one.height" />
        </div>
      </section>
      <section v-if="report.cautions.length > 0" aria-labelledby="cautions-title">
        <h2 id="cautions-title">Cautions</h2>
        <ul>
          <li v-for="one in report.cautions" :key="one">{{ one }}</li>
        </ul>
      </section>
      <section aria-labelledby="signed-title">
        <h2 id="signed-title">Signed</h2>
        <div class="two">
          <p v-for="by in ['engineer', 'customer']" :key="by" class="signed">
            <template v-for="one in report.signatures.filter((other) => other.by === by).slice(-1)" :key="one.name">
              <svg v-if="one.strokes.length > 0" :viewBox="`0 0 ${one.width} ${one.height}`" role="img" :aria-label="`Signature of ${one.name}`">
                <path v-for="path in one.strokes" :key="path" :d="path" />
              </svg>
              {{ one.name }}, {{ one.at }}
            </template>
            <span class="dim">{{ report.signatures.some((other) => other.by === by) ? by : `${by}: not signed` }}</span>
          </p>
        </div>
      </section>
    </article>
    <aside>
      <div class="take">
        <v-btn color="primary" variant="flat" :loading="making" @click="pdf">Download the PDF</v-btn>
        <v-btn @click="sheet && printOnly(sheet)">Print</v-btn>
        <v-btn variant="text" :to="explainLink(store)">Explain it to the customer</v-btn>
        <p v-if="trouble" role="alert" class="trouble">{{ trouble }}</p>
      </div>
      <ClosePanel />
      <section aria-labelledby="take-title">
        <h2 id="take-title" class="eyebrow">To take away</h2>
        <div class="acts">
          <v-btn variant="text" @click="file">Case file (JSON)</v-btn>
          <v-btn variant="text" @click="table">Readings (CSV)</v-btn>
          <v-btn v-if="calendar" variant="text" @click="download(`follow-up-${number}.ics`, 'text/calendar', calendar)">Follow-up for the calendar</v-btn>
        </div>
      </section>
      <CsvIn />
    </aside>
  </div>
</template>

<style scoped>
.report {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
}
.sheet {
  max-width: 62rem;
  padding: 24px 36px 60px;
  margin: 0 auto;
  width: 100%;
}
aside {
  display: grid;
  align-content: start;
  gap: 24px;
  padding: 20px;
  border-left: 1px solid var(--rule);
}
header {
  display: flex;
  justify-content: space-between;
  gap: 20px;
  margin-bottom: 14px;
}
header p {
  margin: 0;
}
.right {
  text-align: right;
}
h1 {
  font-size: 2.25rem;
  line-height: 1.05;
  margin: 0 0 12px;
}
.bad {
  color: var(--stop);
}
.reason {
  border: 2px solid var(--stop);
  color: var(--stop);
  font-weight: 600;
  padding: 8px 12px;
}
.first {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 240px;
  gap: 32px;
  padding-bottom: 16px;
}
.plain {
  font-size: 1.1875rem;
  margin: 0 0 10px;
}
.own {
  border: 0;
  background: none;
  color: var(--dim);
  text-decoration: underline;
  min-height: 44px;
  cursor: pointer;
}
dl {
  margin: 0;
  border-top: 3px solid var(--ink);
  align-self: start;
}
dl > div {
  display: grid;
  grid-template-columns: 78px 1fr;
  gap: 8px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
dd {
  margin: 0;
  font-weight: 600;
  white-space: pre-line;
}
section {
  display: block;
}
.sheet > section {
  display: grid;
  grid-template-columns: 120px minmax(0, 1fr);
  gap: 16px;
  padding: 12px 0;
  border-top: 2px solid var(--ink);
}
.sheet h2 {
  font-size: 1.125rem;
}
section p {
  margin: 0 0 4px;
}
ul,
.run {
  list-style: none;
  margin: 0;
  padding: 0;
}
.sheet li {
  padding: 4px 0;
}
.measured li {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) 130px 92px minmax(0, 1fr) 44px;
  gap: 12px;
  align-items: center;
  border-bottom: 1px solid var(--rule);
}
.measured .mono {
  text-align: right;
}
.fails {
  color: var(--stop);
}
.run {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  margin-bottom: 6px;
}
.run li {
  display: flex;
  align-items: center;
  gap: 6px;
}
.run li > span:first-child {
  width: 14px;
  height: 14px;
  border-radius: 50%;
  background: var(--proven);
}
.run .stopped {
  font-weight: 600;
  color: var(--stop);
}
.run .stopped > span:first-child {
  border-radius: 3px;
  background: none;
  border: 3px solid var(--stop);
}
.run .after > span:first-child {
  background: none;
  border: 2px dashed var(--dim);
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 24px;
}
.part {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
.signed {
  border-bottom: 1px solid var(--ink);
  padding-bottom: 4px;
}
.signed svg {
  display: block;
  height: 60px;
  max-width: 100%;
}
.signed path {
  fill: none;
  stroke: currentColor;
  stroke-width: 2;
}
.acts,
.take {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.trouble {
  color: var(--stop);
  margin: 0;
}
@media (max-width: 1000px) {
  .report {
    grid-template-columns: minmax(0, 1fr);
  }
  aside {
    border-left: 0;
    border-top: 1px solid var(--rule);
  }
}
@media (max-width: 760px) {
  .sheet {
    padding: 16px 16px 30px;
  }
  .first,
  .two,
  .sheet > section,
  .measured li {
    grid-template-columns: minmax(0, 1fr);
    gap: 4px;
  }
  .measured .mono {
    text-align: left;
  }
}
</style>
