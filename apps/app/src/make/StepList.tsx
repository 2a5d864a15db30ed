import type { PlannedStep } from '@diarmos/core'
import { View } from 'react-native'
import { type JobView, pointName } from '../data/select'
import { tick } from '../job/actions'
import { Txt } from '../ui/Txt'
import { StepRow } from './StepRow'

export const PHASES = {
  before: 'While the water is on',
  'water-off': 'While the water is off',
  after: 'Water on again',
} as const satisfies Record<PlannedStep['phase'], string>

interface Props {
  view: JobView
  steps: readonly PlannedStep[]
  isDone: (id: string) => boolean
}

/** Every step by itself, to be ticked in any order. */
export function StepList({ view, steps, isDone }: Props) {
  const lineOf = (lineId: string | null) => view.lines.find((entry) => entry.line.id === lineId)
  return Object.entries(PHASES).map(([phase, title]) => {
    const inPhase = steps.filter((step) => step.phase === phase)
    return inPhase.length > 0 ? (
      <View key={phase} className="mt-3">
        <Txt bold tone={phase === 'water-off' ? 'cold' : 'soft'} heading={3}>
          {title}
        </Txt>
        {inPhase.map((step) => (
          <StepRow
            key={step.id}
            step={step}
            line={lineOf(step.lineId)?.line.fields.service ?? null}
            at={pointName(view, lineOf(step.lineId))}
            done={isDone(step.id)}
            onTick={() => void tick(view, step.lineId, step.id, isDone(step.id) ? 'undone' : 'done')}
          />
        ))}
      </View>
    ) : null
  })
}
