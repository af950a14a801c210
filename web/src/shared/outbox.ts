import { defineStore } from 'pinia'
import { ref } from 'vue'
import { Refused, sendCase, sendEntries } from './api.ts'
import { forgetUnsent, listUnsent, noteUnsent, type Unsent } from './device.ts'

/** What was done here and is not with the server yet. Sent in order; kept through reloads and lost signal. */
export const useOutbox = defineStore('outbox', () => {
  const waiting = ref(0)
  const away = ref(false)
  /** something the server will not take, in words */
  const refused = ref<string | null>(null)
  let sending: Promise<void> | null = null
  let again = 0

  async function add(one: Unsent): Promise<void> {
    await noteUnsent(one)
    waiting.value++
    void flush()
  }

  /** Sends what waits; several calls share one round. */
  function flush(): Promise<void> {
    sending ??= round().finally(() => {
      sending = null
    })
    return sending
  }

  async function round(): Promise<void> {
    window.clearTimeout(again)
    let all = await listUnsent()
    while (all.length > 0) {
      for (const one of all) {
        try {
          if (one.kind === 'open') await sendCase(one.body)
          else await sendEntries(one.caseId, [one.entry])
        } catch (error) {
          if (!(error instanceof Refused)) {
            away.value = true
            waiting.value = (await listUnsent()).length
            again = window.setTimeout(() => void flush(), 4000)
            return
          }
          refused.value = `${error.problem.title}. ${error.problem.fields?.map((one) => one.message).join('; ') ?? error.problem.detail}`
        }
        await forgetUnsent(one.sequence!)
      }
      all = await listUnsent()
      waiting.value = all.length
    }
    away.value = false
    waiting.value = 0
  }

  window.addEventListener('online', () => void flush())
  return { waiting, away, refused, add, flush }
})
