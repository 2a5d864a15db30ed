import { prefer, usePreferences } from '../data/preferences'
import { Button } from './Button'

/** Inches or millimetres at a touch; what was entered stays as it was. */
export function UnitButton() {
  const unit = usePreferences((state) => state.unit)
  return (
    <Button
      kind="plain"
      label={unit === 'in' ? 'in → mm' : 'mm → in'}
      onPress={() => prefer({ unit: unit === 'in' ? 'mm' : 'in' })}
    />
  )
}
