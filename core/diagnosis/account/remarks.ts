import { formatQuantity } from '../../quantity/index.ts'
import { type Belief, instrumentOf, meanLikelihood, misses, onScale, rowsByBelief } from '../belief/index.ts'
import type { Catalogue, Check, Remark } from '../catalogue/index.ts'
import { type Evidence, type JournalRead, within } from '../evidence/index.ts'
import type { Signatures } from '../signatures/index.ts'

/** two readings of one thing apart by more than so many times the error of the instrument ask for a third. Common practice */
const apartBy = 3
/** what leads is settled enough to hold one reading against it. Chosen */
const settled = 0.5

/**
 * What is to be said of readings themselves, before anything is made of them: two of one thing that disagree, a difference smaller than its
 * instruments are off, and the one reading that speaks against everything else.
 */
export function remarksOf(catalogue: Catalogue, signatures: Signatures, belief: Belief, journal: JournalRead): Remark[] {
  const now = journal.evidence.filter((one) => one.epoch === journal.mendings.length)
  return [...disagreeing(catalogue, now), ...noDifference(catalogue, now), ...against(signatures, belief, now)]
}

function disagreeing(catalogue: Catalogue, evidence: readonly Evidence[]): Remark[] {
  return evidence.flatMap(({ check, values, outcomes, entries }) => {
    if (check.kind === 'ask' || check.probe) return []
    const two =
      values.length === 2 ? Math.abs(onScale(check, values[0]!) - onScale(check, values[1]!)) > apartBy * errorOf(catalogue, check, values[0]!) : false
    const differ = outcomes.length === 2 && outcomes[0] !== outcomes[1]
    return two || differ
      ? [
          {
            entries,
            says: `${check.label}: two readings that differ by more than the instrument does. Take a third; two that agree count.`,
            again: again(check),
          },
        ]
      : []
  })
}

/** Error of one reading on the scale of its comparison. */
function errorOf(catalogue: Catalogue, check: Check, value: number): number {
  const { absolute, relative } = instrumentOf(catalogue, check)
  return check.result.kind === 'number' && check.result.scale === 'log' ? relative : absolute + relative * Math.abs(value)
}

function noDifference(catalogue: Catalogue, evidence: readonly Evidence[]): Remark[] {
  const read = evidence.filter((one) => one.values.length > 0 && !one.check.probe)
  return read.flatMap((one): Remark[] => {
    const { check, values, entries } = one
    if (check.result.kind !== 'number') return []
    const { unit } = check.result
    if (check.isDifference) {
      const joint = Math.SQRT2 * errorOf(catalogue, check, 0)
      return Math.abs(values.at(-1)!) < joint
        ? [
            {
              entries,
              says: `${check.label}: below the joint error of its two instruments (${formatQuantity(joint, unit)}) it is no difference. Swap the two, and read again.`,
              again: values.length < 2 ? again(check) : null,
            },
          ]
        : []
    }
    return (check.sameAs ?? []).flatMap((id) => {
      const other = read.find((each) => each.check.id === id)
      if (!other || other.check.result.kind !== 'number') return []
      const [mine, its] = [values.at(-1)!, other.values.at(-1)!]
      const joint = Math.hypot(errorOf(catalogue, check, mine), errorOf(catalogue, other.check, its))
      return Math.abs(mine - its) <= joint
        ? []
        : [
            {
              entries: [...entries, ...other.entries],
              says: `${check.label} and ${within(other.check.label)} differ by ${formatQuantity(Math.abs(mine - its), unit)}, more than the two instruments can (${formatQuantity(joint, unit)}): one of the two places or instruments is wrong.`,
              again: null,
            },
          ]
    })
  })
}

/** The one measurement that what leads cannot explain, and some other fault could. */
function against(signatures: Signatures, belief: Belief, now: readonly Evidence[]): Remark[] {
  const { sets, faults } = signatures
  const leader = rowsByBelief(belief)[0]!
  if (belief.weighed.length < 3 || belief.posterior[leader]! < settled || !sets[leader]) return []
  // what was mended is not looked for in what was read since
  const stands = belief.standing(leader).reduce((most, one) => (one.weight > most.weight ? one : most)).row
  const mean = (table: Float64Array, row: number) => meanLikelihood(signatures, belief, table, row)
  const odd = belief.weighed.flatMap(({ entries, table }) => {
    const evidence = now.find((one) => one.entries === entries)
    if (!evidence || evidence.check.kind !== 'measure' || entries.length > 1) return []
    const best = Math.max(...faults.map((_id, fault) => mean(table, fault + 1)))
    return best >= misses * mean(table, stands) ? [evidence] : []
  })
  const [one] = odd
  return one && odd.length === 1
    ? [
        {
          entries: one.entries,
          says: `${one.check.label}: this one reading speaks against everything else that was found. Take it again before anything is made of it.`,
          again: again(one.check),
        },
      ]
    : []
}

const again = ({ id, label }: Check) => ({ check: id, label })
