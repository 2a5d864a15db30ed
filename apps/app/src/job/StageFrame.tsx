import type { ReactNode } from 'react'
import { ScrollView, View } from 'react-native'
import { useLow } from '../ui/useWide'

/** What a stage shows, and its actions in reach of the thumb; on a low screen they come at the end of what scrolls. */
export function StageFrame({ children, actions }: { children: ReactNode; actions?: ReactNode }) {
  const low = useLow()
  return (
    <View className="flex-1">
      <ScrollView className="flex-1 px-4" contentContainerClassName="pb-5 pt-2" testID="stage">
        {children}
        {actions && low ? <View className="gap-2 border-t border-rule pt-3">{actions}</View> : null}
      </ScrollView>
      {actions && !low ? <View className="gap-2 border-t border-rule bg-sheet p-3">{actions}</View> : null}
    </View>
  )
}
