import { RateLimiterMemory } from 'rate-limiter-flexible'

const QUARTER_HOUR = 900
const MONTH_MS = 30 * 86_400_000
const MOST_KNOWN = 10_000

/**
 * How often sign-in may be tried: by account and place, by place, and by account over all places. An account that has
 * signed in from a place before is not held back there by what others try elsewhere: nobody locks a colleague out.
 */
export class SignInLimits {
  private readonly both: RateLimiterMemory
  private readonly place: RateLimiterMemory
  private readonly account: RateLimiterMemory
  private readonly known = new Map<string, number>()

  /** @param attempts for one account from one place, in a quarter of an hour */
  constructor(attempts: number) {
    const limiter = (points: number, keyPrefix: string) =>
      new RateLimiterMemory({ points, duration: QUARTER_HOUR, keyPrefix })
    this.both = limiter(attempts, 'both')
    this.place = limiter(attempts * 6, 'place')
    this.account = limiter(attempts * 10, 'account')
  }

  /** Counts an attempt; seconds to wait where there were too many, else null. */
  async attempt(account: string, place: string): Promise<number | null> {
    const key = `${place} ${account}`
    const trusted = (this.known.get(key) ?? 0) > Date.now()
    try {
      await this.both.consume(key)
      if (!trusted) {
        await this.place.consume(place)
        await this.account.consume(account)
      }
      return null
    } catch (error) {
      const { msBeforeNext } = error as { msBeforeNext?: number }
      if (msBeforeNext === undefined) throw error
      return Math.max(1, Math.ceil(msBeforeNext / 1000))
    }
  }

  /** Right word, right place: neither what was mistyped here nor what others try counts against it any more. */
  async succeeded(account: string, place: string): Promise<void> {
    const key = `${place} ${account}`
    if (this.known.size >= MOST_KNOWN) this.known.delete(this.known.keys().next().value as string)
    this.known.set(key, Date.now() + MONTH_MS)
    await this.both.delete(key)
  }
}
