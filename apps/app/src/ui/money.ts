/** Cents as money is written; the shop's currency has no sign of its own here. */
export function money(cents: number): string {
  return (cents / 100).toFixed(2)
}

/** Seconds as minutes, rounded up: nobody waits half a minute less. */
export function minutes(seconds: number): string {
  const whole = Math.ceil(seconds / 60)
  return whole >= 90 ? `${Math.floor(whole / 60)} h ${whole % 60} min` : `${whole} min`
}
