import {
  parametersOf,
  signals,
  type Action,
  type BoilerSystem,
  type Condition,
  type OnFail,
  type Parameter,
  type Stage,
  type Threshold,
} from '@dewpoint/core/system'
import { signalWords } from './signalGroups.ts'
import { inSentence } from '../shared/words.ts'

/** Three figures, without noughts that say nothing: nobody tries 2.00 more times. */
const plain = (value: number) => String(Number(value.toPrecision(3)))

/** A system’s data in words an engineer reads: thresholds, proofs, actions, failures. */
export function wordsOf(system: BoilerSystem) {
  const parameters = new Map(parametersOf(system))
  const number = (threshold: Threshold | undefined): string => {
    if (threshold === undefined) return ''
    if (typeof threshold === 'number') return plain(threshold)
    const { of, plus } = typeof threshold === 'string' ? { of: threshold, plus: 0 } : threshold
    const value = parameters.get(of)?.value
    return value === undefined ? of : plain(value + plus)
  }
  const flagWords: Partial<Record<Condition['signal'], [on: string, off: string]>> = {
    overheatOpen: ['overheat device open', 'overheat device made'],
    controlStatOpen: ['control thermostat open', 'control thermostat made'],
    airSwitch: ['air switch made', 'air switch open'],
    airSwitchRest: ['air switch at rest', 'air switch not at rest'],
    waterSwitch: ['water switch made', 'water switch open'],
    hotWaterSelected: ['hot water switched on', 'hot water switched off'],
    flame: ['flame', 'no flame'],
  }
  const condition = ({ signal, above, below }: Condition): string => {
    const flag = flagWords[signal]
    if (flag) return above !== undefined ? flag[0] : flag[1]
    const unit = signals[signal][0] === '1' ? '' : ` ${signals[signal][0]}`
    const name = signalWords(signal)
    if (above !== undefined && below !== undefined) return `${name} ${number(above)} to ${number(below)}${unit}`
    return above !== undefined ? `${name} above ${number(above)}${unit}` : `${name} below ${number(below)}${unit}`
  }
  const label = (stages: readonly Stage[], id: string) => inSentence(stages.find((one) => one.id === id)?.label ?? id)
  const codeOf = (id: string) => system.codes.find((one) => one.id === id)?.display ?? id
  const failure = (fail: OnFail, stages: readonly Stage[]): string => {
    switch (fail.then) {
      case 'retry':
        return `${number(fail.times)} more tries from “${label(stages, fail.from)}”, then “${codeOf(fail.code)}”`
      case 'lockout':
        return `locks out, “${codeOf(fail.code)}”`
      case 'wait':
        return `waits at least ${number(fail.atLeast)} s, until ${fail.until.map(condition).join(' and ')}, then from “${label(stages, fail.from)}”`
      case 'stay':
        return 'waits'
    }
  }
  return {
    number,
    condition,
    failure,
    action: ({ pump, diverter, fan, rate, pilot, gas, spark, elements }: Action): string[] => [
      ...(pump === undefined ? [] : [pump ? 'pump on' : 'pump off']),
      ...(diverter === undefined ? [] : [`diverter to ${diverter === 'heating' ? 'heating' : 'hot water'}`]),
      ...(fan === undefined ? [] : [{ off: 'fan off', purge: 'fan on, purging', run: 'fan on' }[fan]]),
      ...(pilot ? ['pilot valve'] : []),
      ...(gas ? ['gas valve'] : []),
      ...(spark === undefined ? [] : [spark ? 'spark' : 'spark off']),
      ...(elements ? ['elements'] : []),
      ...(rate === undefined ? [] : [{ ignition: 'lighting rate', lowest: 'lowest rate', modulate: 'follows the demand', full: 'full rate' }[rate]]),
    ],
  }
}

/** A parameter’s value with its unit. */
export function parameterWords({ value, unit }: Parameter): string {
  const number =
    Math.abs(value) >= 1000 ? value.toLocaleString('en-GB', { maximumFractionDigits: 0 }).replaceAll(',', ' ') : String(Number(value.toPrecision(4)))
  return unit === '1' ? number : `${number} ${unit}`
}
