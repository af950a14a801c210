/** Rules of reasoning that can be left out one by one, so that what each of them does can be measured. */
export interface Rules {
  /** a reading worse than the worst that was simulated convicts no less than that one does */
  plateau: boolean
  /** the case was opened for a complaint: what brings none of it about keeps little */
  complaint: boolean
  /** sets of three and more grow from readings and defects nothing smaller explains */
  growth: boolean
  /** a second fault nothing speaks for is left out where checks are chosen */
  folded: boolean
  /** a check among the first parts suspects of the complaint */
  parting: boolean
  /** cheap checks of what looks alike come before a dear part is condemned */
  lookalikes: boolean
  /** what is free and quick comes before opening and clamping, unless the sum says otherwise by a clear margin */
  freeFirst: boolean
}

/** The rules as they hold unless somebody measures without one. */
export const allRules: Readonly<Rules> = {
  plateau: true,
  complaint: true,
  growth: true,
  folded: true,
  parting: true,
  lookalikes: true,
  freeFirst: true,
}
