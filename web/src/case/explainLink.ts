import { entriesOf } from '@dewpoint/core/casebook'
import type { RouteLocationRaw } from 'vue-router'
import type { useCase } from './caseStore.ts'

/** The page for the customer's eyes, of this boiler and what is found or thought to be wrong with it. */
export function explainLink(store: Pick<ReturnType<typeof useCase>, 'current' | 'live' | 'diagnosis' | 'catalogue'>): RouteLocationRaw {
  const condemned = entriesOf(store.live, 'decision').findLast(({ payload }) => payload.kind === 'condemned' && payload.fault)?.payload.fault
  const repaired = entriesOf(store.live, 'repair').findLast(({ payload }) => payload.faults?.length)?.payload.faults?.[0]
  const complaint = entriesOf(store.live, 'complaint')[0]?.payload.what
  const about = store.catalogue?.complaints.find(({ id }) => id === complaint)?.about
  const fault = condemned ?? repaired ?? store.diagnosis?.suspects.find(({ faults }) => faults.length > 0)?.faults[0]
  return {
    name: 'bench-explain',
    query: {
      case: store.current?.id,
      boiler: store.current?.appliance.system,
      ...(fault && { fault }),
      wish: about === 'heating' ? 'heating' : 'hotWater',
    },
  }
}
