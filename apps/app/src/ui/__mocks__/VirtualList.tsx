import type { ReactNode } from 'react'
import { View } from 'react-native'

/** Every row: where nothing is laid out nothing is in sight. For tests only. */
export function VirtualList<Row extends { readonly id: string }>({
  rows,
  render,
  testID,
}: {
  rows: readonly Row[]
  render: (row: Row) => ReactNode
  testID?: string
}) {
  return (
    <View testID={testID} role="list">
      {rows.map((row) => (
        <View key={row.id} role="listitem">
          {render(row)}
        </View>
      ))}
    </View>
  )
}
