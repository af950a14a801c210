export { convert, counterpartOf, dimensionOf, isUnit, unitsLike, type Dimension, type UnitSymbol } from './units.ts'
export { formatNumber, formatQuantity } from './format.ts'
