import { limitWords, type Measured, type Report } from './reportOf.ts'
import { runsOfFont } from './runsOfFont.ts'

/** The faces a report is set in, by the file each comes from. */
export const reportFonts = {
  Barlow: { normal: 'barlow-semi-condensed-latin-400-normal.woff', bold: 'barlow-semi-condensed-latin-600-normal.woff' },
  BarlowExt: { normal: 'barlow-semi-condensed-latin-ext-400-normal.woff', bold: 'barlow-semi-condensed-latin-ext-600-normal.woff' },
  Greek: { normal: 'jetbrains-mono-greek-400-normal.woff', bold: 'jetbrains-mono-greek-400-normal.woff' },
}

/** lines of one list on the paper: a journal may hold thousands, and a paper that nobody can open is none. The case file has them all */
const most = { lines: 120, entries: 600, photos: 24 }

/** A report with as much of each list as the paper takes. */
function bounded(report: Report): Report {
  const cut = <T>(list: readonly T[], many = most.lines) => list.slice(0, many)
  return {
    ...report,
    ...{ said: cut(report.said), found: cut(report.found), measured: cut(report.measured), done: cut(report.done), parts: cut(report.parts) },
    ...{ closing: cut(report.closing), advice: cut(report.advice), followUps: cut(report.followUps), photos: cut(report.photos, most.photos) },
  }
}

/** What the firm and the case are called on the paper. */
export interface Letterhead {
  firm: string
  address: string
  phone: string
  emergency: string
  /** a short number somebody can say on the telephone */
  caseNumber: string
}

type Node = Record<string, unknown>
const ink = '#16241f'
const dim = '#55625d'
const rule = '#c9c5b8'
const copper = '#a1461a'
const stop = '#a0241c'

/** A4 at 72 points to the inch, with margins of a hand's width for holes. */
const page = { width: 595, margin: 44 }
const inner = page.width - 2 * page.margin
const side = 86

/**
 * A report as a document of the PDF library: one page of plain words first, the record after it, every entry at the end. Nothing in it is told by colour alone.
 *
 * @param pictures the photos that are at hand, by hash, as data addresses
 */
export function reportDocument(whole: Report, head: Letterhead, pictures: Readonly<Record<string, string>> = {}): Node {
  const report = bounded(whole)
  const bad = report.ending !== 'proven'
  const left = whole.all.length - most.entries
  return {
    pageSize: 'A4',
    pageMargins: [page.margin, 74, page.margin, 54],
    defaultStyle: { font: 'Barlow', fontSize: 10, lineHeight: 1.15, color: ink },
    info: { title: `Service report ${head.caseNumber}`, author: head.firm || 'Dewpoint', creator: 'Dewpoint' },
    header: (current: number, all: number) => ({
      margin: [page.margin, 26, page.margin, 0],
      columns: [
        {
          stack: [
            text(head.firm || 'Service report', { bold: true, fontSize: 13 }),
            text([head.address, head.phone].filter(Boolean).join(' · '), { color: dim, fontSize: 9 }),
          ],
        },
        {
          stack: [
            text('Service report', { bold: true, fontSize: 13, alignment: 'right' }),
            text(`Case ${head.caseNumber} · page ${current} of ${all}`, { color: dim, fontSize: 9, alignment: 'right' }),
          ],
        },
      ],
    }),
    footer: () => ({
      margin: [page.margin, 14, page.margin, 0],
      ...text(
        head.emergency
          ? `Smell gas or feel ill? Leave, then ring ${head.emergency} from outside.`
          : 'Smell gas or feel ill? Leave, then ring the emergency number from outside.',
        { color: dim, fontSize: 9 },
      ),
    }),
    content: [
      {
        columns: [
          {
            width: '*',
            stack: [
              text(report.headline, {
                bold: true,
                fontSize: 25,
                lineHeight: 1,
                color: report.ending === 'unsafe' || report.ending === 'unproven' ? stop : ink,
                margin: [0, 0, 0, 8],
              }),
              ...(bad && report.reason
                ? [
                    boxed(
                      `${report.ending === 'unsafe' ? 'Left off, unsafe' : report.ending === 'unproven' ? 'Closed without proof' : 'Closed, not mended'}: ${report.reason}`,
                    ),
                  ]
                : []),
              ...report.plain.map((one) => ({
                margin: [0, 4, 0, 4],
                fontSize: 12,
                text: [...runsOfFont(`${one.title}. `, { bold: true }), ...runsOfFont(one.text)],
              })),
            ],
          },
          { width: 178, stack: [factsTable(report), ...gauge(report)] },
        ],
        columnGap: 26,
      },
      ...section('Said', '', report.said.length > 0 ? [{ stack: report.said.map((one) => text(`“${one}”`, { margin: [0, 0, 0, 3] })) }] : []),
      ...section('Found', '', [...report.runs.flatMap(runLine), ...report.found.map((one) => text(one, { bold: true, margin: [0, 2, 0, 0] }))]),
      ...section(
        'Measured',
        report.measured.length > 0 ? 'o found   | left\nbox: limits' : '',
        report.measured.length > 0 ? [measuredTable(report.measured)] : [],
      ),
      ...section('Done', report.minutes > 0 ? `${Math.round(report.minutes)} min` : '', doneTable(report)),
      ...section('Closing', 'checks', report.closing.length > 0 ? [closingList(report)] : []),
      ...section('Advice', '', adviceList(report)),
      ...section('Cautions', '', report.cautions.length > 0 ? [{ ul: report.cautions.map((one) => text(one)) }] : []),
      ...section('Signed', '', [signatures(report)]),
      {
        pageBreak: 'before',
        stack: [
          ...(report.photos.length > 0 ? [text('Photos', { bold: true, fontSize: 15, margin: [0, 0, 0, 6] }), ...photoRows(report, pictures)] : []),
          text('Every reading and entry', { bold: true, fontSize: 15, margin: [0, report.photos.length > 0 ? 12 : 0, 0, 6] }),
          {
            fontSize: 9,
            table: {
              headerRows: 1,
              widths: [92, 78, 150, '*'],
              body: [
                ['When', 'Who', 'What', 'Result'].map((one) => text(one, { bold: true })),
                ...report.all.slice(0, most.entries).map((one) => [text(one.at), text(one.author), text(one.what), text(one.result)]),
              ],
            },
            layout: lined,
          },
          ...(left > 0 ? [text(`and ${left} more, in the case file`, { color: dim })] : []),
        ],
      },
    ],
  }
}

