import type { ReactNode } from 'react'
import { Modal, Pressable, ScrollView, View } from 'react-native'
import { CloseButton } from './CloseButton'
import { Txt } from './Txt'
import { useBackCloses } from './useBackCloses'
import { useEscapeCloses } from './useEscapeCloses'

interface Props {
  title: string
  onClose: () => void
  children: ReactNode
  /** For tables, on the wide view. */
  wide?: boolean
}

/** Something asked from below, in reach of the thumb. Escape and the cross close it. */
export function SheetModal({ title, onClose, children, wide = false }: Props) {
  useBackCloses(onClose)
  useEscapeCloses(onClose)
  return (
    <Modal transparent visible animationType="none" onRequestClose={onClose} aria-label={title}>
      <View className="flex-1 items-center justify-end bg-black/50">
        <Pressable className="w-full flex-1" onPress={onClose} aria-hidden tabIndex={-1} />
        <View
          className={`max-h-[88%] w-full rounded-t-[10px] ${wide ? 'max-w-[1080px]' : 'max-w-[560px]'} border-t-2 border-patina bg-sheet px-4 pb-6 pt-2`}
        >
          <View className="mb-1 flex-row items-center justify-between">
            <Txt bold size="l" heading={2} className="flex-1">
              {title}
            </Txt>
            <CloseButton onPress={onClose} />
          </View>
          {/* what is longer than the screen must scroll by keyboard too, also where nothing in it can be pressed */}
          <ScrollView tabIndex={0}>{children}</ScrollView>
        </View>
      </View>
    </Modal>
  )
}
