import { partOf } from '../assembly/kept'
import { isCementSocket } from '../catalog/build'
import type { Family } from '../catalog/types'
import { isSoftTube } from '../reference/softTube'
import { commonPractice } from '../reference/source'
import type { Pipe } from '../reference/types'
import { pieceLetter } from '../units'
import { type Dimension, type LaidPiece, layOut } from './layout'
import { type FitReason, impossible } from './reason'
import { drawnBack, leastBowedMm, type Spring, sidewaysSpring, stiffnessOf, USED } from './spring'
import { bends, bendsSquare, type Chain } from './stations'
import { faceMm, takeOutMm } from './takeOut'
import { usualElbowMm } from './usualElbow'

/** Two faces of a union pass each other with this much, mm. Common practice. */
export const UNION_GAP_MM = 2
/** A sliding part is pushed on until its end is clear, mm. Common practice. */
export const PARK_MM = 3

const SLIDING: ReadonlySet<Family> = new Set(['slip-coupling', 'repair-coupling', 'slip-tee'])

/** Whether a part slides along its pipe until it is needed. */
export function slides({ family }: { readonly family: Family }): boolean {
  return SLIDING.has(family)
}

interface Removed {
  readonly min: number
  readonly max: number
}

export interface FixedEndsAsk {
  readonly pipe: Pick<Pipe, 'odMm' | 'wallMm' | 'material'> & { readonly soft?: boolean }
  readonly chain: Chain & {
    readonly closes?:
      | {
          readonly seam: number
          readonly by: 'slide' | 'union' | 'spring' | 'joint' | 'fold'
          readonly needsMm: number
        }
      | undefined
    readonly removeMm?: Removed | undefined
    readonly removeLegsMm?: readonly [Removed, Removed] | undefined
  }
  /** How much is to come out of the run, mm; the least that does where it is not said. */
  readonly takeOutMm: number | null
  /** The same of a new corner, on each side of its middle, mm. */
  readonly legsMm?: readonly [number | null, number | null] | undefined
  /** Where what goes in stands between two pieces: from the cut on this side to its middle, mm. */
  readonly placeMm?: number | null
  /** Straight bare pipe from the cut, each side, mm; null where it is not measured. */
  readonly bareMm: readonly [number | null, number | null]
  /** Free pipe to the first clamp, each side, mm. */
  readonly freeMm: readonly [number, number]
  /** Room to push it sideways, mm. */
  readonly roomMm: number
}

/** One side of a new corner: what comes out of it, from the corner's middle, and between what it may be. */
export interface CornerLeg {
  readonly takeOutMm: number
  readonly windowMm: readonly [number, number]
}

/** Whether a run can be sprung apart far enough to pass over a joint. */
export interface SpringVerdict {
  /** The least that some joint goes in by, mm. */
  readonly needsMm: number
  /** What both ends yield along the run, or round a corner the leg that yields more, sideways, mm. */
  readonly haveMm: number
  readonly can: boolean
  readonly sides: readonly [Spring, Spring]
  /** Free length on each side that would do, mm; null where no length does in that room. */
  readonly leastFreeMm: number | null
}

export interface FixedEnds {
  readonly takeOutMm: number
  /** Least and most that may come out. */
  readonly windowMm: readonly [number, number]
  /** A new corner leg by leg, with its place among the parts; null for a straight run. */
  readonly corner: { readonly part: number; readonly legs: readonly [CornerLeg, CornerLeg] } | null
  /** The number that makes it impossible, and by how much. */
  readonly reason: FitReason | null
  readonly pieces: readonly LaidPiece[]
  /** The part whose place has to be said, since a piece lies on either side of it; null where none has. */
  readonly between: number | null
  /** What slides, and where it waits; null where nothing does. */
  readonly sliding: {
    readonly part: number
    readonly on: 'near' | 'far' | 'piece'
    /** Straight bare pipe that it needs to wait on, mm. */
    readonly needsMm: number
    /** Witness marks from the two ends that it is drawn back over, mm. */
    readonly marksMm: readonly [number, number]
  } | null
  /** Straight bare pipe that is needed on each side of the cut, mm. */
  readonly leastBareMm: readonly [number, number]
  readonly spring: SpringVerdict
  /** What is done, in order. */
  readonly steps: readonly FitReason[]
}

const step = (ruleId: string, parameters: FitReason['parameters'] = {}): FitReason => ({
  ruleId,
  parameters,
  source: commonPractice,
})

/**
 * The free length from which a pipe yields so much along its axis, mm: from 3Y²/(5L) with Y as far as the stress
 * allows. Null where the room ends it first: then a longer pipe yields less, not more.
 */
