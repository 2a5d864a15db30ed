import { endOfKind } from '@diarmos/core/words/ends'
import { useState } from 'react'
import { ScrollView, View } from 'react-native'
import { FixedEnds } from '../cut/FixedEnds'
import { usePreferences } from '../data/preferences'
import { useSettings } from '../data/select'
import { SceneView } from '../drawing/SceneView'
import { CopyCase } from '../job/CopyCase'
import { ForATime } from '../mate/ForATime'
import { OptionCard } from '../mate/OptionCard'
import { PartsSheet } from '../mate/PartsSheet'
import { Nothing, Refusals } from '../mate/Refused'
import { SeamSheet } from '../mate/SeamSheet'
import { WayStrip } from '../mate/WayStrip'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { EndRow, EndSheet } from '../ui/EndChoice'
import { faultWords } from '../ui/faultWords'
import { MeasureRow } from '../ui/MeasureRow'
import { Note } from '../ui/Note'
import { Toggle } from '../ui/Toggle'
import { TopBar } from '../ui/TopBar'
import { Txt } from '../ui/Txt'
import { useSheet } from '../ui/useSheet'
import { useWide } from '../ui/useWide'
import { useSolved } from '../workers/solver'
import { type Duty, hasSecond, INTOS, type Into } from './mateLink'
import { benchMateRequest } from './mateRequest'
import { ShareLink } from './ShareLink'
import { LENGTHS, useMateQuestion } from './useMateQuestion'

const DUTY_WORDS: Readonly<Record<Duty | Into, string>> = {
  join: 'join both',
  feed: 'feed a fixture',
  stop: 'end in a stop',
  close: 'close it off',
  // into a run that is fixed at both ends
  repair: 'run: repair',
  corner: 'run: corner',
  tee: 'run: tee',
  valve: 'run: valve',
}
const isInto = (value: string): value is Into => (INTOS as readonly string[]).includes(value)
/** Ends that only fixtures have: what they are fed by begins with a stop. */
const OF_FIXTURES = /^(parallel-male|swivel-nut|compression-outlet)$/

