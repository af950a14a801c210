import type { Payload } from '../casebook/index.ts'
import { combined, confusionAt, patched, readChecks, seenAlike, simulatedChecks, type Catalogue, type Check, type Fault } from '../diagnosis/index.ts'
import { thermistorResistance } from '../physics/index.ts'
import { convert } from '../quantity/index.ts'
import { nominal, parametersOf, type Parameters } from '../system/index.ts'
import { chanceFrom, type Chance } from '../chance/index.ts'

/** How far the truth may differ from the model that judges it. */
export interface Mismatch {
  /** integration step of the true plant, s */
  step: number
  /** odds of each fault are off by up to this factor, either way */
  oddsOff: number
  /** share of cases whose fault is on no list */
  unlisted: number
  /** readings off by this many times the model's own discrepancy width, one draw a check and case */
  discrepancy: number
  /** a clamp sits a little off: it reads low by this, °C, in the mean */
  clampLow: number
  /** share of readings that are plain mistakes */
  mistakes: number
  /** what makes it harder than the catalogue's own world */
  harder?: Harder
}

/** What real cases have that none of the catalogue's own has: shares, 0 to 1. */
interface Harder {
  /** faults worse than the worst of the catalogue, by up to half its range */
  beyond: number
  /** numbers told in a word: too low, right, too high */
  words: number
  /** cases with three faults or four */
  threes: number
  /** cases where something else is wrong too and seen by the way; nobody rang about it */
  besides: number
  /** where the wiring is known: cases where it was never finished, with two or three open ends */
  unfinished: number
  /** versions of parts that are told */
  versions: number
  /** calls told in the customer's own words, heard as the app hears them */
  spoken: number
}

/** The truth as different from the model as a real boiler is taken to be; and the model itself, for comparison. */
export const mismatched: Mismatch = { step: 0.25, oddsOff: 3, unlisted: 0.05, discrepancy: 1, clampLow: 1.2, mistakes: 0.01 }
export const harder: Mismatch = {
  ...mismatched,
  harder: { beyond: 0.3, words: 0.2, threes: 0.15, besides: 0.2, unfinished: 0.2, versions: 0.5, spoken: 0.5 },
}
export const matched: Mismatch = { step: 0.5, oddsOff: 1, unlisted: 0, discrepancy: 0, clampLow: 0, mistakes: 0.01 }

/** What kind of case was drawn. */
export type CaseKind = 'single' | 'pair' | 'chain' | 'more' | 'unfinished' | 'unlisted'

/** One drawn case: an appliance with faults nobody is told of, and whoever reads it. */
export interface Truth {
  kind: CaseKind
  /** what stands, by index in the catalogue; empty when all is mended */
  standing: number[]
  /** what stood when the engineer came */
  found: readonly number[]
  /** of these, what was only seen by the way: nobody rang about it */
  besides: readonly number[]
  /** versions of parts that are told */
  facts: { fact: string; value: string }[]
  /** complaints the case was opened with, the first the one they rang about */
  complaints: string[]
  /** catalogue as the engineer has it: without the fault, when that is on no list */
  catalogue: Catalogue
  /** reads a check on the appliance as it is now */
  read: (check: Check) => Payload<'reading'>
  /** which of what stands a look shows, where several things look so: it is seen which of them it is */
  which: (check: Check) => readonly number[]
  /** does a remedy, where it mends one at a time on the faults named; returns the faults it was meant for and that stood */
  mend: (remedy: string, named?: readonly string[]) => number[]
}

/**
 * Draws a case: faults by odds, an appliance within the healthy spread, and a complaint that these faults give rise to.
 *
 * @param pairs share of cases with two faults; half of them by damage or workaround, where the catalogue has such links
 * @param heard complaints that are heard where one is told in the customer's own words
 */
