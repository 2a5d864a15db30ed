import { type JobView, type LineView, situationOf } from '../data/select'
import { isThreadLook } from '../find/looks'
import { addLook, setConditions, withdraw } from '../job/actions'
import { looksOf, threadRequest } from '../job/requests'
import { Button } from '../ui/Button'
import { SheetModal } from '../ui/SheetModal'
import { useSolved } from '../workers/solver'
import { ThreadPanel } from './ThreadPanel'

/** Families whose name is a condition of the work to come. */
const AS_CONDITION: Readonly<Record<string, 'NPT' | 'BSP'>> = { NPT: 'NPT', 'BSP taper': 'BSP' }

/** The thread on a line's stub: what it is found to be is taken over as a condition. */
export function ThreadSheet({ view, line, onClose }: { view: JobView; line: LineView; onClose: () => void }) {
  const belief = useSolved('identify-thread', threadRequest(view, line))
  const [first] = belief.answer?.candidates ?? []
  const thread = first && belief.answer?.enough ? AS_CONDITION[first.family] : undefined
  const known = situationOf(line).thread
  return (
    <SheetModal title="Which thread is it?" onClose={onClose}>
      <ThreadPanel
        belief={belief}
        looks={looksOf(line).filter(isThreadLook)}
        onLook={(look, label) => void addLook(view, line, look, label)}
        onWithdraw={(id, withdrawn) => {
          const doc = line.observations.find((entry) => entry.id === id)
          if (doc) void withdraw(doc, withdrawn)
        }}
      />
      {thread && thread !== known ? (
        <Button
          kind="primary"
          label={`Take it: the stub has ${thread}`}
          onPress={() => {
            void setConditions(view, [line], { thread }, `Thread: ${thread}`)
            onClose()
          }}
        />
      ) : null}
    </SheetModal>
  )
}
