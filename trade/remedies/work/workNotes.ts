import type { Remedy, WorkNote } from '@dewpoint/core/diagnosis'

const chargeFound: WorkNote = { label: 'Charge found', unit: 'bar' }
const chargeLeft: WorkNote = { label: 'Charge left', unit: 'bar', sum: 'charge' }
const rating = (amperes: number): WorkNote => ({ label: 'Fuse fitted', unit: 'A', low: amperes, high: amperes, because: 'As its holder is marked.' })
const apart: WorkNote = { label: 'Between the cores', unit: 'MΩ', low: 20, because: 'Over 20 MΩ on a meter, from memory.' }
const burnerNuts = 'Burner nuts crosswise, 6 N·m on many; the maker’s figure first'

/** The whole of a recharge. Common practice; the charge by the sum. */
const recharge = [
  'Water side drained and the drain open all the while: with water behind it the gauge tells the water, not the charge.',
  'Cap off, press the core shortly: water at it means the diaphragm is holed, and no charge will hold.',
  'Read what is in it before anything is let in or out, and note it.',
  'Pump or let down to the charge of the sum; wait a minute and read again.',
  'Leak fluid on the core: bubbles mean a new core, with all air out first. Wipe, cap on with its seal.',
]

/**
 * What is noted while a repair is done, how tight, and the whole of those that are done step by step. Common practice where nothing else is said.
 */
export const workNotes: Record<string, Pick<Partial<Remedy>, 'notes' | 'torque' | 'steps'>> = {
  'vessel.recharge': { notes: [chargeFound, chargeLeft], steps: recharge },
  'vessel.core': {
    notes: [chargeFound, chargeLeft],
    steps: ['All air out before the core is turned: it shoots.', 'New core, finger-tight and a little.', ...recharge.slice(3)],
  },
  'vessel.extension': {
    notes: [chargeFound, chargeLeft],
    steps: ['All air out; extension on where a hand and a pump reach it.', ...recharge.slice(3)],
  },
  'vessel.setCharge': { notes: [chargeFound, chargeLeft] },
  'vessel.replace': { notes: [chargeLeft] },
  'vessel.add': { notes: [chargeLeft] },
  'water.topUp': {
    notes: [
      { label: 'Gauge found', unit: 'bar' },
      { label: 'Gauge left', unit: 'bar', sum: 'fill' },
    ],
    steps: [
      'Boiler off and cold. Loop on where it was taken off, its washers in place.',
      'One hand stays on a valve, eyes on the gauge: first one valve open, then the other a little.',
      'A slow gauge overfills: shut, tap it, wait, go on.',
      'Shut both: handle across the pipe is shut. Take the loop off where the place asks for it; cap and washer on.',
      'Vent from the highest radiator, correct the pressure once more.',
      'Find where it went: pipe outside, drips, vessel. Top-ups are noted: more than three a year is a leak.',
    ],
  },
  'water.lower': {
    notes: [
      { label: 'Gauge found', unit: 'bar' },
      { label: 'Gauge left', unit: 'bar', sum: 'fill' },
    ],
  },
  'hoses.renew': { notes: [{ label: 'Hoses renewed', unit: '1', low: 2, high: 2, because: 'Both: the other is as old.' }] },
  'board.fuse': { notes: [apart, rating(2)] },
  'supply.fuse': { notes: [{ ...rating(3), because: 'Of the size the maker gives: 3 A on most.' }] },
  'transformer.fuse': { notes: [apart, { label: 'Fuse fitted', unit: 'A' }] },
  'cable.prove': { notes: [apart] },
  'diverterMotor.dry': { notes: [apart] },
  'diverter.cartridge': {
    steps: [
      'Unplug the motor before it leaves the valve: driven in the air its pin runs out of the head.',
      'Clip out, motor off. Draw the cartridge with the tool; a stuck one is tapped out from below.',
      'Bore clean and without a score; new cartridge with its own seals, turned so that its lug engages.',
      'Clip home, motor on at its rest position, plug in when dry.',
    ],
  },
  'exchanger.brush': { torque: burnerNuts },
  'exchanger.replace': { torque: burnerNuts },
  'burner.clean': { torque: burnerNuts },
  'burner.doorSeal': { torque: burnerNuts },
  'burner.pad': { torque: burnerNuts },
  'fan.replace': { torque: 'Screws of fan and mixer crosswise, to the maker’s figure' },
  'gasValve.replace': { torque: 'Union to the maker’s figure: a new washer seals, force does not' },
}
