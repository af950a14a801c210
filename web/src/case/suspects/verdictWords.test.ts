import type { Suspect, Verdict } from '@dewpoint/core/diagnosis'
import { expect, it } from 'vitest'
import { verdictWords } from './verdictWords.ts'

const verdict = (probability: number): Verdict => ({
  part: 'fan',
  label: 'Fan',
  probability,
  modes: [{ fault: 'fan.seized', label: 'Fan seized', probability }],
})
const suspect = (key: string, probability: number) => ({ key, probability }) as Suspect

it('a verdict says both figures where they differ, and one where they do not', () => {
  expect(verdictWords({ verdict: verdict(0.99), suspects: [suspect('fan.seized', 0.96)] })).toBe('96% alone, 99% counting second faults')
  expect(verdictWords({ verdict: verdict(0.962), suspects: [suspect('fan.seized', 0.96)] })).toBe('96%')
  // nobody names it alone: it is told as the part it is
  expect(verdictWords({ verdict: verdict(0.97), suspects: [suspect('fan.seized+vessel.lostCharge', 0.97)] })).toBe('97%')
  expect(verdictWords({ verdict: null, suspects: [] })).toBe('')
})
