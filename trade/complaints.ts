import type { Complaint } from '@dewpoint/core/diagnosis'

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
  { id: 'heatsUnasked', label: 'Heating runs with no demand', unasked: true, evidence: [{ check: 'ask.heatsUnasked', outcome: 'yes' }] },
  { id: 'pumpRunsUnasked', label: 'Pump runs with nothing asked', unasked: true, evidence: [{ check: 'listen.pumpUnasked', outcome: 'yes' }] },
  {
    id: 'heatsWithHotWater',
    label: 'Radiators warm whenever hot water is on',
    with: 'hotWater',
    evidence: [{ check: 'ask.radiatorsWithStore', outcome: 'yes' }],
  },
  { id: 'radiatorsInSummer', label: 'Radiators warm while a tap runs', with: 'hotWater', evidence: [{ check: 'ask.radiatorsWithTap', outcome: 'yes' }] },
  { id: 'weakHotTap', label: 'Hot tap runs weakly', evidence: [{ check: 'ask.hotFlow', outcome: 'weak' }] },
  { id: 'tundishRuns', label: 'Water runs into the tundish', evidence: [{ check: 'ask.tundish', outcome: 'hot' }] },
  { id: 'pressureClimbs', label: 'Pressure climbs by itself', evidence: [{ check: 'ask.climbsOvernight', outcome: 'yes' }] },
  { id: 'locksOut', label: 'Locks out with a fault code', evidence: [{ check: 'ask.locksOut', outcome: 'yes' }] },
  { id: 'dripsOutside', label: 'Pipe outside drips', evidence: [{ check: 'ask.dripsOutside', outcome: 'yes' }] },
  { id: 'topUps', label: 'Pressure keeps falling', evidence: [{ check: 'ask.topUps', outcome: 'yes' }] },
  { id: 'gasSmell', label: 'Smell of gas', evidence: [], danger: 'gasSmell' },
  { id: 'coAlarm', label: 'CO alarm, or people feel ill', evidence: [], danger: 'coAlarm' },
  { id: 'waterOnElectrics', label: 'Water running onto electrics', evidence: [], danger: 'waterOnElectrics' },
  { id: 'scorching', label: 'Fire, smoke, or a burning smell', evidence: [], danger: 'scorching' },
  { id: 'fumes', label: 'Fumes, soot, or the flue has come away', evidence: [], danger: 'fumes' },
  { id: 'shock', label: 'Tingling or a shock from the case', evidence: [], danger: 'shock' },
  { id: 'overheated', label: 'Steam or scalding water at the tundish', evidence: [], danger: 'overheated' },
]
