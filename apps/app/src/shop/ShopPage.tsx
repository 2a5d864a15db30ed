import { screenText } from '@diarmos/core/words/counts'
import { ScrollView, View } from 'react-native'
import { prefer, usePreferences } from '../data/preferences'
import { useSettings } from '../data/select'
import { leave, useData } from '../data/store'
import { AllProposals } from '../proposals/Proposals'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import { useTitle } from '../ui/title'
import { Settings } from './Settings'

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
      {/* over what comes in piece by piece: it stays where it was touched */}
      <View className="mb-4">
        <Txt size="s" tone="soft">
          Signed in as {session?.person.name}.
          {pending > 0 ? ` ${screenText('sync.waiting', { edits: pending })}` : ''}
        </Txt>
        <Button label="Sign out" onPress={() => leave()} />
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
    </ScrollView>
  )
}
