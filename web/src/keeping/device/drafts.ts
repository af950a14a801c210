import { computed, onScopeDispose, shallowRef, watch } from 'vue'
import { forget, named, recall, remember } from './storage.ts'

const prefix = 'dewpoint.draft.'
/** drafts this page could not keep: they are gone when it is closed or reloaded */
const inPageOnly = shallowRef<ReadonlySet<string>>(new Set())

/** Whether something is typed that this device does not keep. */
export const isUnkept = computed(() => inPageOnly.value.size > 0)

interface Kept<T> {
  at: number
  value: T
}

/**
 * Keeps what is typed into a form from the first key on, so that a reload, a call or a flat battery loses none of it. What was kept is filled in at
 * once; a form as it began keeps nothing.
 *
 * @param name which form of which thing; two tabs with forms of one name share the draft of whichever typed last
 * @param form the fields, as a reactive object; their kinds stay what they are
 * @returns forget it, once it has been written down
 */
export function useDraft<T extends object>(name: string, form: T): { forget: () => void } {
  const key = prefix + name
  const began = JSON.stringify(form)
  const kept = read<Partial<T>>(key)?.value
  if (kept) for (const field of Object.keys(form) as (keyof T)[]) if (sameKind(kept[field], form[field])) form[field] = kept[field] as T[keyof T]
  const stop = watch(
    form,
    () => {
      const text = JSON.stringify(form)
      if (text === began) drop(key)
      else mark(key, !remember(key, JSON.stringify({ at: Date.now(), value: form } satisfies Kept<T>)))
    },
    // with the key that was pressed: a reload may be the next thing that happens
    { deep: true, flush: 'sync' },
  )
  onScopeDispose(() => {
    stop()
    mark(key, false)
  })
  return {
    forget() {
      drop(key)
    },
  }
}

/** Drafts whose name begins so, latest first. */
export function draftsOf<T>(beginning: string): { name: string; at: number; value: T }[] {
  return named(prefix + beginning)
    .flatMap((key) => {
      const kept = read<T>(key)
      return kept ? [{ name: key.slice(prefix.length), at: kept.at, value: kept.value }] : []
    })
    .sort((a, b) => b.at - a.at)
}

/** Throws a draft away. */
export const discardDraft = (name: string): void => drop(prefix + name)

function drop(key: string): void {
  forget(key)
  mark(key, false)
}

function mark(key: string, isLost: boolean): void {
  if (inPageOnly.value.has(key) === isLost) return
  const next = new Set(inPageOnly.value)
  if (isLost) next.add(key)
  else next.delete(key)
  inPageOnly.value = next
}

function read<T>(key: string): Kept<T> | null {
  try {
    const kept = JSON.parse(recall(key) ?? 'null') as Kept<T> | null
    return kept && typeof kept === 'object' && typeof kept.at === 'number' && typeof kept.value === 'object' ? kept : null
  } catch {
    // not written by this version, or half written: nothing to fill in
    return null
  }
}

const sameKind = (a: unknown, b: unknown) => a !== undefined && (b === null || a === null || (typeof a === typeof b && Array.isArray(a) === Array.isArray(b)))
