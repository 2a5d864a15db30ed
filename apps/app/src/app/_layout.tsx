import '../../global.css'
import regular from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf'
import bold from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf'
import { useFonts } from 'expo-font'
import { Stack } from 'expo-router'
import { useEffect } from 'react'
import { View } from 'react-native'
import { showTheme } from '../data/preferences'
import { registerServiceWorker } from '../data/serviceWorker'
import { begin, syncSoon, useData } from '../data/store'
import { SignIn } from '../shop/SignIn'
import { Snackbar } from '../ui/Snackbar'

showTheme()

export default function RootLayout() {
  const [fontsLoaded, fontError] = useFonts({ Hyperlegible: regular, HyperlegibleBold: bold })
  const status = useData((state) => state.status)
  useEffect(() => {
    void begin()
    registerServiceWorker()
    const scheme = matchMedia('(prefers-color-scheme: dark)')
    scheme.addEventListener('change', showTheme)
    const back = () => void syncSoon()
    window.addEventListener('online', back)
    return () => {
      scheme.removeEventListener('change', showTheme)
      window.removeEventListener('online', back)
    }
  }, [])
  if (status === 'starting' || !(fontsLoaded || fontError)) return <View className="flex-1 bg-sheet" />
  if (status === 'signed-out') return <SignIn />
  return (
    <View className="flex-1 bg-sheet">
      <Stack
        screenOptions={{
          headerShown: false,
          animation: 'none',
          contentStyle: { backgroundColor: 'transparent' },
        }}
      />
      <Snackbar />
    </View>
  )
}
