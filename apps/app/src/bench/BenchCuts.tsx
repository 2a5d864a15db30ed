import { formatLength, pieceLetter } from '@diarmos/core/units'
import { REASONS } from '@diarmos/core/words/reasons'
import { say } from '@diarmos/core/words/say'
import { router, useLocalSearchParams } from 'expo-router'
import { useState } from 'react'
import { Pressable, View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Keypad } from '../ui/Keypad'
import { Length } from '../ui/Length'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'
import { UnitButton } from '../ui/UnitButton'
import { useSolved } from '../workers/solver'
import { BarPicture } from './BarPicture'
import { BenchFrame } from './BenchFrame'
import { decodeLengths, encodeLengths } from './lengths'

const MOST = 40
const FOOT = 304.8
const STOCK = [
  { mm: 20 * FOOT, label: '20 ft' },
  { mm: 10 * FOOT, label: '10 ft' },
  { mm: 5 * FOOT, label: '5 ft' },
  { mm: 2 * FOOT, label: '2 ft' },
  { mm: 5000, label: '5 m' },
  { mm: 3000, label: '3 m' },
] as const
const SAWS = [
  { value: 'tube-cutter', label: 'wheel' },
  { value: 'saw-by-hand', label: 'hand saw' },
  { value: 'power-saw', label: 'power saw' },
] as const

