import type { WaysOfWorking } from '@dewpoint/core/diagnosis'

interface Choice {
  id: string
  label: string
  /** what follows from it */
  follows: string
  prefers?: string[]
  says?: { remedies: string[]; step: string }
  fill?: 'low' | 'high'
  leavesBadRecords?: true
}

/** A question practitioners answer differently. */
export interface School {
  id: string
  question: string
  choices: Choice[]
}

const cartridges = ['diverter.cartridge', 'mixer.showerCartridge']
const clipped = ['diverter.cartridge', 'hoses.renew', 'pressureSensor.replace', 'diverterMotor.replace']

/** Where practitioners disagree: each way is supported, with what follows from it. The first is what is done where a firm has not said. Common practice. */
export const schools: School[] = [
  {
    id: 'fill',
    question: 'Cold pressure',
    choices: [
      { id: 'low', label: '1.0 to 1.2 bar', follows: 'Room for expansion; sooner topped up again.', fill: 'low' },
      { id: 'high', label: '1.4 to 1.5 bar', follows: 'Longer until the next top-up; a small vessel lifts the relief valve.', fill: 'high' },
    ],
  },
  {
    id: 'wetActuator',
    question: 'Wet diverter motor',
    choices: [
      {
        id: 'replace',
        label: 'Always a new one',
        follows: 'Dearer today; rust under the coils does not come back to you.',
        prefers: ['diverterMotor.replace'],
      },
      { id: 'dry', label: 'Dry it and refit', follows: 'Costs nothing; about one in two comes back.', prefers: ['diverterMotor.dry'] },
    ],
  },
  {
    id: 'relief',
    question: 'Passing relief valve',
    choices: [
      { id: 'replace', label: 'Replace it', follows: 'Dry for good, once what made it lift is found.', prefers: ['relief.replace'] },
      { id: 'clean', label: 'Clean the seat', follows: 'No part; a marked seat passes again.', prefers: ['relief.clean'] },
    ],
  },
  {
    id: 'vesselValve',
    question: 'Vessel’s air valve passing',
    choices: [
      { id: 'core', label: 'New core', follows: 'Cheapest; reached badly on some.', prefers: ['vessel.core'] },
      { id: 'extension', label: 'Extension', follows: 'Within reach from then on.', prefers: ['vessel.extension'] },
      { id: 'vessel', label: 'New vessel', follows: 'Dearest; settles the diaphragm too.', prefers: ['vessel.replace'] },
    ],
  },
  {
    id: 'turbine',
    question: 'Flow turbine',
    choices: [
      { id: 'insert', label: 'Insert only', follows: 'Half the price; the sensor stays old.', prefers: ['turbine.insert'] },
      { id: 'whole', label: 'Whole body', follows: 'Dearer, seldom back.', prefers: ['turbine.whole'] },
    ],
  },
  {
    id: 'plate',
    question: 'Blocked plate',
    choices: [
      { id: 'replace', label: 'Replace it', follows: 'Sure; the water that blocked it is a job of its own.', prefers: ['plate.replace'] },
      { id: 'clean', label: 'Clean it', follows: 'Cheaper; four in ten come back.', prefers: ['plate.clean'] },
    ],
  },
  {
    id: 'badRecord',
    question: 'Parts with a bad record, while it is open',
    choices: [
      { id: 'change', label: 'By the sum', follows: 'Offered where a later visit by its chance costs more.' },
      { id: 'leave', label: 'Leave until they fail', follows: 'Shown, never added by itself.', leavesBadRecords: true },
    ],
  },
  {
    id: 'sludge',
    question: 'Dirt in the system',
    choices: [
      { id: 'part', label: 'Clean the part, dose', follows: 'Short; what is in the radiators stays there.', prefers: ['water.treat'] },
      { id: 'system', label: 'Flush all of it, fit a filter', follows: 'Half a day; its results are disputed: say so.', prefers: ['radiators.flush'] },
    ],
  },
  {
    id: 'clip',
    question: 'Retaining clip',
    choices: [
      {
        id: 'new',
        label: 'Always new',
        follows: 'A euro or two, and never the reason to come back.',
        says: { remedies: clipped, step: 'New retaining clip.' },
      },
      {
        id: 'reuse',
        label: 'Reuse the sound original',
        follows: 'A pattern clip may fit worse than the old one.',
        says: { remedies: clipped, step: 'The original clip again if it is sound: not rusted, not spread.' },
      },
    ],
  },
  {
    id: 'cartridge',
    question: 'New cartridge and seals',
    choices: [
      {
        id: 'grease',
        label: 'Silicone grease',
        follows: 'Slips in whole; never mineral grease.',
        says: { remedies: cartridges, step: 'Seals with a little silicone grease.' },
      },
      {
        id: 'dry',
        label: 'Fit dry',
        follows: 'Nothing for dirt to stick to; seals may roll.',
        says: { remedies: cartridges, step: 'Seals go in dry, straight.' },
      },
    ],
  },
]

/** A firm's answers as the reasoning takes them; what it has not answered is as the first choice of each, without preferring its repair. */
export function waysOf(answers: Readonly<Record<string, string | undefined>>): WaysOfWorking & { leavesBadRecords: boolean } {
  const picked = schools.map((school) => ({
    answered: answers[school.id] !== undefined,
    choice: school.choices.find(({ id }) => id === answers[school.id]) ?? school.choices[0]!,
  }))
  return {
    prefers: picked.flatMap(({ answered, choice }) => (answered ? (choice.prefers ?? []) : [])),
    says: picked.flatMap(({ choice }) => choice.says ?? []),
    fill: picked.flatMap(({ choice }) => choice.fill ?? [])[0] ?? 'low',
    leavesBadRecords: picked.some(({ choice }) => choice.leavesBadRecords),
  }
}
