/** A small generator with a seed (mulberry32), so that every run of a benchmark is the same run. */
export class Random {
  constructor(private state: number) {}

  /** Uniform in [0, 1). */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }

  chance(probability: number): boolean {
    return this.next() < probability
  }

  /** Standard normal (Box and Muller). */
  normal(): number {
    const u = Math.max(this.next(), 1e-12)
    return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * this.next())
  }

  pick<T>(values: readonly T[]): T {
    return values[Math.floor(this.next() * values.length)] as T
  }

  /** One of several, by weights that need not sum to 1. */
  weighted<T>(entries: readonly (readonly [T, number])[]): T {
    let left = this.next() * entries.reduce((sum, [, weight]) => sum + weight, 0)
    for (const [value, weight] of entries) {
      left -= weight
      if (left < 0) return value
    }
    return (entries.at(-1) as readonly [T, number])[0]
  }
}
