import { describe, expect, it } from 'vitest'
import { run } from './run.mjs'

describe('a program that is run', () => {
  it('and ends before it has read its input fails by its exit code, and nothing else falls over', async () => {
    // more than a pipe holds, so that something is left to write when the reader is gone
    const input = 'x'.repeat(4_000_000)
    const error: unknown = await run(process.execPath, ['-e', 'process.exit(7)'], { input }).catch((one: unknown) => one)
    expect((error as Error).message).toContain('failed')
    expect(await run(process.execPath, ['-e', 'process.stdin.destroy(); console.log("enough")'], { input })).toBe('enough\n')
  })
})
