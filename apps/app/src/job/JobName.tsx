import { router } from 'expo-router'
import { useState } from 'react'
import { View } from 'react-native'
import type { JobView } from '../data/select'
import { type Edit, edit } from '../data/store'
import { Button } from '../ui/Button'
import { RenameSheet } from '../ui/RenameSheet'
import { Txt } from '../ui/Txt'

/** Another name for a job, and the way out for one that was opened by mistake. */
export function JobName({ view }: { view: JobView }) {
  const [renaming, setRenaming] = useState(false)
  const { id, fields } = view.job
  return (
    <View className="mt-4 border-t border-rule pt-2">
      <View className="flex-row flex-wrap gap-2">
        <Button kind="quiet" label="Rename" hint="the job" onPress={() => setRenaming(true)} />
        <Button
          kind="quiet"
          label="Remove the job"
          onPress={async () => {
            await edit([{ kind: 'job', id, remove: true } as Edit], `Removed: ${fields.title}`)
            router.replace('/')
          }}
        />
      </View>
      <Txt size="s" tone="soft">
        Removed, it can be taken back for thirty days, under Houses.
      </Txt>
      {renaming ? (
        <RenameSheet
          title="Rename the job"
          label="What is wrong"
          value={fields.title}
          onSave={(title) => edit([{ kind: 'job', id, patch: { title } } as Edit], `Renamed: ${title}`)}
          onClose={() => setRenaming(false)}
        />
      ) : null}
    </View>
  )
}
