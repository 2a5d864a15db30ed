import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { prefer } from '../data/preferences'
import { JobPage } from '../job/JobPage'
import { enter, stage, withFixture } from '../test/atStage'
import { held, openJob, openShop } from '../test/shop'
import { all, dialog, one, press, settled } from '../test/touch'

jest.mock('../workers/solver')
jest.mock('expo-router', () => jest.requireActual('../test/address').router)
/** What a length says of itself, all of them in order. */
const lengths = (root: HTMLElement = screen.getByTestId('cut-list')) =>
  all('img', / inches$/, root).map((length) => length.getAttribute('aria-label'))
/** A washing valve round a corner from a copper stub, its way chosen: an elbow, a piece of pipe, the valve. */
async function atTheCut(): Promise<string> {
  const { hot } = await withFixture({ stubMm: 76.2, turn: 90 }, /Fixture: Washing/)
  await stage('Mate')
  // the first with an elbow and a piece of pipe: a soldered one without comes first
  for (const way of all('tab', /^Way \d/)) {
    await press(way)
    if (/elbow.*tube/i.test(screen.getByTestId('stage').textContent ?? '')) break
  }
  await press(one('button', 'Choose this way'))
  await stage('Cut')
  return hot
}

/** A run of copper that was scratched and found, and what goes into it. */
async function intoRun(what: string): Promise<void> {
  const { jobId } = await openJob()
  render(<JobPage jobId={jobId} />)
  await press(one('tab', 'Touch'))
  await press(one('button', /Scratch/))
  await press(one('radio', /copper/, dialog()))
  await press(one('switch', /Same pipe/))
  await press(screen.getByTestId('take-finding'))
  await stage('Fixture')
  await press(one('radio', /Fixture: Into a run/))
  await press(one('radio', `Its end: ${what}`))
}

beforeEach(async () => {
  prefer({ unit: 'in', denominator: 16, measurer: 'tape' })
  await openShop()
})
afterEach(cleanup)

it('where a hose begins is not measured: between what it may be, the shortest is taken at a touch', async () => {
  await withFixture({ stubMm: 152.4, reachMm: 406.4 }, /Fixture: Water heater/)
  await stage('Mate')
  await press(one('tab', 'cold line'))
  // a valve with a piece of pipe behind it
  for (const way of all('tab', /^Way \d/)) {
    await press(way)
    if (/tube.*connector/i.test(screen.getByTestId('stage').textContent ?? '')) break
  }
  await press(one('button', 'Choose this way'))
  await stage('Cut')
  const list = () => screen.getByTestId('cut-list').textContent ?? ''
  expect(list()).toContain('?')
  expect(screen.getByText(/^Anything from .+ to .+ will do: the hose takes up the rest/)).toBeTruthy()
  await press(one('button', /^Take the shortest/))
  expect(list()).not.toContain('?')
  // it is off by what the parts are off, and the hose takes that up
  expect(screen.queryByText(/May be off by/)).toBeNull()
  expect(screen.getByText(/The connector reaches/)).toBeTruthy()
})

it('rigid to a heater nobody measured how far, the old pipe has no length, and it is said how one is found', async () => {
  await withFixture({ stubMm: 203.2, givesMm: 60 }, /Fixture: Water heater/)
  await stage('Mate')
  for (const way of all('tab', /^Way \d/)) {
    await press(way)
    if (!/connector|tube|union/i.test(screen.getByTestId('stage').textContent ?? '')) break
  }
  await press(one('button', 'Choose this way'))
  await stage('Cut')
  expect(screen.getByText(/^Nothing in it takes up a difference: measure from/)).toBeTruthy()
  expect(screen.getByTestId('cut-list').textContent).toContain('?')
  expect(all('button', 'To the saw')).toEqual([])
})

