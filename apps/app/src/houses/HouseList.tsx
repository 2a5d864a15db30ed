import { screenText } from '@diarmos/core/words/counts'
import { View } from 'react-native'
import { useDocs, useDocsOf } from '../data/select'
import type { Doc } from '../data/types'
import { ERA_WORDS } from '../job/eras'
import { LinkTo } from '../ui/LinkTo'
import { NoneYet } from '../ui/NoneYet'
import { Txt } from '../ui/Txt'
import { useTitle } from '../ui/title'
import { VirtualList } from '../ui/VirtualList'
import { RemovedLately } from './RemovedLately'
import { TakeIn } from './TakeIn'

function HouseRow({ property }: { property: Doc<'property'> }) {
  const points = useDocsOf('point', 'propertyId', property.id)
  return (
    <LinkTo
      href={`/houses/${property.id}`}
      label={property.fields.label}
      className="min-h-[72px] border-b border-rule px-4 py-3 active:bg-patina-wash"
    >
      <Txt bold size="l">
        {property.fields.label}
      </Txt>
      <Txt size="s" tone="soft">
        {[property.fields.street, property.fields.town].filter(Boolean).join(', ')} · piped{' '}
        {ERA_WORDS[property.fields.era]} · {screenText('house.points', { points: points.length })}
      </Txt>
    </LinkTo>
  )
}

const row = (property: Doc<'property'>) => <HouseRow property={property} />

/** Every house the shop knows. */
export function HouseList() {
  useTitle('Houses')
  const properties = useDocs('property')
  return (
    <View className="mx-auto w-full max-w-[860px] flex-1">
      <Txt bold size="xl" heading={1} className="px-4 pb-1 pt-4">
        Houses
      </Txt>
      {properties.length === 0 ? (
        <NoneYet of="houses">
          <Txt tone="soft">No house yet: the first one comes with the first job.</Txt>
        </NoneYet>
      ) : (
        <VirtualList rows={properties} render={row} />
      )}
      <View className="px-4">
        <TakeIn />
      </View>
      <RemovedLately />
    </View>
  )
}
