import type { Catalogue, Cause, Check } from '../catalogue/index.ts'
import type { Signatures } from '../signatures/index.ts'
import { faultProbabilities } from './partStates.ts'

/** causes are looked for behind whatever is at least this likely to stand. Chosen */
const likely = 0.15
/** a cause as likely as this is found already. Chosen: what a verdict needs */
const known = 0.9
/** a sign that shows at least this often with a fault finds it. Assumed */
const shows = 0.5

/**
 * Causes to find behind everything that is likely to have stood when the system was found, alone or with others: they are to be found after
 * the repair too, or it comes back.
 *
 * A cause that is known already is mended with the rest, and nothing is left to find.
 *
 * @param shares of the rows, as found
 * @param done checks that were made or cannot be made
 * @returns the likeliest fault first, of each its causes, the likeliest first
 */
export function causesOf(catalogue: Catalogue, signatures: Signatures, shares: Float64Array, done: ReadonlySet<string>): Cause[] {
  const each = faultProbabilities(signatures, shares)
  const open = (id: string) => {
    const check = catalogue.checks.find((one) => one.id === id)
    return check && !done.has(id) ? [{ check: check.id, label: check.label }] : []
  }
  return catalogue.faults
    .map((fault, index) => ({ fault, index, probability: each[index]! }))
    .filter(({ probability }) => probability >= likely)
    .sort((a, b) => b.probability - a.probability)
    .flatMap(({ fault, probability }) => {
      const roots = catalogue.faults.flatMap((other, root) =>
        other.damages?.[fault.id] ? [{ fault: other.id, label: other.label, probability: each[root]!, check: findsIt(catalogue, signatures, root, done) }] : [],
      )
      if (roots.some((root) => root.probability >= known)) return []
      const looks = (fault.causeChecks ?? []).flatMap(open).map((check) => ({ fault: null, label: check.label, probability: null, check }))
      const by = [
        ...roots.sort((a, b) => b.probability - a.probability),
        ...looks.filter((one) => !roots.some((root) => root.check?.check === one.check.check)),
      ]
      const lookFor = [
        ...(fault.causeChecks ?? []).flatMap((id) => catalogue.checks.find((one) => one.id === id)?.label ?? []),
        ...roots.map((one) => one.label),
      ]
      return lookFor.length > 0 ? [{ fault: fault.id, label: fault.label, probability, by, lookFor }] : []
    })
}

/** The check that shows one fault and fewest others: a look at its sign, or the part seen or tested alone; of several the quickest. */
function findsIt(catalogue: Catalogue, signatures: Signatures, fault: number, done: ReadonlySet<string>): { check: string; label: string } | null {
  const { checks, values, first, draws } = signatures
  const width = checks.length
  const finds = (check: Check): boolean => {
    if (check.result.kind === 'cue') return (catalogue.faults[fault]!.cues?.[check.id] ?? 0) >= shows
    const column = checks.indexOf(check.id)
    if (!check.direct || column < 0) return false
    for (let draw = 0; draw < draws; draw++) if (values[(first[fault + 1]! + draw) * width + column] === values[draw * width + column]) return false
    return true
  }
  const others = ({ id }: Check) => catalogue.faults.filter((one) => (one.cues?.[id] ?? 0) >= shows).length
  const [best] = catalogue.checks.filter((one) => !one.before && !done.has(one.id) && finds(one)).sort((a, b) => others(a) - others(b) || a.minutes - b.minutes)
  return best ? { check: best.id, label: best.label } : null
}
