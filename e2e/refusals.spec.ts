import { problemTypes, type ProblemName } from '@dewpoint/contract'
import { byName } from '@dewpoint/core/casebook'
import type { Route } from '@playwright/test'
import { App, barriers, expect, knownAs, test } from './app.ts'

const answerWith = (route: Route, name: ProblemName, more: object = {}) => {
  const { status, title } = problemTypes[name]
  return route.fulfill({
    status,
    contentType: 'application/problem+json',
    body: JSON.stringify({ type: `/problems/${name}`, title, status, detail: 'Correct the fields named.', ...more }),
  })
}

const caseId = (url: string) => /case\/([0-9a-f-]{36})/.exec(url)![1]!

test('an entry the server will not take is kept on the case and on Today until it is corrected, and holds nothing up', async ({ app, page }) => {
  const place = await app.takeCall('No hot water')
  await page.route('**/api/cases/*/entries', async (route) => {
    const body = route.request().postData() ?? ''
    if (!body.includes('"bad words"')) return route.continue()
    const index = (JSON.parse(body) as { entries: { payload: { note?: string } }[] }).entries.findIndex((one) => one.payload.note === 'bad words')
    return answerWith(route, 'invalid', { fields: [{ field: `entries[${index}].payload.note`, message: 'payload.note: use other words' }] })
  })
  const history = await app.history()
  await page.getByRole('combobox', { name: 'What', exact: true }).selectOption('Topped up')
  await history.getByRole('textbox', { name: 'Day' }).fill('2026-01-10')
  await page.getByLabel('Words, if any').fill('bad words')
  await page.getByRole('button', { name: 'Record the event' }).press('Enter')
  const refused = page.getByRole('region', { name: 'Not accepted by the server' })
  await expect(refused).toContainText('Note: use other words')
  await expect(app.journal).toContainText('not accepted by the server')
  await app.trace()
  await app.answer('Do the radiators get hot?', 'hot as always')
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  await page.reload()
  await expect(refused).toContainText('use other words')
  await page.getByRole('link', { name: /today’s calls/ }).click()
  await expect(refused).toContainText('bad words')
  expect(await barriers(page)).toEqual([])
  await refused.getByRole('link', { name: 'Go to the case' }).click()
  await refused.getByText('1 entry not accepted').click()
  await refused.getByRole('button', { name: 'Correct and send' }).click()
  await expect(page.getByRole('dialog').getByText('use other words')).toBeVisible()
  expect(await barriers(page)).toEqual([])
  await page.getByRole('dialog').getByLabel('Note').fill('better words')
  await page.getByRole('button', { name: 'Send corrected' }).click()
  await expect(refused).toHaveCount(0)
  await expect(app.journal).toContainText('better words')
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  const kept = await (await page.request.get(app.address(`/api/cases/${caseId(page.url())}`))).text()
  expect(kept).toContain('better words')
  expect(kept).toContain(place)
})

test('a case the server has otherwise shows both, and its entries follow once somebody has decided', async ({ app, page }) => {
  let refuse = true
  await page.route('**/api/cases', (route) => {
    if (!refuse || route.request().method() !== 'POST') return route.continue()
    const { site } = JSON.parse(route.request().postData()!) as { site: object }
    return answerWith(route, 'conflict', { present: { site: { ...site, note: 'Key under the pot' } } })
  })
  await app.takeCall('No heating')
  const refused = page.getByRole('region', { name: 'Not accepted by the server' })
  await expect(refused).toContainText('Key under the pot')
  await expect(app.journal).toContainText('waiting to send')
  refuse = false
  await refused.getByText('1 entry not accepted').click()
  await refused.getByRole('button', { name: 'Record mine as another place' }).click()
  await expect(refused).toHaveCount(0)
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  expect((await page.request.get(app.address(`/api/cases/${caseId(page.url())}`))).status()).toBe(200)
})

