import type { Page } from '@playwright/test'
import { barriers, expect, test, type App } from './app.ts'

test.describe.configure({ mode: 'parallel' })

const caseOf = async (app: App, page: Page, place: string) => {
  const { cases } = (await (await page.request.get(app.address(`/api/cases?search=${encodeURIComponent(place)}`))).json()) as {
    cases: { id: string; site: { name: string } }[]
  }
  return cases.find((one) => one.site.name === place)!.id
}

for (const { on, viewport } of [
  { on: 'a desk', viewport: { width: 1280, height: 800 } },
  { on: 'a telephone', viewport: { width: 390, height: 844 } },
])
  test.describe(`on ${on}`, () => {
    test.use({ viewport })

    test('every view is free of accessibility faults in the light theme, and its colours in the dark one (axe)', async ({ app, page }) => {
      // over twenty views, each looked through as a whole
      test.setTimeout(600_000)
      await page.goto(app.address('/library'))
      await app.actAs('Tamsin Brack')
      const netLoft = await caseOf(app, page, 'Net Loft 3')
      const bakery = await caseOf(app, page, 'Harbour Bakery')
      const harbourMaster = await caseOf(app, page, 'Harbour Master’s House')
      const herring = await caseOf(app, page, 'Herring Court 2')
      const boiler = ((await (await page.request.get(app.address(`/api/cases/${herring}`))).json()) as { appliance: { id: string } }).appliance.id
      const views: Record<string, () => Promise<unknown>> = {
        '/': () => expect(page.getByRole('link', { name: /Net Loft/ }).first()).toBeVisible(),
        '/new': () => expect(page.getByRole('button', { name: 'Open the case' })).toBeVisible(),
        '/nowhere': () => expect(page.locator('h1').first()).toBeVisible(),
        [`/case/${netLoft}/call`]: () => thought(page),
        [`/case/${netLoft}/look`]: () => expect(page.getByRole('button', { name: /^1 / }).first()).toBeVisible(),
        [`/case/${netLoft}/trace`]: () => thought(page),
        [`/case/${netLoft}/repair`]: () => thought(page),
        [`/case/${bakery}/repair`]: () => thought(page),
        [`/case/${bakery}/prove`]: () => expect(page.getByRole('heading', { name: /close/i, level: 2 })).toBeVisible(),
        [`/case/${harbourMaster}/wiring`]: () => expect(page.getByRole('button', { name: /^Terminal 1,/ })).toBeVisible(),
        [`/case/${herring}/report`]: () => expect(page.getByRole('article')).toBeVisible(),
        [`/boiler/${boiler}`]: () => expect(page.getByRole('heading', { name: 'Herring Court 2' })).toBeVisible(),
        '/bench/wiring': () => expect(page.getByRole('button', { name: /^Terminal 1,/ })).toBeVisible(),
        '/you': () => expect(page.getByRole('button', { name: /^Sign out Browser/ }).first()).toBeVisible(),
        '/people': () => expect(page.getByRole('button', { name: 'New code for Ines Quill' })).toBeVisible(),
        '/audit': () => expect(page.getByText('the list of cases').first()).toBeVisible(),
        '/van': () => expect(page.locator('h1').first()).toBeVisible(),
        '/firm': () => expect(page.getByLabel('An hour on site')).not.toHaveValue(''),
        '/library': () => expect(page.locator('h1').first()).toBeVisible(),
        '/library/stories': () => expect(page.locator('h1').first()).toBeVisible(),
        '/library/premix-combi': () => expect(page.getByRole('heading', { name: 'What happened' })).toBeVisible(),
      }
      for (const [path, there] of Object.entries(views)) {
        await page.emulateMedia({ colorScheme: 'light' })
        await page.goto(app.address(path))
        await there()
        expect([path, await barriers(page)]).toEqual([path, []])
        await page.emulateMedia({ colorScheme: 'dark' })
        await expect(page.locator('.v-application.v-theme--dark')).toBeVisible()
        expect([path, 'dark', await barriers(page, 'color-contrast')]).toEqual([path, 'dark', []])
      }
    })
  })

const thought = (page: Page) => expect(page.locator('section.suspects').first()).toHaveAttribute('aria-busy', 'false')
