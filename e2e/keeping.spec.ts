import { App, expect, knownAs, test } from './app.ts'

// here everything moves as it does for most people: a press must find what it was meant for while it does
test.use({ contextOptions: { reducedMotion: 'no-preference' } })

test('a reload in the middle loses nothing, and the list knows the case', async ({ app, page }) => {
  const place = await app.openCase('noHotWater')
  await app.answer('Do the radiators get hot?', 'hot as always')
  await expect(app.suspects).toContainText('Flow turbine stiff or stuck')
  await page.reload()
  await expect(app.journal).toContainText('hot as always')
  await expect(app.suspects).toContainText('Flow turbine stiff or stuck')
  await page.getByRole('link', { name: /today’s calls/ }).click()
  await expect(page.getByRole('link', { name: new RegExp(place) })).toContainText('1 reading in')
})

test('with the server away entries are kept on the device, through a reload of the page, and sent when it is back', async ({ app, page }) => {
  await app.openCase('noHotWater')
  await page.route('**/api/**', (route) => route.abort())
  await app.answer('Do the radiators get hot?', 'hot as always')
  await expect(page.getByRole('status').filter({ hasText: 'waiting to send' })).toContainText('1 entry waiting to send')
  await page.reload()
  await expect(app.journal).toContainText('hot as always')
  await expect(page.getByRole('status').filter({ hasText: 'waiting to send' })).toBeVisible()
  await page.unroute('**/api/**')
  await expect(page.getByRole('status').filter({ hasText: 'waiting to send' })).toHaveCount(0)
  const id = /case\/([0-9a-f-]{36})/.exec(page.url())![1]!
  const answer = (await (await page.request.get(app.address(`/api/cases/${id}`))).json()) as { entries: unknown[] }
  expect(answer.entries).toHaveLength(2)
})

test('two people on one case see what both wrote', async ({ app, page, browser }) => {
  await app.openCase('noHotWater')
  const context = await knownAs('Ines Quill', await browser.newContext())
  const other = await context.newPage()
  await other.goto(page.url())
  await new App(other).answer('Is the display, or its lamp, alive?', 'lit')
  await app.answer('Do the radiators get hot?', 'hot as always')
  await page.reload()
  await expect(app.journal).toContainText('Is the display, or its lamp, alive?')
  await expect(app.journal).toContainText('Do the radiators get hot?')
  await context.close()
})

test('of two tabs one sends what the other cannot, and both know it', async ({ app, page, context }) => {
  await app.openCase('noHotWater')
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  const other = await context.newPage()
  await other.goto(app.address('/library'))
  await expect(other.getByRole('heading', { name: 'Library' })).toBeVisible()
  await page.route('**/api/**', (route) => route.abort())
  await app.answer('Do the radiators get hot?', 'hot as always')
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  const id = /case\/([0-9a-f-]{36})/.exec(page.url())![1]!
  const { entries } = (await (await page.request.get(app.address(`/api/cases/${id}`))).json()) as { entries: unknown[] }
  expect(entries).toHaveLength(2)
})

test('a double click on an answer writes it once', async ({ app, page }) => {
  await app.openCase('noHotWater')
  await app.choose('Do the radiators get hot?')
  await page.locator('.pad').getByRole('button', { name: 'hot as always' }).dblclick()
  await expect(app.journal.getByText('Do the radiators get hot?')).toHaveCount(1)
  await expect(app.journal.getByRole('listitem')).toHaveCount(2)
})

test('the second press of a double one writes nothing, though a busy page comes to it when another check stands there', async ({ app, page }) => {
  await app.openCase('noHotWater')
  await app.choose('Do the radiators get hot?')
  const press = async (clickCount: number) => {
    const { x, y } = (await page.locator('.pad').getByRole('button').first().boundingBox())!
    await page.mouse.move(x + 9, y + 9)
    await page.mouse.down({ clickCount })
    await page.mouse.up({ clickCount })
  }
  await press(1)
  await expect(app.nextTitle).not.toHaveText('Do the radiators get hot?')
  await app.atRest()
  await page.evaluate(() => {
    const until = performance.now() + 600
    while (performance.now() < until);
  })
  await press(2)
  await app.answer('What comes from the hot taps?', 'cold only')
  await expect(app.journal.getByRole('listitem')).toHaveCount(3)
})

test('readings in another unit are taken as they are; impossible ones are not taken', async ({ app, page }) => {
  await app.openCase('noHeating')
  await app.choose('Gauge, cold')
  const reading = page.getByLabel('Reading', { exact: true })
  await reading.fill('17')
  await expect(page.getByText('17.0 bar cannot be')).toBeVisible()
  await expect(page.getByRole('button', { name: /^Record/ })).toBeDisabled()
  await reading.fill('abc')
  await expect(page.getByText('Type a number')).toBeVisible()
  await page.getByRole('combobox', { name: 'Unit of the reading' }).selectOption('psi')
  await reading.fill('17')
  await page.getByRole('button', { name: /^Record/ }).click()
  await expect(app.journal).toContainText('17.0 psi')
})

test('any case is found by a part of its name, street or boiler, and clearing the words shows all again', async ({ app, page }) => {
  await page.goto(app.address('/'))
  const find = page.getByRole('searchbox', { name: 'Find a case' })
  await find.fill('harbour mas')
  await expect(page.getByRole('link', { name: /Harbour Master/ }).first()).toBeVisible()
  await expect(page.getByRole('link', { name: /Net Loft/ })).toHaveCount(0)
  await find.fill('nobody lives here')
  await expect(page.getByText('No case has “nobody lives here”')).toBeVisible()
  await page.getByRole('button', { name: /^Clear/ }).click()
  await expect(page.getByRole('link', { name: /Net Loft/ }).first()).toBeVisible()
})

test('an unknown case and an unknown address say what to do', async ({ app, page }) => {
  await page.goto(app.address('/case/01934a00-0000-7000-8000-000000000000'))
  await expect(page.getByRole('alert')).toContainText('list of cases')
  await page.goto(app.address('/nowhere'))
  await page.getByRole('link', { name: 'Go to today’s calls' }).click()
  await expect(page.getByRole('heading', { name: 'Today’s calls' })).toBeVisible()
})

test('a new call without a name says so and keeps what was typed', async ({ app, page }) => {
  await page.goto(app.address('/new'))
  await page.getByLabel('Address').fill('Quay Lane')
  await page.getByRole('button', { name: 'Open the case' }).click()
  await expect(page.getByRole('alert')).toContainText('Choose what the customer complains of')
  await page.getByRole('checkbox', { name: 'No heating' }).check()
  await page.getByRole('button', { name: 'Open the case' }).click()
  await expect(page.getByText('give the customer or the place a name')).toBeVisible()
  await expect(page.getByLabel('Address')).toHaveValue('Quay Lane')
})

test('the phases stay under the finger while an entry is being sent', async ({ app, page }) => {
  await app.takeCall('No hot water')
  const link = page.getByRole('link', { name: 'Trace', exact: true })
  await expect(page.getByRole('status').filter({ hasText: 'waiting to send' })).toHaveCount(0)
  const before = await link.boundingBox()
  await page.route('**/api/**', (route) => (route.request().method() === 'GET' ? route.continue() : route.abort()))
  await app.trace()
  await page.locator('.pad').getByRole('button').first().click()
  await expect(page.getByRole('status').filter({ hasText: 'waiting to send' })).toBeVisible()
  expect(await link.boundingBox()).toEqual(before)
})
