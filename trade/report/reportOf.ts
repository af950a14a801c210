import { bookingOf, closingOf, entriesOf, factsOf, inOrder, standing, type Entry, type EntryOf } from '@dewpoint/core/casebook'
import { causeItem, seenItem, type Catalogue } from '@dewpoint/core/diagnosis'
import { convert, formatNumber, formatQuantity, isUnit, type UnitSymbol } from '@dewpoint/core/quantity'
import { entryLine, resultWords } from './entryLine.ts'
import { inThePast } from './inThePast.ts'
import { reportTimes } from './reportTimes.ts'

/** How a case ended; `open` while it has not. */
export type Ending = 'proven' | 'unproven' | 'notMended' | 'unsafe' | 'open'

/** What a report is made from. */
export interface ReportInput {
  catalogue: Catalogue
  openedAt: string
  place: { name: string; address: string }
  appliance: { label: string; installedOn: string }
  entries: readonly Entry[]
  /** what the firm has said of itself; empty where it said nothing */
  firm: { name?: string; address?: string; phone?: string; emergency?: string; currency?: string; units?: string }
  /** IANA name */
  timeZone: string
  hourlyRate: number
}

/** A measured value, as it was found and as it was left. */
export interface Measured {
  label: string
  /** in `unit`; null where it was not measured before the repair */
  found: number | null
  /** null where it was not measured after it */
  left: number | null
  unit: string
  words: string
  /** in the firm's other units; empty where there are none */
  otherWords: string
  limit: { low: number | null; high: number | null; source: string } | null
  passes: boolean | null
}

/** What a report says: words and figures, laid out by whoever shows it. */
export interface Report {
  ending: Ending
  headline: string
  /** why it was left so; empty where it was proved */
  reason: string
  /** one page of plain words for the customer */
  plain: { id: string; title: string; text: string; isEdited: boolean }[]
  facts: { label: string; value: string }[]
  /** where the needle should stand cold, bar, and stands today; null where nobody read it */
  gauge: { low: number; high: number; today: number } | null
  said: string[]
  /** of each demand, how far it got as it was found */
  runs: { demand: string; stages: { label: string; state: 'passed' | 'stopped' | 'after' }[] }[]
  found: string[]
  measured: Measured[]
  done: { at: string; what: string }[]
  parts: { quantity: number; name: string; price: string; sum: number | null }[]
  /** minutes on it, and what they and the parts come to */
  minutes: number
  total: string
  closing: { label: string; state: 'right' | 'notRight' | 'notDone'; words: string }[]
  advice: { what: string; answer: 'given' | 'declined'; due: string }[]
  followUps: { what: string; on: string }[]
  photos: { hash: string; type: string; caption: string; width: number; height: number }[]
  cautions: string[]
  signatures: { by: 'engineer' | 'customer'; name: string; at: string; strokes: string[]; width: number; height: number }[]
  all: { at: string; author: string; what: string; result: string }[]
}

const headlines: Record<Ending, string> = {
  proven: 'Your boiler is working again.',
  unproven: 'Repaired, but not proved.',
  notMended: 'Your boiler is not mended yet.',
  unsafe: 'It is switched off and must stay off.',
  open: 'The work is not finished.',
}
const demandWords = { heating: 'heating', hotWater: 'hot water' }
const titles = { wrong: 'What was wrong', did: 'What we did', know: 'What to know' }

/**
 * The report of a case, from its journal alone: what was said, found, measured, done and advised, first in plain words for the customer.
 * What somebody wrote for the customer stands in the place of what it says by itself.
 */
