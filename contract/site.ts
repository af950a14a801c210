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
