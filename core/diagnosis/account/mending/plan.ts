import { accessMinutes } from '../../choice/index.ts'
import { type Access, type Catalogue, comingBack, type Costs, type Origin, type Plan, type PlanStep, type Remedy, timeCosts } from '../../catalogue/index.ts'
import { worksNow } from '../../evidence/index.ts'
import { type FaultSet, linkTo, type Signatures } from '../../signatures/index.ts'
import { nameOf } from '../naming.ts'
import { behindOnce } from './asFitted.ts'
import { originsOf } from '../origins.ts'

/** how many sets that a plan leaves standing are named; the rest are told together */
const named = 3
/** what is rarer than this is told with the rest */
const told = 0.002
/** of how often a repair does not hold, so much is left where what brought the fault about is mended with it. Assumed */
const withItsCause = 0.4

/**
 * Ways to mend the whole of the likeliest set of faults as one job: what brought the others about first, what has to be got at paid once, with
 * what belongs to the same job. One time, one price, and the chance of coming back with what it is made of.
 *
 * @param shares of the rows, as found or as they stand now
 * @param tried how often each remedy was carried out already: what was in vain once works less often
 * @param prefers remedies the firm takes before others of the same fault
 * @returns the firm's way where it has one, then the one of least expected cost; others where they differ: the cheapest today, and the least likely to come back
 */
export function plansOf(
  catalogue: Catalogue,
  signatures: Signatures,
  shares: Float64Array,
  costs: Costs,
  tried: ReadonlyMap<string, number>,
  prefers: readonly string[] = [],
): Plan[] {
  const set = signatures.sets[shares.indexOf(Math.max(...shares))] ?? []
  if (set.length === 0) return []
  const works = (remedy: Remedy) => worksNow(catalogue.remedies, remedy, tried)
  const price = (remedy: Remedy) => remedy.partsCost + timeCosts(costs, remedy.minutes)
  const ways: [Plan['id'], (remedy: Remedy) => number][] = [
    ['firm', (one) => (prefers.includes(one.id) ? -1e9 : 0) + price(one) + (1 - works(one)) * comingBack(costs)],
    ['usual', (one) => price(one) + (1 - works(one)) * comingBack(costs)],
    ['cheapest', price],
    ['lasting', (one) => -works(one) * 1e6 + price(one)],
  ]
  const plans = ways.flatMap(([id, weight]): Plan[] => {
    const chosen = chooseFor(catalogue, set, weight)
    if (!chosen || (id === 'firm' && !chosen.some(({ remedy }) => prefers.includes(remedy.id)))) return []
    return [planOf(catalogue, signatures, set, id, id === 'cheapest' ? chosen : withAlongside(catalogue, chosen, tried), { shares, costs, works, tried })]
  })
  return plans.filter(
    (plan, place) =>
      !plans
        .slice(0, place)
        .some((other) => other.steps.length === plan.steps.length && plan.steps.every((step) => other.steps.some((one) => one.remedy === step.remedy))),
  )
}

/** One remedy and the faults it is done for; none where it only belongs to another job. */
interface Job {
  remedy: Remedy
  faults: string[]
}

/** Of each fault the remedy of least weight, unless one chosen already mends it too; null where a fault has none. */
function chooseFor({ faults, remedies }: Catalogue, set: FaultSet, weight: (remedy: Remedy) => number): Job[] | null {
  const jobs: Job[] = []
  const left = set.map((index) => faults[index]!)
  // what has fewest ways to be mended is chosen for first: it may settle others
  for (const { id } of [...left].sort((a, b) => a.remedies.length - b.remedies.length)) {
    const present = jobs.find(({ remedy }) => remedy.mends.includes(id) && !remedy.each)
    const [best] = remedies.filter((one) => one.mends.includes(id)).sort((a, b) => weight(a) - weight(b))
    if (present) present.faults.push(id)
    else if (best) jobs.push({ remedy: best, faults: [id] })
    else return null
  }
  return jobs
}

/** With what belongs to the same jobs. */
function withAlongside({ remedies }: Catalogue, jobs: readonly Job[], tried: ReadonlyMap<string, number>): Job[] {
  const all = [...jobs]
  for (const id of belongs(jobs, tried).keys()) {
    const remedy = remedies.find((one) => one.id === id)
    if (remedy && !all.some((one) => one.remedy === remedy)) all.push({ remedy, faults: [] })
  }
  return all
}

interface Given {
  shares: Float64Array
  costs: Costs
  works: (remedy: Remedy) => number
  tried: ReadonlyMap<string, number>
}

function planOf(catalogue: Catalogue, signatures: Signatures, set: FaultSet, id: Plan['id'], jobs: readonly Job[], given: Given): Plan {
  const { costs, tried } = given
  const origins = new Map(originsOf(catalogue, set).map((one) => [one.fault, one]))
  const late = (step: PlanStep) => Math.max(0, ...step.faults.map((id) => broughtBy(catalogue, set, id)))
  const steps = jobs.map((one) => stepOf(one, origins, jobs, tried)).sort((a, b) => inOrder(a, b) || late(a) - late(b) || byAccess(a, b))
  const doing = jobs.map((one) => one.remedy)
  const apart = doing.reduce((sum, one) => sum + one.minutes, 0)
  const together = behindOnce(doing).reduce((sum, one) => sum + one.minutes, 0)
  const savedMinutes = savedBy(doing) + apart - together
  const minutes = apart - savedMinutes
  const because = whyBack(catalogue, signatures, jobs, given)
  return {
    id,
    steps,
    minutes,
    savedMinutes,
    money: Math.round(doing.reduce((sum, one) => sum + one.partsCost, 0) + timeCosts(costs, minutes)),
    parts: [...new Set(doing.flatMap((one) => one.parts))],
    chanceOfReturn: because.reduce((sum, one) => sum + one.share, 0),
    because: because.filter((one) => one.share >= 0.005),
  }
}

