/** Stuffs that are cut as metal is; clay and glazed ware are hatched with them. */
const METAL: ReadonlySet<string> = new Set([
  'copper',
  'copper-drain',
  'copper-refrigeration',
  'chromed-supply',
  'brass',
  'tubular-brass',
  'stainless',
  'galvanised-steel',
  'black-steel',
  'cast-iron',
  'lead',
  'lead-waste',
  'clay',
  'braided',
])

/** By which of two directions of hatch the cut through a stuff is drawn: metal from plastic. */
export function hatchOf(material: string | undefined): 'cut-metal' | 'cut-plastic' {
  return METAL.has(material ?? '') ? 'cut-metal' : 'cut-plastic'
}
