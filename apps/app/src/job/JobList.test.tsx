import { act, cleanup, render, screen } from '@testing-library/react'
import { router } from 'expo-router'
import { useJob } from '../data/select'
import { turned } from '../data/state'
import { useData } from '../data/store'
import type { Doc } from '../data/types'
import { HouseList } from '../houses/HouseList'
import { HousePage } from '../houses/HousePage'
import { held, openJob, openShop, putOnShelf } from '../test/shop'
import { all, dialog, one, press, write } from '../test/touch'
import { StatusLine } from '../ui/StatusLine'
import { closeJob } from './actions'
import { Conflicts } from './Conflicts'
import { JobList } from './JobList'
import { NewJob } from './NewJob'

jest.mock('../workers/solver')
jest.mock('expo-router', () => jest.requireActual('../test/address').router)
beforeEach(() => openShop())
afterEach(() => {
  cleanup()
  sessionStorage.clear()
  jest.clearAllMocks()
})

describe('the list of jobs', () => {
  it('teaches where it is empty, once the shop was heard and not before', () => {
    act(() => turned({ heard: false, online: true }))
    render(<JobList />)
    expect(screen.queryByText('No job yet.')).toBeNull()
    expect(screen.getByText(/Fetching the shop’s jobs/)).toBeTruthy()
    act(() => turned({ online: false }))
    expect(screen.getByText(/No network yet/)).toBeTruthy()
    act(() => turned({ heard: true }))
    expect(screen.getByText('No job yet.')).toBeTruthy()
  })

  it('says of a job whose way is for a time only by when somebody has to be back, closed or not', async () => {
    const { jobId, hot } = await openJob({ label: 'Quay' }, 'Capped')
    const way = (followUp?: { standing: 'temporary' | 'improvised'; returnDays: number | null }) => ({
      kind: 'mating',
      id: 'm',
      revision: 1,
      removed: false,
      clock: '',
      conflicts: [],
      fields: {
        jobId,
        lineId: hot,
        optionId: 'x',
        option: { id: 'x', parts: [], joints: [], removalId: 'bare', ...(followUp ? { followUp } : {}) },
        chosenAt: '2026-11-01T10:00:00.000Z',
        basis: '',
        confirmedBy: null,
      },
    })
    const said = (followUp?: Parameters<typeof way>[0]) => {
      putOnShelf(way(followUp) as never)
      render(<JobList />)
      const text = one('link', /^Capped/).textContent ?? ''
      cleanup()
      return text
    }
    expect(said({ standing: 'temporary', returnDays: 14 })).toContain('For a time only: back by 2026-11-15')
    expect(said({ standing: 'improvised', returnDays: null })).toContain('Improvised: to be replaced')
    expect(said()).not.toMatch(/back by|replaced/)
  })

  it('has open jobs first, and says where each stands', async () => {
    const done = await openJob({ label: 'Mill' }, 'Older, closed')
    const open = await openJob({ label: 'Quay' }, 'Newer, open')
    function Close() {
      const view = useJob(done.jobId)
      return view ? <button type="button" onClick={() => void closeJob(view, true)} title="close" /> : null
    }
    const { unmount } = render(<Close />)
    await press(screen.getByTitle('close'))
    unmount()
    render(<JobList />)
    const rows = all('link', /./).map((row) => row.getAttribute('aria-label'))
    expect(rows).toEqual(['Newer, open, Basin', 'Older, closed, Basin'])
    expect(all('link', /./)[0]?.textContent).toContain('today')
    await press(one('link', /^Newer/))
    expect(router.navigate).toHaveBeenCalledWith(`/job/${open.jobId}`)
  })
})

describe('opening a job', () => {
  it('names what is missing and loses nothing that was written', async () => {
    render(<NewJob />)
    await write('What is wrong', 'Drips')
    await press(one('button', 'Open the job'))
    expect(screen.getByText('Give the house a name.')).toBeTruthy()
    await write('Name of the house. Give the house a name.', 'Mill')
    await press(one('button', 'Open the job'))
    expect(screen.getByText(/Say what is worked on/)).toBeTruthy()
    expect(held('job')).toEqual([])
    expect(document.querySelector<HTMLInputElement>('[aria-label="What is wrong"]')?.value).toBe('Drips')
  })

  it('makes house, point, its lines and the job in one step', async () => {
    render(<NewJob />)
    await write('What is wrong', '  Stop seized ')
    await write('Name of the house', 'Mill')
    await press(one('radio', 'What is worked on?: Basin'))
    await write('Name of the point, if it has one', 'Upstairs basin')
    await press(one('radio', 'Last piped: 1940 to 1965'))
    await press(one('button', 'Open the job'))
    const [job] = held('job')
    expect(job?.fields).toMatchObject({ title: 'Stop seized', state: 'open', fixtures: [] })
    expect(held('property')[0]?.fields).toMatchObject({
      label: 'Mill',
      era: '1940-1965',
      region: 'north-america',
    })
    expect(
      held('line')
        .map((line) => line.fields.service)
        .sort(),
    ).toEqual(['cold', 'drain', 'hot'])
    expect(router.replace).toHaveBeenCalledWith(`/job/${job?.id}`)
  })

  it.each([
    ['Toilet', ['cold', 'drain'], []],
    // its waste is there at once, and not worked on until somebody says what comes down to it
    ['Basin', ['cold', 'drain', 'hot'], []],
    ['Hose bib', ['cold'], ['hose.outlet']],
    ['Dishwasher', ['hot'], []],
    ['Tub and shower', ['cold', 'drain', 'hot'], []],
  ])('a %s brings its own lines, and what there is but one of', async (label, services, kinds) => {
    render(<NewJob />)
    await write('What is wrong', 'Drips')
    await write('Name of the house', 'Mill')
    await press(one('radio', `What is worked on?: ${label}`))
    await press(one('button', 'Open the job'))
    const [point] = held('point')
    expect(point?.fields.name).toBe(label)
    expect(
      held('line')
        .map((line) => line.fields.service)
        .sort(),
    ).toEqual(services)
    expect(held('job')[0]?.fields.fixtures.map(({ kind }) => kind)).toEqual(kinds)
  })

  it('takes a house and a point that are known, and makes nothing twice', async () => {
    const { propertyId } = await openJob({ label: 'Quay' })
    render(<NewJob />)
    await press(one('radio', 'House: Quay'))
    await press(one('radio', 'Point: Basin'))
    await write('What is wrong', 'Again')
    await press(one('button', 'Open the job'))
    expect(held('property')).toHaveLength(1)
    expect(held('line')).toHaveLength(2)
    expect(held('job').map((job) => job.fields.propertyId)).toEqual([propertyId, propertyId])
  })

  it('refuses a title longer than anyone reads', async () => {
    render(<NewJob />)
    await write('What is wrong', 'x'.repeat(151))
    await press(one('button', 'Open the job'))
    expect(screen.getByText('At most 150 letters.')).toBeTruthy()
  })
})