export function leastFreeMm(pipe: FixedEndsAsk['pipe'], retractionMm: number, roomMm: number): number | null {
  const stiffness = stiffnessOf(pipe.material, pipe.soft)
  if (!stiffness) return null
  // as sidewaysSpring has it: Y = σL²/(3E·D/2)
  const perL2 = (stiffness.limitMPa * USED) / ((3 * stiffness.modulusMPa * pipe.odMm) / 2)
  const length = Math.cbrt((5 * retractionMm) / (3 * perL2 ** 2))
  return sidewaysSpring(pipe, length, roomMm).retractionMm >= retractionMm - 1e-9 ? length : null
}

/** The same of soft tube, which is bowed by hand where that takes less. */
function leastDrawnMm(pipe: FixedEndsAsk['pipe'], retractionMm: number, roomMm: number): number | null {
  const sprung = leastFreeMm(pipe, retractionMm, roomMm)
  if (!isSoftTube(pipe.material)) return sprung
  const bowed = leastBowedMm(pipe, retractionMm, roomMm)
  return bowed === null || sprung === null ? (bowed ?? sprung) : Math.min(bowed, sprung)
}

/** The free length from which a pipe can be pushed so far sideways, mm; null where the room ends it first. */
function leastFreeSidewaysMm(pipe: FixedEndsAsk['pipe'], sidewaysMm: number, roomMm: number): number | null {
  const stiffness = stiffnessOf(pipe.material, pipe.soft)
  if (!stiffness || roomMm < sidewaysMm) return null
  const perL2 = (stiffness.limitMPa * USED) / ((3 * stiffness.modulusMPa * pipe.odMm) / 2)
  // small deflections only: as sidewaysSpring has it
  return Math.max(Math.sqrt(sidewaysMm / perL2), sidewaysMm * 10)
}

/** Joints that can be let back in: what is screwed is turned home. The ends of a run that is cut are plain, so some are. */
const letIn = ({ joints }: Chain) => joints.filter(({ bodyForm }) => bodyForm !== 'taper-female')

/** Round a corner a joint of one leg opens as the other leg is pushed sideways, which is along the first. */
function springRoundCorner({ pipe, chain, freeMm, roomMm }: FixedEndsAsk, corner: number): SpringVerdict {
  const sides = [sidewaysSpring(pipe, freeMm[0], roomMm), sidewaysSpring(pipe, freeMm[1], roomMm)] as const
  // only at a right angle is sideways of the one along the other
  const turning = chain.parts[corner]
  const square = turning !== undefined && bendsSquare(turning)
  const given = (side: Spring) => (square ? side.sidewaysMm : 0)
  const least = (near: boolean) =>
    Math.min(
      ...letIn(chain)
        .filter(({ to }) => near === to <= corner)
        .map(({ minMm }) => minMm),
    )
  const [a, b] = [
    { needsMm: least(true), haveMm: given(sides[1]) },
    { needsMm: least(false), haveMm: given(sides[0]) },
  ] as const
  const better = a.haveMm - a.needsMm >= b.haveMm - b.needsMm ? a : b
  return {
    ...better,
    can: better.haveMm >= better.needsMm,
    sides,
    leastFreeMm: square ? leastFreeSidewaysMm(pipe, better.needsMm, roomMm) : null,
  }
}

function springOf({ pipe, chain, freeMm, roomMm }: FixedEndsAsk): SpringVerdict {
  const needsMm = Math.min(...letIn(chain).map(({ minMm }) => minMm))
  const sides = [drawnBack(pipe, freeMm[0], roomMm), drawnBack(pipe, freeMm[1], roomMm)] as const
  const haveMm = sides[0].retractionMm + sides[1].retractionMm
  return {
    needsMm,
    haveMm,
    can: haveMm >= needsMm,
    sides,
    leastFreeMm: leastDrawnMm(pipe, needsMm / 2, roomMm),
  }
}

/**
 * What goes into a run that is fixed at both ends: how much comes out, the pieces that go in, what slides where and back
 * to which marks, the straight pipe that needs, whether the run could be sprung instead, and the order of it all.
 *
 * @throws CoreFault naming a part that is in no table
 */
