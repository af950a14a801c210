import type { Appliance, Case, NewCase, PresentCase, Site } from '@dewpoint/contract'
import { sameContent, summarise, type CaseSettings } from '@dewpoint/core/casebook'
import { eq, sql } from 'drizzle-orm'
import { fromJson, inTwoSteps, tables, written, type Database, type Steps } from '../../database/index.ts'
import { searchedCase, searchedSite } from '../derived/queries.ts'
import { knownSettings } from '../queries.ts'

const { appliances, cases, sites } = tables

/** What came of opening a case: it is new, it is there as it was sent, or something else is there under an id of it. */
export type Opened = { state: 'opened'; content: Case } | { state: 'present' } | { state: 'conflict'; present: PresentCase }

/** Opens a case. Sent again as it was, nothing changes. */
export async function openCase(database: Database, input: NewCase): Promise<Opened> {
  try {
    return await attempt(database, input)
  } catch (error) {
    // somebody wrote one of its ids between our look and our writing: look again
    if ((error as { code?: string }).code === 'ER_DUP_ENTRY') return attempt(database, input)
    throw error
  }
}

function attempt(database: Database, input: NewCase): Promise<Opened> {
  const { id, controls, settings = {} } = input
  const openedAt = new Date(input.openedAt)
  const appliance: Appliance = { ...input.appliance, siteId: input.site.id }
  const line = { id, openedAt: openedAt.toISOString(), controls, settings, siteId: input.site.id, applianceId: appliance.id }
  return inTwoSteps(database, async (steps): Promise<Opened> => {
    const present = await presentCase(steps, line)
    const differs: PresentCase = {
      ...(present.case && !sameContent(present.case, line) && { case: present.case }),
      ...(present.site && !sameContent(present.site, asKnown(input.site, present.site)) && { site: present.site }),
      ...(present.appliance && !sameContent(present.appliance, appliance) && { appliance: present.appliance }),
    }
    const conflict = Object.keys(differs).length > 0
    if (conflict || present.case) {
      await steps.end([])
      return conflict ? { state: 'conflict', present: differs } : { state: 'present' }
    }
    const site = { ...input.site, phone: input.site.phone || (present.site?.phone ?? '') }
    const build = steps.between()
    await steps.end(
      [
        ...(present.site ? [] : [build.insert(sites).values({ ...site, searched: searchedSite(site) })]),
        // a number nobody had said before is taken over, and is found by
        ...(present.site && present.site.phone !== site.phone
          ? [
              build
                .update(sites)
                .set({ phone: site.phone, searched: searchedSite(site) })
                .where(eq(sites.id, site.id)),
            ]
          : []),
        ...(present.appliance ? [] : [build.insert(appliances).values(appliance)]),
        build.insert(cases).values({
          ...{ ...line, openedAt, system: appliance.system, searched: searchedCase(site, appliance) },
          ...{ summary: summarise([]), foldedTo: '', changedAt: sql`now(3)` },
        }),
      ].map(written),
    )
    const content = { id, openedAt: line.openedAt, controls, settings: knownSettings(settings), site, appliance, entries: [], received: {}, position: 0 }
    return { state: 'opened', content }
  })
}

/** A place as it was sent, for comparing it with the one that is there: a telephone number that only one of them has is no difference. */
const asKnown = (sent: Site, present: Site): Site => (sent.phone === '' || present.phone === '' ? { ...sent, phone: present.phone } : sent)

/** What is there under the ids of a case. */
async function presentCase(steps: Steps, { id, siteId, applianceId }: { id: string; siteId: string; applianceId: string }): Promise<PresentCase> {
  const [row] = await steps.begin<Row>({
    text: `select cases.id as caseId, cases.opened_at as openedAt, cases.controls, cases.settings, cases.site_id as caseSite, cases.appliance_id as caseAppliance,
      sites.id as siteId, sites.name, sites.address, sites.note, sites.phone,
      appliances.id as applianceId, appliances.site_id as applianceSite, appliances.system, appliances.label, appliances.installed_on as installedOn
      from (select 1) as one left join cases on cases.id = ? left join sites on sites.id = ? left join appliances on appliances.id = ?`,
    values: [id, siteId, applianceId],
  })
  const { caseId, openedAt, controls, settings, caseSite, caseAppliance, name, address, note, phone, applianceSite, system, label, installedOn } = row!
  return {
    ...(caseId !== null && {
      case: {
        ...{ id, openedAt: openedAt.toISOString(), controls, settings: knownSettings(fromJson<CaseSettings>(settings)) },
        ...{ siteId: caseSite, applianceId: caseAppliance },
      },
    }),
    ...(row!.siteId !== null && { site: { id: siteId, name, address, note, phone } }),
    ...(row!.applianceId !== null && { appliance: { id: applianceId, siteId: applianceSite, system, label, installedOn } }),
  }
}

/** One row of what is there: all of a part is null where that is not. */
interface Row extends Omit<Site, 'id'>, Omit<Appliance, 'id' | 'siteId'> {
  caseId: string | null
  openedAt: Date
  controls: string
  settings: unknown
  caseSite: string
  caseAppliance: string
  siteId: string | null
  applianceId: string | null
  applianceSite: string
}
