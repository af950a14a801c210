import { scriptedJournal, type Entry } from '@dewpoint/core/casebook'
import { weighJournal, type Belief, type Catalogue, type Check } from '@dewpoint/core/diagnosis'
import { explaining } from '@dewpoint/core/diagnosis/belief'
import { describe, expect, it } from 'vitest'
import { stockCatalogues } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'

/** Places of the faults that show as one outcome of a check, in any of their plants or as a sign of theirs. */
function shown(catalogue: Catalogue, check: Check, outcome: string): number[] {
  const places = [...catalogue.faults.keys()]
  if (check.result.kind === 'cue') return places.filter((fault) => (catalogue.faults[fault]!.cues?.[check.id] ?? 0) >= 0.1)
  const { checks, values, first, draws } = loadSignatures(catalogue)
  const said = check.result.kind === 'outcome' ? check.result.outcomes.findIndex((one) => one.id === outcome) : -1
  const column = checks.indexOf(check.id)
  return places.filter((fault) => Array.from({ length: draws }, (_unused, draw) => values[(first[fault + 1]! + draw) * checks.length + column]).includes(said))
}

/** Share of the belief of sets that hold one of some faults. */
function shareOf(catalogue: Catalogue, entries: Entry[], faults: number[]): number {
  const { signatures, belief } = weighJournal(catalogue, loadSignatures(catalogue), entries)
  return belief.posterior.reduce((sum, one, row) => (signatures.sets[row]?.some((fault) => faults.includes(fault)) ? sum + one : sum), 0)
}

/** what is believed by each complaint alone, worked out once */
const rung = new Map<string, Belief>()

/** Of every complaint how likely some faults are by it alone; null where none of them explains it. */
function rungAbout(catalogue: Catalogue, faults: number[]): string | null {
  const { complain } = scriptedJournal()
  const signatures = loadSignatures(catalogue)
  const able = catalogue.complaints.filter(({ id, danger }) => {
    const explains = danger ? null : explaining(catalogue, signatures, { complaints: [complain(id)] as never })
    return explains && faults.some((fault) => explains([fault]).length > 0)
  })
  const shares = able.map(({ id }) => {
    const belief = rung.get(id) ?? weighJournal(catalogue, signatures, [complain(id)]).belief
    rung.set(id, belief)
    return { id, share: faults.reduce((sum, fault) => sum + belief.posterior[fault + 1]!, 0) }
  })
  return shares.sort((a, b) => b.share - a.share)[0]?.id ?? null
}

/** Every defect that is seen directly on a combination: the check and the answer that tells of it. */
const sights = ['premix-combi', 'electric-flow'].flatMap((system) => {
  const catalogue = stockCatalogues[system]!
  return catalogue.checks.flatMap((check) => {
    // a thermostat turned down looks like no demand, which is no fault
    if (!check.direct || check.unsafe || check.result.kind === 'number' || /StatSetting$|Latch$|ValveLever$/.test(check.id)) return []
    if (check.result.kind === 'cue') return [[system, check.id, 'yes'] as const]
    // what the sound appliance does not show
    const { checks, values } = loadSignatures(catalogue)
    const sound = values[checks.indexOf(check.id)]!
    return check.result.outcomes.filter((_one, index) => index !== sound).map((one) => [system, check.id, one.id] as const)
  })
})

describe('what is seen directly convicts', () => {
  it.each(sights)('%s, %s: %s leaves only what looks exactly the same, and a second look no less', (system, id, outcome) => {
    const catalogue = stockCatalogues[system]!
    const check = catalogue.checks.find((one) => one.id === id)!
    const faults = shown(catalogue, check, outcome)
    const complaint = rungAbout(catalogue, faults)
    // what nothing of the catalogue shows, or nobody would ring about, cannot be put down to anything
    if (!complaint) return
    const { complain, answer } = scriptedJournal()
    const look = () => answer(id, outcome, { situation: { ...check.situation } })
    const odds = (share: number) => share / Math.max(1 - share, 1e-12)
    const before = shareOf(catalogue, [complain(complaint)], faults)
    const once = shareOf(catalogue, [complain(complaint), look()], faults)
    // nineteen in twenty where one in four was before, more where it was likelier
    expect(once > 0.94 || odds(once) > 60 * odds(before), `${complaint}: ${before} to ${once}`).toBe(true)
    expect(shareOf(catalogue, [complain(complaint), look(), look()], faults)).toBeGreaterThanOrEqual(once - 0.005)
  })
})
