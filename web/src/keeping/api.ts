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
  type AuditList,
  type AuditQuery,
  type CodeGiven,
  type CodeIn,
  type Devices,
  type HandIns,
  type HandInSettled,
  type Member,
  type MemberChange,
  type Members,
  type NewMember,
  type OwnChanges,
  type PasskeyMade,
  type PasskeyOffer,
  type Passkeys,
  type PasskeyUsed,
  type Session,
  type SignIn,
  type Problem,
  type ProblemName,
  type SiteList,
} from '@dewpoint/contract'
import type { Entry } from '@dewpoint/core/casebook'
import { me } from './who.ts'

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

/** The server has it from whoever wrote it, and from nobody else: it waits until they sign in on this device. */
export class NotYours extends Unreachable {}

/** Whoever wants to know that the server asks for a sign-in, or has ended this device. */
export const signedOut = new Set<(how: 'signIn' | 'deviceEnded') => void>()

/** Whoever has them say once more that it is them, where the server asks for that: whether they did. */
export const proving: { ask: (() => Promise<boolean>) | null } = { ask: null }

const milliseconds = 8000

/** What the same request gets again however often it is sent. Everything else passes: signal, sign-in, load, repair. */
const final: ReadonlySet<ProblemName> = new Set([
  'malformed',
  'noCase',
  'conflict',
  'changed',
  'tooLarge',
  'journalFull',
  'invalid',
  'notAllowed',
  'wrongPassPhrase',
  'wrongCode',
  'wrongPasskey',
  'proveAgain',
  'passkeyNeeded',
  'noPasskeys',
  'tooManyTries',
])

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

/** Who is in the firm. */
export const fetchPeople = () => call<Members>('/api/people', hasList('people'))

/** Adds somebody to the firm. */
export const sendMember = (one: NewMember) => call<CodeGiven>('/api/people', has('code'), one)

/** Changes what somebody is called or may. */
export const sendMemberChange = (id: string, change: MemberChange) => call<{ person: Member }>(`/api/people/${id}`, has('person'), change)

/** A code for somebody to choose a new pass phrase with. */
export const askCode = (id: string) => call<CodeGiven>(`/api/people/${id}/code`, has('code'), {})

/** Who uses this device, as the server knows it. */
export const fetchSession = () => call<Session>('/api/session', hasList('onDevice'))

/** Signs somebody in on this device. */
export const sendSignIn = (said: SignIn) => call<Session>('/api/session', hasList('onDevice'), said)

/** Signs in with a code and chooses a pass phrase. */
export const sendCode = (said: CodeIn) => call<Session>('/api/session/code', hasList('onDevice'), said)

/** Signs in as somebody of the demo. */
export const sendDemo = (person: string, label: string) => call<Session>('/api/session/demo', hasList('onDevice'), { person, label })

/** Says as whom of those on this device work goes on. */
export const sendActAs = (person: string) => call<Session>('/api/session/as', hasList('onDevice'), { person })

/** Signs whoever works here out. */
export const sendSignOut = (everywhere: boolean) => call<Session>('/api/session/out', hasList('onDevice'), { everywhere })

/** Another pass phrase. */
export const sendPassPhrase = (old: string, passPhrase: string) => call<Session>('/api/session/pass-phrase', hasList('onDevice'), { old, passPhrase })

/** What changed of how whoever asks signs in, done elsewhere. */
export const fetchOwnChanges = () => call<OwnChanges>('/api/session/changes', hasList('changes'))

/** The passkeys of whoever asks. */
export const fetchPasskeys = () => call<Passkeys>('/api/passkeys', hasList('passkeys'))

/** What a passkey is to be made with, once somebody has proved who they are. */
export const sendPasskeyOffer = () => call<PasskeyOffer>('/api/passkeys/offer', has('options'), {})

/** Hands a new passkey in. */
export const sendPasskeyMade = (made: PasskeyMade) => call<Passkeys>('/api/passkeys', hasList('passkeys'), made)

/** Says whether the pass phrase alone is enough. */
export const sendOnlyPasskey = (only: boolean) => call<Passkeys>('/api/passkeys/only', hasList('passkeys'), { only })

