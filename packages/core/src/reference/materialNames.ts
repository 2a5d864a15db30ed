import type { PipeMaterial } from './types'

/** What each kind of pipe is called in the trade. */
export const MATERIAL_NAMES: Readonly<Record<PipeMaterial, string>> = {
  copper: 'copper tube',
  'copper-drain': 'copper drain tube',
  'copper-refrigeration': 'refrigeration copper',
  'chromed-supply': 'chromed supply tube',
  'galvanised-steel': 'galvanised steel',
  'black-steel': 'black steel',
  'sprinkler-steel': 'sprinkler steel',
  brass: 'brass pipe',
  stainless: 'stainless tube',
  'corrugated-stainless': 'corrugated gas tubing',
  lead: 'lead pipe',
  'lead-waste': 'lead waste pipe',
  cpvc: 'CPVC',
  'cpvc-sprinkler': 'sprinkler CPVC',
  'pex-a': 'PEX type A',
  'pex-b': 'PEX type B',
  'pex-c': 'PEX type C',
  'pex-aluminium': 'aluminium-layer PEX',
  polybutylene: 'polybutylene',
  polyethylene: 'polyethylene',
  'polyethylene-gas': 'gas polyethylene',
  pvc: 'PVC pressure pipe',
  'pvc-drain': 'PVC drain pipe',
  'pvc-sewer': 'PVC sewer pipe',
  'abs-drain': 'ABS drain pipe',
  'tubular-brass': 'tubular brass',
  'tubular-plastic': 'tubular plastic',
  'waste-solvent': 'solvent-weld waste pipe',
  'waste-push-fit': 'push-fit waste pipe',
  'cast-iron': 'cast iron',
  clay: 'clay pipe',
  cement: 'cement pipe',
}

/** The name of a material as the trade says it. */
export function materialName(material: PipeMaterial): string {
  return MATERIAL_NAMES[material]
}
