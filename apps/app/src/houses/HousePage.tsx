import { screenText } from '@diarmos/core/words/counts'
import { METHOD_WORDS } from '@diarmos/core/words/fixtures'
import { router } from 'expo-router'
import { ScrollView, View } from 'react-native'
import { newest, useDoc, useDocs, useDocsOf } from '../data/select'
import { type Edit, edit } from '../data/store'
import type { Doc } from '../data/types'
import { Button } from '../ui/Button'
import { LinkTo } from '../ui/LinkTo'
import { RenameSheet } from '../ui/RenameSheet'
import { SERVICE_LOOK } from '../ui/service'
import { TopBar } from '../ui/TopBar'
import { Txt } from '../ui/Txt'
import { useSheet } from '../ui/useSheet'
import { DuePart } from './DuePart'
import { HouseOut } from './HouseOut'
import { PointWall } from './PointWall'
import { WaterPart } from './WaterPart'

function LineMemory({ line }: { line: Doc<'line'> }) {
  const finding = newest(useDocsOf('finding', 'lineId', line.id))
  const mating = newest(useDocsOf('mating', 'lineId', line.id))
  const { service } = line.fields
  const first = mating?.fields.option.joints[0]
  return (
    <View className="flex-row gap-3 py-1">
      <Txt bold tone={SERVICE_LOOK[service].tone} className="w-[80px]">
        {SERVICE_LOOK[service].mark} {SERVICE_LOOK[service].word}
      </Txt>
      <View className="flex-1">
        {finding ? (
          <Txt>
            {finding.fields.name}, found {finding.fields.foundAt.slice(0, 10)},{' '}
            {Math.round(finding.fields.probability * 100)} in 100
          </Txt>
        ) : (
          <Txt tone="soft">not known yet</Txt>
        )}
        {first ? (
          <Txt size="s" tone="soft">
            {METHOD_WORDS[first.method]} onto {mating?.fields.option.parts[0]?.name},{' '}
            {mating?.fields.chosenAt.slice(0, 10)}
          </Txt>
        ) : null}
      </View>
    </View>
  )
}

/** Whether a job works at a point. */
const worksAt = ({ fields: { pointId, more } }: Doc<'job'>, at: string) =>
  pointId === at || (more ?? []).some((entry) => entry.pointId === at)

/** What is inside this house's walls, as far as anyone has looked. */
export function HousePage({ propertyId }: { propertyId: string }) {
  const property = useDoc('property', propertyId)
  const points = useDocsOf('point', 'propertyId', propertyId)
  const lines = useDocs('line')
  const contacts = useDocsOf('contact', 'propertyId', propertyId)
  const jobs = useDocsOf('job', 'propertyId', propertyId)
  const open = jobs.filter((job) => job.fields.state === 'open').length
  const [renamed, rename] = useSheet<string>('rename')
  const here = points.find((point) => point.id === renamed)
  const lastJobAt = (pointId: string) =>
    jobs
      .filter((job) => worksAt(job, pointId))
      .sort((a, b) => (a.fields.openedAt < b.fields.openedAt ? -1 : 1))
      .at(-1)?.id
  const renaming = here
    ? ({ kind: 'point', id: here.id, name: here.fields.name } as const)
    : property && renamed === property.id
      ? ({ kind: 'property', id: property.id, name: property.fields.label } as const)
      : null
  if (!property)
    return (
      <View className="flex-1">
        <TopBar bare title="No such house" />
        <Txt className="p-4">This house is not on the phone.</Txt>
      </View>
    )
  return (
    <View className="mx-auto w-full max-w-[860px] flex-1">
      <TopBar
        bare
        title={property.fields.label}
        detail={[property.fields.street, property.fields.town].filter(Boolean).join(', ')}
      />
      <ScrollView className="flex-1 px-4" contentContainerClassName="pb-6">
        <View className="flex-row flex-wrap gap-2 pt-2">
          <Button label="Rename" hint="the house" onPress={() => rename(property.id)} />
          <Button
            kind="danger"
            label="Remove the house"
            disabled={open > 0}
            onPress={async () => {
              await edit(
                [{ kind: 'property', id: property.id, remove: true } as Edit],
                `Removed: ${property.fields.label}`,
              )
              router.replace('/houses')
            }}
          />
        </View>
        <Txt size="s" tone="soft">
          {open > 0
            ? screenText('house.open-jobs', { jobs: open })
            : 'Its points, jobs and contact go along; for thirty days all of it can be taken back.'}
        </Txt>
        {property.fields.note ? <Txt className="py-2">{property.fields.note}</Txt> : null}
        <WaterPart property={property} />
        {contacts.map((contact) => (
          <View key={contact.id} className="min-h-[52px] flex-row items-center border-b border-rule">
            <View className="flex-1">
              <Txt>{contact.fields.name}</Txt>
              <Txt size="s" tone="soft">
                {[contact.fields.phone, contact.fields.email].filter(Boolean).join(' · ')}
              </Txt>
            </View>
            <Button
              kind="quiet"
              label="Erase"
              hint={`the contact ${contact.fields.name}`}
              onPress={() =>
                void edit([{ kind: 'contact', id: contact.id, remove: true } as Edit], 'Contact erased')
              }
            />
          </View>
        ))}
        <DuePart propertyId={property.id} />
        {points.map((point) => (
          <View key={point.id} className="border-b border-rule py-3">
            <View className="flex-row items-center">
              <Txt bold size="l" heading={2} className="flex-1">
                {point.fields.name}
              </Txt>
              <Button kind="quiet" label="Rename" hint={point.fields.name} onPress={() => rename(point.id)} />
            </View>
            {lastJobAt(point.id) ? (
              <PointWall jobId={lastJobAt(point.id) ?? ''} pointId={point.id} name={point.fields.name} />
            ) : null}
            {lines
              .filter((line) => line.fields.pointId === point.id)
              .sort((a, b) => (a.fields.service > b.fields.service ? -1 : 1))
              .map((line) => (
                <LineMemory key={line.id} line={line} />
              ))}
            {jobs
              .filter((job) => worksAt(job, point.id))
              .map((job) => (
                <LinkTo
                  key={job.id}
                  href={`/job/${job.id}`}
                  label={job.fields.title}
                  className="min-h-[48px] justify-center active:opacity-70"
                >
                  <Txt tone="patina" bold>
                    {job.fields.title} ({job.fields.openedAt.slice(0, 10)}
                    {job.fields.state === 'closed' ? ', closed' : ''})
                  </Txt>
                </LinkTo>
              ))}
          </View>
        ))}
        <HouseOut propertyId={property.id} name={property.fields.label} />
      </ScrollView>
      {renaming ? (
        <RenameSheet
          title={`Rename: ${renaming.name}`}
          label="Name"
          value={renaming.name}
          onSave={(name) =>
            edit(
              [
                {
                  kind: renaming.kind,
                  id: renaming.id,
                  patch: renaming.kind === 'property' ? { label: name } : { name },
                } as Edit,
              ],
              `Renamed: ${name}`,
            )
          }
          onClose={() => rename(null)}
        />
      ) : null}
    </View>
  )
}
