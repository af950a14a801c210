import { describe, expect, it } from 'vitest'
import { callOuts } from './callOuts.ts'
import { played } from './telling.ts'

describe.each(callOuts)('$title', (story) => {
  it('holds what an expert would insist on, after each entry', () => {
    const missed = played(story).flatMap(({ statement, now }) =>
      statement.holds(now)
        ? []
        : [
            `${statement.says}; but: ${now.suspects
              .slice(0, 4)
              .map((one) => `${one.key} ${one.probability.toFixed(2)}`)
              .join(', ')}; next ${now.next
              .slice(0, 4)
              .map((one) => one.check)
              .join(', ')}`,
          ],
    )
    expect(missed).toEqual([])
  })
})
