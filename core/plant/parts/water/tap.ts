import { signalIndex as S } from '../../../system/index.ts'
import type { Part } from '../../plant.ts'

/** Cold main, restrictor and flow turbine: what runs at the tap, and whether the board hears of it. */
export const tap: Part = ({ s, clock, script, value, optional }) => {
  const most =
    value('restrictor.flow') *
    Math.sqrt(value('mains.pressure') / 3) *
    optional('mains.stopValve', 1) *
    optional('inletFilter.openness', 1) *
    optional('plate.mainsOpenness', 1) *
    optional('boilerColdValve.openness', 1) *
    optional('cylinderColdValve.openness', 1) *
    optional('reducingValve.flow', 1) *
    optional('mixingValve.openness', 1)
  const crossover = optional('mixer.crossover', 0)
  const freedom = Math.max(optional('turbine.freedom', 0), 0)
  const pulses = (optional('turbine.pulsesPerLitre', 0) / 60) * optional('turbine.hall', 0) * optional('board.hallSupply', 1)
  const lead = optional('turbineLead.continuity', 0)
  return () => {
    const flow = clock[1]! > 0.5 ? Math.min(script.tap, most) : 0
    const spin = flow * (1 - crossover) * freedom
    s[S.tapFlow] = flow
    s[S.turbineFlow] = spin
    s[S.hallFrequency] = spin * pulses
    s[S.tapSignal] = spin * pulses * lead
  }
}
