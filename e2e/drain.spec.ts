import { expect, test } from '@playwright/test'
import { type Stack, startStack } from '../scripts/lib/stack.mjs'
import { answer, askFor, expectAccessible, signIn, tapLength, tickCard } from './steps'

let stack: Stack

test.beforeAll(async () => {
  stack = await startStack()
})
test.afterAll(() => stack?.stop())

test('a basin’s trap, from a stub of drain pipe to a bowl that was let go', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } })
  const page = await context.newPage()
  await signIn(page, stack.url)
  await page.getByRole('button', { name: 'Open a job' }).click()
  await page.getByLabel('What is wrong').fill('Trap drips')
  await page.getByRole('radio', { name: 'House: Another house' }).click()
  await page.getByLabel(/Name of the house/).fill('Net loft')
  await page.getByRole('radio', { name: 'What is worked on?: Basin' }).click()
  await page.getByRole('button', { name: 'Open the job' }).click()
  await page.getByRole('tab', { name: 'drain line' }).click()

  await test.step('find', async () => {
    await answer(page, 'What colour is it?', 'white')
    await askFor(page, 'Across, with a caliper')
    await tapLength(page, ['1', 'Point', '9'])
    await expect(page.getByTestId('belief')).toContainText('drain')
    await page.getByTestId('take-finding').click()
  })
  await test.step('what comes down to it, and what is on the old end', async () => {
    await page.getByRole('radio', { name: /1-1\/2 in tubular/ }).click()
    await expectAccessible(page, 'waste')
    await page.getByRole('button', { name: 'On to the mating' }).click()
    await expect(page.getByRole('radio', { name: 'On the old end: sweated' })).toHaveCount(0)
    await page.getByRole('radio', { name: /On the old end: nothing/ }).click()
  })
  await test.step('mate', async () => {
    await page.getByRole('button', { name: 'Bare stub, wall to the old fitting' }).click()
    await tapLength(page, ['2'])
    await expect(page.getByTestId('option-1')).toContainText('trap')
    await expectAccessible(page, 'mate, waste')
    await page.getByRole('button', { name: 'Choose this way' }).click()
    await page.getByRole('button', { name: 'On to the cut' }).click()
  })
  await test.step('cut: the wall tube and the tailpiece follow from four distances', async () => {
    for (const [row, keys] of [
      ['Drain out from the wall', ['9']],
      ['Drain’s end over the floor', ['2', '4']],
      ['Stub over the floor', ['1', '8']],
    ] as const) {
      await page.getByRole('button', { name: row }).click()
      await tapLength(page, keys)
    }
    await expect(page.getByText('wall tube, bend to end')).toBeVisible()
    await expectAccessible(page, 'cut, waste')
    await page.getByRole('button', { name: 'On to the making' }).click()
  })
  await test.step('make and prove: no water is shut, the bowl is filled and let go', async () => {
    await expect(page.getByText('The water stays on')).toBeVisible()
    await page.getByRole('button', { name: 'All steps' }).click()
    await expect(page.getByRole('dialog')).toContainText('Plug the open pipe')
    await page.getByRole('button', { name: 'Close' }).click()
    for (let step = 0; step < 40 && (await page.getByTestId('tick-next').isVisible()); step++) {
      await tickCard(page)
    }
    await page.getByRole('button', { name: 'On to the proof' }).click()
    await expect(page.getByText(/Fill the bowl and let it go/)).toBeVisible()
    const dry = page.getByRole('radio', { name: /: dry$/ })
    for (let index = 0; index < (await dry.count()); index++)
      if (!(await dry.nth(index).isChecked())) await dry.nth(index).click()
    await page.getByTestId('close-job').click()
    await expect(page.getByRole('heading', { name: 'Closed' })).toBeVisible()
  })
  await context.close()
})
