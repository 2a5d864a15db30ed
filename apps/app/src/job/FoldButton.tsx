import ChevronDown from 'lucide-react-native/icons/chevron-down'
import ChevronUp from 'lucide-react-native/icons/chevron-up'
import { Pressable } from 'react-native'
import { usePalette } from '../ui/palette'

/** Shows or folds away the drawing, where a low screen has no room for it beside the stage. */
export function FoldButton({ folded, onFold }: { folded: boolean; onFold: (folded: boolean) => void }) {
  const palette = usePalette()
  const Icon = folded ? ChevronDown : ChevronUp
  return (
    <Pressable
      role="button"
      aria-expanded={!folded}
      aria-label={folded ? 'Show the drawing' : 'Fold the drawing away'}
      onPress={() => onFold(!folded)}
      className="h-[50px] w-12 items-center justify-center border-l border-rule"
    >
      <Icon size={24} color={palette.patina} />
    </Pressable>
  )
}
