/** Seconds of standby before the demand begins, so that what happens at its start is seen against rest. */
export const leadSeconds = 3

/** What is asked of the boiler during a run, and for how long. */
export interface Script {
  /** the rooms call for heat; on a zoned system the first zone */
  heating: boolean
  /** the second zone calls */
  zone2?: boolean
  /** the cylinder or store calls, where there is one */
  stored?: boolean
  /** litres a minute drawn if the mains gives it; 0 for every tap shut; Infinity for fully open */
  tap: number
  /** seconds from the beginning to the end of the demand */
  seconds: number
  /** seconds watched afterwards, default 0 */
  after?: number
  /** the appliance has stood cold long enough for its hot-water side to have cooled too */
  cold?: boolean
  /** the board’s test function fires whatever is asked outside, and holds the burner at its highest or lowest rate */
  holds?: 'highest' | 'lowest'
  /** what the programmer has switched on, where the wiring is known; both without it */
  programmed?: { heating: boolean; hotWater: boolean }
  /** the room thermostat’s two wires are joined, where the wiring is known */
  bridged?: boolean
  /** the boiler’s own room-thermostat terminals are joined, the controls outside off */
  linked?: boolean
  /** power has just been switched on */
  powerUp?: boolean
  /** the water the cylinder or store holds at the beginning, °C; its parameter without it */
  storeAt?: number
  /** temperature the appliance has cooled to, °C, without it the room's or, unless cold, 40 */
  standsAt?: number
  /** integration step, s, default 0.5 */
  step?: number
  /** seconds between recorded rows, default 1 */
  every?: number
}
