import { mostEntries, type NewCase, type News } from '@dewpoint/contract'
import { byName, type Entry } from '@dewpoint/core/casebook'
import { defineStore } from 'pinia'
import { v7 } from 'uuid'
import { computed, ref, shallowRef, watch } from 'vue'
import { NotYours, Refused, sendCase, sendEntries, sendHandIn, Unreachable } from '../api.ts'
import { here } from '../who.ts'
import { changedCase, withoutVerdict, type Change } from './changes.ts'
import { sendPictures } from '../photos/photoShelf.ts'
import { changeKept, changeUnsent, forgetUnsent, keptCase, listUnsent, noteUnsent, type Unsent } from '../device/device.ts'
import { keyOf, leftOver, noteGone, settle, settleGone, stillGone, writeAhead } from './writtenAhead.ts'

/** pauses between two tries, ms: growing, and from the last on always the same */
const pauses = [1000, 2000, 4000, 8000, 15_000]
/** bytes of one append that are surely taken */
const mostBytes = 200_000

const isOpen = (one: Unsent): one is Extract<Unsent, { kind: 'open' }> => one.kind === 'open'
const isWaiting = (one: Unsent) => one.state === undefined || one.state === 'waiting'

/**
 * What was done here and the server is not known to keep. It leaves only on the server's own word that it keeps it, or by somebody's decision;
 * through reloads, lost signal, a full device and a server that refuses.
 */
