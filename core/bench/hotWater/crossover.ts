/** What was found on the way to a crossover: `null` where it was not tried yet. */
export interface CrossoverSeen {
  /** cold feed to the boiler shut, hot tap open: water goes on running */
  stillRuns: boolean | null
  /** it stops once one mixer is isolated */
  oneMixer: boolean | null
  /** with a new or borrowed cartridge in that mixer it still runs */
  newCartridge: boolean | null
}

/** What to do next, or what was found. */
export type CrossoverStep = 'shutFeed' | 'isolateMixers' | 'tryCartridge' | 'notCrossing' | 'cartridge' | 'body' | 'elsewhere'

/** The crossover test, step by step. Common practice: early, because it is quick and parts the house from the boiler. */
export function crossoverStep({ stillRuns, oneMixer, newCartridge }: CrossoverSeen): CrossoverStep {
  if (stillRuns === null) return 'shutFeed'
  if (!stillRuns) return 'notCrossing'
  if (oneMixer === null) return 'isolateMixers'
  if (!oneMixer) return 'elsewhere'
  if (newCartridge === null) return 'tryCartridge'
  return newCartridge ? 'body' : 'cartridge'
}
