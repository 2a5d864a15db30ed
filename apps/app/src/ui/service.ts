import type { LineService, WaterLine } from '@diarmos/core/bodies'
import type { Tone } from './Txt'

export type { LineService }

/** How each service is written: a word and a shape, red and blue for water alone. */
export const SERVICE_LOOK: Readonly<
  Record<LineService, { readonly word: string; readonly mark: string; readonly tone: Tone }>
> = {
  hot: { word: 'Hot', mark: '▲', tone: 'hot' },
  cold: { word: 'Cold', mark: '▼', tone: 'cold' },
  spout: { word: 'Spout', mark: '◖', tone: 'ink' },
  shower: { word: 'Shower', mark: '◗', tone: 'ink' },
  spray: { word: 'Spray', mark: '◉', tone: 'ink' },
  branch: { word: 'Branch', mark: '⊢', tone: 'ink' },
  drain: { word: 'Drain', mark: '◆', tone: 'ink' },
  side: { word: 'Side', mark: '⊣', tone: 'ink' },
  vent: { word: 'Vent', mark: '○', tone: 'ink' },
}

/** Lines that bring water, the ones a fixture is mated to so far. */
export function isSupply(service: LineService): service is WaterLine {
  return service !== 'drain' && service !== 'vent' && service !== 'side'
}
