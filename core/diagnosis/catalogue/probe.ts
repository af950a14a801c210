import type { EntryOf } from '../../casebook/index.ts'
import { type Circuit, type ControlScheme, terminalsOf } from '../../system/index.ts'
import type { Move } from '../../wiring/index.ts'
import type { Check, ProbeSpec } from './catalogue.ts'

/** Ids under which a journal holds readings between two terminals. */
const probeKinds = { 'probe.volts': 'volts', 'probe.continuity': 'continuity' } as const
type ProbeId = keyof typeof probeKinds
type Reading = EntryOf<'reading'>['payload']

/** Whether a check id is that of a meter between two terminals. */
export function isProbe(id: string): id is ProbeId {
  return id in probeKinds
}

/** Words for a terminal: its device, its name, its number. */
export function terminalWords(scheme: ControlScheme, terminal: string): string {
  const device = scheme.devices.find((one) => one.id === terminal.slice(0, terminal.indexOf('.')))
  const name = terminal.slice(terminal.indexOf('.') + 1)
  return device ? `${device.label} ${scheme.terminalWords[name] ?? name} (${device.terminals[name]})` : terminal
}

/** A meter between two terminals as a check, in its own words. */
export function probeCheck(scheme: ControlScheme, spec: ProbeSpec): Check {
  const { kind, over, under, meter, asked } = spec
  const between = `${terminalWords(scheme, over)} – ${terminalWords(scheme, under)}`
  const demand = asked.cold.hotWater ? 'hotWater' : Object.values(asked.cold).some(Boolean) ? 'heating' : 'none'
  return {
    id: `probe.${kind} ${JSON.stringify(payloadOf(spec))}`,
    kind: 'measure',
    label: `${kind === 'volts' ? 'Volts' : 'Continuity'}, ${between}`,
    situation: { demand, ...(asked.isolated && { powerOff: true }) },
    place: between,
    result:
      kind === 'volts'
        ? {
            kind: 'number',
            unit: 'V',
            read: { parameter: 'supply.live' },
            instrument: meter === 'tester' ? 'lowImpedance' : 'voltmeter',
            width: 4,
            scale: 'linear',
            range: [0, 250],
            possible: [-5, 440],
          }
        : {
            kind: 'outcome',
            outcomes: [
              { id: 'open', label: 'open' },
              { id: 'beeps', label: 'beeps' },
              { id: 'ohms', label: 'some resistance, no beep' },
            ],
            decide: { rules: [], otherwise: 'open' },
            confusion: 0.02,
          },
    minutes: 2,
    access: kind === 'volts' ? 'live' : 'dead',
    cautions:
      kind === 'volts'
        ? ['Live terminals: insulated probes, one hand, nobody else near. Prove the meter before and after.']
        : ['Prove dead first: meter proved on a known source, L–N, L–E, N–E, meter proved again; fuse out, isolator locked.'],
    how: [],
    probe: spec,
  }
}

/** Why a probe reading cannot be taken, in words that say what to do; null when it can. */
export function probeProblem(scheme: ControlScheme, spec: ProbeSpec): string | null {
  const known = terminalsOf(scheme)
  for (const terminal of [spec.over, spec.under])
    if (!known.includes(terminal)) return `“${terminal}” is not a terminal of ${scheme.label}: name two of ${known.join(', ')}, with | between them.`
  if (spec.over === spec.under) return 'Both probes are on one terminal: that always reads nothing. Move one.'
  if (spec.kind === 'continuity' && !spec.asked.isolated)
    return 'Continuity is tested dead: an ohmmeter on live wires lies, or dies. Isolate, prove dead, then test.'
  if (spec.kind === 'volts' && spec.asked.isolated)
    return 'With the fuse out every terminal reads nothing: voltage is measured live, or test continuity instead.'
  for (const { conductor, terminal } of spec.asked.moved ?? []) {
    if (!scheme.conductors.some((one) => one.id === conductor)) return `“${conductor}” is not a conductor of ${scheme.label}.`
    if (!known.includes(terminal)) return `“${terminal}” is not a terminal of ${scheme.label}.`
  }
  return null
}

/** What a journal’s reading says of where the meter was and what was asked. */
export function specOf(check: ProbeId, { place = '', situation, instrument }: Reading): ProbeSpec {
  const [over = '', under = ''] = place.split('|')
  const demand = situation?.demand ?? 'none'
  const off = situation?.isolated ?? []
  const cold: Partial<Record<Circuit, boolean>> = {
    heating: demand === 'heating' || demand === 'both',
    hotWater: demand === 'hotWater' || demand === 'both',
    ...Object.fromEntries((situation?.open ?? []).map((circuit) => [circuit, true])),
  }
  const moved = (situation?.moved ?? []).map(moveOf)
  return {
    kind: probeKinds[check],
    over,
    under,
    meter: instrument === 'tester' ? 'tester' : 'multimeter',
    asked: {
      programmed: { heating: !off.includes('programmer.heating'), hotWater: !off.includes('programmer.hotWater') },
      cold,
      ...(situation?.powerOff && { isolated: true }),
      ...(moved.length > 0 && { moved }),
    },
  }
}

/** A conductor moved for a test as the journal holds it, in a reading’s situation or as an act. */
export function movedAs({ conductor, end, terminal }: Move): string {
  return `${conductor}>${end}>${terminal}`
}

/** The same the other way round. */
export function moveOf(written: string): Move {
  const [conductor = '', end = '', terminal = ''] = written.split('>')
  return { conductor, end: end === 'from' ? 'from' : 'to', terminal }
}

/** What a meter was put on, as a reading’s place, instrument and situation. */
export function payloadOf({ over, under, meter, asked }: ProbeSpec): Pick<Reading, 'place' | 'instrument' | 'situation'> {
  const { heating, hotWater, ...more } = asked.cold
  const off = (['heating', 'hotWater'] as const).filter((circuit) => !asked.programmed[circuit]).map((circuit) => `programmer.${circuit}`)
  const open = Object.keys(more).filter((circuit) => more[circuit as keyof typeof more])
  return {
    place: `${over}|${under}`,
    instrument: meter,
    situation: {
      demand: heating ? (hotWater ? 'both' : 'heating') : hotWater ? 'hotWater' : 'none',
      ...(open.length > 0 && { open }),
      ...(off.length > 0 && { isolated: off }),
      ...(asked.moved && { moved: asked.moved.map(movedAs) }),
      ...(asked.isolated && { powerOff: true }),
    },
  }
}
