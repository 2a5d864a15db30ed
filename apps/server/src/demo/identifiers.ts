import { createHash } from 'node:crypto'

/** The same name gives the same id, so that the demo can be loaded twice without doubling. */
export function demoId(name: string): string {
  const bytes = createHash('sha256').update(`diarmos demo ${name}`).digest().subarray(0, 16)
  bytes[6] = ((bytes[6] as number) & 0x0f) | 0x80
  bytes[8] = ((bytes[8] as number) & 0x3f) | 0x80
  const hex = bytes.toString('hex')
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-')
}
