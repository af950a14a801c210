import type { Catalogue, Check, Fault, Occasion, Read, Remedy } from '@dewpoint/core/diagnosis'
import { producedSignals } from '@dewpoint/core/plant'
import { parametersOf, type BoilerSystem, type ControlScheme } from '@dewpoint/core/system'
import { alongTheCall, bridgeCheck, checkRows, conductorChecks, displayedChecks } from './checks/index.ts'
import { closingRows } from './visit/closing.ts'
import { complaints } from './customer/complaints.ts'
import { dangers, speech } from './dangers/index.ts'
import { faultRows } from './faults/index.ts'
import { conductorFaults } from './faults/controls/wiring.ts'
import { inseparable } from './inseparable.ts'
import { instruments } from './readings/instruments.ts'
import { laidOut, type Layouts } from './rows/layouts.ts'
import { beforeDear } from './visit/lookalikes.ts'
import { partLabels, partOf } from './rows/parts.ts'
import { alongside } from './remedies/alongside.ts'
import { remedyRows } from './remedies/index.ts'
import { partKinds } from './remedies/prices.ts'
import { replacementOf } from './remedies/replacement.ts'
import { badRecords } from './remedies/work/badRecords.ts'
import { waysIn } from './remedies/work/waysIn.ts'
import { workNotes } from './remedies/work/workNotes.ts'
import { inFigures } from './rows/figures.ts'
import { high, main, patchOf, type CheckRow, type FaultRow } from './rows/row.ts'
import { highRunOf, mainRunOf, runsOf } from './readings/runs.ts'
import { labelFacts } from './controls/colours.ts'
import { actions, barsHere, facts } from './visit/factsAndActions.ts'
import { stories } from './readings/pressureStories.ts'
import { calledHere, wordsHere } from './rows/systemWords.ts'
import { broughtUpToDate } from './systems/since.ts'
import { faultByVersion, remedyByVersion, versionFacts } from './visit/versions.ts'
import { atCallLevel, inCallVolts, wiredAs } from './wired.ts'

const prices = Object.fromEntries(partKinds.map((one) => [one.name, one.price]))

/**
 * Everything known about one kind of boiler: the rows that fit its parts. A fault belongs to a system that has every parameter it
 * changes, a check to one that has what it is read from, a cue where some fault of the system shows it.
 *
 * @param scheme how it is wired, where that is known: its devices and conductors then belong to the system
 */
