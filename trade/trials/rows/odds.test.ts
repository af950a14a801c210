import { placeOfOutcome } from '@dewpoint/core/diagnosis'
import { describe, expect, it } from 'vitest'
import { faultRows } from '../../faults/index.ts'
import { stockCatalogues, wiredCatalogues } from '../../index.ts'
import { loadSignatures } from '../../shipped.ts'

/** Odds at five to twelve years. */
const odds = (id: string) => {
  const { per1000 } = faultRows.find((one) => one.id === id)!
  return typeof per1000 === 'number' ? per1000 : per1000.to12
}

/** How often faults are met beside one another: which is thought of first. Order from common practice and from memory, figures assumed. */
describe('odds', () => {
  it.each([
    ['no water in the system, first of all', ['water.low', 'vessel.lostCharge', 'pipework.leak', 'vessel.diaphragm']],
    ['a lost charge before a failed vessel', ['vessel.lostCharge', 'vessel.corePassing', 'vessel.diaphragm', 'vessel.shellLeaking']],
    ['a worn or dirty electrode before the valve and the board', ['flameElectrode.dirty', 'gasValve.doesNotOpen', 'board.gasDriveDead']],
    ['a dirty plate before what looks like it', ['plate.heatingSideBlocked', 'flowThermistor.readsHigh', 'board.minimumSpeedHigh']],
    ['a sensor that stands open or drifts before one that is short', ['flowThermistor.open', 'flowThermistor.readsHigh', 'flowThermistor.short']],
    ['a diverter before its motor, and the motor before the board', ['diverter.stuckHeating', 'diverterMotor.dead', 'board.diverterDriveDead']],
    ['a seized pump before a dead output', ['pump.seized', 'pump.windingOpen', 'board.pumpDriveDead']],
    ['a seized fan before a dead output', ['fan.seized', 'fan.tachoLost', 'board.fanDriveDead']],
    ['a programme that is off before a dead programmer', ['programmer.setWrong', 'programmer.heatingOutputDead', 'programmer.heatingOutputStuck']],
    ['a restrictor left out before one that broke', ['restrictor.missing', 'restrictor.broken']],
    ['a valve’s motor before its switch, and that before its body', ['heatingValve.motorDead', 'heatingValve.endSwitchDead', 'heatingValve.seized']],
    ['a blown spur fuse before a tripped breaker', ['supply.fuseBlown', 'supply.dead']],
    ['a scaled coil before a leaking one', ['coil.scaled', 'exchanger.sludged', 'coil.perforated']],
    ['no gas at the meter before a cock left shut', ['gas.meterShut', 'gas.lowPressure', 'gas.cockShut']],
  ])('%s', (_what, order) => {
    const figures = order.map(odds)
    expect(figures).toEqual([...figures].sort((a, b) => b - a))
    expect(new Set(figures).size, order.join(', ')).toBe(figures.length)
  })

  it('of the wiring of a scheme are a small part of all', () => {
    for (const { system, faults } of wiredCatalogues()) {
      const wires = faults.filter((one) => /\.(broken|neverLanded|onWrongTerminal|shorted)$/.test(one.id)).map((one) => one.per1000 as number)
      const sum = wires.reduce((total, one) => total + one, 0)
      expect(sum, system.id).toBeLessThan(45)
    }
  })
})

describe('complaints', () => {
  it.each([...Object.values(stockCatalogues), ...wiredCatalogues()].map((one) => [one.system.id, one] as const))(
    'of %s have three suspects or more that explain them',
    (_id, catalogue) => {
      const { faults, checks, complaints } = catalogue
      const signatures = loadSignatures(catalogue)
      /** whether a fault, mild or severe, gives an answer more often than not, or its sign oftener than without it */
      const gives = (fault: number, { check: id, outcome }: { check: string; outcome: string }) => {
        const check = checks.find((one) => one.id === id)!
        if (check.result.kind === 'cue') return (faults[fault]!.cues?.[id] ?? 0) > 0
        const said = placeOfOutcome(check, outcome)
        const column = signatures.checks.indexOf(id)
        const plants = Array.from({ length: signatures.draws }, (_unused, draw) => signatures.first[fault + 1]! + draw)
        return plants.some((plant) => signatures.values[plant * signatures.checks.length + column] === said)
      }
      for (const { id, evidence, danger } of complaints) {
        // two relief valves and what feeds them too much are all that can run cold into a tundish; a tap is scalding by its sensor or its setting
        if (danger || ['tundishAlways', 'scaldingTap'].includes(id)) continue
        const explain = faults.filter((_fault, index) => evidence.every((one) => gives(index, one)))
        expect(explain.length, `${id}: ${explain.map((one) => one.id).join(', ')}`).toBeGreaterThan(2)
      }
    },
  )
})
