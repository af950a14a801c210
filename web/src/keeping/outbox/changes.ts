import type { Case, NewCase } from '@dewpoint/contract'
import { inOrder, type Entry } from '@dewpoint/core/casebook'
import type { Unsent } from '../device/device.ts'

/** What became of a case otherwise than by writing: entries replaced by what stands now, or gone, its opening corrected, or all of it given up. */
export type Change = { caseId: string; replaced: Entry[]; gone: string[]; opening?: NewCase; discarded?: true }

/** A case after entries were replaced or taken out, or its opening corrected. */
export function changedCase<C extends Case>(one: C, { replaced, gone, opening }: Change): C {
  const fresh = new Set([...replaced.map((entry) => entry.id), ...gone])
  const entries = inOrder([...one.entries.filter((entry) => !fresh.has(entry.id)), ...replaced])
  if (!opening) return { ...one, entries }
  const { site, appliance, openedAt, controls } = opening
  return { ...one, entries, openedAt, controls, site, appliance: { ...appliance, siteId: site.id } }
}

/** Something unsent as it was before the server said anything of it. */
export function withoutVerdict(one: Unsent): { sequence?: number; caseId: string } & ({ kind: 'open'; body: NewCase } | { kind: 'entry'; entry: Entry }) {
  const { sequence, caseId } = one
  return one.kind === 'open' ? { sequence, caseId, kind: 'open', body: one.body } : { sequence, caseId, kind: 'entry', entry: one.entry }
}
