import type { NtcCurve } from '../../physics/index.ts'
import type { Phase, PhaseRecord, Reduce, Script } from '../../plant/index.ts'
import type { UnitSymbol } from '../../quantity/index.ts'
import type { BoilerSystem, Demand, SignalName } from '../../system/index.ts'
import type { Asked, Probe } from '../../wiring/index.ts'
import type { ClosingItem, Opening } from './closingItem.ts'
import type { BadRecord, WayInRow, WorkNote } from './work.ts'

/** A named run of the plant that checks are read from. */
export interface Run extends Script {
  id: string
  label: string
}

/** Hours and nights of the gauge that checks are read from. */
export interface Story {
  id: string
  label: string
  phases: Phase[]
}

/**
 * Where the true value behind a check comes from: never typed, always read. With `given` nothing can be read of a run in which that
 * signal is never on: "not reached".
 */
export type Read =
  | { run: string; signal: SignalName; reduce: Reduce; given?: SignalName }
  | { parameter: string }
  | { story: string; phase: number; take: keyof PhaseRecord | 'change' | 'climb' }

/** An instrument with its error: `absolute` in the check's unit, `relative` as a share of the reading. */
export interface Instrument {
  id: string
  label: string
  absolute: number
  relative: number
  /** words for what, isolated, cuts it off from what it measures */
  cutOffBy?: RegExp
  /** ranges it can be set to, smallest first: the unit and the highest reading of each */
  ranges?: { unit: UnitSymbol; upTo: number }[]
}

/** A result that is a number. */
export interface NumberResult {
  kind: 'number'
  unit: UnitSymbol
  read: Read
  instrument: string
  /** how far the model may be off the real appliance, in the unit (or as a ratio on a log scale) */
  width: number
  scale: 'linear' | 'log'
  /** below the first a voltage is dead, above the second live: within either band figures differ little, and a ghost is no other reading than nothing */
  bands?: readonly [dead: number, live: number]
  /** values that can occur at all on this check, for the width of "anything" and the pad's scale */
  range: [number, number]
  /** a reading outside is refused: it cannot be true */
  possible: [number, number]
  /** the read is a resistance factor: the reading is resistance at the pipe temperature given with it */
  thermistor?: { assumedCelsius: number; curve: NtcCurve }
}

/** A result that is one of several outcomes, decided from the simulation. */
export interface OutcomeResult {
  kind: 'outcome'
  outcomes: { id: string; label: string }[]
  /** outcomes it was answered with before they were told apart, and which of today’s each may have been */
  once?: { id: string; label: string; means: string[] }[]
  decide: { rules: { outcome: string; all: { read: Read; above?: number; below?: number }[] }[]; otherwise: string } | { index: Read[]; combine: 'min' | 'max' }
  /** chance that the observer reports another outcome; by which outcome is so, where a defect is overlooked more readily than one is seen that is not there */
  confusion: number | readonly number[]
}

/** A sign physics cannot give: how often it is met without any cause of it; faults say how often with. */
export interface CueResult {
  kind: 'cue'
  without: number
}

/** Ways of getting at something. Paid once a visit. `dead`: terminals opened, isolated and proved dead. */
export type Access = 'none' | 'caseOff' | 'live' | 'dead' | 'drained'

/** One thing an engineer can ask, look at, listen to, read, measure or try. */
export interface Check {
  id: string
  kind: 'ask' | 'look' | 'listen' | 'display' | 'measure' | 'try'
  label: string
  /** state the appliance must be in */
  situation: { demand: 'none' | 'heating' | 'hotWater'; tap?: 'full' | 'basin'; powerOff?: boolean; drained?: boolean }
  /** the stage of the sequence it tells about */
  concerns?: { demand: Demand; stage: string }
  /** how far along the call it tests, from the supply (0) to the boiler's demand terminal (1), and of which demand where it is not of all */
  along?: { place: number; demand?: 'heating' | 'hotWater' }
  /** where the instrument is put, when it matters */
  place?: string
  result: NumberResult | OutcomeResult | CueResult
  minutes: number
  access: Access
  cautions?: string[]
  how: string[]
  mistake?: string
  /** asks about the time before the visit: the answer stays what it was whatever is repaired */
  before?: boolean
  /** what of the past answers it, where that was written down: dated top-ups, two gauge readings a night apart, work on it, a code that came back */
  answeredBy?: 'topUps' | 'overnightChange' | 'recentWork' | 'codeReturned'
  /** runs this demand, from its call to its end: its last outcome says that it ran right through */
  runsThrough?: 'heating' | 'hotWater'
  /** checks that settle what is told here once they run right through; without any it is asked again */
  settledBy?: string[]
  /** another check its number cannot exceed, and what gives heat away between the two places */
  downstreamOf?: { check: string; what: string }
  /** its number is the difference between two places, taken with two instruments */
  isDifference?: true
  /** other checks that read the same thing at another place or with another instrument */
  sameAs?: string[]
  /** nothing can be read here once another check came out so: it is not asked for */
  blindBy?: { check: string; outcome: string }
  /** the part is seen, or tested alone: one reading may move the odds further */
  direct?: boolean
  /** what it must not read: a danger that stops the case, by these outcomes, or above or below this in its unit */
  unsafe?: { danger: string; outcomes?: string[]; above?: number; below?: number }
  /** a meter between two terminals of the wiring: read from the circuit instead of a run */
  probe?: ProbeSpec
}

