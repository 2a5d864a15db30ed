import { ANSWERS, QUESTIONS } from '@diarmos/core/words/find'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { prefer } from '../data/preferences'
import { type Edit, edit, newId, now, undo } from '../data/store'
import { address } from '../test/address'
import { held, openJob, openShop } from '../test/shop'
import { all, dialog, one, press, settled } from '../test/touch'
import { JobPage } from './JobPage'

jest.mock('../workers/solver')
jest.mock('expo-router', () => jest.requireActual('../test/address').router)

/** Another job has another address. */
const show = (jobId: string) => {
  act(() => address.go({}))
  return render(<JobPage jobId={jobId} />)
}
const button = (name: string | RegExp) => one('button', name)
const stage = (name: string) => press(one('tab', new RegExp(`^${name}`)))
const words = (question: string) => QUESTIONS[question] ?? question

/** Opens a question, in whichever of the four groups of looks it stands. */
async function askFor(question: string): Promise<void> {
  for (const group of ['Look', 'Touch', 'Joint', 'Measure']) {
    if (all('button', question).length > 0) break
    const tab = all('tab', group)[0]
    if (tab) await press(tab)
  }
  await press(all('button', question).at(-1) as HTMLElement)
}

async function look(sign: string, answer: string): Promise<void> {
  const question = words(`sign:${sign}`)
  await askFor(question)
  await press(one('radio', `${question}: ${ANSWERS[answer] ?? answer}`, dialog()))
}
async function measure(question: string, keys: readonly string[]): Promise<void> {
  await askFor(words(question))
  for (const key of [...keys, 'Enter']) await press(one('button', key, dialog()))
}

beforeEach(async () => {
  prefer({ unit: 'in' })
  await openShop()
})
afterEach(cleanup)

describe('a job page with nothing known', () => {
  it('asks for a look, proposes nothing, and every later stage says what it waits for', async () => {
    const { jobId } = await openJob()
    show(jobId)
    expect(screen.getByText('What is this pipe?')).toBeTruthy()
    expect(screen.queryByTestId('take-finding')).toBeNull()
    for (const [name, words] of [
      ['Mate', 'A mating needs both ends'],
      ['Cut', 'Nothing to cut yet.'],
      ['Make', 'No steps yet.'],
      ['Prove', 'Nothing to prove yet.'],
    ] as const) {
      await stage(name)
      expect(screen.getByText(new RegExp(words))).toBeTruthy()
    }
  })

  it('says so where there is no such job', () => {
    render(<JobPage jobId="none" />)
    expect(screen.getByText('This job is not on the phone.')).toBeTruthy()
  })
})

