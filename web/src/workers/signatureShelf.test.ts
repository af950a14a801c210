import type { Catalogue, Signatures } from '@dewpoint/core/diagnosis'
import { catalogues } from '@dewpoint/trade'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { signatureShelf } from './signatureShelf.ts'
import { soon } from '../shared/tests/soon.ts'

const [a, b, c, d] = ['premix-combi', 'system-boiler', 'atmos-combi', 'coil-combi'].map((id) => catalogues[id]!) as [Catalogue, Catalogue, Catalogue, Catalogue]
/** signatures told apart by a mark */
const marked = (mark: string) => ({ faults: [mark] }) as unknown as Signatures
const mark = (one: Signatures) => one.faults[0]

/** A shelf whose rests are let go by hand. */
function shelfOf(shipped: (catalogue: Catalogue) => Promise<Signatures> | null, rows = 2) {
  const resting: (() => void)[] = []
  const begun: string[] = []
  const shelf = signatureShelf(
    {
      shipped,
      nominal: ({ system }) => marked(`nominal ${system.id}`),
      *full({ system }) {
        for (let row = 0; row < rows; row++) {
          begun.push(`${system.id} ${row}`)
          yield row
        }
        return marked(`full ${system.id}`)
      },
      withKept: (_catalogue, full) => Promise.resolve(marked(`${mark(full)} with kept`)),
      rest: () => new Promise((go) => resting.push(go)),
    },
    2,
  )
  /** lets everything that rests go on until nothing rests any more */
  const goOn = async () => {
    for (;;) {
      await new Promise((turn) => setTimeout(turn))
      const go = resting.shift()
      if (!go) return
      go()
    }
  }
  return { shelf, goOn, begun }
}
afterEach(() => vi.restoreAllMocks())

describe('what ships', () => {
  it('is fetched once, and is there in full', async () => {
    const fetched = vi.fn(({ system }: Catalogue) => Promise.resolve(marked(system.id)))
    const { shelf } = shelfOf(fetched)
    expect(mark(await shelf.of(a))).toBe('premix-combi')
    expect(mark(await shelf.of(a))).toBe('premix-combi')
    expect([fetched.mock.calls.length, shelf.isFull(a)]).toEqual([1, true])
  })

  it('that could not be fetched is fetched anew', async () => {
    const fetched = vi.fn(() => Promise.resolve(marked('there'))).mockRejectedValueOnce(new Error('no signal'))
    const { shelf } = shelfOf(fetched)
    await expect(shelf.of(a)).rejects.toThrow('no signal')
    expect(mark(await shelf.of(a))).toBe('there')
  })

  it('and was not asked for lately is let go, the latest two stay', async () => {
    const fetched = vi.fn(({ system }: Catalogue) => Promise.resolve(marked(system.id)))
    const { shelf } = shelfOf(fetched)
    for (const one of [a, b, a, c, a, b]) await shelf.of(one)
    // b went when c came, and came again
    expect(fetched.mock.calls.map(([one]) => one.system.id)).toEqual(['premix-combi', 'system-boiler', 'atmos-combi', 'system-boiler'])
    expect([shelf.isFull(a), shelf.isFull(b), shelf.isFull(c)]).toEqual([true, true, false])
  })
})

describe('what does not ship', () => {
  it('is answered from the nominal plant at once, and in full when that is simulated', async () => {
    const { shelf, goOn } = shelfOf(() => null)
    expect([mark(await shelf.of(a)), shelf.isFull(a)]).toEqual(['nominal premix-combi', false])
    await goOn()
    expect([mark(await shelf.of(a)), shelf.isFull(a)]).toEqual(['full premix-combi with kept', true])
  })

  it('is not simulated any further once nobody has a use for it', async () => {
    const { shelf, goOn, begun } = shelfOf(() => null, 50)
    await shelf.of(a)
    await shelf.of(b)
    await shelf.of(c)
    await goOn()
    expect(begun.filter((one) => one.startsWith('premix-combi'))).toEqual([])
    expect(begun.filter((one) => one.startsWith('atmos-combi'))).toHaveLength(50)
  })

  it('that cannot be simulated says so and keeps its first answer', async () => {
    const said = vi.spyOn(console, 'error').mockImplementation(() => undefined)
    const resting: (() => void)[] = []
    const shelf = signatureShelf({
      shipped: () => null,
      nominal: () => marked('nominal'),
      // eslint-disable-next-line require-yield
      *full() {
        throw new RangeError('a runaway step')
      },
      withKept: (_catalogue, full) => Promise.resolve(full),
      rest: () => new Promise((go) => resting.push(go)),
    })
    await shelf.of(a)
    await soon(() => expect(resting).toHaveLength(1))
    resting[0]!()
    await soon(() => expect(said).toHaveBeenCalled())
    expect(mark(await shelf.of(a))).toBe('nominal')
  })
})

describe('an improvement', () => {
  it('is made to what is known by then, not to what it was begun from', async () => {
    const { shelf } = shelfOf(() => Promise.resolve(marked('shipped')))
    await shelf.of(a)
    await Promise.all([shelf.improve(a, (now) => marked(`${mark(now)} + one`)), shelf.improve(a, (now) => marked(`${mark(now)} + two`))])
    expect(mark(await shelf.of(a))).toBe('shipped + one + two')
  })

  it('of a first answer, or of what was let go, is none', async () => {
    const { shelf } = shelfOf(() => null)
    await shelf.of(a)
    await shelf.improve(a, () => marked('pairs of the nominal plant'))
    await shelf.improve(d, () => marked('pairs of nobody'))
    expect([mark(await shelf.of(a)), mark(await shelf.of(d))]).toEqual(['nominal premix-combi', 'nominal coil-combi'])
  })

  it('that fails leaves what was there', async () => {
    const { shelf } = shelfOf(() => Promise.resolve(marked('shipped')))
    await shelf.of(a)
    const failed = shelf.improve(a, () => {
      throw new RangeError('a pair of another catalogue')
    })
    await expect(failed).rejects.toThrow('another catalogue')
    expect(mark(await shelf.of(a))).toBe('shipped')
  })

  it('does not take another catalogue of the same name for its own', async () => {
    const { shelf } = shelfOf(({ system }) => Promise.resolve(marked(system.id)))
    await shelf.of(a)
    const changed = { ...a, faults: a.faults.slice(1) }
    await shelf.improve(changed, () => marked('of the changed one'))
    expect(mark(await shelf.of(a))).toBe('premix-combi')
    expect(shelf.isFull(changed)).toBe(false)
  })
})
