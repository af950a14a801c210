import type { Entry } from '@dewpoint/core/casebook'
import { catalogueHash, likeliestPairs, simulatePair, withPairs, type Catalogue, type Signatures, type SimulatedPair } from '@dewpoint/core/diagnosis'
import { openDB, type DBSchema } from 'idb'

interface Kept extends DBSchema {
  pairs: { key: [catalogue: string, pair: number]; value: SimulatedPair & { catalogue: string }; indexes: { catalogue: string } }
}

/** pairs simulated in one go before they are put to use, and pairs looked for at a time */
const batch = 4
const looked = 12
/** nothing is begun before this long after the last answer, ms */
const quiet = 1500

/**
 * Simulates pairs of faults in the background, the likeliest of the case at hand first, and keeps them: on this device, and on the server for
 * other devices, which believes them when a second device has found the same. Without device or server it works from memory.
 *
 * @param deviceId which device this is, for the server
 */
export function pairKeeper(deviceId: string) {
  const device = openDB<Kept>('dewpoint-pairs', 1, {
    upgrade(database) {
      database.createObjectStore('pairs', { keyPath: ['catalogue', 'pair'] }).createIndex('catalogue', 'catalogue')
    },
  }).catch(() => null)
  const known = new Map<string, Set<number>>()
  let busy = false
  let asked = 0

  const knownOf = (hash: string) => known.get(hash) ?? known.set(hash, new Set()).get(hash)!

  /** Signatures with every pair this device or the server has simulated. */
  async function withKept(catalogue: Catalogue, signatures: Signatures): Promise<Signatures> {
    const hash = catalogueHash(catalogue)
    const here = (await (await device)?.getAllFromIndex('pairs', 'catalogue', hash).catch(() => [])) ?? []
    const there = await fromServer(hash)
    const all = [...here, ...there]
    for (const one of all) knownOf(hash).add(one.pair)
    return all.length > 0 ? withPairs(catalogue, signatures, all) : signatures
  }

  /** Goes on with what is likeliest now; `done` takes better signatures when some pairs are ready. */
  async function improve(catalogue: Catalogue, signatures: Signatures, entries: readonly Entry[], done: (better: Signatures) => void): Promise<void> {
    const mine = ++asked
    await new Promise((go) => setTimeout(go, quiet))
    if (busy || mine !== asked) return
    busy = true
    try {
      const hash = catalogueHash(catalogue)
      const wanted = likeliestPairs(catalogue, signatures, entries, knownOf(hash), looked)
      let better = signatures
      for (let from = 0; from < wanted.length; from += batch) {
        const fresh: SimulatedPair[] = []
        for (const pair of wanted.slice(from, from + batch)) {
          // somebody has gone on: their answer comes first
          if (mine !== asked) break
          fresh.push(simulatePair(catalogue, signatures, pair))
          knownOf(hash).add(pair)
          await rest()
        }
        better = withPairs(catalogue, better, fresh)
        await keep(catalogue, hash, fresh)
      }
      if (better !== signatures) done(better)
    } finally {
      busy = false
    }
  }

  async function keep({ system }: Catalogue, hash: string, fresh: readonly SimulatedPair[]): Promise<void> {
    if (fresh.length === 0) return
    const database = await device
    for (const one of fresh) await database?.put('pairs', { catalogue: hash, ...one }).catch(() => undefined)
    await fetch(`/api/pairs/${hash}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ device: deviceId, system: system.id.split('+')[0], controls: system.controls?.id ?? 'direct', pairs: fresh }),
      signal: AbortSignal.timeout(8000),
    }).catch(() => undefined)
  }

  return { withKept, improve }
}

/** lets whoever waits for an answer go first */
const rest = () => new Promise((go) => setTimeout(go, 30))

async function fromServer(hash: string): Promise<SimulatedPair[]> {
  try {
    const response = await fetch(`/api/pairs/${hash}`, { signal: AbortSignal.timeout(3000) })
    return response.ok ? ((await response.json()) as { pairs: SimulatedPair[] }).pairs : []
  } catch {
    return []
  }
}
