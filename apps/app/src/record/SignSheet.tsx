import { useState } from 'react'
import { View } from 'react-native'
import { useDraft } from '../data/draft'
import type { JobView } from '../data/select'
import { newId, now } from '../data/state'
import { type Edit, edit } from '../data/store'
import { Button } from '../ui/Button'
import { Field } from '../ui/Field'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'
import { SignaturePad } from './SignaturePad'

/** Longer than any hand writes; a document holds no more. */
const LONGEST = 200_000

/** Somebody signs for what was agreed, with a finger, or by the name alone. */
export function SignSheet({ view, onClose }: { view: JobView; onClose: () => void }) {
  const [name, setName, forget] = useDraft(`signer ${view.job.id}`, '')
  const [strokes, setStrokes] = useState('')
  const keep = async () => {
    const fields = {
      jobId: view.job.id,
      lineId: null,
      name: name.trim(),
      about: 'signature',
      mediaType: 'text/plain',
      content: btoa(strokes),
      takenAt: now(),
    } as const
    await edit([{ kind: 'attachment', id: newId(), patch: fields } as Edit], `Signed by ${name.trim()}`)
    forget()
    onClose()
  }
  return (
    <SheetModal title="Signed for what was agreed" onClose={onClose}>
      <Txt tone="soft" className="mb-2">
        What was agreed is on the sheet of that name. Without a finger on the glass the name alone counts.
      </Txt>
      <Field label="Name in full" value={name} onChange={setName} maxLength={120} autoComplete="off" />
      <SignaturePad
        strokes={strokes}
        onStrokes={(next) => (next.length < LONGEST ? setStrokes(next) : undefined)}
      />
      <View className="mt-3 gap-2">
        <Button kind="quiet" label="Write it again" disabled={!strokes} onPress={() => setStrokes('')} />
        <Button
          kind="primary"
          label="Keep the signature"
          disabled={name.trim() === ''}
          {...(name.trim() === '' ? { hint: 'A name first' } : {})}
          onPress={keep}
        />
      </View>
    </SheetModal>
  )
}
