import type { Case, News, Past } from '@dewpoint/contract'
import { append, controlsOf, newEntry, sameContent, standing, untrueTimes, type Entry, type EntryType, type Payload } from '@dewpoint/core/casebook'
import { dangersIn, standingActs, type CheckOrder, type DiagnoseOptions, type Diagnosis } from '@dewpoint/core/diagnosis'
import { catalogueFor, catalogues } from '@dewpoint/trade'
import { waysOf } from '@dewpoint/trade/schools'
import { defineStore } from 'pinia'
import { v7 } from 'uuid'
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import { useFirm } from '../firm/firmStore.ts'
import { fetchCase, fetchNews, Refused } from '../keeping/api.ts'
import { changedCase } from '../keeping/outbox/changes.ts'
import { keptCase, mergeCase, type KeptCase } from '../keeping/device/device.ts'
import { deviceId } from '../keeping/device/identity.ts'
import { knownPast, state } from '../keeping/device/keptAnswers.ts'
import { sendPictureAgain } from '../keeping/photos/photoShelf.ts'
import { useOutbox } from '../keeping/outbox/outbox.ts'
import { doublePressGuard } from '../shared/pieces/doublePressGuard.ts'
import { reasoning } from '../workers/reasoning.ts'
import { useStock } from '../van/stockStore.ts'
import { me, writer } from '../keeping/who.ts'

