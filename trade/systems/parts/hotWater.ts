import type { Component } from '@dewpoint/core/system'
import { cp, flag, mem, number, own, share } from './define.ts'

/** From the cold inlet to the tap. */
export const hotWater = {
  restrictor: {
    id: 'restrictor',
    label: 'Flow restrictor',
    parameters: {
      flow: number(11.5, 'l/min', 'flow let through at 3 bar', 'output over a 35 K rise', { spread: 0.25, min: 3, max: 40 }),
      seen: number(0, '1', 'as it looks: −1 furred, 0 sound, 1 broken, 2 none or the wrong size', own, { min: -1, max: 2 }),
    },
  },
  tapFlow: {
    id: 'restrictor',
    label: 'Hot-water pipework',
    parameters: { flow: number(14, 'l/min', 'flow of an open tap at 3 bar', mem, { spread: 0.6, min: 3, max: 40 }) },
  },
  turbine: {
    id: 'turbine',
    label: 'Flow turbine',
    parameters: {
      freedom: share('how freely the turbine turns', 1, { spread: 0.01, max: 1.2 }),
      hall: share('share of turns the Hall sensor reports'),
      pulsesPerLitre: number(214, '1/l', 'pulses a litre', own, { spread: 4, min: 1 }),
      adapterLeak: flag('the adapter behind it leaks'),
    },
  },
  boilerColdValve: {
    id: 'boilerColdValve',
    label: 'Cold valve under the boiler',
    parameters: { openness: share('how far it is open') },
  },
  turbineLead: {
    id: 'turbineLead',
    label: 'Turbine lead and plug',
    parameters: { continuity: share('whether the turbine’s signal reaches the board') },
  },
  mixer: {
    id: 'mixer',
    label: 'Mixer taps',
    parameters: {
      crossover: number(0, '1', 'share of the hot outlet that is cold passed in', own, { min: 0, max: 0.9 }),
      bodyCracked: flag('cold passes by its body, not its cartridge'),
      thermostatFailed: flag('one shower’s thermostatic cartridge has failed'),
      aeratorFurred: flag('one tap’s aerator or shower head is furred'),
    },
  },
  plate: {
    id: 'plate',
    label: 'Plate heat exchanger',
    parameters: {
      conductance: number(790, 'W/K', 'overall conductance at rated flows', 'from 81/45 °C at rated flow, common practice', { spread: 10, min: 1 }),
      primaryFlow: number(11.1, 'l/min', 'heating-side flow in hot water', 'from 81/45 °C at 28 kW, common practice', { spread: 0.12, min: 1 }),
      heatingSide: share('share of conductance left by the heating side', 1, { min: 0.02, max: 1.1 }),
      mainsSide: share('share of conductance left by the mains side', 1, { min: 0.02, max: 1.1 }),
      mainsOpenness: share('share of flow let through by the mains side', 1, { min: 0.02, max: 1.1 }),
      perforation: number(0, 'l/(min·bar)', 'mains water passed into heating', own, { min: 0, max: 2 }),
      gasketWeeps: flag('weeps at a gasket of the heating side'),
      gasketWeepsMains: flag('weeps at a gasket of the mains side'),
    },
  },
  coil: {
    id: 'coil',
    label: 'Hot-water coil in the main exchanger',
    parameters: {
      conductance: number(850, 'W/K', 'overall conductance at rated flow', own, { spread: 15, min: 1 }),
      mainsSide: share('share of conductance left by scale', 1, { min: 0.02, max: 1.1 }),
      perforation: number(0, 'l/(min·bar)', 'mains water passed into heating', own, { min: 0, max: 2 }),
    },
  },
  cylinder: {
    id: 'cylinder',
    label: 'Cylinder and its coil',
    parameters: {
      volume: number(150, 'l', 'stored water', own, { spread: 8, min: 30 }),
      temperature: number(28, '°C', 'of the store when the call comes', own, { spread: 3, min: 4, max: 85 }),
      coilConductance: number(650, 'W/K', 'overall conductance of the coil', mem, { spread: 20, min: 1 }),
      coilFlow: number(13, 'l/min', 'flow with a healthy pump', own, { spread: 0.5, min: 1 }),
      coilOpenness: share('share of flow its coil lets through', 1, { spread: 0.02, min: 0.02, max: 1.1 }),
      coilSurface: share('share of the coil free of scale', 1, { min: 0.05, max: 1.1 }),
      reversed: flag('flow and return swapped'),
      perforation: number(0, 'l/(min·bar)', 'mains water passed into heating', own, { min: 0, max: 2 }),
      standingLoss: number(2.2, 'W/K', 'lost to the cupboard', mem, { min: 0 }),
      dip: share('its dip pipe or baffle is whole'),
      coilValveShut: flag('a valve in its coil’s return is shut'),
      airInPipes: flag('air in the pipes to its coil'),
    },
  },
  reducingValve: {
    id: 'reducingValve',
    label: 'Pressure-reducing valve and strainer',
    parameters: {
      setting: number(3, 'bar', 'set pressure', cp, { spread: 0.08, min: 1, max: 5 }),
      flow: share('share of the flow it lets through', 1, { min: 0.05, max: 1.1 }),
      passing: number(0, '1', 'share of the standing pressure it lets through', own, { min: 0, max: 1 }),
    },
  },
  cylinderVessel: {
    id: 'cylinderVessel',
    label: 'Cylinder’s expansion vessel or air gap',
    parameters: {
      volume: number(18, 'l', 'whole volume', mem, { min: 1 }),
      cushion: share('share that is gas', 1, { min: 0.02 }),
      gapAbsorbed: flag('its internal air gap is taken up by the water'),
      preCharge: number(3, 'bar', 'gas pressure with the water off, that of the reducing valve', cp, { spread: 0.1, min: -1, max: 5 }),
    },
  },
  expansionRelief: {
    id: 'expansionRelief',
    label: 'Cylinder’s expansion relief valve',
    parameters: {
      opensAt: number(6, 'bar', 'lifting pressure', mem, { spread: 0.1, min: 2, max: 10 }),
      passing: number(0, 'l/(min·bar)', 'passed at every pressure', own, { min: 0, max: 1 }),
      temperaturePassing: number(0, 'l/(min·bar)', 'passed by the temperature relief beside it', own, { min: 0, max: 1 }),
    },
  },
  cylinderColdValve: { id: 'cylinderColdValve', label: 'Cold valve of the cylinder', parameters: { openness: share('how far it is open') } },
  storeLevel: { level: share('share of the coil its own water covers', 1, { min: 0.05 }) },
  gravity: {
    creep: number(0, '1', 'rises to the radiators with the pump standing, over the flow to the cylinder', own, { min: 0, max: 1 }),
    pulled: flag('the pump pulls water backwards through the coil'),
  },
  immersion: {
    id: 'immersion',
    label: 'Immersion heater',
    parameters: {
      resistance: number(0.0176, 'kΩ', 'of its element', '230 V squared over 3 kW', { spread: 0.0004, min: 0 }),
      insulation: number(50, 'MΩ', 'to earth', mem, { spread: 5, min: 0 }),
      cutOut: flag('its cut-out has tripped'),
      welded: flag('its thermostat never opens'),
      on: flag('left on'),
    },
  },
  storeCoil: {
    id: 'storeCoil',
    label: 'Mains coil in the store',
    parameters: {
      conductance: number(1900, 'W/K', 'overall conductance at rated flow', own, { spread: 60, min: 1 }),
      perforation: number(0, 'l/(min·bar)', 'mains water passed into the store’s', own, { min: 0, max: 2 }),
      mainsSide: share('share of conductance left by scale', 1, { min: 0.02, max: 1.1 }),
    },
  },
  mixingValve: {
    id: 'mixingValve',
    label: 'Mixing valve',
    parameters: {
      setting: number(48, '°C', 'blended temperature', cp, { spread: 1, min: 30, max: 65 }),
      openness: share('share of flow its strainers let through', 1, { min: 0.05, max: 1.1 }),
      checkPasses: flag('hot passes into the cold pipe'),
      coldShare: number(-1, '1', 'share of cold it is stuck at; −1 works', own, { min: -1, max: 1 }),
    },
  },
} satisfies Record<string, Component | Component['parameters']>
