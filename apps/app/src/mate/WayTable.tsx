import type { RankedOption } from '@diarmos/core'
import { REMOVAL_WORDS } from '@diarmos/core/words/methods'
import {
  createColumnHelper,
  getCoreRowModel,
  getSortedRowModel,
  type SortingState,
  useReactTable,
} from '@tanstack/react-table'
import { useMemo, useState } from 'react'
import { Pressable, View } from 'react-native'
import { minutes, money } from '../ui/money'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'
import { optionTitle } from './OptionCard'

const column = createColumnHelper<RankedOption>()
const columns = (planned: boolean) => [
  column.accessor((option) => optionTitle(option), { id: 'way', header: 'Way' }),
  column.accessor((option) => option.costs.totalCents, { id: 'total', header: 'All told' }),
  column.accessor((option) => option.criteria.priceCents, { id: 'price', header: 'To buy' }),
  column.accessor((option) => option.criteria.seconds, { id: 'hands', header: 'Hands' }),
  column.accessor((option) => option.criteria.waterOffSeconds, {
    id: 'water',
    header: planned ? 'Water off' : 'Water off ≥',
  }),
  column.accessor((option) => option.criteria.joints, { id: 'joints', header: 'Joints' }),
  column.accessor((option) => option.criteria.riskPerMille, { id: 'risk', header: 'Call-backs ‰' }),
  column.accessor((option) => option.criteria.notAboard, { id: 'counter', header: 'To fetch' }),
]
const SAY: Readonly<Record<string, (value: number) => string>> = {
  total: money,
  price: money,
  hands: minutes,
  water: minutes,
}
const width = (id: string) => `min-w-0 ${id === 'way' ? 'flex-[3]' : 'flex-1'}`

interface Props {
  options: readonly RankedOption[]
  /** Minutes are those of the orders of work. */
  planned?: boolean
  shown: string | undefined
  onShow: (id: string) => void
  onClose: () => void
}

/** All ways in one table, sorted by what matters today. */
export function WayTable({ options, planned = false, shown, onShow, onClose }: Props) {
  const [sorting, setSorting] = useState<SortingState>([{ id: 'total', desc: false }])
  const table = useReactTable({
    data: options as RankedOption[],
    columns: useMemo(() => columns(planned), [planned]),
    state: { sorting },
    onSortingChange: setSorting,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  })
  return (
    <SheetModal title="All ways" onClose={onClose} wide>
      <View role="table" aria-label="All ways" testID="way-table">
        <View role="row" className="flex-row border-b-[2px] border-ink">
          {table.getFlatHeaders().map((header) => {
            const sorted = header.column.getIsSorted()
            return (
              <View
                key={header.id}
                role="columnheader"
                aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
                className={width(header.id)}
              >
                <Pressable
                  role="button"
                  aria-label={`Sort by ${String(header.column.columnDef.header)}`}
                  onPress={() => header.column.toggleSorting(sorted === 'asc')}
                  className={`min-h-[48px] justify-center px-1 ${header.id === 'way' ? '' : 'items-end'}`}
                >
                  <Txt size="s" bold tone={sorted ? 'patina' : 'ink'}>
                    {String(header.column.columnDef.header)}{' '}
                    {sorted === 'asc' ? '↑' : sorted === 'desc' ? '↓' : ''}
                  </Txt>
                </Pressable>
              </View>
            )
          })}
        </View>
        {table.getRowModel().rows.map((row) => (
          <Pressable
            key={row.original.id}
            role="row"
            aria-selected={row.original.id === shown}
            onPress={() => onShow(row.original.id)}
            className={`min-h-[52px] flex-row items-center border-b border-rule ${row.original.id === shown ? 'bg-patina-wash' : ''}`}
          >
            {row.getVisibleCells().map((cell) => {
              const value = cell.getValue<string | number>()
              return (
                <View
                  key={cell.id}
                  role="cell"
                  className={`${width(cell.column.id)} px-1 ${typeof value === 'number' ? 'items-end' : ''}`}
                >
                  <Txt size="s">
                    {typeof value === 'number' ? (SAY[cell.column.id]?.(value) ?? value) : value}
                  </Txt>
                  {cell.column.id === 'way' ? (
                    <Txt size="s" tone="soft">
                      {REMOVAL_WORDS[row.original.removalId]}
                    </Txt>
                  ) : null}
                </View>
              )
            })}
          </Pressable>
        ))}
      </View>
    </SheetModal>
  )
}
