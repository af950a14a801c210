import type { Entry } from '@dewpoint/core/casebook'
import type { ControlScheme } from '@dewpoint/core/system'
import { colourConventions } from '@dewpoint/trade'

/** Colours of conductors and numbers at terminals: by custom, and as found. */
export interface Tags {
  colours: Record<string, string>
  numbers: Record<string, number>
}

/** What a convention says, with what was found written over it. */
export function tagsOf(scheme: ControlScheme, convention: string, found: Record<string, string | number> = {}): Tags {
  const custom = (colourConventions.find((one) => one.id === convention) ?? colourConventions[0]!).colours
  return {
    colours: Object.fromEntries(scheme.conductors.map(({ id, role }) => [id, String(found[`colour.${id}`] ?? custom[role])])),
    numbers: Object.fromEntries(
      scheme.devices.flatMap(({ id, terminals }) =>
        Object.entries(terminals).map(([name, number]) => [`${id}.${name}`, Number(found[`number.${id}.${name}`] ?? number)]),
      ),
    ),
  }
}

/** What a journal says was found of colours and numbers. */
export function foundTags(entries: readonly Entry[]): Record<string, string | number> {
  return Object.fromEntries(
    entries.flatMap((one) =>
      one.type === 'fact' && /^(colour|number)\./.test(one.payload.fact) && typeof one.payload.value !== 'boolean'
        ? [[one.payload.fact, one.payload.value]]
        : [],
    ),
  )
}
