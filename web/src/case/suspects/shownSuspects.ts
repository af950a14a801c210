import type { Suspect } from '@dewpoint/core/diagnosis'

/** The suspects that are shown, by rank: each has its letter and colour by its place here, wherever it stands. */
export const shownSuspects = (suspects: readonly Suspect[]): Suspect[] => suspects.filter((one) => one.faults.length < 2 || one.probability >= 0.1).slice(0, 5)
