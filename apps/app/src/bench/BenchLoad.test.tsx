import { cleanup, render, screen } from '@testing-library/react'
import { prefer } from '../data/preferences'
import { address } from '../test/address'
import { openShop } from '../test/shop'
import { one, press, settled } from '../test/touch'
import { BenchLoad } from './BenchLoad'
import { decodeCounts, encodeCounts } from './counts'

jest.mock('../workers/solver')
jest.mock('expo-router', () => jest.requireActual('../test/address').router)
const show = async (params: Record<string, string> = {}) => {
  address.go(params)
  render(<BenchLoad />)
  await settled()
}
const text = () => document.body.textContent ?? ''
beforeEach(async () => {
  prefer({ unit: 'in' })
  await openShop({ codeProfile: 'UPC' })
})
afterEach(cleanup)

it('counts by the shop’s code, one touch a fixture, and says the size that takes it all', async () => {
  await show()
  expect(text()).toContain('Count all that drains through it')
  for (const name of ['Tub, also with a shower over it', 'Kitchen sink', 'Washing machine', 'Basin'])
    await press(one('button', `+. one ${name} more`))
  // 2 + 2 + 3 + 1, and two inches lying take eight
  expect(text()).toMatch(
    /It takes them: 8 of 8 fixture units, 0 left. 2 in is the smallest that takes it all/,
  )
  expect(one('radio', 'Its size, in: 2').getAttribute('aria-checked')).toBe('true')
  await press(one('radio', 'Its size, in: 2'))
  await press(one('button', '+. one Basin more'))
  expect(text()).toMatch(
    /2 in takes 8 fixture units, and 9 come.*2-1\/2 in is the smallest that takes it all/,
  )
  await press(one('radio', 'The pipe is: a stack'))
  expect(text()).toContain('9 of 16 fixture units')
  // a size of one code is none of another's: nothing is asked of it there
  await press(one('radio', 'Counted by: EN'))
  expect(text()).toMatch(/It takes them: [\d.]+ of [\d.]+ litres a second/)
  expect(text()).not.toContain('no pipe of')
  // everything stands in the address
  expect(address.params).toMatchObject({ pipe: 'stack', code: 'EN', has: expect.stringContaining('basin.2') })
})

it('a link carries the counts, and one that cannot be is said, not guessed', async () => {
  await show({ has: 'toilet.3', size: '3', code: 'IPC' })
  expect(text()).toContain('2 toilets at most drain through 3 in here')
  cleanup()
  await show({ has: 'toilet.lots' })
  expect(screen.getByText('The link holds a count that cannot be.')).toBeTruthy()
  for (const wrong of ['palace.1', 'tub.51', 'tub.-1', 'tub.1.5x'])
    expect(decodeCounts(wrong).counts).toEqual({})
  const counts = { basin: 2, tub: 0, toilet: 1 }
  expect(decodeCounts(encodeCounts(counts)).counts).toEqual({ basin: 2, toilet: 1 })
})
