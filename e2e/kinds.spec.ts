import { expect, type Page, test } from '@playwright/test'
import { type Stack, startStack } from '../scripts/lib/stack.mjs'
import { answer, askFor, signIn, tapLength } from './steps'

let stack: Stack
let page: Page

// signed in once, and one job after the other
test.beforeAll(async ({ browser }) => {
  stack = await startStack()
  page = await browser.newPage()
  await signIn(page, stack.url)
})
test.afterAll(async () => {
  await page?.close()
  await stack?.stop()
})

interface Kind {
  readonly kind: string
  /** What goes in, where more than one may. */
  readonly picks?: readonly RegExp[]
  /** Lines that have to come to a way, in the order of their tabs. */
  readonly lines: readonly string[]
  /** On the wide view in place of the phone. */
  readonly wide?: boolean
  /** Only with KINDS=all: what it shows is shown by the others too. */
  readonly more?: boolean
}

const KINDS: readonly Kind[] = [
  {
    kind: 'Kitchen sink',
    picks: [/^Fixture: Faucet/, /The stop also feeds: .*3\/8/],
    lines: ['hot', 'cold', 'branch'],
  },
  {
    kind: 'Shower',
    picks: [
      /^Fixture: Shower/,
      /It feeds: shower/,
      /Its end: Shower valve with three outlets, .* solder/,
      /Its third outlet: a body spray/,
    ],
    lines: ['hot', 'cold', 'spout', 'shower', 'spray'],
  },
  {
    kind: 'A run of pipe',
    picks: [/^Fixture: Into a run/, /A tee into the run/, /The branch feeds: Toilet/],
    lines: ['cold', 'branch'],
    wide: true,
  },
  { kind: 'Basin', picks: [/^Fixture: Faucet/], lines: ['hot', 'cold'], more: true },
  { kind: 'Toilet', picks: [/^Fixture: Toilet/], lines: ['cold'], more: true },
  {
    kind: 'Tub',
    picks: [/^Fixture: Shower/, /It feeds: tub/],
    lines: ['hot', 'cold', 'spout', 'shower'],
    more: true,
  },
  {
    kind: 'Tub and shower',
    picks: [/^Fixture: Shower/, /It feeds: both/],
    lines: ['hot', 'cold', 'spout', 'shower'],
    more: true,
  },
  { kind: 'Washing machine', picks: [/^Fixture: Washing/], lines: ['hot', 'cold'], more: true },
  { kind: 'Dishwasher', picks: [/^Fixture: Dishwasher/], lines: ['hot'], more: true },
  { kind: 'Hose bib', lines: ['cold'], more: true },
  { kind: 'Water heater', lines: ['hot', 'cold'], wide: true, more: true },
  { kind: 'Something else', picks: [/^Fixture: Faucet/], lines: ['hot', 'cold'], more: true },
]

/** Chooses the first way of every line that has none yet. */
async function chooseAll(lines: readonly string[]): Promise<void> {
  for (const service of lines) {
    const tab = page.getByRole('tab', { name: `${service} line` })
    await tab.click()
    await expect(tab).toHaveAttribute('aria-selected', 'true')
    const card = page.getByTestId(/^option-/)
    await expect(card).toBeVisible()
    const choose = page.getByRole('button', { name: 'Choose this way' })
    // lines that stand alike were chosen along with the first
    if (!(await card.getAttribute('class'))?.includes('bg-patina-wash')) {
      await choose.click()
      await expect(choose).toHaveCount(0)
    }
  }
}

for (const { kind, picks = [], lines, wide, more } of KINDS)
  if (!more || process.env.KINDS === 'all')
    test(`${kind}: opened, found, and a way for every line`, async () => {
      await page.setViewportSize(wide ? { width: 1280, height: 800 } : { width: 390, height: 844 })
      await page.getByRole('button', { name: 'Open a job' }).click()
      await page.getByLabel('What is wrong').fill(`Work on it: ${kind}`)
      await page.getByRole('radio', { name: 'House: Another house' }).click()
      await page.getByLabel(/Name of the house/).fill(`Rope walk, ${kind}`)
      await page.getByRole('radio', { name: `What is worked on?: ${kind}`, exact: true }).click()
      await page.getByRole('button', { name: 'Open the job' }).click()
      await page.getByRole('tab', { name: `${lines[0]} line` }).click()
      await answer(page, 'What colour is it?', 'copper')
      await askFor(page, 'Across, with a caliper')
      await tapLength(page, ['Point', '6', '2', '5'])
      await page.getByTestId('take-finding').click()
      for (const pick of picks) await page.getByRole('radio', { name: pick }).click()
      await page.getByRole('button', { name: 'On to the mating' }).click()
      if (kind !== 'A run of pipe') await page.getByRole('radio', { name: /On the old end: sweated/ }).click()
      // a tab is lit before its ways are drawn: what was read of the line before it is looked at again
      await expect(async () => {
        await chooseAll(lines)
        await expect(page.getByRole('button', { name: 'On to the cut' })).toBeVisible({ timeout: 2000 })
      }).toPass()
      // the wall shows every line, and a touch brings one forward
      await page.getByRole('button', { name: 'The whole wall' }).click()
      for (const service of lines.slice(0, -1))
        await expect(page.getByRole('button', { name: new RegExp(`^Show .*${service}$`, 'i') })).toBeVisible()
      await page.getByRole('button', { name: new RegExp(`^Show .*${lines.at(-1)}$`, 'i') }).click()
      await expect(page.getByRole('tab', { name: `${lines.at(-1)} line` })).toHaveAttribute(
        'aria-selected',
        'true',
      )
      await expect(page.getByRole('button', { name: 'The whole wall' })).toBeVisible()
      await page.getByRole('button', { name: 'On to the cut' }).click()
      await page.getByRole('tab', { name: 'Make' }).click()
      // every line is in the plan, and no step lacks its sentence
      await expect(page.getByTestId('tick-next')).toBeVisible()
      await page.getByRole('button', { name: 'All steps' }).click()
      await expect(page.getByRole('dialog')).toBeVisible()
      const steps = await page
        .getByRole('checkbox')
        .evaluateAll((boxes) => boxes.map((box) => box.getAttribute('aria-label') ?? ''))
      for (const service of lines.length > 1 ? lines : [])
        expect(steps.filter((step) => step.startsWith(`${service}:`)).length).toBeGreaterThan(1)
      expect(steps.filter((step) => /^\w*: ?[\w-]+\.[\w-]+$|[{}]/.test(step))).toEqual([])
      await page.getByRole('button', { name: 'Close' }).click()
      await page.getByRole('button', { name: 'Back', exact: true }).click()
      await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
    })
