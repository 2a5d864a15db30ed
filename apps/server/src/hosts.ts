import { networkInterfaces } from 'node:os'

/**
 * Hosts that a server answers for: its own names on the port it listens on, and the address that was configured.
 * Listening everywhere, those are the machine's own addresses as numbers: no name of somebody else's points here.
 */
export function hostsOf(listensOn: string, port: number, address: string | undefined): ReadonlySet<string> {
  const everywhere = listensOn === '0.0.0.0' || listensOn === '::'
  const numbers = everywhere
    ? Object.values(networkInterfaces()).flatMap((list) => (list ?? []).map((entry) => entry.address))
    : [listensOn]
  const names = ['localhost', '127.0.0.1', '::1', ...numbers].map((name) =>
    name.includes(':') ? `[${name}]` : name,
  )
  const hosts = names.flatMap((name) => (port === 80 ? [name, `${name}:80`] : [`${name}:${port}`]))
  return new Set(address ? [...hosts, new URL(address).host] : hosts)
}
