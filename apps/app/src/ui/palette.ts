import { isDark, usePreferences } from '../data/preferences'

/** The inks for drawings, which cannot use classes; the same figures as in global.css. */
const PAPER = {
  sheet: '#fbfaf5',
  raised: '#ffffff',
  ink: '#17242b',
  soft: '#47555a',
  rule: '#c4cbc4',
  patina: '#0f6658',
  amber: '#7a4c00',
  oxide: '#962b18',
  hot: '#ad1e1e',
  cold: '#16549b',
} as const

const CABINET: Record<keyof typeof PAPER, string> = {
  sheet: '#11181b',
  raised: '#192327',
  ink: '#eef1ec',
  soft: '#b2bebd',
  rule: '#3e4d52',
  patina: '#74d4bc',
  amber: '#f4c76a',
  oxide: '#ffa08a',
  hot: '#ff8f85',
  cold: '#92c7ff',
}

export type Palette = Record<keyof typeof PAPER, string>

/** The inks of the sheet that shows. */
export function usePalette(): Palette {
  const theme = usePreferences((state) => state.theme)
  return isDark(theme) ? CABINET : PAPER
}
