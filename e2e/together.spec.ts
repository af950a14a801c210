import { App, barriers, expect, knownAs, test } from './app.ts'
import { secondServer } from './servers.ts'

test('an engineer without signal for an hour, the office writing in the same case meanwhile: both end with everything, in one order', async ({
  app,
  page,
  browser,
}) => {
  await app.openCase('noHotWater')
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  const caseAt = page.url()
  const id = /case\/([0-9a-f-]{36})/.exec(caseAt)![1]!
  const now = Date.now()
  // an hour ago, as this device has it
  await page.clock.setSystemTime(now - 3_600_000)
  await page.route('**/api/**', (route) => route.abort())
  await app.answer('Do the radiators get hot?', 'hot as always')

  const office = new App(await (await knownAs('Bo Larkspur', await browser.newContext())).newPage())
  await office.page.goto(caseAt.replace(/trace$/, 'call'))
  await office.page.locator('summary', { hasText: 'What happened before' }).click()
  await office.page.getByRole('combobox', { name: 'What', exact: true }).selectOption('Topped up')
  await office.page.getByRole('form', { name: 'What happened before' }).getByRole('textbox', { name: 'Day' }).fill('2026-01-10')
  await office.page.getByRole('button', { name: 'Record the event' }).press('Enter')
  await expect(office.journal).toContainText('topped up', { ignoreCase: true })
  await expect(office.page.getByText('waiting to send')).toHaveCount(0)

  await page.clock.setSystemTime(now - 1_800_000)
  await app.measure('Gauge, cold', '1.2')
  await page.reload()
  await expect(app.journal).toContainText('Gauge, cold')
  await page.clock.setSystemTime(now)
  await page.unroute('**/api/**')
  await page.reload()
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  await expect(app.journal).toContainText('topped up', { ignoreCase: true })
  await office.page.goto(caseAt)
  await expect(office.journal).toContainText('Gauge, cold')

  const { entries } = (await (await page.request.get(app.address(`/api/cases/${id}`))).json()) as {
    entries: { id: string; type: string; authorName: string }[]
  }
  expect(entries.map((one) => [one.type, one.authorName])).toEqual(
    expect.arrayContaining([
      ['complaint', 'Bo Larkspur'],
      ['reading', 'Ines Quill'],
      ['reading', 'Ines Quill'],
      ['history', 'Bo Larkspur'],
    ]),
  )
  expect(entries).toHaveLength(4)
  expect(new Set(entries.map((one) => one.id)).size).toBe(4)
  const told = (one: App) => one.page.locator('.journal li').allTextContents()
  await expect(async () => expect(await told(office)).toEqual(await told(app))).toPass()
  await office.page.context().close()
})

test('two browsers on two servers see what the other writes, on the case and on Today, and who is there', async ({ app, page, browser }) => {
  const second = await secondServer()
  try {
    const place = await app.openCase('noHotWater')
    const id = /case\/([0-9a-f-]{36})/.exec(page.url())![1]!
    const context = await knownAs('Bo Larkspur', await browser.newContext())
    const [theirs, list] = [await context.newPage(), await context.newPage()]
    await list.goto(`${second.address}/`)
    const line = list.getByRole('link', { name: new RegExp(place) })
    await expect(line).toContainText('call taken')
    await theirs.goto(`${second.address}/case/${id}/trace`)
    const there = (one: typeof page, name: string) => expect(one.getByRole('button', { name: `${name} is here too` })).toBeVisible()
    await there(theirs, 'Ines Quill')
    await there(page, 'Bo Larkspur')
    await page.getByRole('button', { name: 'Bo Larkspur is here too' }).click()
    await expect(page.getByText('Here too', { exact: true })).toBeVisible()
    expect(await barriers(page)).toEqual([])
    await page.keyboard.press('Escape')
    await expect(page.getByText('Here too', { exact: true })).toHaveCount(0)

    const began = Date.now()
    await app.answer('Do the radiators get hot?', 'hot as always')
    const journal = theirs.locator('.journal ol')
    await expect(journal).toContainText('hot as always')
    test.info().annotations.push({ type: 'seen by the other after, ms, the writing with it', description: String(Date.now() - began) })
    await list.bringToFront()
    await expect(line).toContainText('1 reading in')

    // a call taken on the one stands in the list of the other, in a page nobody touched
    const other = await app.takeCall('No heating')
    await expect(list.getByRole('link', { name: new RegExp(other) })).toBeVisible()

    // lost for a while, it takes up where it was: nothing is missing and nothing stands twice
    await context.setOffline(true)
    await page.goto(app.address(`/case/${id}/trace`))
    await expect(app.nextTitle).toBeVisible()
    await app.measure('Gauge, cold', '1.2')
    await expect(page.getByText('waiting to send')).toHaveCount(0)
    await context.setOffline(false)
    await theirs.bringToFront()
    await expect(journal).toContainText('Gauge, cold')
    await expect(journal.getByText('Do the radiators get hot?')).toHaveCount(1)
    await page.goto(app.address('/library'))
    await expect(theirs.getByRole('button', { name: 'is here too' })).toHaveCount(0)
    await context.close()
  } finally {
    await second.stop()
  }
})
