import { barriers, expect, test, type App } from './app.ts'

test.describe.configure({ mode: 'parallel' })

/** Takes a call for a system, says how it is wired, and stands before the map. */
async function wiredByHand(app: App, system: string, complaint: string, scheme: string): Promise<void> {
  const { page } = app
  await page.goto(app.address('/new'))
  await app.chooseBoiler(system)
  await page.getByLabel('Customer or place').fill(`Wired place ${Date.now()}`)
  await page.getByRole('checkbox', { name: complaint, exact: true }).check()
  await page.getByRole('button', { name: 'Open the case' }).click()
  await page.getByRole('link', { name: 'Wiring' }).press('Enter')
  await page.getByRole('button', { name: scheme }).click()
  await expect(page.getByRole('button', { name: /^Terminal 1,/ })).toBeVisible()
}

/** Stands before the map of a case whose wiring is known. */
async function wired(app: App, system: string, controls: string, complaint: string): Promise<void> {
  await app.openCase(complaint, { phase: 'wiring', system, controls })
  await expect(app.page.getByRole('button', { name: /^Terminal 1,/ })).toBeVisible()
}

/** Puts the red probe on a terminal by pressing it on the map, and records what is read against where the black one is. */
async function read(app: App, terminal: number, volts: string): Promise<void> {
  const { page } = app
  await page.getByRole('button', { name: new RegExp(`^Terminal ${terminal},`) }).click()
  await expect(page.getByRole('heading', { name: /^Volts/ })).toContainText(`(${terminal}) –`)
  await page.getByLabel('Reading', { exact: true }).fill(volts)
  await page.getByRole('button', { name: /^Record/ }).click()
  await expect(app.journal.getByRole('listitem').first()).toContainText(`(${terminal}) –`)
}

const demand = (page: App['page'], name: string) => page.getByRole('group', { name: 'What is asked' }).getByRole('button', { name, exact: true })

test('two 2-port valves: live on motor and permanent live, none switched: the valve and nothing else', async ({ app, page }) => {
  await wiredByHand(app, 'Condensing system boiler 24', 'No hot water from the cylinder', 'Two 2-port valves Programmer')
  await expect(page.getByText('Healthy: 230 V')).toBeVisible()
  await read(app, 25, '0')
  await read(app, 17, '230')
  await read(app, 20, '229')
  const top = app.suspects.getByRole('listitem')
  for (const place of [0, 1, 2]) await expect(top.nth(place)).toContainText('Hot-water valve')
  // a reading taken with continuity in mind is refused while live, and the other way round
  await demand(page, 'Isolated').click()
  await expect(page.getByRole('heading', { name: /^Continuity/ })).toBeVisible()
  await expect(page.getByText('Prove dead first')).toBeVisible()
})

test('24 V zones: a warm neighbour clears what they share; the thermostat, its conductor or its setting are left', async ({ app, page }) => {
  await wired(app, 'zone-24v', 'zones-24v', 'oneZoneCold')
  await page.getByRole('button', { name: 'Place black' }).click()
  await page.getByRole('button', { name: /^Terminal 11, Zone valve 1 24 V return/ }).click()
  await page.getByRole('button', { name: 'Place red' }).click()
  await read(app, 10, '0')
  await expect(app.suspects).toContainText(/thermostat/i)
  await expect(app.suspects).not.toContainText('Control transformer')
})

test('24 V zones: a valve that opens and calls nothing: its end switch', async ({ app, page }) => {
  await wired(app, 'zone-24v', 'zones-24v', 'oneZoneCold')
  await read(app, 10, '25.6')
  await page.getByRole('button', { name: 'Place black' }).click()
  await page.getByRole('button', { name: /^Terminal 2, Fused isolator N/ }).click()
  await page.getByRole('button', { name: 'Place red' }).click()
  await read(app, 35, '0')
  await page.getByRole('link', { name: 'Trace', exact: true }).press('Enter')
  await app.answer('Lever of the zone 1 valve while it should be open', 'slack: driven open')
  await expect(app.suspects.getByRole('listitem').first()).toContainText('Zone 1 valve: end switch stuck open')
})

test('mid-position valve stuck at hot water: white and grey live, orange dead, the lever resists: head or body', async ({ app, page }) => {
  await wired(app, 'system-boiler', 'mid-position', 'noHeating')
  await read(app, 14, '230')
  await read(app, 15, '230')
  await read(app, 16, '0')
  await page.getByRole('link', { name: 'Trace', exact: true }).press('Enter')
  await app.answer('Lever of the mid-position valve while rooms alone call', 'resists all the way')
  await expect(app.suspects.getByRole('listitem').nth(0)).toContainText('Mid-position valve')
  await expect(app.suspects).toContainText('Mid-position valve: motor not driving')
  await expect(app.suspects).toContainText('Mid-position valve: stuck at hot water')
})

