import type { Instrument } from '@dewpoint/core/diagnosis'

/** Instruments on the van, with the error a careful reading carries. Figures from memory of data sheets of their class. */
export const instruments: Instrument[] = [
  {
    id: 'multimeter',
    label: 'multimeter, ohms',
    absolute: 0.02,
    relative: 0.02,
    ranges: [
      { unit: 'Ω', upTo: 200 },
      { unit: 'kΩ', upTo: 2 },
      { unit: 'kΩ', upTo: 20 },
      { unit: 'kΩ', upTo: 200 },
      { unit: 'MΩ', upTo: 20 },
    ],
  },
  {
    id: 'voltmeter',
    label: 'multimeter, volts',
    absolute: 2,
    relative: 0.02,
    ranges: [
      { unit: 'V', upTo: 60 },
      { unit: 'V', upTo: 600 },
    ],
  },
  { id: 'lowImpedance', label: 'low-impedance tester', absolute: 2, relative: 0.02 },
  { id: 'insulation', label: 'insulation tester', absolute: 0.2, relative: 0.1 },
  { id: 'clampMeter', label: 'clamp ammeter', absolute: 0.4, relative: 0.03 },
  { id: 'clamp', label: 'clamp thermometer', absolute: 1.5, relative: 0 },
  { id: 'gauge', label: 'appliance gauge', absolute: 0.1, relative: 0.03, cutOffBy: /gauge/i },
  { id: 'tester', label: 'pressure tester', absolute: 0.03, relative: 0.01 },
  { id: 'manometer', label: 'manometer', absolute: 0.15, relative: 0.01 },
  { id: 'analyser', label: 'flue-gas analyser', absolute: 0.15, relative: 0.03 },
  { id: 'analyserCo', label: 'flue-gas analyser, CO', absolute: 8, relative: 0.08 },
  { id: 'meter', label: 'gas meter and watch', absolute: 0.03, relative: 0.02 },
  { id: 'jug', label: 'jug and watch', absolute: 0.3, relative: 0.04 },
  { id: 'counter', label: 'frequency range of the multimeter', absolute: 0.5, relative: 0.02 },
  { id: 'microammeter', label: 'meter in series, µA', absolute: 0.1, relative: 0.03 },
  { id: 'dial', label: 'dial or plate', absolute: 0.5, relative: 0 },
  { id: 'counting', label: 'counting', absolute: 0.2, relative: 0.05 },
  { id: 'cup', label: 'measuring cup', absolute: 0.02, relative: 0.05 },
  { id: 'display', label: 'the display', absolute: 30, relative: 0.01 },
  { id: 'displayTemperature', label: 'the display', absolute: 0.6, relative: 0 },
]
