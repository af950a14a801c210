import type { UnitSymbol } from '../../quantity/index.ts'
import type { Access, Check, Skill } from './catalogue.ts'
import type { RecordItem } from './closingItem.ts'
import type { ChosenRemedy, Job, WhileOpen } from './job.ts'

/** Reason to do nothing but make safe. */
export interface Stop {
  danger: string
  label: string
  entry: string
  /** what it was heard in or read from, in words */
  because: string
  /** what to say to the customer, before anything */
  say: string[]
  act: string[]
  /** what else is dangerous, besides */
  others: { danger: string; label: string; because: string; entry: string }[]
}

/** Words that may speak of danger: somebody is to be asked. */
export interface DangerQuestion {
  danger: string
  question: string
  entry: string
  /** the words it was heard in */
  words: string
}

/** A set of faults, or one of the standing alternatives, with its probability. */
export interface Suspect {
  /** stable key: `nothingWrong`, `noDemand`, `unlisted`, or fault ids joined by + */
  key: string
  faults: string[]
  label: string
  probability: number
  prior: number
  /** the complaints it may have brought about; null where nothing was complained of that any fault brings about, or it is no set of faults */
  explains: string[] | null
  /** root and consequence told apart */
  origins: Origin[]
  /** what stands behind the odds of each fault before any reading */
  odds: Odds[]
  /** what each piece of evidence did to it, most telling first */
  account: { check: string; label: string; entries: string[]; times: number; says: string }[]
}

/** A part with what the evidence says of it. */
export interface PartState {
  id: string
  label: string
  /** the thing it belongs to, where several are talked of as one */
  of?: string
  probability: number
  state: 'good' | 'bad' | 'untested'
  /** what proved it good, most telling first */
  provenBy: { check: string; label: string; entries: string[] }[]
}

/** Where one suspect says a reading will fall. */
export interface Expected {
  suspect: string
  label: string
  probability: number
  /** for outcomes and cues: chance of each */
  outcomes?: Record<string, number>
  /** for numbers: where the simulated plants fall, in the check's unit (a thermistor's: a factor of its chart), with weight and spread on the check's scale */
  points?: { value: number; weight: number; spread: number }[]
  /** for numbers: the middle and nine tenths of what is expected, in `unit`; a thermistor's at the pipe temperature assumed for it */
  reading?: { low: number; typical: number; high: number; unit: UnitSymbol }
  /** chance that the state the reading is taken in is never reached */
  notReached: number
}

/** A check worth doing next. */
export interface NextCheck {
  check: string
  label: string
  kind: Check['kind']
  bits: number
  minutes: number
  /** expected cost from here to a proven repair if this is done next, money; null where it was not looked at ahead */
  cost: number | null
  access: Access
  /** suspects it parts, as labels */
  parts: string[]
  expected: Expected[]
}

/** What shows that a repair holds, and whether it did. */
export interface Proof {
  check: string
  label: string
  /** the demand it runs right through; null where it is asked again */
  demand: 'heating' | 'hotWater' | null
  /** the entry that last said so since the repair */
  entry: string | null
  /** whether that is what a sound boiler gives; null before anything was said */
  passed: boolean | null
}

/** What may stand now: hypotheses that call for the same remedies, named by the likeliest of them. */
export interface Standing {
  kind: 'faults' | 'nothingWrong' | 'noDemand' | 'unlisted' | 'rare'
  remedies: string[]
  key: string
  faults: string[]
  label: string
  probability: number
}

/** A suspect that reads like the leader so far. */
export interface LookAlike {
  suspect: string
  label: string
  probability: number
  separatedBy: { check: string; label: string; minutes: number } | null
}

/** A way of mending the leader. */
export interface RemedyOption {
  id: string
  label: string
  mends: string[]
  minutes: number
  money: number
  chanceOfReturn: number
  parts: string[]
  /** of the parts, those that must be new whenever this is done */
  seals: string[]
  access: Access
  skill: Skill
  steps: string[]
  cautions: string[]
  /** why it does not fit, if it does not */
  unfit: string | null
}

/** One job of a plan. */
export interface PlanStep {
  remedy: string
  label: string
  /** the faults it is for, as ids and in words; none where it only belongs to the job */
  faults: string[]
  for: string[]
  /** what the fault it is for is to the others; `alongside` where the step belongs to another's job */
  role: Origin['role'] | 'alongside'
  /** why it belongs to the job */
  because: string | null
  minutes: number
  access: Access
  skill: Skill
  /** parts besides the seals that are new whenever this is done */
  parts: string[]
  seals: string[]
  steps: string[]
  cautions: string[]
}

/** One way to mend everything that is likeliest to stand, as one job with one time and one price. */
export interface Plan {
  id: 'firm' | 'usual' | 'cheapest' | 'lasting'
  steps: PlanStep[]
  /** what has to be got at counted once */
  minutes: number
  savedMinutes: number
  money: number
  parts: string[]
  chanceOfReturn: number
  /** what the chance of return is made of, the largest first */
  because: { says: string; share: number }[]
}

/** The whole appliance new against a repair. */
export interface ReplacementSum {
  label: string
  money: number
  minutes: number
  years: number
  /** years, as told; null where nobody said */
  age: number | null
  /** how many years the old one has left, at the usual life of one; at least one */
  yearsLeft: number
  /** money a year of service: of the repair with its chance of return, of the new one */
  perYear: { repair: number; replacement: number }
  cheaper: 'repair' | 'replacement'
  /** the plan it is weighed against */
  plan: Plan['id']
  /** why it is worth a thought */
  because: string
}

