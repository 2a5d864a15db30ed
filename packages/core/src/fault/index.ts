/** What can be wrong with a question that is well formed, by code, and what is said of each. */
export interface FaultParameters {
  'no-pipe': { readonly id: string }
  'no-part': { readonly id: string }
  /** No part of a family has such an end. */
  'no-such-part': { readonly family: string }
  'no-method': { readonly id: string }
  'no-removal': { readonly id: string }
  'no-kind': { readonly id: string }
  'no-height': { readonly id: string }
  'no-size': { readonly nominal: string }
  /** No such end is made. */
  'no-end': { readonly form: string; readonly system: string; readonly nominal: string }
  /** A part that was kept has fewer ends than the way says. */
  'no-port': { readonly ends: number; readonly port: number }
  /** What is left long is a piece of pipe with something behind it. */
  'no-piece': { readonly part: number }
  /** Two points that are one give no direction. */
  'no-direction': Readonly<Record<never, never>>
  'line-without-end': Readonly<Record<never, never>>
  'line-without-beginning': Readonly<Record<never, never>>
  'cut-in-without-pipe': Readonly<Record<never, never>>
  /** A line branches off one that is not asked about. */
  'no-trunk': { readonly id: string }
  'branches-off-itself': { readonly id: string }
}
export type FaultCode = keyof FaultParameters

/** Where in a question something lies: names of fields and places in lists. */
export type FaultPath = readonly (string | number)[]

/** A fault of the question, not of the core. */
export class CoreFault<Code extends FaultCode = FaultCode> extends RangeError {
  constructor(
    readonly code: Code,
    readonly parameters: FaultParameters[Code],
    readonly path: FaultPath = [],
  ) {
    super(`${code} ${JSON.stringify(parameters)}`)
    this.name = 'CoreFault'
  }
}

/** Runs what looks at a part of a question, so that its faults say where that part lies. */
export function within<Result>(path: FaultPath, run: () => Result): Result {
  try {
    return run()
  } catch (error) {
    if (error instanceof CoreFault)
      throw new CoreFault(error.code, error.parameters, [...path, ...error.path])
    throw error
  }
}
