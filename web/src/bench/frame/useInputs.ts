import { readField, type Field, type FieldRead } from '@dewpoint/core/bench'
import { isUnit, unitsLike, type UnitSymbol } from '@dewpoint/core/quantity'
import { computed, onBeforeUnmount, onMounted, reactive, watch, type ComputedRef } from 'vue'
import { useRoute, useRouter, type LocationQuery } from 'vue-router'
import { useDraft } from '../../keeping/device/drafts.ts'
import { tellAddress, watchAddress } from './address.ts'
import { recall, remember } from '../../keeping/device/storage.ts'

/** What is typed into a tool: texts, their units, and what was chosen. Kept on the device, and in the address, which can be sent to somebody. */
export interface Inputs {
  tool: string
  fields: ComputedRef<readonly Field[]>
  form: { texts: Record<string, string>; units: Record<string, UnitSymbol>; chosen: Record<string, string> }
  /** something was typed that cannot be: nothing is worked out of the rest */
  wrong: ComputedRef<boolean>
  read: ComputedRef<Record<string, FieldRead>>
  type: (key: string, text: string, unit?: UnitSymbol) => void
  measureIn: (key: string, unit: UnitSymbol) => void
  choose: (name: string, value: string) => void
  /** a field's figure in its own unit; null where there is none */
  value: (key: string) => number | null
  /** whether somebody typed it: a usual figure is none of theirs */
  isTyped: (key: string) => boolean
  /** whether it is typed and in no case yet */
  isFresh: (key: string) => boolean
  /** fills in what stands in a case */
  fill: (key: string, text: string, unit: UnitSymbol) => void
  /** everything typed stands in a case now */
  asKept: () => void
  /** the units a field may be typed in, its own first */
  unitsOf: (field: Field) => UnitSymbol[]
  clear: () => void
}

/** after the last key, ms: a browser lets an address be changed only so often */
const settled = 300

/**
 * @param tool its name: what is typed is kept under it, of a case under that case's
 * @param fieldsOf its inputs, by what is chosen; they may change with the boiler too, their keys do not
 * @param choices what can be chosen, by name, the usual one first
 */