/** The verdict, when one part stands out. */
export interface Verdict {
  part: string
  label: string
  probability: number
  modes: { fault: string; label: string; probability: number }[]
}

/** What lies behind a fault that seldom arises alone: to be found, or it comes back. */
export interface Cause {
  fault: string
  label: string
  /** how likely the fault stood, alone or with others */
  probability: number
  /** what may have brought it about: another fault with its share, or what to look at; and the check that shows it, null where none is left */
  by: { fault: string | null; label: string; probability: number | null; check: { check: string; label: string } | null }[]
  /** the same in words */
  lookFor: string[]
}

/** A part that may be needed, and the sum behind carrying it. */
export interface Carried {
  part: string
  probability: number
  /** its price; what the repair it is for costs in parts, where that is not known */
  price: number
  /** what must be new whenever it is fitted */
  seals: string[]
  /** money: its chance of being needed times a second trip, against taking it along for nothing */
  saved: number
  carrying: number
  take: boolean
}

/** How long a visit will take. */
export interface OnSite {
  /** minutes that half of such visits, a tenth and nine tenths take no longer than */
  typical: number
  low: number
  high: number
  /** the share of visits that end about so many minutes in, every five minutes */
  hill: { minutes: number; share: number }[]
  /** what makes it long: the longest repair that is not unlikely */
  long: { label: string; minutes: number } | null
}

/** Everything the reasoning has to say about a journal. */
export interface Diagnosis {
  stop: Stop | null
  /** what words left open: to be asked before anything else */
  questions: DangerQuestion[]
  verdict: Verdict | null
  /** likeliest first, down to a thousandth; the leading ones with their account */
  suspects: Suspect[]
  /** of every fault of the catalogue how likely it stood when the system was found, alone or with others; empty while something dangerous stands */
  faults: Record<string, number>
  /** two faults at once: their share of the belief, and the likeliest pair */
  several: { probability: number; likeliest: string } | null
  parts: PartState[]
  findings: { entry: string; what: string; explainsComplaint: boolean | null }[]
  causes: Cause[]
  open: { entry: string; complaint: string; label: string }[]
  next: NextCheck[]
  /** what may stand now, after what was repaired */
  standing: Standing[]
  /** whether going on checking costs less than acting on what is known, and on what: expected money either way, the right repair itself not counted */
  advice: {
    does: 'check' | 'act'
    kind: Standing['kind']
    remedies: string[]
    /** the one reading acting hangs on: to be taken again first */
    again: { check: string; label: string } | null
    /** owed before that: cheap checks of what looks the same before it is condemned, the demand that failed before nothing more is wrong */
    first: { check: string; label: string }[]
    acting: number
    going: number | null
  } | null
  lookalikes: LookAlike[]
  remedies: RemedyOption[]
  /** ways to mend the whole of the likeliest set as one job, best first */
  plans: Plan[]
  /** each plan as it is worked through */
  jobs: { plan: string; remedies: ChosenRemedy[]; job: Job }[]
  /** the plan somebody chose, as it was then: it stays so while it is worked through */
  chosen: { entry: string; plan: string; remedies: ChosenRemedy[]; job: Job } | null
  /** parts with a bad record that the job reaches anyway */
  whileOpen: WhileOpen[]
  /** the whole appliance new against the best plan, where that is worth a thought */
  replacement: ReplacementSum | null
  /** parts that may be needed, the likeliest first, with whether each is worth carrying */
  carry: Carried[]
  /** bits each check not made yet tells about what was complained of; what tells next to nothing is left out */
  telling: Record<string, number>
  /** how long a visit will take; null once something has been put right */
  onSite: OnSite | null
  /** what shows that a repair holds */
  proofs: Proof[]
  /** what must stand in the record before closing, by what was found and done, with what stands there */
  record: RecordItem[]
  /** what bars closing, in words; empty when the case is really finished */
  closing: string[]
  /** what the customer was told, and what was declined */
  advised: { entry: string; about: string | null; what: string; answer: 'given' | 'declined'; due: string | null }[]
  refused: Refusal[]
  /** of every reading that counts, by its entry, whether it is what a sound boiler gives */
  sound: Record<string, boolean>
  /** readings that disagree, differences that are none, and the one that speaks against all the rest */
  remarks: Remark[]
  /** readings given little weight, with what was not as it should be */
  doubted: Doubt[]
  /** what was done and is not undone: the entry, the act, and the what it was done to */
  acts: { entry: string; action: string; value: string | null }[]
  contradiction: { entries: string[]; check: string | null; says: string } | null
  unexamined: number
  order: string
}

/** One fault of a set, and the place it has among the others: what brought it about, or what it brought about. */
export interface Origin {
  fault: string
  label: string
  /** `root` brought another about, `consequence` was brought about, `alone` neither */
  role: 'root' | 'consequence' | 'alone'
}

/** What stands behind the odds of a fault before any reading. */
export interface Odds {
  fault: string
  /** call-outs in a thousand, all put together */
  per1000: number
  /** the assumption counts for this many call-outs */
  assumedCases: number
  /** the firm's closed cases on this kind of boiler, and those on which this fault was mended and proved */
  cases: number
  proven: number
  /** what moves them here, in words: versions, sizes, own experience */
  because: string[]
}

/** A reading that counts little, and why. */
export interface Doubt {
  entry: string
  why: string
}

/** A reading that is not believed, and why. */
export interface Refusal {
  entry: string
  check: string
  why: string
  /** what was probably meant */
  instead?: { value: number; unit: UnitSymbol }
}

/** What is to be said of readings themselves, and the check to make again for it. */
export interface Remark {
  entries: string[]
  says: string
  again: { check: string; label: string } | null
}
