import type { Check, PartState } from '@dewpoint/core/diagnosis'

/** One thing on the water's way, and where it is drawn. */
interface Place {
  id: string
  label: string
  /** parts it stands for, and things whose parts it stands for */
  parts: string[]
  x: number
  y: number
  /** where the label stands */
  side: 'left' | 'above' | 'below'
  /** checks whose figure is read there, in the demands they are read in */
  checks?: string[]
  /** what it is called where a store stands in the cylinder’s place */
  atStore?: string
}

/** Everything that may be on the water's way; what a boiler does not have is left out. */
const places: Place[] = [
  { id: 'exchanger', label: 'Exchanger', parts: ['exchanger'], x: 70, y: 26, side: 'above' },
  { id: 'relief', label: 'Relief valve', parts: ['relief', 'expansionRelief'], checks: ['measure.reliefLifts'], x: 20, y: 92, side: 'below' },
  { id: 'diverter', label: 'Diverter', parts: ['diverter', 'midValve'], x: 150, y: 92, side: 'above' },
  { id: 'heatingValve', label: 'Heating valve', parts: ['heatingValve', 'zone2Valve'], x: 205, y: 130, side: 'below' },
  { id: 'hotWaterValve', label: 'Hot-water valve', atStore: 'Store valve', parts: ['hotWaterValve'], x: 120, y: 116, side: 'below' },
  {
    id: 'plate',
    label: 'Plate',
    parts: ['plate'],
    checks: ['measure.platePrimaryIn', 'measure.platePrimaryOut', 'measure.tapTemperature'],
    x: 120,
    y: 168,
    side: 'below',
  },
  {
    id: 'cylinder',
    label: 'Cylinder',
    atStore: 'Store',
    parts: ['cylinder'],
    checks: ['measure.storeTemperature', 'measure.coilFlow', 'measure.coilReturn'],
    x: 120,
    y: 168,
    side: 'below',
  },
  {
    id: 'radiators',
    label: 'Radiators',
    parts: ['radiators', 'systemFilter', 'systemWater', 'bypass'],
    checks: ['measure.radiatorTemperature'],
    x: 205,
    y: 198,
    side: 'below',
  },
  { id: 'pump', label: 'Pump', parts: ['pump'], x: 70, y: 130, side: 'left' },
  { id: 'vessel', label: 'Vessel', parts: ['vessel'], checks: ['measure.vesselCharge', 'try.climbHot'], x: 20, y: 168, side: 'below' },
  { id: 'fillingLoop', label: 'Filling loop', parts: ['fillingLoop'], x: 70, y: 198, side: 'below' },
  { id: 'gauge', label: 'Gauge', parts: ['gauge', 'pressureSensor', 'waterSwitch'], checks: ['look.gaugeCold', 'look.gaugeHot'], x: 20, y: 26, side: 'above' },
]

/** The water's way by demand, as points of the drawing. */
const ways = {
  heating: [
    [70, 26],
    [150, 26],
    [150, 92],
    [205, 92],
    [205, 198],
    [205, 240],
    [70, 240],
    [70, 92],
    [70, 26],
  ],
  hotWater: [
    [70, 26],
    [150, 26],
    [150, 92],
    [120, 92],
    [120, 168],
    [120, 240],
    [70, 240],
    [70, 92],
    [70, 26],
  ],
} as const

/** Where a clamp or the display reads the water on its way, by demand. */
interface Point {
  id: string
  label: string
  checks: string[]
  demand: keyof typeof ways
  x: number
  y: number
}

const points: Point[] = [
  { id: 'flowHeating', label: 'Flow', checks: ['measure.flowPipe', 'display.flowHot'], demand: 'heating', x: 110, y: 26 },
  { id: 'returnHeating', label: 'Return', checks: ['display.returnHot', 'measure.heatingRise'], demand: 'heating', x: 136, y: 240 },
  { id: 'flowHotWater', label: 'Flow', checks: ['display.flowHot', 'measure.heatingFlowOnTap'], demand: 'hotWater', x: 110, y: 26 },
  { id: 'in', label: 'In', checks: ['measure.platePrimaryIn', 'measure.coilFlow'], demand: 'hotWater', x: 120, y: 142 },
  { id: 'out', label: 'Out', checks: ['measure.platePrimaryOut', 'measure.coilReturn'], demand: 'hotWater', x: 120, y: 216 },
]

const branches = [
  [
    [20, 26],
    [70, 26],
  ],
  [
    [20, 92],
    [70, 92],
  ],
  [
    [20, 168],
    [70, 168],
  ],
] as const

/** A place with what is known of its parts. */
export interface Shown extends Place {
  state: PartState['state']
  says: string
  /** entries that prove it good */
  entries: string[]
}

/**
 * The points of the water's way at which a boiler can be read while a demand runs, and the checks of it that are read there.
 *
 * @param checks what the boiler's catalogue can be asked
 */
export function pointsOf(checks: readonly Pick<Check, 'id' | 'situation'>[], demand: keyof typeof ways): Point[] {
  return points.flatMap((point) => {
    if (point.demand !== demand) return []
    const own = point.checks.filter((id) => checks.some((one) => one.id === id && one.situation.demand === demand))
    return own.length > 0 ? [{ ...point, checks: own }] : []
  })
}

/** The water map of a boiler: its places and what is known of them. */
export function waterMap(parts: readonly PartState[]): { places: Shown[]; ways: Record<keyof typeof ways, string>; branches: string[] } {
  const store = parts.some(({ id, of, label }) => (of ?? id) === 'cylinder' && /\bstore\b/i.test(label))
  const shown = places.flatMap(({ atStore, ...place }): Shown[] => {
    const own = parts.filter(({ id, of }) => place.parts.includes(of ?? id))
    if (own.length === 0) return []
    const bad = own.filter((one) => one.state === 'bad')
    const state = bad.length > 0 ? 'bad' : own.every((one) => one.state === 'good') ? 'good' : 'untested'
    const says = state === 'bad' ? bad.map((one) => one.label).join(', ') : state === 'good' ? 'proven good' : 'not proved'
    const entries = state === 'good' ? [...new Set(own.flatMap((one) => one.provenBy.flatMap((by) => by.entries)))] : []
    return [{ ...place, ...(store && atStore && { label: atStore }), state, says, entries }]
  })
  const line = (points: readonly (readonly [number, number])[]) => points.map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join('')
  return { places: shown, ways: { heating: line(ways.heating), hotWater: line(ways.hotWater) }, branches: branches.map(line) }
}
