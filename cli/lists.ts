import { outcomesOf } from '@dewpoint/core/diagnosis'
import { catalogues, schemesOf, unknownWiring, wiredCatalogues } from '@dewpoint/trade'

const systems = Object.values(catalogues)
/** a system whose wiring is known is listed as SYSTEM+CONTROLS */
const all = [...systems, ...wiredCatalogues()]

/** A meter between any two terminals, where the wiring is known. */
const probes = [
  { id: 'probe.volts', label: 'Volts between two terminals', unit: 'V', outcomes: ['notReached'], powerOff: false },
  { id: 'probe.continuity', label: 'Continuity between two terminals', outcomes: ['open', 'beeps', 'ohms', 'notReached'], powerOff: true },
].map(({ powerOff, ...one }) => ({
  system: 'any with its wiring known',
  kind: 'measure',
  ...one,
  situation: {
    place: '"OVER|UNDER", two terminals',
    instrument: 'multimeter or tester',
    demand: 'none, heating, hotWater or both',
    open: 'further zones that call',
    isolated: 'programmer.heating, programmer.hotWater where switched off',
    moved: '"CONDUCTOR>from|to>TERMINAL"',
    powerOff,
  },
}))

/** What `diagnose --list` prints, by name. */
export const lists: Record<string, () => unknown> = {
  systems: () =>
    systems.map(({ system, runs, complaints }) => ({
      id: system.id,
      label: system.label,
      sequence: system.sequence,
      statuses: system.statuses,
      codes: system.codes,
      components: system.components,
      runs: runs.map(({ id, label }) => ({ id, label })),
      complaints: complaints.map(({ id, label, danger, evidence }) => ({ id, label, evidence, ...(danger && { danger }) })),
    })),
  controls: () => [
    { id: unknownWiring, label: 'Wiring not known: one contact after another a circuit', systems: systems.map(({ system }) => system.id) },
    ...[...new Set(systems.flatMap(({ system }) => schemesOf(system.id)))].map(({ id, label, says, devices, conductors, components, paths, warnings }) => ({
      id,
      label,
      says,
      systems: systems.map(({ system }) => system.id).filter((system) => schemesOf(system).some((one) => one.id === id)),
      devices,
      conductors,
      components,
      paths,
      warnings: warnings ?? [],
    })),
  ],
  faults: () => all.flatMap(({ system, faults }) => faults.map((fault) => ({ system: system.id, ...fault }))),
  checks: () => [
    ...probes,
    ...all.flatMap(({ system, checks }) =>
      checks.map((check) => ({
        system: system.id,
        id: check.id,
        kind: check.kind,
        label: check.label,
        ...(check.result.kind === 'number' ? { unit: check.result.unit, range: check.result.range, possible: check.result.possible } : {}),
        outcomes: outcomesOf(check),
        situation: {
          ...check.situation,
          ...(check.result.kind === 'number' && check.result.thermistor ? { temperature: 'of the pipe beside it, as { value, unit }' } : {}),
        },
        minutes: check.minutes,
        access: check.access,
        cautions: check.cautions ?? [],
        how: check.how,
        ...(check.mistake && { mistake: check.mistake }),
      })),
    ),
  ],
  remedies: () => all.flatMap(({ system, remedies }) => remedies.map((remedy) => ({ system: system.id, ...remedy }))),
  actions: () => all.flatMap(({ system, actions }) => actions.map((action) => ({ system: system.id, ...action }))),
  facts: () => all.flatMap(({ system, facts }) => facts.map((fact) => ({ system: system.id, ...fact }))),
}
