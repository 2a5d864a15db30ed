import Copy from 'lucide-react-native/icons/copy'
import { useState } from 'react'
import { TextInput, View } from 'react-native'
import { Button } from '../ui/Button'
import { usePalette } from '../ui/palette'
import { Txt } from '../ui/Txt'

/** Puts the request behind what is shown on the clipboard, as the command line takes it. No personal data is in it. */
export function CopyCase({ operation, request }: { operation: string; request: unknown }) {
  const palette = usePalette()
  const [state, setState] = useState<'idle' | 'copied' | 'by-hand'>('idle')
  const text = JSON.stringify(request, null, 2)
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(text)
      setState('copied')
    } catch {
      // no clipboard outside a secure context: then it is shown, to be copied by hand
      setState('by-hand')
    }
  }
  return (
    <View className="mt-4">
      <Button
        kind="quiet"
        label={state === 'copied' ? 'Case copied' : 'Copy this case'}
        icon={<Copy size={20} color={palette.patina} />}
        onPress={() => copy()}
      />
      {state !== 'idle' ? (
        <Txt size="s" tone="soft">
          Run it with: npm run -s diarmos -- {operation} &lt; case.json
        </Txt>
      ) : null}
      {state === 'by-hand' ? (
        <TextInput
          multiline
          readOnly
          value={text}
          aria-label="The case as JSON"
          className="h-[160px] border border-rule bg-raised p-2 text-[14px] text-ink"
        />
      ) : null}
    </View>
  )
}
