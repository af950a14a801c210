import type { Catalogue } from '@dewpoint/core/diagnosis'
import { places, type Place } from '@dewpoint/trade/places'

/** Width and height of the section through house and wall, in its own units. */
export const canvas = { width: 560, height: 640 }

/** Where the boiler hangs in it: left, right, top, bottom. */
interface Box {
  left: number
  right: number
  top: number
  bottom: number
}

/** Which of the things that can be drawn this appliance has. */
export interface Drawn {
  case: Box
  /** the lower part of the front, where display and gauge are */
  panel: number
  display: boolean
  knob: boolean
  sightGlass: boolean
  flue: boolean
  gas: boolean
  condensate: boolean
  hotWater: boolean
  /** how far down the tap is drawn, where there is one */
  tap: number | null
  cylinder: boolean
  tundish: boolean
  valves: number
  programmer: boolean
  thermostats: number
  loop: 'hose' | 'builtIn' | 'automatic'
  relief: boolean
  /** drip positions under the case, left to right as shares of its width */
  drips: number[]
}

/** A numbered place on the picture: its ring, and the point on the thing it is about. */
export interface Spot {
  place: Place
  number: number
  ring: readonly [x: number, y: number]
  at: readonly [x: number, y: number]
}

const rings: Record<string, { ring: readonly [number, number]; at: readonly [number, number] }> = {
  display: { ring: [134, 366], at: [184, 372] },
  gauge: { ring: [374, 322], at: [322, 360] },
  burner: { ring: [134, 236], at: [238, 252] },
  case: { ring: [134, 300], at: [171, 310] },
  pump: { ring: [134, 426], at: [212, 400] },
  under: { ring: [374, 432], at: [334, 422] },
  fillingLoop: { ring: [374, 500], at: [312, 506] },
  gas: { ring: [150, 540], at: [240, 536] },
  valves: { ring: [134, 486], at: [186, 478] },
  cylinder: { ring: [38, 328], at: [52, 350] },
  tundish: { ring: [30, 540], at: [46, 514] },
  tap: { ring: [74, 402], at: [46, 424] },
  radiator: { ring: [150, 600], at: [122, 596] },
  thermostat: { ring: [98, 186], at: [62, 196] },
  programmer: { ring: [98, 108], at: [62, 118] },
  relief: { ring: [512, 452], at: [478, 476] },
  condensate: { ring: [512, 560], at: [478, 590] },
  flue: { ring: [512, 88], at: [486, 122] },
}

/** where the tap is drawn when a cylinder stands in its place */
const besideCylinder = { tap: 264, spot: { ring: [88, 276], at: [50, 270] } as const }

/** What is drawn of an appliance, by the data of its system and what is known of its versions. */
export function drawnOf({ system }: Pick<Catalogue, 'system'>, fact: (id: string) => unknown = () => undefined): Drawn {
  const has = (id: string) => system.components.some((one) => one.id === id)
  const { layout, dripPositions } = system
  const electric = layout.burner === 'electric'
  const box = electric ? { left: 190, right: 320, top: 250, bottom: 420 } : { left: 170, right: 340, top: 150, bottom: 420 }
  const across: Record<string, number> = { lowerLeft: 0.1, lowerMiddle: 0.48, lowerRight: 0.9, rearRight: 0.78, frontMiddle: 0.6, below: 0.5 }
  return {
    case: box,
    panel: box.bottom - 82,
    display: system.statuses.length > 0,
    knob: layout.burner === 'pilot',
    sightGlass: !electric,
    flue: has('flue'),
    gas: has('gas'),
    condensate: has('condensate'),
    hotWater: has('mixer') && !has('cylinder'),
    tap: has('mixer') ? (has('cylinder') ? besideCylinder.tap : 422) : null,
    cylinder: has('cylinder'),
    tundish: has('expansionRelief'),
    valves: ['heatingValve', 'hotWaterValve', 'zone2Valve', 'midValve'].filter(has).length,
    programmer: has('programmer'),
    thermostats: ['roomStat', 'zone2Stat'].filter(has).length,
    loop: layout.ways === 'zones' ? 'automatic' : fact('filling') === 'builtIn' ? 'builtIn' : 'hose',
    relief: has('relief'),
    drips: dripPositions.flatMap(({ id }) => across[id] ?? []),
  }
}

/** The places of an appliance, numbered as somebody walks past them. Only those with a check of this catalogue. */
export function spotsOf({ system, checks }: Pick<Catalogue, 'system' | 'checks'>): Spot[] {
  const components = new Set(system.components.map((one) => one.id))
  const known = new Set(checks.map((one) => one.id))
  return places
    .filter(({ needs, checks: ids }) => (!needs || needs.split('|').some((one) => components.has(one))) && ids.some((id) => known.has(id)))
    .map((place, index) => ({
      place: { ...place, checks: place.checks.filter((id) => known.has(id)) },
      number: index + 1,
      ...(place.id === 'tap' && components.has('cylinder') ? besideCylinder.spot : rings[place.id]!),
    }))
}
