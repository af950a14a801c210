/** A customer's place. */
export interface Site {
  id: string
  name: string
  address: string
  note: string
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
