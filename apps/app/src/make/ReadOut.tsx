import Volume2 from 'lucide-react-native/icons/volume-2'
import { useEffect } from 'react'
import { Pressable } from 'react-native'
import { usePalette } from '../ui/palette'

/** Says a card aloud, by the platform's own voice, so that hands and eyes stay at the pipe; nothing where it has none. */
export function ReadOut({ text }: { text: string }) {
  const palette = usePalette()
  const can = typeof speechSynthesis !== 'undefined'
  // what is being said belongs to the card that was left
  useEffect(() => (can ? () => speechSynthesis.cancel() : undefined), [can])
  if (!can) return null
  return (
    <Pressable
      role="button"
      aria-label="Read it out"
      onPress={() => {
        speechSynthesis.cancel()
        speechSynthesis.speak(new SpeechSynthesisUtterance(text))
      }}
      className="h-12 w-12 items-center justify-center rounded-[4px] active:bg-patina-wash"
    >
      <Volume2 size={24} color={palette.patina} />
    </Pressable>
  )
}
