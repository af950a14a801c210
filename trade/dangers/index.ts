import type { Danger } from '@dewpoint/core/diagnosis'

export { speech } from './speech.ts'

/** What comes before any diagnosis. Common practice; the emergency number and the procedure are those of the place. */
export const dangers: Danger[] = [
  {
    id: 'gasSmell',
    label: 'Smell of gas',
    ask: 'Is there a smell of gas now?',
    say: [
      'No flames, no smoking, do not touch switches, bells or the telephone in the room.',
      'Open doors and windows. Shut the gas off at the meter, if you can reach it safely.',
      'Leave the building with everyone in it. Call your local gas emergency number from outside.',
    ],
    act: ['This is an emergency procedure, not a diagnosis. Nothing is lit until the installation is proved tight by someone licensed for it.'],
  },
  {
    id: 'coAlarm',
    label: 'Carbon monoxide: alarm or symptoms',
    ask: 'Does a carbon monoxide alarm sound, or does anybody feel ill while the boiler runs?',
    say: [
      'Get everyone out into fresh air, leaving doors and windows open.',
      'Shut the appliance off, and the gas at the meter if it is on the way.',
      'Anyone with headache, dizziness or sickness: ring the medical emergency number and say carbon monoxide.',
    ],
    act: ['Do not run it to find out. Measure the room air before going in. Combustion and flue are proved before it is used again.'],
  },
  {
    id: 'fumes',
    label: 'Products of combustion may be escaping',
    ask: 'Is there soot, do fumes come into the room, or has the flue come away?',
    say: [
      'Switch the boiler off and leave it off. Open doors and windows.',
      'Stay out of the room. Anyone who feels ill: into fresh air, ring the medical emergency number and say carbon monoxide.',
    ],
    act: [
      'Shut it off, disconnect or label it: not to be used. Measure the room air before staying in it.',
      'Flue, seals, air inlet and combustion are put right and proved by someone licensed for it before it runs again.',
    ],
  },
  {
    id: 'waterOnElectrics',
    label: 'Water on electrics',
    ask: 'Does water run onto anything electric?',
    say: [
      'Do not touch the boiler, its pipes or its switch.',
      'Switch off at the consumer unit, with dry hands, standing on a dry floor.',
      'Then shut the water off at the stop valve.',
    ],
    act: ['Isolate, lock off and prove dead. Dry, find where it came from, prove insulation before power.'],
  },
  {
    id: 'shock',
    label: 'Electric shock from the case or pipes',
    ask: 'Does anyone feel a tingle or a shock from the case, a pipe or a tap?',
    say: [
      'Touch nothing more: not the boiler, its pipes, taps or radiators.',
      'Switch off at the consumer unit, with dry hands, standing on a dry floor.',
      'Anyone who had a shock and feels unwell: ring the medical emergency number.',
    ],
    act: ['Isolate, lock off and prove dead, case and pipes too. Earthing, bonding and insulation are proved by someone licensed for it before power.'],
  },
  {
    id: 'scorching',
    label: 'Fire, smoke or scorching',
    ask: 'Does anything burn, smoke or smell of burning?',
    say: ['Switch the boiler off at its isolator and leave it off.', 'Smoke or flame: everyone out, ring the fire emergency number.'],
    act: ['Do not run it to see. Case off only when cold and dead; look for heat marks at seals, door, wiring and flue.'],
  },
  {
    id: 'overheated',
    label: 'Stored water far too hot',
    ask: 'Does steam or scalding water come out, at the tundish or a tap?',
    say: [
      'Keep clear of the discharge pipe and its end: it scalds.',
      'Switch the heating of the store off: boiler and immersion heater. Leave the valves as they are.',
      'Do not draw hot water; let it cool.',
    ],
    act: [
      'Isolate heat and electricity, let it cool, then find what failed: thermostat, high limit, valve stuck open. Stored hot water under pressure only by those qualified for it.',
      'Never cap, plug or adjust a relief valve or its pipe.',
    ],
  },
]
