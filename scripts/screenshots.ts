// Takes the pictures in docs/screenshots anew, from the demo data alone.
import { mkdirSync } from 'node:fs'
import path from 'node:path'
import { contactSheet, toSvg } from '@diarmos/core'
import { chromium, type Page } from '@playwright/test'
import { askFor, signIn, tapLength, tickCard } from '../e2e/steps'
import { ROOT } from './lib/machine.mjs'
import { CHROMIUM, startStack } from './lib/stack.mjs'

const folder = path.join(ROOT, 'docs/screenshots')
mkdirSync(folder, { recursive: true })
const stack = await startStack()
const browser = await chromium.launch(CHROMIUM)

async function picture(page: Page, name: string): Promise<void> {
  // the worker's answers and the typeface are in, however long they take
  await page
    .getByText(/^Working (it )?out/)
    .first()
    .waitFor({ state: 'detached' })
  await page.waitForTimeout(900)
  await page.screenshot({ path: path.join(folder, `${name}.png`) })
}

async function open(width: number, height: number): Promise<Page> {
  const context = await browser.newContext({ viewport: { width, height }, reducedMotion: 'reduce' })
  return context.newPage()
}

try {
  const phone = await open(390, 844)
  await phone.goto(stack.url)
  await phone.getByLabel('Address').waitFor()
  await signIn(phone, stack.url)
  await picture(phone, 'jobs-phone')
  await phone.getByRole('button', { name: 'Open a job' }).click()
  await phone.getByLabel('What is wrong').fill('Runs on after it is flushed')
  await phone.getByRole('radio', { name: 'What is worked on?: Toilet' }).click()
  await picture(phone, 'new-job-phone')
  await phone.getByLabel('What is wrong').fill('')
  await phone.getByRole('button', { name: 'Back' }).click()

  await phone.getByRole('link', { name: /Seized stop/ }).click()
  await phone.getByTestId('belief').waitFor()
  await picture(phone, 'find-phone')
  await phone.getByRole('button', { name: 'Back' }).click()

  await phone.getByRole('link', { name: /New faucet/ }).click()
  await phone.getByRole('tab', { name: /^Fixture/ }).click()
  await picture(phone, 'fixture-phone')
  await phone.getByRole('tab', { name: /^Mate/ }).click()
  await picture(phone, 'mate-phone')
  await phone.getByRole('button', { name: 'Choose this way' }).click()
  await phone.getByRole('tab', { name: /^Make/ }).click()
  for (let step = 0; step < 7; step++) await tickCard(phone)
  await picture(phone, 'make-phone')
  for (let step = 0; step < 2; step++) await tickCard(phone)
  await phone.getByRole('tab', { name: /^Prove/ }).click()
  await picture(phone, 'prove-phone')
  await phone.getByRole('button', { name: 'Back' }).click()
  await phone.getByRole('link', { name: /Washing machine moves/ }).click()
  await phone.getByRole('tab', { name: /^Cut/ }).click()
  await picture(phone, 'cut-phone')
  await phone.getByRole('button', { name: 'Back' }).click()
  await phone.getByRole('link', { name: 'Bench' }).click()
  await phone.getByRole('link', { name: 'Which thread is it?' }).click()
  await phone.getByRole('button', { name: 'Where is it?' }).click()
  await phone.getByRole('radio', { name: /under a faucet/ }).click()
  await phone.getByRole('button', { name: 'Across the crests, with a caliper' }).click()
  await tapLength(phone, ['Point', '8', '2'])
  await phone.getByTestId('thread-belief').evaluate((element) => element.scrollIntoView())
  await picture(phone, 'thread-phone')
  await phone.goto(`${stack.url}/bench/trap?mm=203.2_60.96_558.8_457.2_25.4_203.2_`)
  await phone.getByText(/Swing the bend/).waitFor()
  await picture(phone, 'trap-phone')
  const pieces = [23.4375, 23.4375, 41.5, 11.25, 60, 8.5, 30].map((inches) => inches * 25.4)
  await phone.goto(
    `${stack.url}/bench/cuts?mm=${pieces.join('_')}&stock=10%20ft_5%20ft&saw=saw-by-hand&done=E`,
  )
  await phone.getByTestId('next-cut').waitFor()
  await picture(phone, 'cuts-phone')
  await phone.getByRole('link', { name: 'Houses' }).click()
  await phone.getByRole('link', { name: /Second Tide/ }).click()
  await picture(phone, 'house-phone')
  await phone.getByRole('button', { name: 'Back' }).click()
  await phone.getByRole('link', { name: 'Shop' }).click()
  await picture(phone, 'shop-phone')

  // what an apprentice would do waits for somebody's word
  await phone.goto(stack.url)
  await phone.getByRole('link', { name: /Galley tap/ }).click()
  await phone.getByRole('button', { name: 'Take it', exact: true }).waitFor()
  await picture(phone, 'proposal-phone')

  const wide = await open(1280, 800)
  await signIn(wide, stack.url)
  await wide.getByRole('link', { name: /Look at the back room/ }).click()
  await askFor(wide, 'Round it, with a string')
  await tapLength(wide, ['2'])
  await wide.getByTestId('belief').waitFor()
  await wide
    .getByRole('link', { name: /Galley tap/ })
    .first()
    .click()
  await picture(wide, 'make-wide')
  await wide.keyboard.press('3')
  await wide.getByRole('button', { name: 'Table' }).click()
  await picture(wide, 'ways-wide')
  await wide.getByRole('button', { name: 'Close' }).click()
  await wide.keyboard.press('t')
  await picture(wide, 'mate-wide-cabinet')
  await wide.keyboard.press('t')
  await wide
    .getByRole('link', { name: /Tub valve/ })
    .first()
    .click()
  await wide.keyboard.press('3')
  await wide.getByRole('button', { name: 'The whole wall' }).click()
  await picture(wide, 'whole-wide')

  const sheet = await open(1380, 2000)
  const svg = toSvg(contactSheet()).replace(/width="[\d.]+mm" height="[\d.]+mm"/, 'width="1380"')
  await sheet.setContent(`<body style="margin:0">${svg}</body>`)
  await sheet.locator('svg').screenshot({ path: path.join(folder, 'fitting-families.png') })
} finally {
  await browser.close()
  await stack.stop()
}
