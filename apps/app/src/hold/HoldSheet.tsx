import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import type { JobView, LineView } from '../data/select'
import { keepHold } from '../job/actions'
import { Button } from '../ui/Button'
import { faultWords } from '../ui/faultWords'
import { Note } from '../ui/Note'
import { SheetModal } from '../ui/SheetModal'
import { HoldPanel } from './HoldPanel'
import { useHold } from './useHold'
import { WhichJoint } from './WhichJoint'
import { holdRecord } from './words'

/** The step of a hold: one a job, whatever lines stand under the pressure. */
export const HOLD_STEP = 'general/hold'
const STOP_PROVED = 'general/proved'

/** A hold of a job's lines; kept, it is one of the job's checks, with every reading. */
export function HoldSheet({ view, line, onClose }: { view: JobView; line: LineView; onClose: () => void }) {
  const unit = usePreferences((state) => state.unit)
  const pipeId = line.finding?.fields.pipeId ?? null
  const name = line.finding?.fields.name
  const proved = (view.checks.get(STOP_PROVED)?.fields.result ?? 'undone') !== 'undone'
  const hold = useHold(view.job.id, pipeId, proved)
  const { answer } = hold.solved
  const keep = async () => {
    if (!answer) return
    const wet = answer.verdict === 'leaks' || answer.verdict === 'passes'
    await keepHold(
      view,
      HOLD_STEP,
      wet ? 'wet' : answer.verdict === 'holds' ? 'dry' : 'done',
      holdRecord(answer, hold.log, hold.hold.gauge),
      hold.log.map(({ seconds, kpa }) => ({ seconds, kPa: kpa })),
    )
    hold.forget()
    onClose()
  }
  return (
    <SheetModal title="Pressure hold" onClose={onClose}>
      {hold.solved.error ? (
        <Note kind="caution" title="This could not be worked out">
          {faultWords(hold.solved.error, unit)}
        </Note>
      ) : null}
      {answer?.verdict === 'leaks' ? <WhichJoint view={view} /> : null}
      <HoldPanel
        hold={hold}
        own={pipeId ? (name ?? 'the pipe that was found') : null}
        keep={
          hold.stream === null && answer && !hold.solved.busy && hold.log.length > 1 ? (
            <View className="mt-2">
              <Button label="Keep it with the job" onPress={keep} testID="keep-hold" />
            </View>
          ) : null
        }
      />
    </SheetModal>
  )
}
