import '../../global.css'
import { DefaultTheme, Stack, ThemeProvider } from 'expo-router'
import { useEffect, useState } from 'react'
import { View } from 'react-native'
import { showTheme } from '../data/preferences'
import { registerServiceWorker } from '../data/serviceWorker'
import { begin, syncSoon, useData } from '../data/store'
import { listenToKeys } from '../ui/keys'
import { later } from '../ui/later'
import { usePalette } from '../ui/palette'
import { SkipLink } from '../ui/SkipLink'
import { useFonts } from '../ui/useFonts'

// asked for only by those who are not signed in yet
const SignIn = later(async () => (await import('../shop/SignIn')).SignIn)
const Welcome = later(async () => (await import('../shop/Welcome')).Welcome)

/** The one-time word of the link that opens a new shop. */
const wordOf = () => (location.pathname === '/welcome' ? location.hash.slice(1) : '')

showTheme()

export default function RootLayout() {
  const fontsSettled = useFonts()
  const status = useData((state) => state.status)
  const palette = usePalette()
  const [word, setWord] = useState(wordOf)
  useEffect(() => {
    void begin()
    registerServiceWorker()
    const deaf = listenToKeys()
    const scheme = matchMedia('(prefers-color-scheme: dark)')
    scheme.addEventListener('change', showTheme)
    const back = () => void syncSoon()
    window.addEventListener('online', back)
    return () => {
      deaf()
      scheme.removeEventListener('change', showTheme)
      window.removeEventListener('online', back)
    }
  }, [])
  if (status === 'starting' || !fontsSettled) return <View className="flex-1 bg-sheet" />
  if (status === 'signed-out')
    return (
      <View className="flex-1 bg-sheet">
        {word ? (
          <Welcome
            token={word}
            onDone={() => {
              history.replaceState(null, '', '/')
              setWord('')
            }}
          />
        ) : (
          <SignIn />
        )}
      </View>
    )
  return (
    <ThemeProvider value={{ ...DefaultTheme, colors: { ...DefaultTheme.colors, background: palette.sheet } }}>
      <View className="flex-1 bg-sheet">
        <SkipLink />
        <Stack screenOptions={{ headerShown: false, animation: 'none' }} />
      </View>
    </ThemeProvider>
  )
}
