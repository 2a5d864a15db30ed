/**
 * A hybrid logical clock: wall time where it moves on, a count where it does not, and the device where both agree.
 * Stamps compare as text. They order edits that have no revision yet and never go back, whatever the wall clock does.
 * After S. Kulkarni et al., Logical Physical Clocks (2014).
 */
const TIME = 10
const COUNT = 4
const HIGHEST = 36 ** COUNT - 1

const pad = (value: number, width: number) => value.toString(36).padStart(width, '0')

function parts(stamp: string): readonly [ms: number, count: number] {
  const [time = '0', count = '0'] = stamp.split('-')
  return [Number.parseInt(time, 36) || 0, Number.parseInt(count, 36) || 0]
}

function write(ms: number, count: number, device: string): string {
  return `${pad(ms, TIME)}-${pad(count, COUNT)}-${device.slice(0, 8)}`
}

/** The stamp after `last`, at wall time `now` (ms), on a device. Always greater than `last`. */
export function nextStamp(last: string, now: number, device: string): string {
  const [ms, count] = parts(last)
  if (now > ms) return write(now, 0, device)
  return count < HIGHEST ? write(ms, count + 1, device) : write(ms + 1, 0, device)
}

/** The later of two stamps: what a device takes over when it hears of another's. */
export function laterStamp(a: string, b: string): string {
  return a > b ? a : b
}

/** The stamp that an edit from before there were stamps would have had. */
export function stampOf(instant: string, device: string): string {
  return write(Math.max(0, Date.parse(instant) || 0), 0, device)
}
