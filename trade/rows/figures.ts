import { nominal, type BoilerSystem } from '@dewpoint/core/system'

/**
 * Steps with the figures of this system in them: `{board.minimumFanSpeed}` stands for a parameter, `{2 × pump.rise}` for a multiple of one, `{gasValve.lowPressure + 1}` for more or less than one.
 * A step whose figure this system does not have is left out.
 */
export function inFigures(steps: readonly string[], system: BoilerSystem): string[] {
  if (!steps.some((step) => step.includes('{'))) return [...steps]
  const values = nominal(system)
  return steps.flatMap((step) => {
    let known = true
    const written = step.replace(
      /\{(?:([\d.]+) × )?([\w.]+)(?: ([+−]) ([\d.]+))?\}/g,
      (_all, times: string | undefined, key: string, sign: string | undefined, more: string | undefined) => {
        const value = values[key]
        if (value === undefined) known = false
        return figure((value ?? 0) * Number(times ?? 1) + (sign === '−' ? -1 : 1) * Number(more ?? 0))
      },
    )
    return known ? [written] : []
  })
}

const figure = (value: number) => String(Number(value.toPrecision(value >= 1000 ? 4 : 3)))
