// Jobs as a shop meets them, with ways that were found for them: one to three fixtures behind one shut-off.
import {
  BODY_KINDS,
  CATALOG,
  type Conditions,
  keptStopEnd,
  type LineRequest,
  mate,
  mouthOf,
  type PlanRequest,
  pipeById,
  STARTING_SETTINGS,
} from '@diarmos/core'
import { judged } from '../judge/questions'
import { Dice } from '../mate/random'

type PlanLine = PlanRequest['lines'][number]

interface Solved {
  readonly request: LineRequest
  readonly kind: string
  readonly options: readonly PlanLine['option'][]
}

/** Questions that have a way, with their ways: solved once, drawn from many times. */
export function solvedQuestions(count: number, from = 0): readonly Solved[] {
  const found: Solved[] = []
  for (let index = from; found.length < count; index++) {
    const { request, kind } = judged(index)
    const options = mate(request).lines[0]?.options ?? []
    if (options.length > 0) found.push({ request: request.lines[0], kind, options })
  }
  return [...found, ...besides()]
}

/** Wastes in floors and walls, on pipe of every kind. */
const FLOORS: readonly (readonly [pipeId: string, kind: string, patch: Partial<Conditions>])[] = [
  ['pvc-dwv.40.3', 'waste.bowl', { oldJoint: 'flange', flangeMm: -3 }],
  ['pvc-dwv.40.3', 'waste.bowl', { oldJoint: 'flange', flangeMm: -60, spanMm: 200, faults: ['ring-broken'] }],
  ['abs-dwv.40.4', 'waste.bowl', { oldJoint: 'none' }],
  ['cast-iron.service.4', 'waste.bowl', { oldJoint: 'hub-lead' }],
  ['cast-iron.service.2', 'waste.shower.2', { oldJoint: 'hub-lead' }],
  ['copper.dwv.1-1/2', 'waste.tub.1-1/2', { oldJoint: 'none' }],
  ['abs-dwv.40.2', 'waste.standpipe', { oldJoint: 'cement' }],
  ['lead-waste.light.1-1/2', 'waste.tail.1-1/2', { oldJoint: 'wiped' }],
]

/** Stops that stay, of which only what hangs on them is new; and basins' wastes. */
function besides(): readonly Solved[] {
  const { conditions } = judged(0).request.lines[0]
  const { settings } = judged(3).request
  const plain: Conditions = { ...conditions, oldJoint: 'none', access: 'reachable', stubMm: 80 }
  const ask = (kind: string, request: LineRequest): Solved[] => {
    const options = mate({ lines: [request], settings, k: 6 }).lines[0]?.options ?? []
    return options.length > 0 ? [{ request, kind, options }] : []
  }
  const stop = keptStopEnd('comp-3/8')
  return [
    ...['faucet.shank.1/2', 'faucet.hose.3/8', 'toilet.fill.7/8', 'appliance.comp.3/8'].flatMap((kind) =>
      ask(kind, {
        lineId: 'a',
        ...(stop ? { from: { ends: [stop] } } : {}),
        kept: 'stop',
        to: mouthOf(kind),
        conditions: { ...plain, reachMm: 250, stopWeeps: kind.startsWith('toilet') },
      }),
    ),
    ...(['none', 'slip', 'cement'] as const).flatMap((oldJoint) =>
      ['pvc-dwv.40.1-1/2', 'abs-dwv.40.1-1/2'].flatMap((pipeId) =>
        ask('waste', {
          lineId: 'a',
          pipeId,
          to: mouthOf('waste.tail.1-1/4'),
          conditions: { ...plain, service: 'waste', oldJoint },
        }),
      ),
    ),
    ...FLOORS.flatMap(([pipeId, kind, patch]) =>
      ask('waste', {
        lineId: 'a',
        pipeId,
        to: mouthOf(kind),
        conditions: { ...plain, service: 'waste', ...patch },
      }),
    ),
  ]
}

/** Kinds of valve that are hung in a wall. */
export const IN_WALL = BODY_KINDS.filter(({ mount, ports }) => mount === 'in-wall' && ports.length > 2).map(
  ({ id }) => id,
)

/** Ways for what leaves a valve in the wall: to an arm, or capped. */
export function outletsOf(kinds: readonly string[]): ReadonlyMap<string, readonly Solved[]> {
  const { conditions } = judged(0).request.lines[0]
  const plain = { ...conditions, access: 'closed-wall', oldJoint: 'none', service: 'cold' } as const
  return new Map(
    kinds.map((kind) => [
      kind,
      ['arm.1/2', 'closed'].flatMap((to): Solved[] => {
        const request: LineRequest = {
          lineId: 'out',
          from: mouthOf(kind),
          to: mouthOf(to),
          conditions: plain,
        }
        const options =
          mate({ lines: [request], settings: judged(3).request.settings, k: 6 }).lines[0]?.options ?? []
        return options.length > 0 ? [{ request, kind: to, options }] : []
      }),
    ]),
  )
}

