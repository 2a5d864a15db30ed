import { bodiesOf, bodyKind, mouthOf } from '../assembly'
import type { Conditions } from '../assembly/conditions'
import { mate } from '../mate'
import { PLAIN, WELL_EQUIPPED } from '../mate/test/problems'
import type { LineRequest } from '../mate/types'
import { pipeById } from '../reference'
import { stepText } from '../words/steps'
import { sequence } from './index'

/** What is said of how new pipe of a drain hangs, and all that has to come before it; null where nothing is. */
function hung(pipeId: string, kind: string, patch: Partial<Conditions> = {}) {
  const conditions: Conditions = { ...PLAIN, service: 'waste', oldJoint: 'none', ...patch }
  const insert = bodyKind(kind)?.insert
  const request: LineRequest = {
    lineId: 'a',
    pipeId,
    conditions,
    ...(insert
      ? { cutIn: { insert, farMm: null, freeMm: [0, 0], outMm: 400, sidewaysMm: 0 } }
      : { to: mouthOf(kind) }),
  }
  const options = mate({ lines: [request], settings: WELL_EQUIPPED, k: 8 }).lines[0]?.options ?? []
  const option =
    options.find(({ parts }) => parts.some(({ family }) => family === 'tube-piece')) ?? options[0]
  if (!option) throw new Error(`no way for ${pipeId} to ${kind}`)
  const [body] = bodiesOf([kind])
  const material = pipeById(pipeId)?.material
  const { steps } = sequence({
    lines: [
      {
        lineId: 'a',
        option,
        conditions,
        ...(material ? { material } : {}),
        ...(body && !insert ? { meets: { to: body.id } } : {}),
      },
    ],
    ...(body ? { bodies: [body] } : {}),
    houseRules: WELL_EQUIPPED.houseRules,
  })
  const step = steps.find(({ words }) => words === 'fix.hang')
  return step ? { step, steps, text: stepText(step, 'in') } : null
}

describe('new pipe of a drain', () => {
  it.each([
    ['under a floor, to a shower', 'pvc-dwv.40.2', 'waste.shower.2', {}, /^Hang the new pipe every 4 feet/],
    [
      'that turns up to a bowl',
      'abs-dwv.40.3',
      'waste.bowl',
      { turn: 90 },
      /^Hang the new pipe every 4 feet/,
    ],
    [
      'upright behind a machine',
      'abs-dwv.40.2',
      'waste.standpipe',
      { spanMm: 900, stubMm: 100 },
      /^Strap the upright/,
    ],
    [
      'that is cut as a standpipe right over its trap',
      'pvc-dwv.40.2',
      'waste.standpipe',
      { oldJoint: 'cement' },
      /^Strap the upright/,
    ],
    ['in a run of iron', 'cast-iron.hubless.3', 'waste.run.repair', {}, /every 5 feet and within 18 inches/],
  ] as const)('%s hangs on its own before water stands in it', (_what, pipeId, kind, patch, says) => {
    const found = hung(pipeId, kind, patch)
    expect(found?.text).toMatch(says)
    const at = (wanted: RegExp) => found?.steps.findIndex(({ words }) => wanted.test(words)) ?? -1
    const fills = found?.steps.findIndex(({ id }) => /^(general\/drain-full|a\/line\/fill)$/.test(id)) ?? -1
    expect(fills).toBeGreaterThan(at(/^fix\.hang$/))
    // nor is it moved while it sets
    for (const { id, kind: of, seam } of found?.steps ?? [])
      if (seam !== null && of === 'wait')
        expect(at(/^fix\.hang$/)).toBeGreaterThan(found?.steps.findIndex((each) => each.id === id) ?? -1)
  })

  it.each([
    ['in the ground lies on its bed', 'pvc-dwv.40.2', 'waste.shower.2', { access: 'buried' }],
    ['of a trap under a basin hangs on its nuts', 'pvc-dwv.40.2', 'waste.tail.1-1/2', {}],
    ['straight up to a flange is held by that', 'abs-dwv.40.3', 'waste.bowl', {}],
  ] as const)('that is %s', (_what, pipeId, kind, patch) => {
    expect(hung(pipeId, kind, patch)).toBeNull()
  })
})
