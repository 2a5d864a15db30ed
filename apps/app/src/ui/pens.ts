import { usePalette } from './palette'

/** What signs are drawn with: outlines, what is solid, and what the eye has to find. */
export function usePens() {
  const { ink, raised, patina } = usePalette()
  const line = {
    stroke: ink,
    strokeWidth: 1.8,
    fill: 'none',
    strokeLinejoin: 'round',
    strokeLinecap: 'round',
  } as const
  return { line, body: { ...line, fill: raised }, mark: { ...line, stroke: patina } } as const
}
export type Pens = ReturnType<typeof usePens>
