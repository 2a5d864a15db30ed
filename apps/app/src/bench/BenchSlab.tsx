import { router, useLocalSearchParams } from 'expo-router'
import { View } from 'react-native'
import { Choice } from '../ui/Choice'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'
import { useSolved } from '../workers/solver'
import { BenchFrame } from './BenchFrame'
import { MeasureRows } from './MeasureRows'
import { SlabAnswer } from './SlabAnswer'
import { DISCS, SLAB_ROWS, USUAL_DISC } from './slabs'
import { useLengths } from './useLengths'

const ROWS = [
  ['Thickness of the slab', 'At an edge, or through a hole that is there.'],
  SLAB_ROWS.deepMm,
  ['Old pipe to the middle of the drain', 'Along the pipe, from where its depth was taken.'],
  SLAB_ROWS.underMm,
  SLAB_ROWS.overMm,
] as const
const SIZES = ['1-1/2', '2'] as const

/** A drain that is moved under a slab. */
export function BenchSlab() {
  const { lengths, fault, set } = useLengths(ROWS.length)
  const { size = '2', disc = USUAL_DISC } = useLocalSearchParams<Record<string, string>>()
  const [slabMm, deepMm, outMm, underMm, overMm] = lengths.map((mm) => mm ?? null)
  const aboveMm = overMm ?? (underMm == null ? null : -underMm)
  const known = SIZES.find((entry) => entry === size) ?? '2'
  const request =
    slabMm != null && deepMm != null && outMm != null
      ? {
          size: known,
          slabMm,
          deepMm,
          outMm,
          discMm: Number(disc) || Number(USUAL_DISC),
          aboveMm,
        }
      : null
  const { answer, error } = useSolved('slab', request)
  return (
    <BenchFrame title="Under a slab" fault={fault} error={error} operation="slab" request={request}>
      {answer && request ? (
        <SlabAnswer ask={request} answer={answer} />
      ) : (
        <Txt tone="soft" className="py-6">
          How thick, how deep, how far: the trap then stands as much higher than the old pipe as the arm
          between them falls.
        </Txt>
      )}
      <MeasureRows rows={ROWS} lengths={lengths} set={set} />
      <View className="mt-3 gap-3">
        <Choice
          label="Size of the drain"
          columns={2}
          value={known}
          options={SIZES.map((value) => ({ value, label: `${value} in` }))}
          onChange={(value) => router.setParams({ size: value })}
        />
        <Choice
          label="Disc of the saw"
          columns={4}
          value={disc}
          options={DISCS}
          onChange={(value) => router.setParams({ disc: value })}
        />
        <UnitButton />
        <Txt size="s" tone="soft">
          Falls a quarter inch to the foot. The trap as it is typical of its size: measure the one in hand. A
          slab with tensioned cables is not cut; scan first.
        </Txt>
      </View>
    </BenchFrame>
  )
}
