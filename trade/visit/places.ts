/** A place where something can be seen, heard or felt with nothing opened, and the checks that are made there. */
export interface Place {
  id: string
  label: string
  /** which way to go for it, in a few words */
  where: string
  /** without this component it is no place */
  needs?: string
  checks: readonly string[]
}

const valve = (id: string) => ['Lever', 'Latch', 'HeadWarm', 'HeadWet', 'Outlet'].map((one) => `look.${id}Valve${one}`)

/** In the order somebody walks past them: at the case, round it, through the house, outside. Common practice. */
export const places: readonly Place[] = [
  {
    id: 'display',
    label: 'Display and lamps',
    where: 'Front panel',
    checks: [
      ...['look.display', 'display.faultCode', 'display.selfCheck', 'display.pressure', 'display.pressureMoves', 'display.flowCold', 'look.hotWaterOn'],
      ...[
        'look.hotWaterSetting',
        'look.flowSetting',
        'look.controlKnob',
        'display.statusTapOpen',
        'display.statusHeating',
        'display.statusStored',
        'look.heatLamp',
      ],
      ...['look.boardSettings', 'display.dropOut', 'display.dropOutHeating'],
    ],
  },
  {
    id: 'gauge',
    label: 'Pressure gauge',
    where: 'Front panel, or below the case',
    needs: 'gauge',
    checks: ['look.gaugeCold', 'look.gaugeHot', 'look.gaugeKick', 'look.gaugeUnreadable'],
  },
  {
    id: 'burner',
    label: 'Flame and sounds',
    where: 'Sight glass, an ear to the case',
    checks: [
      ...[
        'look.flame',
        'look.flameColour',
        'look.pilotFlame',
        'listen.spark',
        'listen.fan',
        'listen.fanHum',
        'listen.airClick',
        'listen.gurgle',
        'listen.resonance',
      ],
      'listen.kettling',
    ],
  },
  {
    id: 'case',
    label: 'Case',
    where: 'All round it, a torch from below',
    checks: ['look.caseSeal', 'look.soot', 'look.dampCasing', 'look.looseWire', 'look.vesselShell', 'look.vesselPlate', 'look.ventDribble'],
  },
  {
    id: 'pump',
    label: 'Pump',
    where: 'A hand on it, an ear to it',
    needs: 'pump',
    checks: [
      ...[
        'listen.pump',
        'listen.pumpUnasked',
        'listen.cavitation',
        'listen.flowStored',
        'look.pumpDrip',
        'look.pumpSetting',
        'look.pumpValves',
        'look.pumpArrow',
      ],
      'look.bypass',
    ],
  },
  {
    id: 'under',
    label: 'Under the case',
    where: 'A torch along the bottom edge',
    checks: [
      ...['look.drip.lowerLeft', 'look.drip.lowerMiddle', 'look.drip.lowerRight', 'look.drip.rearRight', 'look.drip.frontMiddle', 'look.drip.below'],
      ...['look.drip.manifold', 'look.dampDiverter', 'look.dampTurbine', 'look.hoses', 'look.systemFilter'],
    ],
  },
  {
    id: 'fillingLoop',
    label: 'Filling loop',
    where: 'Handles below the boiler, or a hose with two valves',
    needs: 'fillingLoop',
    checks: ['look.fillingLoop', 'look.fillingLever', 'look.loopSweats', 'listen.loopHiss', 'look.fillValve'],
  },
  { id: 'gas', label: 'Gas cock', where: 'On the gas pipe under the boiler', needs: 'gas', checks: ['look.gasCock', 'look.tankGauge', 'look.regulator'] },
  {
    id: 'valves',
    label: 'Motorised valves',
    where: 'In the pipes, often beside the cylinder',
    needs: 'heatingValve|hotWaterValve|zone2Valve|midValve',
    checks: [...valve('heating'), ...valve('hotWater'), ...valve('zone2'), 'look.zoneLoop', 'look.checkValve', 'look.whichZone', 'look.neighbourWarm'],
  },
  {
    id: 'cylinder',
    label: 'Cylinder',
    where: 'Its thermostat, its pipes, its switch',
    needs: 'cylinder',
    checks: [
      ...[
        'look.cylinderStat',
        'look.cylinderStatPlace',
        'look.storeStatSetting',
        'look.coilPipes',
        'look.coilPipesHot',
        'look.coilValve',
        'look.cylinderColdValve',
      ],
      ...['look.immersionSwitch', 'look.airGapWater', 'look.storeLevel', 'look.mixingCheck', 'look.pulledBack', 'look.antiGravity'],
    ],
  },
  {
    id: 'tundish',
    label: 'Tundish',
    where: 'The funnel beside the cylinder',
    needs: 'expansionRelief',
    checks: ['look.tundish', 'look.reliefPipes', 'look.drip.tundish'],
  },
  {
    id: 'tap',
    label: 'Hot tap and mains',
    where: 'The tap they complain of, the stop valve',
    needs: 'mixer',
    checks: [
      ...[
        'listen.turbine',
        'listen.diverter',
        'look.burnsTapsShut',
        'look.hotPipeOnHeating',
        'look.aerator',
        'look.limescale',
        'look.mixerBody',
        'look.stopValve',
      ],
      ...['look.boilerColdValve', 'look.inletFilter'],
    ],
  },
  {
    id: 'radiator',
    label: 'Radiators',
    where: 'Upstairs first, a hand from bottom to top',
    needs: 'radiators',
    checks: ['look.whichRadiators', 'look.radiatorValves', 'look.ventRadiator', 'look.sludge', 'look.dampPipework', 'look.systemVolume'],
  },
  {
    id: 'thermostat',
    label: 'Room thermostat',
    where: 'On its wall',
    needs: 'roomStat',
    checks: ['look.statSetting', 'look.statDisplay', 'look.statPlace', 'look.receiverLamp', 'look.zone2StatSetting', 'look.frostStat'],
  },
  {
    id: 'programmer',
    label: 'Programmer',
    where: 'Where they set the times',
    needs: 'programmer',
    checks: ['look.programmer', 'look.programmeSet', 'look.clock', 'look.electricMeter'],
  },
  { id: 'relief', label: 'Relief pipe, outside', where: 'Where it turns back to the wall', needs: 'relief', checks: ['look.pipeOutside', 'look.reliefPipe'] },
  {
    id: 'condensate',
    label: 'Condensate pipe',
    where: 'Plastic, to its end',
    needs: 'condensate',
    checks: ['look.condensateColdRun', 'look.condensatePump'],
  },
  {
    id: 'flue',
    label: 'Flue, to its end',
    where: 'Its joints, its fall, the terminal outside',
    needs: 'flue',
    checks: ['look.flueTerminal', 'look.terminalPlace', 'look.flueFall', 'look.fuelStain'],
  },
]
