import X from 'lucide-react-native/icons/x'
import { Pressable } from 'react-native'
import { usePalette } from './palette'

/** The cross that closes what lies over the page. */
export function CloseButton({ onPress }: { onPress: () => void }) {
  const palette = usePalette()
  return (
    <Pressable
      role="button"
      aria-label="Close"
      onPress={onPress}
      className="h-12 w-12 items-center justify-center"
    >
      <X size={26} color={palette.ink} />
    </Pressable>
  )
}
