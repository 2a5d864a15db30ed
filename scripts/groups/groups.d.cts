/** Each group's name with its files, from the root. */
export function groups(): Map<string, string[]>
/** Reads a group's files into the world that calls, each under its own name. */
export function collect(name: string): void
