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
    await keys.getByLabel('Your pass phrase').fill('not the right one')
    await keys.getByRole('button', { name: 'Make a passkey on this device' }).press('Enter')
    await expect(keys.getByRole('alert')).toContainText('Your pass phrase is another one')
    await keys.getByLabel('Your pass phrase').fill(phrase)
    await keys.getByRole('button', { name: 'Make a passkey on this device' }).press('Enter')
    await expect(keys.getByRole('status')).toContainText('this device can sign you in')
    await expect(keys.getByRole('listitem')).toContainText('not used yet')
    expect(await barriers(page)).toEqual([])
    await keys.getByLabel('Your pass phrase').fill(phrase)
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
