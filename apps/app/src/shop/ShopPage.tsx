import { FAMILY_WORDS, METHOD_WORDS } from '@diarmos/core/words/fixtures'
import { CONSUMABLE_WORDS, TOOL_WORDS } from '@diarmos/core/words/methods'
import { ScrollView, View } from 'react-native'
import { prefer, usePreferences } from '../data/preferences'
import { useSettings } from '../data/select'
import { type Edit, edit, leave, useData } from '../data/store'
import type { Doc, EntityFields } from '../data/types'
import { AllProposals } from '../proposals/Proposals'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { later } from '../ui/later'
import { CURRENCIES } from '../ui/money'
import { Note } from '../ui/Note'
import { Toggle } from '../ui/Toggle'
import { Txt } from '../ui/Txt'
import { useTitle } from '../ui/title'
import { useSheet } from '../ui/useSheet'
import { Aboard } from './Aboard'
import type { NumberEntry } from './NumbersSheet'

const Amendments = later(async () => (await import('../work')).Amendments)
const NumbersSheet = later(async () => (await import('../forms')).NumbersSheet)

export type MateSettings = EntityFields<'settings'>['mate']
type HouseRules = MateSettings['houseRules']

const RULES: readonly {
  key: keyof HouseRules
  label: string
  options: readonly (readonly [string, string])[]
}[] = [
  {
    key: 'pushFitConcealed',
    label: 'Push-fit in a closed wall',
    options: [
      ['allow', 'yes'],
      ['reachable-only', 'within reach only'],
      ['emergency-only', 'emergencies only'],
    ],
  },
  {
    key: 'oldStop',
    label: 'Old stop',
    options: [
      ['cut-behind', 'cut it off'],
      ['take-off', 'take it off'],
    ],
  },
  {
    key: 'threadSeal',
    label: 'Thread seal',
    options: [
      ['tape-then-paste', 'tape, then paste'],
      ['tape', 'tape'],
      ['paste', 'paste'],
    ],
  },
  {
    key: 'fluxOn',
    label: 'Flux on',
    options: [
      ['both', 'tube and fitting'],
      ['tube-only', 'tube only'],
    ],
  },
  {
    key: 'compressionNut',
    label: 'Compression nut',
    options: [
      ['dry', 'dry'],
      ['silicone-trace', 'a trace of silicone'],
    ],
  },
  {
    key: 'recheck',
    label: 'Recheck',
    options: [
      ['both', 'two hours and morning'],
      ['two-hours', 'two hours'],
      ['next-morning', 'next morning'],
    ],
  },
]

