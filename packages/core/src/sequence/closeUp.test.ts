import { keptStopEnd } from '../assembly'
import { mouthOf } from '../assembly/bodies'
import type { EndRef } from '../assembly/end'
import { mate } from '../mate'
import { line, WELL_EQUIPPED } from '../mate/test/problems'
import type { LineRequest, RankedOption } from '../mate/types'
import type { CloseUpRequest } from './closeUp'
import { closeUp, sequence } from './index'

const { houseRules } = WELL_EQUIPPED
function begun(
  request: LineRequest,
  pick: (option: RankedOption) => boolean = () => true,
  partsAboard: Readonly<Record<string, number>> = {},
) {
  const option = mate({ lines: [request], settings: WELL_EQUIPPED, k: 20 }).lines[0]?.options.find(pick)
  if (!option) throw new Error('no such way')
  const { conditions, pipeId = '', cutIn } = request
  const plan = { lines: [{ lineId: 'a', option, conditions }], houseRules }
  const { steps } = sequence(plan)
  const pipes = { a: { pipeId, ...(cutIn ? { farMm: cutIn.farMm } : {}) } }
  /** Everything up to and with a step, in the order of the plan. */
  const upTo = (id: string) =>
    steps.slice(0, steps.findIndex((step) => step.id === id) + 1).map((step) => step.id)
  const leave = (done: readonly string[], of: CloseUpRequest['pipes'] = pipes) =>
    closeUp({ plan, done, pipes: of, settings: { ...WELL_EQUIPPED, partsAboard } })
  return { option, steps, upTo, leave, at: (id: string) => leave(upTo(id)) }
}
const stub = line('copper.l.1/2', { oldJoint: 'compression', stubMm: 90 })
const { to: _to, ...piece } = line('copper.l.1/2', { oldJoint: 'none', stubMm: 120 })
const within: LineRequest = {
  ...piece,
  cutIn: { insert: 'repair', farMm: 120, freeMm: [900, 900], outMm: 80, sidewaysMm: 2 },
}
const pushed = ({ methods }: RankedOption) => methods.includes('push-fit')

