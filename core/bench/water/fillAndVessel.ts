import { expansion, vesselPressure, vesselWater, waterDensity } from '../../physics/index.ts'

/** A sealed system and its vessel. */
export interface SealedSystem {
  /** water in it, l */
  litres: number
  vesselLitres: number
  /** gas pressure with the water side drained and open, bar */
  preCharge: number
  coldCelsius: number
  hotCelsius: number
  /** where the relief valve lifts, bar */
  relief: number
}

/** What comes of filling it cold to one pressure. */
export interface FillAnswer {
  fill: number
  /** pressure hot, before any relief valve acts, bar */
  hot: number
  /** below the relief valve, bar; negative where it lifts before */
  room: number
  /** mean water temperature at which the relief valve lifts, °C; null where it never does below 110 */
  liftsAt: number | null
  /** largest system this vessel serves so filled, l */
  serves: number
  /** water in the vessel cold: what can be lost before the gauge drops away, l */
  reserve: number
  /** gas in the vessel, l */
  gasCold: number
  gasHot: number
}

const hottest = 110

/** Growth of a litre of water, l, from cold to hot. */
const growth = (cold: number, hot: number) => waterDensity(cold) / waterDensity(hot) - 1

/**
 * What a sealed system does when it is filled cold to a pressure and heated. Boyle's law at constant temperature, water from its density
 * (Kell 1975): as EN 12828 sizes vessels.
 *
 * @param fill cold pressure, bar
 */
export function fillAnswer(system: SealedSystem, fill: number): FillAnswer {
  const { litres, vesselLitres, preCharge, coldCelsius, hotCelsius, relief } = system
  const cold = vesselWater(vesselLitres, preCharge, fill)
  const at = (celsius: number) => vesselPressure(vesselLitres, preCharge, cold + expansion(litres, coldCelsius, celsius))
  const hot = at(hotCelsius)
  const takes = vesselWater(vesselLitres, preCharge, relief) - cold
  const grows = growth(coldCelsius, hotCelsius)
  const gas = (water: number) => Math.max(vesselLitres - water, vesselLitres / 50)
  return {
    fill,
    hot,
    room: relief - hot,
    liftsAt: at(hottest) <= relief ? null : fill >= relief ? coldCelsius : bisect(at, relief, coldCelsius, hottest),
    serves: grows > 0 ? Math.max(takes, 0) / grows : Infinity,
    reserve: cold,
    gasCold: gas(cold),
    gasHot: gas(cold + expansion(litres, coldCelsius, hotCelsius)),
  }
}

/** Where a rising function takes a value. */
function bisect(of: (at: number) => number, wanted: number, low: number, high: number): number {
  let [from, to] = [low, high]
  for (let round = 0; round < 60; round++) {
    const middle = (from + to) / 2
    if (of(middle) < wanted) from = middle
    else to = middle
  }
  return (from + to) / 2
}

/** cold fill above the charge of the vessel. From memory: about 0.3 bar */
const aboveCharge = 0.3

/**
 * The charge that suits a fill: so much below it that the vessel holds a reserve of water, and no less than the water above presses.
 *
 * @param staticHead height of the highest water over the vessel, as pressure, bar
 */
export const rightCharge = (fill: number, staticHead = 0): number => Math.max(fill - aboveCharge, staticHead + 0.2, 0.5)

/**
 * The vessel EN 12828 asks for: V = (Ve + Vwr)·(pe + 1)/(pe − p0), the reserve Vwr half a per cent of the water and at least 3 l, of a vessel
 * of up to 15 l a fifth of it; pe half a bar below the relief valve. Formula from memory of the standard.
 *
 * @returns litres; Infinity where the charge leaves no room below the relief valve
 */
export function vesselNeeded({ litres, preCharge, coldCelsius, hotCelsius, relief }: Omit<SealedSystem, 'vesselLitres'>): number {
  const end = relief - 0.5
  if (end <= preCharge) return Infinity
  const share = (end + 1) / (end - preCharge)
  const grown = litres * growth(coldCelsius, hotCelsius)
  // a small vessel's reserve is a share of itself
  const small = share * 0.2 < 1 ? (grown * share) / (1 - 0.2 * share) : Infinity
  return small <= 15 ? small : Math.max(15, (grown + Math.max(litres * 0.005, 3)) * share)
}

