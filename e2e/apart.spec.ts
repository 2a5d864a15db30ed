import { expect, test } from '@playwright/test'
import { type Stack, startStack } from '../scripts/lib/stack.mjs'
import {
  answer,
  askFor,
  closePages,
  expectAccessible,
  measure,
  onThePhoneOf,
  showJob,
  tapLength,
} from './steps'

let stack: Stack

test.beforeAll(async () => {
  stack = await startStack()
})
test.afterAll(() => stack?.stop())

test.afterEach(closePages)

test('two phones change the same measure at once: both are kept, and one is asked', async ({ browser }) => {
  const bram = await onThePhoneOf(browser, stack.url, 'bram@tidewall.example')
  const ines = await onThePhoneOf(browser, stack.url, 'ines@tidewall.example')
  for (const page of [bram, ines]) {
    await showJob(page, /New faucet/)
    await page.getByRole('tab', { name: /^Mate/ }).click()
    await expect(page.getByTestId(/^option-\d+$/)).toBeVisible()
  }
  // both without a server, each measures otherwise
  for (const page of [bram, ines]) await page.route('**/api/sync', (route) => route.abort())
  for (const [page, whole] of [
    [bram, '2'],
    [ines, '3'],
  ] as const) {
    await measure(page, 'Bare stub, wall to the old fitting', [whole])
    await expect(page.getByTestId('offline').last()).toContainText('kept on the phone')
  }
  for (const page of [bram, ines]) {
    await page.unroute('**/api/sync')
    await page.evaluate(() => window.dispatchEvent(new Event('online')))
    await expect(page.getByTestId('offline')).toHaveCount(0)
  }
  await expect(ines.getByText(/“bare stub” was changed twice/).first()).toBeVisible()
  await expectAccessible(ines, 'changed twice')
  const notes = await ines.getByText(/“bare stub” was changed twice/).count()
  for (let left = notes; left > 0; left--) {
    await ines.getByRole('button', { name: '3"', exact: true }).first().click()
    await expect(ines.getByText(/“bare stub” was changed twice/)).toHaveCount(left - 1)
  }
  await expect(ines.getByRole('img', { name: '3 inches' }).first()).toBeVisible()
  // the other phone hears of it
  await bram.evaluate(() => window.dispatchEvent(new Event('online')))
  await expect(bram.getByRole('img', { name: '3 inches' }).first()).toBeVisible()
})

test('another shop sees nothing of it, and a wrong word gets nobody in', async ({ page }) => {
  await page.goto(stack.url)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByText('An address has an @ in it.')).toBeVisible()
  await page.getByLabel(/^Address/).fill('jory@fennel.example')
  await page.getByLabel(/^Password/).fill('wrong')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByText('Caution: Address or password is wrong')).toBeVisible()
  await page.getByLabel(/^Password/).fill('harbour-demo')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('link', { name: /Drip at the upstairs stop/ })).toBeVisible()
  await expect(page.getByRole('link', { name: /Galley tap/ })).toHaveCount(0)

  // polybutylene, from half a print line and a colour
  await showJob(page, /Drip at the upstairs/)
  await expect(page.getByTestId('belief')).toContainText('1/2 in polybutylene')
  await expect(page.getByText('Caution: Polybutylene')).toBeVisible()

  // a job that is not this shop's
  await page.goto(`${stack.url}/job/6f0f2cf2-54a8-4b0a-9a0e-6f9f3c9d7a11`)
  await expect(page.getByText('This job is not on the phone.')).toBeVisible()

  // signed out, nothing of it shows
  await page.goto(`${stack.url}/shop`)
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await expect(page.getByText('Fennel Street')).toHaveCount(0)
})

test('the bench without a job: a pipe and a thread, and a link that carries them to somebody else', async ({
  browser,
}) => {
  const bram = await onThePhoneOf(browser, stack.url, 'bram@tidewall.example')
  await bram.getByRole('link', { name: 'Bench' }).click()
  await expectAccessible(bram, 'bench')
  await bram.getByRole('link', { name: 'Which pipe is it?' }).click()
  await expect(bram.getByTestId('belief')).toContainText('What is this pipe?')
  await askFor(bram, 'Across, with a caliper')
  await tapLength(bram, ['1', 'Point', '9'])
  await answer(bram, 'What colour is it?', 'black')
  await answer(bram, 'Tap it: how does it sound?', 'plastic click')
  await expect(bram.getByTestId('belief')).toContainText('1-1/2 in ABS drain pipe')
  await bram.getByRole('button', { name: 'What is usual here?' }).click()
  await expectAccessible(bram, 'what is usual')
  await bram.getByRole('button', { name: 'Close' }).click()
  await expectAccessible(bram, 'bench, a pipe')

  // somebody of the other shop opens the same address
  const jory = await onThePhoneOf(browser, stack.url, 'jory@fennel.example')
  await jory.goto(bram.url())
  await expect(jory.getByTestId('belief')).toContainText('1-1/2 in ABS drain pipe')
  await expect(jory.getByText('Across, with a caliper: 1.9 in')).toBeVisible()
  await jory.goto(`${bram.url().slice(0, -12)}`)
  await expect(jory.getByText('Caution: This link cannot be read')).toBeVisible()

  await bram.goto(`${stack.url}/bench/thread`)
  await bram.getByRole('button', { name: 'Where is it?' }).click()
  await expectAccessible(bram, 'places of threads')
  await bram.getByRole('radio', { name: /outlet of a stop/ }).click()
  await bram.getByRole('button', { name: 'Across the crests, with a caliper' }).click()
  await tapLength(bram, ['9/16'])
  await expect(bram.getByTestId('thread-belief')).toContainText('3/8 compression male')
  await expect(bram.getByText(/no tape/)).toBeVisible()
  await expectAccessible(bram, 'bench, a thread')
})

