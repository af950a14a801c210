import type { Browser, Page } from '@playwright/test'
import { App, barriers, expect, knownAs, test } from './app.ts'
import { firmServer } from './servers.ts'

const writing = (page: Page, name: string) => page.getByRole('button', { name: `Writing as ${name}: change` })
async function stranger(browser: Browser): Promise<App> {
  return new App(await (await browser.newContext()).newPage())
}
const phrase = 'copper kettle harbour lantern'

test('the demo says what it is, and lets its people in with a tap; a reload and no signal keep them in', async ({ browser }) => {
  const app = await stranger(browser)
  const { page } = app
  await page.goto(app.address('/new'))
  await expect(page.getByRole('heading', { name: 'Who is it?' })).toBeVisible()
  await expect(page.getByText('This is the demo.')).toBeVisible()
  await expect(page.getByLabel('Customer or place')).toHaveCount(0)
  expect(await barriers(page)).toEqual([])
  await page.getByRole('button', { name: /^Bo Larkspur/ }).click()
  await expect(writing(page, 'Bo Larkspur')).toBeVisible()
  // where they wanted to go before they were asked
  await app.takeCall('No hot water')
  await expect(page.locator('.journal [title*="Bo Larkspur"]').first()).toBeVisible()
  await page.reload()
  await expect(writing(page, 'Bo Larkspur')).toBeVisible()
  await page.route('**/api/**', (route) => route.abort())
  await page.reload()
  await expect(writing(page, 'Bo Larkspur')).toBeVisible()
  await page.context().close()
})

const places: [path: string, heading: RegExp, who: string[]][] = [
  ['/new', /call/i, ['Tamsin Brack', 'Bo Larkspur', 'Ines Quill']],
  ['/van', /./, ['Tamsin Brack', 'Bo Larkspur', 'Ines Quill']],
  ['/firm', /^Firm settings$/, ['Tamsin Brack', 'Bo Larkspur']],
  ['/people', /^People$/, ['Tamsin Brack']],
  ['/audit', /^Who did what$/, ['Tamsin Brack']],
  ['/library', /^Library$/, ['Tamsin Brack', 'Bo Larkspur', 'Ines Quill', 'Jory Pell']],
  ['/bench', /./, ['Tamsin Brack', 'Bo Larkspur', 'Ines Quill', 'Jory Pell']],
]
for (const name of ['Tamsin Brack', 'Bo Larkspur', 'Ines Quill', 'Jory Pell'])
  test(`${name} finds what is theirs, and nothing else`, async ({ browser }) => {
    const app = await stranger(browser)
    const { page } = app
    await page.goto(app.address('/'))
    await page.getByRole('button', { name: new RegExp(`^${name}`) }).click()
    await expect(writing(page, name)).toBeVisible()
    if (name === 'Jory Pell') await expect(page.getByRole('heading', { level: 1, name: 'Library' })).toBeVisible()
    else await expect(page.getByRole('link', { name: /Net Loft/ }).first()).toBeVisible()
    for (const [path, heading, who] of places) {
      await page.goto(app.address(path))
      const title = page.getByRole('heading', { level: 1 })
      if (who.includes(name)) {
        await expect(title).toHaveText(heading)
        await expect(title).not.toHaveText(/^This is for/)
      } else await expect(title).toHaveText(/^This is for/)
    }
    // and the server says the same, whatever the page would show
    const status = async (path: string) => (await page.request.get(app.address(path))).status()
    expect([await status('/api/cases'), await status('/api/audit')]).toEqual([name === 'Jory Pell' ? 403 : 200, name === 'Tamsin Brack' ? 200 : 403])
    await page.context().close()
  })

