import type { Payload } from '@dewpoint/core/casebook'
import type { Check, OutcomeAhead } from '@dewpoint/core/diagnosis'
import { computed, shallowRef, toRaw, watch, type ComputedRef } from 'vue'
import { reasoning } from '../../workers/reasoning.ts'
import { useCase } from '../caseStore.ts'

/**
 * What each outcome of a check would make of the suspects, before it is recorded.
 *
 * @param check the check asked about; none, or one read as a number, asks nothing
 * @param as how it would be recorded
 * @param choices the outcomes offered, so that what is told of them adds up to one
 * @returns by outcome: about this check and the journal as it stands, empty until it is worked out
 */
export function useAhead(
  check: ComputedRef<Check | undefined>,
  as: ComputedRef<Omit<Payload<'reading'>, 'check' | 'outcome'>>,
  choices: ComputedRef<readonly { id: string }[]>,
) {
  const store = useCase()
  const ahead = shallowRef<{ check: string; entries: unknown; outcomes: OutcomeAhead[] } | null>(null)
  watch(
    [check, () => store.entries, () => store.experience],
    async ([one, entries]) => {
      if (!one || !store.current || one.result.kind === 'number') return
      const outcomes = await reasoning
        .ahead(store.current.appliance.system, store.controls, toRaw(entries), one.id, Date.now(), as.value, toRaw(store.experience))
        .catch(() => [])
      if (check.value === one && store.entries === entries) ahead.value = { check: one.id, entries, outcomes }
    },
    { immediate: true },
  )
  const told = computed(() => {
    const fits = ahead.value?.check === check.value?.id && ahead.value?.entries === store.entries
    return new Map((fits ? ahead.value!.outcomes : []).map((one) => [one.outcome, one]))
  })
  const whole = computed(() => choices.value.reduce((sum, one) => sum + (told.value.get(one.id)?.probability ?? 0), 0) || 1)
  /** how likely an outcome is among those offered; nothing until it is worked out */
  const chanceOf = (outcome: string) => {
    const one = told.value.get(outcome)
    return one && one.probability / whole.value
  }
  return { told, chanceOf }
}
