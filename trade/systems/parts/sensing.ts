import type { Component, Parameter } from '@dewpoint/core/system'
import { cp, flag, mem, number, own, share } from './define.ts'

/** A water thermistor; its curve is the system’s. */
export function thermistor(id: string, label: string): Component {
  return {
    id,
    label,
    parameters: {
      factor: number(1, '1', 'resistance as a multiple of the chart’s', own, { spread: 0.01, min: 1e-4, max: 1e7 }),
      contact: share('how well it sits on its pipe', 1, { min: 0.1 }),
      jumps: flag('comes and goes as it is warmed'),
    },
  }
}

/** The lead of a thermistor. */
export const lead = (id: string, label: string): Component => ({ id: `${id}Lead`, label, parameters: { continuity: share('joined from plug to plug') } })

/** The outdoor sensor of a weather-compensated board. */
export const outdoorSensor: Component = {
  id: 'outdoorSensor',
  label: 'Outdoor sensor',
  parameters: { readsHigh: number(0, 'K', 'feels it warmer outside than it is', own, { spread: 0.5, min: -40, max: 40 }) },
}

/** What the board of a boiler with a modulating burner or a tap of its own knows besides. */
export function combiBoard(): Record<string, Parameter> {
  return {
    diverterDrive: { ...flag('diverter output works'), value: 1 },
    fanCommandDrive: share('speed command to the fan works'),
    minimumFanSpeed: number(1300, 'rev/min', 'lowest fan speed set', own, { spread: 20, min: 500, max: 6000 }),
    heatInput: share('its room-thermostat input works'),
    hallSupply: share('its supply for the flow sensor works'),
    tapSeenAt: number(7, 'Hz', 'turbine pulses from which a tap counts as open, about 2 l/min', cp, { min: 1, max: 60 }),
    keepWarmOff: { ...flag('keep-warm function switched off'), elsewhere: 1 },
    throttleBand: number(5, 'K', 'below the high limit, over which hot water turns the burner down; 0 on a board that does not', cp, { min: 0, max: 30 }),
    throttleTo: number(0.92, '1', 'share of its range it turns the burner down to before the limit puts it out', mem, { min: 0, max: 1 }),
  }
}
