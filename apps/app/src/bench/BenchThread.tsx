import { View } from 'react-native'
import { isThreadLook, toThreadObservations } from '../find/looks'
import { ThreadPanel } from '../thread/ThreadPanel'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { useSolved } from '../workers/solver'
import { BenchFrame } from './BenchFrame'
import { useBenchCase } from './useBenchCase'

/** Which thread is it, without a job. */
export function BenchThread() {
  const bench = useBenchCase()
  const looks = bench.looks.filter(isThreadLook)
  const request = { region: bench.context.region, observations: toThreadObservations(looks) }
  const belief = useSolved('identify-thread', request)
  return (
    <BenchFrame
      title="Which thread is it?"
      fault={bench.fault}
      operation="identify-thread"
      request={request}
      beside={looks.length > 0 ? <Button kind="quiet" label="Clear the bench" onPress={bench.clear} /> : null}
    >
      <ThreadPanel belief={belief} looks={looks} onLook={bench.addLook} onWithdraw={bench.withdraw} />
      <View className="mt-3">
        <Choice
          label="Threads here are"
          columns={3}
          value={bench.context.region}
          options={[
            { value: 'north-america', label: 'inch' },
            { value: 'metric', label: 'metric' },
            { value: 'unknown', label: 'not known' },
          ]}
          onChange={(region) => bench.setContext({ region })}
        />
      </View>
    </BenchFrame>
  )
}
