import bayesjs, { type INetwork } from 'bayesjs'
import type { readJournal } from '@dewpoint/core/diagnosis'
import { type Catalogue, type Check, confusionAt, type Signatures } from '@dewpoint/core/diagnosis'

type JournalRead = ReturnType<typeof readJournal>

/** Chance of what was read, by the plainest rule there is: near the simulated value, or not. */
function chance({ result }: Check, is: number, said: { outcomes: number[]; values: number[] }): number {
  if (result.kind === 'number') return 0.985 * Math.exp(-0.5 * (((said.values[0] ?? is) - is) / (result.width || 1)) ** 2) + 0.015
  if (result.kind === 'outcome') {
    const confusion = confusionAt(result, is)
    return said.outcomes[0] === is ? 1 - confusion : confusion / result.outcomes.length
  }
  return said.outcomes[0] === 1 ? result.without : 1 - result.without
}

/** Belief as a textbook has it: for every row, every plant and every reading, one after the other. */
export function textbook(_catalogue: Catalogue, { sets, first, checks, values }: Signatures, { evidence }: JournalRead): number[] {
  const weights = sets.map((_set, row) => {
    let sum = 0
    for (let plant = first[row]!; plant < first[row + 1]!; plant++) {
      let product = 1
      for (const one of evidence) product *= chance(one.check, values[plant * checks.length + checks.indexOf(one.check.id)]!, one)
      sum += product
    }
    return sum / (first[row + 1]! - first[row]!)
  })
  const total = weights.reduce((sum, one) => sum + one, 0)
  return weights.map((one) => one / total)
}

/** The same over single faults by a general-purpose library: a node for the fault, one a reading. */
export function byLibrary(catalogue: Catalogue, { first, checks, values }: Signatures, { evidence }: JournalRead): number {
  const states = ['none', ...catalogue.faults.map((one) => one.id)]
  const network: INetwork = { fault: { id: 'fault', states, parents: [], cpt: Object.fromEntries(states.map((one) => [one, 1 / states.length])) } }
  const given: Record<string, string> = {}
  evidence.forEach((one, index) => {
    given[`r${index}`] = 'said'
    network[`r${index}`] = {
      id: `r${index}`,
      states: ['said', 'other'],
      parents: ['fault'],
      cpt: states.map((fault, row) => {
        const said = chance(one.check, values[first[row]! * checks.length + checks.indexOf(one.check.id)]!, one)
        return { when: { fault }, then: { said, other: 1 - said } }
      }),
    }
  })
  return bayesjs.inferences.variableElimination.infer(network, { fault: states[1]! }, given)
}
