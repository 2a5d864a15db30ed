import { useState } from 'react'
import { Controller, useForm } from 'react-hook-form'
import { View } from 'react-native'
import { ApiError, signIn } from '../data/api'
import { open } from '../data/store'
import { Button } from '../ui/Button'
import { Field } from '../ui/Field'
import { Mark } from '../ui/Mark'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'

interface Entry {
  email: string
  password: string
}

/** Who is working. */
export function SignIn({ title = 'Sign in' }: { title?: string }) {
  const { control, handleSubmit, formState } = useForm<Entry>({ defaultValues: { email: '', password: '' } })
  const [fault, setFault] = useState<string | null>(null)
  const submit = handleSubmit(async ({ email, password }) => {
    setFault(null)
    try {
      await open(await signIn(email, password))
    } catch (error) {
      setFault(error instanceof ApiError ? error.message : 'This did not work; try again.')
    }
  })
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
      <Controller
        control={control}
        name="email"
        rules={{
          required: 'Your address is missing.',
          pattern: { value: /\S+@\S+/, message: 'This is no address.' },
        }}
        render={({ field, fieldState }) => (
          <Field
            label="Address"
            value={field.value}
            onChange={field.onChange}
            error={fieldState.error?.message}
            inputMode="email"
            autoComplete="username"
            autoCapitalize="none"
          />
        )}
      />
      <Controller
        control={control}
        name="password"
        rules={{ required: 'The password is missing.' }}
        render={({ field, fieldState }) => (
          <Field
            label="Password"
            value={field.value}
            onChange={field.onChange}
            error={fieldState.error?.message}
            secureTextEntry
            autoComplete="current-password"
            onSubmitEditing={() => void submit()}
          />
        )}
      />
      {fault ? <Note kind="caution" title={fault} /> : null}
      <Button
        kind="primary"
        label={formState.isSubmitting ? 'Signing in …' : 'Sign in'}
        disabled={formState.isSubmitting}
        onPress={() => void submit()}
        className="mt-2"
      />
    </View>
  )
}
