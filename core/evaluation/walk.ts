import { byName, newEntry, type Entry, type EntryType, type Payload } from '../casebook/index.ts'
import {
  allRules,
  answered,
  hangsOn,
  healthyOutcome,
  provingMinutes,
  rankChecks,
  runsFirst,
  runsThrough,
  usualCosts,
  weighJournal,
  type Catalogue,
  type Check,
  type RankedCheck,
  type Ranking,
  type Rules,
  type Signatures,
} from '../diagnosis/index.ts'
import type { Chance } from '../chance/index.ts'
import type { CaseKind, Truth } from './truth.ts'

/** Ways of working that are set beside each other. */
export const ways = ['engine', 'forward', 'backward', 'commonest', 'random', 'cheapest'] as const
export type Way = (typeof ways)[number]

/** How one case went. */
export interface Course {
  kind: CaseKind
  /** minutes on site: checks, repairs, proving */
  minutes: number
  checks: number
  /** parts put in that nothing needed */
  needless: number
  /** parts condemned, and of those the good ones */
  condemned: number
  wrong: number
  /** every fault that stood was mended, up to the same remedy, and the repair was declared proven */
  found: boolean
  /** why it ended */
  ended: 'proven' | 'help' | 'tired'
  /** what was said of each remedy as it was about to be done, and whether it was so */
  said: { probability: number; so: boolean }[]
}

/** One turn of a course, for whoever wants to watch. */
export interface Turn {
  leading: Ranking['groups'][number]
  next: RankedCheck | undefined
  acting: boolean
  ranking: Ranking
}

/** After so many checks, repairs or minutes even the patient go home. */
const most = { checks: 45, repairs: 7, minutes: 420 }
/** a person without costs in mind acts when this sure */
const sureEnough = 0.9

/**
 * Plays one case to its end: what to check next and when to act is up to the way of working; what the readings mean is the engine's business in
 * every one of them.
 */
export function walk(
  catalogue: Catalogue,
  signatures: Signatures,
  truth: Truth,
  way: Way,
  chance: Chance,
  watch?: (turn: Turn) => void,
  heard?: (check: string, reading: Payload<'reading'>) => void,
  rules: Readonly<Rules> = allRules,
): Course {
  const journal = opened(truth, catalogue)
  const course: Course = { kind: truth.kind, minutes: 0, checks: 0, needless: 0, condemned: 0, wrong: 0, found: false, ended: 'tired', said: [] }
  const { write } = journal
  const see = (fault: number) => {
    const { id, label } = truth.catalogue.faults[fault]!
    write('finding', { what: label, fault: id })
  }
  const look = (check: Check) => {
    const reading = truth.read(check)
    heard?.(check.id, reading)
    write('reading', reading)
    if (reading.outcome === 'yes') for (const fault of truth.which(check)) see(fault)
    return reading.outcome
  }
  const checks = new Map(catalogue.checks.map((check) => [check.id, check]))
  let repairs = 0
  /** whether both demands were run since the last repair */
  let proven = false
  /** what that showed, and checks made since */
  let runsWell = false
  let sinceProof = 0
  const prove = () => {
    runsWell = true
    for (const id of provingChecks(truth.catalogue, truth.complaints)) {
      const check = checks.get(id)!
      const well = () => look(check) === healthyOutcome(signatures, check)
      if (well()) continue
      // what surprises is looked at again, and a third time where the two disagree
      course.minutes += check.minutes
      if (well()) {
        course.minutes += check.minutes
        runsWell &&= well()
      } else runsWell = false
    }
    course.minutes += provingMinutes
    proven = true
    sinceProof = 0
  }
  const mend = (id: string, standing: readonly string[]) => {
    const remedy = catalogue.remedies.find((one) => one.id === id)!
    const named = remedy.each ? standing.filter((fault) => remedy.mends.includes(fault)).slice(0, 1) : []
    const meant = truth.mend(id, named)
    const seals = new Set(remedy.seals)
    const parts = remedy.parts.filter((part) => !seals.has(part)).length
    if (parts > 0) course.condemned++
    if (parts > 0 && meant.length === 0) {
      course.wrong++
      course.needless += parts
    }
    course.minutes += remedy.minutes
    repairs++
    proven = false
    write('repair', { remedy: id, parts: [], result: 'unknown', ...(named.length > 0 && { faults: named }) })
  }

  while (course.checks < most.checks && repairs < most.repairs && course.minutes < most.minutes) {
    const { journal: known, ...weighed } = weighJournal(truth.catalogue, signatures, journal.entries, undefined, rules)
    const done = new Set(answered(known))
    const order = way === 'forward' || way === 'backward' ? way : 'telling'
    const ranking = rankChecks(truth.catalogue, weighed.signatures, weighed.belief, known, order, done, usualCosts, way === 'engine', rules)
    const standing = ranking.groups.filter((one) => one.kind !== 'rare').sort((a, b) => b.mass - a.mass)
    const leading = standing[0]
    if (!leading) break
    const owed = way === 'engine' ? ranking.owed[0] : undefined
    const next = owed ? { check: owed, bits: 0, minutes: owed.minutes } : checkOf(way, ranking.checks, chance)
    const onWhat = way === 'engine' ? ranking.act! : leading
    const acting = way === 'commonest' || !next || (way === 'engine' ? ranking.acting <= ranking.going && !owed : leading.mass >= sureEnough)
    watch?.({ leading: onWhat, next, acting, ranking })
    // nothing is done a second time, or given up, before it was seen to be in vain
    if (way === 'engine' && acting && onWhat.kind === 'faults' && !proven && runsFirst(known, onWhat)) {
      prove()
      continue
    }
    const again = acting && way === 'engine' ? hangsOn(truth.catalogue, weighed.signatures, weighed.belief, known, onWhat) : null
    if (again) {
      look(again)
      course.minutes += again.minutes
      course.checks++
    } else if (acting && onWhat.kind === 'faults' && onWhat.remedies.some((id) => (known.tried.get(id) ?? 0) < 2)) {
      keepSaid(course, catalogue, truth, standing, onWhat.remedies)
      const named = (weighed.signatures.sets[onWhat.row] ?? []).map((index) => catalogue.faults[index]!.id)
      mend([...onWhat.remedies].sort((a, b) => (known.tried.get(a) ?? 0) - (known.tried.get(b) ?? 0))[0]!, named)
      if (way === 'commonest') prove()
    } else if (acting && onWhat.kind === 'nothingWrong' && repairs > 0 && (!proven || (!runsWell && leading.mass >= sureEnough && sinceProof >= 3))) prove()
    else if (acting && onWhat.kind === 'nothingWrong' && proven && runsWell) {
      course.ended = 'proven'
      break
    } else if (acting && onWhat.kind === 'faults') {
      // everything on its list was done in vain: somebody else must come
      course.ended = 'help'
      break
    } else if (next) {
      look(next.check)
      course.minutes += next.minutes
      course.checks++
      sinceProof++
    } else {
      course.ended = proven && runsWell ? 'proven' : 'help'
      break
    }
  }
  // what nobody rang about may be left, told to the customer
  course.found = truth.standing.every((fault) => truth.besides.includes(fault)) && course.ended === 'proven'
  return course
}

