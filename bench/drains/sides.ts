// A new branch into a run and what drains into it, in one job: questions that nobody prepared.
import { bodyKind, type LineRequest, type MateSettings, mouthOf, PIPES } from '@diarmos/core'
import { sideWastes } from '../../packages/core/src/words/fixtures'
import { Dice } from '../mate/random'
import { someDrain } from './questions'
import { METRIC_RUNS, METRIC_SIDES, SIDES, someRun } from './runs'

export interface AskedSide {
  /** The run that is cut open, and the line that comes into its side. */
  readonly lines: readonly [run: LineRequest, side: LineRequest]
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
  const { conditions } = someDrain(index * 17).line
  const cutIn: LineRequest['cutIn'] = {
    ...(line.cutIn as NonNullable<LineRequest['cutIn']>),
    insert,
    branch: bodyKind(`waste.run.${insert}.${size}`)?.ports[1]?.ends ?? [],
  }
  const run = { ...line, pipeId: pipe.id, cutIn, conditions: { ...line.conditions, oldTrap: null } }
  const side: LineRequest = {
    lineId: 'side',
    branchOf: line.lineId,
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
  return { lines: [run, side], settings }
}
