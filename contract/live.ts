import type { Person } from '@dewpoint/core/casebook'

/** A case that has something new: how far its journal goes now. */
export interface Changed {
  id: string
  position: number
  /** the person was taken out of it */
  erased?: true
}

/** What a server tells whoever listens. */
export interface LiveNews {
  /** from here on everything is told: what was before is asked for now */
  begun?: true
  /** cases somebody wrote in */
  changed?: Changed[]
  /** who else looks at the case that was asked for */
  present?: Person[]
}
