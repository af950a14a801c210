import type { Catalogue, Fault } from '../catalogue/index.ts'

/**
 * The likeliest pairs of faults have a row of their own: as many as amount to this share of what two faults at once amount to. A rarer
 * one is put together where nothing likelier explains a journal. Chosen: what is weighed, and simulated beforehand, within the budgets.
 */
const pairShare = 0.8
/** So few are all given one; and no more than so many. */
const [fewPairs, mostPairs] = [4000, 8000]

/** Two modes of one part that set the same parameter cannot stand at once. */
export function exclusive(a: Fault, b: Fault): boolean {
  return a.part === b.part && Object.keys(a.patch).some((key) => key in b.patch)
}

/** How readily `from` brings `to` about: by damage, or because `to` is the workaround that hides `from`. */
export function linkTo(from: Fault, to: Fault): number {
  return (from.damages?.[to.id] ?? 0) + (to.hides?.[from.id] ?? 0)
}

/** How many times readier two faults stand together for what lies behind both. */
export function togetherIn({ prior: { sharedBackground, ownBackground } }: Pick<Catalogue, 'prior'>): (one: Fault, other: Fault) => number {
  return ({ background }, other) => {
    let most = 1
    if (background && other.background)
      for (const one of background) if (other.background.includes(one)) most = Math.max(most, ownBackground?.[one] ?? sharedBackground)
    return most
  }
}

/**
 * The pairs of faults that have a row, in the order of the signature rows: those of which one brings the other about, and those the two
 * of which amount to most at the age they are likeliest.
 */
export function pairsOf(catalogue: Pick<Catalogue, 'faults' | 'prior'>): readonly (readonly [number, number])[] {
  let pairs = known.get(catalogue.faults)
  if (!pairs) known.set(catalogue.faults, (pairs = likeliest(catalogue)))
  return pairs
}

const known = new WeakMap<readonly Fault[], [number, number][]>()

function likeliest(catalogue: Pick<Catalogue, 'faults' | 'prior'>): [number, number][] {
  const { faults } = catalogue
  const together = togetherIn(catalogue)
  const odds = faults.map(({ per1000 }) => (typeof per1000 === 'number' ? per1000 : Math.max(per1000.to5, per1000.to12, per1000.over12)))
  const pairs: { pair: [number, number]; weight: number }[] = []
  faults.forEach((one, a) =>
    faults.slice(a + 1).forEach((other, index) => {
      const b = a + 1 + index
      const linked = linkTo(one, other) + linkTo(other, one) > 0
      if (exclusive(one, other) && !linked) return
      pairs.push({ pair: [a, b], weight: linked ? Infinity : odds[a]! * odds[b]! * together(one, other) })
    }),
  )
  const likely = pairs.toSorted((one, other) => other.weight - one.weight)
  const kept = new Set(likely.slice(0, enough(likely.map(({ weight }) => weight))))
  return pairs.filter((one) => kept.has(one)).map(({ pair }) => pair)
}

/** How many pairs amount to {@link pairShare} of all beside those with a link, which weigh infinitely much. */
function enough(falling: number[]): number {
  if (falling.length <= fewPairs) return falling.length
  let left = pairShare * falling.filter(Number.isFinite).reduce((sum, weight) => sum + weight, 0)
  const last = falling.findIndex((weight) => Number.isFinite(weight) && (left -= weight) <= 0)
  return Math.min(last < 0 ? falling.length : last + 1, mostPairs)
}

/** How many pairs the faults of a catalogue make, with a row or without. */
export function pairCount({ faults }: Pick<Catalogue, 'faults'>): number {
  return (faults.length * (faults.length - 1)) / 2
}

/** Where a pair stands among all of so many faults, by its two faults in ascending order. */
export function pairIndex(count: number, a: number, b: number): number {
  return a * count - (a * (a + 1)) / 2 + (b - a - 1)
}

/** The pair that stands at a place among all of so many faults. */
export function pairAt(count: number, place: number): [number, number] {
  let a = 0
  let left = place
  while (left >= count - 1 - a) left -= count - 1 - a++
  return [a, a + 1 + left]
}
