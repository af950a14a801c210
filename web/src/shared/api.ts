import type { Appliance, AppendResult, Case, CaseLine, FirmCosts, NewCase, Past, Problem, Site } from '@dewpoint/contract'
import type { Entry } from '@dewpoint/core/casebook'

/** The server refused, and said what to do. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail)
  }
}

/** The server or the network is away; what was to be sent is kept and sent later. */
class Unreachable extends Error {}

/** The cases of today and before. */
export const fetchCases = () => call<{ cases: CaseLine[] }>('/api/cases').then(({ cases }) => cases)

/** One case with its journal. */
export const fetchCase = (id: string) => call<Case>(`/api/cases/${id}`)

/** What earlier cases teach about this one. */
export const fetchPast = (id: string) => call<Past>(`/api/cases/${id}/past`)

/** Every place there is, with its boilers. */
export const fetchSites = () => call<{ sites: (Site & { appliances: Appliance[] })[] }>('/api/sites').then(({ sites }) => sites)

/** What things cost the firm; null before it said. */
export const fetchCosts = () => call<{ costs: FirmCosts | null }>('/api/firm').then(({ costs }) => costs)

/** Keeps what things cost the firm. */
export const sendCosts = (costs: FirmCosts) => call<{ costs: FirmCosts }>('/api/firm', costs)

/** Opens a case. Sending it twice does no harm. */
export const sendCase = (body: NewCase) => call<Case>('/api/cases', body)

/** Adds entries to a case's journal. Sending them twice does no harm. */
export const sendEntries = (caseId: string, entries: Entry[]) => call<AppendResult>(`/api/cases/${caseId}/entries`, { entries })

async function call<T>(path: string, body?: unknown): Promise<T> {
  let response: Response
  try {
    response = await fetch(path, {
      signal: AbortSignal.timeout(8000),
      ...(body === undefined ? {} : { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    })
  } catch {
    throw new Unreachable('The server does not answer.')
  }
  const answer: unknown = await response.json().catch(() => null)
  if (response.ok) return answer as T
  const problem = answer as Problem | null
  if (!problem || response.status === 503 || response.status === 502) throw new Unreachable(problem?.title ?? 'The server does not answer.')
  throw new Refused(problem)
}
