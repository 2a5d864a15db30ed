import { FAMILY_WORDS, METHOD_WORDS } from '@diarmos/core/words/fixtures'
import { CONSUMABLE_WORDS, TOOL_WORDS } from '@diarmos/core/words/methods'
import type { MateSettings } from './houseRules'
import type { NumberEntry } from './NumbersSheet'

interface Numbers {
  readonly label: string
  readonly entries: NumberEntry[]
  readonly save: (values: Record<string, number>) => void
}

/** The shop's own figures by sheet: what is on each, and how it is saved. */
export function numbersOf(
  mate: MateSettings,
  change: (patch: Partial<MateSettings>, label: string) => void,
): Readonly<Record<string, Numbers>> {
  const centsAs = (cents: number | undefined) => (cents === undefined ? null : cents / 100)
  const centsOf = (values: Record<string, number>) =>
    Object.fromEntries(Object.entries(values).map(([name, value]) => [name, Math.round(value * 100)]))
  return {
    labour: {
      label: 'Labour and trips',
      entries: [
        {
          name: 'labour',
          label: 'Labour',
          value: mate.labourCentsPerHour / 100,
          suffix: 'an hour',
          most: 10_000,
        },
        { name: 'trip', label: 'Counter and back', value: mate.tripMinutes, suffix: 'minutes', most: 1000 },
        {
          name: 'callBack',
          label: 'A call-back costs',
          value: mate.callBackCents / 100,
          suffix: 'all told',
          most: 100_000,
        },
      ],
      save: ({ labour = 0, trip = 0, callBack = 0 }) =>
        change(
          {
            labourCentsPerHour: Math.round(labour * 100),
            tripMinutes: trip,
            callBackCents: Math.round(callBack * 100),
          },
          'Labour and trips saved',
        ),
    },
    prices: {
      label: 'Prices of parts, half-inch ones',
      entries: Object.entries(FAMILY_WORDS).map(([name, label]) => ({
        name,
        label,
        value: centsAs(mate.familyPriceCents[name]),
        usual: true,
        suffix: 'each',
        most: 10_000,
      })),
      save: (values) => change({ familyPriceCents: centsOf(values) }, 'Prices saved'),
    },
    consumables: {
      label: 'Prices of consumables, a joint',
      entries: Object.entries(CONSUMABLE_WORDS).map(([name, label]) => ({
        name,
        label,
        value: centsAs(mate.consumableCents[name]),
        usual: true,
        suffix: 'a joint',
        most: 1000,
      })),
      save: (values) => change({ consumableCents: centsOf(values) }, 'Prices saved'),
    },
    tools: {
      label: 'Tools got on the way, a job',
      entries: Object.entries(TOOL_WORDS).map(([name, label]) => ({
        name,
        label,
        value: centsAs(mate.toolCents?.[name as keyof NonNullable<MateSettings['toolCents']>]),
        usual: true,
        suffix: 'a job',
        most: 1000,
      })),
      save: (values) => change({ toolCents: centsOf(values) }, 'Prices saved'),
    },
    minutes: {
      label: 'Minutes for a joint',
      entries: Object.entries(METHOD_WORDS).map(([name, label]) => ({
        name,
        label,
        value: mate.jointMinutes[name as keyof MateSettings['jointMinutes']] ?? null,
        usual: true,
        suffix: 'minutes',
        most: 600,
      })),
      save: (values) => change({ jointMinutes: values }, 'Minutes saved'),
    },
  }
}
