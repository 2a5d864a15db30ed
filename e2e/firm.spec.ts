import { type Browser, expect, test } from '@playwright/test'
import { type Stack, startStack } from '../scripts/lib/stack.mjs'
import { closePages, expectAccessible, onThePhoneOf, showJob, signIn, touchUntil } from './steps'

let stack: Stack
test.beforeAll(async () => {
  stack = await startStack()
})
test.afterAll(() => stack?.stop())

test.afterEach(closePages)

const open = (browser: Browser, who = 'bram') => onThePhoneOf(browser, stack.url, `${who}@tidewall.example`)

test('two tabs of one person share what is edited, and two touches do a thing once', async ({ context }) => {
  const one = await context.newPage()
  await signIn(one, stack.url)
  const two = await context.newPage()
  await two.goto(stack.url)
  await expect(two.getByRole('link', { name: /Seized stop/ })).toBeVisible()
  await one.route('**/api/sync', (route) => route.abort())
  await two.route('**/api/sync', (route) => route.abort())
  await one.getByRole('button', { name: 'Open a job' }).click()
  await one.getByLabel('What is wrong').fill('Opened in a hurry')
  await one.getByRole('radio', { name: 'House: Another house' }).click()
  await one.getByLabel(/Name of the house/).fill('Corner house')
  await one.getByRole('radio', { name: 'What is worked on?: Kitchen sink' }).click()
  await one.getByRole('button', { name: 'Open the job' }).dblclick()
  await expect(one.getByRole('heading', { name: 'Opened in a hurry' })).toBeVisible()
  // the other tab hears of it without the server, once
  await expect(two.getByRole('link', { name: /Opened in a hurry/ })).toHaveCount(1, { timeout: 1000 })
  await two.getByRole('link', { name: 'Houses' }).click()
  await expect(two.getByRole('link', { name: 'Corner house' })).toHaveCount(1)
})

