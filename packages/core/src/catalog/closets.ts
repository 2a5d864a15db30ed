import type { Source } from '../reference/source'
import type { PipeMaterial } from '../reference/types'
import { inline } from './build'
import { end, type PortEnd } from './ends'
import { DRAIN_PLASTICS } from './solventFittings'
import type { Fitting } from './types'

const IN = 25.4

const FLANGE_SHEET: Source = {
  title: 'ASME A112.4.3 closet flanges; plate and hub typical of the kind',
  certainty: "maker's sheet",
}

/** How thick a flange is that lies on the floor, mm. */
export const FLANGE_MM = 0.25 * IN

/** Every bowl stands on the same flange: it is called by the four inches it is made round. */
const flange = (form: 'closet-flange' | 'old-flange', material: PortEnd['material']) =>
  end(form, 'IPS', '4', material)

/** A flange with what it goes over or into; its top lies its own thickness over the floor. */
const onFloor = (
  { id, name, ...part }: Pick<Fitting, 'id' | 'name'> & { material: PipeMaterial; a: PortEnd },
  stands: { layingMm: number; shiftMm?: number } = { layingMm: FLANGE_MM },
): Fitting =>
  inline({
    ...part,
    ...stands,
    id: `flange.${id}`,
    family: 'closet-flange',
    name: `closet flange, ${name}`,
    heatSensitive: true,
    b: flange('closet-flange', part.material),
    source: FLANGE_SHEET,
  })

/** Where a flange is cemented: over pipe, or inside it. */
const GRIPS = [
  ['over.3', 'over 3 in pipe', 'drain-socket', '3'],
  ['over.4', 'over 4 in pipe', 'drain-socket', '4'],
  ['inside.4', 'inside 4 in pipe', 'pipe-inside', '4'],
] as const

function cemented(): Fitting[] {
  return DRAIN_PLASTICS.flatMap(([material, key, word]) =>
    GRIPS.map(([grip, said, form, size]) =>
      onFloor({
        id: `${key}.${grip}`,
        name: `${word}, ${said}, ring that turns`,
        material,
        a: end(form, 'IPS', size, material),
      }),
    ),
  )
}

/** How far an offset flange moves the middle, mm. Typical of the kind. */
export const OFFSET_FLANGE_MM = 1.5 * IN
/** From the end of the pipe in its hub up to its top: the throat slants between them, mm. */
const THROAT_MM = 2 * IN

/** Flanges that stand aside of their pipe, for a bowl that would come too near its wall. */
function offset(): Fitting[] {
  return DRAIN_PLASTICS.flatMap(([material, key, word]) =>
    GRIPS.map(([grip, said, form, size]) =>
      onFloor(
        {
          id: `${key}.offset.${grip}`,
          name: `offset 1-1/2 in, ${word}, ${said}`,
          material,
          a: end(form, 'IPS', size, material),
        },
        { layingMm: THROAT_MM, shiftMm: OFFSET_FLANGE_MM },
      ),
    ),
  )
}

/** Flanges that seal on rubber inside the pipe: tightened from above, or twisted in. */
function gasketed(): Fitting[] {
  return [
    ...(['hubless', 'service', 'heavy'] as const).map((system) =>
      onFloor({
        id: `gasket.${system}.4`,
        name: `gasket tightened inside 4 in ${system} iron`,
        material: 'pvc-drain',
        a: end('bore-gasket', system, '4', 'cast-iron'),
      }),
    ),
    ...(
      [
        ['IPS', '3', 'pvc-drain', 'plastic'],
        ['IPS', '4', 'pvc-drain', 'plastic'],
        ['hubless', '4', 'cast-iron', 'hubless iron'],
        ['service', '4', 'cast-iron', 'service-weight iron'],
      ] as const
    ).map(([system, size, material, word]) =>
      onFloor({
        id: `twist.${system}.${size}`,
        name: `twisted into ${size} in ${word}`,
        material: 'pvc-drain',
        a: end('twist-in', system, size, material),
      }),
    ),
  ]
}

/** Rings that bring a flange up, stacked over one screw; inches. */
const RISERS_IN = [0.25, 0.375, 0.5, 0.75, 1] as const
const RISER_KEYS: Readonly<Record<number, string>> = {
  0.25: '1/4',
  0.375: '3/8',
  0.5: '1/2',
  0.75: '3/4',
  1: '1',
}

function risers(): Fitting[] {
  return RISERS_IN.map((thickIn) =>
    inline({
      id: `flange.riser.${RISER_KEYS[thickIn]}`,
      family: 'flange-riser',
      name: `closet flange riser ring, ${RISER_KEYS[thickIn]} in`,
      material: 'pvc-drain',
      heatSensitive: true,
      layingMm: thickIn * IN,
      a: end('stack-under', 'IPS', '4', 'pvc-drain'),
      b: flange('old-flange', 'pvc-drain'),
      source: FLANGE_SHEET,
    }),
  )
}

/** A stainless ring over a broken one. */
function repairRing(): Fitting {
  return inline({
    id: 'flange.repair-ring',
    family: 'flange-repair-ring',
    name: 'closet flange repair ring, stainless',
    material: 'stainless',
    heatSensitive: false,
    layingMm: 2,
    a: end('ring-under', 'IPS', '4', 'stainless'),
    b: flange('old-flange', 'stainless'),
    source: FLANGE_SHEET,
  })
}

/** What a toilet stands on. */
export function closetParts(): Fitting[] {
  return [...cemented(), ...gasketed(), ...risers(), repairRing(), ...offset()]
}
