import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { numberOf, outcomeOf, smallCatalogue, smallCheck } from '../tests/testCatalogue.ts'
import { assembleSignatures } from './assembleSignatures.ts'
import { catalogueHash } from './fingerprint.ts'
import { drawCount, faultSets, pairDraws, plantsOf, rowsOf } from './hypotheses.ts'
import { pairAt, pairCount, pairIndex, pairsOf } from './pairs.ts'
import { composePlant, noExceptions } from './simulateRows.ts'
import { holdsPair, withPairs } from './simulatedPairs.ts'
import { isFreshSignatureFile, readSignatureFile, signatureFileBytes } from './signatureFile.ts'

const catalogueOf = (count: number) =>
  smallCatalogue({
    faults: Array.from({ length: count }, (_unused, index) => ({
      id: `f${index}`,
      part: 'p',
      label: '',
      kind: 'failure' as const,
      patch: {},
      per1000: 1,
      remedies: [],
    })),
    checks: [smallCheck('a', numberOf()), smallCheck('hum', { kind: 'cue', without: 0.1 }), smallCheck('b', outcomeOf(['x', 'y']))],
  })

describe('rows', () => {
  it('are nothing wrong, every single fault, every pair; then no demand, then an unlisted cause', () => {
    const sets = faultSets(catalogueOf(4))
    expect(sets).toHaveLength(1 + 4 + 6)
    expect(sets.slice(0, 7)).toEqual([[], [0], [1], [2], [3], [0, 1], [0, 2]])
    const rows = rowsOf(sets)
    expect([rows.get(''), rows.get('2'), rows.get('0,2'), rows.get('noDemand')]).toEqual([0, 3, 6, 11])
  })

  it('a pair is found by its place, whatever the count', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 60 }), fc.nat(), (count, pick) => {
        const pairs = pairsOf(catalogueOf(count))
        expect(pairs).toHaveLength(pairCount(catalogueOf(count)))
        const place = pick % pairs.length
        const [a, b] = pairs[place]!
        expect(pairIndex(count, a, b)).toBe(place)
        expect(pairAt(count, place)).toEqual([a, b])
      }),
    )
  })

  it('of very many pairs the likeliest four fifths by odds have one, and those of which one brings the other about', () => {
    const many = catalogueOf(140)
    const faults = many.faults.map((one, index) => ({ ...one, per1000: index < 100 ? 5 : 1, ...(index === 138 && { damages: { f139: 0.2 } }) }))
    const pairs = pairsOf({ ...many, faults })
    // 4950 pairs of the commoner faults weigh 25 each, 4000 weigh 5, 780 weigh 1, the one with the link is counted apart
    expect(pairs).toHaveLength(Math.ceil((0.8 * (4950 * 25 + 4000 * 5 + 779)) / 25) + 1)
    expect(pairs).toContainEqual([138, 139])
    expect(pairs).toContainEqual([0, 99])
    expect(pairs).not.toContainEqual([137, 139])
  })

  it('of so many that four fifths are too many to weigh, eight thousand have one', () => {
    expect(pairsOf(catalogueOf(170))).toHaveLength(8000)
  })

  it('two modes of one part that set the same have none: they cannot stand at once', () => {
    const [one, other, third] = catalogueOf(3).faults
    const faults = [{ ...one!, patch: { 'a.b': 1 } }, { ...other!, patch: { 'a.b': 2 } }, third!]
    expect(pairsOf({ ...catalogueOf(3), faults })).toEqual([
      [0, 2],
      [1, 2],
    ])
  })

  it('larger sets have fewer plants', () => {
    const first = plantsOf([[], [0], [0, 1], [0, 1, 2]])
    expect([...first]).toEqual([0, 8, 16, 20, 24, 32, 40])
    expect([drawCount, pairDraws]).toEqual([8, 4])
  })
})

describe('a pair put together from its singles', () => {
  const compose = (a: number, b: number, healthy: number) => {
    const values = [a, b, healthy, 99]
    composePlant(values as unknown as Float32Array, 1, 0, 1, 2, 3)
    return values[3]
  }

  it('reads like the one that changes it; where both do, like the farther from healthy', () => {
    expect([compose(5, 1, 1), compose(1, 7, 1), compose(5, 7, 1), compose(-9, 7, 1), compose(1, 1, 1)]).toEqual([5, 7, 7, -9, 1])
  })

  it('never gets to what one of them never gets to', () => {
    expect([compose(NaN, 7, 1), compose(5, NaN, 1), compose(NaN, 1, 1)]).toEqual([NaN, NaN, NaN])
  })
})

