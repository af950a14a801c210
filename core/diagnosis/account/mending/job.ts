import { expansion, hotPressure, vesselWater } from '../../../physics/index.ts'
import type {
  BadRecord,
  Catalogue,
  ChainLink,
  ChosenRemedy,
  Costs,
  Fault,
  Job,
  JobLine,
  JobNote,
  Remedy,
  WayIn,
  WayInRow,
  WaysOfWorking,
  WhileOpen,
  WorkNote,
} from '../../catalogue/index.ts'
import { comingBack, timeCosts } from '../../catalogue/index.ts'
import { accessMinutes } from '../../choice/index.ts'
import { linkTo } from '../../signatures/index.ts'
import { behindOnce } from './asFitted.ts'

/** of the minutes of getting at it, how they fall on its lines; opening and closing. Chosen */
const weights: Record<WayIn, readonly [open: number, close: number]> = { dead: [3, 1], case: [2, 2], drained: [8, 6], gas: [2, 2] }
/** from the outside in */
const inwards: WayIn[] = ['dead', 'case', 'drained', 'gas']

/** What a job needs to know besides the catalogue. */
export interface JobContext {
  /** what a water system is filled and charged to */
  sums: FillSum | null
  /** causes that are still to be found, in words */
  causes: readonly string[]
  /** what the customer complained of, in words */
  complaints: readonly string[]
  ways?: WaysOfWorking
}

/**
 * A plan as it is worked through: got at from the outside in, each way in opened once, the repairs in their order, and put together from the inside out.
 *
 * @param catalogue with its remedies as they are done on the versions fitted
 * @param chosen what is to be done, in its order
 * @returns lines whose minutes sum up to the job's
 */
export function jobOf(catalogue: Catalogue, chosen: readonly ChosenRemedy[], context: JobContext): Job {
  const doing = chosen.flatMap(({ remedy, faults }) => {
    const one = catalogue.remedies.find(({ id }) => id === remedy)
    return one ? [{ remedy: one, faults }] : []
  })
  const remedies = behindOnce(doing.map((one) => one.remedy))
  const work = doing.map((one, index) => workLine(catalogue, doing, { ...one, remedy: remedies[index]! }, context))
  const needed = waysOf(remedies)
  const ways = (catalogue.waysIn ?? []).filter((one) => needed.has(one.id)).sort((a, b) => inwards.indexOf(a.id) - inwards.indexOf(b.id))
  const minutes = spread(Math.max(0, ...remedies.map((one) => accessMinutes[one.access])), [
    ...ways.map((one) => weights[one.id][0]),
    ...[...ways].reverse().map((one) => weights[one.id][1]),
  ])
  // what needs nothing opened is done once it is together and running
  const outside = work.filter((_line, index) => ways.length > 0 && ['none', 'live'].includes(remedies[index]!.access))
  const inside = work.filter((line) => !outside.includes(line))
  const lines = [
    ...ways.map((one, index) => wayLine(one, 'open', minutes[index]!, context)),
    ...inside,
    ...[...ways].reverse().map((one, index) => wayLine(one, 'close', minutes[ways.length + index]!, context)),
    ...outside,
  ]
  const placeOf = (id: string) => lines.findIndex((one) => one.id === id)
  return {
    lines,
    ways: ways.map((one) => {
      const [from, to] = [placeOf(`open.${one.id}`), placeOf(`close.${one.id}`)]
      return { id: one.id, label: one.label, from, to, minutes: lines[from]!.minutes + lines[to]!.minutes }
    }),
    minutes: lines.reduce((sum, one) => sum + one.minutes, 0),
    chain: chainOf(catalogue, doing, lines, context),
  }
}

/** Ways in that some repairs need between them. */
function waysOf(remedies: readonly Remedy[]): ReadonlySet<WayIn> {
  const opened = remedies.filter((one) => one.access !== 'none')
  const opens = new Set(opened.flatMap((one) => one.opens ?? []))
  const has = (access: Remedy['access']) => opened.some((one) => one.access === access)
  const gas = opens.has('gasWay') || opens.has('chamber')
  const inCase = has('caseOff') || gas || opens.has('case')
  const all: [WayIn, boolean][] = [
    ['dead', inCase || has('dead')],
    ['case', inCase],
    ['drained', has('drained')],
    ['gas', gas],
  ]
  return new Set(all.flatMap(([id, isNeeded]) => (isNeeded ? [id] : [])))
}

