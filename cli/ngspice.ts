import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Network } from '@dewpoint/core/circuit'
import { spiceNetlist } from '@dewpoint/core/formats'

/** copies of a circuit ngspice is given at once, so that its start does not count */
const copies = 200

/**
 * Microseconds ngspice takes to read and solve a circuit as it stands: many copies in one file, less one copy.
 *
 * @returns null where Debian’s ngspice is not installed
 */
export function byNgspice(net: Network): number | null {
  const folder = mkdtempSync(join(tmpdir(), 'dewpoint-bench-'))
  const timed = (count: number): number | null => {
    const lines = Array.from({ length: count }, (_unused, index) =>
      spiceNetlist('', present, 'supply._earth', `k${index}_`).text.split('\n').slice(1).join('\n'),
    )
    const file = join(folder, `of${count}.cir`)
    writeFileSync(file, ['bench', ...lines, '.control', 'ac lin 1 50 50', 'quit', '.endc', '.end'].join('\n'))
    const began = performance.now()
    const { status, error } = spawnSync('ngspice', ['-b', file], { stdio: 'ignore' })
    return error || status !== 0 ? null : performance.now() - began
  }
  const present = net.present().filter((one) => one.kind !== 'capacitance')
  // the quickest of three: a start can only be held up
  const quickest = (count: number) => {
    const times = [timed(count), timed(count), timed(count)]
    return times.includes(null) ? null : Math.min(...(times as number[]))
  }
  const [one, many] = [quickest(1), quickest(copies)]
  rmSync(folder, { recursive: true })
  return one === null || many === null ? null : ((many - one) / (copies - 1)) * 1000
}
