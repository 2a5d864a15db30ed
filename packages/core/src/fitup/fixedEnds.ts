import { partOf } from '../assembly/kept'
import type { Family } from '../catalog/types'
import { commonPractice } from '../reference/source'
import type { Pipe } from '../reference/types'
import { pieceLetter } from '../units'
import { type Dimension, type LaidPiece, layOut } from './layout'
import { type FitReason, impossible } from './reason'
import { type Spring, sidewaysSpring, stiffnessOf, USED } from './spring'
import type { Chain } from './stations'
import { faceMm } from './takeOut'

/** Two faces of a union pass each other with this much, mm. Common practice. */
export const UNION_GAP_MM = 2
/** A sliding part is pushed on until its end is clear, mm. Common practice. */
export const PARK_MM = 3

const SLIDING: ReadonlySet<Family> = new Set(['slip-coupling', 'repair-coupling', 'slip-tee'])

/** Whether a part slides along its pipe until it is needed. */
export function slides({ family }: { readonly family: Family }): boolean {
  return SLIDING.has(family)
}

export interface FixedEndsAsk {
  readonly pipe: Pick<Pipe, 'odMm' | 'wallMm' | 'material'> & { readonly soft?: boolean }
  readonly chain: Chain & {
    readonly closes?:
      | { readonly seam: number; readonly by: 'slide' | 'union' | 'spring'; readonly needsMm: number }
      | undefined
    readonly removeMm?: { readonly min: number; readonly max: number } | undefined
  }
  /** How much is to come out of the run, mm; the least that does where it is not said. */
  readonly takeOutMm: number | null
  /** Where what goes in stands between two pieces: from the cut on this side to its middle, mm. */
  readonly placeMm?: number | null
  /** Straight bare pipe from the cut, each side, mm; null where it is not measured. */
  readonly bareMm: readonly [number | null, number | null]
  /** Free pipe to the first clamp, each side, mm. */
  readonly freeMm: readonly [number, number]
  /** Room to push it sideways, mm. */
  readonly roomMm: number
}

/** Whether a run can be sprung apart far enough to pass over a joint. */
export interface SpringVerdict {
  /** The least that some joint goes in by, mm. */
  readonly needsMm: number
  /** What both ends yield along the run, mm. */
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

function springOf({ pipe, chain, freeMm, roomMm }: FixedEndsAsk): SpringVerdict {
  const needsMm = Math.min(...chain.joints.map(({ minMm }) => minMm))
  const sides = [sidewaysSpring(pipe, freeMm[0], roomMm), sidewaysSpring(pipe, freeMm[1], roomMm)] as const
  const haveMm = sides[0].retractionMm + sides[1].retractionMm
  return {
    needsMm,
    haveMm,
    can: haveMm >= needsMm,
    sides,
    leastFreeMm: leastFreeMm(pipe, needsMm / 2, roomMm),
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
  const { min, max } = chain.removeMm ?? { min: 0, max: 0 }
  const takeOutMm = ask.takeOutMm ?? min
  const windowMm = [min, max] as const
  const outside =
    takeOutMm < min - 1e-9
      ? impossible('fixed.too-little', { shortMm: min - takeOutMm }).reason
      : takeOutMm > max + 1e-9
        ? impossible('fixed.too-much', { overMm: takeOutMm - max }).reason
        : null
  const dimensions: Dimension[] = [
    { id: 'out', from: 'stub', to: 'tail', mm: Math.max(takeOutMm, 1e-6), measurer: 'rule' },
  ]
  const open = layOut({ chain, stubMm: null, dimensions }).asks[0]
  const between = open ? Number(open.to.split(':')[1]) : null
  if (open && ask.placeMm != null)
    dimensions.push({ id: 'place', from: open.from, to: open.to, mm: ask.placeMm, measurer: 'rule' })
  const { pieces } = layOut({ chain, stubMm: null, dimensions })
  const sliding = slidingOf(ask, pieces)
  const ends = [chain.joints[0]?.maxMm ?? 0, chain.joints.at(-1)?.maxMm ?? 0] as const
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
    reason,
    pieces,
    between,
    sliding,
    leastBareMm,
    spring: springOf(ask),
    steps: stepsOf(ask, takeOutMm, pieces, sliding),
  }
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

function stepsOf(
  { chain }: FixedEndsAsk,
  takeOutMm: number,
  pieces: readonly LaidPiece[],
  sliding: FixedEnds['sliding'],
): FitReason[] {
  const steps = [
    takeOutMm > 0.5 ? step('fixed.take-out', { takeOutMm }) : step('fixed.one-cut'),
    step('fixed.ream'),
  ]
  for (const [index, piece] of pieces.entries())
    if (piece.cutMm !== null)
      steps.push(step('fixed.piece', { letter: pieceLetter(index), cutMm: piece.cutMm }))
  if (sliding) {
    const [first, second] = sliding.marksMm
    steps.push(step('fixed.marks', { firstMm: first, secondMm: second }))
    steps.push(step(`fixed.slide-${sliding.on}`, { needsMm: sliding.needsMm }))
  }
  const others = chain.parts.filter((_, index) => index !== sliding?.part).length
  if (others > 0) steps.push(step('fixed.put-in'))
  if (chain.closes?.by === 'spring') steps.push(step('fixed.spring', { needsMm: chain.closes.needsMm }))
  if (chain.closes?.by === 'union') steps.push(step('fixed.union'))
  if (sliding) steps.push(step('fixed.draw-back'))
  return steps
}
