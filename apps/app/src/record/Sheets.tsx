import { useState } from 'react'
import { View } from 'react-native'
import type { JobView } from '../data/select'
import { useData } from '../data/store'
import { Button } from '../ui/Button'
import { Note } from '../ui/Note'
import { saveFile } from '../ui/saveFile'
import { printSheet } from '../workers/sheet'
import { jobFileOf } from './jobFile'

const FILES = {
  agreed: ['agreed.pdf', 'application/pdf'],
  job: ['job-sheet.pdf', 'application/pdf'],
  parts: ['parts.csv', 'text/csv'],
  cuts: ['cuts.csv', 'text/csv'],
} as const

/** What is handed over, made on the phone, with or without the shop's server. */
export function SheetsPart({ view }: { view: JobView }) {
  const shopName = useData((state) => state.session?.shop.name ?? '')
  const [fault, setFault] = useState<string | null>(null)
  const hand = async (kind: keyof typeof FILES) => {
    setFault(null)
    try {
      const bytes = await printSheet({
        kind,
        file: await jobFileOf(view),
        shopName,
        title: view.job.fields.title,
      })
      const [name, mediaType] = FILES[kind]
      await saveFile(name, mediaType, bytes)
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
      <Button label="What was agreed (PDF)" onPress={() => hand('agreed')} testID="print-agreed" />
      <View className="h-2" />
      <Button label="Job sheet (PDF)" onPress={() => hand('job')} testID="print-job" />
      <View className="flex-row flex-wrap">
        <Button kind="quiet" label="Parts (CSV)" onPress={() => hand('parts')} testID="table-parts" />
        <Button kind="quiet" label="Cuts (CSV)" onPress={() => hand('cuts')} testID="table-cuts" />
      </View>
      <Button
        kind="quiet"
        label="Whole job (JSON)"
        onPress={async () => saveFile('job.json', 'application/json', JSON.stringify(await jobFileOf(view)))}
      />
    </View>
  )
}