test('an address is a place: links, reload, back, and what leads nowhere', async ({ browser }) => {
  const page = await open(browser)
  // a real link, which a middle click opens beside
  const link = page.getByRole('link', { name: /New faucet/ })
  await expect(link).toHaveAttribute('href', /^\/job\//)
  const [beside] = await Promise.all([page.context().waitForEvent('page'), link.click({ button: 'middle' })])
  await expect(beside.getByRole('tablist', { name: 'Stages' })).toBeVisible()
  await beside.close()
  await link.press('Enter')
  await page.getByRole('tab', { name: /^Mate/ }).click()
  await page.getByRole('tab', { name: 'cold line' }).click()
  await expect(page).toHaveURL(/stage=mate/)
  await expect(page).toHaveURL(/line=cold/)
  await expect(page).toHaveTitle(/New faucet.* · Diarmos/)
  await page.reload()
  await expect(page.getByRole('tab', { name: /^Mate/ })).toHaveAttribute('aria-selected', 'true')
  await expect(page.getByRole('tab', { name: 'cold line' })).toHaveAttribute('aria-selected', 'true')
  // back closes what was opened last, and stays where it is
  await expect(page.getByTestId(/^option-\d+$/)).toBeVisible()
  await page.getByRole('button', { name: 'Parts' }).click()
  await expect(page.getByRole('dialog')).toBeVisible()
  await page.goBack()
  await expect(page.getByRole('dialog')).toBeHidden()
  await expect(page.getByRole('tab', { name: /^Mate/ })).toHaveAttribute('aria-selected', 'true')
  // an open sheet is part of the address: it opens again, and the address is plain once it is closed
  await page.getByRole('button', { name: 'Parts' }).click()
  await expect(page).toHaveURL(/sheet=mate\.parts/)
  await page.reload()
  await expect(page.getByRole('dialog', { name: /parts/i })).toBeVisible()
  await page.getByRole('button', { name: 'Close' }).click()
  await expect(page.getByRole('dialog')).toBeHidden()
  await expect(page).not.toHaveURL(/sheet=/)
  await page.getByRole('tab', { name: /^Cut/ }).click()
  await expect(page).toHaveURL(/stage=cut/)
  await page.getByRole('tab', { name: /^Mate/ }).click()
  await expect(page.getByTestId(/^option-\d+$/)).toBeVisible()
  await expect(page.getByRole('dialog')).toBeHidden()
  await page
    .getByRole('link', { name: 'Back' })
    .or(page.getByRole('button', { name: 'Back' }))
    .first()
    .click()
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
  await page.goto(`${stack.url}/nowhere/at/all`)
  await expect(page.getByText('There is nothing at this address.')).toBeVisible()
  await expectAccessible(page, 'nowhere')
})

test('what is being filled in outlives a reload, until it is saved or somebody leaves', async ({ page }) => {
  await signIn(page, stack.url)
  await page.getByRole('button', { name: 'Open a job' }).click()
  await page.getByLabel('What is wrong').fill('Tap drips at night')
  await page.getByRole('radio', { name: 'House: Another house' }).click()
  await page.getByLabel(/Name of the house/).fill('Lock-keeper’s house')
  await page.reload()
  await expect(page.getByLabel('What is wrong')).toHaveValue('Tap drips at night')
  await expect(page.getByLabel(/Name of the house/)).toHaveValue('Lock-keeper’s house')
  await page.getByRole('radio', { name: 'What is worked on?: Basin' }).click()
  await page.getByLabel(/Name of the point/).fill('Scullery')
  await page.getByRole('button', { name: 'Open the job' }).click()
  await expect(page.getByRole('heading', { name: 'Tap drips at night' })).toBeVisible()
  await page.goto(`${stack.url}/job/new`)
  await expect(page.getByLabel('What is wrong')).toHaveValue('')
  await page.getByLabel('What is wrong').fill('Not for other eyes')
  await page.goto(`${stack.url}/shop`)
  await page.getByRole('button', { name: /Sign out/ }).click()
  await expect(page.getByLabel('Password')).toBeVisible()
  expect(await page.evaluate(() => JSON.stringify({ ...sessionStorage }))).not.toContain('other eyes')
})

test('the keyboard alone goes everywhere', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 })
  await signIn(page, stack.url)
  await page.keyboard.press('Tab')
  await expect(page.getByRole('link', { name: 'To the page' })).toBeFocused()
  await page.keyboard.press('Enter')
  await page.getByRole('link', { name: /New faucet/ }).press('Enter')
  const stages = page.getByRole('tablist', { name: 'Stages' })
  await stages.getByRole('tab', { name: /^Mate/ }).focus()
  await page.keyboard.press('ArrowRight')
  await expect(stages.getByRole('tab', { name: /^Cut/ })).toBeFocused()
  await expect(stages.getByRole('tab', { name: /^Cut/ })).toHaveAttribute('aria-selected', 'true')
  await page.keyboard.press('Home')
  await expect(stages.getByRole('tab', { name: /^Find/ })).toHaveAttribute('aria-selected', 'true')
  // a button that goes with its stage leaves the focus where the next one begins
  const on = page.getByRole('button', { name: 'On to the mating' })
  await touchUntil(
    () => stages.getByRole('tab', { name: /^Fixture/ }).click(),
    () => expect(on).toBeVisible({ timeout: 10_000 }),
  )
  await on.press('Enter')
  await expect(page.getByRole('tabpanel', { name: 'Mate' })).toBeFocused()
  await page.goto(`${stack.url}/shop`)
  const unit = page.getByRole('radio', { name: 'This phone reads in: inches' })
  await unit.focus()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('radio', { name: 'This phone reads in: millimetres' })).toBeChecked()
})

