import { View } from 'react-native'
import type { EntityFields } from '../data/types'
import { Choice } from '../ui/Choice'
import { Toggle } from '../ui/Toggle'
import { TurnChoice } from './TurnChoice'

type Situation = EntityFields<'situation'>

/** What stands for a band of pressures: what rubber and clips hold, and where a regulator is wanted. */
const BANDS = { unread: null, low: 40, usual: 60, high: 90 } as const
const pressureBand = (psi: number | null): keyof typeof BANDS =>
  psi === null ? 'unread' : psi > 80 ? 'high' : psi > 45 ? 'usual' : 'low'

interface Props {
  conditions: Pick<Situation, 'nearHeater' | 'turn' | 'pressurePsi' | 'sunlight'>
  set: (patch: Partial<Situation>, label: string) => void
  improvised: boolean
  onImprovised: (improvised: boolean) => void
}

/** What only a line under pressure is asked. */
export function WaterConditions({ conditions, set, improvised, onImprovised }: Props) {
  return (
    <>
      <Toggle
        label="Within 18 in of a heater"
        value={conditions.nearHeater}
        onChange={(nearHeater) => set({ nearHeater }, nearHeater ? 'Near a heater' : 'Away from the heater')}
      />
      <TurnChoice label="The line turns before the fixture" turn={conditions.turn} onTurn={set} />
      <View className="mt-2">
        <Choice
          label="Static pressure, read at the house"
          columns={2}
          value={pressureBand(conditions.pressurePsi)}
          options={[
            { value: 'unread', label: 'not read' },
            { value: 'low', label: 'to 45 psi' },
            { value: 'usual', label: '46 to 80' },
            { value: 'high', label: 'over 80' },
          ]}
          onChange={(band) => set({ pressurePsi: BANDS[band] }, `Pressure: ${band}`)}
        />
      </View>
      <Toggle
        label="In daylight"
        value={conditions.sunlight}
        onChange={(sunlight) => set({ sunlight }, sunlight ? 'In daylight' : 'Out of daylight')}
      />
      <Toggle
        label="Also improvised ways"
        detail={improvised ? 'made up on the job: a fall-back, marked as such' : undefined}
        value={improvised}
        onChange={onImprovised}
      />
    </>
  )
}
