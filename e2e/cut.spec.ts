import { expect, test } from '@playwright/test'
import { type Stack, startStack } from '../scripts/lib/stack.mjs'
import { rowsIn } from './rows'
import { askFor, expectAccessible, measure, signIn, tapLength } from './steps'

let stack: Stack

test.beforeAll(async () => {
  stack = await startStack()
})
test.afterAll(() => stack?.stop())

test('a line is measured on its drawing, sent to the saw, and kept', async ({ browser }) => {
  const context = await browser.newContext()
  const page = await context.newPage()
  await signIn(page, stack.url)
  await page.getByRole('link', { name: /Washing machine moves/ }).click()
  await page.getByRole('tab', { name: /^Cut/ }).click()
  await expect(page.getByTestId('cut-list')).toContainText('30')
  await page.getByRole('tab', { name: 'cold line' }).click()

  await test.step('a dimension is touched and typed, and everything else follows', async () => {
    await page.getByRole('button', { name: /^Dimension from the middle of the elbow/ }).click()
    await expectAccessible(page, 'cut, keypad')
    await tapLength(page, ['2', '4', '1/2'])
    await expect(page.getByTestId('cut-list')).toContainText('23')
    await measure(page, /^Dimension from the wall to the end/, ['4'])
    await expect(page.getByText('Caution: Stale')).toBeVisible()
    await page.getByRole('button', { name: /^Undo/ }).click()
    await expect(page.getByText('Caution: Stale')).toBeHidden()
    await expectAccessible(page, 'cut, measured')
  })

  await test.step('one number after the other, then the drawing as a file', async () => {
    await page.getByTestId('cut-next').click()
    await expect(page.getByTestId('saw-number')).toBeVisible()
    await expectAccessible(page, 'saw')
    await page.getByTestId('saw-next').click()
    // a second touch before the next number is there would be one of the same
    await expect(page.getByRole('heading', { name: '2 of 2' })).toBeVisible()
    await page.getByTestId('saw-next').click()
    await expect(page.getByText('All cut')).toBeVisible()
    await page.getByTestId('saw-next').click()
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Drawing as SVG' }).click()
    expect((await download).suggestedFilename()).toBe('cold-line.svg')
    await expect
      .poll(
        async () =>
          (await rowsIn(stack, "SELECT 1 FROM dimension WHERE entered = '24 1/2' AND NOT withdrawn")).length,
      )
      .toBe(1)
  })

  await test.step('the gauge is calibrated once, and Find measures with it', async () => {
    await page.getByRole('tab', { name: /^Find/ }).click()
    await askFor(page, 'Across, on the screen gauge')
    await expectAccessible(page, 'calibration')
    await page.getByRole('button', { name: 'It is as wide as the card' }).click()
    await page.getByRole('button', { name: /the next smaller pipe/ }).click()
    await page.getByRole('button', { name: 'Both edges meet the lines' }).click()
    await expect(page.getByRole('dialog')).toBeHidden()
    await expect(page.getByText(/Across, on the screen gauge: \d+\.\d mm/).first()).toBeVisible()
  })

  await test.step('tools of the bench', async () => {
    for (const [path, words] of [
      ['trap?mm=203_61_558_457_25_200_', 'Swing the bend'],
      ['hole?mm=88.9_34.925_', 'nail plate'],
      ['heights?mm=762', 'as usual'],
      ['pair?mm=400_150_80&turn=45', 'out of the plane'],
      ['mate?a=copper~1/2&into=valve&outMm=304.8', 'Draw it back'],
      ['gauge?tool=threads', '11.5 /in'],
    ] as const) {
      await page.goto(`${stack.url}/bench/${path}`)
      await expect(page.getByText(new RegExp(words)).first()).toBeVisible()
      await expectAccessible(page, path)
    }
  })
  await context.close()
})
