import type { Field } from '@dewpoint/core/bench'

/** What the thermistor tool is given, with the boiler's own figures as the usual ones. */
export const thermistorFields = (usual: { highLimit?: number }): Field[] => [
  { key: 'ohms', label: 'Measured resistance', unit: 'kΩ', others: ['Ω', 'MΩ'], low: 0, high: 10_000, hint: 'plug off, power off, against both pins' },
  { key: 'celsius', label: 'True temperature there', unit: '°C', others: ['°F'], low: -40, high: 150, hint: 'by a clamp on the bare pipe beside it' },
  { key: 'highLimit', label: 'High limit of the board', unit: '°C', others: ['°F'], low: 30, high: 130, usual: usual.highLimit ?? 84 },
  { key: 'within', label: 'Right within', unit: 'K', others: [], low: 0.5, high: 20, usual: 3 },
]

/** What a curve of one's own is given by. */
export const curveFields: Field[] = [
  { key: 'r25', label: 'Resistance at 25 °C', unit: 'kΩ', others: ['Ω'], low: 0.05, high: 1000, usual: 10 },
  { key: 'beta', label: 'B-value', unit: 'K', others: [], low: 1000, high: 8000, usual: 3977 },
  ...[1, 2, 3].flatMap((place): Field[] => [
    { key: `t${place}`, label: `Point ${place}: at`, unit: '°C', others: ['°F'], low: -60, high: 250 },
    { key: `r${place}`, label: `Point ${place}: reads`, unit: 'kΩ', others: ['Ω'], low: 0.0001, high: 100_000 },
  ]),
]

/** What a table of the curve runs over. */
export const tableFields: Field[] = [
  { key: 'tableFrom', label: 'From', unit: '°C', others: ['°F'], low: -50, high: 200, usual: 0 },
  { key: 'tableTo', label: 'To', unit: '°C', others: ['°F'], low: -50, high: 200, usual: 100 },
  { key: 'tableStep', label: 'Every', unit: 'K', others: [], low: 0.1, high: 50, usual: 5 },
]