function text(words: string, style: Node = {}): Node {
  return { text: runsOfFont(words), ...style }
}

/** thin lines between rows, none at the sides */
const lined = {
  hLineWidth: (line: number, node: { table: { body: unknown[] } }) => (line === 0 || line === node.table.body.length ? 0 : 0.5),
  vLineWidth: () => 0,
  hLineColor: () => rule,
  paddingLeft: () => 0,
  paddingRight: () => 6,
  paddingTop: () => 2.5,
  paddingBottom: () => 2.5,
}

function section(label: string, below: string, nodes: readonly Node[]): Node[] {
  if (nodes.length === 0) return []
  return [
    {
      margin: [0, 9, 0, 0],
      table: {
        widths: [side, inner - side],
        // a row that does not fit goes on over the page
        dontBreakRows: false,
        body: [
          [{ stack: [text(label, { bold: true, fontSize: 11.5 }), ...(below ? [text(below, { color: dim, fontSize: 8.5 })] : [])] }, { stack: [...nodes] }],
        ],
      },
      layout: { ...lined, hLineWidth: (line: number) => (line === 0 ? 1 : 0), hLineColor: () => ink, paddingTop: () => 6, paddingRight: () => 0 },
    },
  ]
}

function boxed(words: string): Node {
  return {
    margin: [0, 0, 0, 8],
    table: { widths: ['*'], body: [[text(words, { bold: true, color: stop, fontSize: 12 })]] },
    layout: {
      hLineWidth: () => 1.5,
      vLineWidth: () => 1.5,
      hLineColor: () => stop,
      vLineColor: () => stop,
      paddingLeft: () => 8,
      paddingRight: () => 8,
      paddingTop: () => 5,
      paddingBottom: () => 5,
    },
  }
}

const factsTable = ({ facts }: Report): Node => ({
  table: { widths: [58, '*'], body: facts.map((one) => [text(one.label, { color: dim }), text(one.value, { bold: true })]) },
  layout: { ...lined, hLineWidth: (line: number) => (line === 0 ? 1.5 : 0.5), hLineColor: (line: number) => (line === 0 ? ink : rule) },
})

/** The gauge as the customer sees it: the band it should stand in, and where it stands. */
function gauge({ gauge: known }: Report): Node[] {
  if (!known) return []
  const at = (bar: number) => Math.PI * (0.75 + 1.5 * (Math.min(4, Math.max(0, bar)) / 4))
  const point = (bar: number, radius: number) => [40 + radius * Math.cos(at(bar)), 40 + radius * Math.sin(at(bar))].map((one) => one.toFixed(1)).join(' ')
  const band = `M${point(known.low, 30)} A30 30 0 0 1 ${point(known.high, 30)}`
  const marks = [0, 1, 2, 3, 4].map((bar) => `<path d="M${point(bar, 33)} L${point(bar, 37)}" stroke="${ink}" stroke-width="1.5"/>`).join('')
  const dial = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 80 80"><circle cx="40" cy="40" r="38" fill="none" stroke="${ink}" stroke-width="1.5"/><path d="${band}" fill="none" stroke="${ink}" stroke-width="6"/>${marks}<path d="M40 40 L${point(known.today, 32)}" stroke="${copper}" stroke-width="2.5"/><circle cx="40" cy="40" r="3.5" fill="${ink}"/></svg>`
  return [
    {
      margin: [0, 10, 0, 0],
      columns: [
        { width: 62, svg: dial, fit: [58, 58] },
        { width: '*', ...text(`Cold, the needle stands in the thick band: ${known.today.toFixed(1)} bar today.`, { margin: [4, 8, 0, 0] }) },
      ],
    },
  ]
}

