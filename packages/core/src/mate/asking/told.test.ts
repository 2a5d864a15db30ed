import { type EndFault, METHODS, mouthOf } from '../../assembly'
import { mate } from '../index'
import { cutInOf, drainOf } from '../test/drains'
import { line, PLAIN, WELL_EQUIPPED } from '../test/problems'
import type { LineRequest } from '../types'

const refusalsOf = (request: LineRequest) =>
  mate({ lines: [request], settings: WELL_EQUIPPED }).lines[0]?.refusals ?? []

it('a refusal says on what no such joint is made, also where that is no pipe', () => {
  const onPipe = refusalsOf(line('cpvc.sdr11.1/2')).find(({ method }) => method === 'sweat')
  expect(onPipe?.reason.parameters).toMatchObject({ material: 'CPVC' })
  const { pipeId: _, ...rest } = line('copper.l.1/2')
  const [end] = mouthOf('valve.barb.1/2').ends
  if (!end) throw new Error('no end')
  const onEnd = refusalsOf({ ...rest, from: { ends: [end] }, conditions: { ...PLAIN, line: 'dry' } })
  const said = onEnd.filter(({ reason }) => reason.ruleId === 'method.not-on-this-pipe')
  expect(said.length).toBeGreaterThan(0)
  for (const { reason } of said) expect(reason.parameters.material).toBe('this end')
})

it('the cement of one drain plastic is refused on the other, and says what goes between', () => {
  for (const [pipeId, method] of [
    ['abs-dwv.40.2', 'cement-drain-pvc'],
    ['pvc-dwv.40.2', 'cement-drain-abs'],
  ] as const) {
    const { options, refusals } = drainOf(pipeId, 'waste.shower.2')
    expect(options.length).toBeGreaterThan(0)
    const told = refusals.filter(({ reason }) => reason.ruleId === 'drain.other-plastic')
    expect(told.map((each) => each.method)).toEqual([method])
    expect(told[0]?.reason.source.title).toMatch(/D3138/)
  }
  // on neither
  for (const pipeId of ['copper.dwv.2', 'cast-iron.service.2'])
    expect(drainOf(pipeId, 'waste.shower.2').refusals.map(({ reason }) => reason.ruleId)).not.toContain(
      'drain.other-plastic',
    )
})

it('a drain that is too small is told by its own size and the one that is wanted', () => {
  const { refusals } = drainOf('pvc-dwv.40.1-1/2', 'waste.shower.2')
  const small = refusals.filter(({ reason }) => reason.ruleId === 'drain.smaller-downstream')
  expect(small.length).toBeGreaterThan(0)
  for (const { reason } of small)
    expect(reason.parameters).toMatchObject({ has: '1-1/2', wants: '2', unit: 'in' })
})

it('round a corner as much may come out on either side, where the way is the same on both', () => {
  const corner: LineRequest = {
    lineId: 'a',
    pipeId: 'copper.l.1/2',
    cutIn: { insert: 'corner', farMm: null, freeMm: [900, 900], sidewaysMm: 60 },
    conditions: PLAIN,
  }
  const { options = [] } = mate({ lines: [corner], settings: WELL_EQUIPPED, k: 20 }).lines[0] ?? {}
  const alike = options.filter(({ parts, joints }) => {
    const elbow = parts.findIndex(({ family }) => family === 'elbow-90')
    const [before, after] = [parts.slice(0, elbow), parts.slice(elbow + 1).reverse()]
    const names = (list: typeof parts) => list.map(({ fittingId }) => fittingId).join()
    const methods = joints.map(({ method }) => method)
    return elbow >= 0 && names(before) === names(after) && methods.join() === [...methods].reverse().join()
  })
  expect(alike.length).toBeGreaterThan(0)
  for (const { id, removeLegsMm: [near, far] = [] } of alike) {
    expect([id, near?.min, near?.max]).toEqual([
      id,
      expect.closeTo(far?.min ?? -1, 6),
      expect.closeTo(far?.max ?? -1, 6),
    ])
    expect([id, (near?.max ?? 0) > 0]).toEqual([id, true])
  }
})

