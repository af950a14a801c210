import type { CheckRow } from '../../rows/row.ts'
import { oldRope } from '../../rows/cautions.ts'
import { fullyModulating, premix } from '../../rows/layouts.ts'
import { at, check, cue, dead, gas, heating, none, number, off, oneOf, parameter, run, starting, state } from '../kinds.ts'

const burning = at('main', 'keepsBurning')
const opened: Partial<CheckRow> = { access: 'caseOff' }
const analysed = { minutes: 6, concerns: burning, cautions: [gas, 'CO in the room: measure the room air first.'] }

/** Products of combustion, and what makes them wrong. */
export const productChecks: CheckRow[] = [
  check(
    'look.condensateTrap',
    'Condensate trap and pipe',
    none,
    {
      ...oneOf(
        [
          { id: 'dry', label: 'no water seal in it', when: [{ read: parameter('condensate.trapDry'), above: 0.5 }] },
          { id: 'frozen', label: 'stands full, pipe outside frozen', when: [{ read: parameter('condensate.frozen'), above: 0.5 }] },
          { id: 'dirt', label: 'stands full: dirt, or what is beyond it', when: [{ read: parameter('condensate.flooded'), above: 0.5 }] },
          { id: 'runs', label: 'runs free, water in its seal' },
        ],
        [0.03, 0.03, 0.03, 0.0002],
      ),
      once: [{ id: 'blocked', label: 'blocked or frozen', means: ['dirt', 'frozen'] }],
    },
    ['Undo the trap over a bowl, look, refill it with water before refitting.'],
    { ...opened, minutes: 5, direct: true, concerns: burning, unsafe: { danger: 'fumes', outcomes: ['dry'] } },
  ),
  check(
    'look.condensateDrip',
    'Condensate trap and its joints',
    none,
    state({ id: 'dry', label: 'dry' }, { id: 'wet', label: 'weeps' }, 'condensate.weeping', { above: 0.5 }, 0.05),
    ['Acid drip, green or white crust below.'],
    { ...opened, direct: true, concerns: burning },
  ),
  check(
    'measure.carbonDioxideHigh',
    'CO2 at full rate',
    starting,
    number('%', run('high', 'carbonDioxide', 'max'), 'analyser', 0.15, [3, 12.5], [0, 20]),
    ['Probe in the flue sampling point, purged; highest-rate function, three minutes.'],
    { ...analysed, on: fullyModulating },
  ),
  check(
    'measure.carbonDioxideLow',
    'CO2 at the lowest rate',
    heating,
    number('%', run('lowRate', 'carbonDioxide', 'whileLit'), 'analyser', 0.15, [2, 12.5], [0, 20]),
    ['Same probe, lowest-rate function, three minutes.'],
    { ...analysed, on: premix },
  ),
  check(
    'measure.carbonMonoxide',
    'CO at full rate',
    starting,
    number('ppm', run('high', 'carbonMonoxide', 'max'), 'analyserCo', 30, [0, 2000], [0, 20_000]),
    ['Same probe. Limit here 200 ppm (common practice); the CO to CO2 ratio limit of 0.004 (from memory) is another: use the one set for the model.'],
    // twice the limit. From memory
    { ...analysed, unsafe: { danger: 'fumes', above: 400 } },
  ),
  check(
    'measure.flueTemperature',
    'Flue gas temperature, full rate',
    starting,
    number('°C', run('high', 'flueTemperature', 'whileLit'), 'flueThermometer', 12, [10, 320], [0, 450]),
    ['On the analyser, same probe; compare with the return temperature.'],
    { direct: true, ...analysed },
  ),
  check(
    'look.fins',
    'Main exchanger flueways',
    off,
    state({ id: 'clean', label: 'clean fins' }, { id: 'dirty', label: 'packed with debris' }, 'exchanger.dirt', { above: 1.3 }),
    ['Chamber opened, mirror and torch. New seal every time it is opened.'],
    { ...opened, minutes: 15, cautions: [dead, gas, oldRope], direct: true, concerns: burning },
  ),
  check(
    'measure.airInlet',
    'CO2 in the air inlet while it burns',
    starting,
    number('%', run('high', 'airCarbonDioxide', 'max'), 'analyserZeroed', 0.06, [0, 3], [0, 15]),
    [
      'Analyser zeroed in fresh air, probe in the air sampling point: products there mean a seal is leaking.',
      'Find the highest reading, usually the joint on the exchanger.',
    ],
    // fresh air has 0.04 %; well above what the analyser is off. From memory
    { ...analysed, mistake: 'One bad seal: inspect them all.', direct: true, unsafe: { danger: 'fumes', above: 0.2 } },
  ),
  check(
    'look.fireSideWet',
    'Clean water in the chamber, boiler cold and pressurised?',
    off,
    cue(0.0001),
    ['Door off, torch: tracks of clean water down the fins.'],
    { direct: true, ...opened, minutes: 12, cautions: [dead, gas], concerns: burning },
  ),
  check('look.flueSeals', 'Flue seal torn, hardened or slipped?', off, cue(0.0001), ['Torn, hardened, slipped seals. Renew all of that run.'], {
    direct: true,
    ...opened,
    minutes: 15,
    cautions: [dead, oldRope],
    concerns: burning,
    needs: 'gasValve',
    unsafe: { danger: 'fumes', outcomes: ['yes'] },
  }),
  check(
    'look.burnerMesh',
    'Burner surface',
    off,
    state({ id: 'clean', label: 'clean' }, { id: 'dirty', label: 'clogged or split' }, 'burner.dirt', { above: 2.5 }),
    ['Door off. Brush gently, look for splits and lint.'],
    { ...opened, minutes: 15, cautions: [dead, gas], direct: true, concerns: burning },
  ),
  check(
    'look.injectors',
    'Burner bars and injectors',
    off,
    state({ id: 'clear', label: 'clear' }, { id: 'blocked', label: 'partly blocked' }, 'burner.injectors', { below: 0.85 }),
    ['Burner out, light through each jet. Never widen one.'],
    { ...opened, minutes: 20, cautions: [dead, gas], direct: true, concerns: burning },
  ),
  check(
    'look.doorSeal',
    'Burner door or case seal',
    off,
    state({ id: 'whole', label: 'whole' }, { id: 'leaking', label: 'scorched or broken' }, 'burner.doorLeak', { above: 0.5 }, 0.04),
    ['Brown marks outside the seal. Renew whenever the door is opened.'],
    { ...opened, minutes: 6, cautions: [dead], direct: true, concerns: burning, unsafe: { danger: 'fumes', outcomes: ['leaking'] } },
  ),
  check(
    'try.condensateOff',
    'Condensate pipe off at the trap: does a gush come, and does it fire then?',
    starting,
    oneOf(
      [
        { id: 'gush', label: 'a gush, then it fires', when: [{ read: parameter('condensate.frozen'), above: 0.5 }] },
        { id: 'gush', label: 'a gush, then it fires', when: [{ read: parameter('condensatePump.works'), below: 0.5 }] },
        { id: 'same', label: 'no gush, no difference' },
      ],
      [0.05, 0.0003],
    ),
    ['A bowl under it. Pipe back on before leaving; never run it with an empty trap.'],
    { minutes: 4, direct: true, cautions: [gas], concerns: burning },
  ),
  check(
    'look.condensatePump',
    'Condensate pump, where one is fitted',
    none,
    state(
      { id: 'lifts', label: 'lifts the water away, or none is fitted' },
      { id: 'full', label: 'stands full, does not start' },
      'condensatePump.works',
      { below: 0.5 },
      0.02,
    ),
    ['A cup of water into it: does it start, does it stop?'],
    { minutes: 3, direct: true, concerns: burning },
  ),
  check(
    'measure.airInletOxygen',
    'Oxygen in the air inlet while it burns',
    starting,
    number('%', run('high', 'airOxygen', 'min'), 'oxygenCell', 0.06, [15, 21], [0, 25]),
    ['Zeroed in fresh air: 20.9. What the analyser really measures; below 20.6 products come in.'],
    { ...analysed, direct: true, unsafe: { danger: 'fumes', below: 20.4 } },
  ),
  check(
    'measure.ratio',
    'CO to CO2 ratio at full rate',
    starting,
    number('1', run('high', 'combustionRatio', 'max'), 'analyserRatio', 0.0006, [0, 0.05], [0, 2]),
    ['On the analyser. Limits by the maker: 0.004 on a condensing boiler, 0.008 on an atmospheric one (from memory).'],
    { ...analysed, sameAs: ['measure.carbonMonoxide'], unsafe: { danger: 'fumes', above: 0.008 } },
  ),
  check(
    'measure.carbonMonoxideLow',
    'CO at the lowest rate',
    heating,
    number('ppm', run('lowRate', 'carbonMonoxide', 'max'), 'analyserCo', 30, [0, 2000], [0, 20_000]),
    ['Same probe, lowest-rate function, three minutes.'],
    { ...analysed, on: fullyModulating, unsafe: { danger: 'fumes', above: 400 } },
  ),
  check(
    'measure.fluestat',
    'Flue-gas cut-out, continuity',
    off,
    state({ id: 'made', label: 'closed' }, { id: 'open', label: 'open' }, 'fluestat.open', { above: 0.5 }, 0.02),
    ['Where this model has one. Open: find what made the gas so hot.'],
    { ...opened, cautions: [dead, 'Never bridge a safety device to make it run.'], direct: true, concerns: at('main', 'sensorsSane') },
  ),
]