/** How far a demand got: solid and ticked where it was passed, a box where it stopped, dashed after it. */
function runLine({ demand, stages }: Report['runs'][number]): Node[] {
  const width = inner - side
  const step = width / stages.length
  const marks = stages.flatMap(({ state }, index): Node[] => {
    const x = step * (index + 0.5)
    const line: Node[] =
      index > 0
        ? [
            {
              type: 'line',
              x1: x - step + 7,
              y1: 8,
              x2: x - 7,
              y2: 8,
              lineWidth: state === 'after' ? 0.8 : 2,
              lineColor: ink,
              ...(state === 'after' && { dash: { length: 2, space: 2 } }),
            },
          ]
        : []
    if (state === 'passed')
      return [
        ...line,
        { type: 'ellipse', x, y: 8, r1: 6, r2: 6, color: ink },
        {
          type: 'polyline',
          lineWidth: 1.4,
          lineColor: '#ffffff',
          points: [
            { x: x - 3, y: 8 },
            { x: x - 0.8, y: 10.4 },
            { x: x + 3, y: 5.6 },
          ],
        },
      ]
    if (state === 'stopped')
      return [
        ...line,
        { type: 'rect', x: x - 6, y: 2, w: 12, h: 12, r: 2, lineWidth: 2, lineColor: copper },
        { type: 'line', x1: x - 3, y1: 8, x2: x + 3, y2: 8, lineWidth: 2, lineColor: copper },
      ]
    return [...line, { type: 'ellipse', x, y: 8, r1: 5.5, r2: 5.5, lineWidth: 0.8, lineColor: dim, dash: { length: 2, space: 2 } }]
  })
  return [
    text(`${demand} as it was found`, { color: dim, fontSize: 9 }),
    { canvas: marks, margin: [0, 2, 0, 0] },
    {
      margin: [0, 1, 0, 5],
      fontSize: 7.5,
      lineHeight: 1,
      table: { widths: stages.map(() => '*'), body: [stages.map((one) => text(one.label, { alignment: 'center', bold: one.state === 'stopped' }))] },
      layout: { defaultBorder: false, paddingLeft: () => 1, paddingRight: () => 1, paddingTop: () => 0, paddingBottom: () => 0 },
    },
  ]
}

function measuredTable(rows: readonly Measured[]): Node {
  return {
    table: {
      widths: [124, 100, 64, '*', 12],
      body: rows.map((one) => [
        text(one.label),
        { canvas: band(one), margin: [0, 1, 0, 0] },
        {
          stack: [
            text(one.words, { bold: true, alignment: 'right' }),
            ...(one.otherWords ? [text(one.otherWords, { color: dim, fontSize: 8, alignment: 'right' })] : []),
          ],
        },
        text(limitWords(one), { color: dim, fontSize: 8.5 }),
        { canvas: verdict(one.passes) },
      ]),
    },
    layout: lined,
  }
}

/** The limit as a dotted box, what was found as a ring, what was left as a bar. */
function band({ limit, found, left }: Measured): Node[] {
  const width = 94
  const values = [found, left, limit?.low ?? null, limit?.high ?? null].filter((one): one is number => one !== null)
  const [least, most] = [Math.min(...values), Math.max(...values)]
  const room = most > least ? (most - least) * 0.35 : Math.max(Math.abs(most) * 0.2, 1)
  const place = (value: number) => 2 + ((value - (least - room)) / (most - least + 2 * room)) * (width - 4)
  const nodes: Node[] = [{ type: 'line', x1: 0, y1: 6, x2: width, y2: 6, lineWidth: 0.6, lineColor: dim }]
  if (limit) {
    const [from, to] = [limit.low === null ? 0 : place(limit.low), limit.high === null ? width : place(limit.high)]
    nodes.push({ type: 'rect', x: from, y: 1, w: Math.max(1, to - from), h: 10, lineWidth: 0.8, lineColor: ink, dash: { length: 1, space: 1 } })
  }
  if (found !== null && left !== null) nodes.push({ type: 'ellipse', x: place(found), y: 6, r1: 3, r2: 3, lineWidth: 1.2, lineColor: ink, color: '#ffffff' })
  const last = left ?? found
  if (last !== null) nodes.push({ type: 'rect', x: place(last) - 1.2, y: 0, w: 2.4, h: 12, color: ink })
  return nodes
}