it('plastic in the sun: shade is what would help, or a metal pipe', () => {
  const sunny = (pipeId: string) =>
    mate({
      lines: [line(pipeId, { oldJoint: 'none', sunlight: true }, 'hose.outlet')],
      settings: WELL_EQUIPPED,
    }).lines[0]
  const plastic = sunny('pex-b.sdr9.1/2')
  expect(plastic?.options).toEqual([])
  expect(plastic?.refusals.map(({ reason }) => reason.change)).toContain('shade')
  expect(plastic?.remedies.map(({ changes }) => changes)).toContainEqual(['shade'])
  expect(sunny('copper.l.1/2')?.options.length).toBeGreaterThan(0)
})

it('an old joint that such a pipe never has leaves no end: every method is told so, and none is not', () => {
  for (const oldJoint of ['hub-lead', 'slip', 'wiped'] as const)
    for (const pipeId of ['copper.l.1/2', 'pex-b.sdr9.1/2']) {
      const refusals = refusalsOf(line(pipeId, { oldJoint, thread: 'none' }))
      const told = [...new Set(refusals.map(({ reason }) => reason.ruleId))]
      expect([oldJoint, pipeId, told]).toEqual([oldJoint, pipeId, ['start.no-end']])
      // nothing that could be changed about it would make it one
      expect(refusals.flatMap(({ reason }) => reason.change ?? [])).toEqual([])
      const methods = METHODS.filter(({ medium }) => (medium ?? 'supply') === 'supply').map(({ id }) => id)
      expect(refusals.every(({ method }) => methods.includes(method))).toBe(true)
    }
})

it('a remedy cures the fault that it names and no other', () => {
  const cures = (...faults: readonly EndFault[]) =>
    mate({ lines: [line('copper.l.1/2', { faults, stubMm: 40 })], settings: WELL_EQUIPPED })
      .lines[0]?.remedies.map(({ changes }) => changes.join(' '))
      .sort()
  expect(cures('pinhole')).toEqual(['sound'])
  expect(cures('bent')).toEqual(['straight', 'stub'])
  // both are there: neither alone is enough
  expect(cures('pinhole', 'bent')).toEqual(['sound straight', 'sound stub'])
  const plastic = mate({ lines: [line('pex-a.sdr9.1/2', { nearHeater: true })], settings: WELL_EQUIPPED })
  expect(plastic.lines[0]?.options).toEqual([])
  expect(plastic.lines[0]?.remedies.map(({ changes }) => changes)).toContainEqual(['away-from-heater'])
})

it('what is set down on a flange, or grips a tray’s outlet, is not even refused where there is none', () => {
  const methods = new Set(drainOf('pvc-dwv.40.2', 'waste.shower.2').refusals.map(({ method }) => method))
  for (const own of [
    'wax-seal',
    'rubber-seal',
    'ring-screwed',
    'riser-screwed',
    'trap-outlet',
    'pipe-fins',
  ] as const)
    expect([own, methods.has(own)]).toEqual([own, false])
})

// by hand: a hubless 3 x 2 tee is 6-7/8 in from end to end (CISPI 301), each coupling keeps 1/8 in apart
it('so much of a run comes out as goes in between its ends, no less', () => {
  const conditions = { ...PLAIN, service: 'waste' as const, oldJoint: 'none' as const, stubMm: 900 }
  const cutIn = { ...cutInOf('waste.run.tee.iron.2'), farMm: 900, freeMm: [900, 900] as const }
  const { options = [] } =
    mate({
      lines: [{ lineId: 'run', pipeId: 'cast-iron.hubless.3', cutIn, conditions }],
      settings: WELL_EQUIPPED,
    }).lines[0] ?? {}
  expect(options.length).toBeGreaterThan(0)
  for (const { removeMm, parts } of options) {
    if (parts.some(({ family }) => family === 'tube-piece')) continue
    expect((removeMm?.min ?? 0) / 25.4).toBeCloseTo(6.875 + 2 / 8, 6)
    // what the sleeves give may be left over
    expect(removeMm?.max ?? 0).toBeGreaterThanOrEqual(removeMm?.min ?? 0)
  }
})
