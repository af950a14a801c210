import type { Catalogue, Check, CheckOrder } from '../catalogue/index.ts'
import { demandsOf } from '../catalogue/index.ts'
import type { JournalRead } from '../evidence/index.ts'
import type { Weighing } from './information.ts'

type Tracing = Exclude<CheckOrder, 'telling'>
type Traced = 'heating' | 'hotWater'

/**
 * Sorts checks by tracing: forwards from the demand to the stage that is not reached, backwards from that stage upstream to the demand, terminal by
 * terminal where the call is made; what comes behind the stage that is not reached follows. Of one place, what tells most for its minutes first.
 *
 * @param worth checks with what each is worth, in any order
 * @returns those that have a place in the sequence
 */
export function tracingOrder<T extends { check: Check }>(
  catalogue: Catalogue,
  journal: JournalRead,
  weighed: Pick<Weighing, 'joint'>,
  worth: readonly T[],
  order: Tracing,
  telling: (one: T) => number,
): T[] {
  const ways = failing(catalogue, journal).map((demand) => ({ demand, stops: stopsAt(catalogue, journal, weighed, demand) }))
  const keyed = worth.flatMap((one) => {
    const keys = ways.flatMap(({ demand, stops }) => {
      const place = placeOf(catalogue, one.check, demand)
      // how far it gets is seen first: where to begin depends on it
      if (one.check.runsThrough === demand) return [first]
      return place === null ? [] : [place <= stops ? (order === 'backward' ? stops - place : place) : behind + place]
    })
    return keys.length > 0 ? [{ one, key: Math.min(...keys) }] : []
  })
  const atTerminal = ({ check }: T) => (check.along ? 0 : 1)
  return keyed.sort((a, b) => a.key - b.key || atTerminal(a.one) - atTerminal(b.one) || telling(b.one) - telling(a.one)).map(({ one }) => one)
}

/** what lies behind the stage that is not reached comes after everything before it */
const behind = 1000
const first = -1000

/** The demands to trace: those complained of, or all. */
function failing(catalogue: Catalogue, { complaints }: JournalRead): Traced[] {
  const all = (['hotWater', 'heating'] as const).filter((demand) => catalogue.system.sequence[demand])
  const told = new Set(complaints.flatMap((one) => demandsOf(catalogue, one.payload.what)))
  const some = all.filter((demand) => told.has(demand))
  return some.length > 0 ? some : all
}

/**
 * The first stage of a demand that is not reached: as it was seen when it was last run, or where it most likely stops by all that is known; the last
 * stage where nothing says that it stops.
 */
function stopsAt(catalogue: Catalogue, { evidence, mendings }: JournalRead, weighed: Pick<Weighing, 'joint'>, demand: Traced): number {
  const last = catalogue.system.sequence[demand]!.length - 1
  const run = catalogue.checks.find((one) => one.runsThrough === demand)
  if (!run) return last
  const seen = evidence.find((one) => one.check === run && one.epoch === mendings.length)?.outcomes.at(-1)
  if (seen !== undefined && seen >= 0) return Math.min(seen, last)
  const { joint, size } = weighed.joint(run)
  const share = new Float64Array(size)
  joint.forEach((mass, index) => (share[index % size]! += mass))
  let best = last
  for (let outcome = 0; outcome <= last; outcome++) if (share[outcome]! > (share[best] ?? 0)) best = outcome
  return best
}

/** Where a check stands in the sequence of a demand: its stage, or how far along the call its terminal is; null where it has no place in it. */
export function placeOf({ system, checks }: Pick<Catalogue, 'system' | 'checks'>, check: Check, demand: Traced): number | null {
  const stages = system.sequence[demand] ?? []
  const stageOf = (one: Check) => (one.concerns ? stages.findIndex((stage) => stage.id === one.concerns!.stage) : -1)
  const ofIt = ({ along, runsThrough }: Check) => (along?.demand ?? runsThrough ?? demand) === demand
  if (!ofIt(check)) return null
  // the call has been made where its last terminal is; from there on the boiler does the same for any demand
  const called = Math.max(0, ...checks.filter((one) => one.along?.place === 1 && ofIt(one)).map(stageOf))
  const span = Math.max(called, 1)
  if (check.along) return called - span + check.along.place * span
  const place = stageOf(check)
  if (place < 0 || (place < called && check.concerns?.demand !== demand)) return null
  // what else is asked about a call stands in the middle of its terminals
  return checks.some((one) => one.along && ofIt(one) && stageOf(one) === place) ? place - 0.5 : place
}
