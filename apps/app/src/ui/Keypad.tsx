import { type LengthUnit, type ParsedLength, parseLength } from '@diarmos/core/units'
import { useEffect, useRef, useState } from 'react'
import { Pressable, View } from 'react-native'
import { prefer, usePreferences } from '../data/preferences'
import { FromCaliper } from '../devices/FromCaliper'
import { Button } from './Button'
import { SheetModal } from './SheetModal'
import { Txt } from './Txt'

interface Props {
  title: string
  hint?: string
  onClose: () => void
  onEnter: (length: ParsedLength) => void
}

const DIGITS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', '⌫'] as const
const EIGHTHS = ['1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8'] as const
const THIRTY_SECONDS = [1, 3, 5, 7, 9, 11, 13, 15, 17, 19, 21, 23, 25, 27, 29, 31].map((n) => `${n}/32`)
const SIXTEENTHS = ['1/16', '3/16', '5/16', '7/16', '9/16', '11/16', '13/16', '15/16'] as const

interface Entry {
  digits: string
  fraction: string
  /** Written on a real keyboard: read as it stands. */
  typed?: string
}

/** What a length is written with. */
const WRITTEN = /^[0-9 .,/'"″′½¼¾⅛⅜⅝⅞a-z-]$/i

function textOf({ digits, fraction, typed }: Entry): string {
  if (typed !== undefined) return typed
  if (!fraction) return digits
  return digits && digits !== '0' ? `${digits} ${fraction}` : fraction
}

function press(entry: Entry, key: string): Entry {
  // on goes what was written
  if (entry.typed !== undefined)
    return { ...entry, typed: key === '⌫' ? entry.typed.slice(0, -1) : entry.typed + key }
  if (key === '⌫')
    return entry.fraction ? { ...entry, fraction: '' } : { ...entry, digits: entry.digits.slice(0, -1) }
  if (key === '.')
    return entry.digits.includes('.') || entry.fraction ? entry : { ...entry, digits: `${entry.digits}.` }
  if (entry.digits.length >= 6) return entry
  return { ...entry, digits: entry.digits + key }
}

/** A fraction set as a fraction, small enough for eight in a row. */
function FractionKey({
  fraction,
  onPress,
  chosen,
}: {
  fraction: string
  onPress: () => void
  chosen: boolean
}) {
  const [above, below] = fraction.split('/')
  return (
    <Pressable
      role="button"
      aria-label={fraction}
      aria-pressed={chosen}
      onPress={onPress}
      className={`min-h-[56px] flex-1 items-center justify-center rounded-[4px] border-[1.5px] active:bg-patina-wash ${chosen ? 'border-patina bg-patina-wash' : 'border-rule bg-raised'}`}
    >
      <Txt bold className="border-b-[1.5px] border-ink px-0.5">
        {above}
      </Txt>
      <Txt bold className="px-0.5">
        {below}
      </Txt>
    </Pressable>
  )
}

function Key({ label, onPress }: { label: string; onPress: () => void }) {
  return (
    <Pressable
      role="button"
      aria-label={label === '⌫' ? 'Delete' : label === '.' ? 'Point' : label}
      onPress={onPress}
      className={`min-h-[52px] flex-1 items-center justify-center rounded-[4px] border-[1.5px] active:bg-patina-wash border-rule bg-raised`}
    >
      <Txt bold size="xl">
        {label}
      </Txt>
    </Pressable>
  )
}

/**
 * The measuring keypad: whole inches, then a fraction by one tap; or a decimal; or millimetres. What is entered is
 * handed over as written, with its unit and resolution.
 */
export function Keypad({ title, hint, onClose, onEnter }: Props) {
  const { unit, denominator } = usePreferences()
  const [entry, setEntry] = useState<Entry>({ digits: '', fraction: '' })
  const [caliper, setCaliper] = useState(false)
  const written = textOf(entry)
  const text = unit === 'mm' && entry.typed === undefined ? `${written} mm` : written.trim()
  const parsed = parseLength(text, { unit })
  const changeUnit = (next: LengthUnit) => {
    prefer({ unit: next })
    setEntry({ digits: '', fraction: '' })
  }
  const enter = () => {
    if (parsed.ok) onEnter({ ...parsed, text })
  }

  const latest = useRef(enter)
  latest.current = enter
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.metaKey || event.ctrlKey || event.altKey) return
      if (
        event.key === 'Enter' &&
        !(event.target as HTMLElement).matches?.('[role="button"],[role="radio"]')
      ) {
        event.preventDefault()
        latest.current()
      } else if (WRITTEN.test(event.key)) {
        // a space would press what has the focus
        event.preventDefault()
        setEntry((held) => ({ ...held, typed: textOf(held) + event.key }))
      } else if (event.key === 'Backspace') setEntry((held) => press(held, '⌫'))
    }
    window.addEventListener('keydown', onKey, true)
    return () => window.removeEventListener('keydown', onKey, true)
  }, [])

  return (
    <SheetModal title={title} onClose={onClose}>
      {hint ? (
        <Txt size="s" tone="soft" className="mb-1">
          {hint}
        </Txt>
      ) : null}
      {caliper ? (
        <FromCaliper
          unit={unit}
          onTake={(typed) => {
            setCaliper(false)
            setEntry({ digits: '', fraction: '', typed })
          }}
        />
      ) : (
        <>
          <View className="mb-2 flex-row items-center justify-between border-b-2 border-ink">
            <View aria-live="polite" className="min-h-[56px] flex-1 flex-row items-center gap-2">
              <Txt bold size="xxl">
                {entry.typed ?? (entry.digits || (entry.fraction ? '' : '–'))}
              </Txt>
              {entry.fraction && entry.typed === undefined ? (
                <View className="items-center" aria-label={entry.fraction}>
                  <Txt bold size="l" className="border-b-2 border-ink px-1">
                    {entry.fraction.split('/')[0]}
                  </Txt>
                  <Txt bold size="l" className="px-1">
                    {entry.fraction.split('/')[1]}
                  </Txt>
                </View>
              ) : null}
              <Txt size="l" tone="soft">
                {unit}
              </Txt>
            </View>
            <View className="w-[132px] flex-row gap-1 py-1" role="radiogroup" aria-label="Unit">
              {(['in', 'mm'] as const).map((value) => (
                <Pressable
                  key={value}
                  role="radio"
                  aria-checked={unit === value}
                  aria-label={value === 'in' ? 'inches' : 'millimetres'}
                  onPress={() => changeUnit(value)}
                  className={`min-h-[48px] flex-1 items-center justify-center rounded-[4px] border-[1.5px] ${unit === value ? 'border-patina bg-patina-wash' : 'border-rule bg-raised'}`}
                >
                  <Txt bold>{value}</Txt>
                </Pressable>
              ))}
            </View>
          </View>
          {unit === 'in' ? (
            <View className="mb-1 gap-1">
              {[
                EIGHTHS,
                SIXTEENTHS,
                ...(denominator === 32 ? [THIRTY_SECONDS.slice(0, 8), THIRTY_SECONDS.slice(8)] : []),
              ].map((row) => (
                <View key={row[0]} className="flex-row gap-1">
                  {row.map((fraction) => (
                    <FractionKey
                      key={fraction}
                      fraction={fraction}
                      chosen={entry.fraction === fraction}
                      onPress={() =>
                        setEntry((held) =>
                          held.typed !== undefined
                            ? { ...held, typed: `${held.typed.trim()} ${fraction}`.trim() }
                            : held.digits.includes('.')
                              ? held
                              : { ...held, fraction: held.fraction === fraction ? '' : fraction },
                        )
                      }
                    />
                  ))}
                </View>
              ))}
            </View>
          ) : null}
          <View className="gap-1">
            {[0, 3, 6, 9].map((from) => (
              <View key={from} className="flex-row gap-1">
                {DIGITS.slice(from, from + 3).map((digit) => (
                  <Key key={digit} label={digit} onPress={() => setEntry((held) => press(held, digit))} />
                ))}
              </View>
            ))}
          </View>
          <View className="mt-2">
            {!parsed.ok && written !== '' ? (
              <Txt size="s" tone="oxide" role="alert">
                {parsed.message}
              </Txt>
            ) : null}
            <Button kind="primary" label="Enter" disabled={!parsed.ok} onPress={enter} />
          </View>
        </>
      )}
      <Button
        kind="quiet"
        label={caliper ? 'Back to the keys' : 'From a caliper'}
        onPress={() => setCaliper(!caliper)}
      />
    </SheetModal>
  )
}
