import type { KnownAppliance } from '@dewpoint/contract'
import type { Payload } from '@dewpoint/core/casebook'
import type { Catalogue } from '@dewpoint/core/diagnosis'

const year = 365.25 * 86_400_000

/**
 * What is known of a boiler from earlier cases, as it is written down in a new one: what lasts as it was, its age as it is by now; what was so on one
 * day only stays where it was said.
 *
 * @param installedOn a day, or nothing where nobody knows it
 */
export function carriedFacts({ facts }: Pick<Catalogue, 'facts'>, known: KnownAppliance['facts'], installedOn: string, now: Date): Payload<'fact'>[] {
  const kindOf = (id: string) => facts.find((one) => one.id === id)
  const since = Date.parse(installedOn)
  const age = Number.isNaN(since) || since > now.getTime() ? null : Math.floor((now.getTime() - since) / year)
  const lasting = known.flatMap(({ fact, value, unit, at }): Payload<'fact'>[] => {
    const kind = kindOf(fact)
    if (!kind || kind.ofAppliance === 'passing') return []
    if (kind.narrows !== 'age') return [{ fact, value, ...(unit && { unit }) }]
    // said once, it has grown since
    return typeof value === 'number' && age === null ? [{ fact, value: Math.floor(value + (now.getTime() - Date.parse(at)) / year) }] : []
  })
  const ageKind = facts.find((one) => one.narrows === 'age')
  return [...(ageKind && age !== null ? [{ fact: ageKind.id, value: age }] : []), ...lasting]
}
