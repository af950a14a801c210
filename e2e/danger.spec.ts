import { expect, test } from './app.ts'

test('what may be danger is asked about, in the call and in the case, until somebody answers', async ({ app, page }) => {
  await page.goto(app.address('/new'))
  await page.getByLabel('Customer or place').fill(`Ropewalk ${Date.now()}`)
  await page.getByLabel('In the customer’s words').fill('No hot water. There is a funny smell by the boiler')
  await expect(page.getByRole('alert')).toContainText('Is there a smell of gas now?')
  await page.getByRole('checkbox', { name: 'No hot water', exact: true }).check()
  await page.getByRole('button', { name: 'Open the case' }).click()
  const questions = page.getByRole('region', { name: 'Danger first' })
  await expect(questions).toContainText('Is there a smell of gas now?')
  await expect(questions).toContainText('there is a funny smell by the boiler')
  // asked on every page of the case, after a reload too
  await app.trace()
  await page.reload()
  await expect(questions).toContainText('Is there a smell of gas now?')
  await questions.getByRole('button', { name: 'No, asked and ruled out' }).click()
  await expect(questions).toHaveCount(0)
  await expect(app.journal).toContainText('Danger asked about and ruled out')
})

test('yes to it stops the case, and says why', async ({ app, page }) => {
  await app.openCase('noHotWater')
  await app.choose('Bubbles at a gas joint')
  await page.locator('.pad').getByRole('button', { name: 'yes' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Smell of gas' })).toBeVisible()
  await expect(page.getByText('Bubbles at a gas joint: yes')).toBeVisible()
  await expect(app.suspects).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('heading', { level: 1, name: 'Smell of gas' })).toBeVisible()
  await page.getByLabel('Made safe').fill('Gas off at the meter, union remade, tight')
  await page.getByRole('button', { name: 'Record as made safe' }).click()
  await expect(app.nextTitle).toBeVisible()
})
