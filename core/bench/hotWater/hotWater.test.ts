import { Solver } from 'odex'
import { describe, expect, it } from 'vitest'
import { waterDensity, waterSpecificHeat } from '../../physics/index.ts'
import { crossoverStep } from './crossover.ts'
import { cyclingAnswer } from './cycling.ts'
import { flowFor, plateAnswer, primaryNeeded, tapTemperature } from './plate.ts'

const model = { clean: 790, output: 24 }
const unread = { coldIn: null, hotOut: null, primaryIn: null, primaryOut: null, flow: null, clampError: 1.5 }

/** outlets of a counterflow exchanger, by integrating dT/dx along it and shooting for the far inlet */
function counterflow(conductance: number, hot: number, cold: number, hotIn: number, coldIn: number) {
  const out = (hotOut: number) => {
    const solver = new Solver(2)
    solver.absoluteTolerance = solver.relativeTolerance = 1e-10
    return solver.solve((_x, [h, c]) => [(conductance * (h! - c!)) / hot, (conductance * (h! - c!)) / cold], 0, [hotOut, coldIn], 1).y as [number, number]
  }
  let [low, high] = [coldIn, hotIn]
  for (let round = 0; round < 60; round++) {
    const middle = (low + high) / 2
    if (out(middle)[0] > hotIn) high = middle
    else low = middle
  }
  return { hotOut: (low + high) / 2, coldOut: out((low + high) / 2)[1] }
}

describe('a plate exchanger', () => {
  it('gives back the conductance that made its four temperatures (counterflow equations integrated by odex)', () => {
    const capacity = (flow: number, celsius: number, mean: number) => (flow / 60_000) * waterDensity(celsius) * waterSpecificHeat(mean)
    for (const conductance of [250, 500, 790]) {
      const cold = capacity(9, 10, 28)
      const hot = capacity(13, 78, 65)
      const { hotOut, coldOut } = counterflow(conductance, hot, cold, 78, 10)
      const answer = plateAnswer({ coldIn: 10, hotOut: coldOut, primaryIn: 78, primaryOut: hotOut, flow: 9, clampError: 0.2 }, { ...model, output: 40 })
      expect(answer.refused).toEqual([])
      expect(answer.conductance! / conductance).toBeCloseTo(1, 1)
      expect(answer.primaryFlow!).toBeCloseTo(13, 0)
      expect(answer.effectiveness!).toBeCloseTo((coldOut - 10) / (Math.min(hot, cold) === cold ? 78 - 10 : ((78 - 10) * hot) / cold), 1)
    }
  })

  it('81 in, 45 out exchanges well; 80 in, 70 out is nearly a plain pipe (common practice)', () => {
    const well = plateAnswer({ ...unread, coldIn: 10, hotOut: 45, primaryIn: 81, primaryOut: 45, flow: 9.5 }, model)
    expect(well.verdict).toBe('good')
    expect(well.power).toBeCloseTo(23.2, 0)
    const pipe = plateAnswer({ ...unread, coldIn: 10, hotOut: 21, primaryIn: 80, primaryOut: 70, flow: 9.5 }, model)
    expect(pipe.verdict).toBe('blocked')
    expect(pipe.ofClean).toBeLessThan(0.3)
  })

  it('outlet hotter than inlet cannot be (82/86, common practice), nor a tap hotter than what heats it', () => {
    expect(plateAnswer({ ...unread, coldIn: 10, hotOut: 45, primaryIn: 82, primaryOut: 86, flow: 9.5 }, model)).toMatchObject({
      refused: ['primaryHeats'],
      conductance: null,
      verdict: 'nothing',
    })
    expect(plateAnswer({ ...unread, coldIn: 10, hotOut: 70, primaryIn: 60, primaryOut: 40, flow: 5 }, model).refused).toContain('tapHotterThanPrimary')
    expect(plateAnswer({ ...unread, coldIn: 45, hotOut: 10, flow: 5 }, model).refused).toContain('tapNotHeated')
    expect(plateAnswer({ ...unread, coldIn: 20, primaryIn: 60, primaryOut: 12 }, model).refused).toContain('primaryBelowMains')
    expect(plateAnswer({ ...unread, coldIn: 10, hotOut: 60, primaryIn: 80, primaryOut: 40, flow: 15 }, model).refused).toContain('moreThanBurner')
  })

  it('two clamps on one pipe are no differential: below their joint error nothing is worked out', () => {
    expect(plateAnswer({ ...unread, coldIn: 10, hotOut: 45, primaryIn: 70, primaryOut: 69, flow: 9 }, model)).toMatchObject({
      refused: ['primaryWithinError'],
      conductance: null,
    })
  })

  it('with the tap alone it still tells the power and the share of the burner', () => {
    const answer = plateAnswer({ ...unread, coldIn: 10, hotOut: 45, flow: 5 }, model)
    expect(answer.power).toBeCloseTo(12.2, 1)
    expect(answer.share).toBeCloseTo(0.51, 2)
    expect(answer.verdict).toBe('nothing')
  })
})

