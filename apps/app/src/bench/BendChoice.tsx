import { router, useLocalSearchParams } from 'expo-router'
import { Choice } from '../ui/Choice'
import { BENDS, SIZES } from './bends'

type Size = (typeof SIZES)[number]

/** What the parts are joined by and their size, as they stand in the address. */
export function useBend() {
  const { bend = 'sweat', size = '1/2' } = useLocalSearchParams<Record<string, string>>()
  const kind = BENDS[bend]
  const known = SIZES.find((entry) => entry === size)
  return { bend, size: known ?? null, end: kind && known ? { ...kind.end, nominal: known } : null }
}

/** Asks what the parts are joined by, and their size. */
export function BendChoice() {
  const { bend, size } = useBend()
  return (
    <>
      <Choice
        label="Joined by"
        columns={4}
        value={BENDS[bend] ? bend : null}
        options={Object.entries(BENDS).map(([value, { label }]) => ({ value, label }))}
        onChange={(value) => router.setParams({ bend: value })}
      />
      <Choice<Size>
        label="Size"
        columns={3}
        value={size}
        options={SIZES.map((value) => ({ value, label: value }))}
        onChange={(value) => router.setParams({ size: value })}
      />
    </>
  )
}
