import { Controller, useForm } from 'react-hook-form'
import { Button } from '../ui/Button'
import { Field } from '../ui/Field'
import { SheetModal } from '../ui/SheetModal'

/** A number as it was typed, or the reason why it is none. */
export function readNumber(text: string, most: number): number | string {
  const value = Number(text.trim().replace(',', '.'))
  if (text.trim() === '' || Number.isNaN(value)) return 'This is no number.'
  if (value < 0) return 'It cannot be negative.'
  if (value > most) return `At most ${most}.`
  return value
}

export interface NumberEntry {
  name: string
  label: string
  value: number
  suffix: string
  most: number
}

/** Some numbers in one sheet, saved together. */
export function NumbersSheet({
  title,
  entries,
  onSave,
  onClose,
}: {
  title: string
  entries: readonly NumberEntry[]
  onSave: (values: Record<string, number>) => void
  onClose: () => void
}) {
  // names hold dots and slashes, so the form counts them instead
  const { control, handleSubmit } = useForm<Record<string, string>>({
    defaultValues: Object.fromEntries(entries.map(({ value }, index) => [`n${index}`, String(value)])),
  })
  const save = handleSubmit((texts) => {
    onSave(
      Object.fromEntries(
        entries.map(({ name, most }, index) => [name, readNumber(texts[`n${index}`] ?? '', most) as number]),
      ),
    )
    onClose()
  })
  return (
    <SheetModal title={title} onClose={onClose}>
      {entries.map(({ name, label, suffix, most }, index) => (
        <Controller
          key={name}
          control={control}
          name={`n${index}`}
          rules={{
            validate: (text) =>
              typeof readNumber(text ?? '', most) === 'string'
                ? (readNumber(text ?? '', most) as string)
                : true,
          }}
          render={({ field, fieldState }) => (
            <Field
              label={label}
              value={field.value ?? ''}
              onChange={field.onChange}
              error={fieldState.error?.message}
              inputMode="decimal"
              suffix={suffix}
            />
          )}
        />
      ))}
      <Button kind="primary" label="Save" onPress={() => void save()} />
    </SheetModal>
  )
}
