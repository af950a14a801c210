import { type Entry, type EntryOf, standing, visitsOf } from '../../casebook/index.ts'
import { thermistorResistance } from '../../physics/index.ts'
import { convert, type UnitSymbol } from '../../quantity/index.ts'
import { type Catalogue, type Check, isProbe, namedOutcome, type NumberResult, placeOfOutcome, probeCheck, probeProblem, specOf } from '../catalogue/index.ts'
import { type Act, actsAfter, barring, setAside } from './acts.ts'
import { historyAnswers, knownBackground } from './history.ts'
import { worksNow } from './again.ts'
import { isWatched, watchOf } from './gaugeWatch.ts'
import { cutOff, doubtful, impossibility, refuseCrossing, sameKind } from './impossible.ts'
import { type Evidence, type JournalRead } from './journalRead.ts'

/** How far a reading is trusted: the share of it that is taken for "anything". */
const doubt = { sure: 0, unsure: 0.35, doubtful } as const

/** An act that simply puts something right does so but for a slip. Assumed */
const nearlyCertain = 0.97

/** Chance that a fault is away through a whole visit, by what the customer says of how often it shows. Assumed */
const awayBy = { always: 0, sometimes: 0.35, workedOnArrival: 0.85 } as const

/** Folds a journal into evidence, refusing what cannot be true and doubting what was read out of its situation. */
export function readJournal(catalogue: Catalogue, entries: readonly Entry[]): JournalRead {
  const checks = new Map(catalogue.checks.map((check) => [check.id, check]))
  const faultIndex = new Map(catalogue.faults.map((fault, index) => [fault.id, index]))
  const result: JournalRead = {
    evidence: [],
    mendings: [],
    tried: new Map(),
    refused: [],
    doubted: [],
    acts: [],
    circumstances: {},
    comesAndGoes: 0,
    known: {},
    impossible: new Set(),
    visit: '',
    complaints: [],
    seen: [],
    watches: [],
  }
  const gauge = new Map<number, EntryOf<'history'>[]>()
  const groups = new Map<string, Evidence>()
  const landed = new Set<string>()
  const groupOf = (check: Check, told = check.kind === 'ask'): Evidence => {
    // what is told of the time before is about the system as it was found
    const epoch = check.before ? 0 : result.mendings.length
    const key = `${check.id} ${epoch} ${told ? '' : result.visit}`
    const present = groups.get(key)
    if (present) return present
    const fresh: Evidence = { check, entries: [], outcomes: [], values: [], doubt: 0, epoch, visit: result.visit, told }
    groups.set(key, fresh)
    result.evidence.push(fresh)
    return fresh
  }
  const answer = (check: Check, entry: string, outcome: string, trust: keyof typeof doubt, told?: boolean) => {
    // an outcome of another catalogue says nothing here
    const said = placeOfOutcome(check, outcome)
    if (said === null) return
    take(groupOf(check, told), entry, trust, { outcome: said })
  }
  /** Of readings made together those that are doubted least count; beside a proper one a doubtful one says nothing more. */
  const take = (group: Evidence, entry: string, trust: keyof typeof doubt, { outcome, value }: { outcome?: number; value?: number }) => {
    const own = doubt[trust]
    if (group.entries.length > 0 && own > group.doubt) return replaced(entry)
    if (group.entries.length > 0 && own < group.doubt) {
      group.entries.forEach(replaced)
      for (const list of [group.entries, group.outcomes, group.values]) list.length = 0
    }
    group.doubt = own
    group.entries.push(entry)
    if (outcome !== undefined) group.outcomes.push(outcome)
    if (value !== undefined) group.values.push(value)
  }
  const replaced = (entry: string) => {
    const doubted = result.doubted.find((one) => one.entry === entry)
    if (doubted) doubted.why += '; taken again as it should be'
    else result.doubted.push({ entry, why: 'taken again with less doubt: that one counts' })
  }

  const stand = standing(entries)
  const watched = isWatched(stand.filter((one) => one.type === 'history'))
  for (const { answers, entry, outcome, value } of historyAnswers(stand)) {
    if (answers === 'overnightChange' && watched) continue
    const check = catalogue.checks.find((one) => one.answeredBy === answers)
    if (!check) continue
    if (outcome !== undefined) answer(check, entry, namedOutcome(check, outcome), 'sure', true)
    else if (value !== undefined) take(groupOf(check, true), entry, 'sure', { value })
  }
  const versions = new Map<string, string>()
  result.circumstances = { known: knownBackground(stand), versions, parameters: result.known }
  const visits = visitsOf(stand)
  for (const entry of stand) {
    const visit = visits.get(entry.id)!
    if (visit !== result.visit) result.impossible.clear()
    result.visit = visit
    result.acts = actsAfter(catalogue, result.acts, entry)
    switch (entry.type) {
      case 'complaint': {
        result.complaints.push(entry)
        const complaint = catalogue.complaints.find((one) => one.id === entry.payload.what)
        const trust = entry.payload.pattern === undefined || entry.payload.pattern === 'always' ? 'sure' : 'unsure'
        result.comesAndGoes = Math.max(result.comesAndGoes, awayBy[entry.payload.pattern ?? 'always'])
        for (const { check, outcome } of complaint?.evidence ?? []) answer(checks.get(check)!, entry.id, outcome, trust, true)
        break
      }
      case 'fact': {
        const kind = catalogue.facts.find((one) => one.id === entry.payload.fact)
        const value = entry.payload.value
        if (kind?.narrows === 'version') {
          for (const one of kind.choices ?? []) for (const key of Object.keys(one.sets ?? {})) delete result.known[key]
          const chosen = kind.choices?.find((one) => one.id === value)
          if (chosen) versions.set(kind.id, chosen.id)
          else versions.delete(kind.id)
          Object.assign(result.known, chosen?.sets)
          break
        }
        if (!kind || typeof value !== 'number' || kind.narrows === 'label') break
        if (kind.narrows === 'age') result.circumstances.age = value
        else if (kind.unit === undefined || entry.payload.unit === undefined) result.known[kind.narrows] = value
        else if (sameKind(entry.payload.unit, kind.unit)) result.known[kind.narrows] = convert(value, entry.payload.unit, kind.unit)
        break
      }
      case 'reading':
        readOne(entry)
        break
      case 'action': {
        const kind = catalogue.actions.find((one) => one.id === entry.payload.action)
        if (kind?.aside) change(entry.id, [], 0)
        if (kind?.mends && !entry.payload.undone) {
          const all = indices(kind.mends)
          const own = all.filter((index) => catalogue.faults[index]!.part === entry.payload.value)
          change(entry.id, own.length > 0 ? own : all, kind.works ?? nearlyCertain)
        }
        break
      }
      case 'repair': {
        const remedy = catalogue.remedies.find((one) => one.id === entry.payload.remedy)
        if (remedy) {
          const named = entry.payload.faults?.filter((id) => remedy.mends.includes(id)) ?? []
          // one conductor landed is the repair of that conductor, and only the same one again is a second try
          const one = remedy.each === true && named.length > 0
          const again = one && named.some((id) => landed.has(id))
          const works = worksNow(catalogue.remedies, remedy, again ? new Map([...result.tried, [remedy.id, 1]]) : result.tried)
          change(entry.id, indices(one ? named : remedy.mends), entry.payload.result === 'failed' ? 0.05 : works, remedy.access === 'drained')
          if (!one || again) result.tried.set(remedy.id, (result.tried.get(remedy.id) ?? 0) + 1)
          for (const id of named) landed.add(id)
        }
        break
      }
      case 'finding': {
        const fault = faultIndex.get(entry.payload.fault ?? '')
        if (fault !== undefined) result.seen.push({ fault, entry: entry.id, epoch: result.mendings.length })
        break
      }
      case 'history':
        if (entry.payload.event !== 'gaugeReading' && entry.payload.event !== 'topUp') break
        gauge.set(result.mendings.length, [...(gauge.get(result.mendings.length) ?? []), entry])
        break
      case 'decision':
        if (entry.payload.kind === 'checkNotPossible' && entry.payload.check) result.impossible.add(entry.payload.check)
        break
    }
  }
  for (const [epoch, told] of gauge) {
    const watch = watchOf(catalogue, told, epoch, result.known)
    if (watch) result.watches.push(watch)
  }
  refuseCrossing(result)
  return result

  function change(entry: string, faults: number[], works: number, drained = false) {
    const filled = drained || faults.some((index) => catalogue.faults[index]!.setByFilling)
    result.mendings.push({ entry, faults, works, aside: setAside(catalogue, result.acts), filled, visit: result.visit })
  }

  function indices(ids: string[]): number[] {
    return ids.flatMap((id) => faultIndex.get(id) ?? [])
  }

  /** a meter between two terminals: its check is made for the occasion */
  function probeOf(entry: string, check: Parameters<typeof specOf>[0], payload: EntryOf<'reading'>['payload']): Check | undefined {
    const scheme = catalogue.system.controls
    if (!scheme) return undefined
    const spec = specOf(check, payload)
    const why = probeProblem(scheme, spec)
    if (!why) return probeCheck(scheme, spec)
    result.refused.push({ entry, check, why })
    return undefined
  }

  function readOne({ id, payload }: EntryOf<'reading'>) {
    const check = isProbe(payload.check) ? probeOf(id, payload.check, payload) : checks.get(payload.check)
    if (!check) return
    const outside = check.probe ? null : (barring(result.acts, check) ?? outOfSituation(check, payload, result.acts))
    if (outside) result.doubted.push({ entry: id, why: outside })
    const trust = outside ? 'doubtful' : (payload.sureness ?? 'sure')
    if (payload.outcome !== undefined) return answer(check, id, payload.outcome, trust)
    if (check.result.kind !== 'number' || payload.value === undefined || payload.unit === undefined) return
    const { instrument } = check.result
    const why =
      impossibility(check.result, payload.value, payload.unit) ??
      cutOff(
        catalogue.instruments.find((one) => one.id === instrument),
        payload,
      )
    if (why) {
      // kept as doubtful it stays in the journal and weighs nothing
      if (payload.sureness !== 'doubtful') result.refused.push({ entry: id, check: check.id, why })
      return
    }
    take(groupOf(check), id, trust, { value: comparable(check.result, payload) })
  }
}

