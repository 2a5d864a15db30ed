import { keptPart } from '../../assembly/kept'
import { actsOf } from '../../assembly/methods/acts'
import { METHODS, methodById } from '../../assembly/methods/table'
import { REMOVALS, removalById } from '../../assembly/oldJoints/removals'
import { CATALOG, fittingById } from '../../catalog/families'
import { RULES } from '../rules/rules'
import type { MateOption, MateSettings } from '../types'

/** What decides the acts of a way besides its joints. */
export interface KeepPlace {
  /** Air at the place, degrees Celsius. */
  readonly airC?: number | null | undefined
  readonly jointMinutes?: MateSettings['jointMinutes'] | undefined
  /** What the shop holds to with cement. */
  readonly cure?: MateSettings['houseRules']['cure'] | undefined
}

/**
 * A way that was chosen, with all that lengths, drawing, plan and record need of it: the parts' ends and measures, the
 * acts of each joint and of the removal. No later table changes it. What is kept already stays, and a part that no
 * table knows is left as it is.
 */
export function keep(option: MateOption, { airC, cure, jointMinutes = {} }: KeepPlace): MateOption {
  return {
    ...option,
    removalActs: option.removalActs ?? removalById(option.removalId).steps,
    parts: option.parts.map((part) => {
      const known = part.made ? undefined : fittingById(part.fittingId)
      return known ? { ...part, made: keptPart(known) } : part
    }),
    joints: option.joints.map((joint) => {
      const minutes = jointMinutes[joint.method]
      return {
        ...joint,
        acts:
          joint.acts ??
          actsOf(methodById(joint.method), {
            tubeMaterial: joint.tubeMaterial,
            atStub: joint.atStub,
            body: joint.bodyForm,
            nominal: joint.nominal,
            airC,
            cure,
            ...(minutes === undefined ? {} : { ownSeconds: minutes * 60 }),
          }),
      }
    }),
  }
}

/** FNV-1a of a table's text: another digest is another table. */
function digest(table: unknown): string {
  let hash = 0x811c9dc5
  for (const letter of JSON.stringify(table)) {
    hash ^= letter.codePointAt(0) as number
    hash = Math.imul(hash, 0x01000193)
  }
  return (hash >>> 0).toString(16).padStart(8, '0')
}

let versions: Readonly<Record<string, string>> | null = null

/** The tables as they are, each by a digest of what it says; a rule's test is told by its id and weight alone. */
export function tableVersions(): Readonly<Record<string, string>> {
  versions ??= {
    catalogue: digest(CATALOG),
    methods: digest(METHODS),
    removals: digest(REMOVALS),
    rules: digest(RULES.map(({ id, severity, riskPerMille }) => [id, severity, riskPerMille])),
  }
  return versions
}
