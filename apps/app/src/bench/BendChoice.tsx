import { router, useLocalSearchParams } from 'expo-router'
import { Choice } from '../ui/Choice'
import { BENDS } from './bends'

/**
 * What the parts are joined by and their size, as they stand in the address; the usual size where it is not made.
 *
 * @param sockets whether pipe has to go into them
 */
export function useBend(sockets = false) {
  const { bend = 'sweat', size = '' } = useLocalSearchParams<Record<string, string>>()
  const named = BENDS[bend]
  const kind = sockets && named?.plain ? undefined : named
  const known = kind?.sizes.includes(size) ? size : (kind?.sizes[0] ?? null)
  return { bend, kind, size: known, end: kind && known ? { ...kind.end, nominal: known } : null }
}

/**
 * Asks what the parts are joined by, and their size.
 *
 * @param sockets whether pipe has to go into them
 */
export function BendChoice({ sockets = false }: { sockets?: boolean }) {
  const { bend, kind, size } = useBend(sockets)
  const offered = Object.entries(BENDS).filter(([, { plain }]) => !sockets || !plain)
  return (
    <>
      <Choice
        label="Joined by"
        columns={4}
        value={kind ? bend : null}
        options={offered.map(([value, { label }]) => ({ value, label }))}
        onChange={(value) => router.setParams({ bend: value })}
      />
      <Choice
        label="Size"
        columns={4}
        value={size}
        options={(kind?.sizes ?? []).map((value) => ({ value, label: value }))}
        onChange={(value) => router.setParams({ size: value })}
      />
    </>
  )
}
