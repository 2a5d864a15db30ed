import { ROUNDING } from '@diarmos/core/units'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { type JobView, type LineView, type Stage, situationOf } from '../data/select'
import { StageFrame } from '../job/StageFrame'
import { Button } from '../ui/Button'
import { Length } from '../ui/Length'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'

interface Props {
  view: JobView
  line: LineView
  goTo: (stage: Stage) => void
}

function Big({
  name,
  mm,
  quantity,
}: {
  name: string
  mm: number
  quantity: 'piece-to-remove' | 'insertion-mark' | 'least-stub' | 'pipe-to-cut'
}) {
  const unit = usePreferences((state) => state.unit)
  const { direction, why } = ROUNDING[quantity]
  return (
    <View className="border-b border-rule py-2">
      <Txt bold tone="soft">
        {name}
      </Txt>
      <Length mm={mm} quantity={quantity} size="huge" />
      <Txt size="s" tone="soft">
        {unit === 'in' ? `exactly ${mm.toFixed(1)} mm; ` : ''}rounded {direction}: {why}.
      </Txt>
    </View>
  )
}

/** How long, from where to where. */
export function CutStage({ line, goTo }: Props) {
  const option = line.mating?.fields.option
  if (!option)
    return (
      <StageFrame actions={<Button kind="primary" label="Choose a way first" onPress={() => goTo('mate')} />}>
        <Txt size="l">Nothing to cut yet.</Txt>
        <Txt tone="soft">The cut follows from the joint that will close on the stub.</Txt>
      </StageFrame>
    )
  const first = option.joints[0]
  const { stubMm } = situationOf(line)
  const cuts = option.removalId.includes('cut')
  const pieces = option.parts.flatMap((part, index) => {
    if (part.family !== 'tube-piece') return []
    const into = option.joints.filter((joint) => joint.from === index || joint.to === index)
    return [{ part, index, addMm: into.reduce((sum, joint) => sum + joint.maxMm, 0) }]
  })
  // what begins at the new valve has no stub
  const fresh = line.ends !== null && line.ends.from !== 'pipe'
  return (
    <StageFrame actions={<Button kind="primary" label="On to the making" onPress={() => goTo('make')} />}>
      <View className="flex-row items-center justify-between">
        <Txt bold size="l" heading={2}>
          {cuts || pieces.length > 0 ? 'Cut' : 'No cut needed'}
        </Txt>
        <UnitButton />
      </View>
      {line.matingStale ? (
        <Note kind="caution" title="Stale">
          Facts changed since this way was chosen: look at Mate before cutting.
        </Note>
      ) : null}
      {fresh ? null : stubMm === null ? (
        <Note kind="caution" title="The stub is not measured">
          Measure the bare stub before cutting; without it only the least length is known.
        </Note>
      ) : option.leavesStubMm !== null && cuts ? (
        <Big name="Cut square, from the wall" mm={option.leavesStubMm} quantity="piece-to-remove" />
      ) : option.leavesStubMm !== null ? (
        <Big name="Stub left, from the wall" mm={option.leavesStubMm} quantity="piece-to-remove" />
      ) : null}
      {first && !fresh ? (
        <Big
          name={first.method === 'threaded' ? 'Thread made up' : 'Mark from the end: insertion'}
          mm={first.maxMm}
          quantity="insertion-mark"
        />
      ) : null}
      {fresh ? null : (
        <Big name="Least bare stub for this joint" mm={option.needsStubMm} quantity="least-stub" />
      )}
      {pieces.map(({ part, index, addMm }) => (
        <Big
          key={index}
          name={`${part.name}: measure from mouth to mouth, and add`}
          mm={addMm}
          quantity="pipe-to-cut"
        />
      ))}
      {pieces.length === 0 && fresh ? (
        <Txt tone="soft">Every part goes together as it is: there is no pipe in this line.</Txt>
      ) : null}
      {first ? (
        <Txt size="s" tone="soft">
          {first.makeUpSource.title} ({first.makeUpSource.certainty}): the maker’s sheet decides.
        </Txt>
      ) : null}
    </StageFrame>
  )
}
