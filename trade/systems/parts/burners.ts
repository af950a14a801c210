import type { Component } from '@dewpoint/core/system'
import { cp, flag, mem, number, own, share } from './define.ts'

/** Fan, air proof, gas valve, burner, ignition, flame sensing, exchanger, limits. */
export const burners = {
  modulatingFan: {
    id: 'fan',
    label: 'Fan',
    parameters: {
      torque: share('share of its drive left', 1, { spread: 0.01, max: 1.2 }),
      unbalanced: flag('its wheel is dirty or out of balance'),
      tacho: share('share of turns reported to the board', 1, { max: 1.2 }),
      maximumSpeed: number(6000, 'rev/min', 'at full rate', own, { spread: 60, min: 1000 }),
      ignitionSpeed: number(3000, 'rev/min', 'while lighting', own, { min: 500 }),
      purgeSpeed: number(4000, 'rev/min', 'while purging', own, { min: 500 }),
    },
  },
  fanLead: { id: 'fanLead', label: 'Fan lead and plug', parameters: { continuity: share('whether the board’s supply reaches the fan') } },
  gasValveLead: { id: 'gasValveLead', label: 'Gas valve lead and plug', parameters: { continuity: share('whether the board’s supply reaches the valve') } },
  mainsFan: {
    id: 'fan',
    label: 'Fan',
    parameters: {
      torque: share('share of its speed reached', 1, { spread: 0.01, max: 1.1 }),
      unbalanced: flag('its wheel is dirty or out of balance'),
      maximumSpeed: number(2500, 'rev/min', 'on 230 V', own, { min: 500 }),
      pressure: number(1.2, 'mbar', 'difference it makes across the air switch', mem, { min: 0.3, max: 5 }),
      takeOff: share('share of that its take-off passes on', 1, { max: 1.05 }),
    },
  },
  airSwitch: {
    id: 'airSwitch',
    label: 'Air pressure switch',
    parameters: {
      stuck: number(0, '1', '−1 never closes, 0 works, 1 stuck closed', own, { min: -1, max: 1 }),
      makesAt: number(0.6, 'mbar', 'difference it makes at', mem, { min: 0.2, max: 5 }),
      conducts: share('its contact conducts once it has gone over'),
      bridged: flag('somebody has joined its contacts'),
    },
  },
  airTubes: {
    id: 'airTubes',
    label: 'Sensing tubes',
    parameters: {
      passage: share('share of the difference passed on', 1, { spread: 0.01, max: 1.05 }),
      water: flag('water stands in them'),
      swapped: flag('each is on the other’s port'),
    },
  },
  premixValve: {
    id: 'gasValve',
    label: 'Gas valve',
    parameters: {
      coil: share('coil continuous'),
      coilResistance: number(0.09, 'kΩ', 'resistance of its coil, fed with 24 V d.c.', mem, { spread: 0.003, min: 0 }),
      sticks: flag('opens only now and then'),
      letsBy: flag('does not shut tight'),
      opens: share('opens when energised'),
      ratioHigh: number(1, '1', 'CO2 at full rate over what the plate asks for', own, { spread: 0.008, min: 0.5, max: 1.5 }),
      ratioLow: number(1, '1', 'CO2 at the lowest rate over what the plate asks for', own, { spread: 0.008, min: 0.5, max: 1.5 }),
      unionLeak: flag('gas escapes at its joints'),
    },
  },
  modulatingValve: {
    id: 'gasValve',
    label: 'Gas valve',
    parameters: {
      coil: share('coil continuous'),
      coilResistance: number(3.4, 'kΩ', 'resistance of its coils', own, { spread: 0.1, min: 0 }),
      sticks: flag('opens only now and then'),
      letsBy: flag('does not shut tight'),
      modulatorCoil: share('modulator coil continuous'),
      modulatorResistance: number(0.05, 'kΩ', 'resistance of the modulator coil, 20 to 80 Ω', mem, { spread: 0.002, min: 0 }),
      opens: share('opens when energised'),
      lowPressure: number(2, 'mbar', 'lowest burner pressure, set by hand', cp, { spread: 0.08, min: 0.5, max: 12 }),
      highPressure: number(11.2, 'mbar', 'highest burner pressure, set and then steered by the thermistor', cp, { spread: 0.2, min: 2, max: 16 }),
      ignitionPressure: number(3.5, 'mbar', 'burner pressure while lighting', own, { spread: 0.1, min: 0.5, max: 12 }),
      modulatorStuckAt: number(-1, '1', 'share of its travel the modulator is stuck at; −1 works', own, { min: -1, max: 1 }),
      unionLeak: flag('gas escapes at its joints'),
    },
  },
  pilotValve: {
    id: 'gasValve',
    label: 'Gas valve with two solenoids',
    parameters: {
      coil: share('main solenoid continuous'),
      coilResistance: number(4.6, 'kΩ', 'resistance of the main solenoid', own, { spread: 0.12, min: 0 }),
      sticks: flag('opens only now and then'),
      letsBy: flag('does not shut tight'),
      pilotOpens: share('pilot solenoid opens when energised'),
      pilotCoilResistance: number(4.6, 'kΩ', 'resistance of the pilot solenoid', own, { spread: 0.12, min: 0 }),
      opens: share('main solenoid opens when energised'),
      highPressure: number(14, 'mbar', 'burner pressure', own, { spread: 0.3, min: 2, max: 18 }),
      unionLeak: flag('gas escapes at its joints'),
    },
  },
  pilot: {
    id: 'pilot',
    label: 'Pilot burner and jet',
    parameters: {
      jet: share('share of the pilot gas that comes', 1, { spread: 0.03, max: 1.1 }),
      seat: share('how far the electrode stands in its flame'),
      disturbed: flag('draught blows it about'),
    },
  },
  premixBurner: {
    id: 'burner',
    label: 'Burner',
    parameters: {
      power: number(28, 'kW', 'to water at full rate', 'rating of this model', { spread: 0.3, min: 1 }),
      ratedCarbonDioxide: number(9, '%', 'CO2 at full rate', cp, { min: 6, max: 11.5 }),
      lowCarbonDioxide: number(8.8, '%', 'CO2 at the lowest rate', cp, { min: 6, max: 11.5 }),
      dirt: number(1, '1', 'how many times the CO of a clean burner', own, { spread: 0.1, min: 0.5, max: 40 }),
      padCracked: flag('its insulation pad is cracked or wet'),
      flapSticks: flag('the non-return flap in its mixer sticks'),
      doorLeak: flag('products escape at the door seal'),
    },
  },
  atmosphericBurner: {
    id: 'burner',
    label: 'Burner',
    parameters: {
      power: number(24, 'kW', 'to water at full rate', 'rating of this model', { spread: 0.3, min: 1 }),
      ratedPressure: number(11.2, 'mbar', 'burner pressure at full rate', cp, { min: 1, max: 20 }),
      ratedAirRatio: number(1.9, '1', 'air over the air needed at full rate', mem, { spread: 0.04, min: 1.1, max: 3 }),
      ratedCarbonDioxide: number(6, '%', 'CO2 at full rate', mem, { min: 3, max: 11 }),
      injectors: share('share of their bore free', 1, { spread: 0.01, max: 1.05 }),
      dirt: number(1, '1', 'how many times the CO of a clean burner', own, { spread: 0.1, min: 0.5, max: 60 }),
      doorLeak: flag('products escape at the case seal'),
    },
  },
  ignition: {
    id: 'ignition',
    label: 'Spark electrode, lead and generator',
    parameters: {
      spark: share('electrode and lead spark'),
      generator: share('generator makes a spark'),
      tracks: flag('the spark jumps elsewhere'),
    },
  },
  flameElectrode: {
    id: 'flameElectrode',
    label: 'Flame-sensing electrode, lead and earth',
    parameters: { gain: share('share of the flame current seen', 1, { spread: 0.08, max: 2 }), lead: share('its lead is whole') },
  },
  exchanger: {
    id: 'exchanger',
    label: 'Main heat exchanger',
    parameters: {
      heatCapacity: number(14_000, 'J/K', 'heat capacity with its water', own, { spread: 700, min: 1000 }),
      waterway: share('share of flow its waterways let through', 1, { spread: 0.02, min: 0.02, max: 1.1 }),
      approach: number(7, 'K', 'products above the return at full rate', mem, { spread: 0.8, min: 1, max: 220 }),
      dirt: number(1, '1', 'approach over that of clean fins', own, { min: 0.8, max: 8 }),
      furred: flag('limescale in its waterways'),
    },
  },
  overheat: {
    id: 'overheat',
    label: 'Overheat device',
    parameters: {
      open: flag('contacts open'),
      failed: flag('it stays open when it is reset'),
      tripsAt: number(98, '°C', 'water temperature at which it trips', mem, { spread: 1.5, min: 60, max: 125 }),
    },
  },
  controlStat: {
    id: 'controlStat',
    label: 'Control thermostat and phial',
    parameters: {
      setting: number(75, '°C', 'set at the knob', cp, { spread: 2, min: 40, max: 90 }),
      readsHigh: number(0, 'K', 'feels the water warmer than it is', own, { spread: 1, min: -60, max: 60 }),
      open: flag('contacts stay open'),
      stuckClosed: flag('contacts never open'),
    },
  },
  fluestat: { id: 'fluestat', label: 'Flue-gas cut-out', parameters: { open: flag('contacts open') } },
  elements: {
    id: 'elements',
    label: 'Heating elements',
    parameters: {
      count: number(3, '1', 'how many', 'of this model', { min: 1, max: 6 }),
      whole: number(3, '1', 'how many heat', own, { min: 0, max: 6 }),
      resistance: number(0.0176, 'kΩ', 'of each', '230 V squared over 3 kW', { spread: 0.0004, min: 0 }),
      insulation: number(50, 'MΩ', 'to earth', mem, { spread: 5, min: 0 }),
    },
  },
  electricHeater: {
    id: 'burner',
    label: 'Heat output',
    parameters: { power: number(9, 'kW', 'all elements together', 'rating of this model', { spread: 0.1, min: 1 }) },
  },
  power: {
    id: 'power',
    label: 'Boiler’s own circuit',
    parameters: { live: share('its breaker and isolator pass'), terminals: share('its terminals are tight') },
  },
  contactor: {
    id: 'contactor',
    label: 'Contactor',
    parameters: {
      closes: share('closes when energised'),
      welded: flag('its contacts are welded'),
      coilResistance: number(0.9, 'kΩ', 'resistance of its coil', own, { spread: 0.03, min: 0 }),
    },
  },
} satisfies Record<string, Component>