test('two entries under one number: both are shown, and both can be kept', async ({ app, page }) => {
  await app.takeCall('No hot water')
  const id = caseId(page.url())
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  // somebody else’s entry gets there first with the same number
  let first = true
  await page.route('**/api/cases/*/entries', async (route) => {
    if (!first || route.request().method() !== 'POST') return route.continue()
    first = false
    const { entries } = JSON.parse(route.request().postData()!) as { entries: { type: string; payload: object }[] }
    const others = entries.map((one) => ({
      ...one,
      author: byName('Bo Larkspur').id,
      authorName: 'Bo Larkspur',
      type: 'advice',
      payload: { what: 'Clean the system', answer: 'given' },
    }))
    expect((await page.request.post(app.address(`/api/cases/${id}/entries`), { data: { entries: others } })).ok()).toBe(true)
    return route.continue()
  })
  await app.trace()
  await app.choose('Do the radiators get hot?')
  await page.locator('.pad').getByRole('button', { name: 'hot as always' }).click()
  const refused = page.getByRole('region', { name: 'Not accepted by the server' })
  await expect(refused).toContainText('hot as always')
  await expect(refused).toContainText('Clean the system')
  await refused.getByText('1 entry not accepted').click()
  await refused.getByRole('button', { name: 'Keep both entries' }).click()
  await expect(refused).toHaveCount(0)
  await expect(app.journal).toContainText('hot as always')
  await expect(app.journal).toContainText('Clean the system')
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  const { entries } = (await (await page.request.get(app.address(`/api/cases/${id}`))).json()) as { entries: unknown[] }
  expect(entries).toHaveLength(3)
})

test('what was discarded is gone from the journal, after it was asked for twice', async ({ app, page }) => {
  await app.takeCall('No hot water')
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  await page.route('**/api/cases/*/entries', (route) => (route.request().method() === 'POST' ? answerWith(route, 'invalid') : route.continue()))
  await app.trace()
  await app.answer('Do the radiators get hot?', 'hot as always')
  const refused = page.getByRole('region', { name: 'Not accepted by the server' })
  await refused.getByText('1 entry not accepted').click()
  await refused.getByRole('button', { name: 'Discard…' }).click()
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(refused).toContainText('hot as always')
  await refused.getByRole('button', { name: 'Discard…' }).click()
  await page.getByRole('button', { name: 'Discard the entry' }).click()
  await expect(refused).toHaveCount(0)
  await expect(app.journal).not.toContainText('hot as always')
  await page.reload()
  await expect(app.journal).toContainText('No hot water')
  await expect(app.journal).not.toContainText('hot as always')
})

test('a captive portal that answers everything with a page of its own loses nothing', async ({ app, page }) => {
  await app.openCase('noHotWater')
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  await page.route('**/api/**', (route) => route.fulfill({ status: 200, contentType: 'text/html', body: '<h1>Welcome to the harbour</h1>' }))
  await app.answer('Do the radiators get hot?', 'hot as always')
  await expect(app.journal).toContainText('waiting to send')
  await page.unroute('**/api/**')
  await expect(page.getByText('waiting to send')).toHaveCount(0)
})

test('a device without room says so at once, never calls the entry kept, and sends it all the same', async ({ app, page }) => {
  await app.openCase('noHotWater')
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  await page.route('**/api/**', (route) => route.abort())
  await page.evaluate(`{
    const add = IDBObjectStore.prototype.add
    IDBObjectStore.prototype.add = function () { throw new DOMException('full', 'QuotaExceededError') }
    window.makeRoom = () => (IDBObjectStore.prototype.add = add)
  }`)
  await app.answer('Do the radiators get hot?', 'hot as always')
  const alert = page.getByRole('alert').filter({ hasText: 'Not saved on this device' })
  await expect(alert).toContainText('no room left')
  await expect(app.journal).toContainText('in this page only, not saved')
  expect(await barriers(page)).toEqual([])
  // asked for or by itself: while there is no room the notice stays, and with room it goes
  await alert.getByRole('button', { name: 'Try again now' }).click()
  await expect(alert).toBeVisible()
  await page.evaluate('window.makeRoom()')
  await expect(alert).toHaveCount(0, { timeout: 60_000 })
  await expect(app.journal).toContainText('waiting to send')
  await page.unroute('**/api/**')
  await expect(page.getByText('waiting to send')).toHaveCount(0)
})

