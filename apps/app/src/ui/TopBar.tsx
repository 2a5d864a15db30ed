import { router } from 'expo-router'
import ChevronLeft from 'lucide-react-native/icons/chevron-left'
import type { ReactNode } from 'react'
import { Pressable, View } from 'react-native'
import { usePalette } from './palette'
import { SyncState, ThemeButton } from './StatusLine'
import { Txt } from './Txt'
import { useTitle } from './title'
import { UndoButton } from './UndoButton'

interface Props {
  title: string
  detail?: string
  children?: ReactNode
  /** Below a status line that has undo, theme and server already. */
  bare?: boolean
}

/** Where we are, and the way back. */
export function TopBar({ title, detail, children, bare = false }: Props) {
  const palette = usePalette()
  useTitle(title)
  return (
    <View className="min-h-[52px] flex-row items-center border-b border-rule">
      <Pressable
        role="button"
        aria-label="Back"
        onPress={() => (router.canGoBack() ? router.back() : router.replace('/'))}
        className="h-12 w-12 items-center justify-center"
      >
        <ChevronLeft size={28} color={palette.ink} />
      </Pressable>
      <View className="flex-1">
        <Txt bold heading={1} numberOfLines={1}>
          {title}
        </Txt>
        {detail ? (
          <Txt size="s" tone="soft" numberOfLines={1}>
            {detail}
          </Txt>
        ) : null}
        {bare ? null : <SyncState />}
      </View>
      {children}
      {bare ? null : <UndoButton />}
      {bare ? null : <ThemeButton />}
    </View>
  )
}
