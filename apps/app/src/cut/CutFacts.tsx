import { drainsMachine } from '@diarmos/core/bodies'
import {
  goesInside,
  panTailMm,
  standpipeMm,
  standpipeStands,
  tailOverMm,
  turnsOffMm,
} from '@diarmos/core/record'
import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { beginsAt, isDrain, type LineView, situationOf, useSettings } from '../data/select'
import type { EntityFields } from '../data/types'
import { Length } from '../ui/Length'
import { LengthRow } from '../ui/LengthRow'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import type { Layout } from './saw'

interface Props {
  readonly line: LineView
  readonly option: EntityFields<'mating'>['option']
  readonly layout: Layout | null
  /** Whether the old pipe itself is cut: then its mark stands with the cut. */
  readonly sawsOld: boolean
}

const STANDS = { fits: '✓ Stands', low: '✕ Too low', high: '✕ Too high' } as const

/** The figures beside the cuts: mark, least stub, and whether the connector reaches. */
export function CutFacts({ line, option, layout, sawsOld }: Props) {
  const unit = usePreferences((state) => state.unit)
  const code = useSettings()?.fields.mate.codeProfile
  const height = standpipeMm(code)
  const route = line.ends?.to.route
  const stands = layout ? standpipeStands(option, layout.stations, code, route) : null
  const first = option.joints[0]
  const { spanMm, reachMm } = situationOf(line)
  const tailMm = panTailMm(option, reachMm)
  const tail = layout ? tailOverMm(option, layout.stations) : null
  const drain = isDrain(line)
  const turns = layout && drain ? turnsOffMm(option, layout.stations) : null
  return (
    <>
      {tailMm === null ? null : <LengthRow label="Connector’s tail, from the stop in its cup" mm={tailMm} />}
      {first && goesInside(option) ? (
        <LengthRow label="It goes into the pipe by" mm={first.maxMm} />
      ) : first?.atStub && beginsAt(line) === 'pipe' ? (
        <View className="mt-2">
          {sawsOld ? null : (
            <LengthRow
              label={first.method === 'threaded' ? 'Thread made up' : 'Insertion mark on the old pipe'}
              mm={first.maxMm}
              quantity="insertion-mark"
            />
          )}
          <LengthRow label="Least bare stub for this joint" mm={option.needsStubMm} quantity="least-stub" />
          {turns ? (
            <LengthRow
              label={`End of the old pipe to the middle of the ${turns.what === 'trap' ? 'drain' : 'bend'}`}
              mm={turns.mm}
            />
          ) : null}
        </View>
      ) : null}
      {first?.atStub && option.parts[0]?.family === 'closet-flange' ? (
        spanMm === null ? (
          <Txt className="py-2">Cut the old pipe square and flush with the finished floor.</Txt>
        ) : (
          <LengthRow label="Old pipe cut flush with the floor, over the rim below" mm={spanMm} />
        )
      ) : null}
      {route && drainsMachine(route) ? (
        <View testID="standpipe">
          <LengthRow label="Standpipe above its trap, at least" mm={height.leastMm} />
          <LengthRow label="Standpipe above its trap, at most" mm={height.mostMm} />
          {stands ? (
            <LengthRow label={`${STANDS[stands.verdict]} over the weir of its trap`} mm={stands.aboveMm} />
          ) : null}
          {stands && stands.verdict !== 'fits' ? (
            <Note kind="caution" title="Check the local code">
              {`${say(REASONS['drain.standpipe-height'] ?? '', { leastMm: height.leastMm, mostMm: height.mostMm }, unit)} ${height.source.title}`}
            </Note>
          ) : null}
        </View>
      ) : null}
      {tail ? <LengthRow label="End of the fixture’s tail over the middle of the pipe" mm={tail} /> : null}
      {layout?.reach ? (
        <View className="flex-row items-center justify-between border-b border-rule py-2">
          <Txt className="flex-1 pr-2">
            {layout.reach.verdict === 'fits'
              ? '✓ The connector reaches, with its slack.'
              : `${layout.reach.verdict === 'out' ? '✕' : '⚠'} ${say(REASONS[layout.reach.reason?.ruleId ?? ''] ?? '', layout.reach.reason?.parameters ?? {}, unit)}`}
          </Txt>
          <Length mm={layout.reach.lengthMm} size="l" />
        </View>
      ) : null}
    </>
  )
}
