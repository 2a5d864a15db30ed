import type { ReactNode } from 'react'
import { View } from 'react-native'
import { useData } from '../data/store'
import { Txt } from './Txt'

/** Where a list is empty: what that means, once the phone's store is read and the shop has been heard. */
export function NoneYet({ of, children }: { of: string; children: ReactNode }) {
  const loaded = useData((state) => state.loaded)
  const heard = useData((state) => state.heard)
  const online = useData((state) => state.online)
  return (
    <View className="flex-1 px-4 py-8" role="status">
      {loaded && heard ? (
        children
      ) : (
        <Txt tone="soft">
          {online || !loaded
            ? `Fetching the shop’s ${of}.`
            : `No network yet: the shop’s ${of} have not come to this phone.`}
        </Txt>
      )}
    </View>
  )
}