describe('signatures', () => {
  const catalogue = catalogueOf(3)
  /** [row][draw][check]: nothing, three singles, no demand; two checks are read */
  const singles = Float32Array.from({ length: (3 + 2) * drawCount * 2 }, (_unused, at) => Math.floor(at / (drawCount * 2)) * 10 + (at % 2))
  const known = assembleSignatures(catalogue, singles, noExceptions)
  const at = (row: number, draw: number, check: number) => known.values[(known.first[row]! + draw) * 2 + check]

  it('hold what was simulated, cues have no column', () => {
    expect(known.checks).toEqual(['a', 'b'])
    expect([at(0, 0, 0), at(2, 7, 1), at(4, 0, 0), at(7, 3, 0)]).toEqual([0, 21, 20, 40])
  })

  it('of another catalogue are refused, with what to do', () => {
    expect(() => assembleSignatures(catalogueOf(4), singles, noExceptions)).toThrow('npm run signatures')
  })

  it('take pairs that were simulated, each at its own place, and leave the rest', () => {
    const better = withPairs(catalogue, known, [
      {
        pair: 1,
        exceptions: [
          [0, 3.5],
          [3, null],
        ],
      },
    ])
    const row = 1 + 3 + 1
    const from = known.first[row]! * 2
    expect([better.values[from], better.values[from + 1], better.values[from + 3]]).toEqual([3.5, known.values[from + 1], NaN])
    expect(better.values.filter((value, index) => !Object.is(value, known.values[index]))).toHaveLength(2)
    expect(known.values[from]).not.toBe(3.5)
  })

  it('know a pair from elsewhere that cannot be theirs', () => {
    const sound = {
      pair: 2,
      exceptions: [
        [0, 1],
        [7, null],
      ] as [number, number | null][],
    }
    expect(holdsPair(catalogue, sound)).toBe(true)
    for (const other of [
      { ...sound, pair: 3 },
      { ...sound, exceptions: [[8, 1]] },
      {
        ...sound,
        exceptions: [
          [3, 1],
          [3, 2],
        ],
      },
      {
        ...sound,
        exceptions: [
          [3, 1],
          [2, 2],
        ],
      },
      { ...sound, exceptions: [[3, 1 / 3]] },
    ])
      expect(holdsPair(catalogue, other as typeof sound)).toBe(false)
  })

  it('go into a file and come back; a file of another state of the catalogue is refused', () => {
    const bytes = signatureFileBytes(catalogue, singles, { at: Uint32Array.of(5), values: Float32Array.of(9) })
    const read = readSignatureFile(catalogue, bytes.buffer as ArrayBuffer)
    const pairs = known.first[4]! * 2
    expect(read.values[pairs + 5]).toBe(9)
    expect(read.values.filter((value, index) => index !== pairs + 5 && value !== known.values[index])).toEqual(new Float32Array())
    expect(isFreshSignatureFile(catalogueOf(4), bytes.buffer as ArrayBuffer)).toBe(false)
    expect(() => readSignatureFile(catalogueOf(4), bytes.buffer as ArrayBuffer)).toThrow('another state')
    expect(isFreshSignatureFile(catalogue, new ArrayBuffer(3))).toBe(false)
  })
})

describe('the fingerprint of a catalogue', () => {
  const catalogue = catalogueOf(3)
  const changed = (change: (copy: ReturnType<typeof catalogueOf>) => void) => {
    const copy = structuredClone(catalogue)
    change(copy)
    return catalogueHash(copy)
  }

  it('stays for what changes no reading: names, odds, remedies, minutes', () => {
    const first = catalogueHash(catalogue)
    expect(first).toMatch(/^[0-9a-f]{16}$/)
    expect(changed((one) => (one.faults[0]!.label = 'Another name'))).toBe(first)
    expect(changed((one) => (one.faults[0]!.per1000 = 99))).toBe(first)
    expect(changed((one) => (one.checks[0]!.minutes = 30))).toBe(first)
    expect(changed((one) => (one.runs = []))).toBe(first)
  })

  it('changes with what a fault does, what a check is read from, and how the boiler runs', () => {
    const all = [
      catalogueHash(catalogue),
      changed((one) => (one.faults[0]!.patch = { 'pump.torque': 0 })),
      changed((one) => (one.faults[0]!.id = 'other')),
      changed((one) => one.checks.pop()),
      changed((one) => (one.checks[0]!.result = numberOf({ read: { parameter: 'pump.torque' } }))),
      changed((one) => (one.system.gas = 'propane')),
      changed((one) => (one.prior.noDemandPatches = [{ 'roomStat.turnedUp': 0 }])),
    ]
    expect(new Set(all).size).toBe(all.length)
  })
})
