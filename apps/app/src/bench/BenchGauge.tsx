import { router, useLocalSearchParams } from 'expo-router'
import { ScrollView, View } from 'react-native'
import { CardCalibration } from '../gauge/CardCalibration'
import { Jaw } from '../gauge/Jaw'
import { useScale } from '../gauge/scale'
import { ThreadCombs } from '../gauge/ThreadCombs'
import { TrueRule } from '../gauge/TrueRule'
import { Choice } from '../ui/Choice'
import { TopBar } from '../ui/TopBar'
import { useSolved } from '../workers/solver'

const TOOLS = [
  { value: 'width', label: 'Width' },
  { value: 'threads', label: 'Threads' },
  { value: 'rule', label: 'Rule' },
  { value: 'card', label: 'Card' },
] as const
type Tool = (typeof TOOLS)[number]['value']

/** The screen as a gauge in true size. */
export function BenchGauge() {
  const scale = useScale()
  const { tool, mm } = useLocalSearchParams<{ tool?: string; mm?: string }>()
  const chosen: Tool = TOOLS.find(({ value }) => value === tool)?.value ?? 'width'
  const shown = scale === null ? 'card' : chosen
  const made = useSolved('diameters', {})
  const width = Number(mm) > 0 && Number(mm) <= 120 ? Number(mm) : 22.2
  const show = (value: Tool) => router.setParams({ tool: value })
  return (
    <View className="mx-auto w-full max-w-[720px] flex-1">
      <TopBar bare title="Screen gauge" />
      {/* combs and rule hold nothing to press: they must scroll by keyboard all the same */}
      <ScrollView tabIndex={0} className="flex-1 px-4" contentContainerClassName="pb-5 pt-3">
        {scale === null || shown === 'card' ? (
          <CardCalibration onDone={() => show('width')} />
        ) : shown === 'width' ? (
          <Jaw
            mm={width}
            pxPerMm={scale}
            made={made.answer ?? []}
            onChange={(value) => router.setParams({ mm: String(value) })}
          />
        ) : shown === 'threads' ? (
          <ThreadCombs pxPerMm={scale} />
        ) : (
          <TrueRule pxPerMm={scale} />
        )}
      </ScrollView>
      <View className="border-t border-rule bg-sheet p-3">
        <Choice
          label="Gauge"
          hideLabel
          columns={4}
          value={shown}
          options={TOOLS.map((entry) => ({ ...entry }))}
          onChange={show}
        />
      </View>
    </View>
  )
}