export function catalogueOf(written: BoilerSystem, scheme?: ControlScheme): Catalogue {
  const boiler = broughtUpToDate(written)
  const system = scheme ? wiredAs(boiler, scheme) : boiler
  const parameters = new Set(system.components.flatMap(({ id, parameters: own }) => Object.keys(own).map((name) => `${id}.${name}`)))
  const components = new Set(system.components.map((one) => one.id))
  const named = calledHere(boiler.layout)
  const fits = (row: { on?: Layouts; needs?: string }) => (!row.on || laidOut(row.on, boiler.layout)) && (row.needs === undefined || components.has(row.needs))
  const runs = runsOf(system)
  const runIds = new Set(runs.map((one) => one.id))
  const mainRun = mainRunOf(system)

  const own = new Map(parametersOf(system))
  const candidates = [...faultRows, ...(scheme ? conductorFaults(scheme) : [])]
    .filter((row) => fits(row) && Object.keys(row.patch).every((key) => parameters.has(key)))
    .map((row) => ({ ...hereOf(row, boiler.layout), patch: patchOf(row.patch, own) }))
  const known = new Set(candidates.map((one) => one.id))
  const drips = new Map(system.dripPositions.map(({ id, part }) => [part, `look.drip.${id}`]))
  const cues = (fault: Fault) => ({ ...fault.cues, ...(drips.has(fault.part) && wets(fault) ? { [drips.get(fault.part)!]: 0.75 } : {}) })
  const cited = new Set(candidates.flatMap((fault) => Object.keys(cues(fault))))

  const produced = producedSignals(system)
  const asNoDemand = noDemand(parameters)
  const changed = new Set([...candidates.flatMap((fault) => Object.keys(fault.patch)), ...asNoDemand.flatMap((patch) => Object.keys(patch))])
  // a parameter no fault changes tells nothing
  const readable = (read: Read) => ('run' in read ? runIds.has(read.run) && produced.has(read.signal) : 'story' in read ? true : changed.has(read.parameter))
  const checks = [
    ...[...checkRows, ...(scheme ? [...conductorChecks(scheme), ...bridgeCheck()] : [])].filter(fits).map((row) => resolved(row, system, mainRun)),
    ...displayedChecks(system, [...runIds], mainRun),
  ]
    .map((check) => trimmed(check, readable))
    .filter((check): check is Check => check !== null && (check.result.kind !== 'cue' || cited.has(check.id) || check.unsafe !== undefined))
    .map((check) => ({ ...check, ...alongTheCall(check.id, scheme) }))
    .map((check, _index, all) => (check.settledBy ? { ...check, settledBy: check.settledBy.filter((id) => all.some((one) => one.id === id)) } : check))
  const checkIds = new Set(checks.map((one) => one.id))

  const jammed = jammedFor(scheme)
  const faults = candidates.map(({ on: _on, where: _where, ...row }): Fault => {
    const fault = { ...row, ...overHours(row), ...faultByVersion(row.id), hides: { ...row.hides, ...jammed(row) } }
    return {
      ...fault,
      cues: Object.fromEntries(Object.entries(cues(fault)).filter(([id]) => checkIds.has(id))),
      ...(fault.damages && { damages: only(fault.damages, known) }),
      ...(fault.hides && { hides: only(fault.hides, known) }),
      ...(fault.causeChecks && { causeChecks: fault.causeChecks.filter((id) => checkIds.has(id)) }),
    }
  })
  const mended = new Set(faults.flatMap((fault) => fault.remedies))
  const besides = (id: string) => (alongside[id] ?? []).filter((one) => reasonable(one.remedy))
  /** what mends something here, or is part of no part this system lacks */
  const reasonable = (id: string) => mended.has(id) || !faultRows.some((fault) => fault.remedies.includes(id))
  const alsoDone = new Set([...mended].flatMap((id) => besides(id).map((one) => one.remedy)))
  const remedies = remedyRows
    .map((row): Remedy => ({
      ...row,
      ...workNotes[row.id],
      ...remedyByVersion(row.id),
      ...(besides(row.id).length > 0 && { alongside: besides(row.id) }),
      parts: [...new Set([...row.parts, ...row.seals].map(wordsHere(boiler.layout)))],
      seals: row.seals.map(wordsHere(boiler.layout)),
      ...(beforeDear[row.id] && { before: beforeDear[row.id]!.filter((one) => checkIds.has(one.check) && one.faults.some((id) => known.has(id))) }),
      mends: faults.filter((fault) => fault.remedies.includes(row.id)).map((fault) => fault.id),
    }))
    .filter((remedy) => remedy.mends.length > 0 || alsoDone.has(remedy.id))

  return {
    system,
    runs,
    stories,
    parts: [...new Set(faults.map((fault) => fault.part))]
      .map((id) => ({
        id,
        label: partLabels[id] ?? system.components.find((one) => one.id === id)?.label ?? id,
        ...(partOf[id] && { of: partOf[id] }),
      }))
      .map(named),
    faults: faults.map(named),
    checks: checks.map(named),
    remedies: remedies.map(named),
    instruments,
    complaints: complaints
      .filter((one) => fits(one) && one.evidence.every(({ check }) => checkIds.has(check)))
      .map(({ needs: _needs, on: _on, early, ...one }) => ({ ...one, ...(early && { early: early.filter((id) => checkIds.has(id)) }) }))
      .map(named),
    dangers,
    speech,
    prices,
    waysIn: system.layout.burner === 'electric' ? waysIn.filter((one) => one.id !== 'gas') : waysIn,
    badRecords: badRecords.filter(({ remedy }) => remedies.some((one) => one.id === remedy)),
    facts: [
      ...facts.filter(
        (fact) => fact.narrows === 'age' || (fact.narrows === 'label' && (fact.id !== 'gas' || system.gas !== 'none')) || parameters.has(fact.narrows),
      ),
      ...versionFacts(new Set([...components, ...parameters])),
      ...(scheme ? labelFacts(scheme) : []),
    ],
    actions: actions
      .map(({ mends, aside, bars, ...action }) => ({
        ...action,
        bars: barsHere(bars, boiler.layout, checks),
        ...(mends && { mends: mends.filter((id) => known.has(id)) }),
        ...(aside && { aside: aside === 'part' ? aside : aside.filter((id) => known.has(id)) }),
      }))
      .filter(({ mends, aside, bars }) => mends?.length !== 0 && aside?.length !== 0 && (!bars || bars.demand === 'any' || bars.demand in system.sequence)),
    closing: closingRows
      .filter(
        ({ burns, condenses, check, after }) =>
          (!burns || system.layout.burner !== 'electric') &&
          (condenses === undefined || condenses === (system.layout.burner === 'premix')) &&
          (check === undefined || checkIds.has(check)) &&
          mayBeOwed(after, known),
      )
      .map(({ burns: _burns, condenses: _condenses, ...item }) => item),
    replacement: replacementOf(boiler),
    inseparable: inseparable.filter(({ faults: pair }) => pair.every((id) => known.has(id))),
    prior: {
      // customers’ switches and settings among them
      nothingWrong: 40,
      noDemand: 40,
      unlisted: 20,
      coincidence: 0.4,
      sharedBackground: 2.5,
      ownBackground: { unfinished: 2000 },
      noDemandPatches: asNoDemand,
    },
  }
}

