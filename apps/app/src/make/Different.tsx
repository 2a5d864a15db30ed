import { View } from 'react-native'
import type { JobView, Stage } from '../data/select'
import { Button } from '../ui/Button'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'
import type { Made } from './made'
import { Night } from './Night'

/** What turns out otherwise, what is done about it, and where what is now true is said. */
const CASES: readonly {
  readonly label: string
  readonly first: string
  readonly to?: Stage
  readonly go?: string
  readonly night?: true
}[] = [
  {
    label: 'The stub is shorter, or broke further back',
    first: 'Leave what is open as it is, plugged or in the bucket. Measure what bare pipe is left.',
    to: 'mate',
    go: 'Measure it, choose again',
  },
  {
    label: 'It is another pipe, or another joint',
    first: 'Nothing more is cut before it is known.',
    to: 'find',
    go: 'Look again',
  },
  {
    label: 'A part or a tool is not here',
    first: 'Other ways are weighed with what is aboard; the trip is said where it is worth it.',
    to: 'mate',
    go: 'Choose another way',
  },
  {
    label: 'The water will not stop',
    first:
      'Open nothing. Close the next stop towards the street, or the main; the lowest tap runs out and stays dry before the first cut. A trickle forbids the flame, not a push-fit.',
    to: 'mate',
    go: 'Say that it trickles',
  },
  {
    label: 'It is stuck',
    first:
      'No longer lever: the pipe in the wall breaks first. Hold back with a second wrench; warm it where a flame may be; else it is cut off behind.',
    to: 'mate',
    go: 'Choose another way off',
  },
  {
    label: 'It has to be left for the night',
    first:
      'Every open end is closed before the water comes back, as below. Then open slowly, and look at each cap with a tissue.',
    night: true,
    to: 'fixture',
    go: 'Close the line off for longer',
  },
]

/** Something is not as it was taken to be: what is done at once, and where the rest is planned anew. */
export function Different({
  view,
  made,
  goTo,
  onClose,
}: {
  view: JobView
  made: Made
  goTo: (stage: Stage) => void
  onClose: () => void
}) {
  return (
    <SheetModal title="It is different" onClose={onClose}>
      <Txt tone="soft">What is ticked stays ticked; the rest is planned from what is now true.</Txt>
      {CASES.map(({ label, first, night, to, go }) => (
        <View key={label} className="gap-1 border-b border-rule py-3">
          <Txt bold heading={3}>
            {label}
          </Txt>
          <Txt>{first}</Txt>
          {night ? <Night view={view} made={made} /> : null}
          {to && go ? (
            <Button
              label={go}
              onPress={() => {
                onClose()
                goTo(to)
              }}
            />
          ) : null}
        </View>
      ))}
    </SheetModal>
  )
}
