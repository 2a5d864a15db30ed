import { TOOL_WORDS } from '@diarmos/core/words/methods'
import { View } from 'react-native'
import { type Edit, edit } from '../data/store'
import type { Doc } from '../data/types'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { CODE_CHOICES } from '../ui/codes'
import { later } from '../ui/later'
import { CURRENCIES } from '../ui/money'
import { Toggle } from '../ui/Toggle'
import { Txt } from '../ui/Txt'
import { useSheet } from '../ui/useSheet'
import { Aboard } from './Aboard'
import { type HouseRules, type MateSettings, RULES } from './houseRules'
import { numbersOf } from './numbers'

const Amendments = later(async () => (await import('../work')).Amendments)
const NumbersSheet = later(async () => (await import('../forms')).NumbersSheet)

/** Rules, numbers and van of the shop. */
export function Settings({ settings }: { settings: Doc<'settings'> }) {
  const { mate } = settings.fields
  const [open, setOpen] = useSheet<string>('numbers')
  const change = (patch: Partial<MateSettings>, label: string) =>
    void edit([{ kind: 'settings', id: settings.id, patch: { mate: { ...mate, ...patch } } } as Edit], label)
  const sheets = numbersOf(mate, change)
  const sheet = open ? sheets[open] : undefined
  return (
    <View>
      {RULES.map(({ key, label, usual = '', options }) => (
        <View key={key} className="mb-3">
          <Choice
            label={label}
            columns={options.length === 3 ? 3 : 2}
            value={mate.houseRules[key] ?? usual}
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
          options={CODE_CHOICES}
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
        <NumbersSheet
          title={sheet.label}
          entries={sheet.entries}
          onSave={sheet.save}
          onClose={() => setOpen(null)}
        />
      ) : null}
    </View>
  )
}