/** What "nothing asks it to run" looks like: each thermostat in turn set below what it feels, then all of them. */
function noDemand(parameters: Set<string>): Record<string, number>[] {
  const silent = ['roomStat.turnedUp', 'cylinderStat.turnedUp', 'zone2Stat.turnedUp'].filter((key) => parameters.has(key))
  const all = Object.fromEntries(silent.map((key) => [key, 0]))
  return silent.length > 1 ? [...silent.map((key) => ({ [key]: 0 })), all] : [all]
}

/** Somebody who lives with wiring that was never finished jams its valve open so often. Assumed */
const jams = 0.1

/** The open ends that a valve held open by hand may hide: those of conductors at that valve. */
function jammedFor(scheme?: ControlScheme): (fault: Fault) => Record<string, number> {
  return ({ patch }) => {
    const valve = Object.keys(patch)
      .find((key) => key.endsWith('.heldOpen'))
      ?.split('.')[0]
    const at = (scheme?.conductors ?? []).filter(({ from, to }) => valve !== undefined && [from, to].some((end) => end.split('.')[0] === valve))
    return Object.fromEntries(at.map(({ id }) => [`${id}.neverLanded`, jams]))
  }
}

/** What a fault that sets the water pressure does over hours: by how water gets in or out. */
function overHours({ patch }: Fault): Pick<Fault, 'setByFilling' | 'slow' | 'lostPressure'> {
  const { 'water.pressure': pressure, ...others } = patch
  const ways = Object.keys(others)
  if (pressure === undefined) return {}
  if (ways.length === 0) return { setByFilling: true }
  return ways.every((key) => /leak$|leakCold|weeps|perforation|letBy|relief\.passing/i.test(key)) ? { slow: true } : { lostPressure: true }
}

/** Whether a fault lets water out where a drip position shows it. */
function wets({ patch }: Fault): boolean {
  // what splits inside drips nowhere
  return Object.keys(patch).some((key) => /leak|weep|passing/i.test(key))
}

/** A row as it stands on a layout. */
function hereOf(row: FaultRow, layout: BoilerSystem['layout']): FaultRow {
  return (row.where ?? [])
    .filter(({ on }) => laidOut(on, layout))
    .reduce((so, { on: _on, cues, damages, ...other }) => ({ ...so, ...other, cues: { ...so.cues, ...cues }, damages: { ...so.damages, ...damages } }), row)
}

/** Whether anything a system can have makes an item owed. */
function mayBeOwed({ found, mayStand, ...others }: Occasion, known: Set<string>): boolean {
  const faults = [...(found ?? []), ...(mayStand ?? [])]
  return Object.keys(others).length > 0 || faults.some((id) => known.has(id))
}

const only = (links: Record<string, number>, known: Set<string>) => Object.fromEntries(Object.entries(links).filter(([id]) => known.has(id)))

/** Puts the system's own run, demand and curve where a row says "main" or stands for any. */
function resolved(row: CheckRow, system: BoilerSystem, mainRun: ReturnType<typeof mainRunOf>): Check {
  const { on: _on, needs: _needs, situation, concerns, result, how, ...rest } = row
  const demand = situation.demand === main ? mainRun.demand : situation.demand
  const concerned = concerns && { demand: concerns.demand === main ? mainRun.demand : concerns.demand, stage: concerns.stage }
  const stands = concerned && system.sequence[concerned.demand]?.some((stage) => stage.id === concerned.stage)
  const own: Record<string, string> = { [main]: mainRun.run, [high]: highRunOf(system) }
  const rename = (read: Read): Read => ('run' in read ? { ...read, run: own[read.run] ?? read.run } : read)
  return {
    ...rest,
    how: inFigures(how, system),
    situation: { ...situation, demand, ...(situation.demand === main && mainRun.run === 'full' && { tap: 'full' as const }) },
    ...(stands && { concerns: concerned }),
    result:
      result.kind === 'cue'
        ? result
        : result.kind === 'number'
          ? {
              ...inCallVolts(result, system.controls),
              read: rename(result.read),
              ...(result.thermistor && { thermistor: { ...result.thermistor, curve: system.thermistor } }),
            }
          : 'index' in result.decide
            ? { ...result, decide: { ...result.decide, index: result.decide.index.map(rename) } }
            : {
                ...result,
                decide: {
                  ...result.decide,
                  rules: result.decide.rules.map((rule) => ({
                    ...rule,
                    all: rule.all.map((one) => ({
                      ...one,
                      ...('run' in one.read && atCallLevel(one.read.signal, one, system.controls)),
                      read: rename(one.read),
                    })),
                  })),
                },
              },
  }
}

/** A check with only the rules this system can be read by; nothing where none is left. */
function trimmed(check: Check, readable: (read: Read) => boolean): Check | null {
  const { result } = check
  if (result.kind === 'cue') return check
  if (result.kind === 'number') return readable(result.read) ? check : null
  if ('index' in result.decide) return result.decide.index.every(readable) && result.decide.index.length > 0 ? check : null
  const rules = result.decide.rules.filter((rule) => rule.all.every((one) => readable(one.read)))
  return rules.length > 0 ? { ...check, result: { ...result, decide: { ...result.decide, rules } } } : null
}
