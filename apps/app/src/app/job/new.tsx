import { lazy, Suspense } from 'react'

const NewJob = lazy(() => import('../../forms').then((module) => ({ default: module.NewJob })))

export default function NewJobRoute() {
  return (
    <Suspense fallback={null}>
      <NewJob />
    </Suspense>
  )
}
