const SOFT: readonly string[] = ['pex-a', 'pex-b', 'pex-c', 'pex-aluminium', 'polybutylene', 'polyethylene']

/** Tube that a ring would squeeze: it gets an insert. Common practice. */
export function isSoftTube(material: string): boolean {
  return SOFT.includes(material)
}