function Settings({ settings }: { settings: Doc<'settings'> }) {
  const { mate } = settings.fields
  const [open, setOpen] = useSheet<string>('numbers')
  const change = (patch: Partial<MateSettings>, label: string) =>
    void edit([{ kind: 'settings', id: settings.id, patch: { mate: { ...mate, ...patch } } } as Edit], label)
  const close = () => setOpen(null)
  const centsAs = (cents: number | undefined) => (cents === undefined ? null : cents / 100)
  const centsOf = (values: Record<string, number>) =>
    Object.fromEntries(Object.entries(values).map(([name, value]) => [name, Math.round(value * 100)]))
  const sheets: Record<
    string,
    { label: string; entries: NumberEntry[]; save: (values: Record<string, number>) => void }
  > = {
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
      label: 'Prices of parts',
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
  const sheet = open ? sheets[open] : undefined
  return (
    <View>
      {RULES.map(({ key, label, options }) => (
        <View key={key} className="mb-3">
          <Choice
            label={label}
            columns={options.length === 3 ? 3 : 2}
            value={mate.houseRules[key] as string}
            options={options.map(([value, text]) => ({ value, label: text }))}
            onChange={(value) =>
              change({ houseRules: { ...mate.houseRules, [key]: value } as HouseRules }, `${label}: saved`)
            }
          />
        </View>
      ))}
      <View className="mb-3">
        <Choice
          label="Reasons quote this code; the local one comes first"
          columns={3}
          value={mate.codeProfile ?? 'IPC'}
          options={[
            { value: 'IPC', label: 'IPC' },
            { value: 'UPC', label: 'UPC' },
            { value: 'EN', label: 'EN' },
          ]}
          onChange={(codeProfile) => change({ codeProfile }, `Code: ${codeProfile}`)}
        />
      </View>
      <View className="mb-3">
        <Choice
          label="Prices are in"
          columns={3}
          value={settings.fields.currency}
          options={CURRENCIES.map((value) => ({ value, label: value }))}
          onChange={(currency) =>
            edit(
              [{ kind: 'settings', id: settings.id, patch: { currency } } as Edit],
              `Prices in ${currency}`,
            )
          }
        />
      </View>
      <Amendments mate={mate} onChange={change} />
      <Txt bold size="l" heading={2} className="mb-1 mt-2">
        Numbers
      </Txt>
      <View className="gap-2">
        {Object.entries(sheets).map(([name, { label }]) => (
          <Button key={name} label={label} onPress={() => setOpen(name)} />
        ))}
      </View>
      <Txt bold size="l" heading={2} className="mb-1 mt-4">
        Tools aboard
      </Txt>
      {Object.entries(TOOL_WORDS).map(([tool, label]) => {
        const aboard = mate.toolsAboard as readonly string[]
        return (
          <Toggle
            key={tool}
            label={label}
            value={aboard.includes(tool)}
            onChange={(value) =>
              change(
                {
                  toolsAboard: (value
                    ? [...aboard, tool]
                    : aboard.filter((other) => other !== tool)) as MateSettings['toolsAboard'],
                },
                `${label}: ${value ? 'aboard' : 'not aboard'}`,
              )
            }
          />
        )
      })}
      <Aboard mate={mate} onChange={change} />
      {sheet ? (
        <NumbersSheet title={sheet.label} entries={sheet.entries} onSave={sheet.save} onClose={close} />
      ) : null}
    </View>
  )
}

/** The shop's own choices, prices and van. */
export function ShopPage() {
  useTitle('Shop')
  const settings = useSettings()
  const { theme, unit } = usePreferences()
  const { session, pending } = useData()
  return (
    <ScrollView className="mx-auto w-full max-w-[720px] flex-1 px-4" contentContainerClassName="pb-8">
      <Txt bold size="xl" heading={1} className="pb-2 pt-4">
        Shop
      </Txt>
      <View className="mb-3">
        <Choice
          label="This phone reads in"
          value={unit}
          options={[
            { value: 'in', label: 'inches' },
            { value: 'mm', label: 'millimetres' },
          ]}
          onChange={(value) => prefer({ unit: value })}
        />
      </View>
      <View className="mb-3">
        <Choice
          label="Sheet"
          columns={3}
          value={theme}
          options={[
            { value: 'system', label: 'as the phone' },
            { value: 'paper', label: 'paper' },
            { value: 'cabinet', label: 'cabinet' },
          ]}
          onChange={(value) => prefer({ theme: value })}
        />
      </View>
      <AllProposals />
      <Txt bold size="l" heading={2} className="mb-1">
        House rules
      </Txt>
      {session?.person.role === 'owner' ? null : (
        <Note kind="note" title="Prices and rules are the owner’s">
          What you change here goes to the owner as a proposal, and shows on this phone alone until it is
          taken.
        </Note>
      )}
      {settings ? (
        <Settings settings={settings} />
      ) : (
        <Txt tone="soft">The shop’s settings have not come yet.</Txt>
      )}
      <View className="mt-8">
        <Txt size="s" tone="soft">
          Signed in as {session?.person.name}.
          {pending > 0 ? ` ${pending} edits wait on this phone and go out when you sign in again.` : ''}
        </Txt>
        <Button label="Sign out" onPress={() => leave()} />
      </View>
    </ScrollView>
  )
}
