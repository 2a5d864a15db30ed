import { act, cleanup, screen } from '@testing-library/react'
import { prefer } from '../data/preferences'
import { enter, stage, withFixture } from '../test/atStage'
import { held, openShop } from '../test/shop'
import { all, one, press } from '../test/touch'

jest.mock('../workers/solver')
jest.mock('expo-router', () => jest.requireActual('../test/address').router)
beforeEach(async () => {
  prefer({ unit: 'in', denominator: 16, measurer: 'tape' })
  await openShop()
})
afterEach(cleanup)

const said = () => screen.getByTestId('run-cut').textContent ?? ''
/** Says of one more thing on the run where it is. */
async function thing(kind: string, side: string, from: readonly string[], long: readonly string[]) {
  await press(one('radio', `What hangs on the run there?: ${kind}`))
  await press(one('radio', `The ${kind} is on: ${side}`))
  await press(one('button', 'From the mark to its nearer end'))
  await enter(...from)
  await press(one('button', 'Its length along the run'))
  await enter(...long)
}

describe('where a run is cut', () => {
  it('is said from what is bad and what hangs on it; an old coupling goes with the cut', async () => {
    await withFixture(
      { oldJoint: 'none', stubMm: 400, farMm: 400, freeMm: 900, sidewaysMm: 50, plateMm: 0 },
      /Fixture: Into a run/,
    )
    await stage('Mate')
    await press(one('button', 'Choose this way'))
    await stage('Cut')
    await act(async () => {})
    expect(said()).toContain('Mark the middle of the place')
    await press(one('button', 'Bad pipe, end to end'))
    await enter('1')
    // one coupling bridges next to nothing
    expect(said()).toMatch(/More would have to come out than what goes in can fill, by 15\/16"/)
    await thing('coupling', 'the other side', ['3/4'], ['2'])
    expect(held('situation').flatMap(({ fields }) => fields.onRun?.things ?? [])).toEqual([
      { kind: 'coupling', fromMm: expect.closeTo(19.05, 6), toMm: expect.closeTo(69.85, 6) },
    ])
    expect(said()).toContain('No place for the cut')
    // what is offered then fills it, from the first on
    await stage('Mate')
    await act(async () => {})
    await press(all('tab', /^Way \d/)[0] as HTMLElement)
    await press(one('button', 'Choose this way'))
    await stage('Cut')
    await act(async () => {})
    expect(said()).toContain('The coupling goes with it')
    expect(said()).toMatch(/coupling, other side: 3\/4" off, 2" long/)
    // the bad inch, and the coupling whole: 1/2 in on this side, 2-3/4 in on the other
    expect(said()).toContain('Cut 1/2" on this side of the mark and 2 3/4" beyond it: 3 1/4" comes out.')
    // and so much is cut without being asked for again
    expect(all('button', 'Take out 3 1/4"')).toEqual([])
    // what turns the run cannot go with it
    await thing('elbow', 'this side', ['3/4'], ['1'])
    expect(said()).toMatch(/No place for the cut.*are missing to the elbow/)
    await press(one('button', 'Leave out. elbow'))
    expect(said()).toContain('The coupling goes with it')
  })
})
