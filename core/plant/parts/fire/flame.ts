import { signalIndex as S } from '../../../system/index.ts'
import { lag, type Plant } from '../../plant.ts'

/** seconds the gas in the pipe takes to follow a change of load. Chosen for this model */
const pipeSeconds = 2

/** Gas at the inlet of the valve: what stands there less what the supply loses under load. */
export function gasSupply({ s, dt, value, optional }: Plant): () => void {
  const standing = value('gas.standingPressure') * value('gas.meterValve') * value('gas.applianceCock') * optional('gas.tank', 1) * optional('gas.regulator', 1)
  const drop = value('gas.dropAtFullRate')
  const full = value('burner.power')
  const share = lag(dt, pipeSeconds)
  s[S.gasInlet] = standing
  return () => {
    const load = s[S.flame]! > 0.5 ? Math.min(s[S.gasInput]! / full, 1.2) : 0
    s[S.gasInlet]! += (Math.max(standing - drop * load * load, 0) - s[S.gasInlet]!) * share
  }
}

/** What the board sees of a flame by rectification: electrode, lead and earth together. */
export function flameSense({ s, value, optional }: Plant): (rate: number, pilot?: number) => void {
  // the current comes back through the earth; a board that minds which pole is live sees none when they are reversed
  const reversed = optional('supply.reversed', 0) > 0.5 && optional('board.polaritySensitive', 0) > 0.5
  const earth = optional('boilerEarth.continuity', 1) * optional('supply.earth', 1)
  const gain = value('flameElectrode.gain') * optional('flameElectrode.lead', 1) * (reversed ? 0 : 1) * earth
  return (rate, pilot) => {
    s[S.flameCurrent] = pilot !== undefined ? gain * 3.6 * pilot : s[S.flame]! > 0.5 ? gain * (3.6 + 1.4 * rate) : 0
  }
}

/** The overheat device trips on what the exchanger really is, and stays open until someone resets it. */
export function overheat({ s, value, optional }: Plant): () => void {
  const tripsAt = value('overheat.tripsAt')
  // a flue-gas cut-out stands in the same loop
  s[S.overheatOpen] = Math.max(value('overheat.open'), optional('fluestat.open', 0))
  return () => {
    if (s[S.flowTemperature]! > tripsAt) s[S.overheatOpen] = 1
  }
}