describe('a run that is cut open', () => {
  it('is mated, cut and put in order on the job: what comes out, what slides, what goes in', async () => {
    await intoRun('A valve into the run')
    await press(one('button', 'Straight bare pipe, other side'))
    await enter('6')
    expect(held('situation')[0]?.fields).toMatchObject({ farMm: 152.4, freeMm: null })
    await stage('Mate')
    await press(one('switch', 'Water seen from this line'))
    expect(screen.getByTestId('option-1').textContent).toMatch(/valve/)
    await press(one('button', 'Choose this way'))
    await stage('Cut')
    const ends = screen.getByTestId('fixed-ends')
    expect(ends.textContent).toContain('Measure the free pipe and the room beside it')
    await press(one('button', 'Take out of the run'))
    await enter('1', '2')
    expect(held('dimension').at(-1)?.fields).toMatchObject({ from: 'stub', to: 'tail', mm: 304.8 })
    expect(screen.getByText(/^Cut piece A: \d+/)).toBeTruthy()
    expect(all('listitem', /Draw it back/)).toHaveLength(1)
    // the piece stands in the cut list too, and no old stub is cut
    expect(screen.getByTestId('cut-list').textContent).not.toContain('Old pipe')
    expect(all('checkbox', 'Piece A is cut')).toHaveLength(1)
    await stage('Make')
    expect(screen.getByTestId('tick-next')).toBeTruthy()
  })
})

describe('a corner whose old elbow goes with the cut', () => {
  it('asks for the elbow, turns the run with a new one, and says what comes out of each leg', async () => {
    await intoRun('A new corner in the run')
    await press(one('button', 'Bad pipe, end to end'))
    await enter('1')
    await press(one('button', 'Old elbow, middle to mouth'))
    await enter('1')
    await press(one('button', 'Middle of the bad pipe to the elbow’s middle'))
    await enter('2')
    // the mark in the middle of what is bad, the elbow two inches further on, two inches from mouth to mouth
    expect(held('situation')[0]?.fields.onRun).toEqual({
      badMm: 25.4,
      things: [{ kind: 'elbow', fromMm: expect.closeTo(25.4, 6), toMm: expect.closeTo(76.2, 6) }],
    })
    await stage('Mate')
    await press(one('switch', 'Water seen from this line'))
    const option = screen.getByTestId('option-1').textContent
    expect(option).toMatch(/elbow/)
    await press(one('button', 'Choose this way'))
    const [near, far] = held('mating')[0]?.fields.option.removeLegsMm ?? []
    // two inches and the half of the bad pipe on this side, the elbow's own half on the other
    expect(near?.max).toBeGreaterThanOrEqual(63.5)
    expect(far?.max).toBeGreaterThanOrEqual(25.4)
    await stage('Cut')
    await press(one('button', /^Take out .* and /))
    const kept = held('dimension')
      .map(({ fields }) => fields)
      .sort((a, b) => (a.from > b.from ? -1 : 1))
    expect(kept.map(({ from, to }) => [from, to])).toEqual([
      ['stub', expect.stringMatching(/^part:\d:centre$/)],
      [expect.stringMatching(/^part:\d:centre$/), 'tail'],
    ])
    // no less than is bad, and what the new pieces fill
    for (const [leg, window, least] of [
      [0, near, 63.5],
      [1, far, 25.4],
    ] as const) {
      expect(kept[leg]?.mm).toBeGreaterThanOrEqual(Math.max(least, window?.min ?? 0) - 1e-6)
      expect(kept[leg]?.mm).toBeLessThanOrEqual((window?.max ?? 0) + 1e-6)
    }
    expect(screen.getByTestId('fixed-ends').textContent).toContain('the old elbow goes with it')
    expect(all('button', /^Take out .* and /)).toHaveLength(0)
  })
})

