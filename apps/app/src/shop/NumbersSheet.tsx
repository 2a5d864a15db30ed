import { Controller, useForm } from 'react-hook-form'
import { Button } from '../ui/Button'
import { Field } from '../ui/Field'
import { SheetModal } from '../ui/SheetModal'
import { readNumber } from './readNumber'

export interface NumberEntry {
  name: string
  label: string
  value: number | null
  /** It may be left empty: then the usual value holds. */
  usual?: boolean
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
    defaultValues: Object.fromEntries(
      entries.map(({ value }, index) => [`n${index}`, value === null ? '' : String(value)]),
    ),
  })
  const save = handleSubmit((texts) => {
    onSave(
      Object.fromEntries(
        entries.flatMap(({ name, usual, most }, index) => {
          const text = texts[`n${index}`] ?? ''
          return usual && text.trim() === '' ? [] : [[name, readNumber(text, most) as number]]
        }),
      ),
    )
    onClose()
  })
  return (
    <SheetModal title={title} onClose={onClose}>
      {entries.map(({ name, label, usual, suffix, most }, index) => (
        <Controller
          key={name}
          control={control}
          name={`n${index}`}
          rules={{
            validate: (text = '') => {
              const read = usual && text.trim() === '' ? 0 : readNumber(text, most)
              return typeof read === 'string' ? read : true
            },
          }}
          render={({ field, fieldState }) => (
            <Field
              label={label}
              value={field.value ?? ''}
              onChange={field.onChange}
              error={fieldState.error?.message}
              inputMode="decimal"
              suffix={suffix}
              {...(usual ? { placeholder: 'usual' } : {})}
            />
          )}
        />
      ))}
      <Button kind="primary" label="Save" onPress={() => save()} />
    </SheetModal>
  )
}
