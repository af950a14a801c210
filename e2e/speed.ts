import { byName, newEntry, type Entry, type EntryType, type Payload } from '@dewpoint/core/casebook'
import { chromium, type Browser, type Page } from '@playwright/test'
import { setTimeout as afterReading } from 'node:timers/promises'
import { parseArgs } from 'node:util'
import { v7 } from 'uuid'
import { signInTo } from '../tools/soak/signIn.ts'
import { knownAs } from './app.ts'
import config from './playwright.config.ts'
import startServer from './startServer.ts'

const { values } = parseArgs({ options: { json: { type: 'boolean', default: false } } })

/**
 * How long somebody waits, in the real interface on the real server: medians of a few runs, ms, with their parts. A budget is what the product promises on
 * a quiet machine.
 */
interface Waited {
  name: string
  median: number
  budget: number
  /** medians of what it is made of */
  parts: Record<string, number>
}

const runs = 3
/** somebody reads the list before choosing, ms */
const reading = 1500

/** Measures everything that somebody waits for in a case. */
async function waits(): Promise<Waited[]> {
  const stop = await startServer()
  const browser = await chromium.launch(config.use!.launchOptions)
  try {
    const plain = await newCase('hotColdHot', 'premix-combi', 'direct', [])
    const wired = await newCase('noStoredHotWater', 'system-boiler', 'two-valves-high-limit', [])
    const long = await newCase('hotColdHot', 'premix-combi', 'direct', longJournal())
    return [
      await measured('list to the first answer', 1000, () => fromList(browser, plain)),
      await measured('list to the first answer, wiring known', 1500, () => fromList(browser, wired)),
      await measured('the wiring map', 1500, () => wiringMap(browser, wired)),
      await measured('list to the first answer, again', 300, () => again(browser, plain)),
      await measured('a case of 200 entries, again', 300, () => again(browser, long)),
      await measured('a check found by its words, wiring known', 300, () => checkFound(browser, wired)),
      await measured('reading typed to suspects moved', 100, () => suspectsMoved(browser, plain)),
    ]
  } finally {
    await browser.close()
    await stop()
  }
}

/** One run: the whole, and its parts. */
type Run = Record<'whole', number> & Record<string, number>

async function measured(name: string, budget: number, run: () => Promise<Run>): Promise<Waited> {
  const all: Run[] = []
  for (let count = 0; count < runs; count++) all.push(await run())
  const parts = [...new Set(all.flatMap((one) => Object.keys(one)))].filter((one) => one !== 'whole')
  return {
    name,
    budget,
    median: median(all.map((one) => one.whole)),
    parts: Object.fromEntries(parts.map((part) => [part, median(all.flatMap((one) => one[part] ?? []))])),
  }
}

const median = (values: number[]) => {
  const sorted = [...values].sort((a, b) => a - b)
  return Math.round(sorted[Math.floor(sorted.length / 2)] ?? 0)
}

async function newCase(what: string, system: string, controls: string, more: [EntryType, object][]): Promise<string> {
  const now = Date.now()
  const id = v7()
  const place = `Bench ${id}`
  await post('/api/cases', {
    id,
    openedAt: new Date(now).toISOString(),
    site: { id: v7(), name: place, address: '', note: '', phone: '' },
    appliance: { id: v7(), system, label: 'Boiler', installedOn: '' },
    controls,
    settings: {},
  })
  const lines: [EntryType, object][] = [['complaint', { what, where: 'all', pattern: 'always' }], ...more]
  const entries = lines.reduce<Entry[]>(
    (seen, [type, payload], at) => [
      ...seen,
      newEntry(type, payload as Payload<typeof type>, { id: v7(), now: now - (lines.length - at) * 1000, author: byName('Bench'), seen }),
    ],
    [],
  )
  for (let at = 0; at < entries.length; at += 100) await post(`/api/cases/${id}/entries`, { entries: entries.slice(at, at + 100) })
  return place
}

/** Two hundred entries as a long case has them: words, readings again and again, findings by the way, figures noted. */
function longJournal(): [EntryType, object][] {
  const kinds: ((at: number) => [EntryType, object])[] = [
    () => ['said', { words: 'It was hot for a minute, then cold again.' }],
    (at) => ['reading', { check: 'look.gaugeCold', value: 1.1 + (at % 5) / 50, unit: 'bar', situation: { demand: 'none' } }],
    (at) => ['reading', { check: 'measure.mainsTemperature', value: 9 + (at % 4), unit: '°C', situation: { demand: 'none' } }],
    () => ['reading', { check: 'ask.heating', outcome: 'fine' }],
    (at) => ['finding', { what: `Seen by the way, number ${at}`, explainsComplaint: false }],
    (at) => ['reading', { check: 'measure.tapFlow', value: 8 + (at % 5) / 5, unit: 'l/min', situation: { demand: 'hotWater' } }],
  ]
  return Array.from({ length: 199 }, (_unused, at) => kinds[at % kinds.length]!(at))
}

/** of a device of its own */
let cookie: string | undefined

