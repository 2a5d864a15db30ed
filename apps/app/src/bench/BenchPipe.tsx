import { QUESTIONS } from '@diarmos/core/words/find'
import { useMemo, useState } from 'react'
import { ScrollView, View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { SceneView } from '../drawing/SceneView'
import { ExpectedSheet } from '../find/ExpectedSheet'
import { FindPanel, useAsking } from '../find/FindPanel'
import { isThreadLook, toObservations } from '../find/looks'
import { CopyCase } from '../job/CopyCase'
import { ERA_WORDS } from '../job/eras'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Note } from '../ui/Note'
import { TopBar } from '../ui/TopBar'
import { useSheet } from '../ui/useSheet'
import { useWide } from '../ui/useWide'
import { useSolved } from '../workers/solver'
import { ShareLink } from './ShareLink'
import { useBenchCase } from './useBenchCase'

const SERVICES = [
  { value: 'unknown', label: 'not known' },
  { value: 'cold', label: 'cold' },
  { value: 'hot', label: 'hot' },
  { value: 'drain', label: 'drain' },
  { value: 'vent', label: 'vent' },
] as const
const REGIONS = [
  { value: 'north-america', label: 'inch' },
  { value: 'metric', label: 'metric' },
  { value: 'unknown', label: 'not known' },
] as const

/** Which pipe is it, without a job: the same looks and the same answer. */
export function BenchPipe() {
  const wide = useWide()
  const unit = usePreferences((state) => state.unit)
  const bench = useBenchCase()
  const { asking, ask } = useAsking()
  const [place, setPlace] = useState(false)
  const [expected, setExpected] = useSheet('usual', ['shown'])
  const { context } = bench
  const looks = bench.looks.filter((look) => !isThreadLook(look))
  const request = { ...context, known: [], observations: toObservations(looks) }
  const belief = useSolved('identify', request)
  const best = belief.answer?.next[0]?.question
  const height = wide ? 420 : 130
  const drawing = useMemo(
    () =>
      belief.answer
        ? {
            pipeId: null,
            outline: [...belief.answer.outline],
            unit,
            widthPx: wide ? 520 : 370,
            heightPx: height,
            stage: 'find' as const,
          }
        : null,
    [belief.answer, unit, wide, height],
  )
  const scene = useSolved('draw', drawing)
  const picture = scene.answer ? (
    <SceneView scene={scene.answer.scene} height={height} label="The diameters still possible" />
  ) : (
    <View style={{ height }} />
  )
  const panel = (
    <>
      <ScrollView className="flex-1 px-4" contentContainerClassName="pb-5 pt-2">
        {bench.fault ? (
          <Note kind="caution" title="This link cannot be read">
            {bench.fault}
          </Note>
        ) : null}
        <FindPanel
          belief={belief}
          looks={looks}
          asking={asking}
          ask={ask}
          onLook={(look, _label, replaces) => bench.addLook(look, replaces)}
          onWithdraw={bench.withdraw}
        >
          <Button
            kind="quiet"
            label={`${place ? '−' : '+'} the place: ${context.service === 'unknown' ? 'any line' : context.service}, piped ${ERA_WORDS[context.era]}`}
            onPress={() => setPlace(!place)}
          />
          {place ? (
            <View className="gap-2">
              <Choice
                label="The line"
                columns={3}
                value={context.service}
                options={[...SERVICES]}
                onChange={(service) => bench.setContext({ service })}
              />
              <Choice
                label="Pipes here are"
                columns={3}
                value={context.region}
                options={[...REGIONS]}
                onChange={(region) => bench.setContext({ region })}
              />
              <Choice
                label="Last piped"
                columns={3}
                value={context.era}
                options={Object.entries(ERA_WORDS).map(([value, label]) => ({
                  value: value as typeof context.era,
                  label,
                }))}
                onChange={(era) => bench.setContext({ era })}
              />
            </View>
          ) : null}
        </FindPanel>
        <Button kind="quiet" label="What is usual here?" onPress={() => setExpected('shown')} />
        <ShareLink />
        {bench.looks.length > 0 ? (
          <Button kind="quiet" label="Clear the bench" onPress={bench.clear} />
        ) : null}
        <CopyCase operation="identify" request={request} />
      </ScrollView>
      {best && !belief.answer?.enough ? (
        <View className="border-t border-rule bg-sheet p-3">
          <Button
            kind={looks.length > 0 ? 'plain' : 'primary'}
            label={`Best look: ${QUESTIONS[best] ?? best}`}
            onPress={() => ask(best)}
            testID="best-look"
          />
        </View>
      ) : null}
      {expected && belief.answer ? (
        <ExpectedSheet
          belief={belief.answer}
          era={context.era}
          editable={false}
          finds={{}}
          onClose={() => setExpected(null)}
        />
      ) : null}
    </>
  )
  return wide ? (
    <View className="flex-1">
      <TopBar bare title="Which pipe is it?" />
      <View className="flex-1 flex-row">
        <View className="flex-1 justify-center border-r border-rule px-4">{picture}</View>
        <View className="w-[440px]">{panel}</View>
      </View>
    </View>
  ) : (
    <View className="flex-1">
      <TopBar bare title="Which pipe is it?" />
      <View className="px-1">{picture}</View>
      {panel}
    </View>
  )
}
