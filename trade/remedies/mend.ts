import type { Remedy } from '@dewpoint/core/diagnosis'

/** A remedy as it is written down. What it mends stands with the faults. */
export type RemedyRow = Omit<Remedy, 'mends'>

/** minutes of a job, what its parts cost (assumed, without a currency), its chance of working. */
type Sum = [minutes: number, partsCost: number, works: number]

/** One remedy: what is done, what it takes, how. */
export function mend(id: string, label: string, [minutes, partsCost, works]: Sum, steps: string[], rest: Partial<RemedyRow> = {}): RemedyRow {
  return { id, label, minutes, partsCost, works, parts: [], seals: [], access: 'none', skill: 'heating', steps, cautions: [], ...rest }
}

export const licensed = 'Gas and combustion work only by those licensed for it.'
export const combustion = 'Combustion check before it is left running.'
export const proveDead = 'Prove dead first.'
export const drainFirst = 'Hot water under pressure: drain first.'
export const storedPressure = 'Stored pressure: keep clear of the valve.'
export const qualified = 'Unvented cylinders only by those qualified for them.'

type Kind = Pick<RemedyRow, 'access'> & Partial<RemedyRow>
export const gasWork: Kind = { skill: 'gas', access: 'caseOff', opens: ['gasWay'] }
export const wired: Kind = { skill: 'electrical', access: 'dead', cautions: [proveDead] }
export const opened: Kind = { access: 'caseOff', cautions: [proveDead] }
/** inside the case, water let out */
export const wet: Kind = { access: 'drained', cautions: [drainFirst], opens: ['case'] }
/** outside the case, water let out */
export const wetOutside: Kind = { access: 'drained', cautions: [drainFirst] }
