// Assemblies with bodies that several lines meet at: a mixing valve, a stop with two outlets, a tee and what its branch
// feeds. Drawn at random, solved together, checked against the integer programme over all lines at once.
import {
  CATALOG,
  type Conditions,
  type Fitting,
  type LineRequest,
  type MateRequest,
  type MateResult,
  type MateSettings,
  mouthOf,
  TOOL_IDS,
} from '@diarmos/core'
import { wetTrunk } from '../../packages/core/src/mate/test/bestTogether'
import type { highs, Programmes } from './highs'
import { programmeOf, type Wish } from './programme'
import { Dice, type Region, someLine, someParts, someShop } from './random'
import { bestUnspared } from './spared'

export interface Assembly {
  readonly kind: 'valve' | 'two-outlet stop' | 'tee' | 'corner'
  readonly lines: readonly LineRequest[]
  readonly settings: MateSettings
  readonly catalogue: readonly Fitting[]
}

const VALVES = {
  inch: ['valve.combo.1/2', 'valve.combo.1/2', 'valve.female.1/2', 'valve.barb.1/2'],
  metric: ['valve.compression.15', 'valve.bsp.1/2'],
} as const
const OUTLETS = {
  inch: { spout: ['spout.thread.1/2', 'spout.slip.1/2'], shower: ['arm.1/2'] },
  metric: { spout: ['spout.bsp.1/2'], shower: ['arm.bsp.1/2'] },
} as const
const SECONDS = ['appliance.comp.3/8', 'appliance.comp.1/4'] as const
const FED = [
  'faucet.hose.3/8',
  'toilet.fill.7/8',
  'washer.hose',
  'hose.outlet',
  'appliance.comp.3/8',
] as const

/** Where most lines have some way: single lines try the hard places. */
const easy = (conditions: Conditions): Conditions => ({
  ...conditions,
  scored: false,
  outOfRound: false,
  nearHeater: false,
})

/** For every third run: some pipe that has to come out. Dice of its own, so that all else stays as it was. */
function badPipe(seed: number): { outMm?: number } {
  const dice = new Dice(seed * 7919 + 1)
  return dice.chance(0.35) ? { outMm: dice.whole(10, 160) } : {}
}

/** The corners of two runs whose elbows go with the cut, with what comes out of each leg at least. */
export function someCorners(seed: number): Assembly {
  const dice = new Dice(seed)
  const region = dice.pick(['inch', 'inch', 'metric'] as const)
  const turning = CATALOG.filter(
    ({ family, ports }) =>
      /^(elbow-90|elbow-45|street-elbow-90|slip-coupling|repair-coupling|union|coupling|tube-piece)$/.test(
        family,
      ) && ports.every(({ nominal }) => ['1/2', '3/4', '15', '22'].includes(nominal)),
  ).filter(() => dice.chance(0.7))
  const catalogue = [...new Set([...someParts(dice, 100, region), ...turning])]
  const settings = {
    ...someShop(dice, catalogue),
    partsAboard: Object.fromEntries(
      catalogue.filter(() => dice.chance(0.7)).map(({ id }) => [id, dice.whole(1, 3)]),
    ),
  }
  const lines = ['hot', 'cold'].map((lineId): LineRequest => {
    const { to: _to, from: _from, ...run } = someLine(dice, lineId, region, 'faucet.hose.3/8')
    return {
      ...run,
      cutIn: {
        insert: 'corner',
        farMm: dice.chance(0.5) ? null : dice.whole(20, 120),
        freeMm: [dice.whole(0, 900), dice.whole(0, 900)],
        sidewaysMm: dice.whole(0, 60),
        legsMm: dice.chance(0.2) ? null : [dice.whole(5, 70), dice.whole(5, 30)],
      },
      conditions: easy({
        ...run.conditions,
        oldJoint: 'none',
        thread: 'none',
        spanMm: null,
        plateMm: 0,
        turn: dice.pick([0, 90, 90, 45] as const),
      }),
    }
  })
  return { kind: 'corner', lines, settings, catalogue }
}

/** Three of the assemblies where lines meet, then one with corners. */
const anyAssembly = (seed: number) => (seed % 4 === 3 ? someCorners(seed) : someAssembly(seed))

