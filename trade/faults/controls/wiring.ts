import type { Conductor, ControlScheme } from '@dewpoint/core/system'
import type { FaultRow } from '../../rows/row.ts'

/** Every way the conductors of a scheme go wrong. Of many like zones the first two stand for all. Odds are assumed. */
export function conductorFaults({ conductors, components }: ControlScheme): FaultRow[] {
  return conductors.filter(({ id }) => !/^zone[3-8]/.test(id)).flatMap((one) => faultsOf(one, components.find(({ id }) => id === one.id)!.label))
}

function faultsOf({ id, role, astray, touches }: Conductor, label: string): FaultRow[] {
  const broken: FaultRow = {
    id: `${id}.broken`,
    part: id,
    label: `${label}: open circuit (broken or loose)`,
    kind: 'failure',
    patch: { [`${id}.continuity`]: 0 },
    per1000: 1,
    cues: { 'ask.recentWork': 0.35, 'look.looseWire': 0.2 },
    remedies: ['wire.renew'],
  }
  if (role === 'earth') return [broken]
  return [
    broken,
    {
      id: `${id}.neverLanded`,
      part: id,
      label: `${label}: never connected`,
      kind: 'state',
      patch: { [`${id}.continuity`]: 0, [`${id}.landed`]: 0 },
      per1000: 0.3,
      cues: { 'ask.sinceInstalled': 0.8, 'ask.recentWork': 0.6, 'look.looseWire': 0.95 },
      background: ['poorInstallation', 'unfinished'],
      remedies: ['wire.land', 'wire.renew'],
      causeChecks: ['ask.recentWork'],
    },
    ...(astray
      ? [
          {
            id: `${id}.onWrongTerminal`,
            part: id,
            label: `${label}: in the wrong terminal`,
            kind: 'state',
            patch: { [`${id}.landsOn`]: 1 },
            per1000: 0.4,
            cues: { 'ask.sinceInstalled': 0.7, 'ask.recentWork': 0.6 },
            background: ['poorInstallation'],
            remedies: ['wire.move'],
            causeChecks: ['ask.recentWork'],
          } satisfies FaultRow,
        ]
      : []),
    ...(touches
      ? [
          {
            id: `${id}.shorted`,
            part: id,
            label: `${label}: shorted to the next core`,
            kind: 'failure',
            patch: { [`${id}.shorted`]: 1 },
            per1000: 0.3,
            cues: { 'ask.trips': 0.6, 'ask.recentWork': 0.3 },
            remedies: ['wire.part'],
          } satisfies FaultRow,
          {
            id: `${id}.toEarth`,
            part: id,
            label: `${label}: down to earth, trips`,
            kind: 'failure',
            patch: { [`${id}.toEarth`]: 1, 'supply.live': 0 },
            per1000: 0.3,
            cues: { 'ask.trips': 0.9, 'ask.recentWork': 0.3 },
            remedies: ['wire.part'],
          } satisfies FaultRow,
        ]
      : []),
  ]
}
