import type { Entry } from '../../../casebook/index.ts'
import { type Belief, instrumentOf, onScale, readingSpread, usualOf } from '../../belief/index.ts'
import { type Catalogue, causeItem, type Check, type ClosingItem, type Limit, type Occasion, type RecordItem, seenItem } from '../../catalogue/index.ts'
import { comparable, isRepaired, type JournalRead, readRecord, type RecordRead } from '../../evidence/index.ts'
import type { Signatures } from '../../signatures/index.ts'
import { faultProbabilities, standingNow } from '../partStates.ts'
import { healthyOutcome } from './proofs.ts'
import { usualLimit, within } from './usualLimit.ts'

/** a fault that was mended counts as found from here on, and one whose cause is as likely has its cause to find. Chosen */
const likely = 0.15
/** a slow fault that is as likely still to stand is come back for. Chosen */
const mayStand = 0.1
/**
 * What must stand in the record before the case is closed, by what was found, opened and done; each with what the record says of it. What was
 * said before the last occasion it is owed for does not count. Nothing is owed before anything was repaired.
 *
 * @param had dangers the case was stopped for
 */
export function recordOf(
  catalogue: Catalogue,
  signatures: Signatures,
  belief: Belief,
  journal: JournalRead,
  entries: readonly Entry[],
  had: readonly string[],
): RecordItem[] {
  if (!isRepaired(journal)) return []
  const read = readRecord(catalogue, entries)
  const asFound = faultProbabilities(signatures, belief.posterior)
  const now = faultProbabilities(signatures, standingNow(signatures, belief))
  const places = foundAt(catalogue, read, asFound)
  const accepted = new Set(journal.evidence.flatMap((one) => one.entries))
  const owed = (after: Occasion) => owedAt(catalogue, read, places, now, had, after)

  const items = catalogue.closing.flatMap((item): RecordItem[] => {
    const since = owed(item.after)
    if (since < 0 || item.unless?.some((id) => places.has(id))) return []
    const check = catalogue.checks.find((one) => one.id === item.check)
    const own = { id: item.id, label: item.label, why: item.why, leaves: !item.never, asks: item.asks ?? false, tell: item.tell ?? null }
    if (item.advice) {
      const told = read.advised.findLast((one) => (item.advice === 'due' ? one.due !== undefined : one.about === item.id) && one.place > since)
      return [{ ...own, by: item.advice, check: null, limit: null, state: told?.answer ?? 'open', entry: told?.entry ?? null, said: told?.what ?? null }]
    }
    return [{ ...own, ...answered(catalogue, signatures, read, accepted, item, check, since) }]
  })
  return [...items, ...causesToFind(catalogue, read, places, asFound), ...seenBesides(catalogue, read)]
}

/** Of each fault that was found, where in the journal last: seen, condemned, or mended while it was likely to stand. */
function foundAt(catalogue: Catalogue, { done, seen }: RecordRead, asFound: Float64Array): Map<string, number> {
  const chance = new Map(catalogue.faults.map((one, index) => [one.id, asFound[index]!]))
  const mended = done.flatMap(({ faults, place }) => faults.filter((id) => (chance.get(id) ?? 0) >= likely).map((fault) => ({ fault, place })))
  const places = new Map<string, number>()
  for (const { fault, place } of [...seen, ...mended]) places.set(fault, Math.max(places.get(fault) ?? -1, place))
  return places
}

/** Where in the journal an item was last owed; −1 where it is not. */
function owedAt(
  catalogue: Catalogue,
  { done, openings, said, complained, madeSafe }: RecordRead,
  found: ReadonlyMap<string, number>,
  now: Float64Array,
  had: readonly string[],
  after: Occasion,
): number {
  const last = Math.max(...done.map((one) => one.place))
  const standing = catalogue.faults.reduce((sum, one, index) => sum + (after.mayStand?.includes(one.id) ? now[index]! : 0), 0)
  return Math.max(
    -1,
    ...(after.repair || standing >= mayStand || after.complained?.some((id) => complained.includes(id)) ? [last] : []),
    ...openings.filter((one) => after.opened?.includes(one.what)).map((one) => one.place),
    ...done.filter((one) => after.done?.includes(one.id)).map((one) => one.place),
    ...(after.found ?? []).map((id) => found.get(id) ?? -1),
    ...said.filter((one) => after.answered?.some(({ check, outcome }) => check === one.check && outcome === one.outcome)).map((one) => one.place),
    ...(after.danger?.some((id) => had.includes(id)) ? [Math.max(madeSafe, 0)] : []),
  )
}