test('24 V zones: every zone cold, no voltage behind the transformer: its fuse or itself', async ({ app, page }) => {
  await wired(app, 'zone-24v', 'zones-24v', 'allZonesCold')
  await page.getByRole('button', { name: 'Place black' }).click()
  await page.getByRole('button', { name: /^Terminal 7, Transformer 24 V return/ }).click()
  await page.getByRole('button', { name: 'Place red' }).click()
  await read(app, 6, '0')
  await page.getByRole('link', { name: 'Trace', exact: true }).press('Enter')
  await app.answer('Fuse of the control transformer', 'open')
  await expect(app.verdict).toContainText(/fuse/i)
})

test('two 2-port valves: heating runs whenever hot water does: one is held open by hand', async ({ app, page }) => {
  await wired(app, 'system-boiler', 'two-valves', 'heatsWithHotWater')
  await expect(demand(page, 'Cylinder thermostat calls')).toHaveAttribute('aria-pressed', 'true')
  await read(app, 12, '0')
  await page.getByRole('link', { name: 'Trace', exact: true }).press('Enter')
  await app.answer('Is the heating valve’s lever latched open, or the valve stuck?', 'latched open by hand')
  await expect(app.suspects.getByRole('listitem').first()).toContainText('Heating valve: lever latched open by hand')
})

test('pump runs with nothing asked: back from the boiler to a wire on the wrong terminal, then a thermostat stuck closed behind it', async ({ app, page }) => {
  await wired(app, 'regular-pilot', 'gravity-pumped', 'pumpRunsUnasked')
  await expect(demand(page, 'Room thermostat calls')).toHaveAttribute('aria-pressed', 'false')
  await page.getByRole('button', { name: 'From the boiler back' }).click()
  await expect(page.getByRole('button', { name: /^Probe next: Boiler demand/ })).toBeVisible()
  await page.getByRole('button', { name: /^Probe next/ }).click()
  await read(app, 24, '0')
  await read(app, 18, '229')
  await page.getByRole('link', { name: 'Trace', exact: true }).press('Enter')
  await app.answer('Wire room thermostat call – hot-water valve switch at rest: traced and tested', 'on another terminal')
  await expect(app.verdict).toContainText('Wire room thermostat call')
  await page.getByRole('button', { name: 'See evidence and repair' }).click()
  await page.getByRole('button', { name: /^(Condemn|Record as found)/ }).click()
  await app.repair(/^Record as done: move the core to its correct terminal/)
  await page.getByRole('link', { name: 'Trace', exact: true }).press('Enter')
  await app.answer('Does the pump run with nothing calling?', 'it runs')
  await app.measure('Demand terminal with nothing calling', '229')
  await app.answer('Room thermostat turned to its lowest', 'stuck closed')
  // a link left in beside it reads the same
  await app.answer('Link at the boiler’s room-thermostat terminals', 'none beside')
  await expect(app.verdict).toContainText('Room thermostat')
})

test('mid-position valve: the map says what grey is not; dead grey with its source live is a lost conductor', async ({ app, page }) => {
  await wired(app, 'system-boiler', 'mid-position', 'noHeating')
  await demand(page, 'Room thermostat calls').click()
  await demand(page, 'Room thermostat calls').click()
  await read(app, 14, '230')
  await read(app, 15, '8')
  await expect(page.getByText('it is no permanent live').first()).toBeVisible()
  await read(app, 13, '230')
  await expect(app.suspects.getByRole('listitem').first()).toContainText('Wire cylinder thermostat satisfied – mid-position valve satisfied')
})

test('a seized body looks like a dead head until the head is lifted off', async ({ app, page }) => {
  await wired(app, 'system-boiler', 'two-valves', 'noStoredHotWater')
  await read(app, 17, '230')
  await page.getByRole('link', { name: 'Trace', exact: true }).press('Enter')
  await expect(app.suspects).toContainText('Hot-water valve: motor not driving')
  await app.answer('Head of the hot-water valve lifted off: does the spindle turn?', 'seized')
  await expect(app.verdict).toContainText('Hot-water valve’s body')
})

test('a conductor moved for a test stays moved through a reload, and what is typed survives an entry, until it is put back', async ({ app, page }) => {
  await wired(app, 'system-boiler', 'two-valves', 'noHeating')
  await page.getByLabel('Conductor looked at').selectOption({ label: 'Wire room thermostat call – heating valve motor' })
  const moved = page.getByLabel('Second end, moved for a test to')
  const own = await moved.inputValue()
  const other = (await page.getByLabel('Red probe on').locator('option').nth(3).getAttribute('value'))!
  await moved.selectOption(other)
  const standing = page.getByRole('region', { name: 'Done and not undone' })
  await expect(standing).toContainText('Conductor moved for a test')
  await page.reload()
  await expect(standing).toContainText('Wire room thermostat call')
  await page.getByLabel('Conductor looked at').selectOption({ label: 'Wire room thermostat call – heating valve motor' })
  await expect(moved).toHaveValue(other)
  await page.getByRole('button', { name: 'Back on its own terminal' }).click()
  await expect(standing).toHaveCount(0)
  await expect(moved).toHaveValue(own)
  // an entry that is not about this pad leaves what is typed in it
  const reading = page.getByLabel('Reading', { exact: true })
  await reading.fill('23')
  await page.getByLabel('Its colour, as found').selectOption({ index: 2 })
  await expect(app.journal.getByRole('listitem').first()).toContainText('olour')
  await expect(reading).toHaveValue('23')
})

