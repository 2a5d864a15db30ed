// A new branch into a run and what drains into it, in one job: questions that nobody prepared.
import { bodyKind, type LineRequest, type MateSettings, mouthOf, nominalNumber, PIPES } from '@diarmos/core'
import { type RunBranch, runBranch, TWO_SIDED_BRANCHES } from '@diarmos/core/bodies'
import { sideWastes } from '../../packages/core/src/words/fixtures'
import { Dice } from '../mate/random'
import { someDrain } from './questions'
import { METRIC_RUNS, METRIC_SIDES, SIDES, someRun } from './runs'

export interface AskedSide {
  /** The run that is cut open, the line that comes into its side, and the one that comes into its second side. */
  readonly lines: readonly [run: LineRequest, side: LineRequest, ...beside: LineRequest[]]
  /** What goes in, the run first. */
  readonly kinds: readonly string[]
  readonly settings: MateSettings
}

const RUNS = PIPES.filter(({ id }) =>
  /^(pvc-dwv\.40|abs-dwv\.40|cast-iron\.hubless|copper\.dwv)\.(2|3|4)$/.test(id),
)

/** The job that a number stands for: every fourth in metric waste. */
export function someSide(index: number): AskedSide {
  const dice = new Dice(2_400_000 + index)
  const metric = index % 4 === 3
  const pipe = dice.pick(metric ? METRIC_RUNS : RUNS)
  const { line, settings } = someRun(index * 5)
  const insert = dice.pick(['tee', 'wye'] as const)
  const size = dice.pick(metric ? METRIC_SIDES : SIDES)
  const kind = dice.pick(sideWastes(size))
  const into = `waste.run.${insert}.${size}`
  const run = { ...line, ...intoRun(line, into), pipeId: pipe.id }
  return { lines: [run, comingIn('side', kind, index, dice)], settings, kinds: [into, kind] }
}

/** The same into a tee with two sides: what comes into each is drawn by itself, and now and then the second is plugged. */
export function someTwoSided(index: number): AskedSide {
  const dice = new Dice(2_600_000 + index)
  const { line, settings } = someRun(index * 5 + 2)
  const { id: into, size, second } = dice.pick(TWO_SIDED_BRANCHES)
  const pipe = dice.pick(RUNS.filter(({ nominal }) => nominalNumber(nominal) >= nominalNumber(size)))
  // now and then what a pump sends in, or a bowl: right opposite another that is refused
  const wastes = (of: RunBranch['size']) => sideWastes(of, dice.chance(0.3) ? undefined : second)
  const kind = dice.pick(wastes(size))
  const run = { ...line, ...intoRun(line, into), pipeId: pipe.id }
  const side = comingIn('side', kind, index, dice)
  if (!second || dice.chance(0.15)) return { lines: [run, side], settings, kinds: [into, kind] }
  const other = dice.pick(wastes(second.size))
  const beside = { ...comingIn('beside', other, index + 1, dice), second: true as const }
  return { lines: [run, side, beside], settings, kinds: [into, kind, other] }
}

/** A run with a branch put into it. */
function intoRun(
  { cutIn, conditions }: LineRequest,
  kind: string,
): Pick<LineRequest, 'cutIn' | 'conditions'> {
  const [, branch, second] = bodyKind(kind)?.ports ?? []
  const { insert, second: at } = runBranch(kind) ?? {}
  if (!cutIn || !insert) throw new Error(`no branch ${kind}`)
  return {
    cutIn: {
      ...cutIn,
      insert,
      branch: branch?.ends ?? [],
      ...(at && second ? { second: { at: at.at, ends: second.ends } } : {}),
    },
    conditions: { ...conditions, oldTrap: null },
  }
}

/** What comes into a side of the run of a question. */
function comingIn(lineId: string, kind: string, index: number, dice: Dice): LineRequest {
  const { conditions } = someDrain(index * 17).line
  return {
    lineId,
    branchOf: 'a',
    to: mouthOf(kind),
    conditions: {
      ...conditions,
      // nothing has run through it yet
      line: 'dry',
      oldJoint: 'none',
      thread: 'none',
      faults: [],
      stubMm: null,
      plateMm: 0,
      flangeMm: null,
      spanMm: null,
      turn: kind === 'waste.bowl' ? 90 : dice.chance(0.2) ? 90 : 0,
      rises: false,
      slow: false,
      trapped: false,
      outOfRound: false,
      unvented: dice.chance(0.2),
    },
  }
}
