/** An earlier call-out, as far as it teaches anything. */
export interface PastCase {
  id: string
  openedAt: string
  complaints: string[]
  /** faults mended and proved */
  faults: string[]
  closed: boolean
}

/** What is known from before: of this boiler, and of its kind in this firm. */
export interface Past {
  /** earlier cases of the same appliance, latest first */
  appliance: PastCase[]
  /** closed cases of the same kind of boiler that proved something, this one left out, and how often each fault */
  experience: { cases: number; proven: Record<string, number> }
}
