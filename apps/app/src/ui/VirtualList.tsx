import type { ReactNode } from 'react'
import { FlatList, View } from 'react-native'

interface Props<Row extends { readonly id: string }> {
  rows: readonly Row[]
  render: (row: Row) => ReactNode
  testID?: string
}

/** A long list of which only what is in sight is there; each row as high as it is. */
export function VirtualList<Row extends { readonly id: string }>({ rows, render, testID }: Props<Row>) {
  return (
    <FlatList
      role="list"
      className="flex-1"
      testID={testID}
      data={rows}
      keyExtractor={({ id }) => id}
      renderItem={({ item }) => <View role="listitem">{render(item)}</View>}
      // a screen and a half at first, then some screens around what is in sight
      initialNumToRender={12}
      maxToRenderPerBatch={8}
      windowSize={7}
    />
  )
}