/** The case on the screen: its journal, and what the reasoning makes of it. */
export const useCase = defineStore('case', () => {
  const outbox = useOutbox()
  const firm = useFirm()
  const stock = useStock()
  const current = shallowRef<Case | null>(null)
  const entries = shallowRef<Entry[]>([])
  const trouble = ref<string | null>(null)
  const order = ref<CheckOrder>('telling')
  /** a check someone chose instead of the one offered */
  const picked = ref<string | null>(null)
  const diagnosis = shallowRef<Diagnosis | null>(null)
  /** belief before the latest entry, by suspect */
  const before = shallowRef<Record<string, number>>({})
  /** what earlier cases teach */
  const past = shallowRef<Past | null>(null)
  /** the firm's own proved cases, as the reasoning takes them: everything asked of it goes by the same belief */
  const experience = computed(() => (past.value ? toRaw(past.value).experience : undefined))
  /** what things cost the firm; null before it said */
  const costs = computed(() => firm.settings?.costs ?? null)
  /** how the firm works where practitioners disagree */
  const ways = computed(() => waysOf(Object.fromEntries((firm.settings?.profile?.ways ?? []).map(({ question, choice }) => [question, choice]))))
  const thinking = ref(false)
  const thoughtTrouble = ref<string | null>(null)
  let round = 0
  /** counts what was opened: what belongs to an earlier opening and arrives late is thrown away */
  let opening = 0
  const isMeant = doublePressGuard()
  const thoughtOf = shallowRef<Entry[] | null>(null)
  /** the suspects after the latest entry, while everything else about it is still being worked out */
  const moved = shallowRef<(Pick<Diagnosis, 'suspects' | 'several'> & { of: Entry[] }) | null>(null)

  /** the last thing done to put something right, a remedy or an act */
  const mended = computed(() =>
    live.value.findLast(
      (one) =>
        one.type === 'repair' ||
        (one.type === 'action' && !one.payload.undone && catalogue.value?.actions.some(({ id, mends }) => id === one.payload.action && mends)),
    ),
  )

  /** faults written down as seen since something was put right last */
  const seen = computed(() => {
    const since = mended.value ? live.value.indexOf(mended.value) + 1 : 0
    return new Set(live.value.slice(since).flatMap((one) => (one.type === 'finding' && one.payload.fault ? [one.payload.fault] : [])))
  })

  /** what is shown of the reasoning is about the journal as it stands: else it is being worked out, and nothing of it is an answer yet */
  const workedOut = computed(() => diagnosis.value !== null && thoughtOf.value === entries.value)

  /** the suspects as they are known now, and whether they are about the journal as it stands */
  const strip = computed(() => {
    const first = workedOut.value || moved.value?.of !== entries.value ? null : moved.value
    const { suspects = [], several = null } = first ?? diagnosis.value ?? {}
    return { suspects, several, current: workedOut.value || first !== null, known: first !== null || diagnosis.value !== null }
  })

  /** how it is wired: as written down last, else as the case was opened */
  const controls = computed(() => (current.value ? controlsOf(entries.value, current.value.controls) : ''))
  const catalogue = computed(() => {
    const system = current.value?.appliance.system
    return system === undefined ? null : (catalogueFor(system, controls.value) ?? catalogues[system] ?? null)
  })
  /** danger is seen here and now, not when the worker gets round to it */
  const dangers = computed(() => (catalogue.value ? dangersIn(catalogue.value, entries.value) : { stop: null, questions: [] }))
  const stop = computed(() => dangers.value.stop)
  /** what words left open: asked before anything else */
  const questions = computed(() => dangers.value.questions)
  const live = computed(() => standing(entries.value))
  /** what was done and is not undone */
  const acts = computed(() => (catalogue.value ? standingActs(catalogue.value, entries.value) : []))

  /** times of entries that cannot be true, and why */
  const untrue = computed(() => untrueTimes(entries.value, current.value?.received))

  /** Shows a case: first what is kept on this device, then what the server has. */
  async function open(id: string): Promise<void> {
    const mine = ++opening
    if (current.value?.id !== id) leave()
    trouble.value = null
    await outbox.reload()
    const kept = (await keptCase(id).catch(() => undefined)) ?? asOpened(id)
    if (mine !== opening) return
    // what an older version kept knows no position: everything is news to it
    if (kept && !current.value) show({ ...{ received: {}, position: 0 }, ...kept })
    // a case just taken here: the server can say nothing of it before it has it
    if (outbox.items.some((one) => one.kind === 'open' && one.caseId === id)) await outbox.flush().catch(() => undefined)
    if (mine !== opening) return
    if (current.value) learn(id, mine).catch(() => undefined)
    try {
      const fresh = await fetchCase(id)
      if (mine !== opening) return
      const first = !current.value
      const kept = show({ ...fresh, keptAt: new Date().toISOString() })
      if (first) learn(id, mine).catch(() => undefined)
      await Promise.all([kept, sendAgain(id, fresh.entries)])
    } catch (error) {
      if (mine !== opening || current.value?.id === id) return
      trouble.value =
        error instanceof Refused
          ? error.problem.detail
          : 'The server does not answer, and this case is not kept on this device. Try again when there is signal.'
    }
  }

  /** A case opened here that neither disk nor server has yet: what is known of it waits to be sent. */
  function asOpened(id: string): Case | undefined {
    const item = outbox.items.find((one) => one.kind === 'open' && one.caseId === id)
    if (item?.kind !== 'open') return undefined
    const { site, appliance, openedAt, controls, settings = {} } = item.body
    return { id, openedAt, controls, settings, site, appliance: { ...appliance, siteId: site.id }, entries: [], received: {}, position: 0 }
  }

  /** Nothing of a case stays when it is left: neither its journal nor what was thought of it. */
  function leave(): void {
    round++
    current.value = null
    entries.value = []
    diagnosis.value = null
    thoughtOf.value = null
    moved.value = null
    thoughtTrouble.value = null
    thinking.value = false
    before.value = {}
    past.value = null
    picked.value = null
    wanted = null
  }

  /** Fetches what earlier cases teach and what the firm has set. Nothing waits for it. */
  async function learn(id: string, mine: number): Promise<void> {
    const [taught] = await Promise.allSettled([knownPast(id, current.value?.appliance.system), firm.load()])
    if (mine === opening && taught.status === 'fulfilled') past.value = taught.value
  }

  /** Says from own experience how often a fault is what is wrong with this kind of boiler; `inTen` null takes it back. */
  async function stateExperience(fault: string, inTen: number | null): Promise<void> {
    const one = current.value
    if (!one) return
    const heard = await state(one.appliance.system, { fault, inTen }, past.value?.experience)
    if (current.value?.id === one.id) past.value = { appliance: past.value?.appliance ?? [], experience: heard }
  }

  /** whether the server answered last, and when what waits was told so: it has pauses of its own, ms */
  let within = true
  let told = -Infinity
  const retold = 12_000
  /** Fetches what others wrote meanwhile. @returns whether the server answered */
  async function refresh(): Promise<boolean> {
    const one = current.value
    if (!one) return true
    const mine = opening
    try {
      const news = await fetchNews(one.id, one.position)
      if (mine === opening) takeNews(one.id, news)
      if (!within || performance.now() - told > retold) {
        told = performance.now()
        outbox.withinReach()
      }
      within = true
      return true
    } catch {
      // the next look gets it
      within = false
      return false
    }
  }

  /** What this device holds of a case and the server lacks is sent again: the server may have been restored from a backup. */
  async function sendAgain(id: string, known: readonly Entry[]): Promise<void> {
    const there = new Set(known.map((one) => one.id))
    const lacking = entries.value.filter((one) => !there.has(one.id) && outbox.standingOf(one.id) === null)
    await sendPictureAgain(lacking)
    if (lacking.length > 0) await outbox.addAgain(lacking.map((entry) => ({ kind: 'entry', caseId: id, entry })))
    else await outbox.flush()
  }

  /** Puts a case on the screen with everything written in it here, whatever the server or the disk knew of it. Resolves when the device keeps it so. */
  function show(one: KeptCase): Promise<void> {
    const unsent = outbox.items.flatMap((item) => (item.kind === 'entry' && item.caseId === one.id && item.state !== 'conflict' ? [item.entry] : []))
    const here = current.value?.id === one.id ? entries.value : []
    const merged = append(one.entries, [...unsent, ...here]).entries
    const changed = current.value?.id !== one.id || !same(merged, entries.value)
    current.value = { ...one, received: { ...current.value?.received, ...one.received }, entries: merged }
    if (changed) entries.value = merged
    outbox.knows(one.id, one.position)
    return keep()
  }

  /** Adds what others wrote, or what the server says of what was sent. */
  function takeNews(id: string, { entries: fresh, received, position }: News): void {
    if (current.value?.id !== id || (fresh.length === 0 && position === current.value.position)) return
    show({ ...current.value, entries: append(fresh, current.value.entries).entries, received: { ...current.value.received, ...received }, position })
  }

  outbox.listen((change) => {
    if (current.value?.id !== change.caseId) return
    if (change.discarded) {
      leave()
      trouble.value = 'It was discarded on this device before the server had it.'
      return
    }
    current.value = changedCase({ ...current.value, entries: entries.value }, change)
    entries.value = current.value.entries
  }, takeNews)

  /** Keeps the case on this device. What of it is not sent stands in the outbox besides, which says so when the device keeps nothing. */
  async function keep(): Promise<void> {
    if (current.value) await mergeCase(structuredClone(toRaw(current.value))).catch(() => undefined)
  }

  /** Writes an entry: shown at once, kept on this device, sent when it can be. Resolves when it is kept, or known not to be. */
  async function write<T extends EntryType>(type: T, payload: Payload<T>): Promise<void> {
    await writeAll(type, [payload])
  }

  /** Writes several at once, each after the one before: thought through once. */
  async function writeAll<T extends EntryType>(type: T, payloads: readonly Payload<T>[]): Promise<void> {
    if (!current.value || payloads.length === 0) return
    const written: Entry[] = []
    let all = entries.value
    for (const payload of payloads) {
      const plain = JSON.parse(JSON.stringify(payload)) as Payload<T>
      const entry = newEntry(type, plain, { id: v7(), now: Date.now(), author: writer(), device: deviceId, seen: all })
      written.push(entry)
      all = append(all, [entry]).entries
    }
    // a check somebody chose has been answered; what a colleague writes meanwhile does not take it away
    picked.value = wanted
    wanted = null
    entries.value = all
    current.value = { ...current.value, entries: entries.value }
    await Promise.all([keep(), outbox.add(written.map((entry) => ({ kind: 'entry', caseId: current.value!.id, entry })))])
  }

  /** Writes an answer, unless it is the second press of a double press: that lands on whatever has moved under the finger. */
  async function answer(payload: Payload<'reading'>): Promise<void> {
    if (isMeant()) await write('reading', payload)
  }

  /** what undo takes back: the latest that stands of this writer's own, written on this device */
  const undoable = computed(() => live.value.findLast((one) => one.author === me.value?.id && one.device === deviceId)?.id)

  /** Takes back one entry, or the writer's own latest on this device. Undo is an entry too. */
  async function retract(id = undoable.value): Promise<void> {
    if (id) await write('retract', { entry: id })
  }

  /** Puts a check before the one offered: somebody wants it next. */
  let wanted: string | null = null
  function choose(check: string): void {
    wanted = check
    picked.value = check
  }

  async function think(): Promise<void> {
    if (!current.value) return
    const mine = ++round
    const seen = entries.value
    thinking.value = true
    try {
      const options: DiagnoseOptions = {
        order: order.value,
        also: picked.value ? [picked.value] : [],
        ...(experience.value && { experience: experience.value }),
        ...(costs.value && { costs: toRaw(costs.value) }),
        prices: toRaw(stock.prices),
        ways: ways.value,
      }
      const of = [current.value.appliance.system, controls.value, toRaw(seen), options] as const
      const asWas = () => Object.fromEntries((diagnosis.value?.suspects ?? []).map((one) => [one.key, one.probability]))
      // the suspects move at once; what is done next takes longer to choose
      const first = reasoning.suspects(...of).then(
        (now) => {
          if (mine !== round || !now || workedOut.value) return
          before.value = asWas()
          moved.value = { of: seen, ...now }
        },
        // the whole answer will say what is wrong
        () => undefined,
      )
      const [result] = await Promise.all([reasoning.diagnose(...of), first])
      if (mine !== round) return
      if (seen !== thoughtOf.value) before.value = asWas()
      diagnosis.value = result
      thoughtOf.value = seen
      thoughtTrouble.value = null
    } catch (error) {
      if (mine === round) thoughtTrouble.value = (error as Error).message
    } finally {
      if (mine === round) thinking.value = false
    }
  }

  watch([entries, order, picked, past, costs, ways, () => stock.prices], think)

  return {
    current,
    entries,
    live,
    acts,
    mended,
    seen,
    workedOut,
    strip,
    stop,
    questions,
    controls,
    catalogue,
    trouble,
    order,
    picked,
    diagnosis,
    before,
    past,
    experience,
    ways,
    stateExperience,
    untrue,
    undoable,
    thinking,
    thoughtTrouble,
    open,
    refresh,
    write,
    writeAll,
    answer,
    retract,
    choose,
    think,
  }
})

const same = (a: readonly Entry[], b: readonly Entry[]) => a.length === b.length && a.every((one, index) => one === b[index] || sameContent(one, b[index]))
