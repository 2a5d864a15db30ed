import { useState } from 'react'
import { Note } from './Note'

/** Hands something over, and says what was in the way where it could not be made. */
export function useHandOver(title: string) {
  const [fault, setFault] = useState<string | null>(null)
  const hand = async (make: () => Promise<void>) => {
    setFault(null)
    await make().catch((error: Error) => setFault(error.message))
  }
  const said = fault ? (
    <Note kind="caution" title={title}>
      {fault}
    </Note>
  ) : null
  return [hand, said] as const
}
