import type { ActionKind, FactKind } from '@dewpoint/core/diagnosis'

/** Facts that narrow the configuration. */
export const facts: FactKind[] = [
  { id: 'age', label: 'Age of the appliance, years', type: 'number', narrows: 'age' },
  { id: 'systemVolume', label: 'Water in the system', type: 'number', unit: 'l', narrows: 'system.volume' },
  { id: 'coldFeed', label: 'Cold water temperature', type: 'number', unit: '°C', narrows: 'mains.temperature' },
  { id: 'vesselVolume', label: 'Size of the expansion vessel', type: 'number', unit: 'l', narrows: 'vessel.volume' },
  { id: 'controls', label: 'How it is wired', type: 'choice', narrows: 'label' },
  { id: 'roomTemperature', label: 'Room temperature', type: 'number', unit: '°C', narrows: 'radiators.roomTemperature' },
]

/** Acts that change the situation until undone. */
export const actions: ActionKind[] = [
  { id: 'loopShut', label: 'Filling loop shut', mends: ['fillingLoop.leftOpen'], caution: 'Handle across the pipe is shut.' },
  { id: 'letDown', label: 'Pressure let down', mends: ['water.overfilled'], caution: 'System cold, small portions.' },
  { id: 'madeSafe', label: 'Made safe, by someone licensed for it', caution: 'Record who made it safe and how.' },
  { id: 'demandHeating', label: 'Heating called' },
  { id: 'tapOpened', label: 'Tap opened' },
  { id: 'coldFeedShut', label: 'Cold feed shut' },
  { id: 'toppedUp', label: 'Topped up', mends: ['water.low'], caution: 'Both valves shut again. Find where the water went.' },
  { id: 'vented', label: 'Radiators vented', mends: ['water.airLocked'] },
  { id: 'drained', label: 'Boiler drained' },
  { id: 'loopDisconnected', label: 'Filling loop disconnected' },
  { id: 'reset', label: 'Lockout reset', caution: 'Once, watching. Not again and again.' },
  { id: 'trialSpare', label: 'Known-good part fitted on trial' },
  { id: 'wireMoved', label: 'Conductor moved for a test', caution: 'Dead while it is moved; back on its own terminal afterwards.' },
  { id: 'dried', label: 'Plug dried' },
  { id: 'powerOff', label: 'Powered off, proved dead' },
]