/** The number the signature is compared with: in the check's unit, or a thermistor's resistance over its chart's. */
export function comparable(result: NumberResult, payload: EntryOf<'reading'>['payload']): number {
  const own = convert(payload.value!, payload.unit as UnitSymbol, result.unit)
  if (!result.thermistor) return own
  const ohms = convert(own, result.unit, 'Ω')
  return ohms / thermistorResistance(pipeCelsius(payload) ?? result.thermistor.assumedCelsius, result.thermistor.curve)
}

/** The pipe temperature given with a reading, °C; null when none is given or it cannot be one. */
function pipeCelsius({ situation }: EntryOf<'reading'>['payload']): number | null {
  const given = situation?.temperature
  if (!given || !sameKind(given.unit, '°C')) return null
  const celsius = convert(given.value, given.unit, '°C')
  return celsius > -40 && celsius < 150 ? celsius : null
}

/** What of the state a check needs was not so when it was read, in words; null when nothing. */
function outOfSituation(check: Check, payload: EntryOf<'reading'>['payload'], acts: readonly Act[]): string | null {
  const { situation, outcome } = payload
  const needs = check.situation
  if (outcome === undefined && check.result.kind === 'number' && check.result.thermistor && pipeCelsius(payload) === null)
    return 'no pipe temperature was taken with it'
  if (needs.drained && situation?.drained !== true && !acts.some((one) => one.kind.drains)) return 'the water side was not drained'
  if (needs.powerOff && situation?.powerOff === false) return 'the power was on'
  const demand = situation?.demand
  return demand === undefined || demand === 'both' || demand === needs.demand || needs.demand === 'none' ? null : 'another demand was running'
}
