import { useLocalSearchParams } from 'expo-router'
import { HousePage } from '../../../houses/HousePage'

export default function HouseRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <HousePage propertyId={id} />
}
