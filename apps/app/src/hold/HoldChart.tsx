import { useState } from 'react'
import { View } from 'react-native'
import { LineChart } from 'react-native-chart-kit'
import { usePalette } from '../ui/palette'
import { clock, GAUGES, type GaugeId, shown } from './pressure'

/** Places on the chart's time line, evenly apart. */
const PLACES = 25
const HEIGHT = 210
const LINES = 4

interface Props {
  readings: readonly { readonly seconds: number; readonly kpa: number }[]
  /** What the likeliest account shows, at each reading; none until it is worked out. */
  fittedKpa: readonly number[] | null
  gauge: GaugeId
}

function between(readings: Props['readings'], values: readonly number[], at: number): number {
  const next = readings.findIndex(({ seconds }) => seconds >= at)
  if (next <= 0) return values[Math.max(0, next)] ?? 0
  const [a, b] = [readings[next - 1], readings[next]]
  const [from, to] = [values[next - 1] ?? 0, values[next] ?? 0]
  return a && b ? from + ((to - from) * (at - a.seconds)) / (b.seconds - a.seconds) : to
}

/**
 * From where to where the chart's height goes, in steps that are spoken: 1, 2, 5, 10 … of the gauge's own, four of them.
 *
 * @param values as the gauge shows them, at least one
 * @param step of the gauge
 */
export function heights(values: readonly number[], step: number): readonly [number, number] {
  const [least, most] = [Math.min(...values) / step, Math.max(...values) / step]
  for (let decade = 1; ; decade *= 10)
    for (const one of [decade, 2 * decade, 5 * decade]) {
      const low = Math.floor(least / one + 1e-9) * one
      if (low + LINES * one >= most - 1e-9) return [low * step, (low + LINES * one) * step]
    }
}

/** The gauge over time: readings as dots, the likeliest account as a line. */
export function HoldChart({ readings, fittedKpa, gauge }: Props) {
  const [width, setWidth] = useState(0)
  const { raised, ink, soft, patina, amber } = usePalette()
  const last = readings.at(-1)?.seconds ?? 0
  if (readings.length < 2) return null
  const at = Array.from({ length: PLACES }, (_, index) => (last * index) / (PLACES - 1))
  const toUnit = (kpa: number) => kpa / GAUGES[gauge].kpa
  const read = readings.map(({ kpa }) => toUnit(kpa))
  const near = new Set(readings.map(({ seconds }) => Math.round((seconds / last) * (PLACES - 1))))
  const hidden = at.flatMap((_, index) => (near.has(index) ? [] : [index]))
  const shownAll = [...read, ...(fittedKpa ?? []).map(toUnit)]
  const first = readings[0]?.kpa ?? 0
  const end = readings.at(-1)?.kpa ?? 0
  return (
    <View
      role="img"
      aria-label={`From ${shown(first, gauge)} to ${shown(end, gauge)} ${GAUGES[gauge].unit} in ${clock(last)}`}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)}
      testID="hold-chart"
    >
      {width > 0 ? (
        <LineChart
          width={width}
          height={HEIGHT}
          data={{
            labels: at.map((seconds, index) => (index % 6 === 0 && index < PLACES - 1 ? clock(seconds) : '')),
            datasets: [
              {
                data: at.map((seconds) => between(readings, read, seconds)),
                color: () => ink,
                strokeWidth: 1,
                withDots: true,
              },
              ...(fittedKpa
                ? [
                    {
                      data: at.map((seconds) => between(readings, fittedKpa.map(toUnit), seconds)),
                      color: () => patina,
                      strokeWidth: 3,
                      withDots: false,
                    },
                  ]
                : []),
              // seen by nobody: it holds the height
              {
                data: [...heights(shownAll, GAUGES[gauge].step)],
                color: () => 'transparent',
                withDots: false,
              },
            ],
          }}
          hidePointsAtIndex={hidden}
          withShadow={false}
          withVerticalLines={false}
          segments={LINES}
          chartConfig={{
            backgroundGradientFrom: raised,
            backgroundGradientTo: raised,
            decimalPlaces: GAUGES[gauge].places,
            color: () => soft,
            labelColor: () => ink,
            propsForDots: { r: '4', fill: amber, stroke: ink, strokeWidth: '1' },
            propsForBackgroundLines: { stroke: soft, strokeDasharray: '2 5', strokeWidth: 0.7 },
            propsForLabels: { fontSize: 13 },
          }}
        />
      ) : null}
    </View>
  )
}