describe('Find', () => {
  it('takes a string round it and a scratch for half-inch copper, and says what each look did', async () => {
    const { jobId } = await openJob()
    show(jobId)
    await measure('outside:string', ['2'])
    await look('scratch', 'copper')
    expect(screen.getByTestId('belief').textContent).toMatch(/^1\/2 in copper tube/)
    expect(screen.getAllByText(/speaks (strongly )?for it/).length).toBeGreaterThan(0)
    expect(
      held('observation')
        .map((doc) => (doc.fields as { entered: string }).entered)
        .sort(),
    ).toEqual(['2', 'copper'])
  })

  it('stops at steel until somebody has seen water from it', async () => {
    const { jobId } = await openJob()
    show(jobId)
    await measure('outside:caliper', ['Point', '8', '4', '5'])
    await look('magnet', 'holds')
    expect(screen.getByTestId('belief').textContent).toMatch(/^1\/2 in/)
    expect(screen.getByText(/^Stop: /)).toBeTruthy()
    expect(screen.getByTestId('take-finding').getAttribute('aria-disabled')).toBe('true')
    await press(button('Say what the line carries'))
    await press(one('radio', /water/, dialog()))
    expect(screen.queryByText(/^Stop: /)).toBeNull()
    expect(screen.getByTestId('take-finding').getAttribute('aria-disabled')).not.toBe('true')
  })

  it('takes nothing by what was known before a look that is still being written', async () => {
    const { jobId } = await openJob()
    show(jobId)
    await look('scratch', 'copper')
    await askFor(words('outside:caliper'))
    for (const key of ['Point', '8', '7', '5']) await press(one('button', key, dialog()))
    fireEvent.click(one('button', 'Enter', dialog()))
    expect(screen.getByTestId('take-finding').getAttribute('aria-disabled')).toBe('true')
    fireEvent.click(screen.getByTestId('take-finding'))
    await settled()
    expect(held('finding')).toEqual([])
    await press(screen.getByTestId('take-finding'))
    expect(held('finding').length).toBeGreaterThan(0)
  })

  it('turns to the fixture when the finding is kept, unless somebody turned elsewhere meanwhile', async () => {
    for (const [elsewhere, shown] of [
      [null, 'Fixture'],
      ['Cut', 'Cut'],
    ] as const) {
      const { jobId } = await openJob()
      show(jobId)
      await look('scratch', 'copper')
      await measure('outside:caliper', ['Point', '8', '7', '5'])
      fireEvent.click(screen.getByTestId('take-finding'))
      if (elsewhere) fireEvent.click(one('tab', new RegExp(`^${elsewhere}`)))
      await settled()
      expect(held('finding').some(({ fields }) => fields.name.includes('copper'))).toBe(true)
      const open = all('tab', /./).filter((tab) => tab.getAttribute('aria-selected') === 'true')
      expect([elsewhere, open.some((tab) => tab.getAttribute('aria-label')?.startsWith(shown))]).toEqual([
        elsewhere,
        true,
      ])
      cleanup()
    }
  })

  it('corrects a reading in its place and keeps the wrong one as withdrawn', async () => {
    const { jobId } = await openJob()
    show(jobId)
    await measure('outside:caliper', ['Point', '8', '7', '5'])
    await press(button(/Across, with a caliper: \.875.*Correct it$/))
    for (const key of ['Point', '6', '2', '5', 'Enter']) await press(one('button', key, dialog()))
    expect(
      held('observation')
        .map((doc) => [doc.fields.entered, doc.fields.withdrawn])
        .sort(),
    ).toEqual([
      ['.625', false],
      ['.875', true],
    ])
  })

  it('points at the reading that disagrees, and lets it be withdrawn', async () => {
    const { jobId } = await openJob()
    show(jobId)
    await look('scratch', 'copper')
    await measure('outside:caliper', ['Point', '6', '2', '5'])
    await measure('outside:caliper', ['Point', '6', '2', '6'])
    await measure('outside:caliper', ['1', 'Point', '3'])
    expect(screen.getAllByText(/disagrees with the others/)).toHaveLength(1)
    const row = screen.getByText(/: 1\.3 in/).parentElement?.parentElement as HTMLElement
    await press(one('button', /Withdraw/, row))
    expect(screen.queryByText(/disagrees with the others/)).toBeNull()
    await act(() => undo())
    expect(screen.getAllByText(/disagrees with the others/)).toHaveLength(1)
  })
})

