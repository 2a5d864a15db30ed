import { useState } from 'react'
import { ScrollView, View } from 'react-native'
import { ApiError, setUp } from '../data/api'
import { Button } from '../ui/Button'
import { Field } from '../ui/Field'
import { Mark } from '../ui/Mark'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'

const EMPTY = { shop: '', name: '', email: '', password: '' }
type Entry = typeof EMPTY

const FAULTS: Readonly<Record<keyof Entry, (value: string) => string | undefined>> = {
  shop: (value) => (value.trim() === '' ? 'Give the shop a name.' : undefined),
  name: (value) => (value.trim() === '' ? 'Say who you are.' : undefined),
  email: (value) => (/\S+@\S+/.test(value) ? undefined : 'An address has an @ in it.'),
  password: (value) => (value.length < 10 ? 'At least ten letters.' : undefined),
}

/** A shop that is opened by its owner, by the link that the first start printed. */
export function Welcome({ token, onDone }: { token: string; onDone: () => void }) {
  const [entry, setEntry] = useState(EMPTY)
  const [tried, setTried] = useState(false)
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  const faultOf = (name: keyof Entry) => FAULTS[name](entry[name])
  const submit = async () => {
    setTried(true)
    if ((Object.keys(EMPTY) as (keyof Entry)[]).some(faultOf)) return
    setBusy(true)
    setFault(null)
    try {
      const { timeZone } = Intl.DateTimeFormat().resolvedOptions()
      await setUp({ ...entry, token, zone: timeZone || 'UTC', currency: 'USD' })
      onDone()
    } catch (error) {
      setFault(error instanceof ApiError ? error.message : 'This did not work; try again.')
    }
    setBusy(false)
  }
  const field = (name: keyof Entry, label: string, more: object = {}) => (
    <Field
      label={label}
      value={entry[name]}
      onChange={(value) => setEntry({ ...entry, [name]: value })}
      error={tried ? faultOf(name) : undefined}
      {...more}
    />
  )
  return (
    <ScrollView className="flex-1" contentContainerClassName="mx-auto w-full max-w-[420px] px-5 pb-10 pt-8">
      <View role="main">
        <Mark size={64} />
        <Txt bold size="xxl" heading={1} className="mb-3 mt-3">
          A new shop
        </Txt>
        {field('shop', 'Name of the shop')}
        {field('name', 'Your name', { autoComplete: 'name' })}
        {field('email', 'Address', { inputMode: 'email', autoComplete: 'username', autoCapitalize: 'none' })}
        {field('password', 'Password', { secureTextEntry: true, autoComplete: 'new-password' })}
        {fault ? <Note kind="caution" title={fault} /> : null}
        <Button
          kind="primary"
          label={busy ? 'Opening …' : 'Open the shop'}
          disabled={busy}
          onPress={() => submit()}
          className="mt-2"
        />
      </View>
    </ScrollView>
  )
}
