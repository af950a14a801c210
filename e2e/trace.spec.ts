import { barriers, expect, knownAs, test } from './app.ts'

test('a check is found by what the trade calls it, or led to by step and by part', async ({ app, page }) => {
  await app.openCase('noHotWater')
  await app.atRest()
  await page.getByRole('button', { name: 'Any check…' }).click()
  await page.getByLabel('Find a check').fill('blower hum')
  const found = page.getByRole('list', { name: 'Checks found' })
  await expect(found.getByRole('listitem').first()).toContainText('Fan hums but does not blow')
  await page.getByLabel('Find a check').fill('')
  // by step, in the order of the sequence
  await page.locator('summary', { hasText: 'Fan and air' }).click()
  await expect(page.locator('details[open] .choices').getByRole('listitem').first()).toBeVisible()
  await page.getByRole('button', { name: 'By part' }).click()
  await page
    .locator('summary', { hasText: /^Flow turbine/ })
    .first()
    .click()
  expect(await barriers(page)).toEqual([])
  await page.locator('details[open] .choices').getByRole('button').first().click()
  await expect(page.getByLabel('Find a check')).toHaveCount(0)
})

test('a code looked up says what it means, where the sequence stops and what is proved, and is recorded', async ({ app, page }) => {
  await app.openCase('locksOut')
  await app.atRest()
  await page.getByRole('button', { name: 'Look up a code' }).click()
  const codes = page.getByRole('region', { name: 'Look up a code or status' })
  await codes.getByLabel('As the display shows it').fill('b1')
  await expect(codes.getByRole('listitem')).toHaveCount(1)
  await expect(codes).toContainText('no flame within the safety time')
  await expect(codes).toContainText(/stops at Spark, gas, flame; behind it, and so proved: .*Fan and air/)
  expect(await barriers(page)).toEqual([])
  await codes.getByRole('button', { name: 'Record stop B1' }).click()
  await expect(app.journal).toContainText('stop B1 · no flame within the safety time')
  await page.getByRole('button', { name: 'Look up a code' }).click()
  await codes.getByLabel('As the display shows it').fill('99')
  await expect(codes).toContainText('no such code')
})

test('after a repair the strip is about what still stands; how it was found is folded behind it', async ({ app, page }) => {
  await app.openCase('noHotWater', { phase: 'repair', found: ['fan.seized'] })
  await app.repair(/^Record as done: /)
  const strip = page.getByRole('region', { name: 'What still stands' })
  await expect(strip.locator('.standing')).toContainText('Nothing more wrong')
  await expect(strip).not.toContainText('Look-alikes')
  await expect(app.suspects.getByRole('listitem').first()).toBeHidden()
  await strip.getByText('As it was found').click()
  await expect(app.suspects.getByRole('listitem').first()).toContainText('Fan seized')
})

test('what a colleague writes is there without a reload', async ({ app, page, browser }) => {
  await app.openCase('noHotWater')
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  const theirs = await (await knownAs('Bo Larkspur', await browser.newContext())).newPage()
  await theirs.goto(page.url())
  await theirs.getByRole('button', { name: 'Log a defect' }).click()
  await theirs.getByLabel('What is wrong, by part or in words').fill('Drips at the left corner')
  await theirs
    .getByRole('form')
    .getByRole('button', { name: /^Record/ })
    .click()
  await expect(app.journal).toContainText('Drips at the left corner')
  await theirs.context().close()
})

test('the keyboard gets past the bar with one key', async ({ app, page }) => {
  await app.openCase('noHotWater')
  await app.atRest()
  await page.keyboard.press('Tab')
  await expect(page.getByRole('link', { name: 'Skip to the work' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(app.nextTitle).toBeFocused()
})
