import { useState } from 'react'
import { Button } from './Button'
import { Field } from './Field'
import { SheetModal } from './SheetModal'

interface Props {
  title: string
  label: string
  value: string
  onSave: (value: string) => unknown
  onClose: () => void
}

/** Another name for something. */
export function RenameSheet({ title, label, value, onSave, onClose }: Props) {
  const [name, setName] = useState(value)
  // what is renamed bears its new name before the sheet has gone
  const [heading] = useState(title)
  const fault =
    name.trim() === '' ? 'It needs a name.' : name.trim().length > 150 ? 'At most 150 letters.' : undefined
  const save = async () => {
    if (fault) return
    if (name.trim() !== value) await onSave(name.trim())
    onClose()
  }
  return (
    <SheetModal title={heading} onClose={onClose}>
      <Field
        label={label}
        value={name}
        onChange={setName}
        error={fault}
        onSubmitEditing={() => void save()}
      />
      <Button kind="primary" label="Save" disabled={fault !== undefined} onPress={save} />
    </SheetModal>
  )
}