export const useOutbox = defineStore('outbox', () => {
  const items = shallowRef<Unsent[]>([])
  /** what is on its way to the disk, and what the disk would not take: by key */
  const saving = shallowRef<ReadonlySet<string>>(new Set())
  const unsaved = shallowRef<ReadonlySet<string>>(new Set())
  const away = ref(false)
  /** why nothing can be kept on this device now */
  const trouble = ref<string | null>(null)
  const changeListeners = new Set<(change: Change) => void>()
  const newsListeners = new Set<(caseId: string, news: News) => void>()
  /** how far whoever shows a case knows its journal */
  const positions = new Map<string, number>()
  /** counts what this page did to the list, so that an older reading of the disk is not taken for the present */
  let version = 0
  /** entries whose writer is not signed in on this device: they wait for them, and hold nobody up */
  const held = shallowRef<ReadonlySet<string>>(new Set())
  let requested = false
  /** what a page before this one wrote and did not live to see on the disk is taken over once */
  let looked = false
  let sending: Promise<void> | null = null
  let again = 0
  let inVain = 0
  /** the server asked not to be tried before this, by the page's own clock, ms */
  let notBefore = 0
  const others = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('dewpoint-outbox')

  const waiting = computed(() => items.value.filter(isWaiting).length)
  const notAccepted = computed(() => items.value.filter((one) => !isWaiting(one)))

  /** How something written here stands: null when the server is known to keep it. */
  function standingOf(key: string): 'saving' | 'unsaved' | 'waiting' | 'refused' | null {
    const one = items.value.find((item) => keyOf(item) === key)
    if (!one) return null
    if (!isWaiting(one)) return 'refused'
    // what the disk refused once stays marked until it is there, also while it is tried again
    return unsaved.value.has(key) ? 'unsaved' : saving.value.has(key) ? 'saving' : 'waiting'
  }

  /** Takes over what is on the disk, from this page and from others; what only this page holds stays. */
  async function reload(): Promise<void> {
    if (!looked) await letGoOfGone()
    try {
      let read = version
      let known = await listUnsent()
      for (let tries = 0; read !== version && tries < 5; tries++) {
        read = version
        known = await listUnsent()
      }
      const keys = new Set(known.map(keyOf))
      items.value = [...known, ...items.value.filter((one) => !keys.has(keyOf(one)) && (saving.value.has(keyOf(one)) || unsaved.value.has(keyOf(one))))]
    } catch (error) {
      trouble.value = (error as Error).message
    }
    if (looked) return
    looked = true
    const known = new Set(items.value.map(keyOf))
    const lost = leftOver().filter((one) => !known.has(keyOf(one)))
    settle(leftOver().flatMap((one) => (known.has(keyOf(one)) ? [keyOf(one)] : [])))
    if (lost.length === 0) return
    version++
    items.value = [...items.value, ...lost]
    await save(lost)
  }

  /** What somebody gave up just before the page was left goes now, if the disk still has it. */
  async function letGoOfGone(): Promise<void> {
    try {
      for (const { caseId, entry } of stillGone()) {
        const there = (await listUnsent()).filter((one) => one.kind === 'entry' && one.entry.id === entry)
        await forgetUnsent(there.flatMap((one) => one.sequence ?? []))
        await changeKept(caseId, (one) => changedCase(one, { caseId, replaced: [], gone: [entry] }))
        settleGone(caseId, entry)
      }
    } catch (error) {
      trouble.value = (error as Error).message
    }
  }

  /** Adds what was done, and sends it when it can be. Resolves when it is on the disk, or known not to be. */
  async function add(list: Unsent[]): Promise<void> {
    version++
    writeAhead(list)
    items.value = [...items.value, ...list]
    await save(list)
    flush().catch(() => undefined)
  }

  async function save(list: Unsent[]): Promise<void> {
    const keys = list.map(keyOf)
    saving.value = new Set([...saving.value, ...keys])
    try {
      const noted = new Map((await noteUnsent(list)).map((one) => [keyOf(one), one]))
      version++
      items.value = items.value.map((one) => noted.get(keyOf(one)) ?? one)
      settle(keys)
      unsaved.value = without(unsaved.value, keys)
      if (unsaved.value.size === 0) trouble.value = null
      tell()
    } catch (error) {
      unsaved.value = new Set([...unsaved.value, ...keys])
      trouble.value = (error as Error).message
      later()
    } finally {
      saving.value = without(saving.value, keys)
    }
  }

  /** Sends what waits; several calls share one round, and pages take turns. */
  function flush(): Promise<void> {
    requested = true
    sending ??= exclusively(async () => {
      while (requested) {
        requested = false
        await round()
      }
    }).finally(() => {
      sending = null
      // asked for between the last look and here
      if (requested) later()
    })
    return sending
  }

  async function round(): Promise<void> {
    window.clearTimeout(again)
    const onlyHere = items.value.filter((one) => unsaved.value.has(keyOf(one)))
    if (onlyHere.length > 0) await save(onlyHere)
    held.value = new Set()
    await reload()
    let wait = 0
    let failed = false
    for (const caseId of new Set(items.value.filter(isWaiting).map((one) => one.caseId))) {
      try {
        await deliver(caseId)
      } catch (error) {
        if (!(error instanceof Unreachable)) throw error
        failed = true
        wait = Math.max(wait, error.wait)
        if (error.forEverything) break
      }
    }
    away.value = failed
    inVain = failed ? inVain + 1 : 0
    notBefore = performance.now() + wait
    if (failed || unsaved.value.size > 0) later(wait)
  }

  /** Sends what waits of one case: its opening first, then its entries in the order they were written. */
  async function deliver(caseId: string): Promise<void> {
    const opening = items.value.find((one) => isOpen(one) && one.caseId === caseId)
    if (opening && isOpen(opening)) {
      // entries of a case the server would not open wait for what becomes of the opening
      if (!isWaiting(opening)) return
      try {
        await sendCase(opening.body)
        await forget([opening])
      } catch (error) {
        if (!(error instanceof Refused)) throw error
        return refuse(opening, error)
      }
    }
    let several = mostEntries
    for (;;) {
      const batch = firstBatch(caseId, several)
      if (batch.length === 0) return
      try {
        const since = positions.get(caseId)
        const entries = batch.map((one) => one.entry)
        await sendPictures(entries)
        const { kept, conflicts, ...news } = await sendEntries(caseId, entries, since)
        const theirs = new Map(conflicts.map((one) => [one.id, one]))
        const taken = new Set(kept)
        await forget(batch.filter((one) => taken.has(one.entry.id)))
        for (const one of batch) {
          const other = theirs.get(one.entry.id)
          if (other) await change({ ...withoutVerdict(one), state: 'conflict', theirs: other, why: 'The server has another entry under the same number.' })
        }
        if (since !== undefined) for (const listener of newsListeners) listener(caseId, news)
        if (batch.every((one) => !taken.has(one.entry.id) && !theirs.has(one.entry.id)))
          throw new Unreachable('The server did not confirm that it saved the entry.', false)
      } catch (error) {
        // one that will not pass must not hold up the others: alone, each gets its own answer
        if (batch.length > 1 && (error instanceof Refused || (error instanceof Unreachable && !error.forEverything))) {
          several = 1
          continue
        }
        if (error instanceof NotYours) {
          held.value = new Set([...held.value, batch[0]!.entry.id])
          continue
        }
        if (!(error instanceof Refused)) throw error
        await refuse(batch[0]!, error)
      }
    }
  }

  function firstBatch(caseId: string, most: number): (Unsent & { kind: 'entry' })[] {
    const batch: (Unsent & { kind: 'entry' })[] = []
    let bytes = 0
    for (const one of items.value) {
      if (one.kind !== 'entry' || one.caseId !== caseId || !isWaiting(one) || saving.value.has(one.entry.id) || held.value.has(one.entry.id)) continue
      bytes += JSON.stringify(one.entry).length * 3
      if (batch.length === most || (batch.length > 0 && bytes > mostBytes)) break
      batch.push(one)
    }
    return batch
  }

  async function refuse(one: Unsent, { kind: name, problem }: Refused): Promise<void> {
    await change({
      ...withoutVerdict(one),
      state: 'refused',
      problem: name,
      why: `${problem.title}. ${problem.detail}`,
      ...(problem.fields && { fields: problem.fields.map(({ field, message }) => ({ field: field.replace(/^entries\[\d+\]\.?/, ''), message })) }),
      ...(problem.present && { present: problem.present }),
    })
  }

  /** Takes out what the server keeps. Should the disk not let go of it, it is sent again, which does no harm. */
  async function forget(list: Unsent[]): Promise<void> {
    const keys = new Set(list.map(keyOf))
    settle([...keys])
    await forgetUnsent(list.flatMap((one) => one.sequence ?? [])).catch(() => undefined)
    version++
    items.value = items.value.filter((one) => !keys.has(keyOf(one)))
    unsaved.value = without(unsaved.value, [...keys])
    if (unsaved.value.size === 0) trouble.value = null
    tell()
  }

  async function change(one: Unsent): Promise<void> {
    version++
    items.value = items.value.map((item) => (keyOf(item) === keyOf(one) ? one : item))
    if (one.sequence !== undefined) await changeUnsent(one).catch((error: unknown) => (trouble.value = (error as Error).message))
    tell()
  }

  /** Somebody corrected what was refused: it waits again, and stands so in the journal. */
  async function mend(one: Unsent, corrected: Entry | NewCase): Promise<void> {
    const bare = { sequence: one.sequence, caseId: one.caseId, state: 'waiting' as const }
    if (one.kind === 'open') {
      await change({ ...bare, kind: 'open', body: corrected as NewCase })
      await caseChanged({ caseId: one.caseId, replaced: [], gone: [], opening: corrected as NewCase })
    } else {
      await change({ ...bare, kind: 'entry', entry: corrected as Entry })
      await caseChanged({ caseId: one.caseId, replaced: [corrected as Entry], gone: [] })
    }
    flush().catch(() => undefined)
  }

  /** Somebody wants it sent again as it is. */
  async function retry(one: Unsent): Promise<void> {
    return mend(one, one.kind === 'open' ? one.body : one.entry)
  }

  /** Somebody gave it up: an entry, or the opening of a case with everything written in it. */
  async function discard(one: Unsent): Promise<void> {
    const list = one.kind === 'open' ? items.value.filter((item) => item.caseId === one.caseId) : [one]
    const given = one.kind === 'entry' && one.state !== 'conflict' ? one.entry.id : null
    if (given) noteGone(one.caseId, given)
    await forget(list)
    if (one.kind === 'open') await caseChanged({ caseId: one.caseId, replaced: [], gone: [], discarded: true })
    else if (one.state === 'conflict') await caseChanged({ caseId: one.caseId, replaced: [one.theirs], gone: [] })
    else await caseChanged({ caseId: one.caseId, replaced: [], gone: [one.entry.id] })
    if (given) settleGone(one.caseId, given)
  }

  /** Of two entries under one number both are wanted: mine becomes one of its own. */
  async function keepBoth(one: Unsent): Promise<void> {
    if (one.kind !== 'entry' || one.state !== 'conflict') return
    const mine = { ...one.entry, id: v7() }
    await add([{ kind: 'entry', caseId: one.caseId, entry: mine }])
    await forget([one])
    await caseChanged({ caseId: one.caseId, replaced: [one.theirs, mine], gone: [] })
  }

  /** The case is there already, opened otherwise: what was written in it goes there. */
  async function acceptOpening(one: Unsent): Promise<void> {
    await forget([one])
    flush().catch(() => undefined)
  }

  /** The server has lost the case, or never had it: it is opened there again as this device has it, with everything written in it. */
  async function sendWhole(one: Unsent): Promise<void> {
    const kept = await keptCase(one.caseId)
    if (!kept) return
    const { id, openedAt, controls, settings, site, entries } = kept
    const { siteId: _siteId, ...appliance } = kept.appliance
    const known = new Set(items.value.map(keyOf))
    const missing = entries.filter((entry) => !known.has(entry.id)).map((entry): Unsent => ({ kind: 'entry', caseId: id, entry }))
    const opening: Unsent[] = known.has(id) ? [] : [{ kind: 'open', caseId: id, body: { id, openedAt, controls, settings, site, appliance } }]
    for (const item of items.value.filter((other) => other.caseId === id && other.state === 'refused' && other.problem === 'noCase'))
      await change({ ...withoutVerdict(item), state: 'waiting' })
    await add(opening)
    await addAgain(missing)
  }

  /**
   * Adds what the server lost of a case, as this device has it. What others wrote who are not signed in here goes to the firm’s owner, who puts it
   * in: nobody writes for somebody else.
   */
  async function addAgain(list: Unsent[]): Promise<void> {
    const own = ({ author, authorName }: Entry) => here.value.some((one) => one.id === author) || byName(authorName).id === author
    const others = list.filter((one) => one.kind === 'entry' && !own(one.entry))
    const mine = list.filter((one) => !others.includes(one))
    if (mine.length > 0) await add(mine)
    for (let from = 0; from < others.length; from += 200) await sendHandIn(others.slice(from, from + 200)).catch(() => undefined)
  }

  async function caseChanged(what: Change): Promise<void> {
    // first what is shown: whoever keeps a case keeps it as it is shown
    for (const listener of changeListeners) listener(what)
    const kept = changeKept(what.caseId, (one) => (what.discarded ? null : changedCase(one, what)))
    await kept.catch((error: unknown) => (trouble.value = (error as Error).message))
    tell(what)
  }

  /** Tells whoever shows a case what became of it otherwise than by writing, and what others wrote in it. */
  function listen(onChange: (change: Change) => void, onNews: (caseId: string, news: News) => void): void {
    changeListeners.add(onChange)
    newsListeners.add(onNews)
  }

  /** Says how far a case is known here: an append is answered with what is new beyond it. */
  function knows(caseId: string, position: number): void {
    positions.set(caseId, position)
  }

  function later(atLeast = 0): void {
    window.clearTimeout(again)
    again = window.setTimeout(() => flush().catch(() => undefined), Math.max(atLeast, pauses[Math.min(inVain, pauses.length - 1)]!))
  }

  /** The server may be within reach again: it answered something else, or somebody looks at this page again. What waits is sent now, unless the server asked for more time. */
  function withinReach(): void {
    if (waiting.value > 0 && performance.now() >= notBefore) flush().catch(() => undefined)
  }

  /** Other pages of this device look again at what waits, and change a case alike. */
  function tell(what?: Change): void {
    others?.postMessage(what ? (JSON.parse(JSON.stringify(what)) as Change) : null)
  }

  // somebody has signed in: what waited for them goes
  watch(here, () => (waiting.value > 0 ? void flush().catch(() => undefined) : undefined))
  others?.addEventListener('message', async ({ data }: MessageEvent<Change | null>) => {
    if (data) for (const listener of changeListeners) listener(data)
    await reload()
    // should the page that wrote it be closed, or get nowhere, this one sends it
    if (waiting.value > 0) later()
  })
  window.addEventListener('online', () => flush().catch(() => undefined))
  // a telephone that slept has slept through its pauses
  document.addEventListener('visibilitychange', () => (document.visibilityState === 'visible' ? withinReach() : undefined))
  window.addEventListener('beforeunload', (event) => {
    // what only this page holds would go with it
    if (unsaved.value.size > 0) event.preventDefault()
  })
  return {
    items,
    waiting,
    notAccepted,
    held,
    unsaved,
    away,
    trouble,
    standingOf,
    reload,
    add,
    flush,
    withinReach,
    mend,
    retry,
    discard,
    keepBoth,
    acceptOpening,
    sendWhole,
    addAgain,
    listen,
    knows,
  }
})

function without(set: ReadonlySet<string>, keys: readonly string[]): ReadonlySet<string> {
  const out = new Set(keys)
  return new Set([...set].filter((one) => !out.has(one)))
}

/** One page at a time sends; where another one does, this one looks again later. */
async function exclusively(work: () => Promise<void>): Promise<void> {
  if (!('locks' in navigator) || !navigator.locks) return work()
  await navigator.locks.request('dewpoint-outbox', work)
}
