import type { Component } from '@dewpoint/core/system'
import { cp, flag, mem, number, own, share } from './define.ts'

/** What comes to the boiler from outside. */
export const supplies = {
  electricity: {
    id: 'supply',
    label: 'Electrical supply',
    parameters: {
      live: share('spur, fuse and isolator pass'),
      reversed: flag('live and neutral reversed at the intake'),
      neutral: share('neutral reaches the boiler'),
      earth: share('how well the case is joined to earth'),
    },
  },
  coldMain: {
    id: 'mains',
    label: 'Cold main',
    parameters: {
      pressure: number(3, 'bar', 'dynamic pressure at the boiler', mem, { spread: 0.16, min: 1, max: 5 }),
      temperature: number(10, '°C', 'cold water temperature', cp, { spread: 1.1, min: 1, max: 18 }),
      stopValve: share('stop valve open'),
      standing: number(5, 'bar', 'pressure with nothing drawn', mem, { spread: 1.2, min: 2.5, max: 8 }),
    },
  },
  inletFilter: {
    id: 'inletFilter',
    label: 'Cold inlet filter',
    parameters: { openness: share('share of flow let through', 1, { min: 0.02, max: 1.1 }) },
  },
  gas: {
    id: 'gas',
    label: 'Gas supply',
    parameters: {
      standingPressure: number(21, 'mbar', 'with nothing burning', mem, { spread: 0.6, min: 0 }),
      meterValve: share('emergency control at the meter open'),
      applianceCock: share('cock under the appliance open'),
      needs: number(13, 'mbar', 'inlet pressure below which the burner is starved', mem, { min: 5 }),
      dropAtFullRate: number(2.5, 'mbar', 'loss to the appliance at full rate', mem, { spread: 0.4, min: 0 }),
      meterWorking: number(20, 'mbar', 'working pressure at the meter, appliance at full rate', mem, { spread: 0.5, min: 0 }),
      leak: number(0, 'mbar', 'fall in a two-minute tightness test', cp, { min: 0, max: 20 }),
    },
  },
  flue: {
    id: 'flue',
    label: 'Flue and its seals',
    parameters: {
      openness: share('share of air let through', 1, { min: 0.05, max: 1.05, spread: 0.01 }),
      fallsWrong: flag('it falls away from the terminal, water lies in it'),
      terminalWrong: flag('its terminal stands where products come back'),
      leakBack: number(0, '1', 'share of products drawn back into the air', own, { min: 0, max: 0.5 }),
    },
  },
  case: {
    id: 'case',
    label: 'Case and its seal',
    parameters: { notSealed: flag('its seal torn or screws missing') },
  },
  condensatePump: { id: 'condensatePump', label: 'Condensate pump', parameters: { works: share('lifts the condensate away, where one is fitted') } },
  propane: {
    tank: share('gas comes from the tank or cylinders'),
    regulator: share('the regulator’s shut-off has not tripped'),
  },
  condensate: {
    id: 'condensate',
    label: 'Condensate trap and pipe',
    parameters: {
      flooded: flag('water does not run away'),
      floodsAfter: number(3600, 's', 'of burning until it stands at the burner', mem, { min: 0, max: 3600 }),
      weeping: flag('trap or pipe leaks'),
      frozen: flag('its pipe is frozen outside'),
      trapDry: flag('no water stands in the trap'),
    },
  },
} satisfies Record<string, Component | Component['parameters']>