test('a shared telephone: a PIN keeps colleagues apart, works without signal, and what each writes is theirs', async ({ app, page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await app.openCase('noHotWater')
  const caseAt = page.url()
  await page.goto(app.address('/you'))
  await page.getByLabel('PIN', { exact: true }).fill('12')
  await page.getByRole('button', { name: 'Set the PIN' }).press('Enter')
  await expect(page.getByText('A PIN has four to eight figures.')).toBeVisible()
  await page.getByLabel('PIN', { exact: true }).fill('4711')
  await page.getByRole('button', { name: 'Set the PIN' }).press('Enter')
  await expect(page.getByText(/^Set\. It is asked for/)).toBeVisible()
  await page.goto(caseAt)
  await expect(app.nextTitle).toBeVisible()
  await page.route('**/api/**', (route) => route.abort())
  await app.actAs('Bo Larkspur')
  await app.answer('Do the radiators get hot?', 'hot as always')
  await expect(page.locator('.journal [title*="Bo Larkspur"]').first()).toBeAttached()
  // back to the one with a PIN
  await writing(page, 'Bo Larkspur').press('Enter')
  const sheet = page.getByRole('dialog', { name: 'Who is writing?' })
  await sheet.getByRole('button', { name: /^Ines Quill/ }).press('Enter')
  const pin = sheet.getByLabel('PIN of Ines Quill')
  await pin.fill('0000')
  await pin.press('Enter')
  await expect(sheet.getByText('That is not it.')).toBeVisible()
  await pin.fill('4711')
  await pin.press('Enter')
  await expect(writing(page, 'Ines Quill')).toBeVisible()
  await page.unroute('**/api/**')
  await page.reload()
  const id = /case\/([0-9a-f-]{36})/.exec(caseAt)![1]!
  const readers = async () => {
    const { entries } = (await (await page.request.get(app.address(`/api/cases/${id}`))).json()) as { entries: { authorName: string; type: string }[] }
    return entries.filter((one) => one.type === 'reading').map((one) => one.authorName)
  }
  await expect.poll(readers).toEqual(['Bo Larkspur'])
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  // and covers the screen when somebody says so, with what lies behind it out of reach
  await writing(page, 'Ines Quill').press('Enter')
  await page.getByRole('button', { name: 'Lock now' }).press('Enter')
  await expect(page.getByRole('dialog', { name: 'Who is it?' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog', { name: 'Who is it?' })).toBeVisible()
  await expect(app.nextTitle).toBeHidden()
  expect(await barriers(page)).toEqual([])
  await page.getByLabel('PIN of Ines Quill').fill('4711')
  await page.getByRole('button', { name: 'Go on' }).press('Enter')
  await expect(app.nextTitle).toBeVisible()
})

test('a device taken away is signed out from afar: it hands in what it had not sent, and keeps nothing', async ({ browser }) => {
  const app = await stranger(browser)
  const { page } = app
  await page.goto(app.address('/'))
  await page.getByRole('button', { name: /^Wren Tallow/ }).click()
  await expect(writing(page, 'Wren Tallow')).toBeVisible()
  const place = await app.takeCall('No hot water')
  await expect(page.getByText('waiting to send')).toHaveCount(0)
  const id = /case\/([0-9a-f-]{36})/.exec(page.url())![1]!
  await app.trace()
  await page.route('**/api/**', (route) => route.abort())
  await app.answer('Do the radiators get hot?', 'hot as always')
  await expect(page.getByText('1 entry waiting to send')).toBeVisible()

  const owner = new App(await (await knownAs('Tamsin Brack', await browser.newContext())).newPage())
  await owner.page.goto(owner.address('/you'))
  const theirs = owner.page.getByRole('listitem').filter({ hasText: 'Wren Tallow' }).first()
  await theirs.getByRole('button', { name: /^Sign out/ }).press('Enter')
  await owner.page.getByRole('button', { name: 'Sign out and empty it' }).press('Enter')
  await expect(
    owner.page.getByRole('listitem').filter({ hasText: 'Wren Tallow' }).filter({ hasText: 'signed out; empties itself when it next has signal' }).first(),
  ).toBeVisible()

  await page.unroute('**/api/**')
  await page.reload()
  await expect(page.getByText('The firm signed this device out.')).toBeVisible()
  await expect(page.getByText('One entry it had not sent was handed to the owner.')).toBeVisible()
  expect(await page.evaluate(keptHere)).toEqual({ cases: 0, unsent: 0, answers: 0, pictures: 0 })
  // and is a device like any other: somebody can sign in on it again
  await expect(page.getByRole('button', { name: /^Wren Tallow/ })).toBeVisible()
  await page.goto(app.address(`/case/${id}/trace`))
  await expect(page.getByRole('heading', { name: 'Who is it?' })).toBeVisible()
  await expect(page.getByText(place)).toHaveCount(0)

  await owner.page.reload()
  await expect(owner.page.getByText(/emptied itself/).first()).toBeVisible()
  const handed = owner.page.getByRole('listitem').filter({ has: owner.page.getByRole('button', { name: 'Put in' }) })
  await expect(handed).toContainText('1 entry')
  await handed.getByRole('button', { name: 'Put in' }).press('Enter')
  await expect(owner.page.getByText('1 put in.')).toBeVisible()
  await owner.page.goto(owner.address(`/case/${id}/trace`))
  await expect(owner.journal).toContainText('Do the radiators get hot?')
  await expect(owner.page.locator('.journal [title*="Wren Tallow"]').first()).toBeAttached()
  await owner.page.context().close()
  await page.context().close()
})

/** How much this browser keeps of what is the firm’s. */
const keptHere = `new Promise((done, fail) => {
  const opening = indexedDB.open('dewpoint')
  opening.onerror = () => fail(opening.error)
  opening.onsuccess = () => {
    const names = ['cases', 'unsent', 'answers', 'pictures']
    const tx = opening.result.transaction(names)
    const found = {}
    for (const name of names) tx.objectStore(name).count().onsuccess = (event) => (found[name] = event.target.result)
    tx.oncomplete = () => (opening.result.close(), done(found))
  }
})`

test('a firm of its own: the owner begins with the code of the terminal, gives codes, and nobody else comes in', async ({ browser }) => {
  const firm = await firmServer()
  const open = async () => {
    const page = await (await browser.newContext()).newPage()
    await page.goto(firm.address)
    return page
  }
  try {
    const owner = await open()
    await expect(owner.getByRole('heading', { name: 'Welcome to Dewpoint' })).toBeVisible()
    await expect(owner.getByText('This is the demo')).toHaveCount(0)
    await owner.getByLabel('Code').fill('AAAA-BBBB-CCCC-DDDD')
    await owner.getByLabel('Your name').fill('Greta Sallow')
    await owner.getByLabel('Choose a pass phrase').fill('short')
    await owner.getByRole('button', { name: 'Begin as the owner' }).press('Enter')
    await expect(owner.getByText('At least 12 characters').first()).toBeVisible()
    await owner.getByLabel('Choose a pass phrase').fill(phrase)
    await owner.getByRole('button', { name: 'Begin as the owner' }).press('Enter')
    await expect(owner.getByText('This code is not good')).toBeVisible()
    await owner.getByLabel('Code').fill(firm.code)
    await owner.getByRole('button', { name: 'Begin as the owner' }).press('Enter')
    await expect(writing(owner, 'Greta Sallow')).toBeVisible()

    await owner.goto(`${firm.address}/people`)
    await owner.getByLabel('Name', { exact: true }).fill('Pim Rusk')
    await owner.getByRole('button', { name: 'Add, and give a code' }).press('Enter')
    const given = owner.getByRole('dialog', { name: 'Code for Pim Rusk' })
    const code = (await given.locator('.code').textContent())!.trim()
    await given.getByRole('button', { name: 'Done' }).press('Enter')
    await expect(owner.getByRole('list', { name: 'People of the firm' })).toContainText('no pass phrase yet')

    const engineer = await open()
    await engineer.getByRole('button', { name: 'I have a code' }).press('Enter')
    await engineer.getByLabel('Code').fill(code)
    await engineer.getByLabel('Choose a pass phrase').fill('pim rusk pim rusk')
    await engineer.getByRole('button', { name: 'Sign in' }).press('Enter')
    await expect(engineer.getByText(/guessed too easily/)).toBeVisible()
    await engineer.getByLabel('Choose a pass phrase').fill(phrase)
    await engineer.getByRole('button', { name: 'Sign in' }).press('Enter')
    await expect(writing(engineer, 'Pim Rusk')).toBeVisible()

    // out, and in again by name; with the wrong words nobody is told which was wrong
    await engineer.goto(`${firm.address}/you`)
    await engineer.getByRole('button', { name: 'Sign out on this device' }).press('Enter')
    await engineer.getByRole('dialog').getByRole('button', { name: 'Sign out', exact: true }).press('Enter')
    await expect(engineer.getByRole('heading', { name: 'Who is it?' })).toBeVisible()
    await engineer.getByLabel('Your name').fill('Pim Rusk')
    await engineer.getByLabel('Pass phrase', { exact: true }).fill('another phrase altogether')
    await engineer.getByRole('button', { name: 'Sign in' }).press('Enter')
    await expect(engineer.getByText('Name and pass phrase do not belong together')).toBeVisible()
    await engineer.getByLabel('Pass phrase', { exact: true }).fill(phrase)
    await engineer.getByRole('button', { name: 'Sign in' }).press('Enter')
    await expect(writing(engineer, 'Pim Rusk')).toBeVisible()

    // the owner sees who came, and who tried
    await owner.goto(`${firm.address}/audit`)
    await expect(owner.getByText(/Nobody signed in not let in/)).toBeVisible()
    // somebody who has left is out at once; what is typed then stays on the device until they sign in again
    await owner.goto(`${firm.address}/people`)
    await owner.getByRole('button', { name: 'Pim Rusk has left' }).press('Enter')
    await expect(owner.getByText('One has left')).toBeVisible()
    await engineer.reload()
    await expect(engineer.getByText('Sign in again.')).toBeVisible()
    for (const one of [owner, engineer]) await one.context().close()
  } finally {
    await firm.stop()
  }
})