async function post(path: string, data: object): Promise<void> {
  const answer = await fetch(`${process.env.DEWPOINT}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie: (cookie ??= await signInTo(process.env.DEWPOINT!, 'engineer')) },
    body: JSON.stringify(data),
  })
  if (!answer.ok) throw new Error(`${path}: ${await answer.text()}`)
}

/** The list, looked at as somebody does who has opened Dewpoint on this device before. */
async function onList<T>(browser: Browser, place: string, work: (page: Page, open: () => Promise<void>) => Promise<T>): Promise<T> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  try {
    await knownAs('Ines Quill', context)
    const page = await context.newPage()
    const list = async () => {
      await page.goto(process.env.DEWPOINT!)
      await page.getByText(place).waitFor()
    }
    await list()
    await page.evaluate('navigator.serviceWorker.ready.then(() => undefined)')
    await list()
    await afterReading(reading)
    return await work(page, () => page.getByText(place).click())
  } finally {
    await context.close()
  }
}

/** suspects are shown, and the next check, and nothing is being worked out any more */
async function answered(page: Page): Promise<void> {
  await page.locator('section.next[aria-busy="false"] h1').waitFor()
  await page.locator('.suspects li').first().waitFor()
}

/** What the worker took for its parts last. */
async function partsOf(page: Page): Promise<Record<string, number>> {
  const worker = page.workers().find((one) => one.url().includes('diagnosis'))
  const took = worker ? ((await worker.evaluate(`performance.getEntriesByType('measure').map((one) => [one.name, one.duration])`)) as [string, number][]) : []
  return Object.fromEntries(took)
}

async function timed(work: () => Promise<unknown>): Promise<number> {
  const start = performance.now()
  await work()
  return performance.now() - start
}

const fromList = (browser: Browser, place: string): Promise<Run> =>
  onList(browser, place, async (page, open) => {
    let shown = 0
    const whole = await timed(async () => {
      const start = performance.now()
      await open()
      await page.locator('.bar-case strong, section.next').first().waitFor()
      shown = performance.now() - start
      await answered(page)
    })
    const { signatures = 0, diagnosis = 0 } = await partsOf(page)
    return { whole, 'case on the screen': shown, 'simulated readings at hand': signatures, diagnosis }
  })

const wiringMap = (browser: Browser, place: string): Promise<Run> =>
  onList(browser, place, async (page, open) => {
    await open()
    await answered(page)
    const whole = await timed(async () => {
      await page.getByRole('link', { name: /^Wiring/ }).click()
      await page.getByRole('button', { name: /^Terminal 1,/ }).waitFor()
    })
    const pad = await timed(() => page.locator('.probe .pad').waitFor())
    return { whole, 'what each suspect would read, after that': pad }
  })

const again = (browser: Browser, place: string): Promise<Run> =>
  onList(browser, place, async (page, open) => {
    await open()
    await answered(page)
    await page.getByRole('link', { name: /^Dewpoint/ }).click()
    await page.getByText(place).waitFor()
    const whole = await timed(async () => {
      await open()
      await answered(page)
    })
    const { suspects = 0, diagnosis = 0 } = await partsOf(page)
    return { whole, suspects, diagnosis }
  })

const checkFound = (browser: Browser, place: string): Promise<Run> =>
  onList(browser, place, async (page, open) => {
    await open()
    await answered(page)
    await page.getByRole('button', { name: 'Any check…' }).click()
    const whole = await timed(async () => {
      await page.getByLabel('Find a check').fill('lever')
      await page.getByRole('list', { name: 'Checks found' }).getByRole('listitem').first().waitFor()
    })
    return { whole }
  })

const suspectsMoved = (browser: Browser, place: string): Promise<Run> =>
  onList(browser, place, async (page, open) => {
    await open()
    await answered(page)
    await page.getByRole('button', { name: 'Any check…' }).click()
    await page.getByLabel('Find a check').fill('Flow at the tap, fully open')
    await page.getByRole('list', { name: 'Checks found' }).getByText('Flow at the tap, fully open', { exact: true }).click()
    await page.getByLabel('Reading', { exact: true }).fill(`${(8 + Math.random()).toFixed(2)}`)
    await page.locator('section.next[aria-busy="false"]').waitFor()
    // in the page, from the press to the frame that shows the suspects moved
    const whole = (await page.evaluate(`new Promise((done) => {
      const read = () => Number(/after (\\d+) entr/.exec(document.querySelector('.suspects').textContent)?.[1] ?? 0)
      const before = read()
      const start = performance.now()
      const seen = new MutationObserver(() => {
        if (read() <= before) return
        seen.disconnect()
        requestAnimationFrame(() => done(performance.now() - start))
      })
      seen.observe(document.body, { subtree: true, childList: true, characterData: true, attributes: true })
      document.querySelector('form.pad').requestSubmit()
    })`)) as number
    const { suspects = 0 } = await partsOf(page)
    return { whole, suspects }
  })

const rows = await waits()
if (values.json) process.stdout.write(`${JSON.stringify(rows, null, 2)}\n`)
else
  console.table(
    rows.map(({ name, median: whole, budget, parts }) => ({
      'in the browser': name,
      median: `${whole} ms`,
      ratio: `${(whole / budget).toFixed(2)} × ${budget} ms`,
      parts: Object.entries(parts)
        .map(([part, took]) => `${part} ${took}`)
        .join(', '),
    })),
  )
