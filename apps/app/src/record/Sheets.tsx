import { View } from 'react-native'
import { usePreferences } from '../data/preferences'
import type { JobView } from '../data/select'
import { useData } from '../data/store'
import { Button } from '../ui/Button'
import { saveFile } from '../ui/saveFile'
import { useHandOver } from '../ui/useHandOver'
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
  const unit = usePreferences((state) => state.unit)
  const [hand, fault] = useHandOver('Not printed')
  const print = (kind: keyof typeof FILES) =>
    hand(async () => {
      const { title } = view.job.fields
      const bytes = await printSheet({ kind, file: await jobFileOf(view), shopName, title, unit })
      const [name, mediaType] = FILES[kind]
      await saveFile(name, mediaType, bytes)
    })
  return (
    <View className="py-2">
      {fault}
      <Button label="What was agreed (PDF)" onPress={() => print('agreed')} testID="print-agreed" />
      <View className="h-2" />
      <Button label="Job sheet (PDF)" onPress={() => print('job')} testID="print-job" />
      <View className="flex-row flex-wrap">
        <Button kind="quiet" label="Parts (CSV)" onPress={() => print('parts')} testID="table-parts" />
        <Button kind="quiet" label="Cuts (CSV)" onPress={() => print('cuts')} testID="table-cuts" />
      </View>
      <Button
        kind="quiet"
        label="Whole job (JSON)"
        onPress={() =>
          hand(async () => saveFile('job.json', 'application/json', JSON.stringify(await jobFileOf(view))))
        }
      />
    </View>
  )
}
