import type { Case, FirmCosts, Past } from '@dewpoint/contract'
import { append, controlsOf, standing, type Entry, type EntryType, type Payload } from '@dewpoint/core/casebook'
import { standingActs, stopOf, type Diagnosis, type Order } from '@dewpoint/core/diagnosis'
import { catalogueFor, catalogues } from '@dewpoint/trade'
import { defineStore } from 'pinia'
import { v7 } from 'uuid'
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import { fetchCase, fetchCosts, fetchPast, Refused } from '../shared/api.ts'
import { keepCase, keptCase, listUnsent } from '../shared/device.ts'
import { useOutbox } from '../shared/outbox.ts'
import { presses } from '../shared/presses.ts'
import { reasoning } from '../workers/reasoning.ts'
import { author } from './author.ts'

/** The case on the screen: its journal, and what the reasoning makes of it. */
export const useCase = defineStore('case', () => {
  const outbox = useOutbox()
  const current = shallowRef<Case | null>(null)
  const entries = shallowRef<Entry[]>([])
  const trouble = ref<string | null>(null)
  const order = ref<Order>('telling')
  /** a check someone chose instead of the one offered */
  const picked = ref<string | null>(null)
  const diagnosis = shallowRef<Diagnosis | null>(null)
  /** belief before the latest entry, by suspect */
  const before = shallowRef<Record<string, number>>({})
  /** what earlier cases teach, and what things cost the firm; without the server neither */
  const past = shallowRef<Past | null>(null)
  const costs = shallowRef<FirmCosts | null>(null)
  const thinking = ref(false)
  const thoughtTrouble = ref<string | null>(null)
  let round = 0
  const isMeant = presses()
  const thoughtOf = shallowRef<Entry[] | null>(null)

  /** the last thing done to put something right, a remedy or an act */
  const mended = computed(() =>
    live.value.findLast(
      (one) =>
        one.type === 'repair' ||
        (one.type === 'action' && !one.payload.undone && catalogue.value?.actions.some(({ id, mends }) => id === one.payload.action && mends)),
    ),
  )

  /** whether what is shown of the reasoning knows of it already */
  const mendedKnown = computed(() => !mended.value || thoughtOf.value?.some((one) => one.id === mended.value!.id) === true)

  /** how it is wired: as written down last, else as the case was opened */
  const controls = computed(() => (current.value ? controlsOf(entries.value, current.value.controls) : ''))
  const catalogue = computed(() => {
    const system = current.value?.appliance.system
    return system === undefined ? null : (catalogueFor(system, controls.value) ?? catalogues[system] ?? null)
  })
  /** danger is seen here and now, not when the worker gets round to it */
  const stop = computed(() => (catalogue.value ? stopOf(catalogue.value, entries.value) : null))
  const live = computed(() => standing(entries.value))
  /** what was done and is not undone */
  const acts = computed(() => (catalogue.value ? standingActs(catalogue.value, entries.value) : []))

  /** Shows a case: first what is kept on this device, then what the server has. */
  async function open(id: string): Promise<void> {
    if (current.value?.id !== id) {
      current.value = null
      entries.value = []
      diagnosis.value = null
      before.value = {}
      past.value = null
    }
    trouble.value = null
    void learn(id)
    const [kept, unsent] = await Promise.all([keptCase(id), listUnsent()])
    const mine = unsent.flatMap((one) => (one.kind === 'entry' && one.caseId === id ? [one.entry] : []))
    if (kept) show(kept, mine)
    await refresh(id, mine)
  }

  /** Fetches what earlier cases teach. Nothing waits for it. */
  async function learn(id: string): Promise<void> {
    const [taught, priced] = await Promise.allSettled([fetchPast(id), fetchCosts()])
    if (current.value && current.value.id !== id) return
    if (priced.status === 'fulfilled') costs.value = priced.value
    if (taught.status === 'fulfilled') past.value = taught.value
  }

  /** Fetches what others wrote meanwhile. */
  async function refresh(id = current.value?.id, mine: Entry[] = []): Promise<void> {
    if (!id) return
    try {
      const fresh = await fetchCase(id)
      if (current.value && current.value.id !== id) return
      show(fresh, mine)
    } catch (error) {
      if (current.value?.id === id) return
      trouble.value =
        error instanceof Refused
          ? error.problem.detail
          : 'The server does not answer, and this case is not kept on this device. Try again when there is signal.'
    }
  }

  function show(one: Case, mine: Entry[]): void {
    const merged = append(one.entries, [...mine, ...(current.value?.id === one.id ? entries.value : [])]).entries
    const changed = merged.length !== entries.value.length || current.value?.id !== one.id
    current.value = { ...one, entries: merged }
    if (changed) entries.value = merged
    void keepCase(structuredClone(toRaw(current.value)))
  }

  /** Writes an entry: kept here at once, sent when it can be. */
  function write<T extends EntryType>(type: T, payload: Payload<T>): void {
    if (!current.value) return
    // never earlier than the last entry, so that a device with a slow clock still writes at the end
    const last = entries.value.at(-1)?.at
    const now = new Date().toISOString()
    const at = last !== undefined && last > now ? last : now
    const entry = { id: v7(), at, author: author.value, schema: 1, type, payload: JSON.parse(JSON.stringify(payload)) as unknown } as Entry
    entries.value = append(entries.value, [entry]).entries
    current.value = { ...current.value, entries: entries.value }
    void keepCase(structuredClone(toRaw(current.value)))
    void outbox.add({ kind: 'entry', caseId: current.value.id, entry })
  }

  /** Writes an answer, unless it is the second press of a double press: that lands on whatever has moved under the finger. */
  function answer(payload: Payload<'reading'>): void {
    if (isMeant()) write('reading', payload)
  }

  /** Takes back one entry, or this author's latest. Undo is an entry too. */
  function retract(id = live.value.findLast((one) => one.author === author.value)?.id): void {
    if (id) write('retract', { entry: id })
  }

  /** Puts a check before the one offered: somebody wants it next. */
  let wanted: string | null = null
  function choose(check: string): void {
    wanted = check
    picked.value = check
  }

  async function think(): Promise<void> {
    if (!current.value) return
    const mine = ++round
    thinking.value = true
    try {
      const result = await reasoning.diagnose(current.value.appliance.system, controls.value, toRaw(entries.value), {
        order: order.value,
        also: picked.value ? [picked.value] : [],
        ...(past.value && { experience: toRaw(past.value).experience }),
        ...(costs.value && { costs: toRaw(costs.value) }),
      })
      if (mine !== round) return
      if (entries.value !== thoughtOf.value) before.value = Object.fromEntries((diagnosis.value?.suspects ?? []).map((one) => [one.key, one.probability]))
      diagnosis.value = result
      thoughtOf.value = entries.value
      thoughtTrouble.value = null
    } catch (error) {
      if (mine === round) thoughtTrouble.value = (error as Error).message
    } finally {
      if (mine === round) thinking.value = false
    }
  }

  watch(entries, () => {
    picked.value = wanted
    wanted = null
  })
  watch([entries, order, picked, past, costs], () => void think())

  return {
    current,
    entries,
    live,
    acts,
    mended,
    mendedKnown,
    stop,
    controls,
    catalogue,
    trouble,
    order,
    picked,
    diagnosis,
    before,
    past,
    thinking,
    thoughtTrouble,
    open,
    refresh,
    write,
    answer,
    retract,
    choose,
    think,
  }
})
