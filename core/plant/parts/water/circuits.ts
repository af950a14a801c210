import {
  coilEffectiveness,
  counterflowHeat,
  expansion,
  radiatorOutput,
  vesselPressure,
  vesselWater,
  waterDensity,
  waterSpecificHeat,
} from '../../../physics/index.ts'
import { signalIndex as S } from '../../../system/index.ts'
import { draw, lag, type Part } from '../../plant.ts'

/** Fall of a plate's conductance with flow on one side, relative to rated flow. From memory: film coefficient goes with about the 0.7th power, half of the resistance each side. */
function film(flow: number, rated: number): number {
  return flow <= 0 ? 0 : Math.pow(Math.min(flow / rated, 2), 0.35)
}

const mainsHeat = waterSpecificHeat(30)

/** Plate heat exchanger: counterflow, no mass of its own, tap water held for a moment behind it. */
export const plate: Part = ({ s, dt, drawn, script, value }) => {
  const cold = value('mains.temperature')
  const room = value('radiators.roomTemperature')
  const whole = value('plate.conductance') * value('plate.heatingSide') * value('plate.mainsSide')
  const ratedPrimary = value('plate.primaryFlow')
  const ratedTap = value('restrictor.flow')
  const crossover = value('mixer.crossover')
  const perLitre = (waterDensity(cold) * mainsHeat) / 60_000
  const behind = lag(dt, 3)
  const soak = 1 - Math.exp((-dt / 15) * Math.min(1, whole / 400))
  const cools = lag(dt, 1800)
  const held = new Float64Array([script.cold ? room : 45])
  s[S.tapTemperature] = s[S.hotWaterTemperature] = held[0]!
  return () => {
    const flow = s[S.plateFlow]!
    const through = s[S.tapFlow]! * (1 - crossover)
    const capacity = (flow / 60) * waterSpecificHeat(s[S.flowTemperature]!)
    const mains = through * perLitre
    const from = s[S.flowTemperature]!
    const heat = counterflowHeat(whole * film(flow, ratedPrimary) * film(through, ratedTap), capacity, mains, from, cold)
    const out = capacity > 0 ? from - heat / capacity : held[0]!
    if (mains > 0) held[0]! += (cold + heat / mains - held[0]!) * behind
    else if (flow > 0) held[0]! += (from - held[0]!) * soak
    else held[0]! += (room - held[0]!) * cools
    s[S.plateIn] = flow > 0 ? from : held[0]!
    s[S.plateOut] = out
    s[S.plateHeat] = heat / 1000
    s[S.hotWaterTemperature] = held[0]!
    s[S.tapTemperature] = held[0]! + (s[S.tapFlow]! > 0 ? crossover * (cold - held[0]!) : 0)
    draw(drawn, capacity, from, out)
  }
}

/** Tap water led through the main exchanger itself: no plate, no diverter. */
export const coil: Part = ({ s, dt, drawn, script, value }) => {
  const cold = value('mains.temperature')
  const room = value('radiators.roomTemperature')
  const whole = value('coil.conductance') * value('coil.mainsSide')
  const ratedTap = value('restrictor.flow')
  const crossover = value('mixer.crossover')
  const perLitre = (waterDensity(cold) * mainsHeat) / 60_000
  const behind = lag(dt, 3)
  const soak = lag(dt, 25)
  const held = new Float64Array([script.cold ? room : 45])
  s[S.tapTemperature] = s[S.hotWaterTemperature] = held[0]!
  return () => {
    const through = s[S.tapFlow]! * (1 - crossover)
    const mains = through * perLitre
    const heat = coilEffectiveness(whole * film(through, ratedTap), mains) * mains * (s[S.flowTemperature]! - cold)
    if (mains > 0) held[0]! += (cold + heat / mains - held[0]!) * behind
    else held[0]! += (s[S.flowTemperature]! - held[0]!) * soak
    s[S.plateHeat] = heat / 1000
    s[S.hotWaterTemperature] = held[0]!
    s[S.tapTemperature] = held[0]! + (s[S.tapFlow]! > 0 ? crossover * (cold - held[0]!) : 0)
    drawn[0]! += heat
  }
}

