import { prefer, usePreferences } from '../data/preferences'
import { Button } from './Button'

/** Sixteenths, thirty-seconds or millimetres, one after the other at a touch; what was entered stays as it was. */
export function UnitButton() {
  const { unit, denominator } = usePreferences()
  if (unit === 'mm') return <Button label="mm → in" onPress={() => prefer({ unit: 'in', denominator: 16 })} />
  return denominator === 16 ? (
    <Button label="1/16 → 1/32" onPress={() => prefer({ denominator: 32 })} />
  ) : (
    <Button label="1/32 → mm" onPress={() => prefer({ unit: 'mm', denominator: 16 })} />
  )
}
