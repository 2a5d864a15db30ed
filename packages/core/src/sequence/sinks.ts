import type { StepTemplate } from '../assembly/acts/types'
import { sinkWaste } from '../assembly/bodies/sinks'
import { DISHWASHER_DRAINS } from '../reference/dishwasher'
import type { Graph } from './graph'
import type { PlanLine, PlanRequest } from './types'

/** What a kitchen sink asks for besides the joints of its way. Times are common practice. */
const STEPS = {
  off: { key: 'sink-off', kind: 'safe', words: 'sink.off', seconds: 60 },
  elbow: { key: 'sink-elbow', kind: 'finish', words: 'sink.elbow', seconds: 180 },
  second: { key: 'sink-second', kind: 'finish', words: 'sink.second', seconds: 90 },
  knock: { key: 'sink-knock', kind: 'prepare', words: 'sink.knock-out', seconds: 90 },
  hose: { key: 'sink-hose', kind: 'finish', words: 'sink.hose', seconds: 240 },
  run: { key: 'sink-run', kind: 'prove', words: 'prove.disposer', seconds: 120 },
  pump: { key: 'sink-pump', kind: 'prove', words: 'prove.dishwasher', seconds: 180 },
} as const satisfies Readonly<Record<string, StepTemplate>>

/** A disposer is off before its tube is undone; its gasket, the second bowl and the dishwasher's hose are made up and proved. */
export function addSinks(graph: Graph, { lines, bodies = [], codeProfile = 'IPC' }: PlanRequest): void {
  for (const line of lines) {
    const sink = sinkWaste(bodies.find(({ id }) => id === line.meets?.to)?.kind)
    if (!sink) continue
    const { disposer, dishwasher, bowls } = sink
    const last = line.option.joints.length - 1
    const { by } = DISHWASHER_DRAINS[codeProfile]
    const onto = disposer ? 'disposer' : 'branch'
    const what = disposer && dishwasher ? 'both' : disposer ? 'disposer' : 'dishwasher'
    const wanted: readonly (readonly [keyof typeof STEPS, boolean])[] = [
      ['off', Boolean(disposer || dishwasher)],
      ['elbow', disposer === true],
      ['second', bowls === 2],
      ['knock', Boolean(disposer && dishwasher)],
      ['hose', dishwasher === true],
      ['run', disposer === true],
      ['pump', dishwasher === true],
    ]
    const at = (step: keyof typeof STEPS) => `${line.lineId}/line/${STEPS[step].key}`
    const there = new Set(wanted.flatMap(([step, is]) => (is ? [step] : [])))
    for (const step of there) graph.add(at(step), STEPS[step], line.lineId, null, { by, what, onto })
    order(graph, line, last, at, there)
  }
}

function order(
  graph: Graph,
  { lineId }: PlanLine,
  last: number,
  at: (step: keyof typeof STEPS) => string,
  there: ReadonlySet<keyof typeof STEPS>,
): void {
  const precede = (before: keyof typeof STEPS, after: keyof typeof STEPS) => {
    if (there.has(before) && there.has(after)) graph.precede(at(before), at(after))
  }
  const [close, fill] = [`${lineId}/${last}/close`, `${lineId}/line/fill`]
  if (there.has('off'))
    for (const node of graph.nodes.values())
      if (node.lineId === lineId && node.id !== at('off')) graph.precede(at('off'), node.id)
  // its flange is drawn down while the tube below can still be turned under it
  if (there.has('elbow')) graph.precede(at('elbow'), close)
  if (there.has('second')) graph.precede(close, at('second'))
  for (const step of ['elbow', 'second', 'hose'] as const) if (there.has(step)) graph.precede(at(step), fill)
  precede('knock', 'hose')
  if (there.has('hose')) graph.precede(close, at('hose'))
  for (const step of ['run', 'pump'] as const)
    if (there.has(step)) {
      graph.precede(fill, at(step))
      for (const later of ['two-hours', 'morning', 'record']) graph.precede(at(step), `general/${later}`)
    }
}
