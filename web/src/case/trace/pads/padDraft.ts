import type { Check } from '@dewpoint/core/diagnosis'

const beginning = (caseId: string | undefined) => `case ${caseId ?? 'none'} pad `

/** Under which name a half-typed reading is kept: one a check and case; a meter between two terminals is one a place. */
export const padDraft = (caseId: string | undefined, { id, place }: Pick<Check, 'id' | 'place'>) => `${beginning(caseId)}${id} ${place ?? ''}`.trim()

/** The beginning of the names of a case's half-typed readings, and the check one of them is for. */
export const padDrafts = { of: beginning, checkOf: (name: string) => name.split(' ')[3] ?? '' }
