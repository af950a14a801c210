export { partsFrom, type Separability, separability } from './separability.ts'
export { stepHalving } from './stepHalving.ts'