export function reportOf(input: ReportInput): Report {
  const { catalogue, firm } = input
  const live = standing(inOrder([...input.entries]))
  const times = reportTimes(input.timeZone)
  const money = moneyOf(firm.currency ?? '')
  const closing = closingOf(live)
  const ending: Ending = closing ? (closing.payload.ending ?? 'proven') : 'open'
  const repairs = entriesOf(live, 'repair')
  const parts = repairs.flatMap((one) => one.payload.parts ?? [])
  const minutes = repairs.reduce((sum, one) => sum + (one.payload.minutes ?? 0), 0)
  const partSum = parts.reduce((sum, one) => sum + (one.price ?? 0) * one.quantity, 0)
  const measured = measuredOf(live, catalogue, firm.units === 'imperial')
  const plain = plainOf(input, live, ending)
  const signatures = entriesOf(live, 'signature')
  return {
    ending,
    headline: headlines[ending],
    reason: ending === 'proven' || !closing ? '' : closing.payload.reason,
    plain,
    facts: factsOfVisit(input, live, times, money(partSum + (minutes / 60) * input.hourlyRate), repairs.length > 0),
    gauge: gaugeOf(live),
    said: entriesOf(live, 'said').map((one) => one.payload.words),
    runs: runsOf(live, catalogue),
    found: foundOf(live, catalogue),
    measured,
    done: doneOf(live, catalogue).map(({ entry, what }) => ({ at: times.clock(entry.at), what })),
    parts: parts.map(({ name, quantity, price }) => ({
      name,
      quantity,
      price: price === undefined ? '' : money(price * quantity),
      sum: price === undefined ? null : price * quantity,
    })),
    minutes,
    total: money(partSum + (minutes / 60) * input.hourlyRate),
    closing: closingItems(live, catalogue),
    advice: entriesOf(live, 'advice').map(({ payload }) => ({ what: payload.what, answer: payload.answer, due: payload.due ? times.day(payload.due) : '' })),
    followUps: entriesOf(live, 'followUp').map(({ payload }) => ({ what: payload.what, on: times.day(payload.on) })),
    photos: entriesOf(live, 'photo').map(({ payload }) => ({
      hash: payload.hash,
      type: payload.type,
      caption: payload.caption ?? '',
      width: payload.width,
      height: payload.height,
    })),
    cautions: cautionsOf(live, catalogue, ending),
    signatures: signatures.map(({ at, payload }) => ({
      ...{ by: payload.by, name: payload.name, at: `${times.day(at)}, ${times.clock(at)}` },
      ...{ strokes: payload.strokes ?? [], width: payload.width ?? 1, height: payload.height ?? 1 },
    })),
    all: live.map((entry) => ({ at: `${times.day(entry.at)}, ${times.clock(entry.at)}`, author: entry.authorName, ...entryLine(catalogue, entry) })),
  }
}

function moneyOf(currency: string): (amount: number) => string {
  const digits = { minimumFractionDigits: 2, maximumFractionDigits: 2 }
  try {
    const format = new Intl.NumberFormat('en-GB', currency ? { style: 'currency', currency, ...digits } : digits)
    return (amount) => format.format(amount)
  } catch {
    return (amount) => amount.toFixed(2)
  }
}

