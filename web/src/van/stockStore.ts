import type { Stocked } from '@dewpoint/contract'
import { partKinds } from '@dewpoint/trade/parts'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { sendStocked } from '../keeping/api.ts'
import { knownStock } from '../keeping/device/keptAnswers.ts'

/** One part as it is talked of: what it is called, what it costs the firm, and how many there are. */
export interface StockLine extends Stocked {
  /** the price that counts: the firm's own, or what is assumed */
  counts: number
  alsoCalled: string
}

/** What the firm has of parts, on the van and in the store. Without the server, what was known last. */
export const useStock = defineStore('stock', () => {
  const said = shallowRef<readonly Stocked[]>([])

  const lines = computed<StockLine[]>(() => {
    const own = new Map(said.value.map((one) => [one.part, one]))
    const known = partKinds.map(({ name, price, alsoCalled }) => ({ ...(own.get(name) ?? nothing(name)), counts: own.get(name)?.price ?? price, alsoCalled }))
    const others = said.value.filter((one) => !partKinds.some(({ name }) => name === one.part))
    return [...known, ...others.map((one) => ({ ...one, counts: one.price ?? 0, alsoCalled: '' }))].sort((a, b) => a.part.localeCompare(b.part))
  })
  /** prices of its own, as the reasoning takes them */
  const prices = computed<Record<string, number>>(() => Object.fromEntries(said.value.flatMap(({ part, price }) => (price === null ? [] : [[part, price]]))))
  const of = (part: string) => said.value.find((one) => one.part === part)

  let sent = 0
  async function load(): Promise<void> {
    const before = sent
    const { parts } = await knownStock()
    // an answer that was asked for before something was sent, and comes after, is older than what is here
    if (before === sent) said.value = parts
  }

  /** Sends what there is of a part; it counts once the server keeps it. */
  async function send(changed: Stocked): Promise<void> {
    const { parts } = await sendStocked(changed)
    sent++
    said.value = parts
  }

  return { lines, prices, of, load, send }
})

const nothing = (part: string): Stocked => ({ part, price: null, van: 0, store: 0, revision: 0 })
