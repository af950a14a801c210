import type { Catalogue, Fault } from '../../catalogue/index.ts'

/** How readily `from` brings `to` about: by damage, or because `to` is the workaround that hides `from`. */
export function linkTo(from: Fault, to: Fault): number {
  return (from.damages?.[to.id] ?? 0) + (to.hides?.[from.id] ?? 0)
}

/** Whether either of two faults brings the other about. */
function linked(one: Fault, other: Fault): boolean {
  return linkTo(one, other) + linkTo(other, one) > 0
}

const known = new WeakMap<readonly Fault[], ReadonlySet<number>[]>()

/** Of every fault those it brings about or is brought about by, found once. */
export function linksOf({ faults }: Pick<Catalogue, 'faults'>): readonly ReadonlySet<number>[] {
  let links = known.get(faults)
  if (!links) {
    links = faults.map((one) => new Set(faults.flatMap((other, index) => (linked(one, other) ? [index] : []))))
    known.set(faults, links)
  }
  return links
}
