import { heatToWater } from '../../physics/index.ts'

/** What is known of a burner that goes off and on while a tap runs; null where nobody looked. */
export interface CyclingSeen {
  /** by a clamp on the flow pipe as the burner goes out, °C */
  clampAtCutOut: number | null
  /** on the display at the same moment, °C */
  displayAtCutOut: number | null
  /** lowest rate as found over as set, by fan speed, burner pressure or gas rate; 1 as it should be */
  lowestRate: number | null
  /** conductance of the plate over a clean one's */
  plateOfClean: number | null
  /** whether the burner really drops out while the tap runs */
  dropsOut: boolean | null
}

/** The boiler and the draw. */
export interface CyclingModel {
  /** where the board stops the burner, °C */
  highLimit: number
  /** burner's lowest output, kW */
  lowestOutput: number
  coldIn: number
  /** what the tap is set to, °C */
  tap: number
  /** l/min */
  flow: number
  clampError: number
}

/** The look-alikes of hot-cold-hot: what may make it, the cheap ones to check first. */
export type CyclingSuspect = 'draw' | 'thermistor' | 'lowestRate' | 'plate'

export interface CyclingAnswer {
  /** heat the water takes at the tap, kW */
  taken: number
  /** heat the lowest rate gives, as found, kW */
  given: number
  /** what the readings say of each, in the order they are checked */
  suspects: { suspect: CyclingSuspect; says: 'for' | 'against' | 'open' }[]
  /** the check that parts what is left; null where one stands alone or nothing is left open */
  next: CyclingSuspect | 'dropsOut' | null
}

/** a lowest rate this far over its setting is too high. From memory: a tenth */
const tooHigh = 1.1
/** a plate of less than this of a clean one's conductance makes the primary run up */
const blocked = 0.5

/**
 * Which of the look-alikes makes a burner short-cycle on hot water: a flow thermistor reading high, a lowest rate too high, a plate blocked on its
 * heating side, or a draw too small for any of them. The check is the cheapest still open; the plate, which costs most, last. Common practice.
 */
export function cyclingAnswer(model: CyclingModel, seen: CyclingSeen): CyclingAnswer {
  const taken = heatToWater(model.flow, model.coldIn, model.tap) / 1000
  const given = model.lowestOutput * (seen.lowestRate ?? 1)
  const says = (known: boolean | null): 'for' | 'against' | 'open' => (known === null ? 'open' : known ? 'for' : 'against')
  const joint = model.clampError + 1.5
  const readsHigh =
    seen.displayAtCutOut !== null && seen.clampAtCutOut !== null
      ? seen.displayAtCutOut - seen.clampAtCutOut > joint
      : seen.clampAtCutOut !== null
        ? seen.clampAtCutOut < model.highLimit - joint
        : null
  const suspects: CyclingAnswer['suspects'] = [
    { suspect: 'draw', says: says(model.lowestOutput > taken) },
    { suspect: 'thermistor', says: says(readsHigh) },
    { suspect: 'lowestRate', says: says(seen.lowestRate === null ? null : seen.lowestRate > tooHigh) },
    { suspect: 'plate', says: says(seen.plateOfClean === null ? null : seen.plateOfClean < blocked) },
  ]
  const settled = suspects.some((one) => one.says === 'for')
  const next = seen.dropsOut === null ? 'dropsOut' : seen.dropsOut === false || settled ? null : (suspects.find((one) => one.says === 'open')?.suspect ?? null)
  return { taken, given, suspects, next }
}
