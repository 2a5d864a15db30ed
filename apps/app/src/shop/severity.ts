import type { MateSettings } from './houseRules'

export type Amendment = NonNullable<MateSettings['amendments']>[number]

/** How hard a rule is, as it is said. */
export const SEVERITY_WORDS: Readonly<Record<Amendment['severity'], string>> = {
  forbid: 'never',
  warn: 'warn',
  note: 'note',
  off: 'no rule here',
}
