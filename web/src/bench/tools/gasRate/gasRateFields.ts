import type { Field } from '@dewpoint/core/bench'
import type { GasId } from '@dewpoint/core/physics'
import { referenceGases } from '@dewpoint/core/physics'

/** What the gas rate tool is given. */
export const gasRateFields = (gas: GasId): Field[] => [
  { key: 'volume', label: 'Volume timed', unit: 'l', others: ['m³', 'ft³'], low: 0.1, high: 100_000, usual: 20 },
  { key: 'seconds', label: 'It took', unit: 's', others: ['min'], low: 1, high: 36_000 },
  {
    key: 'gross',
    label: 'Heating value, gross',
    unit: 'MJ/m³',
    others: ['kWh/m³', 'Btu/ft³'],
    low: 10,
    high: 150,
    usual: referenceGases[gas].gross,
    hint: 'of the bill, where it is known',
  },
  { key: 'plate', label: 'Heat input on the plate', unit: 'kW', others: ['Btu/h'], low: 1, high: 200 },
  { key: 'below', label: 'Right down to', unit: '%', others: [], low: 0, high: 30, usual: 5, hint: 'below the plate' },
  { key: 'above', label: 'and up to', unit: '%', others: [], low: 0, high: 30, usual: 5, hint: 'above it' },
  { key: 'atMeter', label: 'Working, at the meter', unit: 'mbar', others: ['inH2O', 'kPa'], low: 0, high: 100 },
  { key: 'atBoiler', label: 'and at the boiler', unit: 'mbar', others: ['inH2O', 'kPa'], low: 0, high: 100 },
  { key: 'bore', label: 'Pipe, bore', unit: 'mm', others: ['in'], low: 4, high: 100, usual: 20 },
  { key: 'length', label: 'Length, bends in', unit: 'm', others: ['ft'], low: 0.1, high: 200 },
  { key: 'meterCelsius', label: 'Gas at the meter', unit: '°C', others: ['°F'], low: -20, high: 50 },
]
