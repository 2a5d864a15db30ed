import type { ReactNode } from 'react'
import { ScrollView, View } from 'react-native'

/** What a stage shows, and its actions in reach of the thumb. */
export function StageFrame({ children, actions }: { children: ReactNode; actions?: ReactNode }) {
  return (
    <View className="flex-1">
      <ScrollView className="flex-1 px-4" contentContainerClassName="pb-5 pt-2" testID="stage">
        {children}
      </ScrollView>
      {actions ? <View className="gap-2 border-t border-rule bg-sheet p-3">{actions}</View> : null}
    </View>
  )
}
