import { barriers, expect, test } from './app.ts'

test('look: the most telling place is offered, each outcome says what it would do, and what was seen changes the picture', async ({ app, page }) => {
  await app.openCase('topUps', { phase: 'look' })
  const panel = page.locator('section.panel')
  await expect(panel).toContainText('Most informative place')
  const picture = page.getByRole('group', { name: 'The appliance, with places to look at' })
  await picture.getByRole('button', { name: /Relief pipe, outside: not looked at/ }).click()
  await expect(panel.getByRole('heading', { level: 1 })).toContainText('Relief pipe, outside')
  await panel.getByRole('button', { name: 'Relief valve’s discharge pipe, to its end' }).click()
  await expect(panel.getByRole('heading', { level: 2 })).toHaveText('Relief valve’s discharge pipe, to its end')
  const outcome = panel.locator('.outcomes').getByRole('button').first()
  await expect(outcome.getByRole('img')).toHaveAttribute('aria-label', /%/)
  // pointing at it says what each suspect would become, before it is pressed
  await outcome.focus()
  await expect(page.getByRole('region', { name: 'Suspects' })).toContainText('if you see that')
  await expect(page.getByRole('region', { name: 'Suspects' })).toContainText(/rises to|falls to|stays/)
  expect(await barriers(page)).toEqual([])
  await outcome.click()
  await expect(picture.getByRole('button', { name: /Relief pipe, outside: looked, fine/ })).toBeVisible()
  await expect(page.getByText('1 of 15 looked at')).toBeVisible()
  await expect(panel.getByRole('region', { name: 'Seen last' })).toContainText('open, ends safely in sight')

  // a number goes by the pad; what is not as it should be is told by another shape
  await picture.getByRole('button', { name: /Pressure gauge/ }).click()
  await panel
    .getByRole('button', { name: 'Gauge, cold' })
    .or(panel.getByRole('heading', { name: 'Gauge, cold' }))
    .first()
    .click()
  await panel.getByLabel('Reading', { exact: true }).fill('0.4')
  await panel.getByRole('button', { name: /^Record 0.40 bar/ }).click()
  await expect(picture.getByRole('button', { name: /Pressure gauge: looked, something there/ })).toBeVisible()
  await page.reload()
  await expect(picture.getByRole('button', { name: /Pressure gauge: looked, something there/ })).toBeVisible()
  await page.emulateMedia({ colorScheme: 'dark' })
  await expect(page.locator('.v-application.v-theme--dark')).toBeVisible()
  expect(await barriers(page, 'color-contrast')).toEqual([])
})

test('look by keyboard: a number answers, undo takes it back, what cannot be got at is put aside', async ({ app, page }) => {
  await app.openCase('noHotWater', { phase: 'look' })
  const panel = page.locator('section.panel')
  const title = panel.getByRole('heading', { level: 2 })
  await page.getByRole('button', { name: /Gas cock/ }).press('Enter')
  await expect(title).toHaveText('Gas cock under the boiler')
  await expect(panel.locator('.outcomes img, .outcomes [role=img]').first()).toBeVisible()
  await page.keyboard.press('1')
  await expect(page.getByRole('button', { name: /Gas cock: looked, fine/ })).toBeVisible()
  await panel.getByRole('button', { name: 'Undo' }).press('Enter')
  await expect(page.getByRole('button', { name: /Gas cock: not looked at/ })).toBeVisible()
  await page.keyboard.press('n')
  await expect(panel).toContainText('Most informative place')
  const offered = await title.textContent()
  await panel.getByRole('button', { name: 'Cannot get to it' }).press('Enter')
  await expect(title).not.toHaveText(offered!)
})

test('every kind of boiler has its own picture: what it lacks is not there to be looked at', async ({ app, page }) => {
  for (const [system, has, lacks] of [
    ['electric-flow', /Cylinder/, /Gas cock/],
    ['premix-combi', /Condensate/, /Tundish/],
    ['system-boiler', /Tundish/, /Gas regulator/],
    ['zone-24v', /Motorised valves/, /Programmer/],
    ['regular-pilot', /Cylinder/, /Condensate/],
  ] as const) {
    await app.openCase('noHeating', { phase: 'look', system })
    await expect(page.getByRole('button', { name: has }).first()).toBeVisible()
    await expect(page.getByRole('group', { name: 'The appliance, with places to look at' }).getByRole('button', { name: lacks })).toHaveCount(0)
  }
})
