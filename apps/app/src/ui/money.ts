import { shelf } from '../data/state'

const formats = new Map<string, Intl.NumberFormat>()

/** Money in a currency of ISO 4217, as it is written there. */
function formatOf(currency: string): Intl.NumberFormat {
  const known = formats.get(currency)
  if (known) return known
  const made = new Intl.NumberFormat('en', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' })
  formats.set(currency, made)
  return made
}

/** Currencies that a shop may count in. */
export const CURRENCIES = ['USD', 'CAD', 'EUR', 'GBP', 'AUD', 'NZD'] as const

/** Cents as money of the shop is written. */
export function money(cents: number): string {
  return formatOf(shelf.all('settings')[0]?.fields.currency ?? 'USD').format(cents / 100)
}

/** Seconds as minutes, rounded up: nobody waits half a minute less. */
export function minutes(seconds: number): string {
  const whole = Math.ceil(seconds / 60)
  return whole >= 90 ? `${Math.floor(whole / 60)} h ${whole % 60} min` : `${whole} min`
}
