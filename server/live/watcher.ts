import type { LiveNews } from '@dewpoint/contract'
import type { Person } from '@dewpoint/core/casebook'
import type { Database } from '../database/index.ts'
import { changedLately, presentAt } from './queries.ts'

/** Somebody who listens. */
export interface Listener {
  /** the case they look at, where they do */
  caseId: string | null
  /** who they are: they are not told of themselves */
  person: string
  tell: (news: LiveNews) => void
}

/** between two looks at the database, ms */
const usualPause = 400
/** how far back is looked, s: longer than any transaction lasts, and than the clocks of a cluster’s nodes differ */
const overlap = 20
/** so many are looked at in one go, the latest first */
const mostAtOnce = 1000

/** after so long without a look, ms, something may be out of its sight: everybody is told to ask for themselves */
const usualPatience = 10_000

/**
 * Learns from the database what any server wrote, and tells those who listen here. It looks only while somebody listens. After a failure it goes
 * on, and what happened meanwhile is told; where that was too long ago to be seen, whoever listens is told to ask for what is new.
 */
export function watchChanges(database: Database, pause = usualPause, patience = usualPatience) {
  const listeners = new Set<Listener>()
  let seen = new Map<string, string>()
  /** nothing is known yet: the first look tells of nothing; whoever listens asks for what was before it */
  let begun = false
  let timer: NodeJS.Timeout | undefined
  let stopped = false
  const told = new WeakMap<Listener, string>()
  /** who has been told that from now on they hear everything */
  let hearing = new WeakSet<Listener>()
  /** when it was looked last */
  let looked = performance.now()

  async function look(): Promise<void> {
    const began = performance.now()
    const rows = await changedLately(database, overlap, mostAtOnce)
    if (began - looked > patience) hearing = new WeakSet()
    looked = began
    const now = new Map(rows.map(({ id, position, erased }) => [id, `${position} ${erased ?? false}`]))
    const changed = rows.filter(({ id }) => seen.get(id) !== now.get(id))
    seen = now
    if (begun && changed.length > 0) for (const one of listeners) one.tell({ changed })
    begun = true
    for (const one of listeners) {
      if (hearing.has(one)) continue
      hearing.add(one)
      one.tell({ begun: true })
    }
    const wanted = [...new Set([...listeners].flatMap((one) => one.caseId ?? []))]
    const there = await presentAt(database, wanted)
    for (const one of listeners) if (one.caseId !== null) tellPresent(one, there.get(one.caseId) ?? [])
  }

  function tellPresent(one: Listener, there: Person[]): void {
    const present = there.filter(({ id }) => id !== one.person)
    const text = JSON.stringify(present)
    if (text === (told.get(one) ?? '[]')) return
    told.set(one, text)
    one.tell({ present })
  }

  async function round(): Promise<void> {
    await look().catch(() => undefined)
    timer = undefined
    plan()
  }
  function plan(): void {
    if (stopped || timer || listeners.size === 0) return
    timer = setTimeout(() => void round(), pause)
  }

  return {
    /** @returns how to stop listening */
    listen(one: Listener): () => void {
      if (listeners.size === 0 && !timer) {
        // what happened while nobody listened is no news: whoever comes asks for themselves
        begun = false
        seen = new Map()
      }
      listeners.add(one)
      plan()
      return () => listeners.delete(one)
    },
    stop(): void {
      stopped = true
      clearTimeout(timer)
    },
  }
}
