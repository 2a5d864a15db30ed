import { Toggle } from '../ui/Toggle'
import type { DrainPlace } from './drainPlace'

/** Whether a vent rises from the drain, or near the trap of what comes into a new branch. */
export function AirToggle({ fresh, unvented, onSet }: Pick<DrainPlace, 'fresh' | 'unvented' | 'onSet'>) {
  return (
    <Toggle
      label={fresh ? 'No vent rises near its trap' : 'No vent rises from it'}
      detail={
        !unvented
          ? undefined
          : fresh
            ? 'a stack that carries waste from above is none for it'
            : 'it gurgles, or its trap was found empty'
      }
      value={unvented === true}
      onChange={(value) => onSet({ unvented: value }, value ? 'No vent' : 'It is vented')}
    />
  )
}
