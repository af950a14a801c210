import type { CheckRow } from '../rows/row.ts'
import { withPlate, withRadiators } from '../rows/layouts.ts'
import { at, atRest, check, cue, none, oneOf, parameter, run, story, swinging, yesNo } from './kinds.ts'

const yes = { yes: 'yes', no: 'no' }
const tapMean = (id: string) => run(id, 'tapTemperature', 'mean', { from: 120 })
const tap = at('hotWater', 'holdsTemperature')
const lit = at('main', 'lit')

/** What they tell of the days and weeks before: no repair changes it. */
const told = new Set(
  ['topUps', 'lowEveryMorning', 'climbsOvernight', 'dripsOutside', 'dripsWhen', 'comesAndGoes', 'sinceInstalled', 'recentWork', 'frost', 'wind', 'resetHelps']
    .concat([
      'whine',
      'bang',
      'trips',
      'afterSummer',
      'hardWater',
      'batteries',
      'changedOver',
      'otherGasOn',
      'lastWinter',
      'wrongTimes',
      'whichPipe',
      'billHigh',
    ])
    .map((one) => `ask.${one}`),
)

const questions: CheckRow[] = [
  check(
    'ask.hotWater',
    'What comes from the hot taps?',
    none,
    {
      kind: 'outcome',
      outcomes: [
        { id: 'fine', label: 'hot as always' },
        { id: 'lukewarm', label: 'lukewarm' },
        { id: 'hotColdHot', label: 'hot, cold, hot' },
        { id: 'none', label: 'cold only' },
        { id: 'scalding', label: 'far too hot' },
        { id: 'hotThenCold', label: 'hot, then cold for good' },
      ],
      decide: {
        rules: [
          ...['full', 'basin'].map((id) => ({ outcome: 'scalding', all: [{ read: tapMean(id), above: 61 }] })),
          // what the tap they complain of does comes before what a trickle does; bursts of warmth are no cold tap
          ...['full', 'basin'].map((id) => ({ outcome: 'hotColdHot', all: swinging(id) })),
          ...['full', 'basin'].map((id) => ({
            outcome: 'hotThenCold',
            all: [
              { read: run(id, 'code', 'max'), above: 0.5 },
              { read: run(id, 'tapTemperature', 'max', { from: 25 }), above: 34 },
            ],
          })),
          {
            outcome: 'none',
            all: [
              { read: tapMean('full'), below: 22 },
              { read: tapMean('basin'), below: 25 },
            ],
          },
          ...['full', 'basin'].map((id) => ({ outcome: 'lukewarm', all: [{ read: tapMean(id), below: 39 }] })),
        ],
        otherwise: 'fine',
      },
      confusion: 0.1,
    },
    ['Ask for every hot tap, not only the nearest.', 'Ask whether it is so now, or now and then.'],
    { concerns: tap, settledBy: ['display.sequenceHotWater'] },
  ),
  check(
    'ask.storedHotWater',
    'What comes from the hot taps once the store has had its time?',
    none,
    {
      kind: 'outcome',
      outcomes: [
        { id: 'fine', label: 'hot as always' },
        { id: 'lukewarm', label: 'lukewarm' },
        { id: 'none', label: 'cold only' },
        { id: 'scalding', label: 'far too hot' },
      ],
      decide: {
        rules: [
          { outcome: 'none', all: [{ read: run('stored', 'cylinderTemperature', 'last'), below: 36 }] },
          { outcome: 'lukewarm', all: [{ read: run('stored', 'cylinderTemperature', 'last'), below: 44 }] },
          { outcome: 'lukewarm', all: [{ read: run('drawOff', 'tapTemperature', 'mean', { from: 10, to: 40 }), below: 39 }] },
          // behind a mixing valve far too hot is well above what it is set to
          {
            outcome: 'scalding',
            all: [
              { read: parameter('mixingValve.coldShare'), below: 2 },
              { read: run('drawOff', 'tapTemperature', 'max', { from: 5, to: 40 }), above: 55 },
            ],
          },
          { outcome: 'scalding', all: [{ read: run('storeOn', 'cylinderTemperature', 'max'), above: 65 }] },
        ],
        otherwise: 'fine',
      },
      confusion: 0.1,
    },
    ['Ask how long it heats and what is drawn.', 'Is it so at every tap?'],
    { concerns: at('hotWater', 'storeWarm'), settledBy: ['display.sequenceHotWater'] },
  ),
  check(
    'ask.heating',
    'Do the radiators get hot?',
    none,
    oneOf(
      [
        { id: 'none', label: 'cold', when: [{ read: run('heating', 'radiatorTemperature', 'last'), below: 25 }] },
        { id: 'weak', label: 'warm at best', when: [{ read: run('heating', 'radiatorTemperature', 'last'), below: 36 }] },
        { id: 'fine', label: 'hot as always' },
      ],
      0.07,
    ),
    ['Ask what the room thermostat is set to and what it shows.'],
    { concerns: at('heating', 'radiatorsWarm'), settledBy: ['display.sequenceHeating'] },
  ),
  check(
    'ask.whichZone',
    'Which rooms stay cold?',
    none,
    oneOf(
      [
        {
          id: 'all',
          label: 'all of them',
          when: [
            { read: run('heating', 'radiatorTemperature', 'last'), below: 30 },
            { read: run('zone2', 'zone2Temperature', 'last'), below: 30 },
          ],
        },
        // warm one by one, cold together
        { id: 'all', label: 'all of them', when: [{ read: parameter('transformer.loaded'), below: 20.5 }] },
        { id: 'this', label: 'only these, the rest is warm', when: [{ read: run('heating', 'radiatorTemperature', 'last'), below: 30 }] },
        { id: 'neighbour', label: 'others, these are warm', when: [{ read: run('zone2', 'zone2Temperature', 'last'), below: 30 }] },
        { id: 'none', label: 'none' },
      ],
      0.05,
    ),
    ['Ask next door, or on the other floor: what is warm there clears everything the two share.'],
    { concerns: at('heating', 'statCalls'), needs: 'zone2Stat', settledBy: ['display.sequenceHeating'] },
  ),
  check(
    'ask.locksOut',
    'Does it lock out with a fault code?',
    none,
    {
      kind: 'outcome',
      outcomes: [
        { id: 'yes', label: 'yes, it locks out' },
        { id: 'no', label: 'no code' },
      ],
      decide: {
        rules: ['full', 'heating', 'stored'].map((id) => ({ outcome: 'yes', all: [{ read: run(id, 'code', 'max'), above: 0 }] })),
        otherwise: 'no',
      },
      confusion: 0.06,
    },
    ['Have the customer read the display, or the lamps, aloud.'],
    { concerns: lit, settledBy: ['display.sequenceHotWater', 'display.sequenceHeating'] },
  ),
  check(
    'ask.radiatorsWithTap',
    'Do radiators warm while only a tap runs?',
    none,
    yesNo(yes, [{ read: run('full', 'radiatorTemperature', 'last'), above: 24 }], 0.12),
    ['In summer: are radiators ever warm?'],
    { concerns: at('hotWater', 'diverterOver'), on: withPlate },
  ),
  check(
    'ask.radiatorsWithStore',
    'Do radiators warm while only the cylinder is on?',
    none,
    yesNo(yes, [{ read: run('stored', 'radiatorTemperature', 'last'), above: 24 }], 0.1),
    ['In summer, heating off at the programmer: are radiators ever warm?'],
    { concerns: at('hotWater', 'valveOpens'), on: { ways: ['twoPort', 'gravity'] } },
  ),
  check(
    'ask.heatsUnasked',
    'Does the heating run with no demand?',
    none,
    yesNo(
      { yes: 'it never stops', no: 'no' },
      [
        { read: run('idle', 'demand', 'max'), above: 1.5 },
        { read: run('idle', 'demand', 'max'), below: 2.5 },
      ],
      0.06,
    ),
    ['Thermostat at its lowest, programmer as usual: do radiators go on warming?'],
    { needs: 'roomStat', concerns: at('heating', 'heatCalled') },
  ),
  check(
    'ask.dripsOutside',
    'Does the relief pipe outside drip?',
    none,
    {
      kind: 'outcome',
      outcomes: [
        { id: 'yes', label: 'it drips' },
        { id: 'no', label: 'dry' },
      ],
      decide: {
        rules: [
          { outcome: 'yes', all: [{ read: story('day', 0, 'relieved'), above: 0.02 }] },
          { outcome: 'yes', all: [{ read: story('night', 0, 'relieved'), above: 0.01 }] },
        ],
        otherwise: 'no',
      },
      confusion: 0.1,
    },
    ['The copper pipe through the wall behind the boiler; a plastic condensate pipe ought to drip. When: with heating on, during a bath, always?'],
  ),
  check(
    'ask.dripsWhen',
    'When does the pipe outside drip?',
    none,
    oneOf(
      [
        { id: 'always', label: 'always, also cold', when: [{ read: story('night', 0, 'relieved'), above: 0.01 }] },
        { id: 'bath', label: 'while a bath runs', when: [{ read: story('bath', 0, 'relieved'), above: 0.02 }] },
        { id: 'hot', label: 'with the heating on', when: [{ read: story('day', 0, 'relieved'), above: 0.02 }] },
        { id: 'never', label: 'never' },
      ],
      0.1,
    ),
    ['A cup under it for an evening tells.'],
  ),
  check(
    'ask.lowEveryMorning',
    'Is the gauge low every morning after heating?',
    none,
    yesNo({ yes: 'lower each morning', no: 'as it was' }, [{ read: story('day', 1, 'after'), below: 1.0 }], 0.1),
    ['Filled one evening, what does it show the next morning, cold?'],
  ),
  check(
    'ask.climbsOvernight',
    'Does the gauge climb by itself, boiler cold?',
    none,
    yesNo({ yes: 'it climbs', no: 'no' }, [{ read: story('nightFilled', 0, 'change'), above: 0.15 }], 0.1),
    ['Evening and morning with the boiler off.'],
  ),
  check(
    'ask.gauge',
    'What does the gauge or the display show, cold?',
    none,
    oneOf(
      [
        { id: 'high', label: 'in the red, above 2', when: [{ read: run('idle', 'gauge', 'mean', atRest), above: 2.1 }] },
        { id: 'low', label: 'next to nothing', when: [{ read: run('idle', 'gauge', 'mean', atRest), below: 0.7 }] },
        { id: 'right', label: 'about as it should' },
      ],
      0.04,
    ),
    ['Read out, boiler off for an hour. Between 1 and 1.5 bar is usual.'],
  ),
  check(
    'ask.climbsHot',
    'How far does the gauge rise with the heating on?',
    none,
    oneOf(
      [
        { id: 'high', label: 'close to 3 bar', when: [{ read: story('day', 0, 'highest'), above: 2.65 }] },
        { id: 'some', label: 'a little', when: [{ read: story('day', 0, 'highest'), above: 1.35 }] },
        { id: 'still', label: 'not at all' },
      ],
      0.1,
    ),
    ['Read it cold, and again when radiators are hot.'],
  ),
  check(
    'ask.tundishRuns',
    'Does water run into the tundish?',
    none,
    {
      kind: 'outcome',
      outcomes: [
        { id: 'yes', label: 'it runs or drips' },
        { id: 'no', label: 'dry' },
      ],
      decide: {
        rules: [
          { outcome: 'yes', all: [{ read: run('idle', 'tundishFlow', 'last'), above: 0.002 }] },
          ...['stored', 'storeOn'].map((id) => ({ outcome: 'yes', all: [{ read: run(id, 'tundishFlow', 'max'), above: 0.002 }] })),
        ],
        otherwise: 'no',
      },
      confusion: 0.07,
    },
    ['The open funnel beside the cylinder. Steam or boiling water there: heat off, stand clear.'],
  ),
  check(
    'ask.tundish',
    'When does water run into the tundish?',
    none,
    oneOf(
      [
        { id: 'always', label: 'at all times', when: [{ read: run('idle', 'tundishFlow', 'last'), above: 0.002 }] },
        { id: 'never', label: 'never', when: ['stored', 'storeOn'].map((id) => ({ read: run(id, 'tundishFlow', 'max'), below: 0.002 })) },
        { id: 'hot', label: 'while the cylinder heats' },
      ],
      0.07,
    ),
    ['The open funnel beside the cylinder.'],
  ),
  check(
    'ask.hotFlow',
    'How strongly do the hot taps run?',
    none,
    oneOf(
      [
        { id: 'weak', label: 'weaker than before', when: [{ read: run('full', 'tapFlow', 'max'), below: 7.5 }] },
        { id: 'strong', label: 'stronger than before', when: [{ read: run('full', 'tapFlow', 'max'), above: 14 }] },
        { id: 'same', label: 'as ever' },
      ],
      0.12,
    ),
    ['And the cold taps? If they are weak too, it is the supply.'],
    { concerns: tap },
  ),
  check(
    'ask.storedFlow',
    'How strongly does the hot tap run from the cylinder?',
    none,
    yesNo({ yes: 'weaker than before', no: 'as ever' }, [{ read: run('drawOff', 'tapFlow', 'max'), below: 9 }], 0.12),
    ['And the cold taps? If they are weak too, it is the supply.'],
    { concerns: at('hotWater', 'storeWarm') },
  ),
  check(
    'ask.coldTaps',
    'Are the cold taps weak too?',
    none,
    {
      kind: 'outcome',
      outcomes: [
        { id: 'yes', label: 'yes' },
        { id: 'no', label: 'no' },
      ],
      decide: {
        rules: [
          { outcome: 'yes', all: [{ read: parameter('mains.pressure'), below: 1.9 }] },
          { outcome: 'yes', all: [{ read: parameter('mains.stopValve'), below: 0.7 }] },
        ],
        otherwise: 'no',
      },
      confusion: 0.07,
    },
    ['The kitchen cold tap comes straight from the main. Weak there too: the stop valve or the main.'],
    { concerns: tap },
  ),
  check(
    'ask.otherGas',
    'Do other gas appliances work?',
    none,
    oneOf(
      [
        ...['gas.meterValve', 'gas.tank', 'gas.regulator'].map((key) => ({ id: 'no', label: 'no', when: [{ read: parameter(key), below: 0.5 }] })),
        { id: 'yes', label: 'yes' },
      ],
      [0.04, 0.01],
    ),
    ['A hob is enough.'],
    { concerns: lit },
  ),
  check(
    'ask.power',
    'Is there power at the boiler’s spur or switch?',
    none,
    yesNo({ yes: 'lamp lit', no: 'nothing' }, [{ read: run('idle', 'supplyVolts', 'max'), above: 100 }], 0.05),
    ['Neon on the spur, other sockets, the consumer unit: has anything tripped?'],
  ),
  check('ask.credit', 'Is the credit on the gas meter used up?', none, cue(0.01), ['Prepayment only: the meter’s display.'], {
    needs: 'gasValve',
    concerns: lit,
  }),
  check('ask.statSilent', 'No click when the room thermostat is turned up?', none, cue(0.35), ['Slowly up past the room temperature, an ear to it.'], {
    concerns: at('heating', 'heatCalled'),
  }),
  check('ask.whine', 'Was there a whine before it stopped?', none, cue(0.03), ['A rising whine that ended in silence, in the days before.'], {
    concerns: at('main', 'airProved'),
  }),
  check(
    'ask.bang',
    'Does it light with a bang?',
    none,
    cue(0.03),
    ['A soft thump is normal. A bang is delayed ignition: leave it off until it has been seen to.'],
    {
      concerns: lit,
      cautions: ['Delayed ignition can hurt: have it left off.'],
    },
  ),
  check('ask.rumble', 'Does it drone or shake while it burns?', none, cue(0.04), ['A drone at one rate that goes at another.'], {
    concerns: at('main', 'keepsBurning'),
  }),
  check('ask.kettle', 'Does it rumble like a kettle?', none, cue(0.05), ['A rumble that rises as it heats.'], { concerns: at('main', 'keepsBurning') }),
  check('ask.boilerDrips', 'Does water drip from the boiler?', none, cue(0.03), ['Where: the left, the middle, the right? Clean or brown, cold or hot?']),
  check('ask.onlyWithHeating', 'Is there hot water only while the heating is on?', none, cue(0.02), ['Turn the heating up and try the tap again.'], {
    concerns: at('hotWater', 'diverterOver'),
  }),
  check(
    'ask.topUps',
    'Topped up more than three times this year?',
    none,
    cue(0.08),
    ['Two or three times a year is the most that is normal (common practice).'],
    { answeredBy: 'topUps' },
  ),
  check('ask.recentWork', 'Did anyone work on it just before?', none, cue(0.1), ['Boiler, radiators, gas, kitchen fitting. Who, when, what.'], {
    answeredBy: 'recentWork',
  }),
  check('ask.sinceInstalled', 'Like this ever since it was installed, or since you moved in?', none, cue(0.04), [
    'Never right points at how it was put in, not at a part that wore out.',
  ]),
  check('ask.frost', 'Did it stop in hard frost?', none, cue(0.06), ['A condensate pipe that runs outside freezes first.'], { concerns: lit }),
  check('ask.wind', 'Does it go out in wind?', none, cue(0.03), ['Which way does the terminal face?'], { concerns: at('main', 'keepsBurning') }),
  check('ask.resetHelps', 'Does a reset help for a while?', none, cue(0.15), ['How often, and does it come back sooner each time?'], { concerns: lit }),
  check('ask.trips', 'Has a fuse blown or a breaker tripped?', none, cue(0.03), ['Did it trip as something started?']),
  check('ask.coldTop', 'Are radiators cold at the top?', none, cue(0.07), ['A hand from bottom to top, upstairs first.'], {
    on: withRadiators,
    concerns: at('heating', 'radiatorsWarm'),
  }),
  check('ask.coldBottom', 'Are radiators cold at the bottom?', none, cue(0.06), ['A hand along the bottom, in the middle.'], {
    on: withRadiators,
    concerns: at('heating', 'radiatorsWarm'),
  }),
  check('ask.gurgle', 'Do pipes or radiators gurgle?', none, cue(0.07), ['As the pump starts.'], { concerns: at('heating', 'waterProved') }),
  check('ask.oneTapOnly', 'Is it so at one tap only?', none, cue(0.08), ['Bath, basin, kitchen, shower: try each.'], { concerns: tap }),
  check('ask.hardWater', 'Are the kettle and shower head full of limescale?', none, cue(0.3), ['Hard water scales the hot side.'], { concerns: tap }),
  check('ask.programmerDisplay', 'Is the programmer’s display blank or fading?', none, cue(0.02), ['A display that fades is faulty even if a lamp is lit.'], {
    concerns: at('heating', 'timerOn'),
  }),
  check('ask.batteries', 'Are the thermostat’s batteries over two years old?', none, cue(0.25), ['Yes, if nobody knows of a change.'], {
    concerns: at('heating', 'heatCalled'),
  }),
  check('ask.changedOver', 'Has anyone changed the programme or the clock?', none, cue(0.08), ['Power cut, clock change, someone pressed buttons.'], {
    concerns: at('heating', 'heatCalled'),
  }),
  check('ask.afterSummer', 'Did it fail on the first cold days after summer?', none, cue(0.05), ['Pumps, valves and diverters seize while they stand idle.']),
  check('ask.otherGasOn', 'Is it worse with the hob or the fire on?', none, cue(0.05), ['Both together starve what comes last.'], {
    concerns: lit,
    needs: 'gasValve',
  }),
  check('ask.smellHot', 'Is there a hot or scorched smell at the boiler?', none, cue(0.02), ['Of hot paint or dust, as it burns.'], {
    concerns: at('main', 'keepsBurning'),
    needs: 'gasValve',
  }),
  check('ask.lastWinter', 'Did the same happen in frost last winter?', none, cue(0.05), ['And what helped then?'], { concerns: lit, needs: 'condensate' }),
  check('ask.firesOnColdTap', 'Does the boiler fire when a cold tap, a cistern or a washing machine runs?', none, cue(0.02), ['Hot taps shut.'], {
    concerns: tap,
  }),
  check('ask.wrongTimes', 'Does it come on, or stay off, at the wrong times?', none, cue(0.03), ['Since when: a power cut, summer time?'], {
    concerns: at('heating', 'heatCalled'),
  }),
  check('ask.roomsWrong', 'Are rooms warmer or cooler than what is set?', none, cue(0.06), ['What is set, what a thermometer shows.'], {
    concerns: at('heating', 'radiatorsWarm'),
  }),
  check(
    'ask.whichFlow',
    'Does it work with the bath full on, and not at a basin?',
    none,
    yesNo(
      { yes: 'only with the tap well open', no: 'no difference' },
      [
        { read: tapMean('full'), above: 30 },
        { read: tapMean('basin'), below: 25 },
      ],
      0.08,
    ),
    ['Bath or shower full on, then a basin at half.'],
    { concerns: at('hotWater', 'tapSeen') },
  ),
  check(
    'ask.whichPipe',
    'Which pipe drips outside?',
    none,
    oneOf(
      [
        { id: 'copper', label: 'the copper relief pipe', when: [{ read: story('day', 0, 'relieved'), above: 0.02 }] },
        { id: 'copper', label: 'the copper relief pipe', when: [{ read: story('night', 0, 'relieved'), above: 0.01 }] },
        { id: 'plastic', label: 'a plastic one, or none' },
      ],
      0.06,
    ),
    ['A plastic condensate pipe ought to drip while it burns.'],
  ),
  check('ask.runsOut', 'Does the hot water run out sooner than it did?', none, cue(0.05), ['A bath, a basin: how much is drawn before it cools?'], {
    concerns: at('hotWater', 'storeWarm'),
  }),
  check('ask.coldTapWarm', 'Does a cold tap run warm?', none, cue(0.02), ['Near the cylinder, after hot water was drawn.'], {
    concerns: at('hotWater', 'storeWarm'),
  }),
  check('ask.billHigh', 'Has the electricity bill gone up?', none, cue(0.05), ['Since when?'], { needs: 'immersion' }),
  check('ask.comesAndGoes', 'Does it come and go?', none, cue(0.2), ['What was different when it worked: dry weather, cold start, morning?']),
]

/** What the customer can tell, on the telephone or at the door. */
export const askedChecks: CheckRow[] = questions.map((row) => (told.has(row.id) ? { ...row, before: true } : row))
