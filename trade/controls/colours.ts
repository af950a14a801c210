import type { FactKind } from '@dewpoint/core/diagnosis'
import type { ControlScheme, Role } from '@dewpoint/core/system'

/** A colour of insulation: its name, and how it is drawn. */
export interface CoreColour {
  id: string
  label: string
  /** one or two stripes, CSS colours */
  drawn: [string] | [string, string]
}

/** Colours met on conductors. */
export const coreColours: CoreColour[] = [
  { id: 'brown', label: 'brown', drawn: ['#7a4a21'] },
  { id: 'blue', label: 'blue', drawn: ['#2f6db5'] },
  { id: 'greenYellow', label: 'green/yellow', drawn: ['#2f8f4e', '#e3c22b'] },
  { id: 'grey', label: 'grey', drawn: ['#8a8f94'] },
  { id: 'orange', label: 'orange', drawn: ['#e07b1f'] },
  { id: 'white', label: 'white', drawn: ['#f4f1ea'] },
  { id: 'black', label: 'black', drawn: ['#23282a'] },
  { id: 'red', label: 'red', drawn: ['#c0392b'] },
  { id: 'yellow', label: 'yellow', drawn: ['#d9b621'] },
]

/** What a conductor’s colour customarily is where a scheme of colours is followed: by what it carries. */
export interface ColourConvention {
  id: string
  label: string
  source: string
  colours: Record<Role, string>
}

/** Customs of different times and places. Colours lie: each conductor can be retagged as found. */
export const colourConventions: ColourConvention[] = [
  {
    id: 'harmonised',
    label: 'brown, blue, green/yellow',
    source: 'common practice; mid-position valve and low voltage from memory',
    colours: {
      line: 'brown',
      permanentLive: 'grey',
      neutral: 'blue',
      earth: 'greenYellow',
      call: 'brown',
      motor: 'brown',
      switched: 'orange',
      heatingOn: 'white',
      hotWaterSatisfied: 'grey',
      lowVoltage: 'white',
    },
  },
  {
    id: 'older',
    label: 'red, black, green/yellow (older fixed wiring)',
    source: 'from memory',
    colours: {
      line: 'red',
      permanentLive: 'grey',
      neutral: 'black',
      earth: 'greenYellow',
      call: 'red',
      motor: 'brown',
      switched: 'orange',
      heatingOn: 'white',
      hotWaterSatisfied: 'grey',
      lowVoltage: 'yellow',
    },
  },
  {
    id: 'blackLive',
    label: 'black, white, green/yellow (overseas)',
    source: 'from memory',
    colours: {
      line: 'black',
      permanentLive: 'black',
      neutral: 'white',
      earth: 'greenYellow',
      call: 'red',
      motor: 'red',
      switched: 'orange',
      heatingOn: 'yellow',
      hotWaterSatisfied: 'grey',
      lowVoltage: 'red',
    },
  },
]

/** What can be written down of the wiring as found: the colour of each conductor, the number at each terminal. */
export function labelFacts({ conductors, devices, components }: ControlScheme): FactKind[] {
  return [
    ...conductors.map(({ id }): FactKind => ({
      id: `colour.${id}`,
      label: `Colour of ${components.find((one) => one.id === id)!.label}`,
      type: 'choice',
      choices: coreColours.map(({ id: colour, label }) => ({ id: colour, label })),
      narrows: 'label',
    })),
    ...devices.flatMap(({ id, label, terminals }) =>
      Object.keys(terminals).map((name): FactKind => ({ id: `number.${id}.${name}`, label: `Number at ${label} ${name}`, type: 'number', narrows: 'label' })),
    ),
  ]
}