/** Where a meter is put on the wiring, of what kind, and what is asked of the system meanwhile. */
export interface ProbeSpec {
  kind: 'volts' | 'continuity'
  over: string
  under: string
  meter: Probe
  asked: Asked
}

/** Mild to severe, or one fixed value. */
export type PatchValue = number | readonly [mild: number, severe: number]

/** What lies behind faults that like to come together. */
export type Background = 'dirtyWater' | 'poorInstallation' | 'neglect' | 'hardWater' | 'unfinished'

/** A component in a mode of failure, or a wrong state with no failed part. */
export interface Fault {
  id: string
  part: string
  label: string
  /** `state`: nothing has failed, something is set or shut wrongly */
  kind: 'failure' | 'state'
  patch: Record<string, PatchValue>
  /** call-outs in a thousand, assumed; by age of the appliance where it matters */
  per1000: number | { to5: number; to12: number; over12: number }
  /** probability of each cue when this fault is present */
  cues?: Record<string, number>
  remedies: string[]
  /** damage it does to other parts: how likely the other fault is once this one stands */
  damages?: Record<string, number>
  /** faults it hides: how likely someone worked round that other fault by leaving this state */
  hides?: Record<string, number>
  /** what it has in common with others */
  background?: Background[]
  /** checks that look for why a wrong state came about */
  causeChecks?: string[]
  /** how many times likelier it is on a version of a part; over all versions, by their shares, once */
  byVersion?: { fact: string; choice: string; times: number }[]
  /** the sizes of system and vessel make it likelier or not */
  bySize?: true
  /** too little or too much water, and nothing else: filling or letting out sets it right */
  setByFilling?: true
  /** it loses or gains water slowly: once the pressure is set right it shows again only after hours */
  slow?: true
  /** what it is a danger of: once found it is made safe before anything else */
  danger?: string
  /** besides what else it does it has let the pressure go: filling sets that right for the day, and the rest stays */
  lostPressure?: true
}

/** Who may do a job. */
export type Skill = 'anyone' | 'heating' | 'gas' | 'electrical' | 'unvented'

/** A way of mending. */
export interface Remedy {
  id: string
  label: string
  mends: string[]
  works: number
  minutes: number
  partsCost: number
  parts: string[]
  /** seals and washers that must be new */
  seals: string[]
  access: Access
  skill: Skill
  steps: string[]
  cautions: string[]
  /** cheap checks of what looks alike, which come before a dear part is condemned: with the faults each of them shows */
  before?: { check: string; faults: string[] }[]
  /** what it opens besides what has to be got at */
  opens?: Opening[]
  /** it mends only the one that is named: one conductor, one joint */
  each?: true
  /** what a version of a part adds to the job */
  byVersion?: { fact: string; choice: string; minutes: number; step: string; opens?: Opening[] }[]
  /** what belongs to the same job, with why and the chance that leaving it out brings the fault back */
  alongside?: { remedy: string; because: string; comesBack: number }[]
  /** what must be noted while it is done */
  notes?: WorkNote[]
  /** how tight, in words with their source */
  torque?: string
}

/** The whole appliance new, to weigh a repair against. */
export interface Replacement {
  label: string
  minutes: number
  partsCost: number
  /** how long one lasts, years */
  years: number
}

/** A complaint of the customer's, as answers to checks. */
export interface Complaint {
  id: string
  label: string
  /** what it is about, where complaints are listed */
  about?: 'hotWater' | 'heating' | 'water' | 'running'
  evidence: { check: string; outcome: string }[]
  /** the demand it shows with, where what was told is not settled by running one */
  with?: 'heating' | 'hotWater'
  /** checks of the trade for it that come early, being quick and telling much: among the first that are offered while they tell anything */
  early?: string[]
  /** something runs although nothing was asked */
  unasked?: true
  /** danger: everything else stops */
  danger?: string
}

