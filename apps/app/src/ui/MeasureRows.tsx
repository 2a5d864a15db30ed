import { MeasureRow } from './MeasureRow'

/** What is measured: the field, its label, how it is taken. */
export type MeasureRowsOf<Key extends string> = readonly (readonly [Key, string, string])[]

interface Props<Key extends string> {
  readonly rows: MeasureRowsOf<Key>
  readonly values: Readonly<Record<Key, number | null>>
  readonly onEnter: (key: Key, mm: number, label: string) => void
}

/** Measurements one under the other, each asked for on the keypad. */
export function MeasureRows<Key extends string>({ rows, values, onEnter }: Props<Key>) {
  return rows.map(([key, label, hint]) => (
    <MeasureRow
      key={key}
      label={label}
      hint={hint}
      mm={values[key]}
      onEnter={({ mm, text }) => onEnter(key, mm, `${label}: ${text}`)}
    />
  ))
}