/** Stored hot water heated by a coil: one well-mixed node, its pressure behind a reducing valve held by a cushion of its own. */
export const cylinder: Part = ({ s, dt, clock, drawn, script, value, optional }) => {
  const cold = value('mains.temperature')
  const room = value('radiators.roomTemperature')
  const litres = value('cylinder.volume')
  const conductance = value('cylinder.coilConductance') * (1 - 0.55 * value('cylinder.reversed')) * value('cylinder.coilSurface')
  const loss = value('cylinder.standingLoss')
  const crossover = value('mixer.crossover')
  const setting = value('reducingValve.setting') * (1 - value('reducingValve.passing')) + value('mains.standing') * value('reducingValve.passing')
  const cushion = value('cylinderVessel.volume') * value('cylinderVessel.cushion')
  const charge = value('cylinderVessel.preCharge')
  const opensAt = value('expansionRelief.opensAt')
  const passing = value('expansionRelief.passing') + optional('expansionRelief.temperaturePassing', 0)
  const began = script.storeAt ?? value('cylinder.temperature')
  const atRest = vesselWater(cushion, charge, setting)
  const mass = litres * 4190
  const perLitre = (waterDensity(cold) * mainsHeat) / 60_000
  const lost = new Float64Array(1)
  s[S.cylinderTemperature] = began
  return () => {
    const flow = s[S.plateFlow]!
    const capacity = (flow / 60) * waterSpecificHeat(s[S.flowTemperature]!)
    const from = s[S.flowTemperature]!
    const store = s[S.cylinderTemperature]!
    const heat = coilEffectiveness(conductance, capacity) * capacity * (from - store)
    const out = capacity > 0 ? from - heat / capacity : store
    const through = s[S.tapFlow]! * (1 - crossover)
    s[S.cylinderTemperature] = store + ((heat - through * perLitre * (store - cold) - loss * (store - room)) * dt) / mass
    s[S.plateIn] = flow > 0 ? from : store
    s[S.plateOut] = out
    s[S.plateHeat] = heat / 1000
    s[S.tapTemperature] = store + crossover * (cold - store)
    draw(drawn, capacity, from, out)
    if (clock[2]! < 0.5) return
    const grown = Math.max(expansion(litres, began, s[S.cylinderTemperature]!) - lost[0]!, 0)
    const pressure = vesselPressure(cushion, charge, atRest + grown)
    const spills = Math.max(pressure - opensAt, 0) * 2 + passing * pressure
    lost[0]! += (Math.max(pressure - opensAt, 0) * 2) / 60
    s[S.cylinderPressure] = Math.min(pressure, opensAt + 0.5)
    s[S.tundishFlow] = spills
  }
}

/** A thermal store: mains water is heated in its coil and blended down by a mixing valve. */
export const store: Part = ({ s, dt, drawn, script, value, optional }) => {
  const cold = value('mains.temperature')
  const room = value('radiators.roomTemperature')
  const mass = value('cylinder.volume') * 4190
  const charging = value('cylinder.coilConductance') * value('cylinder.coilSurface')
  const loss = value('cylinder.standingLoss')
  const drawing = value('storeCoil.conductance') * value('storeCoil.mainsSide') * optional('cylinder.level', 1)
  const set = value('mixingValve.setting')
  const stuck = value('mixingValve.coldShare')
  const crossover = value('mixer.crossover')
  const perLitre = (waterDensity(cold) * mainsHeat) / 60_000
  s[S.cylinderTemperature] = script.storeAt ?? value('cylinder.temperature')
  return () => {
    const flow = s[S.plateFlow]!
    const capacity = (flow / 60) * waterSpecificHeat(s[S.flowTemperature]!)
    const from = s[S.flowTemperature]!
    const held = s[S.cylinderTemperature]!
    const heat = coilEffectiveness(charging, capacity) * capacity * (from - held)
    const out = capacity > 0 ? from - heat / capacity : held
    const through = s[S.tapFlow]! * (1 - crossover)
    const mains = through * perLitre
    const raw = cold + coilEffectiveness(drawing, mains) * (held - cold)
    const hotShare = stuck >= 0 ? 1 - stuck : raw > set ? (set - cold) / (raw - cold) : 1
    const blended = cold + hotShare * (raw - cold)
    s[S.cylinderTemperature] = held + ((heat - mains * (blended - cold) - loss * (held - room)) * dt) / mass
    s[S.plateIn] = flow > 0 ? from : held
    s[S.plateOut] = out
    s[S.plateHeat] = heat / 1000
    s[S.tapTemperature] = through > 0 ? blended + crossover * (cold - blended) : room
    draw(drawn, capacity, from, out)
  }
}

/** Radiators of one or two zones: metal and water of each one node, giving to the room by the exponent of EN 442. */
export const radiators: Part = ({ s, dt, drawn, system, value, optional }) => {
  const room = value('radiators.roomTemperature')
  const zoned = system.layout.ways === 'zones'
  const share = zoned ? 0.5 : 1
  const mass = (value('system.volume') * 4190 + value('radiators.metal')) * share
  const output = value('radiators.output') * 1000 * (1 - 0.6 * optional('radiators.air', optional('water.air', 0))) * optional('radiators.surface', 1) * share
  /** a bypass takes this share straight back to the boiler */
  const past = optional('bypass.passes', 0)
  const part = (temperature: number) => () => {
    const flow = temperature === S.radiatorTemperature ? s[S.waterFlow]! - s[S.plateFlow]! : s[S.plateFlow]!
    const from = s[S.flowTemperature]!
    const all = (flow / 60) * waterSpecificHeat(from)
    const capacity = all * (1 - past)
    const held = s[temperature]!
    const given = radiatorOutput(output, held, room)
    s[temperature] = held + ((capacity * (from - held) - given) * dt) / mass
    draw(drawn, capacity, from, held)
    if (past > 0) draw(drawn, all * past, from, from)
    return given
  }
  s[S.radiatorTemperature] = s[S.zone2Temperature] = room
  const first = part(S.radiatorTemperature)
  const second = zoned ? part(S.zone2Temperature) : null
  return () => {
    const flow = s[S.waterFlow]! - s[S.plateFlow]!
    s[S.radiatorFlow] = flow > 0.1 ? s[S.flowTemperature]! : s[S.radiatorTemperature]!
    const given = first() + (second ? second() : 0)
    s[S.radiatorHeat] = given / 1000
  }
}
