/** Codes of PostgreSQL and of the network that say: the database is not there, or not yet. */
const CODES = /^(08...|57P0[1-4]|53300|ECONN(REFUSED|RESET|ABORTED)|EPIPE|ETIMEDOUT)$/
const WORDS =
  /Connection terminated|timeout exceeded when trying to connect|not connected|connection (is )?closed|already released/i

/** Whether an error means that the database does not answer: then it is worth coming again. */
export function isAway(error: unknown): boolean {
  for (let held = error as { code?: unknown; message?: unknown; driverError?: unknown } | undefined; held; ) {
    if (CODES.test(String(held.code ?? '')) || WORDS.test(String(held.message ?? ''))) return true
    held = held.driverError as typeof held
  }
  return false
}