/** Takes a passkey away. */
export const sendPasskeyRemoved = (id: string) => call<Passkeys>(`/api/passkeys/${id}/remove`, hasList('passkeys'), {})

/** Says once more that it is whoever is signed in. */
export const sendProof = (passPhrase: string) => call<{ proved: boolean }>('/api/session/prove', has('proved'), passPhrase === '' ? {} : { passPhrase })

/** The same with a passkey. */
export const sendPasskeyProof = (used: PasskeyUsed) => call<{ proved: boolean }>('/api/session/passkey/prove', has('proved'), used)

/** What is to be signed to sign in. */
export const sendUseOffer = () => call<PasskeyOffer>('/api/session/passkey/offer', has('options'), {})

/** Signs in with a passkey. */
export const sendPasskeyUsed = (used: PasskeyUsed) => call<Session>('/api/session/passkey', hasList('onDevice'), used)

/** The devices one may see. */
export const fetchDevices = () => call<Devices>('/api/devices', hasList('devices'))

/** Signs a device out from afar. */
export const sendEnd = (id: string) => call<Devices>(`/api/devices/${id}/end`, hasList('devices'), {})

/** Hands in what this device may not send. */
export const sendHandIn = (items: readonly object[]) => call<{ kept: number }>('/api/devices/hand-in', has('kept'), { items })

/** Says that this device has emptied itself. */
export const sendWiped = () => call<{ ended: boolean }>('/api/devices/wiped', has('ended'), {})

/** What devices that were signed out from afar had not sent. */
export const fetchHandIns = () => call<HandIns>('/api/devices/hand-ins', hasList('handIns'))

/** Puts it in, or gives it up. */
export const sendSettled = (id: string, take: boolean) => call<HandInSettled>(`/api/devices/hand-ins/${id}`, has('kept'), { take })

/** A stretch of who did what. */
export const fetchAudit = (asked: AuditQuery) => call<AuditList>(`/api/audit?${query({ ...asked })}`, hasList('lines'))

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
async function call<T>(path: string, isOurs: (value: unknown) => boolean, body?: unknown, proved = false): Promise<T> {
  let response: Response
  let answer: unknown = null
  try {
    response = await fetch(path, {
      // a picture takes longer on a poor line than anything else
      signal: AbortSignal.timeout(body instanceof Blob ? milliseconds * 5 : milliseconds),
      ...(body === undefined ? {} : { method: 'POST', body: body instanceof Blob ? body : JSON.stringify(body) }),
      headers: {
        ...(body !== undefined && { 'content-type': body instanceof Blob ? body.type : 'application/json' }),
        ...(me.value && { 'x-dewpoint-person': me.value.id }),
      },
    })
    if (/^application\/([a-z]+\+)?json/.test(response.headers.get('content-type') ?? '')) answer = await response.json().catch(() => null)
  } catch {
    throw new Unreachable('The server does not answer.', true)
  }
  if (response.ok && isOurs(answer)) return answer as T
  const told = problemIn(answer)
  if (told?.name === 'proveAgain' && !proved && (await proving.ask?.())) return call(path, isOurs, body, true)
  if (told && told.problem.status === response.status && final.has(told.name)) throw new Refused(told.name, told.problem)
  if (told?.name === 'signIn' || told?.name === 'deviceEnded') for (const listener of signedOut) listener(told.name)
  if (told?.name === 'notYours') throw new NotYours(`${told.problem.title}.`, false)
  throw new Unreachable(
    told?.problem.title ? `${told.problem.title}.` : 'Something other than the Dewpoint server answered.',
    meansAll(response, told?.name),
    waitOf(response),
  )
}

/** A failure of the server with one thing may spare the next; everything else stands in the way of all. */
function meansAll(response: Response, name?: ProblemName): boolean {
  return name === undefined || !(response.status === 500 || name === 'tooSlow' || name === 'databaseBusy')
}

function waitOf(response: Response): number {
  const seconds = Number(response.headers.get('retry-after') ?? '0')
  return Number.isFinite(seconds) && seconds > 0 ? Math.min(seconds, 300) * 1000 : 0
}