/** A cut list and the stock it comes out of, with the least used up. */
export function BenchCuts() {
  const unit = usePreferences((state) => state.unit)
  const { mm, stock, saw, done } = useLocalSearchParams<Record<string, string>>()
  const [adding, setAdding] = useState(false)
  let pieces: number[] = []
  let fault: string | null = null
  try {
    pieces = decodeLengths(mm, MOST).filter((value): value is number => value !== null)
  } catch (error) {
    fault = (error as Error).message
  }
  const chosen = STOCK.filter(({ label }) => (stock ?? '10 ft').split('_').includes(label))
  const cutter = SAWS.find(({ value }) => value === saw)?.value ?? 'tube-cutter'
  const cut = new Set((done ?? '').split('_').filter(Boolean))
  const request =
    pieces.length > 0 && chosen.length > 0
      ? {
          pieces: pieces.map((length, index) => ({ name: pieceLetter(index), mm: length })),
          stock: chosen.map(({ mm: length }) => ({ mm: length })),
          cutter,
        }
      : null
  const { answer, busy, error } = useSolved('cutting-plan', request)
  // one cut after another, bar by bar
  const order = answer?.ok ? answer.bars.flatMap((bar) => bar.pieces) : []
  const next = order.find((piece) => !cut.has(pieceLetter(piece)))
  const keep = (lengths: readonly number[]) => router.setParams({ mm: encodeLengths(lengths), done: '' })
  const tick = (name: string) => {
    const after = new Set(cut)
    if (!after.delete(name)) after.add(name)
    router.setParams({ done: [...after].join('_') })
  }
  return (
    <BenchFrame
      title="Cut list"
      fault={fault}
      operation="cutting-plan"
      request={request}
      error={error}
      actions={
        <>
          <View className="flex-1">
            <Button
              kind={next === undefined ? 'primary' : 'plain'}
              label="Add a piece"
              disabled={pieces.length >= MOST}
              onPress={() => setAdding(true)}
            />
          </View>
          {next === undefined ? null : (
            <View className="flex-1">
              <Button
                kind="primary"
                label={`${pieceLetter(next)} is cut: next`}
                onPress={() => tick(pieceLetter(next))}
              />
            </View>
          )}
        </>
      }
    >
      {next !== undefined && pieces[next] !== undefined ? (
        <View className="border-b-2 border-ink pb-2" testID="next-cut">
          <Txt size="s" tone="soft">
            next: {pieceLetter(next)}
          </Txt>
          <Length mm={pieces[next]} size="huge" />
        </View>
      ) : order.length > 0 ? (
        <Txt bold tone="patina" size="l">
          ✓ All cut
        </Txt>
      ) : (
        <Txt tone="soft" className="py-6">
          Enter the pieces; the plan says which to cut out of which length.
        </Txt>
      )}
      {answer?.ok ? (
        <View className="mt-2" aria-busy={busy}>
          {answer.bars.map((bar, index) => (
            <View key={`${bar.stockMm}-${bar.pieces.join('-')}`} className="mb-1">
              <Txt size="s" tone="soft">
                {index + 1}. {formatLength(bar.stockMm, { unit })} · left {formatLength(bar.restMm, { unit })}
              </Txt>
              <BarPicture
                stockMm={bar.stockMm}
                restMm={bar.restMm}
                pieces={bar.pieces.map((piece) => ({ name: pieceLetter(piece), mm: pieces[piece] ?? 0 }))}
              />
            </View>
          ))}
          <Txt size="s" tone="soft">
            {formatLength(answer.stockMm, { unit })} of stock,{' '}
            {answer.proved
              ? 'no plan uses less'
              : `the best that was found; none uses less than ${formatLength(answer.leastMm, { unit })}`}
          </Txt>
        </View>
      ) : answer ? (
        <Note kind="caution" title="This cannot be cut">
          {say(REASONS[answer.reason.ruleId] ?? '', answer.reason.parameters, unit)}
        </Note>
      ) : null}
      <View className="mt-3">
        {pieces.map((length, index) => {
          const name = pieceLetter(index)
          const ticked = cut.has(name)
          return (
            <View key={name} className="min-h-[56px] flex-row items-center gap-3 border-b border-rule">
              <Pressable
                role="checkbox"
                aria-checked={ticked}
                aria-label={`Piece ${name} is cut`}
                onPress={() => tick(name)}
                className={`h-[48px] w-[48px] items-center justify-center rounded-[4px] border-2 ${ticked ? 'border-patina bg-patina' : 'border-ink bg-raised'}`}
              >
                <Txt bold size="l" tone={ticked ? 'on-patina' : 'ink'}>
                  {ticked ? '✓' : name}
                </Txt>
              </Pressable>
              <View className="flex-1">
                <Length mm={length} size="l" />
              </View>
              <Button
                kind="quiet"
                label="Drop"
                hint={`piece ${name}`}
                onPress={() => keep(pieces.filter((_, at) => at !== index))}
              />
            </View>
          )
        })}
      </View>
      <View className="mt-3 gap-3">
        <View>
          <Txt bold size="s" tone="soft" className="mb-1">
            Stock
          </Txt>
          <View className="flex-row flex-wrap gap-2">
            {STOCK.map(({ label }) => {
              const on = chosen.some((entry) => entry.label === label)
              const after = on
                ? chosen.filter((entry) => entry.label !== label).map((entry) => entry.label)
                : [...chosen.map((entry) => entry.label), label]
              return (
                <Pressable
                  key={label}
                  role="switch"
                  aria-checked={on}
                  aria-label={`Stock: ${label}`}
                  onPress={() => router.setParams({ stock: after.join('_') || 'none' })}
                  className={`min-h-[52px] min-w-[72px] items-center justify-center rounded-[4px] border-[1.5px] px-2 ${on ? 'border-patina bg-patina-wash' : 'border-rule bg-raised'}`}
                >
                  <Txt size="s" bold={on}>
                    {on ? '✓ ' : ''}
                    {label}
                  </Txt>
                </Pressable>
              )
            })}
          </View>
        </View>
        <Choice
          label="Cut with a"
          columns={3}
          value={cutter}
          options={SAWS.map((entry) => ({ ...entry }))}
          onChange={(value) => router.setParams({ saw: value })}
        />
        <UnitButton />
      </View>
      {adding ? (
        <Keypad
          title={`Piece ${pieceLetter(pieces.length)}`}
          onClose={() => setAdding(false)}
          onEnter={(length) => {
            setAdding(false)
            keep([...pieces, length.mm])
          }}
        />
      ) : null}
    </BenchFrame>
  )
}
