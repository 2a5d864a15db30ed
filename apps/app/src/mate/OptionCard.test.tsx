import { runOperation } from '@diarmos/contract'
import { type RankedOption, STARTING_SETTINGS } from '@diarmos/core'
import { mouthOf } from '@diarmos/core/bodies'
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { CompareSheet } from './CompareSheet'
import { OptionCard, optionTitle, withTimes } from './OptionCard'
import { consumableRows, partRows, plugRows } from './PartsSheet'
import { SeamSheet } from './SeamSheet'
import { WayTable } from './WayTable'

const conditions = {
  service: 'cold',
  flame: true,
  line: 'dry',
  access: 'reachable',
  stubMm: 40,
  plateMm: 0,
  oldJoint: 'sweat',
  thread: 'none',
  scored: false,
  outOfRound: false,
  faults: [],
  waterSeen: true,
  nearHeater: false,
  pressurePsi: 95,
  stopShape: 'angle',
  reachMm: null,
} as const

/** Real answers of the core, for a copper stub. */
function options(partsAboard: Record<string, number> = {}): readonly RankedOption[] {
  const lines = [{ lineId: 'a', pipeId: 'copper.l.1/2', to: mouthOf('faucet.shank.1/2'), conditions }]
  return (
    runOperation('mate', { lines, settings: { ...STARTING_SETTINGS, partsAboard } }).lines[0]?.options ?? []
  )
}

const card = (option: RankedOption, chosen = false) => {
  const { container } = render(<OptionCard option={option} rank={1} chosen={chosen} together={false} />)
  return { text: container.textContent ?? '' }
}

describe('an option on its card', () => {
  it('says what joins the stub, what it costs, and what is not aboard', () => {
    const option = options()[0] as RankedOption
    const { text } = card(option)
    expect(optionTitle(option)).toBe('push-fit angle stop')
    expect(text).toContain((option.costs.totalCents / 100).toFixed(2))
    expect(text).toContain('Not aboard: 2 parts from the counter')
    expect(text).toContain('95 psi is above 80')
  })

  it('says when everything is aboard', () => {
    const aboard = { 'stop.angle.pushxcomp.1/2x3/8': 2, 'connector.comp3/8xfaucet1/2.20in': 2 }
    const option = options(aboard)[0] as RankedOption
    expect(option.costs.tripCents).toBe(0)
    expect(card(option).text).toContain('All aboard')
  })

  it('says what no other way beats it in', () => {
    const all = options()
    for (const option of all.slice(0, 3)) {
      const cheapest =
        option.criteria.priceCents === Math.min(...all.map((entry) => entry.criteria.priceCents))
      const { text } = card(option)
      expect(/cheapest to buy/i.test(text)).toBe(cheapest)
      cleanup()
    }
  })
})

describe('two ways compared', () => {
  it('marks the better figure of each line, and neither where they are alike', () => {
    const [a, b] = options() as [RankedOption, RankedOption]
    render(<CompareSheet a={a} b={b} onClose={() => undefined} />)
    const text = screen.getByTestId('compare').textContent ?? ''
    expect(text).toContain((a.costs.totalCents / 100).toFixed(2))
    expect(text).toContain((b.costs.totalCents / 100).toFixed(2))
    expect(text.split('✓').length - 1).toBeGreaterThan(0)
    cleanup()
    render(<CompareSheet a={a} b={a} onClose={() => undefined} />)
    expect(screen.getByTestId('compare').textContent).not.toContain('✓')
  })
})

