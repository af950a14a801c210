import { may, type Role, type Session } from '@dewpoint/contract'
import { computed, ref, shallowRef } from 'vue'
import { fetchSession, proving, Refused, sendActAs, sendCode, sendDemo, sendSignIn, sendSignOut, signedOut, Unreachable } from '../keeping/api.ts'
import { letGoOfAll, listUnsent } from '../keeping/device/device.ts'
import { leftOver } from '../keeping/outbox/writtenAhead.ts'
import { keepAgain } from '../keeping/device/device.ts'
import { here, lapsed, me } from '../keeping/who.ts'
import { emptied, emptyThisDevice, ended } from './door/emptying.ts'
import { PasskeyTrouble, usePasskey } from './passkeys.ts'
import { proveAgain } from './proving.ts'

/** What the server last said of signing in: whether nobody can yet, and who is made up. */
const told = shallowRef<Pick<Session, 'first' | 'demo'> | null>(null)
/** the server could not be asked */
const away = ref(false)

/** Takes over what the server says of this device. Whoever is signed in here stays known while it cannot be asked. */
function take(session: Session): void {
  told.value = { first: session.first, demo: session.demo }
  away.value = false
  if (session.person) {
    // a colleague who took the telephone over without signal is not put out by what the server knew before
    const stays = session.onDevice.find((one) => one.id === me.value?.id)
    here.value = session.onDevice
    me.value = stays ?? session.person
    lapsed.value = false
  } else if (me.value) lapsed.value = true
}

/** Looks who is signed in here. */
async function look(): Promise<void> {
  if (ended.value) await emptyThisDevice()
  if (ended.value) return
  try {
    take(await fetchSession())
  } catch (error) {
    away.value = error instanceof Unreachable
  }
}

/** What came of signing in: null when it is done, else what to do. */
async function signing(work: Promise<Session>): Promise<{ trouble: string; fields: Record<string, string> } | null> {
  try {
    const session = await work
    keepAgain()
    me.value = session.person
    emptied.value = null
    take(session)
    return null
  } catch (error) {
    if (error instanceof Refused)
      return {
        trouble: error.problem.fields?.length ? '' : `${error.problem.title}. ${error.problem.detail}`,
        fields: Object.fromEntries((error.problem.fields ?? []).map((one) => [one.field, one.message.replace(/^./, (first) => first.toUpperCase())])),
      }
    if (error instanceof PasskeyTrouble) return { trouble: error.message, fields: {} }
    return { trouble: 'The server does not answer. Signing in needs it: try again when there is signal.', fields: {} }
  }
}

/** Signs whoever works here out. What is kept here stays while a colleague works on; what is not sent waits for its writer. */
async function out(everywhere: boolean): Promise<string | null> {
  try {
    const session = await sendSignOut(everywhere)
    me.value = session.person
    here.value = session.onDevice
    told.value = { first: session.first, demo: session.demo }
    lapsed.value = false
    // nobody is left on it: what is kept of customers goes, what is not sent stays
    if (!session.person) await letGo()
    return null
  } catch (error) {
    return error instanceof Refused ? error.problem.detail : 'The server does not answer. Signing out needs it: try again when there is signal.'
  }
}

async function letGo(): Promise<void> {
  try {
    const unsent = [...(await listUnsent()), ...leftOver()]
    const pictures = unsent.flatMap((one) => (one.kind === 'entry' && one.entry.type === 'photo' ? [one.entry.payload.hash] : []))
    await letGoOfAll(new Set(unsent.map((one) => one.caseId)), new Set(pictures))
  } catch {
    // a device that cannot be read keeps nothing
  }
}

/** Goes on as somebody else who is signed in here; the server is told when it can be. */
function goOnAs(id: string): void {
  const other = here.value.find((one) => one.id === id)
  if (!other) return
  me.value = other
  sendActAs(id).catch(() => undefined)
}

let listening = false
/** Who is signed in on this device, and how that is changed. */
export function useSession() {
  if (!listening) {
    listening = true
    proving.ask = () => proveAgain((told.value?.demo.length ?? 0) > 0)
    signedOut.add((how) => {
      // emptied once it stays so: until somebody signs in there is nothing more to empty
      if (how === 'deviceEnded' && emptied.value) return
      if (how === 'deviceEnded') void emptyThisDevice().then(() => (ended.value ? undefined : look()))
      else if (me.value) lapsed.value = true
    })
  }
  return {
    me,
    here,
    lapsed,
    ended,
    away,
    first: computed(() => told.value?.first ?? false),
    demo: computed(() => told.value?.demo ?? []),
    isDemo: computed(() => (told.value?.demo.length ?? 0) > 0),
    look,
    signIn: (name: string, passPhrase: string) => signing(sendSignIn({ name, passPhrase, label: thisDevice() })),
    withCode: (code: string, name: string | undefined, passPhrase: string) =>
      signing(sendCode({ code, ...(name && { name }), passPhrase, label: thisDevice() })),
    withPasskey: () => signing(usePasskey(thisDevice())),
    asDemo: (id: string) => signing(sendDemo(id, thisDevice())),
    out,
    goOnAs,
  }
}

/** Whether whoever works here is of one of these roles. */
export const iMay = (who: readonly Role[]): boolean => may(me.value?.role, who)

/** What a list of devices calls this one, by what the browser says of itself. */
export function thisDevice(agent = navigator.userAgent): string {
  const kinds: [RegExp, string][] = [
    [/iPhone/, 'iPhone'],
    [/iPad/, 'iPad'],
    [/Android.*Mobile/, 'Android telephone'],
    [/Android/, 'Android tablet'],
    [/Windows/, 'Windows computer'],
    [/Macintosh/, 'Mac'],
    [/Linux/, 'Linux computer'],
  ]
  return kinds.find(([pattern]) => pattern.test(agent))?.[1] ?? 'A device'
}
