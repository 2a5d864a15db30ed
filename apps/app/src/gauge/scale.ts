import { CARD_MM } from '@diarmos/core/units'
import { prefer, usePreferences } from '../data/preferences'

/** Screens are no coarser and no finer than this, pixels of the page to the millimetre. */
const LEAST = 2
const MOST = 16

/** The page's own zoom: with another, what was calibrated no longer holds. */
export const ratio = (): number => (typeof devicePixelRatio === 'number' ? devicePixelRatio : 1)

/** A first guess before the card is laid on, pixels to the millimetre: a phone as they mostly are, else the page's 96 to the inch. */
export const guess = (): number => (window.innerWidth < 600 ? 5.6 : 96 / 25.4)

/** Pixels to the millimetre on this device; null until it was calibrated, or where the page is zoomed otherwise. */
export function useScale(): number | null {
  const gauge = usePreferences((state) => state.gauge)
  return gauge && Math.abs(gauge.ratio - ratio()) < 0.01 ? gauge.pxPerMm : null
}

/** Keeps how wide the card was on the screen. */
export function calibrate(cardPx: number): void {
  const pxPerMm = Math.min(MOST, Math.max(LEAST, cardPx / CARD_MM.short))
  prefer({ gauge: { pxPerMm, ratio: ratio() } })
}
