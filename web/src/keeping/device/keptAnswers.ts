import { factsOf, standing, summarise } from '@dewpoint/core/casebook'
import {
  folded,
  type ApplianceHistory,
  type Firm,
  type KnownAppliance,
  type Past,
  type Member,
  type Members,
  type SiteLine,
  type Stated,
  type Stock,
} from '@dewpoint/contract'
import { fetchFirm, fetchHistory, fetchKnown, fetchPast, fetchPeople, fetchSites, fetchStock, Refused, sendStated } from '../api.ts'
import { keepAnswer, keptAnswer, keptCases } from './device.ts'

/** The server's answer, or without it the last one this device has. */
async function orKept<T>(asked: string, fetching: Promise<T>): Promise<T> {
  try {
    const answer = await fetching
    // a device that keeps nothing only loses what it would have had without the server
    await keepAnswer(asked, answer, new Date().toISOString()).catch(() => undefined)
    return answer
  } catch (error) {
    const kept = error instanceof Refused ? undefined : await keptAnswer<T>(asked).catch(() => undefined)
    if (kept === undefined) throw error
    return kept
  }
}

/** Who is in the firm, as far as known here. */
export const knownPeople = async (): Promise<Member[]> => (await orKept<Members>('people', fetchPeople())).people.filter((one) => !one.left)

/** What the firm has set, as far as known here. */
export const knownFirm = () => orKept<Firm>('firm', fetchFirm())

/** What the firm has of parts, as far as known here. */
export const knownStock = () => orKept<Stock>('parts', fetchStock())

/** What happened to a boiler; without the server and its last answer, what the cases kept here tell. */
export async function knownHistory(id: string): Promise<ApplianceHistory> {
  try {
    return await orKept<ApplianceHistory>(`history ${id}`, fetchHistory(id))
  } catch (error) {
    const here = (await keptCases().catch(() => [])).filter((one) => one.appliance.id === id).sort((a, b) => (a.openedAt < b.openedAt ? 1 : -1))
    const [latest] = here
    if (!latest) throw error
    const { site, appliance } = latest
    return {
      site,
      appliance,
      cases: here.map(({ id: caseId, openedAt, entries }) => {
        const { complaints, proven, closed } = summarise(entries)
        return { id: caseId, openedAt, complaints, faults: proven, closed, entries: standing(entries) }
      }),
    }
  }
}

/** What earlier cases say of a boiler; without the server and its last answer, what the cases kept here say. */
export async function knownAppliance(id: string): Promise<KnownAppliance> {
  try {
    return await orKept<KnownAppliance>(`appliance ${id}`, fetchKnown(id))
  } catch {
    const here = (await keptCases().catch(() => [])).filter((one) => one.appliance.id === id)
    const facts = Object.values(factsOf(here.flatMap((one) => one.entries)))
    const visits = [...here].sort((a, b) => (a.openedAt < b.openedAt ? 1 : -1))
    return {
      facts: facts.map(({ at, payload: { fact, value, unit } }) => ({ fact, value, ...(unit && { unit }), at })),
      visits: visits.map(({ id: caseId, openedAt, entries }) => {
        const { complaints, proven, closed } = summarise(entries)
        return { id: caseId, openedAt, complaints, faults: proven, closed }
      }),
    }
  }
}

/**
 * What earlier cases teach about one, as far as known here. Of a case that was never opened here, what is known of its kind of boiler.
 *
 * @param system the kind of boiler, where it is known
 */
export async function knownPast(id: string, system?: string): Promise<Past> {
  try {
    return await orKept<Past>(
      `past ${id}`,
      fetchPast(id).then(async (past) => {
        if (system !== undefined) await keepAnswer(`kind ${system}`, past.experience, new Date().toISOString()).catch(() => undefined)
        return past
      }),
    )
  } catch (error) {
    const experience =
      system === undefined || error instanceof Refused ? undefined : await keptAnswer<Past['experience']>(`kind ${system}`).catch(() => undefined)
    if (!experience) throw error
    return { appliance: [], experience }
  }
}

/** Places that have the words searched for; without the server those of the cases kept here. */
export async function knownSites(search: string): Promise<SiteLine[]> {
  try {
    return (await fetchSites(search)).sites
  } catch {
    const words = folded(search)
    const figures = /^[\d\s+()/.-]{3,}$/.test(search) ? search.replace(/\D/g, '') : ''
    const found = new Map<string, SiteLine>()
    for (const { site, appliance } of await keptCases().catch(() => [])) {
      const byNumber = figures.length > 2 && (site.phone ?? '').replace(/\D/g, '').includes(figures)
      if (!byNumber && ![site.name, site.address].some((text) => folded(text).includes(words))) continue
      const known = found.get(site.id)?.appliances ?? []
      found.set(site.id, { ...site, appliances: known.some((one) => one.id === appliance.id) ? known : [...known, appliance] })
    }
    return [...found.values()].sort((a, b) => (a.name < b.name ? -1 : 1))
  }
}

/**
 * Says from own experience how many calls in ten to a kind of boiler turn out to be a fault. The server must hear it: it is the firm's, not this
 * device's.
 */
export async function state(system: string, said: Stated, known: Past['experience'] | undefined): Promise<Past['experience']> {
  const experience = { cases: 0, proven: {}, ...known, ...(await sendStated(system, said)) }
  await keepAnswer(`kind ${system}`, experience, new Date().toISOString()).catch(() => undefined)
  return experience
}
