import { router, useLocalSearchParams } from 'expo-router'
import { View } from 'react-native'
import { Choice } from '../ui/Choice'
import { Txt } from '../ui/Txt'
import { useSolved } from '../workers/solver'

const BENDS = ['22.5', '45', '60', '90'] as const
const TURNS = ['0', '30', '45', '60', '90', '120', '150', '180'] as const

/** What two bends really make when the second is turned out of the plane of the first. */
export function TurnedBends() {
  const params = useLocalSearchParams<Record<string, string>>()
  const first = BENDS.find((bend) => bend === params.b1) ?? '45'
  const second = BENDS.find((bend) => bend === params.b2) ?? '45'
  const turned = TURNS.find((turn) => turn === params.by) ?? '90'
  const { answer } = useSolved('turned-bends', {
    first: Number(first),
    second: Number(second),
    turnedDegrees: Number(turned),
  })
  return (
    <View className="mt-6 gap-3" testID="turned">
      <Txt bold size="l" heading={2}>
        Two bends turned
      </Txt>
      {answer ? (
        <View className="border-b-2 border-ink pb-2">
          <Txt bold size="xxl">
            {answer.angleDegrees.toFixed(1)}°
          </Txt>
          <Txt size="s" tone="soft">
            {Math.abs(answer.nearest - answer.angleDegrees) < 1
              ? `as one bend of ${answer.nearest}°`
              : answer.angleDegrees < 1
                ? 'the line goes on as it came'
                : 'no bend of that angle is made'}
          </Txt>
        </View>
      ) : null}
      <Choice
        label="First bend"
        columns={4}
        value={first}
        options={BENDS.map((value) => ({ value, label: `${value}°` }))}
        onChange={(value) => router.setParams({ b1: value })}
      />
      <Choice
        label="Second bend"
        columns={4}
        value={second}
        options={BENDS.map((value) => ({ value, label: `${value}°` }))}
        onChange={(value) => router.setParams({ b2: value })}
      />
      <Choice
        label="Second turned out of the plane by"
        columns={4}
        value={turned}
        options={TURNS.map((value) => ({ value, label: `${value}°` }))}
        onChange={(value) => router.setParams({ by: value })}
      />
    </View>
  )
}
