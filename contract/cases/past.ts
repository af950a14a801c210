/** An earlier call-out, as far as it teaches anything. */
export interface PastCase {
  id: string
  openedAt: string
  complaints: string[]
  /** faults mended and proved */
  faults: string[]
  closed: boolean
}

/** What one engineer says of a kind of boiler: so many calls in ten turn out to be this fault. */
export interface Opinion {
  fault: string
  /** the id of whoever said it */
  author: string
  authorName: string
  inTen: number
}

/** What a firm knows of a kind of boiler. */
export interface Experienced {
  /** closed cases that proved something, and how often each fault */
  cases: number
  proven: Record<string, number>
  /** the share of calls each fault turns out to be, by those who said so: their mean */
  stated: Record<string, number>
  opinions: Opinion[]
}

/** What is known from before: of this boiler, and of its kind in this firm. */
export interface Past {
  /** earlier cases of the same appliance, latest first */
  appliance: PastCase[]
  /** of the same kind of boiler, this case left out */
  experience: Experienced
}
