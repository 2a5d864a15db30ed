import { View } from 'react-native'
import { MeasureRow } from '../ui/MeasureRow'
import { Toggle } from '../ui/Toggle'
import { AirToggle } from './AirToggle'
import type { DrainPlace } from './drainPlace'
import { TurnChoice } from './TurnChoice'

/** What is asked of a bowl whose spigot stands out behind it; of new pipe, which is led to it, only whether that turns. */
export function PanConditions({
  fresh,
  roughMm,
  bowlMm,
  reachMm,
  trapped,
  unvented,
  rises,
  turn,
  onSet,
}: DrainPlace) {
  const air = <AirToggle fresh={fresh} unvented={unvented} onSet={onSet} />
  if (fresh)
    return (
      <View testID="pan-place">
        <TurnChoice label="The pipe turns on its way to the bowl" turn={turn} onTurn={onSet} />
        {air}
      </View>
    )
  return (
    <View testID="pan-place">
      <Toggle
        label="The pipe comes up out of the floor"
        detail={rises ? 'a bent connector turns down to it' : undefined}
        value={rises === true}
        onChange={(value) => onSet({ rises: value }, value ? 'Out of the floor' : 'Out of the wall')}
      />
      {rises ? null : (
        <>
          <MeasureRow
            label="Middle of the pipe over the floor"
            hint="From the finished floor up to the middle of the pipe’s mouth."
            mm={roughMm ?? null}
            onEnter={({ mm, text }) => onSet({ roughMm: mm }, `Middle of the pipe: ${text}`)}
          />
          <MeasureRow
            label="Middle of the new bowl’s spigot over the floor"
            hint="On its sheet, or measured with the bowl on a flat floor."
            mm={bowlMm ?? null}
            onEnter={({ mm, text }) => onSet({ bowlMm: mm }, `Middle of the spigot: ${text}`)}
          />
          <MeasureRow
            label="From the pipe to the spigot"
            hint="With the bowl where it is to stand: from the mouth of the pipe to the tip of the spigot."
            mm={reachMm ?? null}
            onEnter={({ mm, text }) => onSet({ reachMm: mm }, `Pipe to spigot: ${text}`)}
          />
        </>
      )}
      <Toggle
        label="A trap further down stays"
        detail={trapped ? 'water stands in the old drain' : undefined}
        value={trapped === true}
        onChange={(value) => onSet({ trapped: value }, value ? 'An old trap stays' : 'No old trap')}
      />
      {air}
    </View>
  )
}
