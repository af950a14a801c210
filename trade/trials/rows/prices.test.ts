import { catalogues } from '@dewpoint/trade'
import { partKinds } from '@dewpoint/trade/parts'
import { describe, expect, it } from 'vitest'

const remedies = Object.values(catalogues).flatMap((one) => one.remedies)

describe('what parts cost', () => {
  it('is said of every part and seal a remedy names, once, and of nothing else', () => {
    const named = new Set(remedies.flatMap((one) => [...one.parts, ...one.seals]))
    expect(partKinds.map((one) => one.name).sort()).toEqual([...named].sort())
  })

  it('and what a remedy’s parts come to is what the remedy says, within a half or twelve', () => {
    const priceOf = new Map(partKinds.map((one) => [one.name, one.price]))
    const off = remedies.flatMap(({ id, parts, seals, partsCost }) => {
      const sum = [...new Set([...parts, ...seals])].reduce((total, part) => total + priceOf.get(part)!, 0)
      // a part that is only bought where the old one is beyond cleaning counts in part
      return sum > 0 && sum - partsCost > Math.max(12, partsCost / 2) ? [`${id}: ${sum} against ${partsCost}`] : []
    })
    expect(off).toEqual([])
  })
})
