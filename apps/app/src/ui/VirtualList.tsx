import { type ReactNode, useCallback } from 'react'
import { FlatList, View } from 'react-native'

interface Props<Row extends { readonly id: string }> {
  rows: readonly Row[]
  /** The same function as long as its rows look the same: then none is drawn again. */
  render: (row: Row) => ReactNode
  testID?: string
}

const keyOf = ({ id }: { readonly id: string }) => id

/** A long list of which only what is in sight is there; each row as high as it is. */
export function VirtualList<Row extends { readonly id: string }>({ rows, render, testID }: Props<Row>) {
  const renderItem = useCallback(
    ({ item }: { item: Row }) => <View role="listitem">{render(item)}</View>,
    [render],
  )
  return (
    <FlatList
      role="list"
      className="flex-1"
      testID={testID}
      data={rows}
      keyExtractor={keyOf}
      renderItem={renderItem}
      // a screen and a half at first, then one screen on each side of what is in sight
      initialNumToRender={12}
      maxToRenderPerBatch={8}
      windowSize={3}
    />
  )
}
