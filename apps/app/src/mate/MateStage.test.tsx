import { mate, mouthOf, PLAIN_CONDITIONS, STARTING_SETTINGS } from '@diarmos/core'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { prefer } from '../data/preferences'
import { enter, stage, withFixture } from '../test/atStage'
import { held, openShop } from '../test/shop'
import { all, dialog, one, press } from '../test/touch'
import { Nothing } from './Refused'

jest.mock('../workers/solver')
jest.mock('expo-router', () => jest.requireActual('../test/address').router)
const text = (id: string) => screen.getByTestId(id).textContent ?? ''

/** A half-inch copper stub and a faucet, looked at as far as Mate, under some conditions. */
async function atMate(situation: object = {}, fixture: RegExp = /Fixture: Faucet/): Promise<string> {
  const { jobId } = await withFixture({ stubMm: 50.8, ...situation }, fixture)
  await stage('Mate')
  return jobId
}
/** Words for people: nothing of the core's own names, and no hole left unfilled. */
const plain = (words: string) => {
  expect(words).not.toMatch(/[{}]|undefined|\b[a-z]+\.[a-z]+-[a-z]+\b/)
  return words
}

beforeEach(async () => {
  prefer({ unit: 'in', denominator: 16, measurer: 'tape' })
  await openShop()
})
afterEach(cleanup)