describe('what belongs to Find', () => {
  it('names the joint from its features, and what that asks of the work', async () => {
    const { jobId } = await openJob()
    show(jobId)
    await look('joint-band', 'copper-ring')
    await look('joint-nut', 'no-nut')
    expect(screen.getByTestId('joint-belief').textContent).toMatch(
      /copper crimp ring.*must be cut.*never used again/,
    )
  })

  it('what is wrong with the end becomes a condition, at once and by undo no more', async () => {
    const { jobId, hot } = await openJob()
    show(jobId)
    await press(button(/^What is wrong with it/))
    await press(one('checkbox', 'pitted'))
    await press(one('checkbox', 'scored'))
    const there = () => held('situation').find((doc) => doc.fields.lineId === hot)?.fields
    expect(there()).toMatchObject({ faults: ['pitted'], scored: true })
    await act(() => undo())
    expect(there()).toMatchObject({ faults: ['pitted'], scored: false })
    expect(button(/^What is wrong with it/).getAttribute('aria-label')).toContain('pitted')
  })

  it('takes a thread that was measured over as a condition', async () => {
    const { jobId, hot } = await openJob()
    show(jobId)
    await press(button('Which thread is it?'))
    const inSheet = (name: string | RegExp) => all('button', name, dialog()).at(-1) as HTMLElement
    await press(inSheet('Where is it?'))
    await press(one('radio', /pipe or fitting$/))
    await press(inSheet('Across the crests, with a caliper'))
    for (const key of ['Point', '8', '2', 'Enter']) await press(all('button', key).at(-1) as HTMLElement)
    await press(inSheet(/^Lay a gauge leaf in/))
    await press(one('radio', 'Gauge leaf: 14 · 60°'))
    await press(one('radio', /: fits$/))
    await press(one('button', 'Take it: the stub has NPT'))
    expect(held('situation').find((doc) => doc.fields.lineId === hot)?.fields.thread).toBe('NPT')
    // it says nothing of the pipe
    expect(screen.getByText('What is this pipe?')).toBeTruthy()
  })

  it('the shop corrects what is usual for its own town', async () => {
    const { jobId } = await openJob({ era: '1978-1995' })
    show(jobId)
    await press(button('What is usual here?'))
    for (let tap = 0; tap < 3; tap++) await press(one('button', '+. polybutylene is commoner here', dialog()))
    expect(held('settings')[0]?.fields.expected).toEqual({ '1978-1995': { polybutylene: 10 } })
    expect(dialog().textContent).toContain('10 × commoner, by your shop')
    for (let tap = 0; tap < 3; tap++) await press(one('button', '−. polybutylene is rarer here', dialog()))
    expect(held('settings')[0]?.fields.expected).toEqual({ '1978-1995': {} })
  })

  it('a drain added to the point is found, and mated to the tailpiece over its trap', async () => {
    const { jobId } = await openJob({ era: '1965-1978' })
    show(jobId)
    await press(button('Add the drain'))
    expect(one('tab', 'drain line').getAttribute('aria-selected')).toBe('true')
    await measure('outside:caliper', ['1', 'Point', '9'])
    await look('colour', 'black')
    await look('tap', 'clicks')
    expect(screen.getByTestId('belief').textContent).toMatch(/^1-1\/2 in ABS drain pipe/)
    expect(screen.getByTestId('hazards').textContent).toContain('Waste line')
    await press(screen.getByTestId('take-finding'))
    expect(held('finding').map((doc) => doc.fields.name)).toEqual(['1-1/2 in ABS drain pipe'])
    // nothing was copied to the water lines
    expect(held('observation')).toHaveLength(3)
    await press(one('radio', 'What waste leaves by: Tailpiece, 1-1/2 in tubular'))
    expect(held('job')[0]?.fields.fixtures.map(({ id, kind }) => [id, kind])).toEqual([
      ['waste', 'waste.tail.1-1/2'],
    ])
    await press(button('On to the mating'))
    // what is met on drains alone is asked
    expect(screen.queryByRole('radio', { name: 'On the old end: sweated' })).toBeNull()
    await press(one('radio', 'On the old end: nothing: it is bare'))
    expect((await screen.findByTestId('option-1')).textContent).toContain('ABS drain cement')
    // the trap that was there, by its picture: of an S the pipe comes out of the floor
    const rising = () => one('switch', 'It comes up out of the floor').getAttribute('aria-checked')
    expect(rising()).toBe('false')
    await press(button('What trap was there?'))
    await press(one('radio', 'The trap that was there: S, into the floor'))
    expect(rising()).toBe('true')
    expect((await screen.findByTestId('option-1')).textContent).toContain('an S sucks itself empty')
    await press(one('radio', 'The trap that was there: two on one way'))
    expect(one('switch', 'A trap further down stays').getAttribute('aria-checked')).toBe('true')
    await press(one('radio', 'The trap that was there: P, into the wall'))
    expect(rising()).toBe('false')
    expect(held('situation').map(({ fields }) => [fields.oldTrap, fields.trapped, fields.rises])).toEqual([
      ['p', false, false],
    ])
    await press(button('Choose this way'))
    // who comes back to a job that is about its drain finds the drain before him
    cleanup()
    show(jobId)
    expect(one('tab', 'drain line').getAttribute('aria-selected')).toBe('true')
    await stage('Cut')
    expect(screen.getByText(/the trap swings until/)).toBeTruthy()
    for (const [row, keys] of [
      ['Drain out from the wall', ['9']],
      ['Drain’s end over the floor', ['2', '4']],
      ['Stub over the floor', ['1', '8']],
    ] as const) {
      await press(button(row))
      for (const key of [...keys, 'Enter']) await press(one('button', key, dialog()))
    }
    expect(held('situation').map((doc) => doc.fields.trap)).toEqual([
      { outMm: 228.6, asideMm: null, drainMm: 609.6, stubMm: 457.2 },
    ])
  })

  it('other jobs in houses of that age count towards what is usual', async () => {
    const first = await openJob({ era: '1978-1995', label: 'First' })
    const { unmount } = show(first.jobId)
    await look('colour', 'grey-plastic')
    await measure('outside:caliper', ['Point', '6', '2', '5'])
    await look('joint', 'crimp')
    await press(screen.getByTestId('take-finding'))
    unmount()
    const second = await openJob({ era: '1978-1995', label: 'Second' })
    show(second.jobId)
    await press(button('What is usual here?'))
    expect(dialog().textContent).toMatch(/polybutylene.*found 2 × in houses of that age/)
  })
})

