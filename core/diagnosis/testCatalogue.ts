import type { BoilerSystem } from '../system/index.ts'
import type { Catalogue, Check, NumberResult, OutcomeResult } from './catalogue/index.ts'

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
