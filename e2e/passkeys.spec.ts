import type { Page } from '@playwright/test'
import { barriers, expect, test } from './app.ts'
import { firmServer } from './servers.ts'

const phrase = 'copper kettle harbour lantern'
const writing = (page: Page) => page.getByRole('button', { name: 'Writing as Greta Sallow: change' })

/** A telephone that has a finger put on it whenever it asks. Source: W3C, "Web Authentication: Level 3", 11, the virtual authenticator. */
async function fingerOn(page: Page) {
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('WebAuthn.enable')
  const { authenticatorId } = await cdp.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  })
  return { put: (there: boolean) => cdp.send('WebAuthn.setUserVerified', { authenticatorId, isUserVerified: there }) }
}

test('a passkey is made by whoever proves who they are, signs them in with a finger, and signs in nobody once it is removed', async ({ browser }) => {
  const firm = await firmServer('passkeys')
  // a number is no name: browsers make none there
  const address = firm.address.replace('127.0.0.1', 'localhost')
  const page = await (await browser.newContext()).newPage()
  try {
    await page.goto(firm.address)
    await expect(page.getByRole('heading', { name: 'Welcome to Dewpoint' })).toBeVisible()
    await page.goto(address)
    const finger = await fingerOn(page)
    await page.getByLabel('Code').fill(firm.code)
    await page.getByLabel('Your name').fill('Greta Sallow')
    await page.getByLabel('Choose a pass phrase').fill(phrase)
    await page.getByRole('button', { name: 'Begin as the owner' }).press('Enter')
    await expect(writing(page)).toBeVisible()

    await page.goto(`${address}/you`)
    const keys = page.getByRole('region', { name: 'Passkeys' })
    await keys.getByRole('button', { name: 'Make a passkey on this device' }).press('Enter')
    await expect(keys.getByRole('status')).toContainText('this device can sign you in')
    await expect(keys.getByRole('listitem')).toContainText('not used yet')
    expect(await barriers(page)).toEqual([])
    await keys.getByRole('button', { name: 'Make a passkey on this device' }).press('Enter')
    await expect(keys.getByRole('alert')).toContainText('has a passkey of yours already')

    const signOut = async () => {
      await page.getByRole('button', { name: 'Sign out on this device' }).press('Enter')
      await page.getByRole('dialog').getByRole('button', { name: 'Sign out' }).press('Enter')
      await expect(page.getByRole('heading', { name: 'Who is it?' })).toBeVisible()
    }
    const withPasskey = () => page.getByRole('button', { name: 'Sign in with a passkey' }).press('Enter')
    await signOut()
    expect(await barriers(page)).toEqual([])
    // somebody else's finger
    await finger.put(false)
    await withPasskey()
    await expect(page.getByRole('alert')).toContainText('The device did not do it')
    await finger.put(true)
    await withPasskey()
    await expect(writing(page)).toBeVisible()
    await page.goto(`${address}/you`)
    await expect(keys.getByRole('listitem')).toContainText(/used /)

    // what changes who gets in asks whether it is still them, and goes on by itself
    await firm.longAgo()
    await page.goto(`${address}/people`)
    await page.getByLabel('Name', { exact: true }).fill('Hal Reedmace')
    const add = page.getByRole('button', { name: 'Add, and give a code' })
    await add.press('Enter')
    const sheet = page.getByRole('dialog', { name: 'Is it still you, Greta Sallow?' })
    await expect(sheet.getByLabel('Your pass phrase')).toBeFocused()
    expect(await barriers(page)).toEqual([])
    await page.keyboard.press('Enter')
    await expect(sheet.getByRole('alert')).toContainText('Type your pass phrase')
    await sheet.getByLabel('Your pass phrase').fill('not the right one')
    await page.keyboard.press('Enter')
    await expect(sheet.getByRole('alert')).toContainText('Your pass phrase is another one')
    await sheet.getByRole('button', { name: 'Leave it' }).press('Enter')
    await expect(sheet).toHaveCount(0)
    await expect(page.getByRole('alert')).toContainText('Type your pass phrase once more')
    await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Hal Reedmace')
    await add.press('Enter')
    await sheet.getByRole('button', { name: 'With a passkey' }).press('Enter')
    await page.getByRole('dialog', { name: 'Code for Hal Reedmace' }).getByRole('button', { name: 'Done' }).press('Enter')
    await expect(page.getByRole('list', { name: 'People of the firm' })).toContainText('Hal Reedmace')

    // an owner can ask for more than a pass phrase
    await firm.longAgo()
    await page.goto(`${address}/you`)
    await keys.getByRole('button', { name: 'Only with a passkey' }).press('Enter')
    await sheet.getByLabel('Your pass phrase').fill(phrase)
    await page.keyboard.press('Enter')
    await expect(keys.getByRole('status')).toContainText('your pass phrase alone lets nobody in')
    await signOut()
    await page.getByLabel('Your name').fill('Greta Sallow')
    await page.getByLabel('Pass phrase', { exact: true }).fill(phrase)
    await page.getByRole('button', { name: 'Sign in', exact: true }).press('Enter')
    await expect(page.getByRole('alert')).toContainText('The pass phrase alone is not enough')
    await withPasskey()
    await expect(writing(page)).toBeVisible()
    await page.goto(`${address}/you`)
    await keys.getByRole('button', { name: /^Remove the passkey/ }).press('Enter')
    await expect(keys.getByRole('alert')).toContainText('It is your last one')
    await keys.getByRole('button', { name: 'Let the pass phrase be enough' }).press('Enter')
    await expect(keys.getByRole('status')).toContainText('lets you in again')
    await keys.getByRole('button', { name: /^Remove the passkey/ }).press('Enter')
    await expect(keys.getByRole('status')).toContainText('signs nobody in any more')
    await expect(keys.getByRole('listitem')).toHaveCount(0)
    await signOut()
    await withPasskey()
    await expect(page.getByRole('alert')).toContainText('This passkey is not known here')
    // by a number there is none to be had; on another device they are told what was changed on this one, until they say that they know
    await page.goto(firm.address)
    await page.getByLabel('Your name').fill('Greta Sallow')
    await expect(page.getByRole('button', { name: 'Sign in with a passkey' })).toHaveCount(0)
    await expect(page.getByRole('link', { name: address })).toHaveAttribute('href', address)
    expect(await barriers(page)).toEqual([])
    await page.getByLabel('Pass phrase', { exact: true }).fill(phrase)
    await page.getByRole('button', { name: 'Sign in' }).press('Enter')
    const told = page.getByText('A passkey of yours was made').first()
    await expect(told).toBeVisible()
    await expect(page.getByText('A passkey of yours was removed')).toBeVisible()
    expect(await barriers(page)).toEqual([])
    await page.getByRole('button', { name: 'I know' }).press('Enter')
    await expect(told).toHaveCount(0)
    const answered = page.waitForResponse('**/api/session/changes')
    await page.reload()
    await answered
    await expect(writing(page)).toBeVisible()
    await expect(told).toHaveCount(0)
  } finally {
    await page.context().close()
    await firm.stop()
  }
})