test('bench: what should I read, healthy and with a fault; ghosts; a conductor retagged; SPICE', async ({ app, page }) => {
  await page.goto(app.address('/bench/wiring'))
  await expect(page.getByRole('heading', { name: 'What should I read?' })).toBeVisible()
  await page.getByRole('button', { name: /^Terminal 12, Heating valve motor/ }).click()
  const reading = page.getByRole('region', { name: /^Volts/ })
  await expect(reading).toContainText('230 V')
  await page.getByRole('combobox', { name: 'With this wrong' }).fill('Heating valve: motor not driving')
  await page.getByRole('option', { name: 'Heating valve: motor not driving' }).press('Enter')
  await demand(page, 'Room thermostat calls').click()
  await expect(reading).toContainText('floating')
  await expect(page.getByText('a ghost')).toBeVisible()
  await page.getByRole('button', { name: 'Low-impedance tester' }).click()
  await expect(page.getByText('a ghost')).toHaveCount(0)
  // a conductor: pressed, its colour and number written down as found
  await page.locator('.core').filter({ hasText: 'Wire room thermostat call – heating valve motor' }).locator('.touch').dispatchEvent('click')
  await expect(page.getByRole('heading', { name: 'Wire room thermostat call – heating valve motor' })).toBeVisible()
  await page.getByLabel('Number at its second end, as found').fill('7')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('button', { name: /^Terminal 7, Heating valve motor/ })).toBeVisible()
  // keyboard: a terminal takes Enter
  await page.getByRole('button', { name: /^Terminal 9, Room thermostat call/ }).press('Enter')
  await expect(page.getByRole('heading', { name: /^Volts: Room thermostat call \(9\)/ })).toBeVisible()
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save this state as a SPICE netlist' }).click()])
  expect(file.suggestedFilename()).toBe('two-valves.cir')
})

test.describe('on a telephone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })

  test('the map over the whole screen: two fingers enlarge it, one moves it, a press places the probe, and it is read there', async ({ app, page }) => {
    await wired(app, 'system-boiler', 'two-valves', 'noStoredHotWater')
    await page.getByRole('button', { name: 'Map full screen' }).tap()
    const map = page.getByRole('dialog', { name: /Two 2-port valves/ })
    await expect(map.getByText('Healthy: 230 V')).toBeVisible()
    const drawing = map.locator('svg[role="group"]')
    const size = async () => (await drawing.boundingBox())!.width
    const { x, y, width, height } = (await map.getByRole('region', { name: 'Wiring map' }).boundingBox())!
    const before = await size()
    const touches = await page.context().newCDPSession(page)
    const fingers = (apart: number) => [-1, 1].map((side, id) => ({ x: x + width / 2 + side * apart, y: y + height / 2, id }))
    await touches.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: fingers(30) })
    for (const apart of [50, 70, 90]) await touches.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: fingers(apart) })
    await touches.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] })
    await expect.poll(size).toBeGreaterThan(before * 1.2)
    // a push over a terminal places nothing
    const motor = map.getByRole('button', { name: /^Terminal 17,/ })
    await map.getByRole('button', { name: 'All of it' }).tap()
    await expect(motor).toBeInViewport()
    const at = (await motor.boundingBox())!
    const red = map.getByRole('button', { name: /^Red on/ })
    await expect(red).not.toContainText('17')
    await touches.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [{ x: at.x + at.width / 2, y: at.y + at.height / 2, id: 0 }] })
    for (const by of [10, 20, 40])
      await touches.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: [{ x: at.x + at.width / 2 - by, y: at.y + at.height / 2, id: 0 }] })
    await touches.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] })
    await expect.poll(async () => (await motor.boundingBox())!.x).toBeLessThan(at.x - 20)
    await expect(red).not.toContainText('17')
    await map.getByRole('button', { name: 'Larger' }).tap()
    await motor.tap()
    await expect(red).toContainText('17')
    expect(await barriers(page)).toEqual([])
    await map.getByLabel('Reading', { exact: true }).fill('230')
    await map.getByRole('button', { name: /^Record/ }).tap()
    await map.getByRole('button', { name: 'Close' }).tap()
    await expect(map).toBeHidden()
    await expect(app.journal.getByRole('listitem').first()).toContainText('(17)')
  })
})
