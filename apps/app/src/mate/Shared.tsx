import type { MateResult } from '@diarmos/core'
import { reasonText } from '@diarmos/core/words/reasons'
import { usePreferences } from '../data/preferences'
import { Txt } from '../ui/Txt'

interface Props {
  readonly result: MateResult
}

/** What the lines share at their best together, besides set-up and the trip: a body that has to cool, and the van. */
export function Shared({ result: { lines, together } }: Props) {
  const unit = usePreferences((state) => state.unit)
  if (!together) return null
  const names = new Map(
    lines
      .flatMap(({ options }) => options.flatMap(({ parts }) => parts))
      .map((part) => [part.fittingId, part.name]),
  )
  const short = Object.entries(together.short).map(([id, count]) => `${count} × ${names.get(id) ?? id}`)
  return (
    <>
      {together.cools.map(({ bodyId, reason }) => (
        <Txt key={bodyId} size="s" tone="soft">
          {`${reasonText(reason, unit)} (${reason.source.title})`}
        </Txt>
      ))}
      {short.length > 0 ? (
        <Txt size="s" tone="soft">
          {`Together they want more than the van has: ${short.join('; ')}.`}
        </Txt>
      ) : null}
    </>
  )
}