/** Any end to any other, or into a run that is fixed at both ends, without a job. */
export function BenchMate() {
  const wide = useWide()
  const unit = usePreferences((state) => state.unit)
  const settings = useSettings()?.fields.mate
  const { question, fault, set } = useMateQuestion()
  const [picking, setPicking] = useSheet('end', ['a', 'b'])
  const [shown, setShown] = useState<string | null>(null)
  const [parts, setParts] = useSheet('parts', ['shown'])
  const [seam, setSeam] = useSheet<string>('seam')
  const request = settings ? benchMateRequest(question, settings) : null
  const mate = useSolved('mate', request)
  const result = mate.answer?.lines[0]
  const option = result?.options.find((entry) => entry.id === shown) ?? result?.options[0]
  const height = wide ? 420 : 210
  const forFixture =
    question.into === null &&
    question.duty === 'join' &&
    [endOfKind(question.a, question.aSize), endOfKind(question.b, question.bSize)].some((end) =>
      OF_FIXTURES.test(end?.form ?? ''),
    )
  const pipe = endOfKind(question.a, question.aSize)?.pipe?.replace('#', question.aSize) ?? null
  const { nearMm, farMm, freeMm, sidewaysMm, outMm, farOutMm, placeMm } = question
  const fixed = useSolved(
    'fixed-ends',
    option && pipe && question.into
      ? {
          pipeId: pipe,
          option: option as never,
          takeOutMm: outMm,
          legsMm: [outMm, farOutMm],
          placeMm,
          bareMm: [nearMm, farMm],
          freeMm: [freeMm ?? 0, freeMm ?? 0],
          roomMm: sidewaysMm ?? 0,
        }
      : null,
  )
  const scene = useSolved(
    'draw',
    option
      ? {
          pipeId: question.into ? pipe : null,
          option: option as never,
          stubMm: question.nearMm ?? 45,
          unit,
          widthPx: wide ? 520 : 370,
          heightPx: height,
          stage: 'mate',
        }
      : null,
  )
  const picture =
    option && scene.answer ? (
      <SceneView
        scene={scene.answer.scene}
        height={height}
        label="The chain, to scale"
        onSeam={(seam) => setSeam(String(seam))}
      />
    ) : (
      <View style={{ height }} className="items-center justify-center">
        <Txt tone="soft">{result ? 'Nothing to draw: nothing fits.' : 'Working it out …'}</Txt>
      </View>
    )
  const panel = (
    <>
      <ScrollView className="flex-1 px-4" contentContainerClassName="pb-5 pt-2">
        {fault ? (
          <Note kind="caution" title="This link cannot be read">
            {fault}
          </Note>
        ) : null}
        <EndRow
          name={question.into ? 'The run' : 'From'}
          kind={question.a}
          size={question.aSize}
          onPress={() => setPicking('a')}
        />
        {hasSecond(question) ? (
          <EndRow name="To" kind={question.b} size={question.bSize} onPress={() => setPicking('b')} />
        ) : null}
        <View className="mt-3">
          <Choice
            label="What is it for?"
            columns={4}
            value={question.into ?? question.duty}
            options={(Object.entries(DUTY_WORDS) as [Duty | Into, string][]).map(([value, label]) => ({
              value,
              label,
            }))}
            onChange={(value) => {
              if (!isInto(value)) return set({ into: null, duty: value as Duty })
              // only pipe can be cut open
              set({ into: value, duty: 'join', ...(pipe ? {} : { a: 'copper', aSize: '1/2' }) })
            }}
          />
        </View>
        {forFixture ? (
          <Note kind="note" title="That is the end of a fixture">
            It is fed through a stop and what is flexible: say that it feeds a fixture.
          </Note>
        ) : null}
        {question.into
          ? LENGTHS.map(([key, label, hint]) => (
              <MeasureRow
                key={key}
                label={label}
                hint={hint}
                mm={question[key]}
                onEnter={({ mm }) => set({ [key]: mm })}
              />
            ))
          : null}
        {mate.error ? (
          <Note kind="caution" title="This could not be worked out">
            {faultWords(mate.error, unit)}
          </Note>
        ) : null}
        <View className="mt-3" aria-live="polite">
          {option ? (
            <>
              <OptionCard
                option={option}
                rank={(result?.options.indexOf(option) ?? 0) + 1}
                chosen={false}
                together={false}
                {...(question.duty === 'join' ? { last: 'on the other end' } : {})}
              />
              {fixed.answer ? (
                <FixedEnds
                  answer={fixed.answer}
                  families={option.parts.map(({ family }) => family)}
                  measured={question.freeMm !== null && question.sidewaysMm !== null}
                  placeMm={question.placeMm}
                  onOut={({ mm }, leg) => set(leg === 1 ? { farOutMm: mm } : { outMm: mm })}
                  onPlace={(_, { mm }) => set({ placeMm: mm })}
                />
              ) : null}
              <Button kind="quiet" label="Parts" onPress={() => setParts('shown')} />
            </>
          ) : result && !forFixture ? (
            <Nothing result={result} />
          ) : null}
        </View>
        {result ? <Refusals result={result} /> : null}
        {result ? <ForATime ways={result.temporary} /> : null}
        <Toggle label="Flame allowed" value={question.flame} onChange={(flame) => set({ flame })} />
        <Toggle label="Line dry" value={question.dry} onChange={(dry) => set({ dry })} />
        <Toggle label="Within reach later" value={question.reach} onChange={(reach) => set({ reach })} />
        <Toggle
          label="Also improvised ways"
          value={question.improvised}
          onChange={(improvised) => set({ improvised })}
        />
        <Txt size="s" tone="soft" className="mt-3">
          The local code, the makers’ sheets and a licensed plumber’s judgement come first.
        </Txt>
        <ShareLink />
        <CopyCase operation="mate" request={request} />
      </ScrollView>
      {result && result.options.length > 1 ? (
        <View className="border-t border-rule bg-sheet p-3">
          <WayStrip
            options={result.options}
            all={result.options}
            shown={option?.id}
            chosen={undefined}
            onShow={setShown}
          />
        </View>
      ) : null}
      {picking ? (
        <EndSheet
          title={picking === 'a' ? (question.into ? 'The run' : 'From') : 'To'}
          kind={picking === 'a' ? question.a : question.b}
          size={picking === 'a' ? question.aSize : question.bSize}
          pipesOnly={question.into !== null}
          onPick={(kind, size) => set(picking === 'a' ? { a: kind, aSize: size } : { b: kind, bSize: size })}
          onClose={() => setPicking(null)}
        />
      ) : null}
      {parts && option ? (
        <PartsSheet
          options={[option]}
          pipeIds={[request?.lines[0]?.pipeId ?? null]}
          onClose={() => setParts(null)}
        />
      ) : null}
      {seam !== null && option ? (
        <SeamSheet option={option} seam={Number(seam)} onClose={() => setSeam(null)} />
      ) : null}
    </>
  )
  return wide ? (
    <View className="flex-1">
      <TopBar bare title="Mate one end to another" />
      <View className="flex-1 flex-row">
        <View className="flex-1 justify-center border-r border-rule px-4">{picture}</View>
        <View className="w-[440px]">{panel}</View>
      </View>
    </View>
  ) : (
    <View className="flex-1">
      <TopBar bare title="Mate one end to another" />
      <View className="px-1">{picture}</View>
      {panel}
    </View>
  )
}
