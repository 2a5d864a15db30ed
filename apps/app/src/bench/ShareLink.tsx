import Link2 from 'lucide-react-native/icons/link-2'
import { useState } from 'react'
import { TextInput, View } from 'react-native'
import { Button } from '../ui/Button'
import { usePalette } from '../ui/palette'

/** Puts the address of what stands on the bench on the clipboard; where there is none, it is shown to be copied. */
export function ShareLink() {
  const palette = usePalette()
  const [state, setState] = useState<'idle' | 'copied' | 'by-hand'>('idle')
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(window.location.href)
      setState('copied')
    } catch {
      setState('by-hand')
    }
  }
  return (
    <View>
      <Button
        kind="quiet"
        label={state === 'copied' ? 'Link copied' : 'Copy a link to this'}
        icon={<Link2 size={20} color={palette.patina} />}
        onPress={() => copy()}
      />
      {state === 'by-hand' ? (
        <TextInput
          readOnly
          value={window.location.href}
          aria-label="The link"
          className="min-h-[48px] border border-rule bg-raised p-2 text-[14px] text-ink"
        />
      ) : null}
    </View>
  )
}
