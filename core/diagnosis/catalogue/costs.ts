import type { Costs } from '../../casebook/index.ts'

export type { Costs }

/** Before a firm says otherwise. Assumed */
export const usualCosts: Costs = { hourlyRate: 60, secondTrip: 150, wrongPart: 300 }

/** Coming back another day: the trip, and about an hour there. Assumed */
export const comingBack = ({ secondTrip, hourlyRate }: Costs) => secondTrip + hourlyRate

/** So many minutes on site. */
export const timeCosts = ({ hourlyRate }: Costs, minutes: number) => (minutes / 60) * hourlyRate

/** A part on the van that is not needed: handling it, and a twentieth of its price for the room and the money it takes. Assumed */
export const carrying = (price: number) => 2 + price / 20
