import { bodiesOf } from '@diarmos/core/bodies'
import { type WorkedOnId, workedOn } from '@diarmos/core/worked-on'
import { router } from 'expo-router'
import { useState } from 'react'
import { Controller, useForm } from 'react-hook-form'
import { ScrollView, View } from 'react-native'
import { useDraft } from '../data/draft'
import { useDocs, useSettings } from '../data/select'
import { type Edit, edit, newId, now } from '../data/store'
import type { EntityFields } from '../data/types'
import { KindChoice } from '../fixture/KindChoice'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Field } from '../ui/Field'
import { TopBar } from '../ui/TopBar'
import { Txt } from '../ui/Txt'
import { newPoint } from './actions'
import { ERA_WORDS } from './eras'

interface Entry {
  title: string
  house: string
  street: string
  town: string
  era: EntityFields<'property'>['era']
  point: string
}

const NEW = 'new'

/** Opens a job: which house, which point, what is wrong. */
export function NewJob() {
  const properties = useDocs('property')
  const points = useDocs('point')
  const region = useSettings()?.fields.region ?? 'north-america'
  const [draft, setDraft, saved] = useDraft('new job', {
    propertyId: properties[0]?.id ?? NEW,
    pointId: NEW,
    kind: null as WorkedOnId | null,
    entry: { title: '', house: '', street: '', town: '', era: 'unknown', point: '' } as Entry,
  })
  // what was chosen before a reload may have been removed since
  const propertyId = properties.some((property) => property.id === draft.propertyId) ? draft.propertyId : NEW
  const [fault, setFault] = useState<string | null>(null)
  const { control, handleSubmit, getValues } = useForm<Entry>({
    defaultValues: draft.entry,
  })
  const inHouse = points.filter((point) => point.fields.propertyId === propertyId)
  const pointId = inHouse.some((point) => point.id === draft.pointId) ? draft.pointId : NEW
  const keep = (patch: Partial<typeof draft>) => setDraft({ ...draft, entry: getValues(), ...patch })

  const [unsaid, setUnsaid] = useState(false)
  const save = handleSubmit(async (entry) => {
    const { kind } = draft
    if (pointId === NEW && kind === null) return setUnsaid(true)
    const house = propertyId === NEW ? newId() : propertyId
    const made = pointId === NEW ? newPoint(house, kind ?? 'other', entry.point) : { id: pointId, edits: [] }
    const job = newId()
    const edits: Edit[] = []
    if (propertyId === NEW)
      edits.push({
        kind: 'property',
        id: house,
        patch: {
          label: entry.house.trim(),
          street: entry.street,
          town: entry.town,
          era: entry.era,
          region,
          note: '',
          storeys: null,
          stopAt: '',
        },
      } as Edit)
    edits.push(...made.edits, {
      kind: 'job',
      id: job,
      patch: {
        propertyId: house,
        pointId: made.id,
        title: entry.title.trim(),
        state: 'open',
        // where there is but one end that can go in, it is known
        fixtures: bodiesOf(pointId === NEW ? (workedOn(kind ?? 'other').goesIn ?? []) : []),
        openedAt: now(),
        closedAt: null,
        note: '',
      },
    } as Edit)
    if (await edit(edits, `Job opened: ${entry.title.trim()}`)) {
      saved()
      router.replace(`/job/${job}`)
    } else setFault('The phone could not keep this. What is filled in stays here: try it again.')
  })

  const text = (name: keyof Entry, label: string, required?: string) => (
    <Controller
      control={control}
      name={name}
      rules={
        required
          ? {
              validate: (value) => value.trim() !== '' || required,
              maxLength: { value: 150, message: 'At most 150 letters.' },
            }
          : { maxLength: { value: 150, message: 'At most 150 letters.' } }
      }
      render={({ field, fieldState }) => (
        <Field
          label={label}
          value={field.value}
          onChange={(value) => {
            field.onChange(value)
            keep({})
          }}
          error={fieldState.error?.message}
        />
      )}
    />
  )

  return (
    <View role="main" className="mx-auto w-full max-w-[640px] flex-1">
      <TopBar title="Open a job" />
      <ScrollView className="flex-1 px-4" contentContainerClassName="pb-6 pt-2">
        {text('title', 'What is wrong', 'Say in a few words what is wrong.')}
        <Choice
          label="House"
          value={propertyId}
          onChange={(value) => keep({ propertyId: value, pointId: NEW })}
          options={[
            ...properties.map((property) => ({ value: property.id, label: property.fields.label })),
            { value: NEW, label: 'Another house' },
          ]}
        />
        {propertyId === NEW ? (
          <View className="mt-2">
            {text('house', 'Name of the house', 'Give the house a name.')}
            {text('street', 'Street')}
            {text('town', 'Town')}
            <Controller
              control={control}
              name="era"
              render={({ field }) => (
                <Choice
                  label="Last piped"
                  columns={3}
                  value={field.value}
                  onChange={(value) => {
                    field.onChange(value)
                    keep({})
                  }}
                  options={Object.entries(ERA_WORDS).map(([value, label]) => ({
                    value: value as Entry['era'],
                    label,
                  }))}
                />
              )}
            />
          </View>
        ) : null}
        <View className="mt-2">
          {inHouse.length > 0 ? (
            <Choice
              label="Point"
              value={pointId}
              onChange={(pointId) => keep({ pointId })}
              options={[
                ...inHouse.map((point) => ({ value: point.id, label: point.fields.name })),
                { value: NEW, label: 'Another point' },
              ]}
            />
          ) : null}
          {pointId === NEW ? (
            <>
              <View className="mt-4">
                <KindChoice
                  value={draft.kind}
                  onChange={(kind) => {
                    setUnsaid(false)
                    keep({ kind })
                  }}
                />
              </View>
              {unsaid ? (
                <Txt size="s" tone="oxide" role="alert">
                  Say what is worked on: its lines follow from it.
                </Txt>
              ) : null}
              {text('point', 'Name of the point, if it has one')}
            </>
          ) : null}
        </View>
        {fault ? (
          <Txt tone="oxide" role="alert">
            {fault}
          </Txt>
        ) : null}
      </ScrollView>
      <View className="border-t border-rule p-3">
        <Button kind="primary" label="Open the job" onPress={() => save()} />
      </View>
    </View>
  )
}
