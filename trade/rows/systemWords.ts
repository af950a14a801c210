import type { Layout } from '@dewpoint/core/system'
import { laidOut, openFlame, zoned, type Layouts } from './layouts.ts'

/** What a part is called on systems laid out so. */
interface Called {
  on: Layouts
  called: [usual: string | RegExp, here: string][]
}

const waterSwitches = { pumpProvingSwitch: 'Pump-proving switch', lowWaterSwitch: 'Low-water switch', flowSwitch: 'Flow switch' }

/** What a part is called on systems where it does another’s job. */
const words: Called[] = [
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
      ['Hot-water output of the programmer', 'Store output of the programmer'],
      ['Heating flow temperature set too low', 'Flow temperature set too low'],
      ['the cylinder’s coil', 'the store'],
      ['at the cylinder', 'at the store'],
      ['from the cylinder', 'from the store'],
      ['only the cylinder', 'only the store'],
      [', cylinder hot', ', store hot'],
      ['the cylinder coil', 'the circuit to the store'],
      ['Cylinder coil', 'Circuit to the store'],
      ['Cylinder’s', 'Store’s'],
      ['hot-water cylinder', 'thermal store'],
      ['Fit a new cylinder', 'Fit a new store'],
    ],
  },
  {
    // bars in a chamber behind a panel: it has no burner door
    on: openFlame,
    called: [
      ['burner door seal', 'chamber panel seal'],
      ['Fit a new door seal', 'Fit a new chamber panel seal'],
      ['Burner door or case seal', 'Chamber panel'],
      ['the burner door', 'the chamber panel'],
    ],
  },
  ...(['pumpProvingSwitch', 'lowWaterSwitch', 'flowSwitch'] as const).map((kind): Called => ({
    on: { waterProof: [kind] },
    called: [
      ['Water switch', waterSwitches[kind]],
      [/\bwater switch\b/, waterSwitches[kind].toLowerCase()],
    ],
  })),
]

/** A text in the words of a system laid out so. */
export function wordsHere(layout: Layout): (text: string) => string {
  const called = words.filter(({ on }) => laidOut(on, layout)).flatMap((one) => one.called)
  return (text) => called.reduce((so, [usual, here]) => so.replace(usual, here), text)
}

/** A label in the words of a system laid out so. */
export function calledHere(layout: Layout): <T extends { label: string }>(one: T) => T {
  const here = wordsHere(layout)
  return (one) => ({ ...one, label: here(one.label) })
}
