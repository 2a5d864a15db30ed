import { useLocalSearchParams } from 'expo-router'
import { JobPage } from '../../job/JobPage'

export default function JobRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <JobPage key={id} jobId={id} />
}