/** Whole minutes shared out by weight; they sum up to what there is. */
function spread(minutes: number, by: readonly number[]): number[] {
  const whole = by.reduce((sum, one) => sum + one, 0)
  let given = 0
  let before = 0
  return by.map((weight) => {
    given += whole > 0 ? (minutes * weight) / whole : 0
    const share = Math.round(given) - before
    before += share
    return share
  })
}

function wayLine(way: WayInRow, kind: 'open' | 'close', minutes: number, { sums }: JobContext): JobLine {
  const { label, steps, cautions = [], notes = [], seals = [] } = way[kind]
  const own = { id: `${kind}.${way.id}`, remedy: null, kind, label, minutes, steps, cautions, seals, notes: notesOf(notes, sums) }
  return { ...own, faults: [], role: null, because: null, skill: way.id === 'gas' ? 'gas' : 'anyone', parts: [], torque: null }
}

interface Doing {
  remedy: Remedy
  faults: string[]
}

function workLine(catalogue: Catalogue, all: readonly Doing[], { remedy, faults }: Doing, { sums, ways }: JobContext): JobLine {
  const { id, label, minutes, access, skill, steps, seals, cautions } = remedy
  const belongs = all.flatMap((one) => one.remedy.alongside ?? []).find((one) => one.remedy === id)
  const said = (ways?.says ?? []).filter((one) => one.remedies.includes(id)).map((one) => one.step)
  return {
    ...{
      id: all.filter((one) => one.remedy.id === id).length > 1 ? `${id} ${faults.join('+')}` : id,
      remedy: id,
      kind: 'work',
      label,
      minutes: Math.max(0, minutes - accessMinutes[access]),
      faults,
      skill,
      seals,
      cautions,
    },
    role: faults.length > 0 ? roleIn(catalogue, all, faults) : 'alongside',
    because: belongs?.because ?? null,
    steps: [...steps, ...said],
    parts: remedy.parts.filter((part) => !seals.includes(part)),
    torque: remedy.torque ?? null,
    notes: notesOf(remedy.notes ?? [], sums),
  }
}

const faultsOf = ({ faults }: Catalogue, ids: readonly string[]): Fault[] => ids.flatMap((id) => faults.find((one) => one.id === id) ?? [])

/** What some faults are to all that are mended with them. */
function roleIn(catalogue: Catalogue, all: readonly Doing[], ids: readonly string[]): 'root' | 'consequence' | 'alone' {
  const own = faultsOf(catalogue, ids)
  const others = faultsOf(
    catalogue,
    all.flatMap((one) => one.faults).filter((id) => !ids.includes(id)),
  )
  if (own.some((one) => others.some((other) => linkTo(other, one) > 0))) return 'consequence'
  return own.some((one) => others.some((other) => linkTo(one, other) > 0)) ? 'root' : 'alone'
}

/** From what lies behind it to what the customer saw. */
function chainOf(catalogue: Catalogue, doing: readonly Doing[], lines: readonly JobLine[], { causes, complaints }: JobContext): ChainLink[] {
  const faults = faultsOf(catalogue, [...new Set(doing.flatMap((one) => one.faults))])
  const depth = (one: Fault) => faults.filter((other) => other !== one && linkTo(other, one) > 0).length
  const links = [...faults]
    .sort((a, b) => depth(a) - depth(b))
    .map((one): ChainLink => {
      const line = lines.findIndex((other) => other.faults.includes(one.id))
      return { role: roleIn(catalogue, doing, [one.id]), label: one.label, line: line < 0 ? null : line }
    })
  return [
    ...causes.slice(0, 1).map((label): ChainLink => ({ role: 'cause', label, line: null })),
    ...links,
    ...complaints.slice(0, 2).map((label): ChainLink => ({ role: 'complaint', label, line: null })),
  ]
}