export function fixedEnds(ask: FixedEndsAsk): FixedEnds {
  const { chain, bareMm } = ask
  const corner = cornerOf(ask)
  const { min, max } = chain.removeMm ?? { min: 0, max: 0 }
  const legs: readonly CornerLeg[] = corner?.legs ?? [
    { takeOutMm: ask.takeOutMm ?? min, windowMm: [min, max] as const },
  ]
  const takeOutMm = legs.reduce((sum, leg) => sum + leg.takeOutMm, 0)
  const most = (end: 0 | 1) => legs.reduce((sum, leg) => sum + leg.windowMm[end], 0)
  const windowMm = [most(0), most(1)] as const
  const outside = legs.map(outsideOf).find((reason) => reason !== null) ?? null
  const out = (from: Dimension['from'], to: Dimension['to'], mm: number): Dimension => ({
    id: `out ${from}`,
    from,
    to,
    mm: Math.max(mm, 1e-6),
    measurer: 'rule',
  })
  const dimensions: Dimension[] = corner
    ? [
        out('stub', `part:${corner.part}:centre`, corner.legs[0].takeOutMm),
        out(`part:${corner.part}:centre`, 'tail', corner.legs[1].takeOutMm),
      ]
    : [out('stub', 'tail', takeOutMm)]
  const open = layOut({ chain, stubMm: null, dimensions }).asks[0]
  const between = open ? Number(open.to.split(':')[1]) : null
  if (open && ask.placeMm != null)
    dimensions.push({ id: 'place', from: open.from, to: open.to, mm: ask.placeMm, measurer: 'rule' })
  const { pieces } = layOut({ chain, stubMm: null, dimensions })
  const sliding = slidingOf(ask, pieces)
  const ends = [bareFor(chain.joints[0]), bareFor(chain.joints.at(-1))] as const
  const waits = (side: 'near' | 'far') => (sliding?.on === side ? sliding.needsMm : 0)
  const leastBareMm = [Math.max(ends[0], waits('near')), Math.max(ends[1], waits('far'))] as const
  const short = leastBareMm.findIndex((least, side) => {
    const bare = bareMm[side as 0 | 1]
    return bare !== null && bare < least
  })
  const reason =
    outside ??
    pieces.find((piece) => piece.reason?.ruleId === 'cut.too-close')?.reason ??
    (short < 0
      ? null
      : impossible('fixed.no-room', {
          shortMm: (leastBareMm[short] as number) - (bareMm[short] as number),
        }).reason)
  return {
    takeOutMm,
    windowMm,
    corner,
    reason,
    pieces,
    between,
    sliding,
    leastBareMm,
    spring: corner ? springRoundCorner(ask, corner.part) : springOf(ask),
    steps: stepsOf(ask, legs, pieces, sliding, between === null ? branchAt(chain) : null),
  }
}

/** Whether a part takes its pipes in sockets that cement goes into. */
const isCemented = ({ joints }: Chain, part: number) => isCementSocket(joints[part]?.bodyForm ?? '')

/** Straight bare pipe that a joint on an old end takes, mm: rubber that is rolled back lies over as much again. */
function bareFor(joint: Chain['joints'][number] | undefined): number {
  const rolls = joint?.bodyForm === 'shielded' || joint?.bodyForm === 'flexible'
  return (joint?.maxMm ?? 0) * (rolls ? 2 : 1)
}

/** Where a chain turns, and what comes out on each side of it; null where it goes straight on. */
function cornerOf({ pipe, chain, legsMm }: FixedEndsAsk): FixedEnds['corner'] {
  if (!chain.removeLegsMm) return null
  const part = chain.parts.findIndex((chosen) => bends(chosen))
  const leg = (side: 0 | 1): CornerLeg => {
    const { min, max } = chain.removeLegsMm?.[side] ?? { min: 0, max: 0 }
    // nothing is cut inside the old elbow
    const least = Math.min(max, Math.max(min, usualElbowMm(pipe) ?? 0))
    return { takeOutMm: legsMm?.[side] ?? least, windowMm: [min, max] }
  }
  return { part, legs: [leg(0), leg(1)] }
}

/** What is wrong with so much coming out; null where nothing is. */
function outsideOf({ takeOutMm, windowMm: [min, max] }: CornerLeg): FitReason | null {
  if (takeOutMm < min - 1e-9) return impossible('fixed.too-little', { shortMm: min - takeOutMm }).reason
  if (takeOutMm > max + 1e-9) return impossible('fixed.too-much', { overMm: takeOutMm - max }).reason
  return null
}

/** End to end of a part, through its middle, mm. */
function longMm(chain: Chain, index: number): number {
  const chosen = chain.parts[index]
  const fitting = chosen && partOf(chosen)
  return fitting ? faceMm(fitting, chosen.inPort) + faceMm(fitting, chosen.outPort) : 0
}

