import { screenText } from '@diarmos/core/words/counts'
import CloudOff from 'lucide-react-native/icons/cloud-off'
import Moon from 'lucide-react-native/icons/moon'
import Sun from 'lucide-react-native/icons/sun'
import { useState } from 'react'
import { Pressable, View } from 'react-native'
import { isDark, toggleTheme, usePreferences } from '../data/preferences'
import { discardRefused, useData } from '../data/store'
import { Button } from './Button'
import { later } from './later'
import { Note } from './Note'
import { usePalette } from './palette'
import { SheetModal } from './SheetModal'
import { Txt } from './Txt'
import { UndoButton } from './UndoButton'

const SignIn = later(async () => (await import('../shop/SignIn')).SignIn)

/** Paper or cabinet, in one tap. */
export function ThemeButton() {
  const palette = usePalette()
  const dark = isDark(usePreferences((state) => state.theme))
  const Icon = dark ? Sun : Moon
  return (
    <Pressable
      role="button"
      aria-label={dark ? 'Paper theme' : 'Cabinet theme'}
      onPress={toggleTheme}
      className="h-12 w-12 items-center justify-center"
    >
      <Icon size={24} color={palette.ink} />
    </Pressable>
  )
}

/** Whether the phone is alone, and what waits to be sent. Says nothing while all is well. */
export function SyncState() {
  const palette = usePalette()
  const { online, pending, expired, refused, fault, storeFault } = useData()
  const [open, setOpen] = useState<'refused' | 'sign-in' | null>(null)
  return (
    <View className="flex-row flex-wrap items-center gap-2" aria-live="polite">
      {!online ? (
        <View className="flex-row items-center gap-2" testID="offline">
          <CloudOff size={20} color={palette.amber} />
          <Txt size="s" tone="amber" bold>
            {screenText('sync.kept', { edits: pending })}
          </Txt>
        </View>
      ) : null}
      {expired ? <Button kind="quiet" label="Sign in again" onPress={() => setOpen('sign-in')} /> : null}
      {storeFault ? (
        <Txt size="s" tone="oxide" bold role="alert">
          {storeFault}
        </Txt>
      ) : null}
      {fault ? (
        <Txt size="s" tone="oxide" bold>
          {fault}
        </Txt>
      ) : null}
      {refused.length > 0 ? (
        <Button
          kind="quiet"
          label={screenText('sync.refused', { edits: refused.length })}
          onPress={() => setOpen('refused')}
        />
      ) : null}
      {open === 'refused' ? (
        <SheetModal title="Edits the shop refused" onClose={() => setOpen(null)}>
          {refused.map(({ operation, faults }) => (
            <View key={operation.opId} className="mb-3">
              <Note
                kind="caution"
                title={`${operation.kind}, ${operation.at.slice(0, 16).replace('T', ' ')}`}
              >
                {faults.map((entry) => `${entry.path}: ${entry.message}`).join('; ')}
              </Note>
              <Txt size="s" tone="soft">
                {JSON.stringify(operation.patch).slice(0, 300)}
              </Txt>
              <Button label="Put aside" onPress={() => discardRefused(operation.opId)} />
            </View>
          ))}
        </SheetModal>
      ) : null}
      {open === 'sign-in' && expired ? (
        <SheetModal title="Signed out by the shop" onClose={() => setOpen(null)}>
          <SignIn title="Sign in again; nothing is lost" />
        </SheetModal>
      ) : null}
    </View>
  )
}

export function StatusLine() {
  const session = useData((state) => state.session)
  return (
    <View
      role="banner"
      className="min-h-[52px] flex-row items-center justify-between border-b border-rule pl-4 pr-1"
    >
      <View className="flex-1">
        <Txt size="s" tone="soft" numberOfLines={1}>
          {session?.shop.name} · {session?.person.name}
        </Txt>
        <SyncState />
      </View>
      <UndoButton />
      <ThemeButton />
    </View>
  )
}