describe('what a burner gives at the tap', () => {
  it('about 10 l/min at 24 kW and 35 K (common practice)', () => {
    expect(flowFor(24, 10, 45)).toBeCloseTo(9.8, 1)
    expect(tapTemperature(24, flowFor(24, 10, 45), 10)).toBeCloseTo(45, 1)
    expect(tapTemperature(24, 10, 4)).toBeLessThan(40)
    expect(flowFor(24, 45, 45)).toBe(Infinity)
  })

  it('a blocked plate needs a hotter primary for the same heat', () => {
    expect(primaryNeeded(20, 790, 10, 9, 10)).toBeLessThan(primaryNeeded(20, 300, 10, 9, 10))
  })
})

describe('hot, cold, hot (common practice: the two cheap look-alikes first)', () => {
  const boiler = { highLimit: 85, lowestOutput: 7, coldIn: 10, tap: 45, flow: 9, clampError: 1.5 }
  const unseen = { clampAtCutOut: null, displayAtCutOut: null, lowestRate: null, plateOfClean: null, dropsOut: true }

  it('asks first whether it drops out, then thermistor, lowest rate and plate, in this order', () => {
    expect(cyclingAnswer(boiler, { ...unseen, dropsOut: null }).next).toBe('dropsOut')
    expect(cyclingAnswer(boiler, unseen).next).toBe('thermistor')
    expect(cyclingAnswer(boiler, { ...unseen, clampAtCutOut: 84 }).next).toBe('lowestRate')
    expect(cyclingAnswer(boiler, { ...unseen, clampAtCutOut: 84, lowestRate: 1 }).next).toBe('plate')
  })

  it.each([
    [{ clampAtCutOut: 62, displayAtCutOut: 85 }, 'thermistor'],
    [{ clampAtCutOut: 62 }, 'thermistor'],
    [{ clampAtCutOut: 85, displayAtCutOut: 85, lowestRate: 1.6 }, 'lowestRate'],
    [{ clampAtCutOut: 85, displayAtCutOut: 85, lowestRate: 1, plateOfClean: 0.25 }, 'plate'],
  ])('%o is the %s', (seen, suspect) => {
    const answer = cyclingAnswer(boiler, { ...unseen, ...seen })
    expect(answer.suspects.filter((one) => one.says === 'for').map((one) => one.suspect)).toEqual([suspect])
    expect(answer.next).toBeNull()
  })

  it('a draw below the lowest rate has to cycle, whatever is sound', () => {
    expect(cyclingAnswer({ ...boiler, flow: 2 }, unseen).suspects[0]).toEqual({ suspect: 'draw', says: 'for' })
  })
})

describe('the crossover test (common practice)', () => {
  it.each([
    [[null, null, null], 'shutFeed'],
    [[false, null, null], 'notCrossing'],
    [[true, null, null], 'isolateMixers'],
    [[true, false, null], 'elsewhere'],
    [[true, true, null], 'tryCartridge'],
    [[true, true, false], 'cartridge'],
    [[true, true, true], 'body'],
  ] as const)('%o leads to %s', ([stillRuns, oneMixer, newCartridge], step) => {
    expect(crossoverStep({ stillRuns, oneMixer, newCartridge })).toBe(step)
  })
})
