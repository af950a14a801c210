import { signalIndex as S } from '../../../system/index.ts'
import { demandCode } from '../../controller.ts'
import type { Part } from '../../plant.ts'

/** The board: hears the signals, takes a step of its programme, and drives its outputs as far as they work. */
export const board: Part = ({ s, dt, clock, script, board: controller, value, optional, system }) => {
  const fused = value('board.power') > 0.5 && optional('board.alive', 1) > 0.5
  const gasDrive = optional('board.gasDrive', 1) * optional('gasValveLead.continuity', 1)
  const fanDrive = optional('board.fanDrive', 1)
  const pumpDrive = optional('board.pumpDrive', 1) * optional('pumpLead.continuity', 1)
  const diverterDrive = optional('board.diverterDrive', 1) * optional('diverterLead.continuity', 1)
  const displayLit = optional('board.display', 1) > 0.5
  const fanLead = optional('fanLead.continuity', 1)
  const pumpStuck = optional('board.pumpStuck', 0) > 0.5
  const demandStuck = optional('board.demandStuck', 0) > 0.5
  // a spark that jumps elsewhere ticks and lights nothing
  const sparks = optional('ignition.spark', 0) > 0.5 && optional('ignition.generator', 1) > 0.5 && optional('ignition.tracks', 0) < 0.5
  // an outside pump is fed by the controls, not by the board
  const pumpOutside = system.controls?.volts.pumpVolts !== undefined
  const gasVolts = system.layout.burner === 'premix' ? 24 : 230
  return () => {
    const powered = fused && s[S.supplyVolts]! > 100
    controller.step(dt, s, powered, script.holds !== undefined && clock[1]! > 0.5, demandStuck)
    const out = controller.outputs
    s[S.demand] = demandCode[controller.demand]
    s[S.status] = controller.status
    s[S.code] = controller.code
    s[S.displayOn] = powered && displayLit ? 1 : 0
    if (!pumpOutside) s[S.pumpVolts] = out.pump || (pumpStuck && powered) ? 230 * pumpDrive : 0
    s[S.fanVolts] = out.fan === 'off' ? 0 : 230 * fanDrive * fanLead
    s[S.diverterVolts] = powered && out.diverter === 'hotWater' && out.pump ? 24 * diverterDrive : 0
    s[S.sparkOn] = out.spark && sparks ? 1 : 0
    s[S.pilotValveVolts] = out.pilot ? 230 * gasDrive : 0
    s[S.gasValveVolts] = out.gas ? gasVolts * gasDrive : 0
    s[S.elementVolts] = out.elements ? 230 : 0
  }
}

/** How far either sequence has come, seen after the plant has answered. */
export const progress: Part = ({ s, clock, board: controller }) => {
  return () => {
    if (clock[2]! < 0.5) return
    s[S.heatingStage] = controller.progress('heating', s)
    s[S.hotWaterStage] = controller.progress('hotWater', s)
    s[S.stage] = controller.stage
  }
}