export function drawTruth(catalogue: Catalogue, seed: number, pairs: number, off: Mismatch, heard?: (complaint: string, pick: number) => string[]): Truth {
  const chance = chanceFrom(seed)
  const oddsOff = catalogue.faults.map(() => Math.exp(chance.between(-Math.log(off.oddsOff), Math.log(off.oddsOff))))
  const odds = catalogue.faults.map(
    ({ per1000 }, index) => oddsOff[index]! * (typeof per1000 === 'number' ? per1000 : (per1000.to5 + per1000.to12 + per1000.over12) / 3),
  )
  for (;;) {
    const fitted = off.harder ? versionsOf(catalogue, chance) : new Map<string, string>()
    const here = odds.map((one, index) => one * timesOn(catalogue.faults[index]!, fitted))
    const { kind, faults } = drawFaults(catalogue, chance, here, pairs, off)
    const seen = off.harder && kind !== 'unlisted' && chance.happens(off.harder.besides) ? seenBesides(catalogue, chance, here, faults) : []
    const plant = appliance(catalogue, chance, [...faults, ...seen], off.harder?.beyond)
    const usual = reading(catalogue, chance, off, { ...plant, severity: new Map() }, []).noiseless
    // an appliance of the spread that would not run right without any fault is no case of this kind
    if (!runsRight(catalogue, usual)) continue
    // what somebody would ring about is not seen by the way
    const besides = seen.filter((fault) => !callable(catalogue, chance, off, plant, fault, usual))
    const all = [...faults, ...besides]
    const reader = reading(catalogue, chance, off, plant, all)
    const complaints = complaintsOf(catalogue, chance, reader.noiseless, usual)
    // what gives nobody a reason to call is no case; of two faults each must be one by itself
    if (complaints.length === 0 || (faults.length > 1 && !faults.every((fault) => callable(catalogue, chance, off, plant, fault, usual)))) continue
    const spoken = off.harder && heard && chance.happens(off.harder.spoken) ? heard(complaints[0]!, chance.uniform()) : []
    const told = off.harder ? [...fitted].filter(() => chance.happens(off.harder!.versions)) : []
    const hidden = kind === 'unlisted' ? without(catalogue, faults[0]!) : catalogue
    const truth: Truth = {
      kind,
      standing: all,
      found: [...all],
      besides,
      facts: told.map(([fact, value]) => ({ fact, value })),
      complaints: spoken.length > 0 ? spoken : complaints,
      catalogue: hidden,
      read: reader.read,
      which: (check) => {
        const alike = off.harder && kind !== 'unlisted' ? seenAlike(catalogue, check) : []
        return truth.standing.filter((fault) => alike.includes(catalogue.faults[fault]!))
      },
      mend: (id, named = []) => {
        const remedy = catalogue.remedies.find((one) => one.id === id)!
        const mends = remedy.each && named.length > 0 ? named : remedy.mends
        const meant = truth.standing.filter((fault) => mends.includes(catalogue.faults[fault]!.id) && !(kind === 'unlisted'))
        if (meant.length > 0 && chance.happens(remedy.works)) {
          truth.standing = truth.standing.filter((fault) => !meant.includes(fault))
          reader.now(truth.standing)
        }
        // whatever still leaks, the pressure is right for the rest of the day; what was drained is filled again
        const fills = remedy.access === 'drained' || remedy.mends.some((id) => catalogue.faults.find((one) => one.id === id)?.setByFilling)
        if (off.harder && fills) {
          reader.filled()
          reader.now(truth.standing)
        }
        return meant
      },
    }
    return truth
  }
}

function drawFaults(
  catalogue: Catalogue,
  chance: Chance,
  odds: readonly number[],
  pairs: number,
  { unlisted, harder: more }: Pick<Mismatch, 'unlisted' | 'harder'>,
): { kind: CaseKind; faults: number[] } {
  const first = chance.weighted(odds)
  if (chance.happens(unlisted)) return { kind: 'unlisted', faults: [first] }
  if (more) {
    const open = catalogue.faults.flatMap((fault, index) => (fault.background?.includes('unfinished') ? [index] : []))
    if (open.length > 2 && chance.happens(more.unfinished)) return { kind: 'unfinished', faults: severalOf(chance, open, chance.happens(0.4) ? 3 : 2) }
    if (chance.happens(more.threes)) return { kind: 'more', faults: grown(catalogue, chance, odds, [first], chance.happens(0.3) ? 4 : 3) }
  }
  if (!chance.happens(pairs)) return { kind: 'single', faults: [first] }
  const indexOf = new Map(catalogue.faults.map((fault, index) => [fault.id, index]))
  if (chance.happens(0.5)) {
    const links = catalogue.faults.flatMap((fault, from) => [
      ...Object.entries(fault.damages ?? {}).flatMap(([id, share]) => [[from, indexOf.get(id)!, odds[from]! * share]] as const),
      ...Object.entries(fault.hides ?? {}).flatMap(([id, share]) => [[indexOf.get(id)!, from, odds[indexOf.get(id)!]! * share]] as const),
    ])
    if (links.length > 0) {
      const [from, to] = links[chance.weighted(links.map((one) => one[2]))]!
      if (!clash(catalogue.faults[from]!, catalogue.faults[to]!)) return { kind: 'chain', faults: [from, to].sort((a, b) => a - b) }
    }
  }
  const others = odds.map((one, index) => {
    if (index === first || clash(catalogue.faults[first]!, catalogue.faults[index]!)) return 0
    const shared = catalogue.faults[first]!.background?.some((ground) => catalogue.faults[index]!.background?.includes(ground))
    return one * (shared ? catalogue.prior.sharedBackground : 1)
  })
  return { kind: 'pair', faults: [first, chance.weighted(others)].sort((a, b) => a - b) }
}

