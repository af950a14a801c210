import { expect, it } from 'vitest'
import { catalogues } from '../index.ts'

it('over all versions of a part, by their shares, every fault is as likely as its row says', () => {
  for (const { facts, faults } of Object.values(catalogues))
    for (const fact of facts.filter((one) => one.narrows === 'version')) {
      expect(fact.choices!.reduce((sum, one) => sum + one.share!, 0)).toBeCloseTo(1, 9)
      for (const fault of faults) {
        const times = (choice: string) => fault.byVersion?.find((one) => one.fact === fact.id && one.choice === choice)?.times ?? 1
        const whole = fact.choices!.reduce((sum, one) => sum + one.share! * times(one.id), 0)
        expect(whole, `${fault.id} over ${fact.id}`).toBeGreaterThan(0.97)
        expect(whole, `${fault.id} over ${fact.id}`).toBeLessThan(1.03)
      }
    }
})

it('versions that change a job or a fault are facts that can be told', () => {
  for (const { facts, faults, remedies } of Object.values(catalogues))
    for (const { fact, choice } of [...faults, ...remedies].flatMap((one): { fact: string; choice: string }[] => one.byVersion ?? [])) {
      const kind = facts.find((one) => one.id === fact)
      expect(kind === undefined || kind.choices!.some((one) => one.id === choice)).toBe(true)
    }
  expect(catalogues['premix-combi']!.facts.map((one) => one.id)).toEqual(
    expect.arrayContaining(['filterFitted', 'filling', 'sensorPlace', 'pumpKind', 'cartridgePlace']),
  )
})
