import { type OldJoint, oldJointsOn } from '@diarmos/core/old-joints'
import { ANSWERS } from '@diarmos/core/words/find'
import { View } from 'react-native'
import { foundMaterial, foundSize, isDrain, type LineView } from '../data/select'
import { Choice } from '../ui/Choice'
import { JointSign } from '../ui/jointSigns'
import { Txt } from '../ui/Txt'

/** How the old stop is joined: what comes off, and what it leaves, decides what may go on. */
export function OldJointAsk({
  line,
  onSay,
}: {
  readonly line: LineView
  readonly onSay: (joint: OldJoint, label: string) => void
}) {
  return (
    <View testID="old-joint">
      <Txt bold size="l" heading={2}>
        What is on the old end?
      </Txt>
      <Txt tone="soft" className="mb-2">
        How it comes off decides how much pipe is left, and what may go on it.
      </Txt>
      <Choice
        label="On the old end"
        hideLabel
        columns={3}
        value={null}
        options={oldJointsOn(foundMaterial(line), isDrain(line), foundSize(line)).map((value) => ({
          value,
          label: value === 'none' ? 'nothing: it is bare' : (ANSWERS[value] ?? value),
          sign: <JointSign kind={value} />,
        }))}
        onChange={(joint) => onSay(joint, `On the old end: ${ANSWERS[joint] ?? joint}`)}
      />
    </View>
  )
}