describe('left for the night', () => {
  it('before the water is off nothing is open, and after it is back all is whole', () => {
    const { leave, at, steps } = begun(stub, pushed)
    expect(leave([])).toMatchObject({ waterOff: false, lines: [{ open: 'untouched' }], seconds: 0 })
    expect(at('general/shut')).toMatchObject({ waterOff: true, lines: [{ open: 'untouched', caps: [] }] })
    expect(leave(steps.map(({ id }) => id))).toMatchObject({ waterOff: false, lines: [{ open: 'whole' }] })
  })

  it('a stub is capped with what goes on it quickest, and what it would take to finish is said', () => {
    const { steps, at } = begun(stub, pushed)
    const off = steps.filter(({ id }) => id.startsWith('a/remove/')).at(-1)?.id ?? ''
    const { lines, seconds } = at(off)
    expect(lines[0]?.open).toBe('ends')
    expect(lines[0]?.caps).toHaveLength(1)
    expect(lines[0]?.caps[0]).toMatchObject({
      aboard: false,
      parts: [expect.stringMatching(/push-fit.* cap/)],
    })
    // the one that is aboard, though it takes longer
    const soldered = begun(stub, pushed, { 'cap.c.1/2': 1 }).at(off).lines[0]?.caps[0]
    expect(soldered).toMatchObject({
      aboard: true,
      parts: [expect.stringMatching(/solder.* cap|cap.* solder/)],
    })
    expect(soldered?.seconds).toBeGreaterThan(lines[0]?.caps[0]?.seconds ?? 0)
    expect(seconds).toBe(lines[0]?.caps[0]?.seconds)
    expect(lines[0]?.finishSeconds).toBeGreaterThan(0)
    // nothing was made on it yet: nothing comes off again
    expect(lines[0]?.caps[0]?.takesOff).toBe(false)
  })

  it.each([
    ['pushed', stub, pushed],
    // something is left to do when the last joint is made
    ['soldered', within, ({ methods }: RankedOption) => methods.includes('sweat')],
  ])(
    'to finish takes the hands that are left while the water is off, by every act one less: %s',
    (_, of, by) => {
      const { steps, leave } = begun(of, by)
      const off = steps.findIndex(({ id }) => id === 'general/shut') + 1
      const back = steps.findIndex(({ id }) => id === 'general/restore')
      let opened = false
      for (let done = off; done < back; done++) {
        const { lines } = leave(steps.slice(0, done).map(({ id }) => id))
        opened ||= steps[done - 1]?.id.startsWith('a/remove/') ?? false
        const left = steps
          .slice(done)
          .filter(({ lineId, phase, passive }) => lineId === 'a' && phase === 'water-off' && !passive)
          .reduce((sum, { startSeconds, endSeconds }) => sum + endSeconds - startSeconds, 0)
        // nothing is open yet, or nothing any more: there is nothing to finish before the water comes
        const open = lines[0]?.open
        expect([done, opened, lines[0]?.finishSeconds]).toEqual([
          done,
          open !== 'untouched',
          open === 'whole' || open === 'untouched' ? 0 : left,
        ])
      }
      expect(opened).toBe(true)
    },
  )

  it('a drain that is open is a drain, and before that nothing', () => {
    const waste: LineRequest = {
      ...line('pvc-dwv.40.1-1/2', { oldJoint: 'none', stubMm: null }, 'waste.tail.1-1/2'),
      conditions: { ...stub.conditions, service: 'waste', oldJoint: 'cement', stubMm: null },
    }
    const answered = mate({ lines: [waste, stub], settings: WELL_EQUIPPED }).lines
    const [drain, water] = answered.map(({ options }) => options[0])
    if (!drain || !water) throw new Error('no way')
    const plan = {
      lines: [
        { lineId: 'waste', option: drain, conditions: waste.conditions },
        { lineId: 'a', option: water, conditions: stub.conditions },
      ],
      houseRules,
    }
    const pipes = { waste: { pipeId: 'pvc-dwv.40.1-1/2' }, a: { pipeId: 'copper.l.1/2' } }
    const opens = sequence(plan).steps.find(({ id }) => id.startsWith('waste/remove/'))?.id ?? ''
    const at = (done: readonly string[]) =>
      closeUp({ plan, done, pipes, settings: WELL_EQUIPPED }).lines.map(({ open }) => open)
    expect(at(['general/shut'])).toEqual(['untouched', 'untouched'])
    expect(at(['general/shut', opens])).toEqual(['drain', 'untouched'])
  })

  it('a new stop that is on is shut, and nothing else is needed; what has not set is waited for', () => {
    const { option, at } = begun(stub, pushed)
    const stopAt = option.parts.findIndex(({ family }) => /stop$/.test(family))
    const seam = option.joints.findIndex(({ to }) => to === stopAt)
    expect(at(`a/${seam}/close`)).toMatchObject({ lines: [{ open: 'stop', caps: [] }], seconds: 0 })
    const glued = begun(line('cpvc.sdr11.1/2', { oldJoint: 'cement', stubMm: 90 }), ({ methods }) =>
      methods.includes('cement'),
    )
    const first = glued.option.joints.findIndex(({ method }) => method === 'cement')
    expect(glued.at(`a/${first}/close`).waitSeconds).toBeGreaterThan(600)
  })

  it('half a line shows another end, and that is closed by what fits it; where nothing does, it comes off again', () => {
    const half = (request: LineRequest, pick: (option: RankedOption) => boolean, made: readonly string[]) => {
      const { steps, upTo, leave } = begun(request, pick)
      const off = steps.filter(({ id }) => id.startsWith('a/remove/')).at(-1)?.id ?? ''
      const [cap, bare] = [[...upTo(off), ...made], upTo(off)].map((done) => leave(done).lines[0])
      return { cap: cap?.caps[0], bare: bare?.caps[0], finishSeconds: cap?.finishSeconds ?? 0 }
    }
    const iron = line('galvanised.40.1/2', { oldJoint: 'threaded', thread: 'NPT' }, 'valve.combo.1/2')
    const first = (family: string) => (option: RankedOption) =>
      option.parts[0]?.family === family && option.joints[0]?.method === 'threaded'
    // a barb, that no cap goes on; half a union, though its other half is on the valve already
    const barb = half(iron, first('female-adapter'), ['a/0/close'])
    expect(barb.cap).toEqual({ ...barb.bare, takesOff: true })
    const union = half(iron, first('union'), ['a/0/close', 'a/1/close'])
    expect(union.cap).toEqual({ ...union.bare, takesOff: true })
    // the nut is what is left of it
    expect(union.finishSeconds).toBeGreaterThanOrEqual(60)
    // a piece of tube is closed as the stub would be
    const copper = line('copper.l.1/2', { oldJoint: 'compression', stubMm: 90, turn: 90 }, 'valve.combo.1/2')
    const tube = begun(
      copper,
      ({ methods, parts }) =>
        methods.includes('push-fit') &&
        parts.some(({ family }) => family === 'tube-piece') &&
        parts.length > 1,
    )
    const piece = tube.option.parts.findIndex(({ family }) => family === 'tube-piece')
    const off = tube.steps.filter(({ id }) => id.startsWith('a/remove/')).at(-1)?.id ?? ''
    // nothing beyond the piece, and all up to it
    const seams = tube.option.joints.flatMap(({ to }, seam) => (to <= piece ? [`a/${seam}/close`] : []))
    const done = [...tube.upTo(off).filter((id) => !/^a\/\d/.test(id)), ...seams]
    expect(tube.leave(done).lines[0]?.caps[0]).toMatchObject({
      takesOff: false,
      parts: [expect.stringMatching(/cap/)],
    })
  })

  it('where nobody knows what pipe it is, nothing is promised to close it', () => {
    const { option, upTo, steps } = begun(stub, pushed)
    const plan = { lines: [{ lineId: 'a', option, conditions: stub.conditions }], houseRules }
    const off = steps.filter(({ id }) => id.startsWith('a/remove/')).at(-1)?.id ?? ''
    const leave = (done: readonly string[]) => closeUp({ plan, done, pipes: {}, settings: WELL_EQUIPPED })
    expect(leave(upTo(off)).lines[0]).toMatchObject({ open: 'ends', caps: [null] })
  })

  it('what begins at a new valve is open at that until it is whole', () => {
    const { pipeId: _, ...rest } = line(
      'copper.l.1/2',
      { access: 'closed-wall', oldJoint: 'none' },
      'arm.1/2',
    )
    const valve = { ...rest, from: mouthOf('valve.combo.1/2') }
    const [option] = mate({ lines: [valve], settings: WELL_EQUIPPED }).lines[0]?.options ?? []
    if (!option) throw new Error('no way')
    const { conditions } = valve
    const plan = { lines: [{ lineId: 'a', option, conditions, meets: { from: 'body' } }], houseRules }
    const open = (done: readonly string[]) =>
      closeUp({ plan, done: ['general/shut', ...done], pipes: {}, settings: WELL_EQUIPPED }).lines[0]?.open
    expect(open([])).toBe('valve')
    expect(open(option.joints.map((__, seam) => `a/${seam}/close`))).toBe('whole')
  })

  it('a run that is cut open has two ends', () => {
    const run = begun(within)
    const cut = run.steps.filter(({ id }) => id.startsWith('a/remove/')).at(-1)?.id ?? ''
    expect(run.at(cut).lines[0]?.caps).toHaveLength(2)
    // of what pipe it is, nobody knows: nothing is promised to close it
    expect(run.leave(run.upTo(cut), {}).lines[0]?.caps).toEqual([null])
  })

  it('an old stop that stays is shut, whether the house has water or not, until its line is whole', () => {
    const { conditions, to } = stub
    const [option] =
      mate({
        lines: [
          {
            lineId: 'a',
            from: { ends: [keptStopEnd('comp-3/8') as EndRef] },
            kept: 'stop',
            conditions,
            ...(to ? { to } : {}),
          },
        ],
        settings: WELL_EQUIPPED,
      }).lines[0]?.options ?? []
    if (!option) throw new Error('no way')
    const plan = { lines: [{ lineId: 'a', option, conditions }], houseRules }
    const leave = (done: readonly string[]) => closeUp({ plan, done, pipes: {}, settings: WELL_EQUIPPED })
    expect(leave([]).lines[0]).toMatchObject({ open: 'stop', caps: [] })
    expect(leave(option.joints.map((_, seam) => `a/${seam}/close`)).lines[0]?.open).toBe('whole')
  })

  it('with the water back nothing is open and nothing has to set, whatever was ticked', () => {
    const glued = begun(line('cpvc.sdr11.1/2', { oldJoint: 'cement', stubMm: 90 }), ({ methods }) =>
      methods.includes('cement'),
    )
    const { lines, waitSeconds, seconds } = glued.leave(['general/shut', 'a/0/close', 'general/restore'])
    expect(lines).toEqual([{ lineId: 'a', open: 'whole', caps: [], waitSeconds: 0, finishSeconds: 0 }])
    expect([waitSeconds, seconds]).toEqual([0, 0])
    // a joint that was made at the bench sets there: nothing of the line is open yet
    expect(glued.leave(['general/shut', 'a/1/close']).lines[0]).toMatchObject({
      open: 'untouched',
      waitSeconds: 0,
    })
  })

  it('what begins at a tee or a stop of another line is open once that is on, and not before', () => {
    const trunk = line('copper.l.1/2', { oldJoint: 'compression', stubMm: 90, outlets: 2 })
    const branch = { ...trunk, conditions: { ...trunk.conditions, outlets: 1 as const } }
    const { pipeId: _, ...from } = branch
    const { lines } = mate({
      lines: [
        { ...trunk, lineId: 'a' },
        { ...from, lineId: 'b', branchOf: 'a' },
      ],
      settings: WELL_EQUIPPED,
      k: 12,
    })
    // one that stands on an adapter or a piece, so that it is not the first that is joined
    const [a] =
      lines[0]?.options.filter(({ parts }) => parts.findIndex(({ family }) => family === 'dual-stop') > 0) ??
      []
    const [b] = lines[1]?.options ?? []
    if (!a || !b) throw new Error('no way')
    const plan = {
      lines: [
        { lineId: 'a', option: a, conditions: trunk.conditions },
        { lineId: 'b', option: b, conditions: branch.conditions, branchOf: 'a' },
      ],
      houseRules,
    }
    const leave = (done: readonly string[]) =>
      closeUp({ plan, done: ['general/shut', ...done], pipes: {}, settings: WELL_EQUIPPED }).lines[1]
    expect(leave([])?.open).toBe('untouched')
    const stop = a.parts.findIndex(({ family }) => family === 'dual-stop')
    const on = a.joints.flatMap(({ to }, seam) => (to <= stop ? [`a/${seam}/close`] : []))
    // what stands between the old pipe and the stop is not the stop
    for (let made = 0; made < on.length; made++) expect(leave(on.slice(0, made))?.open).toBe('untouched')
    expect(leave(on.slice(-1))?.open).toBe(on.length > 1 ? 'untouched' : 'stop')
    expect(leave(on)).toMatchObject({ open: 'stop', caps: [] })
    expect(leave([...on, ...b.joints.map((__, seam) => `b/${seam}/close`)])?.open).toBe('whole')
  })
})
