import type { Catalogue } from '@dewpoint/core/diagnosis'
import type { Demand, OnFail, Stage } from '@dewpoint/core/system'

/** What a code or a status says on one kind of boiler. */
export interface CodeMeaning {
  id: string
  kind: 'code' | 'status'
  display: string
  label: string
  /** of each demand the step it stops at, or stands in, with what that step waits for; what came before it is proved */
  where: { demand: Demand; stage: string; waitsFor: string; before: string[] }[]
}

const codeOf = (fail: OnFail): string[] => ('code' in fail ? [fail.code, ...('named' in fail ? (fail.named?.map((one) => one.code) ?? []) : [])] : [])
const breaks = ({ onFail, keeps = [] }: Stage) => [...codeOf(onFail), ...keeps.flatMap((one) => codeOf(one.onFail))]

/** Every code and status of a kind of boiler, with what each proves by the sequence of operation. */
export function meaningsOf({ system }: Pick<Catalogue, 'system'>): CodeMeaning[] {
  const at = (fits: (stage: Stage) => boolean): CodeMeaning['where'] =>
    (['heating', 'hotWater'] as const).flatMap((demand) => {
      const stages = system.sequence[demand] ?? []
      const index = stages.findIndex(fits)
      const stage = stages[index]
      return stage ? [{ demand, stage: stage.label, waitsFor: stage.sign, before: stages.slice(0, index).map((one) => one.label) }] : []
    })
  return [
    ...system.codes.map((one): CodeMeaning => ({ ...one, kind: 'code', where: at((stage) => breaks(stage).includes(one.id)) })),
    ...system.statuses.map((one): CodeMeaning => ({ ...one, kind: 'status', where: at((stage) => stage.shows === one.id) })),
  ]
}

/** Those that are meant by what somebody types off the display: "B1", "b 1", "stop b1", or a word of what it means. */
export function lookUp(meanings: readonly CodeMeaning[], typed: string): CodeMeaning[] {
  const bare = (text: string) => text.toLowerCase().replace(/[^a-z0-9]/g, '')
  const words = bare(typed)
  if (words === '') return [...meanings]
  return meanings.filter(
    ({ display, label }) =>
      bare(display).includes(words) || bare(display.split(' ').at(-1)!) === words || label.toLowerCase().includes(typed.trim().toLowerCase()),
  )
}
