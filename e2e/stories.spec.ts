import { expect, test } from './app.ts'

test('a story is walked entry by entry: suspects move, and what an engineer would insist on holds', async ({ app, page }) => {
  await page.goto(app.address('/library'))
  await page.getByRole('link', { name: /^Call-outs to walk through/ }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Stories' })).toBeVisible()
  await page.getByRole('link', { name: 'The display shows far more than the pipe has' }).click()
  const walk = page.getByRole('region', { name: 'The display shows far more than the pipe has' })
  await expect(walk).toContainText('Somebody has already ordered a plate.')
  await expect(walk.getByRole('status')).toHaveText('entry 1 of 4')
  const suspects = walk.getByRole('region', { name: 'Suspects' })
  await expect(suspects.getByRole('listitem').first()).toContainText('%')
  await walk.getByRole('button', { name: 'Next entry' }).click()
  await page.keyboard.press('ArrowRight')
  await expect(walk.getByRole('status')).toHaveText('entry 3 of 4')
  await expect(suspects.getByRole('listitem').first()).toContainText('Flow thermistor reads high')
  await expect(walk.getByLabel('does not hold')).toHaveCount(0)
  await expect(walk.getByLabel('holds', { exact: true })).toHaveCount(1)

  // the place in the story is in its address: a reload keeps it
  await page.reload()
  await expect(walk.getByRole('status')).toHaveText('entry 3 of 4')
  await expect(suspects.getByRole('listitem').first()).toContainText('Flow thermistor reads high')
  await walk.getByRole('button', { name: 'Back' }).click()
  await expect(walk.getByRole('status')).toHaveText('entry 2 of 4')
})

test('the story opened stands in sight in the list, and its steps below the bar however far one reads', async ({ app, page }) => {
  await page.setViewportSize({ width: 1280, height: 500 })
  await page.goto(app.address('/library/stories/four-findings-in-one-old-case?entry=9'))
  await expect(page.getByRole('navigation', { name: 'Stories' }).getByRole('link', { name: 'Four findings in one old case' })).toBeInViewport()
  const steps = page.getByRole('button', { name: 'Next entry' })
  await expect(page.getByRole('region', { name: 'Suspects' }).getByRole('listitem').first()).toContainText('%')
  await page.mouse.move(900, 400)
  await page.mouse.wheel(0, 2000)
  await expect.poll(() => page.evaluate<number>('scrollY')).toBeGreaterThan(0)
  const bar = await page.getByRole('banner').boundingBox()
  await expect.poll(async () => (await steps.boundingBox())!.y).toBeGreaterThanOrEqual(bar!.height)
})

test('danger stops a story as it stops a case; an address that is no story says so', async ({ app, page }) => {
  await page.goto(app.address('/library/stories/products-in-the-air?entry=2'))
  await expect(page.getByRole('alert').filter({ hasText: 'Danger stops the case.' })).toBeVisible()
  await page.goto(app.address('/library/stories/of-no-such-name'))
  await expect(page.getByRole('heading', { name: 'No such story' })).toBeVisible()
  await page.goto(app.address('/library/stories/products-in-the-air?entry=banana'))
  await expect(page.getByRole('status').filter({ hasText: 'entry 1 of' })).toBeVisible()
})