/** Something that comes before any diagnosis. */
export interface Danger {
  id: string
  label: string
  /** what to ask where words leave it open */
  ask: string
  say: string[]
  act: string[]
}

/** A danger as it is said: words of these families together in one sentence, none of them denied. */
export interface DangerSign {
  danger: string
  /** families that must all be there; alternatives with | between them */
  all: string[]
  /** how many words each may stand from the first, default 8 */
  within?: number
  /** they must follow each other in this order */
  inOrder?: true
  /** families that make it innocent wherever they stand in the sentence */
  unless?: string[]
  /** too little to be sure: it is asked about */
  ask?: true
}

/** How people speak of danger. */
export interface Speech {
  /** words of one sense: compared by their stems, or as written where a row begins with "="; a longer phrase hides a shorter one under it */
  families: Record<string, string[]>
  signs: DangerSign[]
  /** families that stand in one list under one denial: "no smell, soot or fumes" */
  listed: string[]
}

/** A fact that narrows the configuration. */
export interface FactKind {
  id: string
  label: string
  type: 'number' | 'choice' | 'text'
  /** asked about of the appliance itself, on the telephone or in front of it: what is so for years, or only on the day */
  ofAppliance?: 'lasting' | 'passing'
  unit?: UnitSymbol
  /** with the share of appliances that have it, where odds depend on it */
  choices?: { id: string; label: string; share?: number; /** parameters it fixes */ sets?: Record<string, number> }[]
  /** the parameter it fixes, `age`, `version` for which version of a part is fitted, or `label` for what is only written down */
  narrows: string
}

/** An act that puts a wrong state right, or changes the situation readings are made in until it is undone. */
export interface ActionKind {
  id: string
  label: string
  /** what it puts right; where an act names a part, what it puts right of that part */
  mends?: string[]
  /** chance that it does, where that is not nearly certain */
  works?: number
  /** how it is undone, in words; an act without stands for good */
  undo?: string
  /** faults that are out of the way while it stands: these, or all of the part it names */
  aside?: string[] | 'part'
  /** readings it makes doubtful while it stands */
  bars?: { demand: 'heating' | 'hotWater' | 'any'; /** checks it does not bar, being part of them */ except?: string[] }
  caution?: string
  /** how it is done, from the first hand on it to its being recorded */
  steps?: string[]
  /** what to do while it stands, and what follows from what is seen */
  then?: string[]
  /** what has to be said of it besides that it was done: the part, or the conductor and where it went */
  names?: 'part' | 'conductor'
  /** the water side is empty while it stands */
  drains?: true
  /** nothing dangerous is left as it was: it lifts a stop */
  makesSafe?: true
  /** somebody asked about the danger it names, and there is none */
  rulesOut?: true
}

/** A part of an appliance as it is talked of. */
export interface Part {
  id: string
  label: string
  /** the thing it belongs to, where several are talked of as one */
  of?: string
}

/** Everything the reasoning is given about one kind of boiler. */
export interface Catalogue {
  system: BoilerSystem
  runs: Run[]
  stories: Story[]
  parts: Part[]
  faults: Fault[]
  checks: Check[]
  remedies: Remedy[]
  instruments: Instrument[]
  complaints: Complaint[]
  dangers: Danger[]
  speech: Speech
  facts: FactKind[]
  actions: ActionKind[]
  /** what must stand in the record before closing */
  closing: ClosingItem[]
  replacement?: Replacement
  /** what parts and seals cost by themselves, where that is known */
  prices?: Record<string, number>
  /** how it is got at: what every job of it begins and ends with */
  waysIn?: WayInRow[]
  /** parts worth a thought while it is open */
  badRecords?: BadRecord[]
  /** pairs with different remedies that no check of this catalogue parts, and why */
  inseparable: { faults: [string, string]; why: string }[]
  /** states that are no fault of the boiler, and the share of call-outs nobody has a name for */
  prior: {
    nothingWrong: number
    noDemand: number
    unlisted: number
    /** how readily a second, unrelated fault stands beside the first, against pure chance */
    coincidence: number
    /** how many times readier faults of one background stand together */
    sharedBackground: number
    /** of one background by itself, where it is another: what was never finished has several open ends */
    ownBackground?: Partial<Record<Background, number>>
    noDemandPatches: Record<string, number>[]
  }
}
