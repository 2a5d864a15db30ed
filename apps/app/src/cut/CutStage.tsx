import { ROUNDING } from '@diarmos/core/units'
import { View } from 'react-native'
import { prefer, usePreferences } from '../data/preferences'
import { type JobView, type LineView, type Stage, situationOf } from '../data/select'
import { StageFrame } from '../job/StageFrame'
import { Button } from '../ui/Button'
import { Length } from '../ui/Length'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'

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
  const unit = usePreferences((state) => state.unit)
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
    return [{ part, least: into.reduce((sum, joint) => sum + joint.maxMm, 0) + 25 }]
  })
  return (
    <StageFrame actions={<Button kind="primary" label="On to the making" onPress={() => goTo('make')} />}>
      <View className="flex-row items-center justify-between">
        <Txt bold size="l" heading={2}>
          {cuts ? 'Cut' : 'No cut needed'}
        </Txt>
        <Button
          kind="plain"
          label={unit === 'in' ? 'in → mm' : 'mm → in'}
          onPress={() => prefer({ unit: unit === 'in' ? 'mm' : 'in' })}
        />
      </View>
      {line.matingStale ? (
        <Note kind="caution" title="Stale">
          Facts changed since this way was chosen: look at Mate before cutting.
        </Note>
      ) : null}
      {stubMm === null ? (
        <Note kind="caution" title="The stub is not measured">
          Measure the bare stub before cutting; without it only the least length is known.
        </Note>
      ) : option.leavesStubMm !== null && cuts ? (
        <Big name="Cut square, from the wall" mm={option.leavesStubMm} quantity="piece-to-remove" />
      ) : option.leavesStubMm !== null ? (
        <Big name="Stub left, from the wall" mm={option.leavesStubMm} quantity="piece-to-remove" />
      ) : null}
      {first ? (
        <Big
          name={first.method === 'threaded' ? 'Thread made up' : 'Mark from the end: insertion'}
          mm={first.maxMm}
          quantity="insertion-mark"
        />
      ) : null}
      <Big name="Least bare stub for this joint" mm={option.needsStubMm} quantity="least-stub" />
      {pieces.map(({ part, least }) => (
        <Big key={part.fittingId} name={`${part.name}: at least`} mm={least} quantity="pipe-to-cut" />
      ))}
      {first ? (
        <Txt size="s" tone="soft">
          {first.makeUpSource.title} ({first.makeUpSource.certainty}): the maker’s sheet decides.
        </Txt>
      ) : null}
    </StageFrame>
  )
}
