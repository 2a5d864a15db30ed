import { act, cleanup, screen } from '@testing-library/react'
import { prefer } from '../data/preferences'
import { stage, withFixture } from '../test/atStage'
import { held, openShop } from '../test/shop'
import { all, dialog, one, press } from '../test/touch'

jest.mock('../workers/solver')
jest.mock('expo-router', () => jest.requireActual('../test/address').router)
const cards = () => Number(one('progressbar', 'Cards done').getAttribute('aria-valuenow'))
const next = () => screen.getByTestId('tick-next')
const card = () => screen.getByTestId('card').textContent ?? ''
const results = () => held('check').map(({ fields }) => fields.result)

beforeEach(async () => {
  prefer({ unit: 'in' })
  // a van that solders: what cools is waited for
  await openShop({ toolsAboard: ['tube-cutter', 'torch'] })
})
afterEach(cleanup)

async function toMake(): Promise<void> {
  await withFixture({ stubMm: 60 }, /^Fixture: Faucet/)
  await press(one('switch', 'It stays, only its piping is new'))
  await stage('Mate')
  await act(async () => {})
  // the first way with a flame
  for (const way of all('tab', /^Way \d/)) {
    await press(way)
    if (/sweat/i.test(screen.getByTestId(/^option-/).textContent ?? '')) break
  }
  await press(one('button', 'Choose this way'))
  await stage('Make')
  await act(async () => {})
}

it('one touch ticks a card on both lines, and one that is left out stays to be done', async () => {
  await toMake()
  expect(held('job')[0]?.fields.fixtures[0]?.stays).toBe(true)
  // up to the first card that is done on both lines
  for (let step = 0; step < 12 && all('checkbox', /^(hot|cold): /).length < 2; step++) await press(next())
  const before = cards()
  const done = results().length
  await press(one('checkbox', 'cold: with this one'))
  await press(next())
  // hot alone is ticked: the card is still there
  expect(cards()).toBe(before)
  expect(results().length).toBeGreaterThan(done)
  const lines = new Set(held('check').flatMap(({ fields }) => fields.lineId ?? []))
  expect(lines.size).toBe(1)
  await press(next())
  expect(cards()).toBe(before + 1)
  // back to it, and its ticks are taken back
  await press(one('button', /^‹/))
  await press(one('button', 'Take it back'))
  expect(cards()).toBe(before)
  expect(results().filter((result) => result === 'undone').length).toBeGreaterThan(1)
})

it('what hurts is seen to by itself; what cools is counted down from when it was ticked; wet stops the work', async () => {
  await toMake()
  let acknowledged = 0
  let waited = 0
  for (let step = 0; step < 30 && screen.queryByTestId('tick-next'); step++) {
    if (/Seen to/.test(next().textContent ?? '')) {
      acknowledged++
      expect(screen.queryByTestId('card')).toBeNull()
    }
    const timers = all('timer', 'Waits')[0]?.textContent ?? ''
    if (/[1-9]:\d\d/.test(timers)) waited++
    const wet = screen.queryByTestId('card-wet')
    if (wet && !results().includes('wet')) {
      await press(wet)
      expect(one('alert', /A seam is wet/)).toBeTruthy()
      expect(results()).toContain('wet')
      // made again and dry
      await press(next())
      expect(results()).not.toContain('wet')
      continue
    }
    await press(next())
  }
  expect(acknowledged).toBeGreaterThan(0)
  expect(waited).toBeGreaterThan(0)
  expect(screen.getByText('Everything is made.')).toBeTruthy()
  // every wait was ticked by the card that came after it
  const stepIds = held('check').map(({ fields }) => fields.stepId)
  expect(stepIds.some((id) => id.endsWith('/cool'))).toBe(true)
})

it('left for the night, every end that stands open is named with what closes it, and how long that takes', async () => {
  await toMake()
  // up to where the old stop is off
  const off = () => held('check').some(({ fields }) => fields.stepId.includes('/remove/'))
  for (let count = 0; count < 40 && !off(); count++) await press(next())
  expect(off()).toBe(true)
  await press(one('button', 'Different'))
  const said = dialog().textContent ?? ''
  expect(said).toMatch(/cap.*\d+ min/)
  expect(said).toMatch(/To finish it instead: \d+ min/)
  expect(said).toMatch(/Water can be back in \d+ min/)
})

it('every step can be ticked by itself, and what is different leads to where it is said', async () => {
  await toMake()
  await press(one('button', 'All steps'))
  const [first] = all('checkbox', /Lay out all parts/, dialog())
  await press(first as HTMLElement)
  expect(results()).toEqual(['done'])
  await press(one('button', 'Close', dialog()))
  expect(card()).not.toBe('')
  await press(one('button', 'Different'))
  // nothing is open yet, and water needs not come back
  expect(dialog().textContent).toContain('not opened: nothing to do')
  expect(dialog().textContent).toContain('The water is on')
  await press(one('button', 'Look again', dialog()))
  expect(one('tab', /^Find/).getAttribute('aria-selected')).toBe('true')
})

it('what will be covered is held under pressure, looked at again and inspected first', async () => {
  await withFixture({ stubMm: 60 }, /^Fixture: Faucet/)
  await press(one('switch', 'It stays, only its piping is new'))
  await stage('Mate')
  expect(all('switch', /A permit is open/)).toEqual([])
  await press(one('switch', 'Within reach later'))
  await press(one('switch', /A permit is open/))
  expect(held('job')[0]?.fields.permit).toBe(true)
  await press(one('button', 'Choose this way'))
  await stage('Make')
  await act(async () => {})
  const said: string[] = []
  for (let step = 0; step < 40 && screen.queryByTestId('tick-next'); step++) {
    said.push(screen.getByTestId('stage').textContent ?? '')
    await press(next())
  }
  expect(said.some((text) => text.includes('Leave it shut for 15 minutes'))).toBe(true)
  const at = (what: RegExp) => said.findIndex((text) => what.test(text))
  expect(at(/It holds/)).toBeGreaterThan(at(/The gauge on, the line at no less than/))
  expect(at(/the inspector has seen it open/)).toBeGreaterThan(at(/It holds/))
  expect(held('check').find(({ fields }) => fields.stepId === 'general/hold')?.fields.result).toBe('dry')
  // looked at again first: no wall is closed before
  expect(screen.getByTestId('card').textContent).toContain('Close the wall')
  expect(one('note', /Not before it was looked at again/).textContent).toMatch(/two hours.*next morning/)
  await press(one('button', 'On to the proof'))
  for (const look of ['Again after two hours.', 'Again next morning.'])
    await press(all('radio', /dry$/, one('radiogroup', look))[0] as HTMLElement)
  await stage('Make')
  await act(async () => {})
  await press(next())
  expect(screen.getByText('Everything is made.')).toBeTruthy()
})
