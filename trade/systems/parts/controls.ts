import type { Component } from '@dewpoint/core/system'
import { cp, flag, mem, number, own, share } from './define.ts'

const motorValve = (id: string, label: string, travelTime: number, resistance: number): Component => ({
  id,
  label,
  parameters: {
    motor: share('motor turns when fed'),
    motorResistance: number(resistance, 'kΩ', 'resistance of the motor', own, { spread: resistance * 0.03, min: 0 }),
    freedom: share('how freely the body turns'),
    heldOpen: flag('lever latched open by hand'),
    endSwitch: share('end switch makes when open'),
    endSwitchStuck: flag('end switch stuck closed'),
    start: number(0, '1', 'position found, 0 at rest, 1 driven over', own, { min: 0, max: 1 }),
    passing: number(0, '1', 'share let through while shut', own, { min: 0, max: 0.9 }),
    motorWeak: flag('its motor stalls once it is warm'),
    spindleWeeps: flag('water comes past its spindle into the head'),
    headMisfitted: flag('head and body do not stand alike'),
    travelTime: number(travelTime, 's', 'seconds to open', mem, { min: 1 }),
  },
})

const wire = (id: string, label: string): Component => ({
  id,
  label,
  parameters: { continuity: share('joined at both ends') },
})

/** What a clock may have wrong besides its outputs. */
const clock = {
  clockWrong: flag('its clock or its hours are wrong'),
  batteryFlat: flag('it loses its time at every power cut'),
  comesAndGoes: flag('its output comes and goes'),
}

/** What asks the boiler to run, and the board that answers. */
export const controls = {
  programmer: {
    id: 'programmer',
    label: 'Programmer',
    parameters: { heatingOutput: share('heating output live when on'), hotWaterOutput: share('hot-water output live when on'), ...clock },
  },
  timer: {
    id: 'programmer',
    label: 'Timer',
    parameters: { heatingOutput: share('output live when on'), ...clock },
  },
  roomStat: {
    id: 'roomStat',
    label: 'Room thermostat',
    parameters: {
      closes: share('closes when the room is cold'),
      turnedUp: share('set above the room as found'),
      readsHigh: number(0, 'K', 'feels the room warmer than it is', own, { spread: 0.4, min: -10, max: 10 }),
      stuckClosed: flag('never opens'),
      paired: share('heard by its receiver, where it has one'),
      outOfRange: flag('its receiver hears it only now and then'),
      receiver: share('its receiver is alive and its relay switches'),
      relayWelded: flag('its receiver’s relay never opens'),
      badPlace: flag('hangs in draught, sun, or beside a radiator'),
      linked: flag('a link left in beside it at the boiler'),
      noNeutral: flag('the neutral of its accelerator is not connected'),
      batteryVolts: number(3, 'V', 'its two batteries under load', cp, { spread: 0.08, min: 0, max: 4 }),
    },
  },
  zone2Stat: {
    id: 'zone2Stat',
    label: 'Second zone’s thermostat',
    parameters: { closes: share('closes when the room is cold'), turnedUp: share('set above the room as found') },
  },
  cylinderStat: {
    id: 'cylinderStat',
    label: 'Cylinder thermostat',
    parameters: {
      closes: share('closes when the store is cold'),
      turnedUp: share('set above the store as found'),
      setting: number(60, '°C', 'set at the dial', cp, { spread: 1, min: 30, max: 75 }),
      readsHigh: number(0, 'K', 'feels the store warmer than it is', own, { spread: 1, min: -40, max: 40 }),
      wrongHeight: flag('strapped too high or too low'),
    },
  },
  heatingWire: wire('heatingWire', 'Heating call wire'),
  hotWaterWire: wire('hotWaterWire', 'Hot-water call wire'),
  zone2Wire: wire('zone2Wire', 'Second zone’s call wire'),
  permanentLive: wire('permanentLive', 'Permanent live to the end switches'),
  heatingValve: motorValve('heatingValve', 'Heating motor valve', 18, 2.4),
  hotWaterValve: motorValve('hotWaterValve', 'Hot-water motor valve', 18, 2.4),
  midValve: motorValve('midValve', 'Mid-position valve', 20, 2.4),
  zoneValve: motorValve('heatingValve', 'Zone valve', 15, 0.075),
  zone2Valve: motorValve('zone2Valve', 'Second zone valve', 15, 0.075),
  frostStat: {
    id: 'frostStat',
    label: 'Frost thermostat',
    parameters: { stuckClosed: flag('never opens'), setHigh: flag('turned up') },
  },
  checkValves: {
    id: 'checkValves',
    label: 'Check valves of the zones',
    parameters: { stuckShut: flag('that of the first zone does not open'), passing: flag('that of the first zone does not seat') },
  },
  zone2: {
    id: 'zone2',
    label: 'Second zone’s radiators',
    parameters: {
      ratedFlow: number(7, 'l/min', 'flow with a healthy pump', own, { spread: 0.4, min: 1 }),
      openness: share('valves open', 1, { max: 1.1 }),
      air: flag('air in its loop'),
      valvesShut: flag('its valves are shut'),
    },
  },
  transformer: {
    id: 'transformer',
    label: 'Control transformer',
    parameters: {
      output: number(26, 'V', 'secondary', '24–28 V, common practice', { spread: 0.7, min: 0, max: 40 }),
      fuse: share('its fuse whole'),
      loaded: number(25, 'V', 'secondary with every zone calling', mem, { spread: 0.6, min: 0, max: 40 }),
    },
  },
  board: {
    id: 'board',
    label: 'Control board',
    parameters: {
      power: share('internal fuse whole'),
      display: share('its display is lit'),
      wet: flag('water or tracks on it'),
      dryJoint: flag('a joint or relay of it comes and goes'),
      otherModel: flag('set up for another model or gas'),
      pumpStuck: flag('its pump output is stuck on'),
      demandStuck: flag('takes the rooms for calling'),
      alive: share('works when it is supplied and its fuse is whole'),
      polaritySensitive: flag('sees no flame with live and neutral reversed'),
      gasDrive: share('gas valve output works'),
      fanDrive: share('fan output works'),
      pumpDrive: share('pump output works'),
      hotWaterOn: share('hot water selected at the panel'),
      hotWaterSet: number(46, '°C', 'tap temperature set', cp, { min: 30, max: 65 }),
      flowSet: number(65, '°C', 'heating flow temperature set', cp, { min: 30, max: 85 }),
      highLimit: number(84, '°C', 'flow temperature at which the burner stops', '82–85 °C, common practice', { min: 60, max: 110 }),
      highLimitBack: number(68, '°C', 'flow temperature at which it may start again', own, { min: 30, max: 100 }),
      pumpOverrun: number(30, 's', 'pump runs on', own, { min: 0, max: 900 }),
      postPurge: number(8, 's', 'fan runs on', own, { min: 0, max: 300 }),
      antiCycle: number(150, 's', 'pause between two burns for heating', cp, { min: 0, max: 900 }),
      ignitionTries: number(3, '1', 'further tries to light before it locks out', own, { min: 0, max: 10 }),
    },
  },
} satisfies Record<string, Component>
