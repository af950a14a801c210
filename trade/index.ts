import type { Catalogue } from '@dewpoint/core/diagnosis'
import type { KnownCatalogues } from '@dewpoint/core/formats'
import type { ControlScheme } from '@dewpoint/core/system'
import { catalogueOf } from './catalogue.ts'
import { schemes } from './controls/index.ts'
import { models } from './models/index.ts'
import * as systems from './systems/index.ts'

export { catalogueOf }
export { zones as zonesOf } from './controls/index.ts'
export { colourConventions, coreColours } from './controls/colours.ts'

const byId = (list: Catalogue[]): Record<string, Catalogue> => Object.fromEntries(list.map((one) => [one.system.id, one]))

/** Everything known about the condensing combination. */
export const premixCombiCatalogue: Catalogue = catalogueOf(systems.premixCombi)

/** The catalogue of each stock system, by its id. Their signatures are shipped. */
export const stockCatalogues: Record<string, Catalogue> = byId([
  premixCombiCatalogue,
  ...[systems.systemBoiler, systems.atmosCombi, systems.coilCombi, systems.regularPilot, systems.zone24v, systems.electricFlow].map((one) => catalogueOf(one)),
])

/** The catalogue of every system and model, by its id. */
export const catalogues: Record<string, Catalogue> = { ...stockCatalogues, ...byId(models.map((one) => catalogueOf(one))) }

/** What is taken where nobody has said how a system is wired: one contact after another a circuit. */
export const unknownWiring = 'direct'

/** The control schemes a system or model may be wired by, the usual one first. A model is wired like the systems built as it is. */
export function schemesOf(system: string): ControlScheme[] {
  const layout = JSON.stringify(catalogues[system]?.system.layout)
  return schemes.filter(({ systems: ids }) => ids.some((id) => JSON.stringify(catalogues[id]?.system.layout) === layout)).map(({ scheme }) => scheme)
}

/** Wired catalogues made so far. */
const made = new Map<string, Catalogue>()

/** Everything known about a system wired in one way; nothing where it is not known, or not wired so. */
export function catalogueFor(system: string, controls: string): Catalogue | undefined {
  const direct = catalogues[system]
  if (!direct || controls === unknownWiring) return direct
  const scheme = schemesOf(system).find((one) => one.id === controls)
  if (!scheme) return undefined
  const key = `${system}+${controls}`
  let known = made.get(key)
  if (!known) made.set(key, (known = catalogueOf(direct.system, scheme)))
  return known
}

/** What a case file may name. */
export const known: KnownCatalogues = {
  systems: Object.keys(catalogues),
  controlsOf: (system) => [unknownWiring, ...schemesOf(system).map((one) => one.id)],
  find: catalogueFor,
}

/** Stock systems in every way they are wired; their single faults' signatures are shipped. */
export function wiredCatalogues(): Catalogue[] {
  return schemes.flatMap(({ scheme, systems: ids }) => ids.map((id) => catalogueFor(id, scheme.id)!))
}
