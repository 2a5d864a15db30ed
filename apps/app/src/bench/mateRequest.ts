import type { OperationRequest } from '@diarmos/contract'
import { endOfKind } from '@diarmos/core/words/ends'
import type { EntityFields } from '../data/types'
import { hasSecond, type MateQuestion } from './mateLink'

type Line = OperationRequest<'mate'>['lines'][number]
type EndRef = NonNullable<Line['to']>['ends'][number]

function endRef(kind: string, size: string): EndRef {
  const { form, system, material, nominal } = endOfKind(kind, size) as NonNullable<
    ReturnType<typeof endOfKind>
  >
  return { form, system, material, nominal } as EndRef
}

/** Where the line ends, by what it is for: a stop and a cap are themselves the end. */
function endOf(question: MateQuestion): NonNullable<Line['to']> {
  // what cannot be cut open is joined
  const ends = hasSecond(question) || question.into ? [endRef(question.b, question.bSize)] : []
  const route = ({ join: 'any', feed: 'stop', stop: 'stop-only', close: 'cap' } as const)[question.duty]
  return { ends, route }
}

/** What a question asks of Mate, with the shop's own numbers. */
export function benchMateRequest(
  question: MateQuestion,
  settings: EntityFields<'settings'>['mate'],
): OperationRequest<'mate'> {
  const { flame, dry, reach, improvised, nearMm, farMm, freeMm, sidewaysMm } = question
  const conditions: Line['conditions'] = {
    service: 'cold',
    flame,
    line: dry ? 'dry' : 'trickle',
    access: reach ? 'reachable' : 'closed-wall',
    stubMm: question.into ? nearMm : null,
    plateMm: 0,
    oldJoint: 'none',
    thread: 'none',
    scored: false,
    outOfRound: false,
    faults: [],
    waterSeen: true,
    nearHeater: false,
    pressurePsi: null,
    stopShape: 'either',
    reachMm: null,
  }
  const pipe = endOfKind(question.a, question.aSize)?.pipe?.replace('#', question.aSize)
  const line: Line =
    question.into && pipe
      ? {
          lineId: 'bench',
          pipeId: pipe,
          cutIn: {
            insert: question.into,
            farMm,
            freeMm: [freeMm ?? 0, freeMm ?? 0],
            sidewaysMm: sidewaysMm ?? 0,
          },
          conditions,
        }
      : {
          lineId: 'bench',
          from: { ends: [endRef(question.a, question.aSize)] },
          to: endOf(question),
          conditions,
        }
  return { lines: [line], settings, ...(improvised ? { improvised } : {}) }
}
