import type { Fault } from '../catalogue/index.ts'

/** How readily `from` brings `to` about: by damage, or because `to` is the workaround that hides `from`. */
export function linkTo(from: Fault, to: Fault): number {
  return (from.damages?.[to.id] ?? 0) + (to.hides?.[from.id] ?? 0)
}

/** Whether either of two faults brings the other about. */
export function linked(one: Fault, other: Fault): boolean {
  return linkTo(one, other) + linkTo(other, one) > 0
}
