import { useVirtualizer } from '@tanstack/react-virtual'
import { type ReactNode, useRef } from 'react'
import { View } from 'react-native'

interface Props<Row extends { readonly id: string }> {
  rows: readonly Row[]
  /** About as high as a row stands, px, until it has been measured. */
  estimate: number
  render: (row: Row) => ReactNode
  testID?: string
  /** What stands above the rows and scrolls with them. */
  header?: ReactNode
}

/** A long list of which only what is in sight is there; each row as high as it is. */
export function VirtualList<Row extends { readonly id: string }>({
  rows,
  estimate,
  render,
  testID,
  header,
}: Props<Row>) {
  const scroller = useRef<HTMLDivElement>(null)
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => estimate,
    getItemKey: (index) => rows[index]?.id ?? index,
    overscan: 6,
    // before it is laid out, and where nothing is laid out at all
    initialRect: { width: 390, height: 844 },
  })
  return (
    <View ref={scroller as never} testID={testID} className="flex-1 overflow-y-auto">
      {header}
      <View role="list" style={{ height: list.getTotalSize() }}>
        {list.getVirtualItems().map(({ index, key, start }) => {
          const row = rows[index]
          return row ? (
            <View
              key={String(key)}
              role="listitem"
              ref={list.measureElement as never}
              {...({ dataSet: { index: String(index) } } as object)}
              style={{ position: 'absolute', top: 0, left: 0, right: 0, transform: [{ translateY: start }] }}
            >
              {render(row)}
            </View>
          ) : null
        })}
      </View>
    </View>
  )
}
