/** A unit a person reads a length in. Inside the core every length is in millimetres. */
export type LengthUnit = 'in' | 'mm'

/** What was understood of a written length, kept with the text as it was entered. */
export interface ParsedLength {
  readonly ok: true
  readonly mm: number
  /** The unit the person wrote, or the default where none was written. */
  readonly unit: LengthUnit
  /** The smallest step the writing distinguishes, in mm: 1/16 in for `2 11/16`, 1 mm for `22 mm`. */
  readonly resolutionMm: number
  readonly text: string
}

export type LengthFault =
  | 'empty'
  | 'not-a-length'
  | 'negative'
  | 'zero-denominator'
  | 'improper-mixed-fraction'
  | 'too-large'
  | 'zero'

/** Why a text is no length: the fault, and the offset in the text where it lies. */
export interface LengthError {
  readonly ok: false
  readonly fault: LengthFault
  readonly at: number
  readonly text: string
  readonly message: string
}

/** A length split as a tape reads it: whole inches and a reduced fraction, or millimetres with decimals. */
export interface TapeReading {
  readonly unit: LengthUnit
  readonly whole: number
  readonly numerator: number
  readonly denominator: number
  readonly text: string
}