function stepOf({ remedy, faults }: Job, origins: ReadonlyMap<string, Origin>, jobs: readonly Job[], tried: ReadonlyMap<string, number>): PlanStep {
  const roles = faults.map((id) => origins.get(id)!.role)
  const role = roles.includes('root') ? 'root' : roles.includes('consequence') ? 'consequence' : (roles[0] ?? 'alongside')
  const because = belongs(jobs, tried).get(remedy.id)?.because ?? null
  const { id, label, minutes, access, skill, seals, steps, cautions } = remedy
  const parts = remedy.parts.filter((part) => !seals.includes(part))
  return { remedy: id, label, faults, for: faults.map((one) => origins.get(one)!.label), role, because, minutes, access, skill, parts, seals, steps, cautions }
}

const roleOrder: PlanStep['role'][] = ['root', 'alone', 'alongside', 'consequence']
const accessOrder: Access[] = ['drained', 'caseOff', 'live', 'dead', 'none']

/** What brought others about first, what was brought about last. */
const inOrder = (a: PlanStep, b: PlanStep) => roleOrder.indexOf(a.role) - roleOrder.indexOf(b.role)
/** what needs most to be got at first */
const byAccess = (a: PlanStep, b: PlanStep) => accessOrder.indexOf(a.access) - accessOrder.indexOf(b.access)

/** How many faults of a set may have brought one about: the fuse after the motor, the motor after the leak. */
function broughtBy({ faults }: Catalogue, set: FaultSet, id: string): number {
  const fault = faults.find((one) => one.id === id)!
  return set.filter((index) => linkTo(faults[index]!, fault) > 0).length
}

/** Minutes of getting at something that several steps share: with what is drained the case is off too. */
function savedBy(doing: readonly Remedy[]): number {
  const each = doing.map((one) => accessMinutes[one.access]).filter((minutes) => minutes > 0)
  const once = Math.max(0, ...each)
  return each.reduce((sum, one) => sum + one, 0) - once
}

/** What brings it back: what else may stand, each job that does not hold, what was left out of it. Shares that sum up to the chance of return. */
function whyBack(catalogue: Catalogue, signatures: Signatures, jobs: readonly Job[], { shares, works, tried }: Given): Plan['because'] {
  const mended = new Set(jobs.flatMap(({ remedy, faults }) => (remedy.each ? faults : remedy.mends)))
  const isMended = catalogue.faults.map((fault) => mended.has(fault.id))
  let covered = 0
  let rest = 0
  const others = new Map<string, number>()
  shares.forEach((share, row) => {
    const set = signatures.sets[row]
    if (set && set.length > 0 && set.every((index) => isMended[index]!)) covered += share
    else if (share < told) rest += share
    else {
      const left = set?.filter((index) => !isMended[index]!).map((index) => catalogue.faults[index]!.label) ?? []
      const besides = left.length > 0 && left.length < set!.length
      const says = besides ? `${left.join(' + ')}: may stand besides` : `${nameOf(catalogue, signatures, row).label}: may be what stands`
      others.set(says, (others.get(says) ?? 0) + share)
    }
  })
  const ranked = [...others].map(([says, share]) => ({ says, share })).sort((a, b) => b.share - a.share)
  rest += ranked.slice(named).reduce((sum, one) => sum + one.share, 0)
  const because = [...ranked.slice(0, named), ...(rest > 0 ? [{ says: 'Something less likely may stand', share: rest }] : [])]
  // each cause of return takes its share of what is left by those before it
  let holds = covered
  const loses = (says: string, chance: number) => {
    because.push({ says, share: holds * chance })
    holds *= 1 - chance
  }
  const faultsOf = (ids: readonly string[]) => catalogue.faults.filter((fault) => ids.includes(fault.id))
  const all = faultsOf([...mended])
  for (const { remedy, faults } of jobs) {
    if (faults.length === 0) continue
    const causeMended = faultsOf(faults).some((fault) => all.some((other) => !faults.includes(other.id) && linkTo(other, fault) > 0))
    loses(`${remedy.label}: does not always hold`, (1 - works(remedy)) * (causeMended ? withItsCause : 1))
  }
  for (const [id, { because: why, comesBack }] of belongs(jobs, tried)) {
    const other = catalogue.remedies.find((one) => one.id === id)
    if (other && !jobs.some((one) => one.remedy === other)) loses(`Left out: ${other.label.charAt(0).toLowerCase()}${other.label.slice(1)}. ${why}`, comesBack)
  }
  return because.sort((a, b) => b.share - a.share)
}

/** What belongs to the same jobs and was not done yet: each once, for the job it matters most to. */
function belongs(jobs: readonly Job[], tried: ReadonlyMap<string, number>): Map<string, { because: string; comesBack: number }> {
  const all = new Map<string, { because: string; comesBack: number }>()
  for (const one of jobs.flatMap(({ remedy }) => remedy.alongside ?? []))
    if (!tried.has(one.remedy) && one.comesBack > (all.get(one.remedy)?.comesBack ?? 0)) all.set(one.remedy, one)
  return all
}
