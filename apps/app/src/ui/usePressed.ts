import { startTransition, useEffect, useState } from 'react'

/**
 * A choice that is answered at once, where what follows from it takes its time: what was touched shows as chosen
 * straight away, and the page turns behind it without holding up the next touch.
 */
export function usePressed<Value>(
  shown: Value,
  onShow: (value: Value) => void,
): readonly [here: Value, press: (value: Value) => void] {
  const [pressed, setPressed] = useState<{ readonly value: Value; readonly over: Value } | null>(null)
  // once the page has turned, it says itself where it is
  useEffect(() => {
    setPressed((held) => (held && held.over !== shown ? null : held))
  }, [shown])
  const press = (value: Value) => {
    setPressed(value === shown ? null : { value, over: shown })
    startTransition(() => onShow(value))
  }
  return [pressed && pressed.over === shown ? pressed.value : shown, press]
}
