import type { Check } from '@dewpoint/core/diagnosis'
import type { BoilerSystem } from '@dewpoint/core/system'
import type { mainRunOf } from '../readings/runs.ts'
import { onDisplay, run, shown } from './kinds.ts'

/** Checks whose outcomes are a system’s own stages, statuses, codes and drip positions. */
export function displayedChecks(system: BoilerSystem, runs: readonly string[], main: ReturnType<typeof mainRunOf>): Check[] {
  const { sequence, statuses, codes, dripPositions } = system
  const checks: Check[] = []
  const ladder = (demand: 'heating' | 'hotWater', id: string, label: string, minutes: number, from: string[], how: string[], mistake?: string) => {
    const stages = sequence[demand]
    if (!stages) return
    checks.push({
      id,
      kind: 'display',
      label,
      situation: { demand },
      concerns: { demand, stage: stages[0]!.id },
      runsThrough: demand,
      result: {
        kind: 'outcome',
        outcomes: [
          ...stages.map((stage, index) => ({
            id: stage.id,
            label: index === stages.length - 1 ? `everything but: ${lower(stage.label)}` : `stops at: ${lower(stage.label)}`,
          })),
          { id: 'complete', label: 'complete' },
        ],
        decide: { index: from.map((one) => run(one, demand === 'heating' ? 'heatingStage' : 'hotWaterStage', 'max')), combine: 'min' },
        confusion: 0.06,
      },
      minutes,
      access: 'none',
      how,
      ...(mistake && { mistake }),
    })
  }
  const onTheSpot = runs.includes('full')
  ladder(
    'hotWater',
    'display.sequenceHotWater',
    'How far does the hot-water sequence get?',
    onTheSpot ? 4 : 8,
    onTheSpot ? ['full', 'basin'] : ['stored'],
    onTheSpot
      ? ['Open the tap they complain of, fully and then throttled.', 'Watch the display, listen at the case.', 'Mark the first step that did not happen.']
      : ['Thermostat of the store to its highest, programmer on.', 'Give a valve its travel time. Mark the first step that did not happen.'],
    onTheSpot ? 'A short burn with the keep-warm status is not hot water: it also comes with every tap shut.' : undefined,
  )
  ladder(
    'heating',
    'display.sequenceHeating',
    'How far does the heating sequence get?',
    6,
    ['heating'],
    ['Turn the room thermostat up, programmer on.', 'Watch from the first click to a warm radiator.'],
  )
  const status = (id: string, label: string, runId: string, demand: 'none' | 'heating' | 'hotWater', stage: string, how: string[], mistake?: string) => {
    if (!runs.includes(runId)) return
    checks.push({
      id,
      kind: 'display',
      label,
      situation: demand === 'hotWater' && runId === 'full' ? { demand, tap: 'full' } : { demand },
      ...(demand !== 'none' && sequence[demand]?.some((one) => one.id === stage) && { concerns: { demand, stage } }),
      result: {
        kind: 'outcome',
        outcomes: statuses.map((one) => ({
          id: one.id,
          // lamps that stand for two states are told apart by what is called
          label: `shows “${one.display}”${statuses.filter(({ display }) => display === one.display).length > 1 ? `: ${one.label}` : ''}`,
        })),
        decide: { index: [shown(runId, 'status', runId === 'full' ? 'modeWhileLit' : 'mode')], combine: 'max' },
        confusion: 0.04,
      },
      ...onDisplay,
      minutes: 2,
      access: 'none',
      how,
      ...(mistake && { mistake }),
    })
  }
  status(
    'display.statusTapOpen',
    'Status shown while the burner fires with the tap open',
    'full',
    'hotWater',
    'tapSeen',
    ['Open the tap fully and read the display while the flame burns.'],
    '“It fires when I open the tap” proves nothing until the status says tap.',
  )
  if (statuses.length > 8 || !onTheSpot)
    status('display.statusHeating', 'Status shown most of the time on a call for heat', 'heating', 'heating', 'heatCalled', ['Five minutes into the call.'])
  status('display.statusStored', 'Status shown most of the time while the store calls', 'stored', 'hotWater', 'storeCalled', ['Ten minutes into the call.'])
  // one code stood for all of them
  const toldApart = codes.some((one) => one.id === 'sensor') ? [] : codes.map((one) => one.id).filter((id) => /Sensor$|^overheat$/.test(id))
  const ofElements = codes.map((one) => one.id).filter((id) => id === 'noHeat' || (id === 'overheat' && toldApart.length === 0))
  if (codes.length > 0)
    checks.push({
      id: 'display.faultCode',
      kind: 'display',
      answeredBy: 'codeReturned',
      label: 'Fault code shown',
      situation: { demand: 'none' },
      concerns: { demand: main.demand, stage: 'lit' },
      result: {
        kind: 'outcome',
        outcomes: [{ id: 'none', label: 'none' }, ...codes.map((one) => ({ id: one.id, label: `${one.display} · ${one.label}` }))],
        ...(toldApart.length > 0 && { once: [{ id: 'sensor', label: 'a sensor or the overheat device, not told which', means: toldApart }] }),
        ...(ofElements.length > 1 && { once: [{ id: 'elements', label: 'elements do not heat, or overheat device', means: ofElements }] }),
        decide: { index: runs.filter((one) => ['full', 'heating', 'stored'].includes(one)).map((one) => run(one, 'code', 'max')), combine: 'max' },
        confusion: 0.02,
      },
      ...onDisplay,
      minutes: 1,
      access: 'none',
      how: ['Read it before resetting.', 'Note the code history if the display keeps one.'],
    })
  for (const position of dripPositions) {
    checks.push({
      id: `look.drip.${position.id}`,
      kind: 'look',
      label: `Drip or crust: ${position.label}`,
      situation: { demand: 'none' },
      result: { kind: 'cue', without: 0.002 },
      direct: true,
      minutes: 1,
      access: 'none',
      how: ['Torch from below, dry paper, wait ten minutes.'],
      place: position.label,
    })
  }
  return checks
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)
