import type { Catalogue } from '@dewpoint/core/diagnosis'

/** Pairs with different remedies that no check here parts, and why: treat both. */
export const inseparable: Catalogue['inseparable'] = []
