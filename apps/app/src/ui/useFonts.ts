import regular from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf'
import bold from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf'
import { useEffect, useState } from 'react'

/** Where the letters lie that are shipped. */
export const LETTERS = { regular, bold }
const FACES: Record<string, string> = { Hyperlegible: regular, HyperlegibleBold: bold }

/**
 * Loads the fonts that are shipped, by the browser's own font loading.
 * @returns true once the letters may be shown, also where a font could not be had: then the fallback serves
 */
export function useFonts(): boolean {
  const [settled, setSettled] = useState(false)
  useEffect(() => {
    const faces = Object.entries(FACES).map(([name, url]) => new FontFace(name, `url("${url}")`))
    for (const face of faces) document.fonts.add(face)
    void Promise.allSettled(faces.map((face) => face.load())).then(() => setSettled(true))
  }, [])
  return settled
}
