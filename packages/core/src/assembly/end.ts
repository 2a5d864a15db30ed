import type { PortForm, PortMaterial, PortSystem } from '../catalog/types'

/** An end named by what decides who can be joined to it. */
export interface EndRef {
  readonly form: PortForm
  readonly system: PortSystem
  readonly nominal: string
  readonly material: PortMaterial
}
