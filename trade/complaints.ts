import type { Complaint, Danger } from '@dewpoint/core/diagnosis'

/** What a customer complains of, as answers to checks; some only where a component is. */
export const complaints: (Complaint & { needs?: string })[] = [
  { id: 'noHotWater', label: 'No hot water', evidence: [{ check: 'ask.hotWater', outcome: 'none' }] },
  { id: 'hotColdHot', label: 'Tap runs hot, cold, hot', evidence: [{ check: 'ask.hotWater', outcome: 'hotColdHot' }] },
  { id: 'lukewarm', label: 'Tap only lukewarm', evidence: [{ check: 'ask.hotWater', outcome: 'lukewarm' }] },
  { id: 'noHeating', label: 'No heating', evidence: [{ check: 'ask.heating', outcome: 'none' }] },
  { id: 'weakHeating', label: 'Radiators only warm', evidence: [{ check: 'ask.heating', outcome: 'weak' }] },
  {
    id: 'nothing',
    label: 'Neither heating nor hot water',
    evidence: [
      { check: 'ask.hotWater', outcome: 'none' },
      { check: 'ask.heating', outcome: 'none' },
    ],
  },
  { id: 'noStoredHotWater', label: 'No hot water from the cylinder', evidence: [{ check: 'ask.storedHotWater', outcome: 'none' }] },
  { id: 'lukewarmStored', label: 'Stored water only lukewarm', evidence: [{ check: 'ask.storedHotWater', outcome: 'lukewarm' }] },
  { id: 'scaldingStored', label: 'Stored water far too hot', evidence: [{ check: 'ask.storedHotWater', outcome: 'scalding' }] },
  {
    id: 'nothingStored',
    label: 'Neither heating nor hot water',
    evidence: [
      { check: 'ask.storedHotWater', outcome: 'none' },
      { check: 'ask.heating', outcome: 'none' },
    ],
  },
  { id: 'allZonesCold', needs: 'zone2Stat', label: 'Every zone stays cold', evidence: [{ check: 'ask.whichZone', outcome: 'all' }] },
  { id: 'oneZoneCold', needs: 'zone2Stat', label: 'One zone cold, its neighbour warm', evidence: [{ check: 'ask.whichZone', outcome: 'this' }] },
  { id: 'heatsUnasked', label: 'It heats with nothing asked', evidence: [{ check: 'ask.heatsUnasked', outcome: 'yes' }] },
  { id: 'pumpRunsUnasked', label: 'Pump runs with nothing asked', evidence: [{ check: 'listen.pumpUnasked', outcome: 'yes' }] },
  { id: 'heatsWithHotWater', label: 'Radiators warm whenever hot water is on', evidence: [{ check: 'ask.radiatorsWithStore', outcome: 'yes' }] },
  { id: 'radiatorsInSummer', label: 'Radiators warm while a tap runs', evidence: [{ check: 'ask.radiatorsWithTap', outcome: 'yes' }] },
  { id: 'weakHotTap', label: 'Hot tap runs weakly', evidence: [{ check: 'ask.hotFlow', outcome: 'weak' }] },
  { id: 'tundishRuns', label: 'Water runs into the tundish', evidence: [{ check: 'ask.tundish', outcome: 'hot' }] },
  { id: 'pressureClimbs', label: 'Pressure climbs by itself', evidence: [{ check: 'ask.climbsOvernight', outcome: 'yes' }] },
  { id: 'locksOut', label: 'It stops with a code', evidence: [{ check: 'ask.locksOut', outcome: 'yes' }] },
  { id: 'dripsOutside', label: 'Pipe outside drips', evidence: [{ check: 'ask.dripsOutside', outcome: 'yes' }] },
  { id: 'topUps', label: 'Pressure keeps falling', evidence: [{ check: 'ask.topUps', outcome: 'yes' }] },
  { id: 'gasSmell', label: 'Smell of gas', evidence: [], danger: 'gasSmell' },
  { id: 'coAlarm', label: 'CO alarm, or people feel ill', evidence: [], danger: 'coAlarm' },
  { id: 'waterOnElectrics', label: 'Water running onto electrics', evidence: [], danger: 'waterOnElectrics' },
  { id: 'scorching', label: 'Scorching, or a burning smell', evidence: [], danger: 'scorching' },
]

/** What comes before any diagnosis. Common practice; the emergency number and the procedure are those of the place. */
export const dangers: Danger[] = [
  {
    id: 'gasSmell',
    label: 'Smell of gas',
    words: [/\b(smell\w*|stink\w*|whiff|reek\w*) (of )?gas\b/i, /\bgas (smell|leak|escape)/i],
    say: [
      'No flames, no smoking, do not touch switches, bells or the telephone in the room.',
      'Open doors and windows. Shut the gas off at the meter, if you can reach it safely.',
      'Leave the building with everyone in it. Ring the gas emergency number of your place from outside.',
    ],
    act: ['This is an emergency procedure, not a diagnosis. Nothing is lit until the installation is proved tight by someone licensed for it.'],
  },
  {
    id: 'coAlarm',
    label: 'Carbon monoxide: alarm or symptoms',
    words: [/\bco alarm\b/i, /carbon monoxide/i, /\b(head ?aches?|dizz\w+|nause\w+|faint(ed|ing)|drowsy)\b|\bsick\b(?! of)/i],
    say: [
      'Everyone out into fresh air now, doors and windows open behind you.',
      'Shut the appliance off, and the gas at the meter if it is on the way.',
      'Anyone with headache, dizziness or sickness: ring the medical emergency number and say carbon monoxide.',
    ],
    act: ['Do not run the appliance to see. Measure the room air before going in. Combustion and flue are proved before it is used again.'],
  },
  {
    id: 'waterOnElectrics',
    label: 'Water on electrics',
    words: [
      /\bwater\b[^.;]{0,30}\b(on|over|into|onto|in)\b (the |its |some )?(electr\w*|(circuit |control )?board|fuse ?(box|board)?|sockets?|switch(es)?|plugs?)\b/i,
      /\b(sparks?|arcing) (at|from) (the )?(plug|switch|socket)/i,
    ],
    say: [
      'Do not touch the boiler, its pipes or its switch.',
      'Switch off at the consumer unit, with dry hands, standing on a dry floor.',
      'Then shut the water off at the stop valve.',
    ],
    act: ['Isolate, lock off and prove dead. Dry, find where it came from, prove insulation before power.'],
  },
  {
    id: 'scorching',
    label: 'Scorching or a burning smell',
    words: [/\bscorch\w*/i, /\bburn(t|ing|ed) (smell|plastic|wire)/i, /\bsmell\w* (of )?burn/i, /\bsmoke\b/i, /\bmelt(ed|ing)\b/i],
    say: ['Switch the boiler off at its isolator and leave it off.', 'Smoke or flame: everyone out, ring the fire emergency number.'],
    act: ['Do not run it to see. Case off cold and dead; look for heat marks at seals, door, wiring and flue.'],
  },
]