/** What was last said of an item: by its check, or in a word. */
function answered(
  catalogue: Catalogue,
  signatures: Signatures,
  { said }: RecordRead,
  accepted: ReadonlySet<string>,
  item: ClosingItem,
  check: Check | undefined,
  since: number,
): Pick<RecordItem, 'by' | 'check' | 'limit' | 'state' | 'entry' | 'said'> {
  const limit = check ? limitOf(catalogue, signatures, item, check) : null
  const by = check ? 'check' : 'word'
  const word = said.findLast((one) => one.check === item.id && one.place > since)
  const reading = check && said.findLast((one) => one.check === check.id && accepted.has(one.entry.id) && (item.anyAnswer ?? one.place > since))
  const last = reading && (!word || reading.place > word.place) ? reading : word
  if (!last) return { by, check: check?.id ?? null, limit, state: 'open', entry: null, said: null }
  const own = { by, check: check?.id ?? null, limit, entry: last.entry.id } as const
  if (last === word || !check) {
    const outcome = last.outcome === 'right' || last.outcome === 'notRight' ? last.outcome : 'notDone'
    return { ...own, state: outcome, said: last.note ?? null }
  }
  return { ...own, state: item.anyAnswer || sound(catalogue, signatures, check, last.entry, limit) ? 'right' : 'notRight', said: last.note ?? null }
}

/**
 * What the figure of a check is held against: a stated limit, else what sound appliances of the model read, with what the instrument is off. Null where it is
 * no plain figure: resistances by their chart, dead and live.
 */
function limitOf(catalogue: Catalogue, signatures: Signatures, item: ClosingItem, check: Check): Limit | null {
  const { result } = check
  if (result.kind !== 'number' || result.thermistor || result.bands) return null
  if (item.limit) return { low: item.limit.low ?? null, high: item.limit.high ?? null, unit: result.unit, source: item.limit.source }
  return usualLimit(catalogue, signatures, check)
}

/** Whether a reading is what a sound appliance gives. */
function sound(catalogue: Catalogue, signatures: Signatures, check: Check, entry: Entry, limit: Limit | null): boolean {
  if (entry.type !== 'reading') return false
  const { payload } = entry
  if (payload.outcome !== undefined) return payload.outcome === (check.result.kind === 'number' ? 'right' : healthyOutcome(signatures, check))
  const usual = usualOf(catalogue, signatures, check)
  if (check.result.kind !== 'number' || !usual) return false
  const value = comparable(check.result, payload)
  if (limit) return (limit.low === null || value >= limit.low) && (limit.high === null || value <= limit.high)
  return Math.abs(onScale(check, value) - usual.middle) <= usual.reach + within * readingSpread(check, instrumentOf(catalogue, check), value)
}

/** The cause of whatever was found and seldom arises alone: another fault that does it damage, found as well, or looked for. */
function causesToFind(catalogue: Catalogue, read: RecordRead, found: ReadonlyMap<string, number>, asFound: Float64Array): RecordItem[] {
  return catalogue.faults.flatMap((fault) => {
    if (!found.has(fault.id)) return []
    const roots = catalogue.faults.filter((other) => other.damages?.[fault.id])
    const seldomAlone = fault.causeChecks?.length || roots.some((root) => asFound[catalogue.faults.indexOf(root)]! >= likely)
    if (!seldomAlone || roots.some((root) => found.has(root.id))) return []
    const looks = (fault.causeChecks ?? []).flatMap((id) => catalogue.checks.find((one) => one.id === id) ?? [])
    const [open] = looks.filter((check) => !read.said.some((one) => one.check === check.id))
    // every look was made, whatever it showed
    if (looks.length > 0 && !open) return []
    const word = read.said.findLast((one) => one.check === causeItem(fault.id))
    return [
      {
        id: causeItem(fault.id),
        label: `Cause of: ${fault.label}`,
        why: `It seldom arises alone: ${[...new Set([...looks, ...roots].map((one) => one.label.replace('?', '')))].slice(0, 4).join(', ')}.`,
        by: 'word' as const,
        check: open?.id ?? null,
        limit: null,
        state: word ? (word.outcome === 'right' || word.outcome === 'notRight' ? word.outcome : 'notDone') : 'open',
        entry: word?.entry.id ?? null,
        said: word?.note ?? null,
        leaves: true,
        asks: open !== undefined,
        tell: null,
      },
    ]
  })
}

/** What was found by the way and not mended: the customer is told, and says yes or no. */
function seenBesides(catalogue: Catalogue, { besides, done, advised }: RecordRead): RecordItem[] {
  return besides.flatMap(({ entry, what, fault, place }) => {
    if (fault && done.some((one) => one.place > place && one.faults.includes(fault))) return []
    const told = advised.findLast((one) => one.about === seenItem(entry))
    const label = catalogue.faults.find((one) => one.id === fault)?.label
    return [
      {
        id: seenItem(entry),
        label: label && label !== what ? `${label}: ${what}` : what,
        why: 'It was found and is not mended: tell the customer.',
        by: 'told' as const,
        check: null,
        limit: null,
        state: told?.answer ?? 'open',
        entry: told?.entry ?? null,
        said: told?.what ?? null,
        leaves: false,
        asks: false,
        tell: label ?? what,
      },
    ]
  })
}
