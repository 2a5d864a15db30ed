import { ScrollView } from 'react-native'
import { useDocs } from '../data/select'
import { ERA_WORDS } from '../job/eras'
import { LinkTo } from '../ui/LinkTo'
import { Txt } from '../ui/Txt'
import { useTitle } from '../ui/title'

/** Every house the shop knows. */
export function HouseList() {
  useTitle('Houses')
  const properties = useDocs('property')
  const points = useDocs('point')
  return (
    <ScrollView className="mx-auto w-full max-w-[860px] flex-1">
      <Txt bold size="xl" heading={1} className="px-4 pb-1 pt-4">
        Houses
      </Txt>
      {properties.length === 0 ? (
        <Txt tone="soft" className="px-4">
          No house yet: the first one comes with the first job.
        </Txt>
      ) : null}
      {properties.map((property) => (
        <LinkTo
          key={property.id}
          href={`/houses/${property.id}`}
          label={property.fields.label}
          className="min-h-[72px] border-b border-rule px-4 py-3 active:bg-patina-wash"
        >
          <Txt bold size="l">
            {property.fields.label}
          </Txt>
          <Txt size="s" tone="soft">
            {[property.fields.street, property.fields.town].filter(Boolean).join(', ')} · piped{' '}
            {ERA_WORDS[property.fields.era]} ·{' '}
            {points.filter((point) => point.fields.propertyId === property.id).length} points
          </Txt>
        </LinkTo>
      ))}
    </ScrollView>
  )
}
