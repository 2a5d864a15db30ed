import { useState } from 'react'
import { Linking, View } from 'react-native'
import type { JobView } from '../data/select'
import { useData } from '../data/store'
import { Button } from '../ui/Button'
import { Note } from '../ui/Note'
import { saveFile } from '../ui/saveFile'
import { printSheet } from '../workers/sheet'
import { jobFileOf } from './jobFile'

/** What is handed over, made on the phone, with or without the shop's server. */
export function SheetsPart({ view }: { view: JobView }) {
  const shopName = useData((state) => state.session?.shop.name ?? '')
  const [fault, setFault] = useState<string | null>(null)
  const hand = async (kind: 'job' | 'agreed', name: string) => {
    setFault(null)
    try {
      const pdf = await printSheet({ kind, file: await jobFileOf(view), shopName })
      await saveFile(`${name}.pdf`, 'application/pdf', pdf)
    } catch (error) {
      setFault((error as Error).message)
    }
  }
  return (
    <View className="py-2">
      {fault ? (
        <Note kind="caution" title="Not printed">
          {fault}
        </Note>
      ) : null}
      <Button label="What was agreed (PDF)" onPress={() => hand('agreed', 'agreed')} testID="print-agreed" />
      <View className="h-2" />
      <Button label="Job sheet (PDF)" onPress={() => hand('job', 'job-sheet')} testID="print-job" />
      <Button
        kind="quiet"
        label="Whole job (JSON)"
        onPress={() => Linking.openURL(`/api/jobs/${view.job.id}/file.json`)}
      />
    </View>
  )
}