/** One assembly that nobody prepared. */
export function someAssembly(seed: number): Assembly {
  const dice = new Dice(seed)
  const kind = dice.pick(['valve', 'two-outlet stop', 'tee'] as const)
  const region: Region = kind === 'valve' ? dice.pick(['inch', 'inch', 'metric'] as const) : 'inch'
  const extra = CATALOG.filter(({ family, id, ports }) =>
    kind === 'tee'
      ? /^(tee|slip-tee|slip-coupling|union)$/.test(family) &&
        ports.every(({ nominal }) => ['1/2', '3/4'].includes(nominal))
      : kind === 'two-outlet stop'
        ? family === 'dual-stop' || id.startsWith('connector.comp1/4')
        : family === 'drop-ear-elbow' ||
          (family === 'female-adapter' && ports.every(({ nominal }) => nominal === '1/2')),
  ).filter(() => dice.chance(0.7))
  const catalogue = [...new Set([...someParts(dice, 160, region), ...extra])]
  const shop = someShop(dice, catalogue)
  // vans on which the last piece is often wanted twice
  const settings = {
    ...shop,
    tripMinutes: dice.whole(5, 30),
    toolsAboard: dice.chance(0.6) ? TOOL_IDS : shop.toolsAboard,
    partsAboard: Object.fromEntries(
      catalogue.filter(() => dice.chance(0.7)).map(({ id }) => [id, dice.whole(1, 3)]),
    ),
  }
  const old = (lineId: string, fixtureId: string): LineRequest => {
    const line = someLine(dice, lineId, region, fixtureId)
    return { ...line, conditions: easy({ ...line.conditions, spanMm: null }) }
  }
  if (kind === 'valve') {
    // where nothing but a flame joins copper, a body may have to cool
    const soldered = region === 'inch' && dice.chance(0.5)
    const valve = soldered ? 'valve.combo.1/2' : dice.pick(VALVES[region])
    const body = { ...mouthOf(valve), bodyId: 'valve' }
    const lines: LineRequest[] = ['hot', 'cold'].map((lineId) => ({ ...old(lineId, valve), to: body }))
    if (soldered) {
      const hot = lines[0] as LineRequest
      const conditions: Conditions = {
        ...hot.conditions,
        flame: true,
        line: 'dry',
        oldJoint: 'sweat',
        thread: 'none',
      }
      lines[0] = { ...hot, pipeId: 'copper.l.1/2', conditions }
    }
    const { conditions } = lines[0] as LineRequest
    for (const outlet of ['spout', 'shower'] as const)
      if (dice.chance(0.5))
        lines.push({
          lineId: outlet,
          from: body,
          to: mouthOf(dice.pick(OUTLETS[region][outlet])),
          conditions,
        })
    const parts = soldered ? catalogue.filter(({ id }) => !/push|press|cxf|\.comp/.test(id)) : catalogue
    return { kind, lines, settings, catalogue: parts }
  }
  const trunk = old('trunk', 'faucet.hose.3/8')
  const branch = (fed: string): LineRequest => ({
    lineId: 'branch',
    branchOf: 'trunk',
    to: mouthOf(fed),
    conditions: { ...trunk.conditions, outlets: 1 },
  })
  if (kind === 'two-outlet stop')
    return {
      kind,
      lines: [
        { ...trunk, conditions: { ...trunk.conditions, outlets: 2, stopShape: 'either' } },
        branch(dice.pick(SECONDS)),
      ],
      settings,
      catalogue,
    }
  const { to: _to, ...run } = trunk
  return {
    kind,
    lines: [
      {
        ...run,
        cutIn: {
          insert: 'tee',
          farMm: dice.chance(0.5) ? null : dice.whole(20, 120),
          freeMm: [dice.whole(0, 1500), dice.whole(0, 1500)],
          sidewaysMm: dice.whole(0, 80),
          ...badPipe(seed),
        },
        conditions: { ...run.conditions, plateMm: 0 },
      },
      branch(dice.pick(FED)),
    ],
    settings,
    catalogue,
  }
}

type Check = (what: string, got: unknown, expected: unknown) => void

/** Solves so many assemblies both ways; those without a way count too, until enough have one. */
export async function assemblies(
  wanted: number,
  mostParts: number,
  check: Check,
  own: (request: MateRequest, catalogue: readonly Fitting[]) => MateResult,
  solve: (programmes: Programmes, wish: Wish) => ReturnType<typeof highs>,
): Promise<{
  readonly solved: ReadonlyMap<Assembly['kind'], number>
  readonly tried: number
  readonly cooled: number
  readonly short: number
}> {
  const solved = new Map<Assembly['kind'], number>()
  let tried = 0
  let cooled = 0
  let short = 0
  for (let total = 0; total < wanted && tried < wanted * 8; tried++) {
    const { kind, lines, settings, catalogue } = anyAssembly(90_000 + tried)
    const { lines: alone, together } = own({ lines, settings, k: 4 }, catalogue)
    const programmes = lines.map((line) =>
      programmeOf(line, settings, catalogue, mostParts, { wetTrunk: wetTrunk(lines, line) }),
    )
    const listed = alone.map(({ options }) => options)
    const best = await bestUnspared(programmes, listed, (wish) => solve(programmes, wish))
    check(`assembly ${tried} (${kind})`, together?.totalCents, best?.cents)
    if (!together) continue
    total++
    solved.set(kind, (solved.get(kind) ?? 0) + 1)
    if (together.cools.length > 0) cooled++
    if (Object.keys(together.short).length > 0) short++
  }
  return { solved, tried, cooled, short }
}
