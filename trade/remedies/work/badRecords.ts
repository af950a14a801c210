import type { BadRecord } from '@dewpoint/core/diagnosis'

/** Parts that fail often, worth a thought while somebody is at them. Common practice; chances within a year assumed, until the firm's own cases say more. */
export const badRecords: BadRecord[] = [
  { remedy: 'blockFilter.renew', perYear: 0.2, because: 'It clogs about one year in five.' },
  { remedy: 'airVent.renew', perYear: 0.08, because: 'It fouls and dribbles on what is below.' },
  { remedy: 'turbineAdapter.renew', perYear: 0.06, because: 'It cracks far more often than the sensor behind it.' },
  { remedy: 'vessel.core', perYear: 0.05, because: 'A core that passes empties a good vessel.' },
  { remedy: 'diverterMotor.replace', perYear: 0.06, because: 'Heads and clips rust, and what drips above stops it.' },
  { remedy: 'hoses.renew', perYear: 0.05, because: 'Old hoses weep at their clips and burst.' },
  { remedy: 'flameElectrode.renew', perYear: 0.04, because: 'Minutes to change, and it cracks.' },
]