describe('houses', () => {
  it('teach where there is none, and list what is known', async () => {
    const { rerender } = render(<HouseList />)
    expect(screen.getByText(/No house yet/)).toBeTruthy()
    await openJob({ label: 'Mill', street: '1 Race Lane', town: 'Gullhaven', era: 'before-1940' })
    rerender(<HouseList />)
    expect(one('link', 'Mill').textContent).toContain('1 Race Lane, Gullhaven')
    expect(one('link', 'Mill').textContent).toContain('1 point')
  })

  it('say what is not known yet, and lead to the jobs done there', async () => {
    const { propertyId, jobId } = await openJob({ label: 'Mill', note: 'Key under the pot' }, 'First visit')
    render(<HousePage propertyId={propertyId} />)
    expect(screen.getAllByText('not known yet')).toHaveLength(2)
    expect(screen.getByText('Key under the pot')).toBeTruthy()
    // where its water is shut is asked once, and stands there from then on
    expect(screen.getByText(/Nobody has written down where/)).toBeTruthy()
    await press(one('button', /^Change/))
    await write('Its own stop is', 'behind the wash tub')
    await press(one('radio', /: 2$/, dialog()))
    await press(one('button', 'Save', dialog()))
    expect(held('property')[0]?.fields).toMatchObject({ stopAt: 'behind the wash tub', storeys: 2 })
    expect(
      screen.getByText('Its water is shut behind the wash tub. It runs empty from 2 storeys.'),
    ).toBeTruthy()
    // its point is drawn as one faces it
    await act(async () => {})
    expect(one('img', /the wall, as you face it/)).toBeTruthy()
    await press(one('link', 'First visit'))
    expect(router.navigate).toHaveBeenCalledWith(`/job/${jobId}`)
  })

  it('say so where there is none of that id', () => {
    render(<HousePage propertyId="none" />)
    expect(screen.getByText('This house is not on the phone.')).toBeTruthy()
  })
})

describe('a field changed twice', () => {
  it('shows both values as a person says them, and keeps the one that is tapped', async () => {
    const { jobId, hot } = await openJob()
    const conflict = { field: 'stubMm', theirs: 50.8, mine: null, opId: 'a', at: '2026-01-01T00:00:00.000Z' }
    const situation = {
      kind: 'situation',
      id: 's',
      revision: 3,
      removed: false,
      conflicts: [conflict],
      fields: { jobId, lineId: hot, stubMm: 50.8 },
      // of a situation only what differs
    } as unknown as Doc
    putOnShelf(situation)
    function Shown() {
      const view = useJob(jobId)
      return view ? <Conflicts view={view} /> : null
    }
    render(<Shown />)
    expect(screen.getByText(/The place: “bare stub” was changed twice/)).toBeTruthy()
    expect(all('button', 'not measured')).toHaveLength(1)
    await press(one('button', '2"'))
    expect(screen.queryByText(/was changed twice/)).toBeNull()
    expect(held('situation')[0]?.fields.stubMm).toBe(50.8)
  })
})

describe('the status line', () => {
  const show = (state: Partial<ReturnType<typeof useData.getState>>) => {
    act(() => useData.setState(state))
    render(<StatusLine />)
  }
  it('says nothing of the server while all is well', () => {
    show({ online: true, pending: 0 })
    expect(screen.queryByTestId('offline')).toBeNull()
  })
  it('counts what waits while there is no server', () => {
    show({ online: false, pending: 4 })
    expect(screen.getByTestId('offline').textContent).toContain('4 kept on the phone')
  })
  it('shows what the shop refused, with the reason, until it is put aside', async () => {
    const operation = {
      opId: 'o',
      deviceId: 'd',
      kind: 'property',
      id: 'p',
      patch: { label: 'x' },
      remove: false,
      base: 0,
      schema: 1,
      at: '2026-11-20T09:30:00.000Z',
    } as never
    show({
      refused: [{ opId: 'o', operation, faults: [{ path: 'patch.label', message: 'too long' }] } as never],
    })
    await press(one('button', '1 refused'))
    expect(document.querySelector('[role="dialog"]')?.textContent).toContain('patch.label: too long')
    await press(one('button', 'Put aside'))
    expect(useData.getState().refused).toEqual([])
  })
})
