import { drainOf } from '../mate/test/drains'
import { PLAIN, WELL_EQUIPPED } from '../mate/test/problems'
import { sequence } from './index'
import { waitsFor } from './test/waitsFor'

it.each(['cast-iron.hubless.4', 'cast-iron.service.4'])(
  '%s: a riser has its flange before it goes down, still to be turned square; then that is screwed down',
  (pipeId) => {
    const asked = { oldJoint: 'none', stubMm: 200, flangeMm: null } as const
    const option = drainOf(pipeId, 'waste.bowl', asked).options.find(({ parts }) =>
      parts.some(({ family }, at) => family === 'closet-flange' && parts[at - 1]?.family === 'tube-piece'),
    )
    if (!option) throw new Error('no riser')
    const conditions = { ...PLAIN, service: 'waste' as const, ...asked }
    const { steps } = sequence({
      lines: [{ lineId: 'a', option, conditions }],
      houseRules: WELL_EQUIPPED.houseRules,
    })
    const flange = option.joints.findIndex(({ to }) => option.parts[to]?.family === 'closet-flange')
    const seal = option.joints.length - 1
    expect(waitsFor(steps, `a/${flange - 1}/close`, `a/${flange}/close`)).toBe(true)
    const screw =
      steps.find(({ id, words }) => id.startsWith(`a/${flange}/`) && words === 'flange.screw')?.id ?? ''
    for (const seam of [flange - 1, flange])
      expect([seam, waitsFor(steps, screw, `a/${seam}/close`)]).toEqual([seam, true])
    expect(waitsFor(steps, `a/${seal}/bolts`, screw)).toBe(true)
  },
)
