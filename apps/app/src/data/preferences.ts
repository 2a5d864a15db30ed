import { create } from 'zustand'

type Theme = 'system' | 'paper' | 'cabinet'
type Unit = 'in' | 'mm'

interface Preferences {
  readonly theme: Theme
  readonly unit: Unit
}

const KEY = 'diarmos.preferences'

function saved(): Preferences {
  try {
    const text = localStorage.getItem(KEY)
    if (text) return { theme: 'system', unit: 'in', ...(JSON.parse(text) as Partial<Preferences>) }
  } catch {
    // a browser without storage starts plain
  }
  return { theme: 'system', unit: 'in' }
}

/** How this phone likes to be read. */
export const usePreferences = create<Preferences>(saved)

function systemDark(): boolean {
  return typeof matchMedia === 'function' && matchMedia('(prefers-color-scheme: dark)').matches
}

/** True where the dark sheet shows. */
export function isDark(theme: Theme): boolean {
  return theme === 'cabinet' || (theme === 'system' && systemDark())
}

/** Puts the theme on the page; call again when it or the system's changes. */
export function showTheme(): void {
  document.documentElement.classList.toggle('dark', isDark(usePreferences.getState().theme))
}

export function prefer(patch: Partial<Preferences>): void {
  usePreferences.setState(patch)
  localStorage.setItem(KEY, JSON.stringify(usePreferences.getState()))
  showTheme()
}

export function toggleTheme(): void {
  prefer({ theme: isDark(usePreferences.getState().theme) ? 'paper' : 'cabinet' })
}
