import { openCases } from './openCases.ts'
import { pastCases } from './pastCases/index.ts'
import { type DemoCase, journalWriter } from './writing.ts'

export { demoExperience, demoFirm, demoStock } from './firm.ts'
export type { DemoCase } from './writing.ts'

/**
 * The demo: Lantern Row Heating, a small invented firm in the invented harbour town of Merrowhaven, its
 * calls of today at different points, and its closed cases of the last two years.
 *
 * @param now the present, so that the cases are of today and the days before
 */
export function demoCases(now: Date): DemoCase[] {
  const writer = journalWriter()
  return atTheirPlaces([...openCases(writer, now.getTime()), ...pastCases(writer, now.getTime())])
}

/** Cases of one place are of one boiler, as the first of them has it. */
function atTheirPlaces(all: DemoCase[]): DemoCase[] {
  const known = new Map<string, DemoCase['open']>()
  return all.map(({ open, entries }) => {
    const first = known.get(open.site.name) ?? open
    known.set(open.site.name, first)
    return { open: { ...open, site: first.site, appliance: first.appliance }, entries }
  })
}