test('a house and its jobs go together, and come back', async ({ browser }) => {
  const page = await open(browser)
  await page.goto(`${stack.url}/houses`)
  await page.getByRole('link', { name: /Bungalow/ }).click()
  await expect(page.getByRole('button', { name: /Remove the house/ })).toBeDisabled()
  await page.getByRole('button', { name: 'Rename. the house' }).click()
  await page.getByRole('dialog').getByLabel('Name').fill('Bungalow, renamed')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('heading', { name: 'Bungalow, renamed', exact: true })).toBeVisible()
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByRole('heading', { name: 'Bungalow of 1956' })).toBeVisible()
  // a job that was opened by mistake
  await page.goto(stack.url)
  await showJob(page, /Tub valve/)
  await page.getByRole('tab', { name: /^Prove/ }).click()
  await page.getByRole('button', { name: 'Remove the job' }).click()
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
  await expect(page.getByRole('link', { name: /Tub valve/ })).toHaveCount(0)
  await page.getByRole('link', { name: 'Houses' }).click()
  await page.getByRole('button', { name: 'Removed lately' }).click()
  await expectAccessible(page, 'removed lately')
  await page.getByRole('button', { name: /Take it back/ }).click()
  await expect(page.getByText('Nothing was removed.')).toBeVisible()
  await page.getByRole('button', { name: 'Close' }).click()
  await page.getByRole('link', { name: 'Jobs' }).click()
  await expect(page.getByRole('link', { name: /Tub valve/ })).toBeVisible()
})

test('an apprentice’s finding waits for a word', async ({ browser }) => {
  const pip = await open(browser, 'pip')
  await showJob(pip, /Seized stop/)
  await pip.getByTestId('take-finding').click()
  await expect(pip.getByText(/Yours: it shows on this phone alone/).first()).toBeVisible()
  await expect(pip.getByRole('tab', { name: 'hot line' })).toContainText('galvanised')
  const ines = await open(browser, 'ines')
  await showJob(ines, /Seized stop/)
  await expect(ines.getByRole('tab', { name: 'hot line' })).toContainText('not known')
  await ines.getByRole('button', { name: 'Take it', exact: true }).first().click()
  await expect(ines.getByRole('tab', { name: 'hot line' })).toContainText('galvanised')
})

for (const [width, height] of [
  [844, 390],
  [320, 568],
  [195, 422],
] as const)
  test(`at ${width}x${height} every stage has room, and the drawing opens by a tap`, async ({ browser }) => {
    const page = await open(browser)
    await page.setViewportSize({ width, height })
    const bar = await page.getByRole('navigation', { name: 'Rooms' }).boundingBox()
    expect(bar?.height).toBeLessThanOrEqual(height / 4)
    await showJob(page, /New faucet/)
    for (const stage of ['Find', 'Fixture', 'Mate', 'Cut', 'Make', 'Prove']) {
      const tab = page.getByRole('tab', { name: new RegExp(`^${stage}`) })
      await tab.click()
      await expect(tab).toHaveAttribute('aria-selected', 'true')
      await expect
        .poll(async () => (await page.getByTestId('stage').boundingBox())?.height ?? 0)
        .toBeGreaterThanOrEqual(Math.min(180, height * 0.3))
    }
    await page.getByRole('button', { name: 'Show the drawing' }).click()
    await expect(page.getByRole('img', { name: /^Joint line/ })).toBeVisible()
    await page.getByRole('button', { name: 'Fold the drawing away' }).click()
    await expectAccessible(page, `at ${width}x${height}`)
  })

test('can be installed', async ({ request, browser }) => {
  const manifest = await (await request.get(`${stack.url}/manifest.webmanifest`)).json()
  expect(manifest).toMatchObject({ display: 'standalone', start_url: '/' })
  for (const { src } of manifest.icons) expect((await request.get(stack.url + src)).status()).toBe(200)
  const page = await open(browser)
  await expect(page.locator('link[rel="manifest"]')).toHaveAttribute('href', '/manifest.webmanifest')
})
