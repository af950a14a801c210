import * as say from './statements.ts'

const off = { powerOff: true }
const drained = { demand: 'none' as const, drained: true }
const atSixty = { powerOff: true, temperature: { value: 60, unit: '°C' } }

/** Visits that do not go by the book. */
export const visits: say.Story[] = [
  {
    title: 'It works now',
    heard: 'No hot water all weekend. On Monday it ran as if nothing had been.',
    system: 'premix-combi',
    tell: ({ entry, answer }) => [
      entry('complaint', { what: 'noHotWater', pattern: 'workedOnArrival' }),
      answer('ask.comesAndGoes', 'yes'),
      answer('display.sequenceHotWater', 'complete', { situation: { demand: 'hotWater' } }),
      say.noVerdict,
      { says: 'a working boiler is not a proof', holds: (now) => (now.suspects.find((one) => one.key === 'nothingWrong')?.probability ?? 0) < 0.7 },
      { says: 'it is not closed like this', holds: (now) => now.closing.length > 0 },
    ],
  },
  {
    title: 'Nobody asks it to run',
    heard: 'No heating. The children have had the thermostat.',
    system: 'premix-combi',
    tell: ({ complain, answer }) => [
      complain('noHeating'),
      answer('ask.hotWater', 'fine'),
      say.offers(5, 'look.statSetting', 'display.sequenceHeating', 'look.statDisplay', 'look.receiverLamp', 'try.linkDemand', 'ask.changedOver'),
      answer('look.statSetting', 'below'),
      { says: 'no demand leads', holds: (now) => now.suspects[0]!.key === 'noDemand' },
    ],
  },
  {
    title: 'A figure that cannot be',
    heard: 'Hot and cold by turns.',
    system: 'atmos-combi',
    tell: ({ complain, measure }) => [
      complain('hotColdHot'),
      measure('measure.flowThermistor', 2480, 'kΩ', atSixty),
      say.asksAboutUnit,
      say.refuses,
      say.notLikely(0.3, 'flowThermistor.open'),
      measure('measure.flowThermistor', 2.48, 'kΩ', atSixty),
      say.notLikely(0.05, 'flowThermistor.readsHigh'),
    ],
  },
  {
    title: 'Products in the air',
    heard: 'Hot water lukewarm. On the way the analyser says something else.',
    system: 'premix-combi',
    tell: ({ complain, measure, entry }) => [
      complain('lukewarm'),
      measure('measure.airInlet', 0.6, '%', { demand: 'hotWater' }),
      say.stops,
      entry('action', { action: 'madeSafe', note: 'Off, aired, labelled; seals renewed and proved.' }),
      say.stands(0.6, 'flue.sealLeaking', 'flue.recirculating', 'case.notSealed'),
    ],
  },
  {
    title: 'Bubbles at the union',
    heard: 'Yearly look only.',
    system: 'atmos-combi',
    tell: ({ complain, answer }) => [complain('weakHeating'), answer('look.gasUnion', 'leaks'), say.stops],
  },
  {
    title: 'Half a pair is done, and the code returns',
    heard: 'Water code with a good gauge. A new filter last week, now the code is back.',
    system: 'premix-combi',
    tell: ({ complain, entry, answer, repair }) => [
      complain('locksOut'),
      answer('look.gaugeKick', 'yes'),
      entry('finding', { what: 'Block filter full of black dirt', fault: 'blockFilter.clogged', explainsComplaint: true }),
      repair('blockFilter.renew'),
      answer('display.sequenceHeating', 'waterProved', { situation: { demand: 'heating' } }),
      say.among(3, 'pressureSensor.fouled'),
      say.plans('pressureSensor.replace'),
    ],
  },
  {
    title: 'A new pump in vain',
    heard: 'The pump was changed on Tuesday, and it is exactly as it was.',
    system: 'system-boiler',
    tell: ({ complain, answer, repair }) => [
      complain('noHeating'),
      answer('listen.pump', 'silent'),
      repair('pump.replace'),
      answer('listen.pump', 'silent'),
      say.notLikely(0.5, 'pump.seized'),
      say.offers(4, 'measure.pumpSupply', 'measure.heatCall', 'look.statSetting', 'display.sequenceHeating', 'try.linkDemand', 'look.pumpLamp'),
    ],
  },
  {
    title: 'Told without a single figure',
    heard: 'Gauge much too high when hot, the vessel felt empty.',
    system: 'system-boiler',
    tell: ({ complain, answer }) => [
      complain('risesHot'),
      answer('look.gaugeCold', 'right'),
      answer('look.gaugeHot', 'tooHigh'),
      answer('measure.vesselCharge', 'tooLow', { situation: drained }),
      say.stands(0.85, 'vessel.lostCharge', 'vessel.corePassing', 'vessel.diaphragm'),
    ],
  },
  {
    title: 'Four findings in one old case',
    heard: 'No hot water. Once it was open, one thing after another.',
    system: 'premix-combi',
    tell: ({ complain, answer, entry }) => [
      complain('noHotWater'),
      answer('ask.heating', 'fine'),
      entry('finding', { what: 'Turbine jammed with grit', fault: 'turbine.stuck', explainsComplaint: true }),
      entry('finding', { what: 'Air vent wet', fault: 'airVent.dribbling' }),
      entry('finding', { what: 'Hose swollen at its clip', fault: 'hoses.leaking' }),
      entry('finding', { what: 'Insulation pad cracked', fault: 'burner.insulationPad' }),
      say.allStand(0.85, 'turbine.stuck', 'airVent.dribbling', 'hoses.leaking', 'burner.insulationPad'),
      say.explainsIt,
      say.unlistedDoesNotLead,
    ],
  },
  {
    title: 'Worth no less for being worse',
    heard: 'Hot, cold, hot; the sensor reads a third of what it should.',
    system: 'premix-combi',
    tell: ({ complain, measure }) => [
      complain('hotColdHot'),
      measure('measure.flowThermistor', 0.9, 'kΩ', atSixty),
      say.stands(0.95, 'flowThermistor.readsHigh'),
      say.found('flowThermistor'),
    ],
  },
  {
    title: 'A feed that is dead condemns nobody',
    heard: 'No heating, fan never starts.',
    system: 'atmos-combi',
    tell: ({ complain, measure, answer }) => [
      complain('locksOut'),
      measure('measure.fanSupply', 0, 'V', { demand: 'hotWater' }),
      answer('look.fanTurns', 'no'),
      say.notLikely(0.2, 'fan.seized'),
      { says: 'the fan is not condemned', holds: (now) => now.verdict?.part !== 'fan' },
      answer('measure.fanLead', 'open', { situation: off }),
      say.stands(0.85, 'fanLead.open'),
    ],
  },
  {
    title: 'Not shut before what failed has run',
    heard: 'No hot water, a stuck turbine.',
    system: 'premix-combi',
    tell: ({ complain, answer, measure, repair }) => [
      complain('noHotWater'),
      answer('ask.heating', 'fine'),
      measure('measure.hallPulses', 0, 'Hz'),
      answer('look.turbine', 'stiff', { situation: off }),
      say.stands(0.9, 'turbine.stuck'),
      repair('turbine.insert'),
      say.barsClosing(/No hot water/),
      answer('display.sequenceHotWater', 'complete', { situation: { demand: 'hotWater' } }),
      { says: 'the complaint is proved', holds: (now) => !now.closing.some((one) => /No hot water/.test(one)) },
    ],
  },
]
