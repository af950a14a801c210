import { describe, expect, it } from 'vitest'
import { scriptedJournal } from '../../../casebook/index.ts'
import { diagnose } from '../../diagnose.ts'
import { outcomeOf, smallCatalogue, smallCheck, smallFault, smallRemedy, smallSignatures } from '../../tests/testCatalogue.ts'
import { notListedAfter } from './inVain.ts'

describe('what was mended in vain', () => {
  const prior = { ...smallCatalogue().prior, unlisted: 20 }
  const after = (...works: number[]) =>
    notListedAfter(
      { prior },
      works.map((one) => ({ faults: [3], works: one })),
    )

  it('is something on no list as often as counting calls says', () => {
    // of 1000 calls that read so 980 are the fault, and of these 3 in a hundred repairs fail: 29.4 beside 20
    expect(after(0.97)([3])).toBeCloseTo(20 / 49.4, 12)
    // a second repair, of which four in ten fail, leaves 11.76 beside the 20
    expect(after(0.97, 0.6)([3])).toBeCloseTo(20 / 31.76, 12)
  })

  it('a repair that often fails says little, one of something else nothing', () => {
    expect(after(0.5)([3])).toBeLessThan(0.05)
    expect(after(0.97)([4])).toBe(0)
    expect(after(0.97)([])).toBe(0)
    expect(after()([3])).toBe(0)
  })

  it('with another it may be something else where the one of the two was mended', () => {
    expect(after(0.97)([1, 3])).toBeCloseTo(after(0.97)([3]), 12)
  })
})

describe('a part renewed in vain', () => {
  const catalogue = smallCatalogue({
    parts: [{ id: 'output', label: 'Output' }],
    faults: [
      smallFault('output.dead', { part: 'output', per1000: 400, remedies: ['renew'] }),
      smallFault('wire.open', { part: 'output', per1000: 1, remedies: ['wire'] }),
    ],
    checks: [smallCheck('test', outcomeOf(['live', 'dead'], 0.02)), smallCheck('wire', outcomeOf(['whole', 'open'], 0.02))],
    remedies: [{ ...smallRemedy('renew', ['output.dead'], 30, 60), works: 0.97 }, smallRemedy('wire', ['wire.open'])],
  })
  const signatures = smallSignatures(catalogue, { test: [0, 1, 1, 0], wire: [0, 0, 1, 0] })
  const { answer, repair } = scriptedJournal()
  const before = [answer('test', 'dead'), answer('wire', 'whole'), repair('renew')]
  const after = [...before, answer('test', 'dead')]
  const unlisted = (one: ReturnType<typeof diagnose>) => one.standing.find(({ kind }) => kind === 'unlisted')?.probability ?? 0

  it('with the same reading after it may be something else, and it is no verdict any more', () => {
    expect(diagnose(catalogue, signatures, before.slice(0, 2)).verdict?.part).toBe('output')
    const now = diagnose(catalogue, signatures, after)
    expect(unlisted(now)).toBeGreaterThan(0.2)
    expect(now.verdict).toBeNull()
    expect(unlisted(diagnose(catalogue, signatures, [...before, answer('test', 'live')]))).toBeLessThan(0.05)
  })
})
