import { View } from 'react-native'
import { MeasureRow } from '../ui/MeasureRow'
import { AirToggle } from './AirToggle'
import type { DrainPlace } from './drainPlace'
import { TurnChoice } from './TurnChoice'

/** What is asked where a bowl stands on a flange: how that lies to the floor, and how far from the wall. */
export function BowlConditions({
  fresh,
  flangeMm,
  roughMm,
  bowlMm,
  spanMm,
  unvented,
  turn,
  oldJoint,
  onSet,
}: DrainPlace) {
  const lies = fresh || (oldJoint !== 'flange' && Boolean(turn))
  return (
    <View testID="flange-height">
      {oldJoint === 'flange' && !fresh ? null : (
        <TurnChoice label="The pipe lies below, and turns up to the bowl" turn={turn} onTurn={onSet} />
      )}
      {lies ? null : (
        <>
          <MeasureRow
            label="Old flange below the finished floor"
            hint="From a straight edge on the floor, or on the floor still to come, down to the top of the flange."
            detail={flangeMm != null && flangeMm > 0 ? 'it lies above' : undefined}
            mm={flangeMm == null || flangeMm > 0 ? null : -flangeMm}
            onEnter={({ mm, text }) => onSet({ flangeMm: -mm }, `Flange below the floor: ${text}`)}
          />
          <MeasureRow
            label="Old flange above the finished floor"
            hint="From the floor up to the top of the flange; leave out if it lies below."
            mm={flangeMm != null && flangeMm > 0 ? flangeMm : null}
            onEnter={({ mm, text }) => onSet({ flangeMm: mm }, `Flange above the floor: ${text}`)}
          />
          <MeasureRow
            label="Fitting below, up to the finished floor"
            hint="From the rim of the bend or hub that the pipe stands in, up to the top of the floor."
            mm={spanMm ?? null}
            onEnter={({ mm, text }) => onSet({ spanMm: mm }, `Fitting below to the floor: ${text}`)}
          />
        </>
      )}
      <MeasureRow
        label="Middle of the drain to the wall"
        hint="To the finished wall behind the tank, not to the skirting."
        mm={roughMm ?? null}
        onEnter={({ mm, text }) => onSet({ roughMm: mm }, `Middle of the drain to the wall: ${text}`)}
      />
      <MeasureRow
        label="The new bowl is made for"
        hint="The rough-in on its sheet: what it wants from the wall to the middle of its outlet."
        mm={bowlMm ?? null}
        onEnter={({ mm, text }) => onSet({ bowlMm: mm }, `The bowl is made for: ${text}`)}
      />
      <AirToggle fresh={fresh} unvented={unvented} onSet={onSet} />
    </View>
  )
}
