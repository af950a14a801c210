import type { Case } from '@dewpoint/contract'
import { standing, type Entry } from '@dewpoint/core/casebook'
import type { Field } from '@dewpoint/core/bench'
import { convert, isUnit, dimensionOf, type UnitSymbol } from '@dewpoint/core/quantity'
import { parametersOf, type BoilerSystem } from '@dewpoint/core/system'
import type { BenchLink } from '@dewpoint/trade/bench'
import { computed, onMounted, ref, shallowRef, watch, type ComputedRef, type Ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { fetchCase } from '../../keeping/api.ts'
import { keptCase } from '../../keeping/device/device.ts'
import { systemById } from '../../library/imported.ts'
import { tellAddress } from './address.ts'
import type { Inputs } from './useInputs.ts'

/** Whose figures a tool takes as usual: those of a boiler, or of the boiler of a case. */
export interface BenchBoiler {
  /** id of the boiler chosen; '' for none */
  chosen: Ref<string>
  choose: (id: string) => void
  system: ComputedRef<BoilerSystem | undefined>
  /** the case it was opened from */
  case: Ref<Case | null>
  trouble: Ref<string | null>
  /** the case is looked at again: something was written into it */
  again: () => void
  /** a parameter of the boiler, in a unit; nothing without a boiler or where it has no such part */
  usual: (link: BenchLink | undefined, unit: UnitSymbol) => number | undefined
}

/** The boiler a tool works for: from the address, where it names one or a case. */
export function useBenchBoiler(): BenchBoiler {
  const route = useRoute()
  const router = useRouter()
  const chosen = ref(typeof route.query.boiler === 'string' ? route.query.boiler : '')
  const one = shallowRef<Case | null>(null)
  const trouble = ref<string | null>(null)
  const fetchIt = async () => {
    const { case: id } = route.query
    if (typeof id !== 'string') return
    one.value = (await keptCase(id).catch(() => undefined)) ?? (await fetchCase(id).catch(() => null))
    if (!one.value) trouble.value = 'The case is not kept on this device, and the server does not answer: its readings are not filled in.'
  }
  onMounted(fetchIt)
  const system = computed(() => systemById(one.value?.appliance.system ?? chosen.value))
  const parameters = computed(() => new Map(system.value ? parametersOf(system.value) : []))
  return {
    chosen,
    choose(id) {
      chosen.value = id
      void tellAddress(router, { boiler: id || undefined })
    },
    system,
    case: one,
    trouble,
    again: () => void fetchIt(),
    usual(link, unit) {
      const found = link?.parameter ? parameters.value.get(link.parameter) : undefined
      if (!found) return undefined
      return isUnit(found.unit) && dimensionOf(found.unit) === dimensionOf(unit) ? convert(found.value, found.unit, unit) : found.value
    },
  }
}

/** Fills what was read in the case into the inputs nobody has typed into. */
export function useCaseReadings(boiler: BenchBoiler, inputs: Inputs, links: Readonly<Record<string, BenchLink>>): void {
  watch(
    () => boiler.case.value,
    (one) => {
      if (!one) return
      for (const [key, { checks }] of Object.entries(links)) {
        const field = inputs.fields.value.find((other) => other.key === key)
        const reading = field && lastReading(one.entries, checks ?? [], field)
        if (!reading || inputs.form.texts[key] !== '') continue
        inputs.fill(key, reading.text, reading.unit)
      }
    },
    { immediate: true },
  )
}

/** The last reading of a case that any of these checks gave, as it was written. */
export function lastReading(entries: readonly Entry[], checks: readonly string[], field: Pick<Field, 'unit'>): { text: string; unit: UnitSymbol } | null {
  const entry = standing([...entries]).findLast((one) => one.type === 'reading' && checks.includes(one.payload.check) && one.payload.value !== undefined)
  if (entry?.type !== 'reading') return null
  const { value, unit = '' } = entry.payload
  return isUnit(unit) && dimensionOf(unit) === dimensionOf(field.unit) ? { text: String(Number(value!.toPrecision(6))), unit } : null
}
