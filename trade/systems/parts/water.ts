import type { Component } from '@dewpoint/core/system'
import { cp, flag, mem, number, own, share } from './define.ts'

/** Pump, ways, pressure, radiators. */
export const water = {
  pump: {
    id: 'pump',
    label: 'Pump',
    parameters: {
      head: share('share of its head', 1, { spread: 0.04, max: 1.3 }),
      shutOff: number(0.6, 'bar', 'pressure at no flow', mem, { min: 0.1, max: 2 }),
      freeFlow: number(45, 'l/min', 'flow against nothing', mem, { min: 5 }),
      rise: number(0.35, 'bar', 'pressure change at the sensor when it starts', 'about 0.3 bar, common practice', { spread: 0.03, min: 0 }),
      shaft: share('how freely its shaft turns by hand'),
      windingResistance: number(0.16, 'kΩ', 'resistance of its winding', own, { spread: 0.01, min: 0 }),
      windingShort: flag('its winding leaks to earth'),
      setLow: flag('set too low, or to the wrong mode'),
      valvesShut: flag('one of its valves is shut'),
      backwards: flag('fitted the wrong way round'),
    },
  },
  electronic: {
    electronics: share('its electronics work'),
    commandLost: flag('hears no speed command'),
  },
  pumpLead: { id: 'pumpLead', label: 'Pump lead and plug', parameters: { continuity: share('whether the board’s supply reaches the pump') } },
  diverter: {
    id: 'diverter',
    label: 'Diverter valve',
    parameters: {
      freedom: share('how freely the cartridge moves'),
      motor: share('whether the motor drives'),
      wet: flag('water in its motor or plug'),
      motorResistance: number(0.21, 'kΩ', 'resistance of the motor', own, { spread: 0.006, min: 0 }),
      start: number(0, '1', 'position found, 0 heating, 1 hot water', 'rests at heating on this model', { min: 0, max: 1 }),
      returns: share('goes back to heating by itself'),
      passing: number(0, '1', 'share leaking to the other way', own, { min: 0, max: 0.9 }),
      travelTime: number(5, 's', 'seconds from end to end', own, { min: 0.5 }),
    },
  },
  diverterLead: { id: 'diverterLead', label: 'Diverter lead and plug', parameters: { continuity: share('whether the board’s output reaches the motor') } },
  blockFilter: {
    id: 'blockFilter',
    label: 'Block filter',
    parameters: { openness: share('share of flow let through', 1, { spread: 0.02, min: 0.02, max: 1.1 }), broken: flag('broken, pieces missing') },
  },
  systemFilter: {
    id: 'systemFilter',
    label: 'System filter',
    parameters: { openness: share('share of flow let through', 1, { spread: 0.02, min: 0.02, max: 1.1 }) },
  },
  pressureSensor: {
    id: 'pressureSensor',
    label: 'Pressure sensor',
    parameters: {
      response: share('share of a change it passes on', 1, { spread: 0.03, max: 1.2 }),
      readsHigh: number(0, 'bar', 'shows too much', own, { spread: 0.03, min: -2, max: 2 }),
      lead: share('its lead and plug are whole'),
      onReturn: { ...flag('on the return, not behind the block filter'), elsewhere: 1 },
    },
  },
  lowWaterSwitch: {
    id: 'waterSwitch',
    label: 'Low-water switch',
    parameters: { works: share('makes when there is water'), stuckMade: flag('made whatever stands behind it') },
  },
  waterSwitchLead: {
    id: 'waterSwitchLead',
    label: 'Lead of the water switch',
    parameters: { continuity: share('whether the board hears the switch') },
  },
  gauge: {
    id: 'gauge',
    label: 'Pressure gauge',
    parameters: {
      follows: share('share of a change it follows'),
      readsHigh: number(0, 'bar', 'shows too much', own, { spread: 0.04, min: -3, max: 3 }),
    },
  },
  systemWater: {
    id: 'water',
    label: 'System water',
    parameters: {
      pressure: number(1.2, 'bar', 'cold pressure as found', '1.0–1.2 bar, common practice', { spread: 0.1, min: 0, max: 3.4 }),
      air: flag('air in the boiler and its pump'),
    },
  },
  vessel: {
    id: 'vessel',
    label: 'Expansion vessel',
    parameters: {
      volume: number(8, 'l', 'whole volume', '7–9 l, common practice', { min: 1 }),
      cushion: share('share of the volume that is gas behind a whole diaphragm', 1, { min: 0.02 }),
      connection: share('share of it that its pipe still reaches', 1, { min: 0.02 }),
      corePasses: flag('its valve core passes'),
      preCharge: number(1, 'bar', 'gas pressure with the water side drained; below zero it shows none, and less gas is left than fills it', cp, {
        spread: 0.06,
        min: -1,
        max: 2.5,
      }),
    },
  },
  relief: {
    id: 'relief',
    label: 'Relief valve',
    parameters: {
      opensAt: number(3, 'bar', 'lifting pressure', cp, { spread: 0.05, min: 0.8 }),
      passing: number(0, 'l/(min·bar)', 'passed at every pressure', own, { min: 0, max: 1 }),
      reseats: share('closes tight after lifting'),
      pipeBad: flag('its discharge pipe is blocked, missing or ends where it is unsafe'),
    },
  },
  pipework: {
    id: 'pipework',
    label: 'Heating pipework',
    parameters: {
      leak: number(0, 'l/(min·bar)', 'lost at all times', own, { min: 0, max: 1 }),
      leakHot: number(0, 'l/(min·bar)', 'lost only while hot', own, { min: 0, max: 1 }),
      leakCold: number(0, 'l/(min·bar)', 'lost only while cold', own, { min: 0, max: 1 }),
    },
  },
  fillingLoop: {
    id: 'fillingLoop',
    label: 'Filling loop',
    parameters: {
      letBy: number(0, 'l/(min·bar)', 'let by of difference', own, { min: 0, max: 2 }),
      leverBroken: flag('its lever has snapped'),
      handles: flag('its handles in line: half for one of them'),
      automatic: flag('an automatic fill valve lets by'),
    },
  },
  volume: {
    id: 'system',
    label: 'Heating system',
    parameters: { volume: number(80, 'l', 'water in the whole system', own, { spread: 18, min: 5, max: 250 }) },
  },
  bypass: {
    id: 'bypass',
    label: 'Bypass',
    parameters: { passes: share('share of the heating flow it takes straight back', 0, { max: 0.9 }), shut: flag('shut, or stuck shut') },
  },
  airVent: { id: 'airVent', label: 'Automatic air vent', parameters: { shut: flag('its cap is shut, or it is blocked') } },
  radiators: {
    id: 'radiators',
    label: 'Radiators',
    parameters: {
      output: number(9, 'kW', 'at 50 K above the room', 'exponent 1.3: EN 442', { spread: 1.2, min: 0.5 }),
      metal: number(40_000, 'J/K', 'heat capacity of the metal', own, { min: 0 }),
      ratedFlow: number(14, 'l/min', 'flow with a healthy pump', own, { spread: 0.8, min: 1 }),
      openness: share('valves and lockshields open', 1, { spread: 0.02, min: 0, max: 1.1 }),
      waterways: share('share of their waterways free of sludge', 1, { min: 0.02 }),
      surface: share('share of the surface that warms', 1, { min: 0.05 }),
      air: flag('air at their tops'),
      pinStuck: flag('one radiator’s valve pin is stuck'),
      unbalanced: flag('near ones take the flow of the far ones'),
      roomTemperature: number(17, '°C', 'room when the call comes', own, { spread: 1, min: 0, max: 35 }),
    },
  },
} satisfies Record<string, Component | Component['parameters']>
