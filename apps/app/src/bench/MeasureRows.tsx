import { MeasureRow } from '../ui/MeasureRow'

interface Props {
  rows: readonly (readonly [label: string, hint: string])[]
  lengths: readonly (number | null)[]
  set: (index: number, mm: number) => void
  /** Where the first of them stands among the lengths. */
  from?: number
}

/** The measurements that a tool of the bench asks for, one below the other. */
export function MeasureRows({ rows, lengths, set, from = 0 }: Props) {
  return rows.map(([label, hint], index) => (
    <MeasureRow
      key={label}
      label={label}
      hint={hint}
      mm={lengths[from + index] ?? null}
      onEnter={({ mm }) => set(from + index, mm)}
    />
  ))
}
