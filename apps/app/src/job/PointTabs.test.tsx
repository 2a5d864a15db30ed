import { act, cleanup, render } from '@testing-library/react'
import { prefer } from '../data/preferences'
import { undo } from '../data/store'
import { held, openJob, openShop } from '../test/shop'
import { all, dialog, one, press } from '../test/touch'
import { JobPage } from './JobPage'

jest.mock('../workers/solver')
jest.mock('expo-router', () => jest.requireActual('../test/address').router)
const names = (pattern: RegExp) => all('tab', pattern).map((tab) => tab.getAttribute('aria-label'))
const more = (jobId: string) => held('job').find(({ id }) => id === jobId)?.fields.more ?? []

beforeEach(async () => {
  prefer({ unit: 'in' })
  await openShop()
})
afterEach(cleanup)

describe('a job at several points', () => {
  it('takes a new point in with its lines, says there what goes in, and lets it go again', async () => {
    const { jobId } = await openJob()
    render(<JobPage jobId={jobId} />)
    await press(one('tab', /^Fixture/))
    await press(one('radio', 'Fixture: Faucet'))
    await press(one('button', 'Work at one more point'))
    await press(one('radio', 'What is worked on?: Toilet', dialog()))
    await press(one('button', 'Take it into the job', dialog()))
    await act(async () => {})
    // the new point is in front, with the lines that such a point has
    expect(names(/, point$/)).toEqual(['Basin, point', 'Toilet, point'])
    expect(names(/ line$/)).toEqual(['cold line', 'drain line'])
    await press(one('radio', 'Fixture: Toilet'))
    expect(more(jobId)[0]?.fixtures.map(({ kind }) => kind)).toEqual(['toilet.fill.7/8'])
    expect(held('job')[0]?.fields.fixtures.map(({ kind }) => kind)).toEqual(['faucet.shank.1/2'])
    // bodies of two points are two, by their names too
    expect(more(jobId)[0]?.fixtures[0]?.id).not.toBe(held('job')[0]?.fields.fixtures[0]?.id)
    await press(one('tab', 'Basin, point'))
    expect(names(/ line$/)).toEqual(['hot line', 'cold line'])
    expect(one('radio', 'Fixture: Faucet').getAttribute('aria-checked')).toBe('true')
    // the point that the job was opened for stays
    expect(all('button', /^Leave /)).toEqual([])
    await press(one('tab', 'Toilet, point'))
    await press(one('button', 'Leave Toilet out of this job'))
    expect(all('tab', /, point$/)).toEqual([])
    expect(more(jobId)).toEqual([])
    await act(() => undo())
    expect(more(jobId)[0]?.fixtures.map(({ kind }) => kind)).toEqual(['toilet.fill.7/8'])
  })

  it('offers the points that are known in the house, each once', async () => {
    const { jobId, propertyId } = await openJob()
    const other = await openJob({}, 'Elsewhere')
    render(<JobPage jobId={jobId} />)
    await press(one('tab', /^Fixture/))
    await press(one('button', 'Work at one more point'))
    // nothing of another house
    expect(all('radio', /^Known in this house/)).toEqual([])
    expect(other.propertyId).not.toBe(propertyId)
    await press(one('radio', 'What is worked on?: Hose bib', dialog()))
    await press(one('button', 'Take it into the job', dialog()))
    await act(async () => {})
    // what can only be one thing is known
    expect(more(jobId)[0]?.fixtures.map(({ kind }) => kind)).toEqual(['hose.outlet'])
    await press(one('button', 'Leave Hose bib out of this job'))
    await press(one('button', 'Work at one more point'))
    await press(one('radio', 'Known in this house: Hose bib', dialog()))
    await act(async () => {})
    expect(names(/, point$/)).toEqual(['Basin, point', 'Hose bib, point'])
  })
})