/** What a healthy appliance answers. */
function checkOf(way: Way, checks: readonly RankedCheck[], chance: Chance): RankedCheck | undefined {
  if (way === 'random') return checks.length > 0 ? chance.pick(checks) : undefined
  if (way === 'cheapest') return [...checks].sort((a, b) => a.minutes - b.minutes)[0]
  return checks[0]
}

/** What was said of the remedies that are about to be done, beside what stands. */
function keepSaid(course: Course, catalogue: Catalogue, truth: Truth, standing: Ranking['groups'], done: readonly string[]): void {
  const stands = new Set(truth.kind === 'unlisted' ? [] : truth.standing.map((fault) => catalogue.faults[fault]!.id))
  const needed = (id: string) => catalogue.remedies.find((one) => one.id === id)?.mends.some((fault) => stands.has(fault)) ?? false
  const each = new Map<string, number>()
  for (const { remedies, mass } of standing) for (const id of remedies) each.set(id, (each.get(id) ?? 0) + mass)
  for (const id of done) course.said.push({ probability: each.get(id) ?? 0, so: needed(id) })
}

/** What is run and asked to prove a repair: every demand there is, and what was complained of. */
function provingChecks(catalogue: Catalogue, complaints: readonly string[]): string[] {
  const known = new Set(catalogue.checks.filter((check) => !check.before).map((check) => check.id))
  const asked = catalogue.complaints.filter((one) => complaints.includes(one.id)).flatMap((one) => one.evidence.map(({ check }) => check))
  const runs = [...runsThrough(catalogue), ...catalogue.checks.filter((check) => check.answeredBy === 'codeReturned')].map((check) => check.id)
  return [...new Set([...runs, ...asked])].filter((id) => known.has(id))
}

function opened(truth: Truth, catalogue: Catalogue): { entries: Entry[]; write: <T extends EntryType>(type: T, payload: Payload<T>) => void } {
  const entries: Entry[] = []
  const write = <T extends EntryType>(type: T, payload: Payload<T>) => {
    const count = entries.length + 1
    const id = `01934a00-0000-7000-8000-${String(count).padStart(12, '0')}`
    entries.push(newEntry(type, payload, { id, now: Date.UTC(2026, 2, 1, 9, count), author: byName('evaluation'), seen: entries.slice(-1) }))
  }
  for (const fact of truth.facts) write('fact', fact)
  for (const what of truth.complaints) write('complaint', { what, pattern: 'always' })
  for (const fault of truth.besides) {
    const { id, label } = catalogue.faults[fault]!
    write('finding', { what: label, fault: id, explainsComplaint: false })
  }
  return { entries, write }
}
