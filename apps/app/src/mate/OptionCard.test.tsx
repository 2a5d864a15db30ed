import { runOperation } from '@diarmos/contract'
import { type MateOption, STARTING_SETTINGS } from '@diarmos/core'
import { fireEvent, render, screen } from '@testing-library/react'
import { OptionCard, optionTitle } from './OptionCard'
import { SeamSheet } from './SeamSheet'

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
function options(partsAboard: Record<string, number> = {}): readonly MateOption[] {
  const lines = [{ lineId: 'a', pipeId: 'copper.l.1/2', fixtureId: 'faucet.shank.1/2', conditions }]
  return (
    runOperation('mate', { lines, settings: { ...STARTING_SETTINGS, partsAboard } }).lines[0]?.options ?? []
  )
}

const card = (option: MateOption, chosen = false) => {
  const onChoose = jest.fn()
  const { container } = render(
    <OptionCard option={option} rank={1} chosen={chosen} together={false} onChoose={onChoose} />,
  )
  return { onChoose, text: container.textContent ?? '' }
}

describe('an option on its card', () => {
  it('says what joins the stub, what it costs, and what is not aboard', () => {
    const option = options()[0] as MateOption
    const { text } = card(option)
    expect(optionTitle(option)).toBe('push-fit angle stop')
    expect(text).toContain((option.costs.totalCents / 100).toFixed(2))
    expect(text).toContain('Not aboard: 2 parts from the counter')
    expect(text).toContain('95 psi is above 80')
  })

  it('says when everything is aboard', () => {
    const aboard = { 'stop.angle.pushxcomp.1/2x3/8': 2, 'connector.comp3/8xfaucet1/2.12in': 2 }
    const option = options(aboard)[0] as MateOption
    expect(option.costs.tripCents).toBe(0)
    expect(card(option).text).toContain('All aboard')
  })

  it('is chosen by one button', () => {
    const { onChoose } = card(options()[0] as MateOption)
    fireEvent.click(screen.getByRole('button', { name: 'Choose' }))
    expect(onChoose).toHaveBeenCalledTimes(1)
  })
})

describe('a seam, opened', () => {
  it('shows seal, insertion with its source, tools and steps in order', () => {
    const option = options().find((entry) => entry.joints[0]?.method === 'compression') as MateOption
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