const notesOf = (notes: readonly WorkNote[], sums: FillSum | null): JobNote[] =>
  notes.map(({ sum, ...note }, index) => {
    const [low, high] = sum && sums ? [sums[sum] - 0.1, sums[sum] + 0.1] : [note.low, note.high]
    const because = sum && sums ? sums.because : note.because
    return { ...note, step: index + 1, ...(low !== undefined && { low }), ...(high !== undefined && { high }), ...(because && { because }) }
  })

/** What a closed water system is charged and filled to, with what that comes to hot. */
export interface FillSum {
  /** of the vessel, its water side drained and open, bar */
  charge: number
  /** cold, bar */
  fill: number
  /** at the temperature of the flow, bar */
  hot: number
  because: string
}

/** cold pressure and charge of each school, bar: little, with room to expand; much, for those who will not touch it. Common practice; the margin of 0.3 bar from memory */
const fills = { low: { fill: 1.2, charge: 1 }, high: { fill: 1.5, charge: 1.2 } }
/** where a relief valve lifts, bar, and how near is too near. Common practice */
const lifts = 3
const tooNear = 0.3

/**
 * What the vessel is charged and the system filled to, by the firm's school, and what the gauge then says hot: by Boyle's law and the densities of water.
 *
 * @param known parameters somebody has said, by component and name
 * @returns null where the appliance has no vessel of its own or no closed water
 */
export function fillSumOf({ system }: Pick<Catalogue, 'system'>, known: Readonly<Record<string, number>>, school: 'low' | 'high' = 'low'): FillSum | null {
  const parameter = (component: string, name: string) =>
    known[`${component}.${name}`] ?? system.components.find((one) => one.id === component)?.parameters[name]?.value
  const [litres, vessel] = [parameter('system', 'volume'), parameter('vessel', 'volume')]
  if (litres === undefined || vessel === undefined) return null
  const { fill, charge } = fills[school]
  const hot = hotPressure({ litres, vesselLitres: vessel, preCharge: charge, fill }, 10, 70)
  const isKnown = known['system.volume'] !== undefined
  const left = vessel - vesselWater(vessel, charge, fill) - expansion(litres, 10, 70)
  const near = hot > lifts - tooNear || left <= 0
  return {
    ...{ charge, fill, hot },
    because: `${near ? 'Too much for this vessel' : `Then ${hot.toFixed(1)} bar hot`}, by the sum for ${Math.round(litres)} l${isKnown ? '' : ', assumed'}${near ? ': fill lower, or add a vessel' : ''}.`,
  }
}

/**
 * Parts with a bad record that a job reaches anyway: a later visit by its chance within a year against the part and its own minutes now.
 *
 * @param tried how often each remedy was carried out already: what is new does not fail yet
 * @returns what saves most first
 */
export function whileOpen(
  catalogue: Catalogue,
  job: readonly ChosenRemedy[],
  costs: Costs,
  prices: Readonly<Record<string, number>> = {},
  tried: ReadonlyMap<string, number> = new Map(),
): WhileOpen[] {
  const remedyOf = (id: string) => catalogue.remedies.find((one) => one.id === id)
  const doing = job.flatMap((one) => remedyOf(one.remedy) ?? [])
  const open = Math.max(0, ...doing.map((one) => accessMinutes[one.access]))
  const isDone = (remedy: Remedy) => tried.has(remedy.id) || doing.some((one) => one === remedy || one.mends.some((id) => remedy.mends.includes(id)))
  return (catalogue.badRecords ?? [])
    .flatMap((record: BadRecord): WhileOpen[] => {
      const remedy = remedyOf(record.remedy)
      if (!remedy || open === 0 || accessMinutes[remedy.access] > open || isDone(remedy)) return []
      const minutes = remedy.minutes - accessMinutes[remedy.access]
      const parts = remedy.parts.length > 0 ? remedy.parts.reduce((sum, part) => sum + (prices[part] ?? catalogue.prices?.[part] ?? 0), 0) : 0
      const price = parts > 0 ? parts : remedy.partsCost
      const later = record.perYear * (comingBack(costs) + price + timeCosts(costs, remedy.minutes))
      const now = price + timeCosts(costs, minutes)
      return [{ remedy: remedy.id, label: remedy.label, because: record.because, perYear: record.perYear, later, now, minutes, take: later > now }]
    })
    .sort((a, b) => b.later - b.now - (a.later - a.now))
}