/** So many of a list, each once, in order. */
function severalOf(chance: Chance, list: readonly number[], many: number): number[] {
  const left = [...list]
  const taken: number[] = []
  while (taken.length < many && left.length > 0) taken.push(...left.splice(Math.floor(chance.uniform() * left.length), 1))
  return taken.sort((a, b) => a - b)
}

/** A set that grows by what its faults damage or hide, and by what shares their background, to so many. */
function grown({ faults, prior }: Catalogue, chance: Chance, odds: readonly number[], from: readonly number[], many: number): number[] {
  const set = [...from]
  while (set.length < many) {
    const weights = faults.map((fault, index) => {
      if (set.some((one) => clash(faults[one]!, fault))) return 0
      const linked = set.reduce((sum, one) => sum + (faults[one]!.damages?.[fault.id] ?? 0) + (fault.hides?.[faults[one]!.id] ?? 0), 0)
      const shared = set.some((one) => faults[one]!.background?.some((ground) => fault.background?.includes(ground)))
      return odds[index]! * (shared ? prior.sharedBackground : 1) * 0.02 + linked * 5
    })
    set.push(chance.weighted(weights))
  }
  return set.sort((a, b) => a - b)
}

/** Something else that is wrong and seen by the way: something that has a sign or leaks, of another part. */
function seenBesides(catalogue: Catalogue, chance: Chance, odds: readonly number[], faults: readonly number[]): number[] {
  const weights = catalogue.faults.map((fault, index) =>
    Object.keys(fault.cues ?? {}).some((id) => id.startsWith('look.')) && !faults.some((one) => clash(catalogue.faults[one]!, fault)) ? odds[index]! : 0,
  )
  return weights.some((one) => one > 0) ? [chance.weighted(weights)] : []
}

/** Which version of each part is fitted, by their shares. */
function versionsOf({ facts }: Catalogue, chance: Chance): Map<string, string> {
  const kinds = facts.filter((one) => one.narrows === 'version')
  return new Map(kinds.map(({ id, choices = [] }) => [id, choices[chance.weighted(choices.map((one) => one.share ?? 1))]!.id]))
}

const timesOn = ({ byVersion = [] }: Pick<Fault, 'byVersion'>, fitted: ReadonlyMap<string, string>) =>
  byVersion.reduce((product, { fact, choice, times }) => (fitted.get(fact) === choice ? product * times : product), 1)

const clash = (a: Fault, b: Fault) => a === b || Object.keys(a.patch).some((key) => key in b.patch)

/** A healthy appliance of the spread, other than any the model has drawn, with how severe each fault is. */
function appliance(catalogue: Catalogue, chance: Chance, faults: readonly number[], beyond = 0) {
  const healthy: Parameters = nominal(catalogue.system)
  for (const [key, { value, spread, min = -Infinity, max = Infinity }] of parametersOf(catalogue.system))
    if (spread !== undefined) healthy[key] = Math.min(max, Math.max(min, value + spread * Math.max(-2.2, Math.min(2.2, chance.normal()))))
  // no draw is made where none is wanted: cases of a seed stay the same
  const severity = new Map(faults.map((fault) => [fault, beyond > 0 && chance.happens(beyond) ? 1 + 0.5 * chance.uniform() : chance.uniform()]))
  return { healthy, severity }
}

type Appliance = ReturnType<typeof appliance>