function verdict(passes: boolean | null): Node[] {
  if (passes === null) return []
  return passes
    ? [
        {
          type: 'polyline',
          lineWidth: 1.6,
          lineColor: ink,
          points: [
            { x: 1, y: 6 },
            { x: 4, y: 9.5 },
            { x: 10, y: 2 },
          ],
        },
      ]
    : [
        { type: 'line', x1: 1, y1: 1, x2: 10, y2: 10, lineWidth: 2, lineColor: stop },
        { type: 'line', x1: 10, y1: 1, x2: 1, y2: 10, lineWidth: 2, lineColor: stop },
      ]
}

function doneTable({ done, parts, minutes, total }: Report): Node[] {
  if (done.length === 0) return []
  const work = {
    width: '*',
    table: { widths: [32, '*'], body: done.map((one) => [text(one.at, { color: dim }), text(one.what)]) },
    layout: { ...lined, hLineWidth: () => 0 },
  }
  if (parts.length === 0) return [work]
  const bill = [
    ...parts.map((one) => [text(String(one.quantity)), text(one.name), text(one.price, { alignment: 'right' })]),
    [text(''), text(`with ${Math.round(minutes)} min`, { bold: true }), text(total, { bold: true, alignment: 'right' })],
  ]
  return [{ columnGap: 16, columns: [work, { width: 186, table: { widths: [16, '*', 'auto'], body: bill }, layout: { ...lined, hLineWidth: () => 0 } }] }]
}

const stateWords = { right: 'right', notRight: 'NOT RIGHT', notDone: 'not done' }
const closingList = ({ closing }: Report): Node => ({
  table: {
    widths: [12, '*', 150],
    body: closing.map((one) => [
      { canvas: verdict(one.state === 'right' ? true : one.state === 'notRight' ? false : null) },
      text(one.label),
      text([stateWords[one.state], one.words].filter(Boolean).join(': '), { bold: one.state !== 'right', color: one.state === 'notRight' ? stop : ink }),
    ]),
  },
  layout: lined,
})

function adviceList({ advice, followUps }: Report): Node[] {
  const lines = [
    ...advice.map((one) =>
      text(`${one.what}${one.due ? `, ${one.due}` : ''}: ${one.answer === 'declined' ? 'advised, DECLINED' : 'advised'}`, { bold: one.answer === 'declined' }),
    ),
    ...followUps.map((one) => text(`Follow-up: ${one.what}, ${one.on}`)),
  ]
  return lines.length > 0 ? [{ stack: lines }] : []
}

/** three to a row, in proportion; one that is not at hand says so */
function photoRows({ photos }: Report, pictures: Readonly<Record<string, string>>): Node[] {
  const rows: Node[] = []
  for (let from = 0; from < photos.length; from += 3)
    rows.push({
      unbreakable: true,
      columnGap: 8,
      margin: [0, 0, 0, 6],
      columns: [0, 1, 2].map((index) => {
        const photo = photos[from + index]
        if (!photo) return text('')
        const picture = pictures[photo.hash]
        return {
          stack: [
            picture ? { image: picture, fit: [170, 128] } : text('Picture not at hand here.', { color: dim }),
            text(photo.caption, { fontSize: 8.5, margin: [0, 2, 0, 0] }),
          ],
        }
      }),
    })
  return rows
}

function signatures({ signatures: signed }: Report): Node {
  return {
    unbreakable: true,
    columnGap: 20,
    columns: (['engineer', 'customer'] as const).map((by) => {
      const one = signed.findLast((other) => other.by === by)
      const drawn =
        one && one.strokes.length > 0
          ? `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${one.width} ${one.height}">${one.strokes
              .filter(isPath)
              .map((path) => `<path d="${path}" fill="none" stroke="${ink}" stroke-width="2"/>`)
              .join('')}</svg>`
          : null
      return {
        stack: [
          drawn ? { svg: drawn, fit: [190, 44] } : text(' ', { margin: [0, 26, 0, 0] }),
          { canvas: [{ type: 'line', x1: 0, y1: 2, x2: 195, y2: 2, lineWidth: 0.8, lineColor: ink }] },
          text(one ? `${one.name}, ${by}, ${one.at}` : `${by}: not signed`, { fontSize: 9, margin: [0, 2, 0, 0] }),
        ],
      }
    }),
  }
}

/** nothing but a path goes into the drawing: a journal is written by whoever can reach the server */
const isPath = (path: string) => /^[MLHVCSQTAZmlhvcsqtaz\d\s.,-]+$/.test(path)
