import type { Layout } from '@dewpoint/core/system'
import { laidOut, zoned, type Layouts } from './layouts.ts'

/** What a part is called on systems where it does another’s job. */
const words: { on: Layouts; called: [usual: string, here: string][] }[] = [
  {
    on: zoned,
    called: [
      ['Heating valve', 'Zone 1 valve'],
      ['heating valve', 'zone 1 valve'],
      ['Room thermostat', 'Zone 1 thermostat'],
      ['room thermostat', 'zone 1 thermostat'],
      ['Zone valve', 'Zone 1 valve'],
      ['Second zone valve', 'Zone 2 valve'],
      ['Second zone’s', 'Zone 2'],
    ],
  },
  {
    on: { hotWater: ['store'] },
    called: [
      ['Hot-water valve', 'Store valve'],
      ['hot-water valve', 'store valve'],
      ['Cylinder thermostat', 'Store thermostat'],
      ['cylinder thermostat', 'store thermostat'],
      ['not in contact with the cylinder', 'not in contact with the store'],
      ['Hot-water output of the programmer', 'Output of the timer'],
      ['Heating flow temperature set too low', 'Flow temperature set too low for the store'],
    ],
  },
  { on: { waterProof: ['pumpProvingSwitch'] }, called: [['Water switch', 'Pump-proving switch']] },
  { on: { waterProof: ['lowWaterSwitch'] }, called: [['Water switch', 'Low-water switch']] },
  { on: { waterProof: ['flowSwitch'] }, called: [['Water switch', 'Flow switch']] },
]

/** A label in the words of a system laid out so. */
export function calledHere(layout: Layout): <T extends { label: string }>(one: T) => T {
  const called = words.filter(({ on }) => laidOut(on, layout)).flatMap((one) => one.called)
  return (one) => ({ ...one, label: called.reduce((label, [usual, here]) => label.replace(usual, here), one.label) })
}
