// What a world is made of. The product's own tables make the world that it was told of; `own.ts` makes another.
import type { PipeMaterial } from '@diarmos/core'
import type { JointKind } from '@diarmos/core/answers'
import { INSTRUMENTS, SURFACES, surfaceShares } from '../../packages/core/src/identify/instruments'
import { PRINT_OF_ANOTHER } from '../../packages/core/src/identify/print'
import { MISLED } from '../../packages/core/src/identify/spot'
import { JOINT_SHARE, JOINTS, NAMED_RIGHTLY } from '../../packages/core/src/identify/tables/joints'
import { legible } from '../../packages/core/src/identify/tables/prints'
import {
  type ByEra,
  CARRIES,
  MATERIAL_SHARES,
  MEDIUM_OF_SERVICE,
  REGION_OF,
  STRAY_SHARE,
  sizeShare,
  VARIANT_SHARES,
} from '../../packages/core/src/identify/tables/shares'
import * as SIGNS from '../../packages/core/src/identify/tables/signs'

export type Weights = Readonly<Record<string, number>>
type Looks = Readonly<Record<PipeMaterial, Weights>>

export interface Tables {
  readonly name: string
  readonly instruments: Readonly<
    Record<keyof typeof INSTRUMENTS, Omit<(typeof INSTRUMENTS)['caliper'], 'seconds'>>
  >
  readonly surfaces: typeof SURFACES
  readonly surfaceShares: (material: PipeMaterial) => readonly number[]
  readonly magnet: Looks
  readonly scratch: Looks
  readonly tap: Looks
  readonly colour: Looks
  readonly flex: Looks
  readonly flexSoft: Weights
  readonly shavingColour: (material: PipeMaterial) => Weights
  readonly rustColour: Weights
  readonly greenColour: Weights
  readonly printColour: Readonly<Record<string, Weights>>
  readonly noPrintColour: Weights
  readonly jointShare: Readonly<Record<PipeMaterial, Weights>>
  readonly joints: Readonly<Record<JointKind, Readonly<Record<'nut' | 'band' | 'seam' | 'turns', Weights>>>>
  readonly namedRightly: number
  readonly legible: (material: PipeMaterial) => number
  readonly printOfAnother: number
  readonly misled: number
  readonly carries: typeof CARRIES
  readonly materialShares: Readonly<
    Record<
      'north-america' | 'metric',
      Readonly<Record<keyof typeof CARRIES, Partial<Record<PipeMaterial, ByEra>>>>
    >
  >
  readonly mediumOfService: typeof MEDIUM_OF_SERVICE
  readonly regionOf: typeof REGION_OF
  readonly strayShare: number
  readonly sizeShare: typeof sizeShare
  readonly variantShares: typeof VARIANT_SHARES
}

/** The world that the product was told of. */
export const TOLD: Tables = {
  name: 'told',
  instruments: INSTRUMENTS,
  surfaces: SURFACES,
  surfaceShares,
  magnet: SIGNS.MAGNET,
  scratch: SIGNS.SCRATCH,
  tap: SIGNS.TAP,
  colour: SIGNS.COLOUR,
  flex: SIGNS.FLEX,
  flexSoft: SIGNS.FLEX_SOFT,
  shavingColour: SIGNS.shavingColour,
  rustColour: SIGNS.RUST_COLOUR,
  greenColour: SIGNS.GREEN_COLOUR,
  printColour: SIGNS.PRINT_COLOUR,
  noPrintColour: SIGNS.OTHER_PRINT,
  jointShare: JOINT_SHARE as Tables['jointShare'],
  joints: JOINTS,
  namedRightly: NAMED_RIGHTLY,
  legible,
  printOfAnother: PRINT_OF_ANOTHER,
  misled: MISLED,
  carries: CARRIES,
  materialShares: MATERIAL_SHARES,
  mediumOfService: MEDIUM_OF_SERVICE,
  regionOf: REGION_OF,
  strayShare: STRAY_SHARE,
  sizeShare,
  variantShares: VARIANT_SHARES,
}
