/** What a customer can do by themselves until somebody comes. */
export interface CanDoNow {
  id: string
  label: string
  /** offered with one of these complaints, or where one of these faults is not unlikely */
  complaints?: string[]
  faults?: string[]
  /** not offered with one of these, whatever else is complained of */
  never?: string[]
  /** in order, each said or printed as it stands */
  steps: string[]
  /** what not to do, or when to stop */
  stop: string
}

const wet = ['boilerDrips', 'trips', 'gaugeHigh', 'risesHot', 'pressureClimbs', 'dripsOutside']

/** What is safe to do without tools and without opening anything. Common practice, the wording our own; the maker's user instructions come first. */
export const canDoNow: readonly CanDoNow[] = [
  {
    id: 'leaveOff',
    label: 'Leave it off',
    complaints: ['trips', 'boilerDrips', 'bangs', 'kettles', 'displayDark', 'scaldingStored'],
    steps: [
      'Switch the boiler off at its switch or at the spur beside it, with dry hands.',
      'Leave it off until somebody has been, also when it seems to have recovered.',
      'Keep children and elderly people warm in one room; keep anything that burns away from electric heaters.',
    ],
    stop: 'If water comes near the switch or the socket, do not touch it: switch off at the consumer unit.',
  },
  {
    id: 'shutWater',
    label: 'Stop the water',
    complaints: ['boilerDrips'],
    steps: [
      'Put a bowl under the drip and note how much comes in an hour.',
      'If it runs rather than drips, shut the stop valve of the house, clockwise.',
      'Switch the boiler off.',
    ],
    stop: 'Do not open the case of the boiler, and do not tighten anything.',
  },
  {
    id: 'readGauge',
    label: 'Read the gauge',
    complaints: [
      'nothing',
      'nothingStored',
      'noHeating',
      'noHotWater',
      'locksOut',
      'topUps',
      'lowEveryMorning',
      'dripsOutside',
      'gaugeHigh',
      'pressureClimbs',
      'risesHot',
    ],
    faults: ['water.low', 'water.overfilled'],
    steps: [
      'Look for a round dial or a figure in bar on the front or below the boiler.',
      'Read it now, and again when the boiler has been cold for some hours.',
      'Write both down with the time. Between 1 and 1.5 cold is usual.',
    ],
    stop: 'Near 3 or in the red: do not add water.',
  },
  {
    id: 'topUp',
    label: 'Top up the pressure',
    complaints: ['topUps', 'gaugeLow', 'lowEveryMorning'],
    faults: ['water.low'],
    never: wet,
    steps: [
      'Boiler off and cold. Find the filling loop: a short hose with a valve at each end, or two handles below the boiler.',
      'Keep one hand on the valve and your eyes on the gauge. Open both valves a little.',
      'Gauges can be slow: stop at 1.0, wait half a minute, go on to 1.2 at most.',
      'Shut both valves. A handle across the pipe is shut.',
      'Write down the day and what the gauge showed before.',
    ],
    stop: 'If the gauge does not move within half a minute, shut both valves and leave it. More than two or three times a year is a leak, not a habit.',
  },
  {
    id: 'thermostat',
    label: 'Ask the boiler for heat',
    complaints: ['noHeating', 'nothing', 'nothingStored', 'weakHeating', 'oneZoneCold', 'allZonesCold'],
    faults: ['roomStat.batteriesFlat', 'programmer.setWrong', 'programmer.clockWrong'],
    steps: [
      'Turn the room thermostat to 25 °C and listen: most click.',
      'If its display is faint or dark, change the batteries.',
      'Set the programmer to on, or to constant. After a power cut, set its clock.',
    ],
    stop: 'Set the thermostat back afterwards.',
  },
  {
    id: 'otherGas',
    label: 'See whether there is gas',
    complaints: ['noHotWater', 'nothing', 'locksOut', 'nothingStored'],
    faults: ['gas.meterShut', 'gas.noCredit'],
    steps: ['Try another gas appliance, such as the hob.', 'With a prepaid meter, look at its credit.'],
    stop: 'If you smell gas, do not try anything: no flames, no switches, out, and ring the gas emergency number.',
  },
  {
    id: 'thaw',
    label: 'Thaw the pipe outside',
    complaints: ['outInFrost'],
    faults: ['condensate.frozen'],
    steps: [
      'Find the plastic pipe that leaves the house from the boiler, usually white, with a drip at its end in normal times.',
      'Pour warm, not boiling, water along it, or hold a hot-water bottle to it.',
      'When it runs, reset the boiler once.',
    ],
    stop: 'Only from the ground: no ladders on ice. It freezes again tonight without lagging.',
  },
  {
    id: 'resetOnce',
    label: 'Reset it once',
    complaints: ['locksOut'],
    never: ['bangs', 'trips', 'boilerDrips'],
    steps: [
      'Note what the display shows, figure by figure.',
      'Press reset once and wait two minutes.',
      'Note whether it lights, and what it shows if it stops again.',
    ],
    stop: 'Once only: what stops it is there to protect you.',
  },
  {
    id: 'immersion',
    label: 'Heat the cylinder another way',
    complaints: ['noStoredHotWater', 'nothingStored', 'lukewarmStored'],
    steps: ['If there is a switch marked immersion beside the cylinder, switch it on.', 'Give it an hour and a half.'],
    stop: 'If hot water comes out of a pipe outside or into a funnel beside the cylinder, switch it off and tell us.',
  },
]

/**
 * What a customer can be told to do now.
 *
 * @param complaints ids of what is complained of
 * @param faults how likely each fault is
 */
export function advisable(complaints: readonly string[], faults: Readonly<Record<string, number>>): CanDoNow[] {
  return canDoNow.filter(
    ({ complaints: with_ = [], faults: of = [], never = [] }) =>
      !never.some((one) => complaints.includes(one)) && (with_.some((one) => complaints.includes(one)) || of.some((one) => (faults[one] ?? 0) >= notUnlikely)),
  )
}
const notUnlikely = 0.1
