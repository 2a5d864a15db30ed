import { View } from 'react-native'
import { useDraft } from '../data/draft'
import type { JobView } from '../data/select'
import { newId, now } from '../data/state'
import { type Edit, edit } from '../data/store'
import type { EntityFields } from '../data/types'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Field } from '../ui/Field'
import { Txt } from '../ui/Txt'

type Advice = EntityFields<'job'>['advice'][number]
const ANSWERS = [
  { value: 'taken', label: 'taken on' },
  { value: 'later', label: 'later' },
  { value: 'refused', label: 'refused' },
] as const

/** What was advised, each with what the customer said to it: what was refused is written down too. */
export function AdvicePart({ view }: { view: JobView }) {
  const [text, setText, forget] = useDraft(`advice ${view.job.id}`, '')
  const advice = view.job.fields.advice ?? []
  const put = (next: readonly Advice[], label: string) =>
    edit([{ kind: 'job', id: view.job.id, patch: { advice: next } } as Edit], label)
  const add = async () => {
    await put([...advice, { id: newId(), text: text.trim(), answer: 'later', at: now() }], 'Advice kept')
    setText('')
    forget()
  }
  return (
    <View className="py-2">
      <Txt bold>Advised</Txt>
      {advice.map((each) => (
        <View key={each.id} className="border-b border-rule py-2">
          <Choice
            label={each.text}
            value={each.answer}
            options={ANSWERS}
            columns={3}
            onChange={(answer) =>
              void put(
                advice.map((other) => (other.id === each.id ? { ...other, answer, at: now() } : other)),
                'Answer kept',
              )
            }
          />
          <Button
            kind="quiet"
            label="Take it out"
            hint={each.text}
            onPress={() =>
              put(
                advice.filter(({ id }) => id !== each.id),
                'Advice taken out',
              )
            }
          />
        </View>
      ))}
      <View className="mt-2">
        <Field
          label="What else would be right here"
          value={text}
          onChange={setText}
          maxLength={400}
          multiline
        />
        <Button label="Add to what was advised" disabled={text.trim() === ''} onPress={add} />
      </View>
    </View>
  )
}
