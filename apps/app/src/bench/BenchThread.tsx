import { ScrollView, View } from 'react-native'
import { isThreadLook, toThreadObservations } from '../find/looks'
import { CopyCase } from '../job/CopyCase'
import { ThreadPanel } from '../thread/ThreadPanel'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Note } from '../ui/Note'
import { TopBar } from '../ui/TopBar'
import { useSolved } from '../workers/solver'
import { ShareLink } from './ShareLink'
import { useBenchCase } from './useBenchCase'

/** Which thread is it, without a job. */
export function BenchThread() {
  const bench = useBenchCase()
  const looks = bench.looks.filter(isThreadLook)
  const request = { region: bench.context.region, observations: toThreadObservations(looks) }
  const belief = useSolved('identify-thread', request)
  return (
    <View className="mx-auto w-full max-w-[720px] flex-1">
      <TopBar bare title="Which thread is it?" />
      <ScrollView className="flex-1 px-4" contentContainerClassName="pb-5 pt-2">
        {bench.fault ? (
          <Note kind="caution" title="This link cannot be read">
            {bench.fault}
          </Note>
        ) : null}
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
        <ShareLink />
        {looks.length > 0 ? <Button kind="quiet" label="Clear the bench" onPress={bench.clear} /> : null}
        <CopyCase operation="identify-thread" request={request} />
      </ScrollView>
    </View>
  )
}
