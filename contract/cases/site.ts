import type { Entry } from '@dewpoint/core/casebook'
import type { PastCase } from './past.ts'

/** A customer's place. */
export interface Site {
  id: string
  name: string
  address: string
  note: string
  /** as it was given; empty where nobody said */
  phone: string
}

/** A boiler standing at a site. */
export interface Appliance {
  id: string
  siteId: string
  /** catalogue id of the system it is a model of */
  system: string
  label: string
  installedOn: string
}

/** What is known of a boiler from its earlier cases. */
export interface KnownAppliance {
  /** of each fact what was said last, and when */
  facts: { fact: string; value: string | number | boolean; unit?: string; at: string }[]
  /** its cases, latest first */
  visits: PastCase[]
}

/** What happened to a boiler: its cases with what is told of them on a line of time. */
export interface ApplianceHistory {
  site: Site
  appliance: Appliance
  /** latest first, with the entries that tell of it, in the order of each journal */
  cases: (PastCase & { entries: Entry[] })[]
}

/** A place with its boilers. */
export interface SiteLine extends Site {
  appliances: Appliance[]
}

/** A stretch of the list of sites, by name. */
export interface SiteList {
  sites: SiteLine[]
  /** what to ask for to get the next stretch; null at the end */
  next: string | null
}
