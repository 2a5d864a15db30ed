import { useLocalSearchParams } from 'expo-router'
import { later } from '../../ui/later'

const JobPage = later(async () => (await import('../../work')).JobPage)

export default function JobRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <JobPage key={id} jobId={id} />
}
