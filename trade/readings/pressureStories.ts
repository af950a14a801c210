import type { Story } from '@dewpoint/core/diagnosis'

/** Hours and nights of the gauge. */
export const stories: Story[] = [
  { id: 'night', label: 'a night as found, boiler off', phases: [{ hours: 12, state: 'cold' }] },
  { id: 'nightFilled', label: 'a night from 1.2 bar, boiler off', phases: [{ hours: 12, state: 'cold', setTo: 1.2 }] },
  { id: 'nightLoopOff', label: 'a night from 1.2 bar, filling loop off', phases: [{ hours: 12, state: 'cold', setTo: 1.2, loopOff: true }] },
  { id: 'nightMainsShut', label: 'a night from 1.2 bar, cold feed shut', phases: [{ hours: 12, state: 'cold', setTo: 1.2, mainsShut: true }] },
  {
    id: 'day',
    label: 'from 1.2 bar, three hours of heating, then a night',
    phases: [
      { hours: 3, state: 'heating', setTo: 1.2 },
      { hours: 11, state: 'cold' },
    ],
  },
  {
    id: 'hotWatch',
    label: 'two hours to warm through, then four more of heating',
    phases: [
      { hours: 2, state: 'heating', setTo: 1.2 },
      { hours: 4, state: 'heating' },
    ],
  },
  { id: 'bath', label: 'a bath from 1.2 bar', phases: [{ hours: 0.4, state: 'hotWater', setTo: 1.2 }] },
  { id: 'letOut', label: 'a litre and a half let out from 1.2 bar', phases: [{ hours: 0.02, state: 'cold', setTo: 1.2, letOut: 1.5 }] },
]