/** Tees let into runs of copper, of plastic and of steel, with what their branch feeds: solved together. */
export function teed(): readonly (readonly PlanLine[])[] {
  const { conditions } = judged(0).request.lines[0]
  const { settings } = judged(3).request
  const plain: Conditions = {
    ...conditions,
    oldJoint: 'none',
    access: 'reachable',
    stubMm: null,
    line: 'dry',
    flame: true,
  }
  // what a van is without: nothing, what is pushed and pressed, all but what is soldered
  const vans = [
    CATALOG,
    CATALOG.filter(({ ports }) => ports.every(({ form }) => !/^(push|press)/.test(form))),
    CATALOG.filter(
      ({ family, material, ports }) =>
        /stop$|connector$|bib$/.test(family) ||
        (/copper|brass/.test(material) && ports.every(({ form }) => /^(solder|tube|taper)/.test(form))),
    ),
  ]
  const runs = ['copper.l.1/2', 'copper.l.3/4', 'pex-b.sdr9.1/2', 'cpvc.sdr11.1/2'] as const
  return runs.flatMap((pipeId) =>
    ['faucet.hose.3/8', 'toilet.fill.7/8', 'hose.outlet', 'valve.combo.1/2'].flatMap((fed) =>
      vans.flatMap((catalogue, van): (readonly PlanLine[])[] => {
        const sidewaysMm = van === 0 ? 60 : 0
        const lines: LineRequest[] = [
          {
            lineId: 'trunk',
            pipeId,
            cutIn: { insert: 'tee', farMm: null, freeMm: [600, 600], sidewaysMm },
            conditions: plain,
          },
          { lineId: 'branch', branchOf: 'trunk', to: mouthOf(fed), conditions: plain },
        ]
        const { lines: alone, together } = mate({ lines, settings, k: 6 }, { catalogue })
        if (!together) return []
        const material = pipeById(pipeId)?.material
        const chosen = alone.map(({ options }, at) => options.find(({ id }) => id === together.optionIds[at]))
        const [trunk, branch] = chosen
        if (!trunk || !branch) return []
        return [
          [
            { lineId: 'trunk', option: trunk, conditions: plain, ...(material ? { material } : {}) },
            { lineId: 'branch', branchOf: 'trunk', option: branch, conditions: plain },
          ],
        ]
      }),
    ),
  )
}

const TWO_WATERS = /^(faucet|tap|washer|valve)/

/** The job that a number stands for, of questions that were solved. */
export function job(
  index: number,
  solved: readonly Solved[],
  outlets: ReadonlyMap<string, readonly Solved[]>,
  tees: readonly (readonly PlanLine[])[] = [],
): PlanRequest {
  const dice = new Dice(410_000 + index)
  const lines: PlanLine[] = []
  const bodies: NonNullable<PlanRequest['bodies']>[number][] = []
  for (let fixture = 0; fixture < dice.pick([1, 1, 1, 2, 2, 3]); fixture++) {
    const { request, kind, options } = dice.pick(solved)
    const row = BODY_KINDS.find(({ id }) => id === kind)
    const bodyId = `b${fixture}`
    const material = request.pipeId ? pipeById(request.pipeId)?.material : undefined
    const besides = { hardRiser: dice.chance(0.15), oldPlate: dice.chance(0.1) }
    const loose = new Dice(990_000 + 10 * index + fixture).chance(0.1)
    const services =
      TWO_WATERS.test(kind) && dice.chance(0.75)
        ? (['hot', 'cold'] as const)
        : ([request.conditions.service] as const)
    if (row && !row.insert)
      bodies.push({
        id: bodyId,
        contents: row.contents,
        mount: row.mount,
        ...(dice.chance(0.4) ? { stays: true } : {}),
      })
    for (const service of services)
      lines.push({
        lineId: `${bodyId}-${service}`,
        option: dice.pick(options),
        conditions: {
          ...request.conditions,
          service,
          ...besides,
          ...(loose ? { faults: [...request.conditions.faults, 'loose' as const] } : {}),
        },
        ...(material ? { material } : {}),
        ...(row && !row.insert ? { meets: { to: bodyId } } : {}),
      })
    for (const outlet of outlets.get(kind) ?? []) {
      if (!dice.chance(0.6)) continue
      const option = dice.pick(outlet.options)
      const long = option.parts.findIndex(({ family }) => family === 'tube-piece')
      const leftLong = long >= 0 && long < option.joints.length - 1 && dice.chance(0.3)
      lines.push({
        lineId: `${bodyId}-${outlet.kind}`,
        option,
        conditions: outlet.request.conditions,
        meets: { from: bodyId },
        ...(leftLong ? { leftLong: long } : {}),
      })
    }
  }
  // dice of its own, so that all else stays as it was
  const more = new Dice(870_000 + index)
  if (tees.length > 0 && more.chance(0.2)) lines.push(...more.pick(tees))
  return {
    lines,
    bodies,
    ...(more.chance(0.3) ? { permit: true } : {}),
    people: dice.pick([1, 1, 2] as const),
    houseRules: { ...STARTING_SETTINGS.houseRules, solderAt: dice.pick(['bench', 'place'] as const) },
  }
}