/** Stubs of every kind in this corner of the trade: looks, joint, and a method that must be on offer. */
const STUBS: readonly {
  name: string
  caliper: readonly string[]
  looks: readonly (readonly [string, string])[]
  found: RegExp
  fixture: RegExp
  expects: RegExp
}[] = [
  {
    name: 'copper',
    caliper: ['Point', '6', '2', '5'],
    looks: [
      ['scratch', 'copper'],
      ['joint', 'sweat'],
    ],
    found: /^1\/2 in copper tube/,
    fixture: /threaded shanks/,
    expects: /push-fit|compression|sweat/,
  },
  {
    name: 'galvanised steel',
    caliper: ['Point', '8', '4'],
    looks: [
      ['magnet', 'holds'],
      ['colour', 'grey-metal'],
      ['joint', 'threaded'],
      ['carries', 'water'],
    ],
    found: /^1\/2 in galvanised steel/,
    fixture: /own hoses, 3\/8/,
    expects: /thread/,
  },
  {
    name: 'PEX with crimp rings',
    caliper: ['Point', '6', '2', '5'],
    looks: [
      ['flex', 'flexible'],
      ['colour', 'red'],
      ['joint', 'crimp'],
    ],
    found: /^1\/2 in PEX/,
    fixture: /threaded shanks/,
    expects: /crimp|push-fit/,
  },
  {
    name: 'CPVC',
    caliper: ['Point', '6', '2', '5'],
    looks: [
      ['colour', 'cream'],
      ['joint', 'cement'],
    ],
    found: /^1\/2 in CPVC/,
    fixture: /threaded shanks/,
    expects: /cement|push-fit|compression/,
  },
]

describe.each(STUBS)('a stop on $name, from finding to proof', (stub) => {
  it('is found, mated, cut, made, proven, closed, and remembered', async () => {
    const { jobId, propertyId } = await openJob()
    const { unmount } = show(jobId)
    await measure('outside:caliper', stub.caliper)
    for (const [question, answer] of stub.looks) await look(question, answer)
    expect(screen.getByTestId('belief').textContent).toMatch(stub.found)
    await press(screen.getByTestId('take-finding'))
    // both lines were taken to be alike
    expect(held('finding')).toHaveLength(2)

    await press(one('radio', 'Fixture: Faucet'))
    await press(one('radio', stub.fixture))
    await press(button('On to the mating'))
    // asked where no look has said it
    if (screen.queryByTestId('old-joint')) {
      expect(screen.queryByTestId('option-1')).toBeNull()
      await press(one('radio', 'On the old end: nothing: it is bare'))
    }
    await measure('Bare stub, wall to the old fitting', ['2'])
    // what is best for all lines together stands first to be looked at
    const best = screen.getByTestId(/^option-/)
    expect(best.textContent).toMatch(stub.expects)
    await press(button('Choose this way'))
    expect(held('mating')).toHaveLength(2)

    await press(button('On to the cut'))
    expect(screen.getByText('Least bare stub for this joint')).toBeTruthy()
    await press(button('1/16 → 1/32'))
    await press(button('1/32 → mm'))
    expect(screen.getAllByText(/^\d+ mm$/).length).toBeGreaterThan(0)
    await press(button('mm → in'))

    await press(button('On to the making'))
    for (let step = 0; step < 80 && screen.queryByTestId('tick-next'); step++)
      await press(screen.getByTestId('tick-next'))
    expect(all('checkbox', /./).every((box) => box.getAttribute('aria-checked') === 'true')).toBe(true)
    await press(button('On to the proof'))

    // a wet seam keeps the job open
    const wet = one('radio', /: wet$/)
    await press(wet)
    expect(screen.getByTestId('close-job').getAttribute('aria-disabled')).toBe('true')
    for (const dry of all('radio', /: dry$/))
      if (dry.getAttribute('aria-checked') !== 'true') await press(dry)
    await press(screen.getByTestId('close-job'))
    expect(one('heading', 'Closed')).toBeTruthy()
    unmount()

    // the next job at the same point starts from what was found
    const point = held('point').find(
      (doc) => (doc.fields as { propertyId: string }).propertyId === propertyId,
    )
    const next = await openNext(propertyId, point?.id ?? '')
    show(next)
    expect(screen.getByText(new RegExp(`remembers: ${stub.found.source.slice(1)}`))).toBeTruthy()
  })
})

/** Another job at a point that is known. */
async function openNext(propertyId: string, pointId: string): Promise<string> {
  const id = newId()
  await act(() =>
    edit([
      {
        kind: 'job',
        id,
        patch: {
          propertyId,
          pointId,
          title: 'Next',
          state: 'open',
          fixtures: [],
          openedAt: now(),
          closedAt: null,
          note: '',
        },
      } as Edit,
    ]),
  )
  return id
}
