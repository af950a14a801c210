/** Demands whose run through settles a complaint; any other complaint is settled by asking again. */
export const settledBy: Record<string, string[]> = {
  'ask.hotWater': ['display.sequenceHotWater'],
  'ask.storedHotWater': ['display.sequenceHotWater'],
  'ask.heating': ['display.sequenceHeating'],
  'ask.whichZone': ['display.sequenceHeating'],
  'ask.locksOut': ['display.sequenceHotWater', 'display.sequenceHeating'],
}

/** The checks that run a demand right through. */
export const runsThrough = ['display.sequenceHotWater', 'display.sequenceHeating']

/** minutes to prove a repair: both demands run through. Common practice */
export const provingMinutes = 12
