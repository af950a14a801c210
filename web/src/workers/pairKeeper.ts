import type { Entry } from '@dewpoint/core/casebook'
import {
  catalogueHash,
  likeliestPairs,
  simulatePair,
  withPairs,
  type Catalogue,
  type Experience,
  type Signatures,
  type SimulatedPair,
} from '@dewpoint/core/diagnosis'
import { openDB, type DBSchema } from 'idb'

interface Kept extends DBSchema {
  pairs: { key: [catalogue: string, pair: number]; value: SimulatedPair & { catalogue: string }; indexes: { catalogue: string } }
}

/** A case somebody is at, as far as the choice of pairs goes. */
export interface Wanted {
  catalogue: Catalogue
  entries: readonly Entry[]
  experience?: Experience
}

/** What the keeper works for and with. */
interface Surroundings {
  /** which device this is, for the server */
  deviceId: string
  /** the signatures of a catalogue as they are now, in full; null where only a first answer is there, or nobody uses it any more */
  now: (catalogue: Catalogue) => Promise<Signatures> | null
  /** betters what is known of a catalogue, whatever it is by then */
  improve: (catalogue: Catalogue, change: (known: Signatures) => Signatures) => Promise<void>
  /** lets whoever waits for an answer go first */
  rest: (milliseconds: number) => Promise<void>
}

/** pairs simulated in one go before they are put to use, and pairs looked for at a time */
const batch = 4
const looked = 12
/** nothing is begun before this long after the last answer, and so long is rested after each pair, ms */
const quiet = 1500
const pause = 30

/**
 * Simulates pairs of faults in the background, the likeliest of the case at hand first, and keeps them: on this device, and on the server for
 * other devices, which believes them when a second device has found the same. Without device or server it works from memory.
 */
export function pairKeeper({ deviceId, now, improve, rest }: Surroundings) {
  const device = openDB<Kept>('dewpoint-pairs', 1, {
    upgrade(database) {
      database.createObjectStore('pairs', { keyPath: ['catalogue', 'pair'] }).createIndex('catalogue', 'catalogue')
    },
  }).catch(() => null)
  const known = new Map<string, Set<number>>()
  /** the case somebody was at last; what is worked on is left for it after each pair */
  let latest: Wanted | null = null
  let working: Promise<void> | null = null

  const knownOf = (hash: string) => known.get(hash) ?? known.set(hash, new Set()).get(hash)!

  /** Signatures with every pair this device or the server has simulated. */
  async function withKept(catalogue: Catalogue, signatures: Signatures): Promise<Signatures> {
    const hash = catalogueHash(catalogue)
    const here = (await (await device)?.getAllFromIndex('pairs', 'catalogue', hash).catch(() => [])) ?? []
    const there = await fromServer(hash)
    const all = [...here, ...there]
    // signatures made anew hold what is kept and nothing else
    known.set(hash, new Set(all.map((one) => one.pair)))
    return all.length > 0 ? withPairs(catalogue, signatures, all) : signatures
  }

  /** Goes on with what is likeliest in this case, once all is quiet. The latest case is always come to. */
  function work(wanted: Wanted): Promise<void> {
    latest = wanted
    working ??= untilDone().finally(() => (working = null))
    return working
  }

  async function untilDone(): Promise<void> {
    for (;;) {
      const wanted = latest
      await rest(quiet)
      // somebody has gone on meanwhile
      if (wanted !== latest) continue
      if (wanted) await simulate(wanted)
      if (wanted === latest) return
    }
  }

  async function simulate(wanted: Wanted): Promise<void> {
    const { catalogue, entries, experience } = wanted
    const signatures = await now(catalogue)
    if (!signatures) return
    const hash = catalogueHash(catalogue)
    const pairs = likeliestPairs(catalogue, signatures, entries, knownOf(hash), looked, experience)
    for (let from = 0; from < pairs.length && wanted === latest; from += batch) {
      const fresh: SimulatedPair[] = []
      for (const pair of pairs.slice(from, from + batch)) {
        if (wanted !== latest) break
        fresh.push(simulatePair(catalogue, signatures, pair))
        knownOf(hash).add(pair)
        await rest(pause)
      }
      if (fresh.length === 0) return
      await improve(catalogue, (current) => withPairs(catalogue, current, fresh))
      await keep(catalogue, hash, fresh)
    }
  }

  async function keep({ system }: Catalogue, hash: string, fresh: readonly SimulatedPair[]): Promise<void> {
    const database = await device
    for (const one of fresh) await database?.put('pairs', { catalogue: hash, ...one }).catch(() => undefined)
    await fetch(`/api/pairs/${hash}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ device: deviceId, system: system.id.split('+')[0], controls: system.controls?.id ?? 'direct', pairs: fresh }),
      signal: AbortSignal.timeout(8000),
    }).catch(() => undefined)
  }

  return { withKept, work }
}

async function fromServer(hash: string): Promise<SimulatedPair[]> {
  try {
    const response = await fetch(`/api/pairs/${hash}`, { signal: AbortSignal.timeout(3000) })
    return response.ok ? ((await response.json()) as { pairs: SimulatedPair[] }).pairs : []
  } catch {
    return []
  }
}
