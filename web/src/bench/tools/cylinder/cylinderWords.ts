import type { TundishCause } from '@dewpoint/core/bench'

/** What makes a tundish run: its name, what it means, and what is done about it. */
export const causeWords: Record<TundishCause, { label: string; means: string; does: string; danger?: true }> = {
  temperatureRelief: {
    label: 'Temperature relief: dangerous',
    means: 'Hot water at the tundish is the temperature relief: the store gets too hot because its thermostat and its cut-out both let it.',
    does: 'Stop heating now, by immersion and by boiler. Let nobody draw from it. Thermostat, cut-out and wiring before the valve; only somebody qualified for unvented cylinders.',
    danger: true,
  },
  vessel: {
    label: 'Vessel without charge',
    means: 'The growing water has nowhere to go: the expansion relief opens at every heat-up.',
    does: 'Mains off, hot tap open until it stops, pump the vessel to what the reducing valve holds, tap shut, water fully on, glands dry. Then a heat-up with the tundish dry.',
  },
  reducingValve: {
    label: 'Reducing valve lets by',
    means: 'The main’s full pressure stands in the cylinder, most at night: the relief opens with nothing heated.',
    does: 'Measure behind it with nothing drawn. Clean or renew its cartridge; watch the pressure for ten minutes with every tap shut.',
  },
  vesselSmall: {
    label: 'Vessel too small for this cylinder',
    means: 'It has its charge and still cannot take what the water grows by.',
    does: 'A larger vessel, or a second one: see what is needed in the figures.',
  },
  reliefSeat: {
    label: 'Seat of the expansion relief',
    means: 'Grit on its seat: a valve that has lifted may pass for good.',
    does: 'Lift it once by hand to flush the seat, hot water clear of everybody. If it goes on, renew it, and only with the cause of the lifting found.',
  },
  none: {
    label: 'Dry',
    means: 'Nothing comes: vessel, reducing valve and relief do what they should.',
    does: 'Check the charge at every service all the same.',
  },
}
