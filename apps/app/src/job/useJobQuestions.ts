import type { Belief } from '@diarmos/core'
import { MEASURING_INSTRUMENTS } from '@diarmos/core/answers'
import { hangsOnStub } from '@diarmos/core/bodies'
import { usePreferences } from '../data/preferences'
import {
  asksOldJoint,
  beginsAt,
  type JobView,
  keepsStop,
  type LineView,
  STAGES,
  type Stage,
  situationOf,
  useFinds,
  useKnown,
  useSettings,
} from '../data/select'
import type { EntityFields } from '../data/types'
import { useScale } from '../gauge/scale'
import { useSolved } from '../workers/solver'
import {
  fixedEndsRequest,
  identifyRequest,
  layoutRequest,
  mateRequest,
  measuredOf,
  mouthAt,
  planRequest,
  staggerRequest,
} from './requests'
import { wallRequest } from './wallRequest'

export type StoredOption = EntityFields<'mating'>['option']

interface Sheet {
  readonly unit: 'in' | 'mm'
  readonly denominator: 16 | 32
  readonly widthPx: number
  readonly heightPx: number
}

/** What is drawn of a line at a stage. */
function drawing(
  line: LineView,
  belief: Belief | null,
  stage: Stage,
  /** The way that is looked at, where none need be chosen yet. */
  weighed: StoredOption | null,
  sheet: Sheet,
) {
  const situation = situationOf(line)
  // what is drawn begins at the outlet of a stop that stays, whatever pipe is behind it
  const known = line.finding && !line.findingStale && stage !== 'find' && !keepsStop(line.ends)
  const fresh = line.ends !== null && line.ends.from !== 'pipe'
  const withChain = STAGES.indexOf(stage) >= STAGES.indexOf('mate')
  return {
    pipeId: known ? (line.finding?.fields.pipeId ?? null) : null,
    // at what another line leaves open stands no old pipe
    outline: belief && !line.trunk ? [...belief.outline] : [],
    option:
      // of what begins at another line nothing is there but what was chosen
      (withChain || line.trunk !== null) && (known || fresh)
        ? ((stage === 'mate' ? weighed : null) ?? line.mating?.fields.option ?? null)
        : null,
    to: stage === 'find' || !line.ends || line.ends.insert ? null : mouthAt(line.ends.to),
    stubMm: situation.stubMm,
    plateMm: situation.plateMm,
    // nor does the side of a fitting stand in a wall
    run: beginsAt(line) === 'run' || line.trunk !== null,
    // said of a basin once, it holds no more for a tub
    ...(situation.rises && line.ends?.to && hangsOnStub(line.ends.to.route) ? { rises: true } : {}),
    stage,
    ...(stage === 'cut' ? { dimensions: measuredOf(line) } : {}),
    ...sheet,
  }
}

export interface Asked {
  readonly view: JobView
  readonly line: LineView | undefined
  readonly stage: Stage
  /** Ids and switches of the mating stage. */
  readonly weighedId: string | null
  readonly improvised: boolean
  readonly whole: boolean
  /** Null while the drawing is folded away: then nothing is drawn. */
  readonly frame: { readonly widthPx: number; readonly heightPx: number } | null
}

/** What the shown stage needs to know, and nothing else: each stage asks its own questions. */
export function useJobQuestions({ view, line, stage, weighedId, improvised, whole, frame }: Asked) {
  const { unit, denominator, people } = usePreferences()
  const shop = useSettings()?.fields
  const settings = shop?.mate
  const known = useKnown(view, line?.line.id)
  const finds = useFinds(view)
  const factors = shop?.expected?.[view.property.fields.era]
  // a screen that was calibrated is one more thing to measure with
  const gauge = useScale() !== null
  const expectation = {
    known,
    finds,
    ...(factors ? { factors } : {}),
    ...(gauge ? { instruments: [...MEASURING_INSTRUMENTS] } : {}),
  }
  const at = (...stages: Stage[]) => stages.includes(stage)
  // an end that is not known is drawn as what it may be, at every stage
  const unknown = line !== undefined && !keepsStop(line.ends) && (line.finding === null || line.findingStale)
  const belief = useSolved(
    'identify',
    line && (at('find') || unknown) ? identifyRequest(view, line, expectation, settings) : null,
  )
  // no way is worked out, or drawn, while nobody has said what it begins with
  const open = at('mate') && line !== undefined && !asksOldJoint(line)
  const mate = useSolved('mate', open ? mateRequest(view, settings, improvised) : null)
  const plan = useSolved('sequence', at('make', 'prove') ? planRequest(view, settings, people) : null)
  const bestTogether = mate.answer?.together?.optionIds ?? []
  const weighedOf = (entry: LineView): StoredOption | null => {
    const options = mate.answer?.lines.find((result) => result.lineId === entry.line.id)?.options
    const wanted = entry.line.id === line?.line.id ? weighedId : null
    const chosen = entry.matingStale ? undefined : entry.mating?.fields.optionId
    const found =
      options?.find((option) => option.id === wanted) ??
      options?.find((option) => option.id === chosen) ??
      options?.find((option) => bestTogether.includes(option.id)) ??
      options?.[0]
    return (found as StoredOption | undefined) ?? null
  }
  const weighed = line ? weighedOf(line) : null
  const layout = useSolved('layout', line && at('cut') ? layoutRequest(line) : null)
  const fixed = useSolved('fixed-ends', line && at('cut') ? fixedEndsRequest(line) : null)
  // what comes out of the wall next to it: hot beside cold
  const beside = view.here.supply.find(
    (entry) => entry !== line && entry.mating && beginsAt(entry) === 'pipe',
  )
  const stagger = useSolved('stagger', line && at('cut') ? staggerRequest(line, beside) : null)
  const sheet = frame ? { unit, denominator, ...frame } : null
  const scene = useSolved(
    'draw',
    line && sheet && !whole ? drawing(line, belief.answer, stage, weighed, sheet) : null,
  )
  const wall = useSolved(
    'draw-wall',
    whole && frame
      ? {
          ...wallRequest(view.here, (entry) => (stage === 'mate' ? weighedOf(entry) : null)),
          ...frame,
        }
      : null,
  )
  return {
    settings,
    expectation,
    belief,
    mate,
    plan,
    weighed,
    layout: layout.answer,
    fixed: fixed.answer,
    beside: beside ?? null,
    stagger: stagger.answer,
    svg: scene.answer?.svg ?? null,
    scene: whole ? (wall.answer?.scene ?? null) : (scene.answer?.scene ?? null),
    refused: whole ? wall.error : scene.error,
  }
}