/** A cold and a hot reading off one gauge, and how far each may be out. */
export interface SeenPair {
  cold: number
  hot: number
  /** standard error of one reading, bar */
  gaugeError: number
  /** how well the water in the system is known, as a share: standard error */
  volumeError: number
}

/** What a cold and a hot reading say of the cushion. */
export interface CushionSeen {
  /** gas that gives way, cold, l */
  gas: number
  /** the same, between these nine times in ten, l */
  low: number
  high: number
  /** gas there should be at that cold pressure, l */
  sound: number
  /** charge that would leave so much gas in a vessel of this size, bar; below 0 there is next to none */
  charge: number
  verdict: 'flat' | 'small' | 'fine' | 'unsure'
  /** the relief valve may have let water out: there may be less gas still */
  relieved: boolean
}

/** within which the cushion is called sound: this share of what it should be and more. Chosen for this model */
const soundShare = 0.75
/** nine in ten of a normal error lie within so many of its standard deviations */
const nineInTen = 1.645

/**
 * The cushion of gas behind a cold and a hot reading: (p_cold + 1.013)·V = (p_hot + 1.013)·(V − e), with e what the water grows by. Its error by
 * first-order propagation.
 *
 * @returns null where the pair says nothing: the gauge hardly moved against its own error, or the water was no warmer
 */
export function cushionSeen(system: SealedSystem, pair: SeenPair): CushionSeen | null {
  const atmosphere = 1.01325
  const grown = expansion(system.litres, system.coldCelsius, system.hotCelsius)
  const climb = pair.hot - pair.cold
  if (grown <= 0 || climb <= pair.gaugeError * Math.SQRT2) return null
  const gas = (grown * (pair.hot + atmosphere)) / climb
  const cold = vesselWater(system.vesselLitres, system.preCharge, pair.cold)
  const sound = system.vesselLitres - cold
  const byHot = (-grown * (pair.cold + atmosphere)) / climb ** 2
  const byCold = gas / climb
  const error = Math.hypot(byHot * pair.gaugeError, byCold * pair.gaugeError, gas * pair.volumeError)
  const low = Math.max(gas - nineInTen * error, 0)
  const high = gas + nineInTen * error
  const enough = soundShare * sound
  const seen = { gas, low, high, sound, charge: (gas * (pair.cold + atmosphere)) / system.vesselLitres - atmosphere, relieved: pair.hot > system.relief - 0.15 }
  if (high < enough) return { ...seen, verdict: 'flat' }
  if (low < 0.5 * sound) return { ...seen, verdict: 'unsure' }
  if (low < enough) return { ...seen, verdict: gas < enough ? 'unsure' : pair.hot > system.relief - 0.5 ? 'small' : 'fine' }
  return { ...seen, verdict: pair.hot > system.relief - 0.5 ? 'small' : 'fine' }
}

/**
 * The cushion by letting water in: litres that raise the gauge from one pressure to another, q = V·(1 − (p1 + 1.013)/(p2 + 1.013)).
 *
 * @returns gas at the lower pressure, l; null where the gauge did not rise
 */
export function cushionByFilling(litres: number, from: number, to: number): number | null {
  return to > from && litres > 0 ? litres / (1 - (from + 1.01325) / (to + 1.01325)) : null
}

/**
 * The water in a system from its cushion and how far it climbed: what it grew by over what a litre grows by.
 *
 * @param gas the cushion at `cold`, l
 * @returns litres; null where the water was no warmer
 */
export function waterBehind(gas: number, cold: number, hot: number, coldCelsius: number, hotCelsius: number): number | null {
  const grows = growth(coldCelsius, hotCelsius)
  return grows > 0 && hot > cold ? (gas * (1 - (cold + 1.01325) / (hot + 1.01325))) / grows : null
}
