import { router, useLocalSearchParams } from 'expo-router'
import { View } from 'react-native'
import { Choice } from '../ui/Choice'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'
import { useSolved } from '../workers/solver'
import { BenchFrame } from './BenchFrame'
import { MeasureRows } from './MeasureRows'
import { TUB_ROWS, TubAnswer } from './TubAnswer'
import { useLengths } from './useLengths'

const ROWS = [TUB_ROWS.outMm, TUB_ROWS.highMm] as const
const BY = [
  { value: 'nuts', label: 'Slip nuts' },
  { value: 'cement', label: '1-1/2 in pipe, cemented' },
] as const

/** The tubes of a tub's waste and overflow. */
export function BenchTub() {
  const { lengths, fault, set } = useLengths(ROWS.length)
  const { by = 'nuts' } = useLocalSearchParams<{ by?: string }>()
  const [outMm, highMm] = lengths.map((mm) => mm ?? null)
  const known = BY.find(({ value }) => value === by)?.value ?? 'nuts'
  const request = outMm != null && highMm != null ? { by: known, outMm, highMm } : null
  const { answer, error } = useSolved('tub-waste', request)
  return (
    <BenchFrame title="Tub waste" fault={fault} error={error} operation="tub-waste" request={request}>
      {answer && request ? (
        <TubAnswer ask={request} answer={answer} />
      ) : (
        <Txt tone="soft" className="py-6">
          Where the drain is and where the overflow: both tubes follow from that.
        </Txt>
      )}
      <MeasureRows rows={ROWS} lengths={lengths} set={set} />
      <View className="mt-3 gap-3">
        <Choice
          label="Its tubes are joined by"
          columns={2}
          value={known}
          options={BY.map((entry) => ({ ...entry }))}
          onChange={(value) => router.setParams({ by: value })}
        />
        <UnitButton />
      </View>
    </BenchFrame>
  )
}
