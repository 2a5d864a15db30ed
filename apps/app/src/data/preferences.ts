import { create } from 'zustand'
import type { EntityFields } from './types'

type Theme = 'system' | 'paper' | 'cabinet'
type Unit = 'in' | 'mm'
export type Measurer = EntityFields<'dimension'>['measurer']

interface Preferences {
  readonly theme: Theme
  readonly unit: Unit
  /** Finest fraction of an inch that is written and typed. */
  readonly denominator: 16 | 32
  /** What lengths are usually taken with here. */
  readonly measurer: Measurer
  /** How many work at a job. */
  readonly people: 1 | 2
  /** How large a millimetre is on this screen, at which zoom of the page; null until a card was laid on. */
  readonly gauge: { readonly pxPerMm: number; readonly ratio: number } | null
}

const PLAIN: Preferences = {
  theme: 'system',
  unit: 'in',
  denominator: 16,
  measurer: 'tape',
  people: 1,
  gauge: null,
}

const KEY = 'diarmos.preferences'

function saved(): Preferences {
  try {
    const text = localStorage.getItem(KEY)
    if (text) return { ...PLAIN, ...(JSON.parse(text) as Partial<Preferences>) }
  } catch {
    // a browser without storage starts plain
  }
  return PLAIN
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
