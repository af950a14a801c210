import {
  isAppendResult,
  isCase,
  isNews,
  problemIn,
  type AppendResult,
  type ApplianceHistory,
  type Case,
  type CaseList,
  type Experienced,
  type Firm,
  type KeptPhoto,
  type KnownAppliance,
  type FirmSettings,
  type NewCase,
  type News,
  type Past,
  type Stated,
  type Stock,
  type Stocked,
  type People,
  type Problem,
  type ProblemName,
  type SiteList,
} from '@dewpoint/contract'
import type { Entry } from '@dewpoint/core/casebook'

/** The server refused, and said what to do. Sending the same again is no use. */
export class Refused extends Error {
  constructor(
    readonly kind: ProblemName,
    readonly problem: Problem,
  ) {
    super(problem.detail)
  }
}

/** No answer of ours came back; what was to be sent is kept and sent again. */
export class Unreachable extends Error {
  constructor(
    message: string,
    /** nothing else will get through now either */
    readonly forEverything: boolean,
    /** what the server asked to be waited, ms */
    readonly wait = 0,
  ) {
    super(message)
  }
}

const milliseconds = 8000

/** What the same request gets again however often it is sent. Everything else passes: signal, sign-in, load, repair. */
const final: ReadonlySet<ProblemName> = new Set(['malformed', 'noCase', 'conflict', 'changed', 'tooLarge', 'journalFull', 'invalid'])

const has = (key: string) => (value: unknown) => typeof value === 'object' && value !== null && Object.hasOwn(value, key)
const hasList = (key: string) => (value: unknown) => has(key)(value) && Array.isArray((value as Record<string, unknown>)[key])
const query = (parts: Record<string, string | undefined>) =>
  new URLSearchParams(Object.entries(parts).filter((one): one is [string, string] => one[1] !== undefined && one[1] !== '')).toString()

/** A stretch of the cases, newest first, that have the words searched for. */
export const fetchCases = (search = '', after?: string | null) => call<CaseList>(`/api/cases?${query({ search, after: after ?? undefined })}`, hasList('cases'))

/** One case with its whole journal. */
export const fetchCase = (id: string) => call(`/api/cases/${id}`, (value) => isCase(value, id)) as Promise<Case>

/** What a journal has beyond a position. */
export const fetchNews = (id: string, since: number) => call<News>(`/api/cases/${id}/entries?since=${since}`, isNews)

/** What earlier cases teach about this one. */
export const fetchPast = (id: string) => call<Past>(`/api/cases/${id}/past`, has('experience'))

/** Keeps what somebody says of a kind of boiler from own experience. Sending it twice does no harm. */
export const sendStated = (system: string, body: Stated) =>
  call<Pick<Experienced, 'stated' | 'opinions'>>(`/api/experience/${encodeURIComponent(system)}`, hasList('opinions'), body)

/** A stretch of the places that have the words searched for, with their boilers. */
export const fetchSites = (search: string) => call<SiteList>(`/api/sites?${query({ search })}`, hasList('sites'))

/** What is known of a boiler from its earlier cases. */
export const fetchKnown = (id: string) => call<KnownAppliance>(`/api/appliances/${id}`, hasList('facts'))

/** What happened to a boiler, case by case. */
export const fetchHistory = (id: string) => call<ApplianceHistory>(`/api/appliances/${id}/history`, hasList('cases'))

/** What the firm has of parts and pays for them. */
export const fetchStock = () => call<Stock>('/api/parts', hasList('parts'))

/** Keeps what the firm has of one part. */
export const sendStocked = (said: Stocked) => call<Stock>('/api/parts', hasList('parts'), said)

/** Who wrote lately. */
export const fetchPeople = () => call<People>('/api/people', hasList('people'))

/** What the firm has set. */
export const fetchFirm = () => call<Firm>('/api/firm', has('settings'))

/** Keeps what the firm has set. */
export const sendFirm = (settings: FirmSettings) => call<Firm>('/api/firm', has('settings'), settings)

/** Opens a case. Sending it twice does no harm. */
export const sendCase = (body: NewCase) => call('/api/cases', (value) => isCase(value, body.id), body)

/** Adds entries to a case's journal. Sending them twice does no harm. Told how far the journal is known, the answer has what is new. */
export const sendEntries = (caseId: string, entries: Entry[], since?: number) =>
  call<AppendResult>(`/api/cases/${caseId}/entries`, isAppendResult, { entries, ...(since !== undefined && { since }) })

/** Keeps a picture. Sending it twice does no harm. */
export const sendPhoto = (picture: Blob) => call<KeptPhoto>('/api/photos', has('hash'), picture)

/**
 * Asks the server. Between here and there stand captive portals, proxies and servers of another version: only what has our own form is an
 * answer, whatever its status says.
 */
async function call<T>(path: string, isOurs: (value: unknown) => boolean, body?: unknown): Promise<T> {
  let response: Response
  let answer: unknown = null
  try {
    response = await fetch(path, {
      // a picture takes longer on a poor line than anything else
      signal: AbortSignal.timeout(body instanceof Blob ? milliseconds * 5 : milliseconds),
      ...(body === undefined ? {} : { method: 'POST', ...(body instanceof Blob ? ofPicture(body) : ofJson(body)) }),
    })
    if (/^application\/([a-z]+\+)?json/.test(response.headers.get('content-type') ?? '')) answer = await response.json().catch(() => null)
  } catch {
    throw new Unreachable('The server does not answer.', true)
  }
  if (response.ok && isOurs(answer)) return answer as T
  const told = problemIn(answer)
  if (told && told.problem.status === response.status && final.has(told.name)) throw new Refused(told.name, told.problem)
  throw new Unreachable(
    told?.problem.title ? `${told.problem.title}.` : 'Something other than the Dewpoint server answered.',
    meansAll(response, told?.name),
    waitOf(response),
  )
}

const ofJson = (body: unknown) => ({ headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
const ofPicture = (body: Blob) => ({ headers: { 'content-type': body.type }, body })

/** A failure of the server with one thing may spare the next; everything else stands in the way of all. */
function meansAll(response: Response, name?: ProblemName): boolean {
  return name === undefined || !(response.status === 500 || name === 'tooSlow' || name === 'databaseBusy')
}

function waitOf(response: Response): number {
  const seconds = Number(response.headers.get('retry-after') ?? '0')
  return Number.isFinite(seconds) && seconds > 0 ? Math.min(seconds, 300) * 1000 : 0
}
