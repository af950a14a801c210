import type { Catalogue } from '@dewpoint/core/diagnosis'
import type { KnownCatalogues } from '@dewpoint/core/formats'
import type { BoilerSystem, ControlScheme } from '@dewpoint/core/system'
import { catalogueOf } from './catalogue.ts'
import { schemes } from './controls/index.ts'
import { models } from './models/index.ts'
import * as systems from './systems/index.ts'

export { catalogueOf }
export { zones as zonesOf } from './controls/index.ts'
export { colourConventions, coreColours } from './controls/colours.ts'

/** Catalogues made so far: each when it is first asked for, since making all of them takes a second. */
const made = new Map<string, Catalogue>()
const inTurn = (list: readonly BoilerSystem[]): Record<string, Catalogue> =>
  Object.defineProperties(
    {},
    Object.fromEntries(
      list.map((system) => [
        system.id,
        {
          enumerable: true,
          get: () => {
            let one = made.get(system.id)
            if (!one) made.set(system.id, (one = catalogueOf(system)))
            return one
          },
        },
      ]),
    ),
  ) as Record<string, Catalogue>

const stock = [systems.premixCombi, systems.systemBoiler, systems.atmosCombi, systems.coilCombi, systems.regularPilot, systems.zone24v, systems.electricFlow]

const all = [...stock, ...models]
const layouts = new Map(all.map(({ id, layout }) => [id, JSON.stringify(layout)]))

/** The catalogue of each stock system, by its id. Their signatures are shipped. */
export const stockCatalogues = inTurn(stock)

/** The catalogue of every system and model, by its id. */
export const catalogues = inTurn(all)

/** Everything known about the condensing combination. */
export const premixCombiCatalogue: Catalogue = stockCatalogues['premix-combi']!

/** What is taken where nobody has said how a system is wired: one contact after another a circuit. */
export const unknownWiring = 'direct'

/** The control schemes a system or model may be wired by, the usual one first. A model is wired like the systems built as it is. */
export function schemesOf(system: string): ControlScheme[] {
  const layout = layouts.get(system)
  return schemes.filter(({ systems: ids }) => ids.some((id) => layouts.get(id) === layout)).map(({ scheme }) => scheme)
}

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
