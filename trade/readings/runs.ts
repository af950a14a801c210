import type { Run } from '@dewpoint/core/diagnosis'
import type { BoilerSystem } from '@dewpoint/core/system'

const all = {
  idle: { id: 'idle', label: 'nothing called, every tap shut', heating: false, tap: 0, seconds: 180, cold: true },
  full: { id: 'full', label: 'a tap fully open', heating: false, tap: Infinity, seconds: 360, after: 40 },
  basin: { id: 'basin', label: 'a basin tap at 2.6 l/min', heating: false, tap: 2.6, seconds: 360, after: 40 },
  /** an atmospheric burner cannot be turned down for less */
  strongBasin: { id: 'basin', label: 'a basin tap at 4 l/min', heating: false, tap: 4, seconds: 360, after: 40 },
  heating: { id: 'heating', label: 'rooms calling, taps shut', heating: true, tap: 0, seconds: 900, after: 60 },
  /** the rooms call as well, so that valves stand open; the board itself need hear nothing */
  highRate: { id: 'highRate', label: 'test function, highest rate', heating: true, tap: 0, seconds: 120, holds: 'highest' },
  lowRate: { id: 'lowRate', label: 'test function, lowest rate', heating: true, tap: 0, seconds: 120, holds: 'lowest' },
  bridged: { id: 'bridged', label: 'room thermostat’s wires joined', heating: false, bridged: true, tap: 0, seconds: 45 },
  linked: { id: 'linked', label: 'the boiler’s own room-thermostat terminals joined', heating: false, linked: true, tap: 0, seconds: 60 },
  programmedOff: {
    id: 'programmedOff',
    label: 'thermostats calling, off at the programmer',
    heating: true,
    stored: true,
    programmed: { heating: false, hotWater: false },
    tap: 0,
    seconds: 45,
  },
  heatingAlone: {
    id: 'heatingAlone',
    label: 'rooms calling, hot water off at the programmer',
    heating: true,
    stored: true,
    programmed: { heating: true, hotWater: false },
    tap: 0,
    seconds: 60,
  },
  both: { id: 'both', label: 'rooms and cylinder calling', heating: true, stored: true, tap: 0, seconds: 60 },
  zone2: { id: 'zone2', label: 'the second zone calling alone', heating: false, zone2: true, tap: 0, seconds: 900 },
  stored: { id: 'stored', label: 'the cylinder calling', heating: false, stored: true, tap: 0, seconds: 1260, after: 40 },
  /** gravity and electric elements take longer */
  slowStored: { id: 'stored', label: 'the store calling', heating: false, stored: true, tap: 0, seconds: 1920, after: 40 },
  /** two hours of heat-up in the middle of the day, the store at its setting already: what will not stop shows */
  storeOn: {
    id: 'storeOn',
    label: 'the store at its setting, hot water left on',
    heating: false,
    stored: true,
    storeAt: 58,
    tap: 0,
    seconds: 2700,
    step: 2,
    every: 6,
  },
  drawOff: { id: 'drawOff', label: 'a tap fully open from a hot store', heating: false, storeAt: 60, tap: Infinity, seconds: 150 },
} satisfies Record<string, Run>

/** s: halved, two in a hundred thousand readings move by more than half their own error (`npm run bench` looks at more) */
const wholeSeconds = 1

/** The runs an engineer makes on a system, and every reading is taken in. */
export function runsOf({ layout, controls, components }: BoilerSystem): Run[] {
  const { burner, hotWater, ways, waterProof } = layout
  const onTheSpot = hotWater === 'plate' || hotWater === 'coil'
  const stored = hotWater === 'cylinder' || hotWater === 'store'
  const runs: Run[] = [
    all.idle,
    ...(onTheSpot ? [all.full, burner === 'atmospheric' ? all.strongBasin : all.basin] : []),
    ...(ways === 'single' ? [] : [all.heating]),
    ...(burner === 'premix' || burner === 'atmospheric' ? [all.highRate, all.lowRate] : []),
    ...(ways === 'zones' ? [all.zone2] : []),
    ...(stored ? [ways === 'twoPort' && burner !== 'electric' ? all.stored : all.slowStored, all.storeOn, all.drawOff] : []),
    // nothing flows past shut valves, which a flow switch would take for no water
    ...(components.some((one) => one.id === 'roomStat') && waterProof !== 'flowSwitch' ? [all.linked] : []),
    ...(controls && components.some((one) => one.id === 'roomStat') ? [all.bridged] : []),
    ...(controls ? [all.programmedOff] : []),
    ...(controls && components.some((one) => one.id === 'roomStat') && stored ? [all.heatingAlone, all.both] : []),
  ]
  return runs.map((run) => ({ step: wholeSeconds, ...run }))
}

/** The run in which the burner works as hard as it can. */
export function highRunOf({ layout }: BoilerSystem): string {
  return layout.burner === 'premix' || layout.burner === 'atmospheric' ? 'highRate' : 'heating'
}

/** The run and demand in which an engineer watches the burner start. */
export function mainRunOf({ layout }: BoilerSystem): { run: string; demand: 'heating' | 'hotWater' } {
  if (layout.hotWater === 'plate' || layout.hotWater === 'coil') return { run: 'full', demand: 'hotWater' }
  return layout.ways === 'single' ? { run: 'stored', demand: 'hotWater' } : { run: 'heating', demand: 'heating' }
}