const labelOf = (list: readonly { id: string; label: string }[], id: string | undefined) => list.find((one) => one.id === id)?.label ?? id ?? ''
const lower = (text: string) => (/^[A-Z][a-z]/.test(text) ? text[0]!.toLowerCase() + text.slice(1) : text)
const sentence = (text: string) => (/[.!?]$/.test(text) ? text : `${text}.`)
const upper = (text: string) => (text ? text[0]!.toUpperCase() + text.slice(1) : text)
const listed = (words: readonly string[]) => (words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`)

/** Faults that were found: condemned, seen, or mended while they were named. */
function faultsOf(live: readonly Entry[]): string[] {
  const condemned = entriesOf(live, 'decision').flatMap(({ payload }) => (payload.kind === 'condemned' && payload.fault ? [payload.fault] : []))
  const seen = entriesOf(live, 'finding').flatMap(({ payload }) => (payload.fault && payload.explainsComplaint !== false ? [payload.fault] : []))
  return [...new Set([...condemned, ...seen])]
}

function foundOf(live: readonly Entry[], catalogue: Catalogue): string[] {
  const words = faultsOf(live).map((id) => sentence(labelOf(catalogue.faults, id)))
  const besides = entriesOf(live, 'finding').flatMap(({ payload }) => (payload.fault ? [] : [`Also seen: ${sentence(payload.what)}`]))
  return [...words, ...besides]
}

function plainOf({ catalogue, firm }: ReportInput, live: readonly Entry[], ending: Ending): Report['plain'] {
  const complaints = entriesOf(live, 'complaint').map(({ payload }) => lower(labelOf(catalogue.complaints, payload.what)))
  const faults = faultsOf(live).map((id) => lower(labelOf(catalogue.faults, id)))
  const repairs = entriesOf(live, 'repair').map(({ payload }) => lower(inThePast(labelOf(catalogue.remedies, payload.remedy))))
  const advised = entriesOf(live, 'advice')
  const ran = runReadings(live, catalogue).filter(({ entry, check }) => isAfterRepair(live, entry) && entry.payload.outcome === 'complete' && check.runsThrough)
  const demands = [...new Set(ran.map(({ check }) => demandWords[check.runsThrough!]))]
  const wrong = [
    complaints.length > 0 ? `You told us: ${listed(complaints)}.` : '',
    faults.length > 0 ? `We found: ${listed(faults)}.` : 'What causes it is not found yet.',
  ]
  const did = [
    repairs.length > 0 ? `${upper(listed(repairs))}.` : 'Nothing was changed.',
    demands.length > 0
      ? `Then ${listed(demands)} ran as ${demands.length > 1 ? 'they' : 'it'} should.`
      : repairs.length > 0
        ? 'It has not been run through since.'
        : '',
  ]
  const gauge = gaugeOf(live)
  const know = [
    ending === 'unsafe' ? `Do not switch it on: ${closingOf(live)!.payload.reason}` : '',
    ending === 'unproven' ? 'It was left without proof that it holds: ring us if anything is as before.' : '',
    ...advised.map(({ payload }) => `${sentence(payload.what)} ${payload.answer === 'declined' ? 'You said not now.' : ''}`.trim()),
    gauge ? `The gauge stands at ${gauge.today.toFixed(1)} bar cold: top up only if it falls below ${gauge.low.toFixed(1)}.` : '',
    firm.emergency ? `Smell gas or feel ill? Go outside, then ring ${firm.emergency}.` : 'Smell gas or feel ill? Go outside, then ring the emergency number.',
  ]
  const own = { wrong, did, know }
  const edited = new Map(entriesOf(live, 'wording').map(({ payload }) => [payload.section, payload.text]))
  return (Object.keys(titles) as (keyof typeof titles)[]).map((id) => ({
    id,
    title: titles[id],
    text: edited.get(id)?.trim() || own[id].filter(Boolean).join(' '),
    isEdited: Boolean(edited.get(id)?.trim()),
  }))
}

function factsOfVisit(
  { place, appliance, openedAt }: ReportInput,
  live: readonly Entry[],
  times: ReturnType<typeof reportTimes>,
  total: string,
  priced: boolean,
): Report['facts'] {
  const site = live.filter((one) => one.type !== 'booking' && one.type !== 'said' && one.type !== 'complaint')
  const visits = entriesOf(live, 'visit')
  const from = visits.find((one) => one.payload.event === 'arrived')?.at ?? site[0]?.at ?? openedAt
  const to = visits.findLast((one) => one.payload.event === 'left')?.at ?? live.at(-1)?.at ?? from
  const authors = (...types: Entry['type'][]) => [...new Set(live.filter((one) => types.includes(one.type)).map((one) => one.authorName))]
  // an answer on the telephone is written down by whoever took the call
  const onSite = authors('visit', 'repair', 'step')
  const engineers = onSite.length > 0 ? onSite : authors('reading', 'decision')
  const [next] = entriesOf(live, 'followUp').map((one) => one.payload)
  const { engineer } = bookingOf(live)
  const sameDay = times.day(from) === times.day(to)
  const years = Math.floor((Date.parse(openedAt) - Date.parse(appliance.installedOn)) / 31_557_600_000)
  return [
    { label: 'For', value: [place.name, place.address].filter(Boolean).join('\n') },
    { label: 'Visit', value: sameDay ? `${times.day(from)}\n${times.clock(from)} to ${times.clock(to)}` : `${times.day(from)} to ${times.day(to)}` },
    { label: 'Engineer', value: engineers.length > 0 ? engineers.join(', ') : (engineer ?? '') },
    { label: 'Boiler', value: [appliance.label, years >= 0 ? `${years} ${years === 1 ? 'year' : 'years'}` : '', serialOf(live)].filter(Boolean).join('\n') },
    ...(priced ? [{ label: 'Parts and time', value: total }] : []),
    ...(next ? [{ label: 'Next', value: `${next.what}, ${times.day(next.on)}` }] : []),
  ].filter((one) => one.value !== '')
}

function serialOf(live: readonly Entry[]): string {
  const serial = factsOf(live).serial?.payload.value
  return typeof serial === 'string' && serial !== '' ? `serial ${serial}` : ''
}

/** what a boiler is filled to cold, bar. Common practice */
const cold = { low: 1, high: 1.5 }

function gaugeOf(live: readonly Entry[]): Report['gauge'] {
  const noted = live.findLast(
    (one) =>
      (one.type === 'reading' && one.payload.check === 'look.gaugeCold' && one.payload.value !== undefined) ||
      (one.type === 'step' && one.payload.remedy === 'close.drained' && one.payload.value !== undefined),
  )
  if (noted?.type !== 'reading' && noted?.type !== 'step') return null
  const { value, unit } = noted.payload
  if (value === undefined || !isUnit(unit!)) return null
  return { ...cold, today: convert(value, unit, 'bar') }
}

function runReadings(live: readonly Entry[], catalogue: Catalogue) {
  return entriesOf(live, 'reading').flatMap((entry) => {
    const check = catalogue.checks.find((one) => one.id === entry.payload.check)
    return check?.runsThrough ? [{ entry, check }] : []
  })
}

function isAfterRepair(live: readonly Entry[], entry: Entry): boolean {
  const repair = live.findLastIndex((one) => one.type === 'repair')
  return repair >= 0 && live.indexOf(entry) > repair
}

/** How far each demand got when it was found. */
function runsOf(live: readonly Entry[], catalogue: Catalogue): Report['runs'] {
  const first = new Map<string, { entry: EntryOf<'reading'>; demand: 'heating' | 'hotWater' }>()
  const repair = live.findIndex((one) => one.type === 'repair')
  for (const { entry, check } of runReadings(live, catalogue))
    if ((repair < 0 || live.indexOf(entry) < repair) && check.runsThrough) first.set(check.id, { entry, demand: check.runsThrough })
  return [...first.values()].flatMap(({ entry, demand }) => {
    const stages = catalogue.system.sequence[demand] ?? []
    const at = entry.payload.outcome === 'complete' ? stages.length : stages.findIndex((one) => one.id === entry.payload.outcome)
    if (at < 0) return []
    return [
      {
        demand: demandWords[demand],
        stages: stages.map((one, index) => ({
          label: one.label,
          state: index < at ? ('passed' as const) : index === at ? ('stopped' as const) : ('after' as const),
        })),
      },
    ]
  })
}

/** the other system's unit, where a firm shows both */
const imperial: Partial<Record<UnitSymbol, UnitSymbol>> = { bar: 'psi', mbar: 'psi', kPa: 'psi', '°C': '°F', 'm³/h': 'ft³/h' }

/** Figures of the journal by what was measured: the last before the repair, the last after it. */
function measuredOf(live: readonly Entry[], catalogue: Catalogue, both: boolean): Measured[] {
  const rows = new Map<string, { label: string; unit: UnitSymbol; found: EntryOf<'reading'> | null; left: EntryOf<'reading'> | null }>()
  for (const entry of entriesOf(live, 'reading')) {
    const { value, unit, check: id } = entry.payload
    if (value === undefined || unit === undefined || !isUnit(unit)) continue
    const check = catalogue.checks.find((one) => one.id === id)
    const own = check?.result.kind === 'number' ? check.result.unit : unit
    const row = rows.get(id) ?? { label: check?.label ?? id, unit: own, found: null, left: null }
    rows.set(id, row)
    if (isAfterRepair(live, entry)) row.left = entry
    else row.found = entry
  }
  const valueOf = (entry: EntryOf<'reading'> | null, unit: UnitSymbol) => (entry ? convert(entry.payload.value!, entry.payload.unit as UnitSymbol, unit) : null)
  return [...rows.values()].map(({ label, unit, found, left }) => {
    const last = (left ?? found)!
    const given = last.payload.limit
    const limit =
      given && isUnit(given.unit)
        ? {
            low: given.low === undefined ? null : convert(given.low, given.unit, unit),
            high: given.high === undefined ? null : convert(given.high, given.unit, unit),
            source: given.source ?? '',
          }
        : null
    const value = valueOf(last, unit)!
    const other = both ? imperial[unit] : undefined
    return {
      ...{ label, unit, found: valueOf(found, unit), left: valueOf(left, unit), limit },
      words: formatQuantity(last.payload.value!, last.payload.unit as UnitSymbol),
      otherWords: other ? formatQuantity(convert(value, unit, other), other) : '',
      passes: limit ? (limit.low === null || value >= limit.low) && (limit.high === null || value <= limit.high) : null,
    }
  })
}

/** What was done, in the order it was done in. */
function doneOf(live: readonly Entry[], catalogue: Catalogue): { entry: Entry; what: string }[] {
  return live.flatMap((entry): { entry: Entry; what: string }[] => {
    if (entry.type === 'repair')
      return [{ entry, what: inThePast(labelOf(catalogue.remedies, entry.payload.remedy)) + (entry.payload.note ? `: ${entry.payload.note}` : '') }]
    if (entry.type === 'action' && !entry.payload.undone) return [{ entry, what: labelOf(catalogue.actions, entry.payload.action) }]
    if (entry.type === 'step') {
      const { result } = entryLine(catalogue, entry)
      return [{ entry, what: entry.payload.state === 'notDone' ? `Left out: ${result}` : result }]
    }
    return []
  })
}

/** What was answered of the closing checks that are no figures; of each what was said last. */
function closingItems(live: readonly Entry[], catalogue: Catalogue): Report['closing'] {
  const items = new Map<string, Report['closing'][number]>()
  for (const entry of entriesOf(live, 'reading')) {
    if (!isAfterRepair(live, entry)) continue
    const { check: id, outcome, note } = entry.payload
    const item = catalogue.closing.find((one) => one.id === id) ?? catalogue.closing.find((one) => one.check === id)
    const cause = catalogue.faults.find((one) => causeItem(one.id) === id)
    const label = item?.label ?? (cause ? `Cause of: ${cause.label}` : undefined)
    if (label === undefined || outcome === undefined || id === seenItem(id)) continue
    const state = outcome === 'notRight' || outcome === 'tooLow' || outcome === 'tooHigh' ? 'notRight' : outcome === 'notDone' ? 'notDone' : 'right'
    const words = id === item?.check ? resultWords(catalogue, entry) : (note ?? '')
    items.set(label, { label, state, words })
  }
  return [...items.values()]
}

function cautionsOf(live: readonly Entry[], catalogue: Catalogue, ending: Ending): string[] {
  const done = new Set(entriesOf(live, 'repair').map((one) => one.payload.remedy))
  const own = catalogue.remedies.filter((one) => done.has(one.id)).flatMap((one) => one.cautions)
  const unsafe = ending === 'unsafe' ? ['Left off, isolated and labelled. It must not be used before it has been made safe and proved.'] : []
  return [...unsafe, ...new Set(own)]
}

/** A limit in words. */
export function limitWords({ limit, unit }: Pick<Measured, 'limit' | 'unit'>): string {
  if (!limit) return ''
  const shown = unit === '1' ? '' : ` ${unit}`
  const { low, high, source } = limit
  const range =
    low !== null && high !== null
      ? `${formatNumber(low)} to ${formatNumber(high)}`
      : high !== null
        ? `at most ${formatNumber(high)}`
        : `at least ${formatNumber(low ?? 0)}`
  return `${range}${shown}${source ? `, ${source}` : ''}`
}
