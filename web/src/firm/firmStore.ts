import type { FirmSettings } from '@dewpoint/contract'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { sendFirm } from '../keeping/api.ts'
import { knownFirm } from '../keeping/device/keptAnswers.ts'
import { setCurrency } from '../shared/money.ts'
import { setZone } from '../shared/times.ts'

/** What the firm has set: what things cost, and the clock it works by. Without the server, what was known last. */
export const useFirm = defineStore('firm', () => {
  const settings = shallowRef<FirmSettings | null>(null)

  function take(known: FirmSettings | null): void {
    // the same settings again set nothing in motion
    if (known?.revision === settings.value?.revision) return
    settings.value = known
    if (known) setZone(known.timeZone)
    if (known) setCurrency(known.profile?.currency ?? '')
  }

  async function load(): Promise<void> {
    take((await knownFirm()).settings)
  }

  /** Sends changed settings; they count once the server keeps them. */
  async function send(changed: FirmSettings): Promise<void> {
    take((await sendFirm(changed)).settings)
  }

  return { settings, load, send }
})
