import { router } from 'expo-router'
import { Pressable, ScrollView } from 'react-native'
import { useDocs } from '../data/select'
import { ERA_WORDS } from '../job/eras'
import { Txt } from '../ui/Txt'

/** Every house the shop knows. */
export function HouseList() {
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
        <Pressable
          key={property.id}
          role="link"
          aria-label={property.fields.label}
          onPress={() => router.navigate(`/houses/${property.id}`)}
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
        </Pressable>
      ))}
    </ScrollView>
  )
}
