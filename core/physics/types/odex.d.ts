/** Types of the part of odex the tests use; the package ships sources that do not pass strict checks. */
export class Solver {
  constructor(dimension: number)
  absoluteTolerance: number
  relativeTolerance: number
  solve(derivative: (t: number, y: number[]) => number[], from: number, begin: number[], to: number): { y: number[] }
}
