import type { BoilerSystem } from '../../system/index.ts'
import { simulatedChecks, type Catalogue, type Check, type Fault, type NumberResult, type OutcomeResult, type Remedy } from '../catalogue/index.ts'
import { assembleSignatures, drawCount, noExceptions, type Signatures } from '../signatures/index.ts'

/** The least a boiler can be, for tests that need a catalogue and no plant. */
const smallest: BoilerSystem = {
  id: 'small',
  label: '',
  layout: { burner: 'premix', air: 'tacho', hotWater: 'none', ways: 'direct', waterProof: 'none' },
  gas: 'naturalGas',
  components: [],
  sequence: {},
  autonomous: [],
  powerUp: null,
  overrun: {},
  statuses: [],
  codes: [],
  dripPositions: [],
  thermistor: { r0: 10_000, t0: 25, beta: 3977 },
}

/** A catalogue that knows nothing but what a test gives it. */
export const smallCatalogue = (own: Partial<Catalogue> = {}): Catalogue => ({
  system: smallest,
  runs: [],
  stories: [],
  parts: [],
  faults: [],
  checks: [],
  remedies: [],
  instruments: [],
  complaints: [],
  dangers: [],
  speech: { families: {}, signs: [], listed: [] },
  facts: [],
  actions: [],
  closing: [],
  prior: { nothingWrong: 25, noDemand: 40, unlisted: 20, coincidence: 0.4, sharedBackground: 1, noDemandPatches: [{}] },
  inseparable: [],
  ...own,
})

/** A check of a kind, made anyhow. */
export const smallCheck = (id: string, result: Check['result'], own: Partial<Check> = {}): Check => ({
  id,
  kind: 'look',
  label: id,
  situation: { demand: 'none' },
  minutes: 1,
  access: 'none',
  how: [],
  result,
  ...own,
})

/** A number on a linear scale, read from nothing. */
export const numberOf = (own: Partial<NumberResult> = {}): NumberResult => ({
  kind: 'number',
  unit: '°C',
  read: { parameter: 'none' },
  instrument: 'clamp',
  width: 2,
  scale: 'linear',
  range: [0, 100],
  possible: [-20, 120],
  ...own,
})

/** One of several outcomes. */
export const outcomeOf = (outcomes: string[], confusion = 0.1): OutcomeResult => ({
  kind: 'outcome',
  outcomes: outcomes.map((id) => ({ id, label: id })),
  decide: { rules: [], otherwise: outcomes[0]! },
  confusion,
})

/** A fault that calls for one remedy of its own. */
export const smallFault = (id: string, own: Partial<Fault> = {}): Fault => ({
  id,
  part: id,
  label: id,
  kind: 'failure',
  patch: {},
  per1000: 20,
  remedies: [`mend ${id}`],
  ...own,
})

/** A remedy of so many minutes and so much money for parts. */
export const smallRemedy = (id: string, mends: string[], minutes = 30, partsCost = 0): Remedy => ({
  ...{ id, label: id, mends, works: 0.95, minutes, partsCost, parts: partsCost > 0 ? [`part of ${id}`] : [], seals: [], steps: [], cautions: [] },
  access: 'none',
  skill: 'anyone',
})

/**
 * Signatures of a small catalogue: what every check that is no sign reads under nothing wrong, each single fault, and no demand, the same in every draw.
 */
export function smallSignatures(catalogue: Catalogue, reads: Record<string, readonly number[]>): Signatures {
  const checks = simulatedChecks(catalogue)
  const rows = catalogue.faults.length + 2
  const singles = new Float32Array(rows * drawCount * checks.length)
  for (let row = 0; row < rows; row++)
    for (let draw = 0; draw < drawCount; draw++)
      checks.forEach((check, column) => (singles[(row * drawCount + draw) * checks.length + column] = reads[check.id]![row] ?? reads[check.id]![0]!))
  return assembleSignatures(catalogue, singles, noExceptions)
}