describe('the list of parts', () => {
  it('counts what open drains are plugged with, by the pipe that is there', () => {
    const drain = { ...conditions, service: 'waste', oldJoint: 'none', stubMm: null } as const
    const cutIn = { insert: 'cleanout', farMm: null, freeMm: [0, 0], sidewaysMm: 0 } as const
    const lines = ['pvc-dwv.40.3', 'abs-dwv.40.2'].map((pipeId, at) => ({
      lineId: `${at}`,
      pipeId,
      cutIn,
      conditions: drain,
    }))
    const ways = runOperation('mate', { lines, settings: STARTING_SETTINGS }).lines.flatMap(({ options }) =>
      options.slice(0, 1),
    )
    const rows = plugRows(
      [...ways, ...options().slice(0, 1)],
      ['pvc-dwv.40.3', 'abs-dwv.40.2', 'copper.l.1/2'],
    )
    expect(rows.map(({ name, count }) => `${count} × ${name}`)).toEqual([
      '2 × test plug, 3 in, on a string',
      '2 × test plug, 2 in, on a string',
    ])
    // a can is opened once, whatever is made out of it
    const cans = consumableRows([...ways, ...ways]).filter(({ name }) => name.endsWith('cement'))
    expect(cans.map(({ name, count }) => `${count} × ${name}`).sort()).toEqual([
      '1 × ABS cement',
      '1 × PVC cement',
    ])
  })

  it('counts alike parts of all lines together, and sizes what is used up', () => {
    const option = options()[0] as RankedOption
    const rows = partRows([option, option])
    expect(rows.map((row) => row.count)).toEqual(option.parts.map(() => 2))
    expect(rows.reduce((sum, row) => sum + (row.cents ?? 0), 0)).toBe(2 * option.costs.partsCents)
    const lines = [
      {
        lineId: 'a',
        pipeId: 'pex-b.sdr9.1/2',
        to: mouthOf('faucet.shank.1/2'),
        conditions: { ...conditions, oldJoint: 'crimp' as const },
      },
    ]
    const crimp = runOperation('mate', { lines, settings: STARTING_SETTINGS }).lines[0]?.options.find(
      (entry) => entry.joints[0]?.method === 'crimp',
    ) as RankedOption
    expect(consumableRows([crimp])).toContainEqual(
      expect.objectContaining({ name: 'crimp ring, 1/2 in', count: 1 }),
    )
  })
})

describe('the table of ways', () => {
  it('is sorted by what is touched, up and down', () => {
    const all = options()
    render(<WayTable options={all} shown={all[0]?.id} onShow={() => undefined} onClose={() => undefined} />)
    const totals = () =>
      screen
        .getAllByRole('row')
        .slice(1)
        .map((row) => row.textContent)
    const before = totals()
    fireEvent.click(screen.getByRole('button', { name: 'Sort by Hands' }))
    const up = totals()
    fireEvent.click(screen.getByRole('button', { name: 'Sort by Hands' }))
    expect(up).toHaveLength(all.length)
    expect([...totals()].sort()).toEqual([...before].sort())
    expect(totals()[0]).not.toBe(up[0])
  })
})

describe('a seam, opened', () => {
  it('shows seal, insertion with its source, tools and steps in order', () => {
    const option = options().find((entry) => entry.joints[0]?.method === 'compression') as RankedOption
    render(<SeamSheet option={option} seam={0} onClose={() => undefined} />)
    const text = screen.getByRole('dialog').textContent ?? ''
    expect(text).toContain('Seam 1: compression')
    expect(text).toContain('no tape, nothing on the ring')
    expect(text).toContain("maker's sheet")
    expect(text.indexOf('Nut onto the tube')).toBeGreaterThan(0)
    expect(text.indexOf('Nut onto the tube')).toBeLessThan(text.indexOf('Ring onto the tube'))
    expect(text).not.toMatch(/[{}]/)
  })
})

it('has the minutes of the order of work where those are known, and says so; else those that it takes at least', () => {
  const [option] = options()
  if (!option) throw new Error('no way')
  const [timed] = withTimes(
    [option],
    [{ optionId: option.id, handsSeconds: 660, waterOffSeconds: 1500, boundSeconds: 1500 }],
  )
  expect(withTimes([option], null)).toEqual([option])
  expect(
    withTimes([option], [{ optionId: 'another', handsSeconds: 1, waterOffSeconds: 1, boundSeconds: 1 }]),
  ).toEqual([option])
  // the least water off is said of what the plans make it, not of the bounds
  const other = { ...option, id: 'other', leads: ['waterOffSeconds' as const] }
  const both = [
    { optionId: option.id, handsSeconds: 660, waterOffSeconds: 1500, boundSeconds: 1500 },
    { optionId: 'other', handsSeconds: 660, waterOffSeconds: 1600, boundSeconds: 1600 },
  ]
  expect(withTimes([option, other], both).map(({ leads }) => leads.includes('waterOffSeconds'))).toEqual([
    true,
    false,
  ])
  const { container } = render(
    <OptionCard option={timed ?? option} rank={1} chosen={false} together={false} planned />,
  )
  expect(container.textContent).toMatch(/11 minhands.*25 minwater off(?! ≥)/)
  cleanup()
  const { container: sums } = render(<OptionCard option={option} rank={1} chosen={false} together={false} />)
  expect(sums.textContent).toContain('water off ≥')
})
