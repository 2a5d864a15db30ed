import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Fonts } from '@diarmos/sheet'

const FACE = '@expo-google-fonts/atkinson-hyperlegible-next'
let loaded: Fonts | null = null

/** The letters of the sheets, those of the screens: read once, from the package that ships them. */
export function fonts(): Fonts {
  const { resolve } = createRequire(import.meta.url)
  const face = (style: string) =>
    new Uint8Array(readFileSync(resolve(`${FACE}/${style}/AtkinsonHyperlegibleNext_${style}.ttf`)))
  loaded ??= { regular: face('400Regular'), bold: face('700Bold') }
  return loaded
}