test('an entry of a device whose clock is a day behind stands after what it had seen, and its time is marked', async ({ app, page, browser }) => {
  await app.openCase('noHotWater')
  await app.answer('Is the display, or its lamp, alive?', 'lit')
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  const context = await knownAs('Ines Quill', await browser.newContext())
  const other = await context.newPage()
  await other.clock.setSystemTime(Date.now() - 86_400_000)
  await other.goto(page.url())
  const late = new App(other)
  await late.answer('Do the radiators get hot?', 'hot as always')
  await expect(late.journal.getByRole('listitem').first()).toContainText('hot as always')
  await expect(late.journal.getByRole('listitem').first()).toContainText('Clock of that device was slow')
  await expect(other.getByText('waiting to send')).toHaveCount(0)
  await page.reload()
  await expect(app.journal.getByRole('listitem').first()).toContainText('Clock of that device was slow')
  await expect(app.journal.getByRole('listitem')).toHaveCount(3)
  await context.close()
})

test('undo takes back one’s own, not what a colleague wrote last', async ({ app, page, browser }) => {
  await app.openCase('noHotWater')
  await app.answer('Is the display, or its lamp, alive?', 'lit')
  const context = await knownAs('Ines Quill', await browser.newContext())
  const other = await context.newPage()
  await other.goto(page.url())
  await new App(other).answer('Do the radiators get hot?', 'hot as always')
  await expect(other.getByText('waiting to send')).toHaveCount(0)
  await page.reload()
  await expect(app.journal).toContainText('hot as always')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(app.journal).not.toContainText('Is the display, or its lamp, alive?')
  await expect(app.journal).toContainText('hot as always')
  await context.close()
})

test('a reading half typed stays with its check when a colleague writes, and is recorded for it', async ({ app, page, browser }) => {
  await app.openCase('hotColdHot')
  const offered = 'Fan speed at minimum rate'
  await app.atRest()
  await app.choose(offered)
  await expect(app.nextTitle).toHaveText(offered)
  await page.getByLabel('Reading', { exact: true }).fill('1310')
  const context = await knownAs('Ines Quill', await browser.newContext())
  const other = await context.newPage()
  await other.goto(page.url())
  await new App(other).measure(offered, '1330')
  await expect(app.journal).toContainText('1330 rev/min')
  await app.atRest()
  await expect(app.nextTitle).toHaveText(offered)
  await page.getByLabel('Reading', { exact: true }).press('Enter')
  await expect(app.journal).toContainText('1310 rev/min')
  await expect(app.nextTitle).not.toHaveText(offered)
  await context.close()
})

test.describe('a device set to another time zone', () => {
  test.use({ timezoneId: 'Pacific/Auckland' })

  test('shows and takes times in the firm’s', async ({ app, page }) => {
    await app.takeCall('Pressure keeps dropping')
    const inFirm = new Intl.DateTimeFormat('en-GB', { timeZone: 'Europe/London', hour: '2-digit', minute: '2-digit' }).format(new Date())
    const inDevice = new Intl.DateTimeFormat('en-GB', { timeZone: 'Pacific/Auckland', hour: '2-digit' }).format(new Date())
    const shown = await app.journal.locator('time').first().textContent()
    expect(shown!.slice(0, 2)).not.toBe(inDevice)
    // the minute may have turned meanwhile, and the hour with it
    const minutes = (text: string) => Number(text.slice(0, 2)) * 60 + Number(text.slice(3, 5))
    expect((minutes(inFirm) - minutes(shown!.trim()) + 1440) % 1440).toBeLessThan(5)
    const history = await app.history()
    await page.getByRole('combobox', { name: 'What', exact: true }).selectOption('Gauge read')
    await history.getByRole('textbox', { name: 'Day' }).fill('2026-07-01')
    await page.getByLabel('Time', { exact: true }).fill('07:30')
    await page.getByLabel('It showed').fill('1.2')
    await page.getByRole('button', { name: 'Record the event' }).press('Enter')
    await expect(app.journal).toContainText('1.2 bar')
    await expect(page.getByText('waiting to send')).toHaveCount(0)
    const { entries } = (await (await page.request.get(app.address(`/api/cases/${caseId(page.url())}`))).json()) as { entries: { payload: { on?: string } }[] }
    expect(entries.map((one) => one.payload.on)).toContain('2026-07-01T06:30:00.000Z')
  })
})
