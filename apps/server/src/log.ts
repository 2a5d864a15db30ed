import pino from 'pino'

export type Log = pino.Logger

/** Structured log. Never given names, addresses, bodies or cookies. */
export function makeLog(level: string): Log {
  return pino({ level, base: null })
}
