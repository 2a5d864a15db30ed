import { changedSince } from '@diarmos/core/record'
import { View } from 'react-native'
import { useDraft } from '../data/draft'
import { type JobView, useDocsOf } from '../data/select'
import { type Edit, edit } from '../data/store'
import { setNote } from '../job/actions'
import { Pictures } from '../pictures/Pictures'
import { Button } from '../ui/Button'
import { Field } from '../ui/Field'
import { Txt } from '../ui/Txt'
import { useSheet } from '../ui/useSheet'
import { AdvicePart } from './Advice'
import { SheetsPart } from './Sheets'
import { SignSheet } from './SignSheet'
import { WarrantyPart } from './Warranty'

/** What stays of the job when everybody has gone home. */
export function RecordPart({ view }: { view: JobView }) {
  const [note, setNoteText, saved] = useDraft(`note ${view.job.id}`, view.job.fields.note)
  const [signing, sign] = useSheet<'open'>('sign', ['open'])
  const signed = useDocsOf('attachment', 'jobId', view.job.id).filter(
    ({ fields }) => fields.about === 'signature',
  )
  const agreed = [
    ...view.lines.flatMap(({ mating }) => mating?.fields.chosenAt ?? []),
    ...(view.job.fields.advice ?? []).map(({ at }) => at),
  ]
  return (
    <View className="mt-4 border-t-2 border-ink pt-2">
      <Txt bold size="l" heading={2}>
        The record
      </Txt>
      <Pictures view={view} about="found" />
      <Pictures view={view} about="left" />
      <AdvicePart view={view} />
      <Field
        label="Note, left for next time"
        value={note}
        onChange={setNoteText}
        onBlur={() => void setNote(view, note).then(saved)}
        multiline
        maxLength={4000}
      />
      <WarrantyPart view={view} />
      <View className="py-2">
        {signed.map(({ id, fields }) => (
          <View key={id} className="min-h-[52px] flex-row items-center border-b border-rule">
            <Txt className="flex-1">
              Signed by {fields.name}, {fields.takenAt.slice(0, 10)}
              {changedSince(fields.takenAt, agreed) ? (
                <Txt bold tone="amber">
                  : something was changed since, have it signed again
                </Txt>
              ) : null}
            </Txt>
            <Button
              kind="quiet"
              label="Take back"
              hint={`the signature of ${fields.name}`}
              onPress={() => edit([{ kind: 'attachment', id, remove: true } as Edit], 'Signature taken back')}
            />
          </View>
        ))}
        <Button
          label={signed.length > 0 ? 'Another signature' : 'Have it signed'}
          onPress={() => sign('open')}
          testID="sign"
        />
      </View>
      <SheetsPart view={view} />
      {signing ? <SignSheet view={view} onClose={() => sign(null)} /> : null}
    </View>
  )
}
