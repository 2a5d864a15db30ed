import { type ReactNode, useState } from 'react'
import { View } from 'react-native'
import { Button } from './Button'

interface Props {
  /** The question that opens it, and what it is called once it is open. */
  readonly closed: string
  readonly open: string
  /** Something is known of it already. */
  readonly known: boolean
  readonly children: ReactNode
}

/** What is asked only where it matters: folded until someone opens it, open where something was said before. */
export function Unfold({ closed, open, known, children }: Props) {
  const [shown, setShown] = useState(known)
  return (
    <View className="mt-3">
      <Button kind="quiet" label={shown ? `− ${open}` : closed} onPress={() => setShown(!shown)} />
      {shown ? children : null}
    </View>
  )
}
