import type { MateResult } from '@diarmos/core'
import { Txt } from '../ui/Txt'

type Together = NonNullable<MateResult['together']>

/** What the lines share at their best together, besides set-up and the trip: a body that has to cool, and the van. */
export function Shared({ cools, short }: Pick<Together, 'cools' | 'short'>) {
  const pieces = Object.values(short).reduce((sum, count) => sum + count, 0)
  return (
    <>
      {cools.length > 0 ? (
        <Txt size="s" tone="soft">
          A body is soldered on one side and takes tape, a seal or plastic on another: ten minutes to cool are
          counted in (common practice; some wait only until it can be held).
        </Txt>
      ) : null}
      {pieces > 0 ? (
        <Txt size="s" tone="soft">
          Together they want {pieces} {pieces === 1 ? 'piece' : 'pieces'} more than the van has.
        </Txt>
      ) : null}
    </>
  )
}
