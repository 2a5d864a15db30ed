import { type Href, router } from 'expo-router'
import type { ReactNode } from 'react'
import { type GestureResponderEvent, Pressable } from 'react-native'

interface Props {
  href: string
  label: string
  current?: boolean
  className?: string
  children: ReactNode
}

/** A real link: it has an address, opens in another tab where it is asked to, and goes there at once otherwise. */
export function LinkTo({ href, label, current = false, className = '', children }: Props) {
  const go = (event: GestureResponderEvent) => {
    // on the web a press is the browser's own event, which the native type does not know
    const { metaKey, ctrlKey, shiftKey, button } = event.nativeEvent as unknown as MouseEvent
    if (metaKey || ctrlKey || shiftKey || (button ?? 0) > 0) return
    event.preventDefault()
    router.navigate(href as Href)
  }
  return (
    <Pressable
      {...({ href } as object)}
      role="link"
      aria-label={label}
      aria-current={current ? 'page' : undefined}
      onPress={go}
      className={className}
    >
      {children}
    </Pressable>
  )
}
