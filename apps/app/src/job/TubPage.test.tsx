import { act, cleanup, render, screen } from '@testing-library/react'
import { prefer } from '../data/preferences'
import { enter } from '../test/atStage'
import { held, openJob, openShop } from '../test/shop'
import { all, dialog, one, press } from '../test/touch'
import { JobPage } from './JobPage'

jest.mock('../workers/solver')
jest.mock('expo-router', () => jest.requireActual('../test/address').router)
const stage = (name: string) => press(one('tab', new RegExp(`^${name}`)))
const lines = () => all('tab', / line$/).map((tab) => tab.getAttribute('aria-label'))

async function find(jobId: string, both = true) {
  render(<JobPage jobId={jobId} />)
  await press(one('tab', 'Touch'))
  await press(one('button', /Scratch/))
  await press(one('radio', /bright copper|copper/, dialog()))
  if (!both) await press(one('switch', /Same pipe/))
  await press(screen.getByTestId('take-finding'))
}

beforeEach(async () => {
  prefer({ unit: 'in' })
  await openShop()
})
afterEach(cleanup)

describe('a tub and shower', () => {
  it('has four lines, two of them from the new valve, chosen one by one and planned together', async () => {
    const { jobId } = await openJob()
    await find(jobId)
    await stage('Fixture')
    await press(one('radio', 'Fixture: Shower, tub'))
    expect(lines()).toEqual(['hot line', 'cold line'])
    await press(one('radio', 'It feeds: both'))
    expect(held('job')[0]?.fields.fixtures.map(({ kind }) => kind)).toEqual([
      'valve.combo.1/2',
      'spout.slip.1/2',
      'arm.1/2',
    ])
    expect(lines()).toEqual(['hot line', 'cold line', 'spout line', 'shower line'])
    await stage('Mate')
    await press(one('radio', 'On the old end: nothing: it is bare'))
    for (const line of ['hot', 'spout', 'shower']) {
      await press(one('tab', `${line} line`))
      await act(async () => {})
      expect(screen.getByTestId(/^option-/)).toBeTruthy()
      await press(one('button', 'Choose this way'))
    }
    const matings = held('mating').map(({ fields }) => JSON.parse(fields.basis.replace(/^\d+:/, ''))[0])
    // hot and cold stand alike and are chosen at one touch; the others begin at the valve
    expect(matings.filter((begin) => /^copper/.test(begin))).toHaveLength(2)
    expect(matings.filter((begin) => begin === 'valve.combo.1/2')).toHaveLength(2)
    await stage('Make')
    expect(screen.getByTestId('tick-next')).toBeTruthy()
    await press(one('button', 'All steps'))
    expect(screen.getAllByText(/◗ shower/).length).toBeGreaterThan(0)
    await press(one('button', 'Close', dialog()))
    // the spout's leg is left long, capped, and cut with the spout in hand; not so what comes out of the old wall
    await stage('Cut')
    await press(one('tab', 'hot line'))
    expect(all('button', 'Leave it long for now')).toEqual([])
    await press(one('tab', 'spout line'))
    await press(one('button', 'Leave it long for now'))
    expect(one('button', 'Cut it now by the tape')).toBeTruthy()
    await stage('Make')
    await press(one('button', 'All steps'))
    const steps = all('checkbox', /spout/, dialog()).map((box) => box.getAttribute('aria-label') ?? '')
    const at = (words: RegExp) => steps.findIndex((step) => words.test(step))
    expect(at(/Leave the pipe long and cap it/)).toBeGreaterThanOrEqual(0)
    expect(at(/cap off; hold what goes on there/)).toBeGreaterThan(at(/cap it/))
    expect(at(/Push the spout home/)).toBeGreaterThan(at(/cap off/))
  })

  it('has a fifth line where a valve with a third outlet feeds a spray, and closes that outlet where it does not', async () => {
    const { jobId } = await openJob()
    await find(jobId)
    await stage('Fixture')
    await press(one('radio', 'Fixture: Shower, tub'))
    await press(one('radio', 'It feeds: shower'))
    expect(all('radio', /^Its third outlet/)).toEqual([])
    await press(one('radio', /^Its end: Shower valve with three outlets, 1\/2 in thread/))
    expect(lines()).toEqual(['hot line', 'cold line', 'spout line', 'shower line', 'spray line'])
    await press(one('radio', 'Its third outlet: a body spray'))
    expect(held('job')[0]?.fields.fixtures.map(({ kind }) => kind)).toEqual([
      'valve.three.1/2',
      'arm.1/2',
      'spray.1/2',
    ])
    await stage('Mate')
    await press(one('radio', 'On the old end: nothing: it is bare'))
    for (const [line, part] of [
      ['spray', /drop-ear/i],
      ['spout', /cap|plug/i],
    ] as const) {
      await press(one('tab', `${line} line`))
      await act(async () => {})
      expect(screen.getAllByText(part).length).toBeGreaterThan(0)
      await press(one('button', 'Choose this way'))
    }
    // another valve has no such outlet, and nothing hangs on it
    await stage('Fixture')
    await press(one('radio', /^Its end: Shower or tub valve, 1\/2 in thread/))
    expect(held('job')[0]?.fields.fixtures.map(({ kind }) => kind)).toEqual(['valve.combo.1/2', 'arm.1/2'])
    expect(lines()).not.toContain('spray line')
  })

  it('is held against its wall: measured once for the valve, kept with the job', async () => {
    const { jobId } = await openJob()
    await find(jobId)
    await stage('Fixture')
    await press(one('radio', 'Fixture: Shower, tub'))
    await press(one('button', 'Does it fit its wall?'))
    for (const [row, ...keys] of [
      ['Blocking to the stud’s face', '2', '1/4'],
      ['Board', '1/2'],
      ['Window, least', '2'],
      ['Window, most', '2', '1/4'],
      ['Between the studs', '1', '4'],
    ] as const) {
      await press(one('button', row))
      await enter(...keys)
    }
    const [wall, ...others] = held('situation').flatMap(({ fields }) =>
      fields.valveWall ? [fields.valveWall] : [],
    )
    expect(wall).toMatchObject({
      studMm: 57.15,
      boardMm: 12.7,
      leastMm: 50.8,
      mostMm: 57.15,
      betweenMm: 355.6,
      tileMm: null,
    })
    expect(others).toEqual([])
    const said = screen.getByTestId('valve-wall').textContent
    expect(said).toMatch(/Out of the window/)
    expect(said).toMatch(/Put behind the valve, at least.*plywood/)
    expect(said).toMatch(/Blocking, cut to/)
  })

  it('is put in through the hole there is: what passes, what covers it, and which tools have room', async () => {
    const { jobId } = await openJob()
    await find(jobId)
    await stage('Fixture')
    await press(one('radio', 'Fixture: Shower, tub'))
    await press(one('button', 'Through a hole in the wall?'))
    for (const [row, ...keys] of [
      ['To the left edge', '3'],
      ['To the right edge', '3'],
      ['To the upper edge', '3'],
      ['To the lower edge', '2'],
      ['Face broken beyond the edge', '1'],
      ['Valve body, across', '7'],
      ['Valve body, up and down', '4'],
      ['Valve body, front to back', '3'],
      ['Plate that comes with it, across', '6', '1/2'],
    ] as const) {
      await press(one('button', row))
      await enter(...keys)
    }
    const said = screen.getByTestId('wall-opening').textContent
    // seven by three inches would lie in six by five only askew; its end goes first
    expect(said).toMatch(/It goes through.*7" behind the wall|It goes through, turned askew/)
    expect(said).toMatch(/Cover plate: round, 12 in across/)
    // both lines, since both are joined through it
    expect(held('situation').map(({ fields }) => fields.opening?.downMm)).toEqual([50.8, 50.8])
    await stage('Mate')
    await press(one('radio', 'On the old end: nothing: it is bare'))
    // two inches less the pipe's half are no room for a press jaw
    const option = screen.getByTestId('option-1').textContent
    expect(option).not.toMatch(/^1\. press/)
    await press(screen.getByTestId('refusals'))
    expect(document.body.textContent).toMatch(/In this hole the press joint has 1 11\/16/)
  })

  it('takes its lines away with the valve, and keeps what was found', async () => {
    const { jobId } = await openJob()
    await find(jobId)
    await stage('Fixture')
    await press(one('radio', 'Fixture: Shower, tub'))
    await press(one('radio', 'It feeds: shower'))
    // the outlet that feeds nothing is closed
    expect(lines()).toEqual(['hot line', 'cold line', 'spout line', 'shower line'])
    await press(one('radio', 'Fixture: Faucet'))
    expect(lines()).toEqual(['hot line', 'cold line'])
    await press(one('radio', 'Fixture: Spout, arm'))
    expect(lines()).toEqual(['spout line'])
    expect(held('finding')).toHaveLength(2)
  })
})

describe('a fixture that one line is enough for', () => {
  it('waits for no second line', async () => {
    const { jobId } = await openJob()
    await find(jobId, false)
    expect(held('finding')).toHaveLength(1)
    await stage('Fixture')
    await press(one('radio', 'Fixture: Toilet'))
    await stage('Mate')
    await press(one('radio', 'On the old end: nothing: it is bare'))
    await press(one('button', 'Choose this way'))
    expect(held('mating')).toHaveLength(1)
    await press(one('button', 'On to the cut'))
    expect(one('tab', /^Cut, next/)).toBeTruthy()
  })
})

describe('holes in the deck', () => {
  it('say which faucets sit on them, and why the others do not', async () => {
    const { jobId } = await openJob()
    await find(jobId)
    await stage('Fixture')
    await press(one('radio', 'Fixture: Faucet'))
    await press(one('button', 'Does it fit the holes?'))
    await press(one('radio', /three, 8 in$/, dialog()))
    const text = dialog().textContent ?? ''
    expect(text).toContain('✓ Faucet in three pieces, 6 to 16 in')
    expect(text).toContain('✕ Faucet on a 4 in body')
    await press(one('radio', /two, 180 mm$/, dialog()))
    await press(one('button', /^Take its usual end\. Bath mixer/, dialog()))
    expect(held('job')[0]?.fields.fixtures.map(({ kind }) => kind)).toEqual(['tap.tail.3/4'])
  })
})
