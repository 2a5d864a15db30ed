import {
  bodiesOf,
  type Conditions,
  type LineRequest,
  mate,
  mouthOf,
  PLAIN_CONDITIONS,
  type PlanRequest,
  pipeById,
  sequence,
} from '@diarmos/core'
import { WELL_EQUIPPED as SETTINGS } from '../../packages/core/src/mate/test/problems'
import { Dice } from '../mate/random'
import { anyOrder } from './anyOrder'
import { carryOut } from './world'

const PLACE = { ...PLAIN_CONDITIONS, waterSeen: true, line: 'dry' as const }

interface Box {
  readonly kind: string
  readonly pipeId: string
  readonly water: Partial<Conditions>
  readonly drainId: string
  readonly drain: Partial<Conditions>
}
/** Both valves and the drain of a box, mated together; each as the best of all has it. */
function boxed({ kind, pipeId, water, drainId, drain }: Box): PlanRequest {
  const bodies = bodiesOf([kind, 'waste.box.2'])
  const [box, waste] = bodies
  if (!box || !waste) throw new Error('no box')
  const lines: LineRequest[] = [
    ...(['hot', 'cold'] as const).map((service) => ({
      lineId: service,
      pipeId,
      to: { ...mouthOf(kind), bodyId: box.id },
      conditions: { ...PLACE, service, ...water },
    })),
    {
      lineId: 'drain',
      pipeId: drainId,
      to: mouthOf('waste.box.2'),
      conditions: { ...PLACE, service: 'waste', ...drain },
    },
  ]
  const answer = mate({ lines, settings: SETTINGS, k: 8 })
  return {
    lines: lines.map(({ lineId, conditions, pipeId: of = '' }, at) => {
      const { options = [] } = answer.lines[at] ?? {}
      const option = options.find(({ id }) => id === answer.together?.optionIds[at]) ?? options[0]
      if (!option) throw new Error(`no way for ${lineId}`)
      const material = pipeById(of)?.material
      return {
        lineId,
        option,
        conditions,
        meets: { to: lineId === 'drain' ? waste.id : box.id },
        ...(material ? { material } : {}),
      }
    }),
    bodies,
    houseRules: SETTINGS.houseRules,
  }
}
const OLD: Box = {
  kind: 'box.combo.1/2',
  pipeId: 'copper.l.1/2',
  water: { oldJoint: 'sweat', access: 'closed-wall' },
  drainId: 'pvc-dwv.40.2',
  drain: { oldJoint: 'cement', trapped: true, access: 'closed-wall' },
}
const BOXES: readonly (readonly [string, Box])[] = [
  ['on copper, and on what stays of its standpipe', OLD],
  [
    'on PEX, over a trap of its own',
    {
      ...OLD,
      kind: 'box.barb.1/2',
      pipeId: 'pex-b.sdr9.1/2',
      water: { oldJoint: 'crimp' },
      drain: { oldJoint: 'none' },
    },
  ],
  [
    'on steel, its drain of copper',
    {
      ...OLD,
      pipeId: 'galvanised.40.1/2',
      water: { oldJoint: 'threaded', thread: 'NPT' },
      drainId: 'copper.dwv.2',
      drain: { oldJoint: 'sweat', trapped: true },
    },
  ],
  [
    'where nothing hung before',
    { ...OLD, water: { oldJoint: 'none' }, drainId: 'abs-dwv.40.2', drain: { oldJoint: 'none' } },
  ],
]

describe('a washing machine’s box in a wall', () => {
  it.each(BOXES)('%s: its order can be carried out, and any other that the plan allows', (_, box) => {
    const request = boxed(box)
    const { steps } = sequence(request)
    expect(carryOut(request, steps)).toEqual([])
    for (let draw = 0; draw < 20; draw++)
      expect([draw, carryOut(request, anyOrder(steps, new Dice(draw)))]).toEqual([draw, []])
    const order = steps.map(({ words }) => words)
    const hung = order.indexOf('fixture.hang-box')
    // the old one is out where there was one, the new one stands on its drain, and its water comes to it then
    const old = !request.lines.every(({ conditions }) => conditions.oldJoint === 'none')
    expect(order.includes('fixture.out-wall')).toBe(old)
    expect(order.includes('fixture.hoses-off')).toBe(old)
    if (old) expect(order.indexOf('fixture.out-wall')).toBeLessThan(hung)
    // hoses come last, before the machine pumps
    expect(order.indexOf('fixture.hoses')).toBeGreaterThan(Math.max(hung, order.indexOf('prove.hold')))
    expect(order.indexOf('prove.standpipe')).toBeGreaterThan(order.indexOf('fixture.hoses'))
  })

  it('broken on purpose it is seen: hung before its drain is made, or where the old one is', () => {
    const request = boxed(OLD)
    const { steps } = sequence(request)
    /** What comes of it when one act is done just before another. */
    const seenWhen = (words: string, other: RegExp) => {
      const at = steps.find(({ id }) => other.test(id))?.startSeconds ?? Number.NaN
      return carryOut(
        request,
        steps.map((step) =>
          step.words === words ? { ...step, startSeconds: at - 2, endSeconds: at - 1 } : step,
        ),
      ).join()
    }
    expect(seenWhen('fixture.hang-box', /^drain\/0\/close$/)).toMatch(
      /between what stands of drain and a box that hangs/,
    )
    expect(seenWhen('fixture.hang-box', /remove/)).toMatch(/hung where the old one of (hot|cold|drain) is/)
  })

  it('a box that stays is not hung again, and its drain alone has it hung by itself', () => {
    const whole = boxed(OLD)
    const hangs = (bodies: PlanRequest['bodies'], lines: PlanRequest['lines']) =>
      sequence({ ...whole, bodies: bodies ?? [], lines }).steps.flatMap(({ id, words }) =>
        words === 'fixture.hang-box' ? [id] : [],
      )
    const [box, waste] = whole.bodies ?? []
    const drain = whole.lines.filter(({ lineId }) => lineId === 'drain')
    if (!box || !waste) throw new Error('no box')
    expect(hangs([waste], drain)).toEqual(['general/hang-waste'])
    expect(hangs([{ ...box, stays: true }, waste], drain)).toEqual([])
    expect(hangs([box, waste], whole.lines)).toEqual(['general/hang-main'])
    // whichever is named first
    const turned = { ...whole, bodies: [waste, box] }
    expect(hangs(turned.bodies, whole.lines)).toEqual(['general/hang-main'])
    expect(carryOut(turned, sequence(turned).steps)).toEqual([])
  })
})
