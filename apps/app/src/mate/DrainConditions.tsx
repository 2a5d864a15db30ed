import { closes, hangsOnStub, mayTurn, mouthOf } from '@diarmos/core/bodies'
import type { OldTrap } from '@diarmos/core/conditions'
import { View } from 'react-native'
import type { EntityFields } from '../data/types'
import { MeasureRow } from '../ui/MeasureRow'
import { Toggle } from '../ui/Toggle'
import { OldTrapChoice } from './OldTrapChoice'
import { TurnChoice } from './TurnChoice'

type Situation = EntityFields<'situation'>

interface Props {
  /** What waste leaves by. */
  readonly kind: string | undefined
  /** It comes into a new branch: nothing old is on its way. */
  readonly fresh: boolean
  readonly flangeMm: number | null | undefined
  readonly roughMm: number | null | undefined
  readonly bowlMm: number | null | undefined
  readonly spanMm: number | null | undefined
  readonly reachMm: number | null | undefined
  readonly trapped: boolean | undefined
  readonly slow: boolean | undefined
  readonly unvented: boolean | undefined
  readonly rises: boolean | undefined
  readonly turn: 0 | 45 | 90 | undefined
  readonly oldTrap: OldTrap | null | undefined
  readonly oldJoint: Situation['oldJoint'] | undefined
  readonly onSet: (patch: Partial<Situation>, label: string) => void
}

/** What is asked of a drain besides the stub: how a flange lies to the floor, what trap stays, how it runs. */
export function DrainConditions({
  kind,
  fresh,
  flangeMm,
  roughMm,
  bowlMm,
  spanMm,
  reachMm,
  trapped,
  slow,
  unvented,
  rises,
  turn,
  oldTrap,
  oldJoint,
  onSet,
}: Props) {
  const lies = fresh || (oldJoint !== 'flange' && Boolean(turn))
  if (kind === 'waste.bowl')
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
      </View>
    )
  if (kind === 'waste.pan')
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
      </View>
    )
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
          hint={`Along the pipe, from ${fresh ? 'the mouth of the new branch' : 'where its bare end is measured'}: the trap then stands right under the drain. Leave out if it can stand anywhere.`}
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
      {kind?.startsWith('waste.run.') ? null : (
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
      )}
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
