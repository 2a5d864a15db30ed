import { View } from 'react-native'
import { TUB_ROWS, TubAnswer } from '../bench/TubAnswer'
import { endKind, type JobView, type LineView } from '../data/select'
import type { EntityFields } from '../data/types'
import { setConditions } from '../job/actions'
import { MeasureRow } from '../ui/MeasureRow'
import { Txt } from '../ui/Txt'
import { useSolved } from '../workers/solver'

type Tub = NonNullable<EntityFields<'situation'>['tub']>
/** What is measured of a tub or a pan while nothing is. */
export const NOTHING: Tub = { outMm: null, highMm: null, widthMm: null }
const BY: Readonly<Record<string, 'nuts' | 'cement'>> = {
  'waste.tub.1-1/2': 'nuts',
  'waste.tub.glued.1-1/2': 'cement',
  'waste.tub.leg.1-1/2': 'nuts',
}

/** How the tubes of a line's tub are joined; null where none drains by it. */
export const tubOf = (line: LineView) => BY[endKind(line) ?? ''] ?? null

/** The tubes of the tub that a line drains: cut by where its drain and its overflow are. */
export function TubCut({ view, line }: { view: JobView; line: LineView }) {
  const by = tubOf(line)
  const measured = line.situation?.fields.tub ?? NOTHING
  const { outMm, highMm } = measured
  const request = by && outMm !== null && highMm !== null ? { by, outMm, highMm } : null
  const { answer } = useSolved('tub-waste', request)
  if (!by) return null
  return (
    <View className="mt-3" testID="tub-cut">
      <Txt bold size="l" heading={2}>
        The tub’s own tubes
      </Txt>
      {answer && request ? (
        <TubAnswer ask={request} answer={answer} />
      ) : (
        <Txt tone="soft" className="py-2">
          Drain and overflow of the tub as it stands, or as it will: both tubes are cut to that.
        </Txt>
      )}
      {(['outMm', 'highMm'] as const).map((key) => (
        <MeasureRow
          key={key}
          label={TUB_ROWS[key][0]}
          hint={TUB_ROWS[key][1]}
          mm={measured[key]}
          onEnter={({ mm, text }) =>
            void setConditions(
              view,
              [line],
              { tub: { ...measured, [key]: mm } },
              `${TUB_ROWS[key][0]}: ${text}`,
            )
          }
        />
      ))}
    </View>
  )
}
