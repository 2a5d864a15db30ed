import { act, fireEvent } from '@testing-library/react'
import { useData } from '../data/store'

/** What is asked from below at the moment. @throws Error where nothing is */
export function dialog(): HTMLElement {
  const open = document.querySelector<HTMLElement>('[role="dialog"]')
  if (!open) throw new Error('nothing is asked')
  return open
}

/**
 * What has that role and that name, by label or by text. (Searching by role as the library does takes seconds
 * on a whole page.)
 */
export function all(role: string, name: string | RegExp, root: HTMLElement = document.body): HTMLElement[] {
  const named = (element: Element) => element.getAttribute('aria-label') ?? element.textContent ?? ''
  return [...root.querySelectorAll<HTMLElement>(`[role="${role}"]`)].filter((element) =>
    typeof name === 'string' ? named(element) === name : name.test(named(element)),
  )
}

/** The first of them. @throws Error where there is none */
export function one(role: string, name: string | RegExp, root?: HTMLElement): HTMLElement {
  const found = all(role, name, root)[0]
  if (!found) throw new Error(`no ${role} named ${name}`)
  return found
}

/** Turns of the loop without a change after which everything that was begun is taken to be done. */
const QUIET = 25

/** Waits until the phone has kept, and the page shows, what was begun. Counts turns of the loop, not time. */
export async function settled(): Promise<void> {
  let before = useData.getState()
  for (let quiet = 0; quiet < QUIET; quiet++) {
    await act(() => new Promise((resolve) => setTimeout(resolve, 0)))
    const after = useData.getState()
    if (after !== before) quiet = 0
    before = after
  }
}

/** Presses something, and waits until what follows from it is done. */
export async function press(element: HTMLElement): Promise<void> {
  fireEvent.click(element)
  await settled()
}

/** Writes into the field of that label. */
export async function write(label: string | RegExp, text: string): Promise<void> {
  const found = [...document.querySelectorAll<HTMLInputElement>('input, textarea')].find((field) => {
    const name = field.getAttribute('aria-label') ?? ''
    return typeof label === 'string' ? name === label : label.test(name)
  })
  if (!found) throw new Error(`no field named ${label}`)
  await act(async () => {
    fireEvent.change(found, { target: { value: text } })
  })
}
