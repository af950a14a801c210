import type { Member } from '@dewpoint/contract'
import type { Person } from '@dewpoint/core/casebook'
import { computed, ref, watch } from 'vue'
import { recall, remember } from './device/storage.ts'

/** Somebody as this device remembers them. */
const isMember = (one: unknown): one is Member =>
  typeof one === 'object' && one !== null && ['id', 'name', 'role'].every((key) => typeof (one as Record<string, unknown>)[key] === 'string')

const keys = { me: 'dewpoint.me', here: 'dewpoint.here', lapsed: 'dewpoint.lapsed' }

function remembered(key: string): unknown {
  try {
    return JSON.parse(recall(key) ?? 'null')
  } catch {
    return null
  }
}
function asMember(one: unknown): Member | null {
  return isMember(one) ? { id: one.id, name: one.name, role: one.role } : null
}

/** Who works on this device now; null before anybody has signed in. Remembered, so that work goes on without the server. */
export const me = ref<Member | null>(asMember(remembered(keys.me)))
/** Everybody signed in on this device. */
export const here = ref<Member[]>([remembered(keys.here)].flat().flatMap((one) => asMember(one) ?? []))
/** The server asks for a sign-in again; what is written meanwhile stays on this device. */
export const lapsed = ref(remembered(keys.lapsed) === true)

watch(me, (one) => remember(keys.me, JSON.stringify(one)), { flush: 'sync' })
watch(here, (list) => remember(keys.here, JSON.stringify(list)), { flush: 'sync' })
watch(lapsed, (on) => remember(keys.lapsed, JSON.stringify(on)), { flush: 'sync' })

/** The name of whoever works here; empty before anybody has signed in. */
export const myName = computed(() => me.value?.name ?? '')

/**
 * Who signs what is written now.
 *
 * @throws when nobody has signed in: nobody signs by a name that was put there for them
 */
export function writer(): Person {
  if (!me.value) throw new Error('nobody has signed in on this device')
  return { id: me.value.id, name: me.value.name }
}

// another tab of this browser is the same device: who works there works here
if (typeof window !== 'undefined')
  window.addEventListener('storage', ({ key }) => {
    if (key === keys.me) me.value = asMember(remembered(keys.me))
    if (key === keys.here) here.value = [remembered(keys.here)].flat().flatMap((one) => asMember(one) ?? [])
    if (key === keys.lapsed) lapsed.value = remembered(keys.lapsed) === true
  })