test('a drain beside the water lines is found, and what is wrong with it is kept', async ({ browser }) => {
  const bram = await onThePhoneOf(browser, stack.url, 'bram@tidewall.example')
  await showJob(bram, /Look at the back room/)
  await bram.getByRole('button', { name: 'Add the drain' }).click()
  await expect(bram.getByRole('tab', { name: 'drain line' })).toHaveAttribute('aria-selected', 'true')
  await askFor(bram, 'Across, with a caliper')
  await tapLength(bram, ['2', '5/16'])
  await answer(bram, 'Does a magnet hold?', 'holds')
  await answer(bram, 'Scratch it: what shows?', 'dark grey')
  await expect(bram.getByTestId('belief')).toContainText('cast iron')
  await bram.getByRole('button', { name: /What is wrong with it/ }).click()
  await bram.getByRole('checkbox', { name: 'pitted' }).click()
  await expect(bram.getByRole('checkbox', { name: 'pitted' })).toBeChecked()
  await expectAccessible(bram, 'a drain')
  await bram.getByTestId('take-finding').click()
  await expect(bram.getByRole('tab', { name: 'drain line' })).toContainText('cast iron')
})

test('a tub and shower on the job page, and lengths on the bench, in both themes', async ({ browser }) => {
  const bram = await onThePhoneOf(browser, stack.url, 'bram@tidewall.example')
  await showJob(bram, /Tub valve/)
  await bram.getByRole('tab', { name: /^Mate/ }).click()
  await bram.getByRole('tab', { name: 'shower line' }).click()
  await expect(bram.getByText('nothing to take off', { exact: false }).first()).toBeVisible()
  await bram.getByRole('button', { name: 'The whole wall' }).click()
  await expect(bram.getByRole('img', { name: /^The wall, as you face it/ })).toBeVisible()
  await expectAccessible(bram, 'mate, a whole fixture')
  await bram.getByRole('tab', { name: /^Fixture/ }).click()
  await expectAccessible(bram, 'fixture, a tub and shower')

  const pages = [
    ['offset?mm=203.2_152.4', 'Piece between two of', 'offset'],
    ['cuts?mm=1524_1524_900&stock=10%20ft', 'no plan uses less', 'cut list'],
    ['pitch?mm=2400', 'It falls', 'pitch'],
    ['load?has=toilet.3_basin.2&size=3', 'toilets at most', 'drain load'],
    ['wall?mm=50.8_12.7_3.2_24_5_63_76', 'Put behind the valve', 'wall'],
    ['toilet?mm=279.4_15_20_300_306', 'An offset flange', 'toilet'],
  ] as const
  for (const [address, words, where] of pages) {
    await bram.goto(`${stack.url}/bench/${address}`)
    await expect(bram.getByText(words, { exact: false }).first()).toBeVisible()
    await expectAccessible(bram, `bench, ${where}`)
  }
  await test.step('a gauge that is not there, on a line whose stop lets by', async () => {
    await bram.goto(`${stack.url}/bench/hold`)
    await bram.getByRole('button', { name: 'Length of the line that is shut' }).click()
    await tapLength(bram, ['9', '6', '0'])
    await bram.getByRole('button', { name: 'Try it with a made-up gauge' }).click()
    await bram.getByRole('radio', { name: 'has a stop that lets by' }).click()
    await expect(bram.getByTestId('hold-chart')).toBeVisible()
    await expect(bram.getByText(/The stop lets by|Not decided yet|It holds/).first()).toBeVisible()
    await bram.getByRole('button', { name: 'Stop the made-up gauge' }).click()
    await expect(bram.getByTestId('hold-chart')).toBeHidden()
    await expectAccessible(bram, 'bench, a pressure hold')
  })
  await bram
    .getByRole('button', { name: /[Tt]heme|[Cc]abinet|[Pp]aper/ })
    .first()
    .click()
  await expectAccessible(bram, 'bench, the other theme')
  await bram.goto(`${stack.url}/bench/cuts?mm=12_x`)
  await expect(bram.getByText('Caution: This link cannot be read')).toBeVisible()
})
