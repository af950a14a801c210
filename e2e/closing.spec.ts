import { expect, test } from './app.ts'

const leak = ['diverter.spindleLeaking', 'diverterMotor.wet', 'board.fuseBlown']

test('one plan for a leak and what it ruined: its order, its ways, and each job written down', async ({ app, page }) => {
  await app.openCase('noHotWater', { phase: 'repair', found: leak })
  await expect(page.getByRole('heading', { name: 'The plan' })).toBeVisible()
  const jobs = page.locator('ol.jobs > li')
  await expect(jobs.locator('h3')).toHaveText([/diverter cartridge/, /Prove the cable/, /diverter motor/, /fuse of the right rating/])
  await expect(jobs.first()).toContainText('the cause')
  const figures = page.locator('.figures')
  const usual = await figures.textContent()
  await page.getByRole('button', { name: /^Least today/ }).click()
  await expect(jobs.locator('h3')).toHaveCount(3)
  await expect(figures).not.toHaveText(usual!)
  await page.getByText('Why it may come back').click()
  await expect(page.getByText(/Left out: prove the cable|Dry out and refit the motor: does not always hold/).first()).toBeVisible()
  await page.getByRole('button', { name: /^Most lasting/ }).click()
  await expect(jobs.locator('h3').first()).toHaveText(/new diverter valve/)
  await page.getByRole('button', { name: /^Least in the end/ }).click()
  await app.repair(/^Record as done: fit a new diverter cartridge/)
  // what is left is the plan now
  await expect(jobs.locator('h3').first()).toHaveText(/diverter motor/)
})

test('what must stand in the record: by word, by figure, left out with a reason, advised and declined, a day set', async ({ app, page }) => {
  await app.openCase('topUps', { phase: 'repair', found: ['vessel.lostCharge'] })
  await app.repair(/^Record as done: recharge the vessel/)
  const row = (label: string | RegExp) => page.locator('.record li').filter({ has: page.getByRole('heading', { name: label }) })
  await expect(row('Vessel’s air valve tested with leak fluid')).toBeVisible()

  // a reason is asked for, and stays until it is given
  await row(/^No drips/)
    .getByRole('button', { name: 'Not done…' })
    .click()
  await row(/^No drips/)
    .getByRole('button', { name: 'Leave it out' })
    .click()
  await expect(row(/^No drips/)).toContainText('Give the reason in a few words.')
  await row(/^No drips/)
    .getByLabel('Why it was not done')
    .fill('tenant had to leave')
  await row(/^No drips/)
    .getByRole('button', { name: 'Leave it out' })
    .click()
  await expect(row(/^No drips/)).toContainText('not done: tenant had to leave')

  // a figure that no sound system shows is not right
  await row('Pressure set, cold').getByRole('button', { name: 'too low' }).click()
  await expect(row('Pressure set, cold')).toContainText('too low')
  await expect(row('Pressure set, cold').locator('.ring')).toBeVisible()
  await row('Pressure set, cold').getByRole('button', { name: 'as it should be' }).click()
  await expect(row('Pressure set, cold').locator('.ring')).toHaveCount(0)

  // by figure: on the pad, and back
  await row('Vessel charge left').getByRole('button', { name: 'Note the figure' }).click()
  await expect(app.nextTitle).toContainText('Vessel charge')
  await app.atRest()
  await page.getByLabel('Reading', { exact: true }).fill('1')
  await page.getByRole('button', { name: /^Record/ }).click()
  await expect(app.journal).toContainText('Vessel charge')
  await page.getByRole('link', { name: 'Repair' }).press('Enter')
  await expect(row('Vessel charge left')).toContainText('1')

  await row('A day set to look again').getByLabel('Come back and look again').fill('2027-01-12')
  await row('A day set to look again').getByRole('button', { name: 'Set the day' }).click()
  await expect(row('A day set to look again')).toContainText('12 Jan')

  await page.getByLabel('Anything else advised').fill('Have a system filter fitted')
  await page.getByRole('button', { name: 'Advised, declined' }).click()
  await expect(app.journal).toContainText('Have a system filter fitted')
  await expect(page.getByRole('button', { name: 'Close the case' })).toHaveCount(0)
})

test('a flue that is not right stops the case before it can be left', async ({ app, page }) => {
  await app.openCase('locksOut', { phase: 'repair', found: ['fan.seized'] })
  await app.repair(/^Record as done: fit a new fan/)
  const flue = page.locator('.record li').filter({ has: page.getByRole('heading', { name: /^Flue whole/ }) })
  await expect(flue.getByRole('button', { name: 'Not done…' })).toHaveCount(0)
  await flue.getByRole('button', { name: 'Not right' }).click()
  await expect(page.getByRole('alert')).toContainText('Products of combustion')
  await expect(page.getByRole('button', { name: 'Close the case' })).toHaveCount(0)
})

test('a double press answers one row of the record, not the one that moves under it', async ({ app, page }) => {
  await app.openCase('locksOut', { phase: 'repair', found: ['fan.seized'] })
  await app.repair(/^Record as done: fit a new fan/)
  const open = page.locator('.record li').filter({ has: page.locator('.ring') })
  await expect(open.first()).toBeVisible()
  const many = await open.count()
  await open.first().getByRole('button', { name: 'as it should be' }).dblclick()
  await expect(open).toHaveCount(many - 1)
  await expect(page.locator('[aria-busy="true"]')).toHaveCount(0)
  await expect(open).toHaveCount(many - 1)
})
