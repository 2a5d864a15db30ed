/** A step as a joint, a removal or a table of general steps brings it along. */
export interface StepTemplate {
  readonly key: string
  readonly kind:
    | 'safe'
    | 'remove'
    | 'prepare'
    | 'captive'
    | 'close'
    | 'wait'
    | 'finish'
    | 'open'
    | 'prove'
    | 'record'
  /** Id of the sentence in `words`. */
  readonly words: string
  readonly parameters?: Readonly<Record<string, string | number>>
  readonly seconds: number
  /** Keys, within the same joint, that come first. */
  readonly after?: readonly string[]
  /** Nobody has to stand by: cooling, curing. */
  readonly passive?: boolean
  readonly flame?: boolean
  /** A flame near it afterwards would spoil it. */
  readonly heatSensitive?: boolean
  /** What is slid on and waits. */
  readonly captive?: string
  /** What it is in words where it is not done on the old pipe. */
  readonly elsewhere?: string
  /** Only where the tube is soft plastic. */
  readonly onlySoft?: boolean
  /** Can only be done at the place, never on the bench. */
  readonly needsPlace?: boolean
  /** Only after the old stop is off. */
  readonly afterRemoval?: boolean
  /** Made beforehand, at the bench: it waits for nothing at the place. */
  readonly onBench?: boolean
}
