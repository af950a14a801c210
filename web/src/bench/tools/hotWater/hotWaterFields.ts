import type { Field } from '@dewpoint/core/bench'
import type { UnitSymbol } from '@dewpoint/core/quantity'

/** What the plate and hot water tool is given. */
export const hotWaterFields = (usual: (key: string, unit: UnitSymbol) => number | undefined): Field[] => [
  { key: 'coldIn', label: 'Cold main', unit: '°C', others: ['°F'], low: 0, high: 40, usual: usual('coldIn', '°C') ?? 10 },
  { key: 'hotOut', label: 'At the tap', unit: '°C', others: ['°F'], low: 0, high: 100 },
  { key: 'flow', label: 'Flow at the tap', unit: 'l/min', others: ['US gal/min'], low: 0.2, high: 60 },
  { key: 'jug', label: 'Jug or bucket', unit: 'l', others: ['US gal'], low: 0.2, high: 50, usual: 2 },
  { key: 'jugSeconds', label: 'full in', unit: 's', others: [], low: 1, high: 600 },
  { key: 'primaryIn', label: 'Plate, heating side in', unit: '°C', others: ['°F'], low: 0, high: 120 },
  { key: 'primaryOut', label: 'and out', unit: '°C', others: ['°F'], low: 0, high: 120 },
  { key: 'clampError', label: 'A clamp is good to', unit: 'K', others: [], low: 0.1, high: 10, usual: 1.5 },
  { key: 'clean', label: 'Clean plate', unit: '1', others: [], low: 50, high: 5000, usual: usual('clean', '1') ?? 790, hint: 'W/K, of the model' },
  { key: 'output', label: 'Burner to hot water', unit: 'kW', others: ['Btu/h'], low: 3, high: 80, usual: usual('output', 'kW') ?? 24 },
  { key: 'tapSet', label: 'Tap set to', unit: '°C', others: ['°F'], low: 30, high: 65, usual: usual('tapSet', '°C') ?? 46 },
  { key: 'lowest', label: 'Lowest output', unit: 'kW', others: ['Btu/h'], low: 0.5, high: 40, usual: 6 },
  { key: 'highLimit', label: 'High limit', unit: '°C', others: ['°F'], low: 50, high: 120, usual: usual('highLimit', '°C') ?? 84 },
  { key: 'clampAtCutOut', label: 'Clamp on the flow', unit: '°C', others: ['°F'], low: 0, high: 120 },
  { key: 'displayAtCutOut', label: 'and the display', unit: '°C', others: ['°F'], low: 0, high: 120 },
  {
    key: 'lowestFound',
    label: 'Lowest rate found',
    unit: '%',
    others: [],
    low: 20,
    high: 400,
    hint: 'of its setting: fan speed, or burner pressure as a rate',
  },
]
