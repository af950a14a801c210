import { expect, it } from 'vitest'
import { phrases } from './phrases.ts'
import { phrasesSetAside } from './phrasesSetAside.ts'

it('two hundred phrases, half of them innocent, none in both halves', () => {
  expect([phrases.length, phrasesSetAside.length]).toEqual([100, 100])
  for (const half of [phrases, phrasesSetAside]) expect(half.filter((one) => one.danger === null)).toHaveLength(50)
  const said = [...phrases, ...phrasesSetAside].map((one) => one.words)
  expect(new Set(said).size).toBe(said.length)
})
