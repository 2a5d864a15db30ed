import { closes, hangsOnStub, mayTurn, mouthOf } from '@diarmos/core/bodies'
import { View } from 'react-native'
import { MeasureRow } from '../ui/MeasureRow'
import { Toggle } from '../ui/Toggle'
import { AirToggle } from './AirToggle'
import { BowlConditions } from './BowlConditions'
import type { DrainPlace } from './drainPlace'
import { OldTrapChoice } from './OldTrapChoice'
import { PanConditions } from './PanConditions'
import { TurnChoice } from './TurnChoice'

/** What is asked of a drain besides the stub: how a flange lies to the floor, what trap stays, how it runs. */
export function DrainConditions({ kind, ...place }: DrainPlace & { readonly kind: string | undefined }) {
  if (kind === 'waste.bowl') return <BowlConditions {...place} />
  if (kind === 'waste.pan') return <PanConditions {...place} />
  const { fresh, spanMm, trapped, slow, unvented, rises, turn, oldTrap, onSet } = place
  const old = !fresh && !kind?.startsWith('waste.run.')
  const route = kind === undefined ? undefined : mouthOf(kind).route
  // nothing comes down any more: no trap, no air, and how fast it ran is another's matter
  if (route !== undefined && closes(route)) return null
  const straight =
    route !== undefined && route !== 'trap-own' && mayTurn(route) && !trapped && !rises && !turn
  return (
    <View>
      {straight ? (
        <MeasureRow
          label={fresh ? 'Branch to the middle of the drain' : 'Wall to the middle of the drain'}
          hint={`Along the pipe, from ${fresh ? 'the mouth that it drains into' : 'where its bare end is measured'}: the trap then stands right under the drain. Leave out if it can stand anywhere.`}
          mm={spanMm ?? null}
          onEnter={({ mm, text }) => onSet({ spanMm: mm }, `Middle of the drain: ${text}`)}
        />
      ) : null}
      {old ? (
        <OldTrapChoice
          trap={oldTrap}
          hanging={kind !== undefined && hangsOnStub(mouthOf(kind).route)}
          onSet={onSet}
        />
      ) : null}
      {old ? (
        <Toggle
          label="A trap further down stays"
          detail={trapped ? 'water stands in the old drain: none goes in besides' : undefined}
          value={trapped === true}
          onChange={(value) => onSet({ trapped: value }, value ? 'An old trap stays' : 'No old trap')}
        />
      ) : null}
      {kind?.startsWith('waste.run.') ? null : <AirToggle fresh={fresh} unvented={unvented} onSet={onSet} />}
      {kind && !fresh && hangsOnStub(mouthOf(kind).route) ? (
        <Toggle
          label="It comes up out of the floor"
          detail={rises ? 'a trap set on it would be an S' : undefined}
          value={rises === true}
          onChange={(value) => onSet({ rises: value }, value ? 'Out of the floor' : 'Out of the wall')}
        />
      ) : null}
      {kind && mayTurn(mouthOf(kind).route) ? (
        <TurnChoice
          label={trapped ? 'The pipe turns on its way' : 'The pipe turns before the trap'}
          turn={turn}
          onTurn={onSet}
        />
      ) : null}
      {fresh ? null : (
        <Toggle
          label="It runs off slowly"
          detail={slow ? 'a blockage further down is not cured by new pipe here' : undefined}
          value={slow === true}
          onChange={(value) => onSet({ slow: value }, value ? 'Slow drain' : 'Drain runs freely')}
        />
      )}
    </View>
  )
}
