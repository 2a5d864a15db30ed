/**
 * Keys that a keyboard expects of tabs, radio buttons, switches and boxes, in one place: arrows go from one to the next,
 * Home and End to the ends, Space presses. Tabs and choices follow at once; in a sheet, where a choice closes it, only
 * the focus moves.
 */
const GROUPS = [
  ['[role="tablist"]', '[role="tab"]'],
  ['[role="radiogroup"]', '[role="radio"]'],
] as const
const PRESSED = '[role="tab"],[role="radio"],[role="switch"],[role="checkbox"]'

function stepOf(key: string): 'first' | 'last' | 1 | -1 | null {
  if (key === 'ArrowRight' || key === 'ArrowDown') return 1
  if (key === 'ArrowLeft' || key === 'ArrowUp') return -1
  return key === 'Home' ? 'first' : key === 'End' ? 'last' : null
}

function onKey(event: KeyboardEvent): void {
  const at = event.target as HTMLElement | null
  if (!at?.matches?.(PRESSED) || event.metaKey || event.ctrlKey || event.altKey) return
  if (event.key === ' ') {
    event.preventDefault()
    at.click()
    return
  }
  const step = stepOf(event.key)
  if (step === null) return
  for (const [group, item] of GROUPS) {
    if (!at.matches(item)) continue
    const items = [...(at.closest(group)?.querySelectorAll<HTMLElement>(item) ?? [])]
    const here = items.indexOf(at)
    const next =
      step === 'first' ? 0 : step === 'last' ? items.length - 1 : (here + step + items.length) % items.length
    if (here < 0 || !items[next]) return
    event.preventDefault()
    items[next].focus()
    if (!at.closest('[role="dialog"]')) items[next].click()
  }
}

/** Listens until it is told to stop. */
export function listenToKeys(): () => void {
  document.addEventListener('keydown', onKey)
  return () => document.removeEventListener('keydown', onKey)
}