/** Reads checks off the true appliance, as an engineer with instruments does. */
function reading(catalogue: Catalogue, chance: Chance, off: Mismatch, { healthy, severity }: Appliance, faults: readonly number[]) {
  const fine = { ...catalogue, runs: catalogue.runs.map((run) => ({ ...run, step: off.step })) }
  const columns = new Map(simulatedChecks(catalogue).map((check, index) => [check.id, index]))
  const instruments = new Map(catalogue.instruments.map((one) => [one.id, one]))
  const odd = new Map<string, number>()
  let standing: readonly number[] = []
  let values: number[] = []
  let filled = false
  const patchOf = (index: number): Parameters => {
    const fault = catalogue.faults[index]!
    const { 'water.pressure': pressure, ...rest } = patched(fault, severity.get(index) ?? 0.5)
    return pressure === undefined || (filled && (fault.slow || fault.lostPressure)) ? rest : { ...rest, 'water.pressure': pressure }
  }
  const now = (left: readonly number[]) => {
    standing = left
    values = readChecks(
      fine,
      combined(
        healthy,
        left.map((fault) => within(catalogue, patchOf(fault))),
      ),
    )
  }
  now(faults)
  const asFound = values
  let sound: number[] | undefined
  /** what the appliance would read without any fault */
  const usual = () => (sound ??= readChecks(fine, healthy))
  /** what is off about a check in this house stays off all day */
  const offBy = (check: Check) => {
    let by = odd.get(check.id)
    if (by === undefined) odd.set(check.id, (by = chance.normal()))
    return by
  }
  const noiseless = (check: Check): string | null => {
    if (check.result.kind === 'cue') return cueIn(catalogue, check, standing, 1) > 0.5 ? 'yes' : 'no'
    const value = values[columns.get(check.id)!]!
    return check.result.kind === 'outcome' && !Number.isNaN(value) ? (check.result.outcomes[value]?.id ?? null) : null
  }
  /** what was said of the time before the visit is said again in the same words */
  const told = new Map<string, Payload<'reading'>>()
  const read = (check: Check): Payload<'reading'> => {
    if (!check.before) return readNow(check, standing, values)
    const said = told.get(check.id) ?? readNow(check, faults, asFound)
    told.set(check.id, said)
    return said
  }
  const readNow = (check: Check, standing: readonly number[], values: readonly number[]): Payload<'reading'> => {
    const { result } = check
    const base = { check: check.id, situation: situationOf(check) }
    const mistaken = chance.happens(off.mistakes)
    if (result.kind === 'cue') {
      const yes = chance.happens(cueIn(catalogue, check, standing, Math.exp(0.5 * offBy(check) * Math.min(off.discrepancy, 1))))
      return { ...base, outcome: yes !== mistaken ? 'yes' : 'no' }
    }
    const value = values[columns.get(check.id)!]!
    if (Number.isNaN(value)) return { ...base, outcome: 'notReached' }
    if (result.kind === 'outcome') {
      const said =
        mistaken || chance.happens(confusionAt(result, value)) ? chance.pick(result.outcomes.filter((_one, index) => index !== value)) : result.outcomes[value]
      return { ...base, outcome: (said ?? result.outcomes[0]!).id }
    }
    const { absolute, relative } = instruments.get(result.instrument) ?? { absolute: 0, relative: 0 }
    const clamp = result.instrument === 'clamp' ? -Math.abs(off.clampLow * offBy(check)) : 0
    let said: number
    if (result.scale === 'log') said = value * Math.exp(off.discrepancy * result.width * offBy(check) + relative * chance.normal())
    else said = value + clamp + off.discrepancy * result.width * offBy(check) + (absolute + relative * Math.abs(value)) * chance.normal()
    if (result.thermistor) {
      const ohms = Math.min(said * thermistorResistance(result.thermistor.assumedCelsius, result.thermistor.curve), 9e6)
      return {
        ...base,
        value: clamped(convert(ohms, 'Ω', result.unit), result.possible),
        unit: result.unit,
        situation: { ...base.situation, temperature: { value: result.thermistor.assumedCelsius, unit: '°C' } },
      }
    }
    if (mistaken) said = chance.between(...result.range)
    else if (off.harder && chance.happens(off.harder.words)) {
      const word = wordFor(check, said, usual()[columns.get(check.id)!]!, absolute + relative * Math.abs(value))
      if (word) return { ...base, outcome: word }
    }
    return { ...base, value: clamped(said, result.possible), unit: result.unit }
  }
  return { read, noiseless, now, filled: () => (filled = true) }
}

