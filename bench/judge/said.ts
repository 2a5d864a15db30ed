// A question and its ways in a few words, for whoever reads and judges them.
import { BODY_KINDS, type MateOption, pipeById, sequence } from '@diarmos/core'
import type { Question } from './questions'

/** A chain on one line: removal, then joint > part, joint > part. */
export const chainOf = (way: MateOption): string =>
  `${way.removalId}: ${way.joints.map(({ method }, at) => `${method}${way.parts[at] ? ` > ${way.parts[at].fittingId}` : ''}`).join(' | ')}`

/** What holds at the place, without what is usual. */
export function asked({ request, kind, van }: Question): string {
  const [{ pipeId, conditions: c, cutIn }] = request.lines
  return [
    `${pipeId} (${c.oldJoint}) → ${kind}`,
    c.service,
    c.access,
    c.flame ? '' : 'no flame',
    c.line === 'dry' ? '' : c.line,
    c.stubMm === null ? 'stub ?' : `stub ${c.stubMm}`,
    c.scored ? 'scored' : '',
    c.outOfRound ? 'oval' : '',
    ...c.faults,
    c.pressurePsi && c.pressurePsi > 80 ? `${c.pressurePsi} psi` : '',
    c.reachMm ? `reach ${c.reachMm}` : '',
    c.wallMm ? `wall ${c.wallMm}` : '',
    kind === 'hose.outlet' ? (c.freezing ? 'freezing' : 'mild') : '',
    cutIn
      ? `far ${cutIn.farMm ?? '?'} free ${cutIn.freeMm.join('/')} out ${cutIn.outMm ?? '-'} sideways ${cutIn.sidewaysMm}`
      : '',
    /hose|faucet|fill|tap/.test(kind) ? (c.stopShape ?? '') : '',
    `van ${van}`,
  ]
    .filter(Boolean)
    .join(', ')
}

/** Price, hands and what has to be fetched. */
export const priced = ({ costs, missingParts, missingTools }: MateOption): string =>
  `${(costs.totalCents / 100).toFixed(0)}$${missingParts.length + missingTools.length > 0 ? ` fetch ${[...missingParts, ...missingTools].join(' ')}` : ''}`

/** The order in which a way is made, card by card in the words' keys, and its minutes. */
export function ordered({ request, kind }: Question, option: MateOption): { order: string; minutes: string } {
  const [{ pipeId, conditions }] = request.lines
  const row = BODY_KINDS.find(({ id }) => id === kind)
  const material = pipeId ? pipeById(pipeId)?.material : undefined
  const body = row && !row.insert ? { id: 'body', contents: row.contents, mount: row.mount } : null
  const { cards, steps, waterOff } = sequence({
    lines: [
      {
        lineId: 'a',
        option,
        conditions,
        ...(material ? { material } : {}),
        ...(body ? { meets: { to: 'body' } } : {}),
      },
    ],
    bodies: body ? [body] : [],
    houseRules: request.settings.houseRules,
    jointMinutes: request.settings.jointMinutes,
  })
  const hands = steps.reduce(
    (sum, { passive, startSeconds, endSeconds }) => sum + (passive ? 0 : endSeconds - startSeconds),
    0,
  )
  const order = (['before', 'water-off', 'after'] as const)
    .map((phase) =>
      cards
        .filter((card) => card.phase === phase)
        .map(({ acts }) => acts.map(({ words }) => words).join(' '))
        .join(' | '),
    )
    .join('\n     —— ')
  const said = (seconds: number) => `${Math.round(seconds / 60)} min`
  return { order, minutes: `hands ${said(hands)}, water off ${said(waterOff.seconds)}` }
}
