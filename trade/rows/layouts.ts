import type { Layout } from '@dewpoint/core/system'

/** The layouts a row is for: of each block that is named, one of these. Models and systems made from a file have them as the stock ones do. */
export type Layouts = { readonly [Block in keyof Layout]?: readonly Layout[Block][] }

export const premix: Layouts = { burner: ['premix'] }
export const atmospheric: Layouts = { burner: ['atmospheric'] }
/** a flame in free air behind a sight glass */
export const openFlame: Layouts = { burner: ['atmospheric', 'pilot'] }
/** a pilot and one fixed rate, no display */
export const withPilot: Layouts = { burner: ['pilot'] }
export const electric: Layouts = { burner: ['electric'] }
export const gasBurning: Layouts = { burner: ['premix', 'atmospheric', 'pilot'] }
/** a modulating burner, and a display that reads its sensors */
export const fullyModulating: Layouts = { burner: ['premix', 'atmospheric'] }

/** hot water made as it runs */
export const onTheSpot: Layouts = { hotWater: ['plate', 'coil'] }
export const withPlate: Layouts = { hotWater: ['plate'] }
export const withCylinder: Layouts = { hotWater: ['cylinder'] }

/** circuits parted by valves, so that one can be warmed while another is meant */
export const severalWays: Layouts = { ways: ['twoPort', 'gravity', 'zones'] }
/** rooms to heat, not a store alone */
export const withRadiators: Layouts = { ways: ['diverter', 'direct', 'twoPort', 'gravity', 'zones'] }
export const zoned: Layouts = { ways: ['zones'] }
export const oneHeatingCircuit: Layouts = { ways: ['diverter', 'direct', 'twoPort', 'gravity'] }
/** valves driven by the mains */
export const mainsValves: Layouts = { ways: ['diverter', 'direct', 'twoPort', 'gravity', 'single'] }
/** mains valves whose end switch passes the call */
export const withEndSwitch: Layouts = { ways: ['twoPort', 'gravity', 'single'] }
/** pump and ways in one block, joined to it by hoses */
export const withHoses: Layouts = { burner: ['premix', 'atmospheric'], ways: ['diverter', 'twoPort'] }
/** a sensor shows the pressure and proves the pump */
export const pressureProof: Layouts = { waterProof: ['pressureRise'] }

/** Whether a layout is among those. */
export function laidOut(layouts: Layouts, layout: Layout): boolean {
  return (Object.entries(layouts) as [keyof Layout, readonly string[]][]).every(([block, kinds]) => kinds.includes(layout[block]))
}
