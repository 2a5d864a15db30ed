import { type ReactNode, startTransition, useEffect, useRef, useState } from 'react'
import { View } from 'react-native'
import type { Stage } from '../data/select'
import { STAGE_WORDS } from './StageRule'

/**
 * Where a stage is shown. What was pressed to come here may have gone with the stage before: then the keyboard and the
 * screen reader go on where the new one begins.
 */
export function StagePanel({ shown, children }: { readonly shown: Stage; readonly children: ReactNode }) {
  const panel = useRef<View>(null)
  const before = useRef(shown)
  // the stage before goes at once, the next is drawn in small steps: neither keeps a touch waiting
  const [drawn, setDrawn] = useState<Stage | null>(null)
  useEffect(() => startTransition(() => setDrawn(shown)), [shown])
  useEffect(() => {
    if (before.current === shown) return
    before.current = shown
    const at = document.activeElement
    if (at === null || at === document.body)
      // on the web a view is an element, and can hold the focus
      (panel.current as unknown as HTMLElement | null)?.focus({ preventScroll: true })
  }, [shown])
  return (
    <View
      ref={panel}
      role={'tabpanel' as never}
      aria-label={STAGE_WORDS[shown]}
      tabIndex={-1}
      className="flex-1"
      testID="stage-panel"
    >
      {drawn === shown ? children : null}
    </View>
  )
}
