import type { Field } from '@dewpoint/core/bench'
import type { UnitSymbol } from '@dewpoint/core/quantity'

/** What the combustion tool is given; the model's CO2 by the rate it runs at. */
export const combustionFields = (usual: (key: string, unit: UnitSymbol) => number | undefined, rate: string, condensing: boolean): Field[] => [
  { key: 'dioxide', label: 'CO2', unit: '%', others: [], low: 0, high: 20 },
  { key: 'oxygen', label: 'or O2', unit: '%', others: [], low: 0, high: 21 },
  { key: 'monoxide', label: 'CO', unit: 'ppm', others: [], low: 0, high: 20_000 },
  { key: 'flue', label: 'Flue gas', unit: '°C', others: ['°F'], low: 0, high: 400 },
  { key: 'air', label: 'Combustion air', unit: '°C', others: ['°F'], low: -30, high: 50, usual: 20 },
  { key: 'back', label: 'Return water', unit: '°C', others: ['°F'], low: 0, high: 100 },
  {
    key: 'setTo',
    label: 'Model’s CO2 at this rate',
    unit: '%',
    others: [],
    low: 1,
    high: 14,
    ...(usual(rate === 'low' ? 'setLow' : 'setHigh', '%') !== undefined && { usual: usual(rate === 'low' ? 'setLow' : 'setHigh', '%')! }),
  },
  { key: 'setWithin', label: 'and right within', unit: '%', others: [], low: 0.05, high: 3, usual: 0.3, hint: 'of CO2, either way' },
  { key: 'limitMonoxide', label: 'CO, at most', unit: 'ppm', others: [], low: 10, high: 2000, usual: 200 },
  { key: 'limitRatio', label: 'CO to CO2, at most', unit: '1', others: [], low: 0.0005, high: 0.05, usual: condensing ? 0.004 : 0.008 },
  { key: 'inletDioxide', label: 'CO2 in the air inlet', unit: '%', others: [], low: 0, high: 15 },
  { key: 'inletOxygen', label: 'or O2 there', unit: '%', others: [], low: 0, high: 21.5 },
]
