import type { ActionKind, Catalogue, Check } from './catalogue.ts'

/** Something done that changes the situation and is not undone. */
export interface Act {
  entry: string
  kind: ActionKind
  /** the part it was done to, where one was named */
  part?: string
}

/** The part of this catalogue an act names, if it names one. */
export function namesPart(catalogue: Catalogue, value: unknown): string | undefined {
  return catalogue.parts.find((one) => one.id === value)?.id
}

/**
 * Why a check cannot be made as it should be while these acts stand, in words: what of them is in its way; null when nothing is.
 * A check made with the boiler isolated, or drained, is not barred by that.
 */
export function barring(acts: readonly Act[], { id, situation }: Pick<Check, 'id' | 'situation'>): string | null {
  if (situation.powerOff || situation.drained || situation.demand === 'none') return null
  const found = acts.find(({ kind: { bars } }) => bars && !bars.except?.includes(id) && (bars.demand === 'any' || bars.demand === situation.demand))
  return found ? `made while this stood: ${found.kind.label.charAt(0).toLowerCase()}${found.kind.label.slice(1)}` : null
}