/** A fault worse than the catalogue's worst, within what there can be. */
function within(catalogue: Catalogue, changes: Parameters): Parameters {
  const bounds = new Map(parametersOf(catalogue.system).map(([key, one]) => [key, one]))
  return Object.fromEntries(
    Object.entries(changes).map(([key, value]) => {
      const { min = -Infinity, max = Infinity } = bounds.get(key) ?? {}
      return [key, Math.min(max, Math.max(min, value))]
    }),
  )
}

/** What is said of a number without a figure, by somebody who knows what it should be; null where it should not be there at all. */
function wordFor({ result }: Check, said: number, usual: number, error: number): string | null {
  if (result.kind !== 'number' || Number.isNaN(usual)) return null
  const [is, was] = result.scale === 'log' ? [Math.log(Math.max(said, 1e-12)), Math.log(Math.max(usual, 1e-12))] : [said, usual]
  const spread = result.scale === 'log' ? Math.hypot(result.width, error / Math.max(Math.abs(said), 1e-9)) : Math.hypot(result.width, error)
  return is < was - 2.5 * spread ? 'tooLow' : is > was + 2.5 * spread ? 'tooHigh' : 'right'
}

const clamped = (value: number, [low, high]: readonly [number, number]) => Math.min(Math.max(value, low), high)

function situationOf(check: Check): NonNullable<Payload<'reading'>['situation']> {
  const { demand, powerOff, drained } = check.situation
  return { demand, ...(powerOff && { powerOff }), ...(drained && { drained }) }
}

/** Chance of a sign: with its causes, and without any. */
function cueIn(catalogue: Catalogue, check: Check, standing: readonly number[], baseOff: number): number {
  if (check.result.kind !== 'cue') return NaN
  let no = 1 - Math.min(check.result.without * baseOff, 0.6)
  for (const fault of standing) no *= 1 - (catalogue.faults[fault]!.cues?.[check.id] ?? 0)
  return 1 - no
}

type Said = (check: Check) => string | null

/** share of what else is wrong that the customer thinks of telling */
const alsoTold = 0.6

/** What the customer rings about: a complaint all of whose parts are so and were not before, the fuller the likelier; then what else they tell. */
function complaintsOf(catalogue: Catalogue, chance: Chance, said: Said, usual: Said): string[] {
  const checks = new Map(catalogue.checks.map((check) => [check.id, check]))
  const fitting = catalogue.complaints.filter(
    ({ danger, evidence }) =>
      !danger && evidence.length > 0 && evidence.every(({ check, outcome }) => said(checks.get(check)!) === outcome && usual(checks.get(check)!) !== outcome),
  )
  if (fitting.length === 0) return []
  const first = fitting[chance.weighted(fitting.map((one) => (one.evidence.length > 1 ? 4 : 1)))]!
  const asked = new Set(first.evidence.map((one) => one.check))
  const others = fitting.filter((one) => one !== first && !one.evidence.some(({ check }) => asked.has(check)) && chance.happens(alsoTold))
  return [first, ...others].map((one) => one.id)
}

const healthyAnswers = new WeakMap<Catalogue, Map<string, string | null>>()

/** Whether what proves a repair reads on an appliance without faults as it does on the nominal one. */
function runsRight(catalogue: Catalogue, usual: Said): boolean {
  const checks = catalogue.checks.filter((check) => (check.settledBy ?? check.runsThrough) && check.result.kind === 'outcome')
  let nominalSays = healthyAnswers.get(catalogue)
  if (!nominalSays) {
    const said = reading(catalogue, chanceFrom(1), matched, { healthy: nominal(catalogue.system), severity: new Map() }, []).noiseless
    healthyAnswers.set(catalogue, (nominalSays = new Map(checks.map((check) => [check.id, said(check)]))))
  }
  return checks.every((check) => usual(check) === nominalSays.get(check.id))
}

/** Whether one fault alone would make somebody call. */
function callable(catalogue: Catalogue, chance: Chance, off: Mismatch, plant: Appliance, fault: number, usual: Said): boolean {
  return complaintsOf(catalogue, chance, reading(catalogue, chance, off, plant, [fault]).noiseless, usual).length > 0
}

/** The catalogue without one fault, as far as the odds go: its rows stay, so that signatures fit. */
function without(catalogue: Catalogue, fault: number): Catalogue {
  return { ...catalogue, faults: catalogue.faults.map((one, index) => (index === fault ? { ...one, per1000: 1e-12, damages: {}, hides: {} } : one)) }
}