describe('the ways of a line', () => {
  it('stand in a strip by their price, and the figures of one are those of its card and of a comparison', async () => {
    await atMate()
    const tiles = all('tab', /^Way \d/)
    expect(tiles.length).toBeGreaterThan(1)
    // what is best for both lines together is shown first, and need not be the cheapest of one
    await press(tiles[0] as HTMLElement)
    const priceOf = (label: string) => /, ([^,]+)$/.exec(label)?.[1] ?? ''
    const [first, second] = tiles.map((tile) => tile.getAttribute('aria-label') ?? '')
    expect(text('option-1')).toContain(priceOf(first ?? ''))
    await press(one('button', new RegExp(`^${/Way (\d+)/.exec(second ?? '')?.[1]}\\. `)))
    const compared = text('compare')
    expect(compared).toContain(priceOf(first ?? ''))
    expect(compared).toContain(priceOf(second ?? ''))
    await press(one('button', 'Close', dialog()))
    // another way is drawn at a touch, and only chosen when it is said
    await press(tiles[1] as HTMLElement)
    expect(held('mating')).toHaveLength(0)
    const choose = one('button', 'Choose this way')
    fireEvent.click(choose)
    await press(choose)
    // one for each line, however often it is touched; whole, and by tables that are named
    expect(held('mating').map(({ fields }) => fields.lineId)).toHaveLength(2)
    for (const { fields } of held('mating')) {
      expect(fields.option.costs.totalCents).toBeGreaterThan(0)
      expect(fields.option.parts.every(({ made }) => made !== undefined)).toBe(true)
      expect(fields.option.joints.every(({ acts }) => (acts?.length ?? 0) > 0)).toBe(true)
      expect(fields.versions.catalogue).toMatch(/^[0-9a-f]{8}$/)
    }
  })

  it('none is chosen while facts are being written that it does not count', async () => {
    await atMate()
    fireEvent.click(one('switch', 'Flame allowed'))
    const choose = one('button', 'Choose this way')
    expect(choose.getAttribute('aria-disabled')).toBe('true')
    await press(choose)
    expect(held('mating')).toEqual([])
    await press(one('button', 'Choose this way'))
    expect(held('mating')).toHaveLength(2)
  })

  it('what is not offered has a reason and a source, in words', async () => {
    await atMate({ flame: false, line: 'trickle' })
    await press(screen.getByTestId('refusals'))
    const words = plain(document.body.textContent ?? '')
    expect(words).toContain('would help:')
    // what such a pipe never takes is one row
    expect(words.match(/Not made on copper tube of this size/g)).toHaveLength(1)
    expect(words).toMatch(/allow a flame|dry/)
  })

  it('where nothing fits, says the smallest changes that would help, and what they give', async () => {
    await atMate({ flame: false, access: 'closed-wall', line: 'trickle', scored: true })
    const words = plain(text('nothing-fits'))
    expect(words).toContain('One of these changes would make it possible')
    expect(words).toMatch(/gives: .+ all told/)
    expect(screen.queryByText('Choose this way')).toBeNull()
    expect(document.body.textContent).not.toContain('Chosen here')
  })

  it('says beside a change what it lifts, and leaves no hole where what stays is joined by nothing new', () => {
    const conditions = {
      ...PLAIN_CONDITIONS,
      service: 'waste' as const,
      oldJoint: 'flange' as const,
      flangeMm: 0,
      roughMm: 254,
      bowlMm: 304.8,
    }
    const line = { lineId: 'a', pipeId: 'pvc-dwv.40.3', to: mouthOf('waste.bowl'), conditions }
    const [result] = mate({ lines: [line], settings: STARTING_SETTINGS }).lines
    render(<Nothing result={result as NonNullable<typeof result>} />)
    const words = plain(text('nothing-fits'))
    expect(words).toMatch(/gives: the flange stays, \$[\d.]+ all told/)
    // twelve inches wanted and ten there, of which an offset flange makes up one and a half
    expect(words).toContain('The flange stands 1/2" too near the wall, also for an offset flange')
  })

  it('conditions are kept for both lines, and for one where they are unlike', async () => {
    await atMate()
    await press(one('button', '+ more conditions'))
    await press(one('radio', /turns before the fixture: 90°/))
    await press(one('radio', /Static pressure.*: over 80/))
    await press(one('switch', 'Cold in here, under 50 °F'))
    expect(held('situation').map(({ fields }) => [fields.turn, fields.pressurePsi, fields.airC])).toEqual([
      [90, 90, 5],
      [90, 90, 5],
    ])
    await press(one('switch', /lines alike/))
    await press(one('switch', 'In daylight'))
    expect(held('situation').filter(({ fields }) => fields.sunlight)).toHaveLength(1)
    // a line that turns has a bend in every way
    for (const tile of all('tab', /^Way \d/)) {
      await press(tile)
      expect(
        text(/^Way (\d+)/.exec(tile.getAttribute('aria-label') ?? '')?.[1] === '1' ? 'option-1' : 'stage'),
      ).toMatch(/elbow/)
    }
  })

  it('a rigid gap is filled with pipe, and what was measured for it is not asked for again', async () => {
    await atMate({ spanMm: 700 }, /Fixture: Shower, tub/)
    // the way that is best for both lines together is shown, whatever its rank; one piece fills the gap
    const shown = screen.getByTestId(/^option-/).textContent ?? ''
    expect(shown.match(/tube/g)).toHaveLength(1)
    await press(one('button', 'Choose this way'))
    await stage('Cut')
    // one piece and one measurement: it is known
    expect(text('cut-list')).not.toContain('?')
    expect(held('dimension')).toHaveLength(0)
  })

  it('before a heater it is asked how far the old pipe lifts: measured, what is pushed in closes there too', async () => {
    await atMate({}, /Fixture: Water heater/)
    // pushed in and screwed: with a union in it while nothing is measured, and then also without
    const hard = () => all('tab', /^Way \d/).filter((tile) => !/swivel/.test(tile.textContent ?? '')).length
    const drawn = hard()
    await press(one('button', 'Old pipe lifts off the heater by'))
    await enter('2')
    expect(held('situation').map(({ fields }) => fields.givesMm)).toEqual([50.8, 50.8])
    expect(hard()).toBeGreaterThan(drawn)
  })

  it('what holds for a time only is noted with the day by which someone must be back', async () => {
    const jobId = await atMate({ faults: ['pinhole'] })
    // only who asks for what is made up on the job is told of it
    expect(screen.queryByTestId('for-a-time')).toBeNull()
    await press(one('button', '+ more conditions'))
    await press(one('switch', 'Also improvised ways'))
    expect(plain(text('for-a-time'))).toMatch(/back by \w{3} \d+ \w{3}/)
    await press(one('button', /^Note it, with the day/))
    expect(held('job').find(({ id }) => id === jobId)?.fields.note).toMatch(
      /^For a time only: .+ Come back by /,
    )
  })
})

describe('a length on the keypad', () => {
  it('goes to both lines, as it was entered', async () => {
    await atMate()
    // what a faucet hangs on by a hose is asked of no lift
    expect(screen.queryByText(/^Old pipe lifts/)).toBeNull()
    await press(one('button', 'Bare stub, wall to the old fitting'))
    await enter('3', '1/4')
    expect(held('situation').map(({ fields }) => fields.stubMm)).toEqual([82.55, 82.55])
  })
})
