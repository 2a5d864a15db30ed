import { formatLength, type ParsedLength, parseLength } from '@diarmos/core/units'
import { screenText } from '@diarmos/core/words/counts'
import { usePreferences } from '../data/preferences'
import { Button } from '../ui/Button'
import { Txt } from '../ui/Txt'

interface Props {
  /** Between what it may be, mm; null where nothing is known to end it. */
  readonly mm: readonly [number, number | null]
  readonly onTake: (length: ParsedLength) => void
}

/** A distance that nobody can measure, since a hose begins where one likes: between what it may be, and the shortest taken. */
export function AnyLength({ mm: [leastMm, mostMm], onTake }: Props) {
  const { unit, denominator } = usePreferences()
  const least = parseLength(formatLength(leastMm, { unit, denominator, quantity: 'least-stub' }), { unit })
  return (
    <>
      <Txt>{screenText('measure.any', { leastMm, mostMm: mostMm ?? 0, most: mostMm ?? 0 }, unit)}</Txt>
      {least.ok ? (
        <Button kind="quiet" label={`Take the shortest: ${least.text}`} onPress={() => onTake(least)} />
      ) : null}
    </>
  )
}
