import Camera from 'lucide-react-native/icons/camera'
import { useState } from 'react'
import { Pressable, View } from 'react-native'
import { type JobView, useDocsOf } from '../data/select'
import { newId, now } from '../data/state'
import { type Edit, edit } from '../data/store'
import type { Doc } from '../data/types'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { chooseFiles } from '../ui/chooseFile'
import { Field } from '../ui/Field'
import { Note } from '../ui/Note'
import { usePalette } from '../ui/palette'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'
import { useSheet } from '../ui/useSheet'
import { keepPicture } from './kept'
import { PictureView } from './PictureView'
import { shrink } from './shrink'

type About = 'found' | 'left'
const LABELS = { found: 'As it was found', left: 'As it was left' } as const

/** Pictures of a job, as it was found or as it was left: taken, looked at, named, taken away. */
export function Pictures({ view, about }: { view: JobView; about: About }) {
  const palette = usePalette()
  const [fault, setFault] = useState<string | null>(null)
  const all = useDocsOf('attachment', 'jobId', view.job.id).filter(({ fields }) =>
    fields.mediaType.startsWith('image/'),
  )
  const [shown, show] = useSheet<string>(`picture-${about}`)
  const pictures = all
    .filter(({ fields }) => (fields.about ?? 'left') === about)
    .sort((a, b) => (a.fields.takenAt < b.fields.takenAt ? -1 : 1))
  const open = all.find(({ id }) => id === shown)
  const take = async () => {
    setFault(null)
    let count = pictures.length
    for (const file of await chooseFiles('image/*', true)) {
      try {
        const content = await shrink(file)
        const id = newId()
        await keepPicture(id, content, 'image/jpeg')
        count += 1
        const fields = {
          name: `Picture ${count}`,
          about,
          mediaType: 'image/jpeg',
          content,
          takenAt: now(),
        } as const
        await edit(
          [{ kind: 'attachment', id, patch: { jobId: view.job.id, lineId: null, ...fields } } as Edit],
          'Picture kept',
        )
      } catch (error) {
        setFault((error as Error).message)
      }
    }
  }
  return (
    <View className="py-2">
      <Txt bold>{LABELS[about]}</Txt>
      {fault ? (
        <Note kind="caution" title="No picture was kept">
          {fault}
        </Note>
      ) : null}
      {pictures.length > 0 ? (
        <View className="flex-row flex-wrap gap-2 py-2">
          {pictures.map((picture, index) => (
            <Pressable
              key={picture.id}
              role="button"
              aria-label={`Look at ${index + 1}: ${picture.fields.name}`}
              onPress={() => show(picture.id)}
              className="active:opacity-70"
            >
              <PictureView picture={picture} />
            </Pressable>
          ))}
        </View>
      ) : null}
      <Button
        label={pictures.length > 0 ? 'Another picture' : 'Take a picture'}
        icon={<Camera size={20} color={palette.ink} />}
        onPress={take}
        testID={`take-${about}`}
      />
      {open ? <PictureSheet key={open.id} picture={open} onClose={() => show(null)} /> : null}
    </View>
  )
}

function PictureSheet({ picture, onClose }: { picture: Doc<'attachment'>; onClose: () => void }) {
  const [name, setName] = useState(picture.fields.name)
  const put = (patch: Partial<Doc<'attachment'>['fields']>, label: string) =>
    edit([{ kind: 'attachment', id: picture.id, patch } as Edit], label)
  return (
    <SheetModal title="Picture" onClose={onClose}>
      <PictureView picture={picture} large />
      <View className="h-3" />
      <Field
        label="What it shows"
        value={name}
        onChange={setName}
        onBlur={() => {
          const named = name.trim()
          if (named === '') setName(picture.fields.name)
          else if (named !== picture.fields.name) void put({ name: named }, 'Picture named')
        }}
        maxLength={160}
      />
      <Choice
        label="When"
        value={(picture.fields.about ?? 'left') as About}
        options={[
          { value: 'found', label: 'as found' },
          { value: 'left', label: 'as left' },
        ]}
        onChange={(about) => void put({ about }, 'Picture moved')}
      />
      <View className="h-3" />
      <Button
        kind="danger"
        label="Take this picture away"
        onPress={async () => {
          await edit([{ kind: 'attachment', id: picture.id, remove: true } as Edit], 'Picture taken away')
          onClose()
        }}
      />
    </SheetModal>
  )
}