describe('the cut of a line with a piece of pipe', () => {
  it('asks as a tape would, follows what is measured, and sends it to the saw', async () => {
    const hot = await atTheCut()
    expect(screen.getByText(/From the middle of the elbow to/)).toBeTruthy()
    // the old pipe with its mark, and the piece's two marks: its own length is not known yet
    expect(lengths()).toHaveLength(4)
    // by its key on the wide view
    fireEvent.keyDown(window, { key: 'm' })
    await settled()
    await enter('3', '0', '1/2')
    expect(held('dimension').map(({ fields }) => fields)).toMatchObject([
      { lineId: hot, entered: '30 1/2', mm: 774.7, measurer: 'tape', withdrawn: false },
    ])
    // 30-1/2 in between the middles, less both take-outs, plus both insertions, is what the core says
    expect(lengths()).toHaveLength(5)

    // the same in another unit: nothing that was entered changes
    const before = lengths().at(-1)
    await press(one('button', '1/16 → 1/32'))
    await press(one('button', '1/32 → mm'))
    await press(one('button', 'mm → in'))
    expect(lengths().at(-1)).toBe(before)
    expect(held('dimension')[0]?.fields.entered).toBe('30 1/2')

    // one number after the other
    await press(screen.getByTestId('cut-next'))
    const cuts = held('check').length
    expect(screen.getByTestId('saw-number')).toBeTruthy()
    await act(async () => {
      fireEvent.keyDown(window, { key: 'Enter' })
    })
    await settled()
    await press(screen.getByTestId('saw-next'))
    expect(held('check').length).toBe(cuts + 2)
    expect(screen.getByText('✓ All cut')).toBeTruthy()
    await press(screen.getByTestId('saw-next'))
    // pipe that is cut is not yet made up
    expect(one('tab', /^Cut/).getAttribute('aria-label')).toBe('Cut, next')

    // measured anew: what was cut before is no longer right, and says so
    await press(one('button', /^From the middle of the elbow/))
    await enter('2', '9')
    expect(screen.getByText('⚠ cut at')).toBeTruthy()
    expect(held('dimension').filter(({ fields }) => !fields.withdrawn)).toHaveLength(1)
    await press(one('button', /^Drop/))
    expect(held('dimension').filter(({ fields }) => !fields.withdrawn)).toHaveLength(0)
    await act(async () => {
      await import('../data/store').then(({ undo }) => undo())
    })
    await settled()
    expect(held('dimension').filter(({ fields }) => !fields.withdrawn)).toHaveLength(1)
  })

  it('says whether the line beside it leaves room, and by how much to stagger where it does not', async () => {
    await atTheCut()
    await press(one('button', 'To the cold line, middle to middle'))
    await enter('4')
    expect(screen.getByText('✓ bodies and wrenches clear each other')).toBeTruthy()
    await press(one('button', 'To the cold line, middle to middle'))
    await enter('1')
    // two push-fit elbows of 28 mm and a gap of 3 mm, in sixteenths upward
    expect(screen.getByText(/they would touch.*side by side they need 1 1\/4/)).toBeTruthy()
    expect(held('dimension').filter(({ fields }) => !fields.withdrawn)).toMatchObject([
      { fields: { mm: 25.4 } },
    ])
  })

  it('measures between any two places of a straight stretch, and says how far apart they are known to be', async () => {
    await atTheCut()
    await press(one('button', 'Between two places'))
    // the old pipe and the elbow on it: their places are fixed by the parts
    await press(one('radio', 'From: wall', dialog()))
    await press(one('radio', 'To: middle of the elbow', dialog()))
    expect(lengths(screen.getByTestId('apart'))).toHaveLength(1)
    await press(one('radio', 'Straight stretch: 2', dialog()))
    await press(one('radio', 'From: far mouth of the elbow', dialog()))
    await press(one('radio', 'To: near mouth of the valve', dialog()))
    expect(screen.getByTestId('apart').textContent).toContain('?')
    await press(one('button', 'Measure it', dialog()))
    await enter('2', '0')
    expect(held('dimension')[0]?.fields).toMatchObject({ from: 'part:0:out', to: 'part:2:in', mm: 508 })
    // twenty inches between the mouths, an inch into the elbow and five eighths over the valve's barb
    expect(lengths().at(-1)).toBe('21 5/8 inches')
  })

  it('names measurements that cannot all be true, and keeps those of another way', async () => {
    await atTheCut()
    await press(screen.getByTestId('cut-next'))
    await enter('3', '0')
    await press(one('button', 'Between two places'))
    await press(one('radio', 'Straight stretch: 2', dialog()))
    await press(one('radio', 'From: far mouth of the elbow', dialog()))
    await press(one('radio', 'To: near mouth of the valve', dialog()))
    await press(one('button', 'Measure it', dialog()))
    await enter('2', '0')
    const words = document.body.textContent ?? ''
    expect(words).toContain('These measurements cannot all be true: they disagree by')
    expect(words).toContain('Measured from the far mouth of the elbow to the near mouth of the valve.')
    await stage('Mate')
    const others = all('tab', /^Way \d/).filter((tile) => tile.getAttribute('aria-selected') === 'false')
    await press(others[0] as HTMLElement)
    await press(one('button', 'Choose this way'))
    await stage('Cut')
    expect(document.body.textContent).toContain('2 measurements belong to ways that are no longer chosen')
    expect(held('dimension').filter(({ fields }) => !fields.withdrawn)).toHaveLength(2)
  })

  it('says what makes a piece impossible, and by how much', async () => {
    await atTheCut()
    await press(screen.getByTestId('cut-next'))
    await enter('1')
    expect(screen.getByText(/There is no room for a piece/)).toBeTruthy()
    expect(held('check')).toEqual([])
  })
})
