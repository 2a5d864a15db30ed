import { useState } from 'react'
import { View } from 'react-native'
import { ApiError, signIn } from '../data/api'
import { open } from '../data/store'
import { Button } from '../ui/Button'
import { Field } from '../ui/Field'
import { Mark } from '../ui/Mark'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'

// Two fields, and the first screen there is: it does without the form library, which would be a third of its load.

/** Who is working. */
export function SignIn({ title = 'Sign in' }: { title?: string }) {
  const [email, setEmail] = useState('')
  const [password, setPassword] = useState('')
  const [state, setState] = useState<{ busy: boolean; tried: boolean; fault: string | null }>({
    busy: false,
    tried: false,
    fault: null,
  })
  const emailFault = /\S+@\S+/.test(email) ? undefined : 'An address has an @ in it.'
  const passwordFault = password === '' ? 'The password is missing.' : undefined
  const submit = async () => {
    if (emailFault || passwordFault) {
      setState({ busy: false, tried: true, fault: null })
      return
    }
    setState({ busy: true, tried: true, fault: null })
    try {
      await open(await signIn(email.trim(), password))
    } catch (error) {
      const fault = error instanceof ApiError ? error.message : 'This did not work; try again.'
      setState({ busy: false, tried: true, fault })
    }
  }
  return (
    <View role="main" className="mx-auto w-full max-w-[420px] flex-1 justify-end px-5 pb-10 pt-8">
      <View className="mb-auto mt-6 items-start">
        <Mark size={64} />
        <Txt bold size="xxl" heading={1} className="mt-3">
          Diarmos
        </Txt>
        <Txt size="l" tone="soft">
          The old pipe, the new fixture, and what joins them.
        </Txt>
      </View>
      <Txt bold size="l" heading={2} className="mb-2">
        {title}
      </Txt>
      <Field
        label="Address"
        value={email}
        onChange={setEmail}
        error={state.tried ? emailFault : undefined}
        inputMode="email"
        autoComplete="username"
        autoCapitalize="none"
      />
      <Field
        label="Password"
        value={password}
        onChange={setPassword}
        error={state.tried ? passwordFault : undefined}
        secureTextEntry
        autoComplete="current-password"
        onSubmitEditing={() => void submit()}
      />
      {state.fault ? <Note kind="caution" title={state.fault} /> : null}
      <Button
        kind="primary"
        label={state.busy ? 'Signing in …' : 'Sign in'}
        disabled={state.busy}
        onPress={() => submit()}
        className="mt-2"
      />
    </View>
  )
}
