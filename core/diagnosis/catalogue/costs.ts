/** What things cost a firm, in its own money. */
export interface Costs {
  /** an hour on site */
  hourlyRate: number
  /** coming back another day: the way, and the customer's patience */
  secondTrip: number
  /** condemning a part that was good, beyond its price and the time: trust, and a part that cannot go back */
  wrongPart: number
}

/** Before a firm says otherwise. Assumed */
export const usualCosts: Costs = { hourlyRate: 60, secondTrip: 150, wrongPart: 300 }