function slidingOf({ chain, bareMm }: FixedEndsAsk, pieces: readonly LaidPiece[]): FixedEnds['sliding'] {
  const { closes } = chain
  if (closes?.by !== 'slide') return null
  const part = closes.seam
  const needsMm = longMm(chain, part) + PARK_MM
  const last = chain.parts.length - 1
  const room = (have: number | null) => have === null || have >= needsMm
  // on the run where it is next to it and there is room; otherwise on the piece beside it
  const on =
    part === 0 && room(bareMm[0]) ? 'near' : part === last && room(bareMm[1]) ? 'far' : ('piece' as const)
  const beside = pieces.find((piece) => Math.abs(piece.part - part) === 1)
  const waitsOn = on === 'piece' && !beside ? (part === 0 ? 'near' : 'far') : on
  return {
    part,
    on: waitsOn,
    needsMm,
    marksMm: [chain.joints[part]?.maxMm ?? 0, chain.joints[part + 1]?.maxMm ?? 0],
  }
}

/** The two sides of a run by what goes in, the one that is measured first: as water falls, as it runs, or as they lie. */
const SIDES: Readonly<Partial<Record<Family, readonly [string, string]>>> = {
  'sanitary-tee': ['above', 'below'],
  wye: ['upstream', 'downstream'],
  'wye-eighth': ['upstream', 'downstream'],
}

/**
 * Of a branch that stands at one end of what goes in: from the cut on that side to where the pipe that comes in has its
 * middle, mm; null where none does.
 */
function branchAt({ parts }: Chain): { readonly cut: string; readonly atMm: number } | null {
  const last = parts.length - 1
  const at = parts.findIndex((chosen) => (partOf(chosen)?.ports.length ?? 0) > 2)
  const chosen = parts[at]
  const fitting = chosen && partOf(chosen)
  const side = fitting?.ports.find((_, index) => index !== chosen?.inPort && index !== chosen?.outPort)
  if (!fitting || !side || (at !== 0 && at !== last)) return null
  const near = at === 0
  const port = near ? chosen.inPort : chosen.outPort
  const run = fitting.ports[port]?.pose.axis ?? [0, 0, 0]
  // what comes in square has its middle there; what leans, where its axis meets the run's
  const along = (of: readonly number[]) => of.reduce((sum, mm, index) => sum + mm * (run[index] ?? 0), 0)
  const leans = Math.abs(along(side.pose.axis)) > 1e-9
  return {
    cut: (SIDES[chosen.family] ?? ['near', 'far'])[near ? 0 : 1] as string,
    atMm: takeOutMm(fitting, port)[0] - (leans ? 0 : along(side.pose.origin)),
  }
}

function stepsOf(
  { chain, pipe }: FixedEndsAsk,
  legs: readonly CornerLeg[],
  pieces: readonly LaidPiece[],
  sliding: FixedEnds['sliding'],
  branch: ReturnType<typeof branchAt>,
): FitReason[] {
  const [first, second] = legs
  const nearMm = first?.takeOutMm ?? 0
  const steps = [
    ...(branch ? [step('fixed.branch', branch)] : []),
    second
      ? step('fixed.take-out-corner', { nearMm, farMm: second.takeOutMm })
      : nearMm > 0.5
        ? step('fixed.take-out', { takeOutMm: nearMm })
        : step('fixed.one-cut'),
    step('fixed.ream'),
  ]
  for (const [index, piece] of pieces.entries())
    if (piece.cutMm !== null)
      steps.push(step('fixed.piece', { letter: pieceLetter(index), cutMm: piece.cutMm }))
  if (sliding) {
    const [firstMm, secondMm] = sliding.marksMm
    steps.push(step('fixed.marks', { firstMm, secondMm }))
    steps.push(step(`fixed.slide-${sliding.on}`, { needsMm: sliding.needsMm }))
  }
  const others = chain.parts.filter((_, index) => index !== sliding?.part).length
  if (others > 0) steps.push(step('fixed.put-in'))
  if (chain.closes?.by === 'spring')
    steps.push(
      step(second ? 'fixed.spring-corner' : isSoftTube(pipe.material) ? 'fixed.bow' : 'fixed.spring', {
        needsMm: chain.closes.needsMm,
      }),
    )
  if (chain.closes?.by === 'union') steps.push(step('fixed.union'))
  if (chain.closes?.by === 'fold') steps.push(step('fixed.fold'))
  if (sliding) steps.push(step(isCemented(chain, sliding.part) ? 'fixed.draw-back-wet' : 'fixed.draw-back'))
  return steps
}
