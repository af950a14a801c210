import { expect, test } from './app.ts'

test.describe.configure({ mode: 'parallel' })

test('a look that several faults answer alike asks which; each open end is a suspect together with the other, after a reload too', async ({ app, page }) => {
  await app.openCase('noHeating', { system: 'premix-combi', controls: 'combi-mains' })
  await app.answer('Loose or unconnected wire', 'yes')
  const which = page.getByRole('form', { name: 'Which is it?' })
  await which.getByRole('button', { name: /timer heating on .* never connected/ }).click()
  await which.getByRole('button', { name: /room thermostat call .* never connected/ }).click()
  await which.getByRole('button', { name: 'Record 2 defects' }).click()
  await expect(which).toHaveCount(0)
  await expect(app.journal.getByText(/never connected/)).toHaveCount(2)
  await expect(app.suspects.getByRole('listitem').first()).toContainText(/never connected \+ .*never connected/)
  await page.reload()
  await expect(app.journal.getByText(/never connected/)).toHaveCount(2)
  await expect(which).toHaveCount(0)
})

test('where it cannot be told which, the question goes and the answer stays', async ({ app, page }) => {
  await app.openCase('noHeating', { system: 'premix-combi', controls: 'combi-mains' })
  await app.answer('Loose or unconnected wire', 'yes')
  const which = page.getByRole('form', { name: 'Which is it?' })
  await which.getByRole('button', { name: 'Cannot be told' }).click()
  await expect(which).toHaveCount(0)
  await expect(app.journal).toContainText('Loose or unconnected wire')
})

test('a defect seen by eye is found by its words, said to be by the way, and convicts; what is on no list is kept as written', async ({ app, page }) => {
  await app.openCase('noHotWater')
  await page.keyboard.press('s')
  const seen = page.getByRole('form', { name: 'Defect seen' })
  await expect(seen.getByLabel('What is wrong, by part or in words')).toBeFocused()
  await page.keyboard.type('spindle leak')
  await seen.getByRole('button', { name: 'Diverter spindle leaking' }).click()
  await seen.getByRole('button', { name: 'By the way' }).click()
  await seen.getByRole('button', { name: 'Record the defect' }).click()
  await expect(app.journal).toContainText('Diverter spindle leaking')
  await app.atRest()
  await expect(app.suspects.getByRole('listitem').first()).toContainText('Diverter spindle leaking')

  await page.getByRole('button', { name: 'Log a defect' }).click()
  await expect(seen.getByRole('button', { name: 'Diverter spindle leaking' })).toHaveCount(0)
  await seen.getByLabel('What is wrong, by part or in words').fill('label on the case torn off')
  await seen.getByRole('button', { name: 'Record it in these words' }).click()
  await expect(app.journal).toContainText('label on the case torn off')
})

test('a gas pipe found not tight stops the case', async ({ app, page }) => {
  await app.openCase('noHeating')
  await page.getByRole('button', { name: 'Log a defect' }).click()
  const seen = page.getByRole('form', { name: 'Defect seen' })
  await seen.getByLabel('What is wrong, by part or in words').fill('gas pipe')
  await seen.getByRole('button', { name: 'Gas pipe leaking' }).click()
  await seen.getByRole('button', { name: 'Record the defect' }).click()
  await expect(page.getByText('Smell of gas').first()).toBeVisible()
  await expect(page.locator('section.next')).toHaveCount(0)
})