export function useInputs(
  tool: string,
  fieldsOf: (chosen: Readonly<Record<string, string>>) => readonly Field[],
  choices: Readonly<Record<string, readonly string[]>> = {},
): Inputs {
  const route = useRoute()
  const router = useRouter()
  watchAddress(router)
  const usualChoice = Object.fromEntries(Object.entries(choices).map(([name, [first]]) => [name, first!])) as Record<string, string>
  const own = fieldsOf(usualChoice)
  const unitKey = (key: string) => `dewpoint.unit.${tool}.${key}`
  const unitsOf = (field: Field) => [field.unit, ...(field.others ?? unitsLike(field.unit).slice(1))]
  const rememberedUnit = (field: Field) => {
    const kept = recall(unitKey(field.key))
    return kept !== null && isUnit(kept) && unitsOf(field).includes(kept) ? kept : field.unit
  }
  const form = reactive({
    texts: Object.fromEntries(own.map(({ key }) => [key, ''])) as Record<string, string>,
    units: Object.fromEntries(own.map((one) => [one.key, rememberedUnit(one)])) as Record<string, UnitSymbol>,
    chosen: { ...usualChoice },
    /** what stands in a case already, as it was filled in from there or put in: no reading to record again */
    kept: {} as Record<string, string>,
    /** the address that says the same: one that says otherwise was sent by somebody, and is taken */
    link: '',
  })
  const begun = JSON.parse(JSON.stringify(form)) as typeof form
  useDraft(`bench ${tool}${typeof route.query.case === 'string' ? ` ${route.query.case.slice(0, 36)}` : ''}`, form)
  // what an older version kept may know fewer fields
  form.texts = { ...begun.texts, ...form.texts }
  form.units = { ...begun.units, ...form.units }
  form.chosen = { ...begun.chosen, ...form.chosen }

  const known = new Set([...own.flatMap(({ key }) => [key, `${key}.unit`]), ...Object.keys(choices)])
  /** what is typed, as an address says it */
  const asQuery = () => {
    const query: Record<string, string> = {}
    for (const field of own) {
      const text = form.texts[field.key]!.trim()
      if (text === '') continue
      query[field.key] = text
      if (form.units[field.key] !== field.unit) query[`${field.key}.unit`] = form.units[field.key]!
    }
    for (const [name, [first]] of Object.entries(choices)) if (form.chosen[name] !== first) query[name] = form.chosen[name]!
    return query
  }
  const asLink = (query: LocationQuery | Record<string, string>) =>
    JSON.stringify(
      Object.entries(query)
        .filter(([name]) => known.has(name))
        .sort(([one], [other]) => (one < other ? -1 : 1)),
    )

  function take(query: LocationQuery) {
    for (const field of own) {
      const [text, unit] = [query[field.key], query[`${field.key}.unit`]]
      form.texts[field.key] = typeof text === 'string' ? text.slice(0, 24) : ''
      if (typeof unit === 'string' && isUnit(unit) && unitsOf(field).includes(unit)) form.units[field.key] = unit
      else if (typeof text === 'string') form.units[field.key] = field.unit
    }
    for (const [name, values] of Object.entries(choices)) {
      const value = query[name]
      form.chosen[name] = typeof value === 'string' && values.includes(value) ? value : values[0]!
    }
    form.link = asLink(query)
  }
  const given = asLink(route.query)
  if (given !== '[]' && given !== form.link) take(route.query)

  let waiting: number | undefined
  /** the page is left, or another one shown in its place */
  let gone = false
  function tell() {
    window.clearTimeout(waiting)
    waiting = undefined
    if (gone) return
    const query = asQuery()
    const link = asLink(query)
    if (link === asLink(route.query)) return
    form.link = link
    void tellAddress(router, { ...Object.fromEntries([...known].map((name) => [name, undefined])), ...query })
  }
  watch(
    () => [form.texts, form.units, form.chosen],
    () => {
      window.clearTimeout(waiting)
      waiting = window.setTimeout(tell, settled)
    },
    { deep: true },
  )
  // somebody goes back, or follows another link to this tool
  watch(
    () => asLink(route.query),
    (link) => {
      if (link !== form.link && waiting === undefined) take(route.query)
    },
  )
  onMounted(tell)
  onBeforeUnmount(() => {
    gone = true
    window.clearTimeout(waiting)
  })

  const fields = computed(() => fieldsOf(form.chosen))
  const said = (key: string) => `${form.texts[key]?.trim()} ${form.units[key]}`
  const read = computed(() =>
    Object.fromEntries(fields.value.map((field) => [field.key, readField(field, form.texts[field.key] ?? '', form.units[field.key] ?? field.unit)])),
  )
  return {
    tool,
    fields,
    form,
    read,
    unitsOf,
    type(key, text, unit) {
      form.texts[key] = text
      if (unit) form.units[key] = unit
    },
    measureIn(key, unit) {
      form.units[key] = unit
      remember(unitKey(key), unit)
    },
    choose(name, value) {
      form.chosen[name] = value
    },
    value: (key) => read.value[key]?.value ?? null,
    wrong: computed(() => Object.values(read.value).some(({ problem }) => problem !== null)),
    isFresh: (key) => (form.texts[key] ?? '').trim() !== '' && read.value[key]?.value !== null && form.kept[key] !== said(key),
    fill(key, text, unit) {
      form.texts[key] = text
      form.units[key] = unit
      form.kept[key] = said(key)
    },
    asKept() {
      for (const { key } of fields.value) form.kept[key] = said(key)
    },
    isTyped: (key) => (form.texts[key] ?? '').trim() !== '' && read.value[key]?.value !== null,
    clear() {
      Object.assign(form.texts, begun.texts)
      Object.assign(form.chosen, begun.chosen)
      form.kept = {}
    },
  }
}
