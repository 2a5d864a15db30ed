import type { EndRef } from '@diarmos/core'
import type { EntityFields } from './types'

/**
 * The end that a chosen way leaves open for another line: a tee's branch or its second side, a stop's second outlet;
 * null where none.
 */
export function leftOpen(option: EntityFields<'mating'>['option'], second = false): EndRef | null {
  for (const part of option.parts) {
    // the run is a part's first two ends
    const port = part.made?.ports[second ? 3 : 2]
    if (!port) continue
    const { form, system, nominal, material } = port
    return { form, system, nominal, material } as EndRef
  }
  return null
}

/** The same in one line, for what rests on it. */
export function openId(end: EndRef): string {
  return `open ${Object.values(end).join(' ')}`
}
