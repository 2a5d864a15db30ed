import { type WallMeasures, wallAsk } from '@diarmos/core/record'
import { View } from 'react-native'
import { ValveWall, WALL_ROWS } from '../fixture/ValveWall'
import { UnitButton } from '../ui/UnitButton'
import { BenchFrame } from './BenchFrame'
import { useLengths } from './useLengths'

/** The depth of a valve from the build-up of its wall. */
export function BenchWall() {
  const { lengths, fault, set } = useLengths(WALL_ROWS.length)
  const wall = Object.fromEntries(
    WALL_ROWS.map(([key], index) => [key, lengths[index] ?? null]),
    // entries forget which measure goes with which name
  ) as unknown as WallMeasures
  const place = (wanted: keyof WallMeasures) => WALL_ROWS.findIndex(([key]) => key === wanted)
  return (
    <BenchFrame
      title="Valve in its wall"
      fault={fault}
      error={null}
      operation="valve-depth"
      request={wallAsk(wall)}
    >
      <ValveWall wall={wall} onEnter={(key, mm) => set(place(key), mm)} />
      <View className="mt-3">
        <UnitButton />
      </View>
    </BenchFrame>
  )
}
