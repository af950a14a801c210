import type { Remedy } from '@dewpoint/core/diagnosis'

/** A check, and the faults it shows. */
const shows = (check: string, ...faults: string[]) => ({ check, faults })

const hotColdHot = [
  shows('measure.lowestFanSpeed', 'board.minimumSpeedHigh'),
  shows('measure.lowPressureSetting', 'gasValve.lowPressureHigh'),
  shows('measure.flowThermistor', 'flowThermistor.readsHigh'),
]
const deadBoard = [shows('look.display', 'board.fuseBlown'), shows('measure.supply', 'supply.dead'), shows('measure.boardFuse', 'board.fuseBlown')]

/**
 * What is checked before a dear part is condemned, by the remedy that would fit it: what looks the same from outside and costs minutes to
 * rule out. Common practice.
 */
export const beforeDear: Record<string, NonNullable<Remedy['before']>> = {
  'plate.replace': hotColdHot,
  'plate.clean': hotColdHot,
  'exchanger.replace': [...hotColdHot, shows('look.systemFilter', 'systemFilter.clogged'), shows('look.pumpShaft', 'pump.seized')],
  'exchanger.flush': [shows('look.systemFilter', 'systemFilter.clogged'), shows('look.pumpShaft', 'pump.seized')],
  'board.replace': [
    ...deadBoard,
    shows('measure.gasValveCoil', 'gasValve.coilOpen'),
    shows('measure.diverterMotor', 'diverterMotor.dead'),
    shows('measure.pumpWinding', 'pump.windingOpen'),
    shows('measure.pumpLead', 'pumpLead.open'),
    shows('measure.gasValveLead', 'gasValveLead.open'),
    shows('measure.fanLead', 'fanLead.open'),
    shows('measure.diverterLead', 'diverterLead.open'),
  ],
  'fan.replace': [shows('measure.fanSupply', 'board.fanDriveDead')],
  'pump.replace': [shows('measure.pumpSupply', 'board.pumpDriveDead'), shows('look.pumpShaft', 'pump.seized')],
  'gasValve.replace': [
    shows('ask.otherGas', 'gas.meterShut'),
    shows('look.gasCock', 'gas.cockShut'),
    shows('measure.gasStanding', 'gas.meterShut', 'gas.cockShut'),
    shows('measure.gasValveVolts', 'board.gasDriveDead'),
  ],
  'diverter.cartridge': [shows('measure.diverterSupply', 'board.diverterDriveDead'), shows('measure.diverterMotor', 'diverterMotor.dead')],
  'diverter.whole': [shows('measure.diverterSupply', 'board.diverterDriveDead'), shows('measure.diverterMotor', 'diverterMotor.dead')],
  'diverterMotor.replace': [shows('measure.diverterSupply', 'board.diverterDriveDead'), shows('look.diverterPlug', 'diverterMotor.wet')],
  'waterSwitch.replace': [shows('measure.waterSwitchLead', 'waterSwitchLead.open')],
  'turbine.whole': [shows('measure.turbineLead', 'turbineLead.open')],
  'vessel.replace': [shows('look.vesselCore', 'vessel.corePassing')],
  'pressureSensor.replace': [shows('look.blockFilter', 'blockFilter.clogged')],
  'elements.replace': [shows('measure.contactorVolts', 'board.fuseBlown')],
  'mixingValve.replace': [shows('measure.storeTemperature', 'storeCoil.scaled')],
  'cylinder.replace': [shows('measure.airGapCharge', 'cylinderVessel.lostCharge')],
}
