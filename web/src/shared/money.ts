import { ref } from 'vue'
import { recall, remember } from '../keeping/device/storage.ts'

const key = 'dewpoint.currency'

/** What the firm reckons in, ISO 4217; empty before it said so. */
export const currency = ref(recall(key) ?? '')

/** Takes over the firm's currency, for now and for the next start without the server. */
export function setCurrency(code: string): void {
  currency.value = code
  remember(key, code)
}

/** An amount in the firm's currency, in whole units or, where it matters, to the last coin; a bare figure before it said which. */
export function money(amount: number, exact = false): string {
  const digits = exact ? {} : { minimumFractionDigits: 0, maximumFractionDigits: 0 }
  if (currency.value) {
    try {
      return new Intl.NumberFormat('en-GB', { style: 'currency', currency: currency.value, ...digits }).format(amount)
    } catch {
      // a code this browser cannot read: the figure alone
    }
  }
  return new Intl.NumberFormat('en-GB', exact ? { minimumFractionDigits: 2, maximumFractionDigits: 2 } : digits).format(amount)
}
