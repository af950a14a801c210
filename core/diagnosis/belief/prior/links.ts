import type { Catalogue, Fault } from '../../catalogue/index.ts'
import { linkTo } from '../../signatures/index.ts'

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
