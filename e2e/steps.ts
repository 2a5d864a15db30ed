import { type Browser, type BrowserContext, expect, type Page } from '@playwright/test'
import axe from 'axe-core'

/** What a person does, by what they see. */
export async function signIn(page: Page, url: string, email = 'bram@tidewall.example'): Promise<void> {
  await page.goto(url)
  await page.getByLabel('Address').fill(email)
  await page.getByLabel('Password').fill('harbour-demo')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
}

/** Phones that a file's journeys share: who signed in on one stays so, and the application is on it. */
const phones = new Map<string, BrowserContext>()

/** A page of a journey's own on somebody's phone, at the list of jobs. */
export async function onThePhoneOf(
  browser: Browser,
  url: string,
  email = 'bram@tidewall.example',
): Promise<Page> {
  const known = phones.get(email)
  const phone = known ?? (await browser.newContext())
  phones.set(email, phone)
  const page = await phone.newPage()
  if (!known) await signIn(page, url, email)
  else {
    await page.goto(url)
    await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
  }
  return page
}

/** Closes what a journey opened: a page that is left open goes on working. */
export async function closePages(): Promise<void> {
  for (const phone of phones.values()) for (const page of phone.pages()) await page.close()
}

/** Opens a job from the list. */
export async function showJob(page: Page, name: RegExp): Promise<void> {
  await page.getByRole('link', { name }).first().click()
  await expect(page.getByRole('tablist', { name: 'Stages' })).toBeVisible()
}

/** Types on the measuring keypad: digits and a fraction as they are tapped. */
export async function tapLength(page: Page, keys: readonly string[]): Promise<void> {
  const pad = page.getByRole('dialog')
  for (const key of keys) await pad.getByRole('button', { name: key, exact: true }).click()
  await pad.getByRole('button', { name: 'Enter' }).click()
  await expect(pad).toBeHidden()
}

/** Touches that were made again, since the machine had not drawn yet what the first one was for. */
let again = 0
export const touchedAgain = (): number => again

/** Touches until what it is for is seen. */
export async function touchUntil(touch: () => Promise<void>, seen: () => Promise<void>): Promise<void> {
  let touches = 0
  await expect(async () => {
    // what came late stands in the way of a second touch
    if (
      touches > 0 &&
      (await seen().then(
        () => true,
        () => false,
      ))
    )
      return
    touches++
    await touch()
    await seen()
  }).toPass()
  again += touches - 1
}

/** Opens a row's keypad and types what was measured; the row may have moved while the touch was made. */
export async function measure(page: Page, row: string | RegExp, keys: readonly string[]): Promise<void> {
  const pad = page.getByRole('dialog')
  await touchUntil(
    () => page.getByRole('button', { name: row }).click({ timeout: 5000 }),
    () => expect(pad).toBeVisible({ timeout: 2000 }),
  )
  await tapLength(page, keys)
}

/** Opens a look, in whichever of the four groups it stands. */
export async function askFor(page: Page, question: string): Promise<void> {
  const tile = page.getByRole('button', { name: question, exact: true })
  const ways = page.getByRole('tablist', { name: 'Ways to look' })
  // a stage is drawn in steps: what is not there yet is not elsewhere
  await expect(ways.getByRole('tab', { selected: true })).toBeVisible()
  for (const group of ['Look', 'Touch', 'Joint', 'Measure']) {
    if ((await tile.count()) > 0) break
    const tab = ways.getByRole('tab', { name: group })
    // what is known so far stands above: as it grows, a touch may meet what was there before
    await touchUntil(
      () => tab.click({ timeout: 5000 }),
      () => expect(tab).toHaveAttribute('aria-selected', 'true', { timeout: 1000 }),
    )
  }
  // the same of the tile: what is asked opens from below
  await touchUntil(
    () => tile.last().click({ timeout: 5000 }),
    () => expect(page.getByRole('dialog')).toBeVisible({ timeout: 2000 }),
  )
}

export async function answer(page: Page, question: string, given: string): Promise<void> {
  await askFor(page, question)
  await page
    .getByRole('dialog')
    .getByRole('radio', { name: `${question}: ${given}` })
    .click()
  await expect(page.getByRole('dialog')).toBeHidden()
}

/** Nothing of any weight for someone who sees, hears or points otherwise. */
export async function expectAccessible(page: Page, where: string): Promise<void> {
  // it stays for as long as the page does: half of a check would go into bringing it along again
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
  const violations = await page.evaluate(async () => {
    const { axe: there } = window as unknown as { axe: typeof axe }
    const found = await there.run(document, { resultTypes: ['violations'] })
    return found.violations.map(
      ({ id, nodes: [node] }) => `${id}: ${node?.target.join(' ')} ${node?.failureSummary}`,
    )
  })
  expect(violations, where).toEqual([])
}

/** Ticks the card in hand, and waits until the next one is. */
export async function tickCard(page: Page): Promise<void> {
  const cards = page.getByRole('progressbar', { name: 'Cards done' })
  const done = Number(await cards.getAttribute('aria-valuenow'))
  await page.getByTestId('tick-next').click()
  await expect(cards).toHaveAttribute('aria-valuenow', String(done + 1))
}
