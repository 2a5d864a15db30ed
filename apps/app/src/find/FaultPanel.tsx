import { END_FAULTS, type EndFault } from '@diarmos/core/answers'
import { wrongText } from '@diarmos/core/words/find'
import { useState } from 'react'
import { Pressable, View } from 'react-native'
import { foundMaterial, isDrain, type JobView, type LineView, situationOf } from '../data/select'
import { setConditions } from '../job/actions'
import { FaultSign } from '../ui/FaultSign'
import { Txt } from '../ui/Txt'

type Fault = EndFault | 'scored' | 'out-of-round'
const ALL: readonly Fault[] = ['scored', 'out-of-round', ...END_FAULTS]
/** What is only wrong with drains, and what is never asked of them. */
const OF_DRAINS: ReadonlySet<Fault> = new Set(['ring-broken', 'hub-split'])
const OF_WATER: ReadonlySet<Fault> = new Set(['ring-mark', 'tooth-marks', 'solder-on', 'dirty-bore'])
/** What is kept elsewhere than among the faults. */
const APART: Readonly<Record<string, string>> = { scored: 'scored', 'out-of-round': 'out of round' }

/** What is wrong with the end: it decides what may be joined to it. */
export function FaultPanel({ view, line }: { view: JobView; line: LineView }) {
  const [open, setOpen] = useState(false)
  const situation = situationOf(line)
  const has = (fault: Fault) =>
    fault === 'scored'
      ? situation.scored
      : fault === 'out-of-round'
        ? situation.outOfRound
        : situation.faults.includes(fault)
  const waste = isDrain(line)
  const said = (fault: Fault) => APART[fault] ?? wrongText(fault, waste, foundMaterial(line) ?? undefined)
  const asked = ALL.filter((fault) => !(waste ? OF_WATER : OF_DRAINS).has(fault) || has(fault))
  const found = ALL.filter(has)
  const toggle = (fault: Fault) => {
    const on = !has(fault)
    const label = `${said(fault)}: ${on ? 'yes' : 'no'}`
    if (fault === 'scored') return void setConditions(view, [line], { scored: on }, label)
    if (fault === 'out-of-round') return void setConditions(view, [line], { outOfRound: on }, label)
    const faults = on ? [...situation.faults, fault] : situation.faults.filter((other) => other !== fault)
    void setConditions(view, [line], { faults }, label)
  }
  return (
    <View className="mt-3" testID="faults">
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={`What is wrong with it: ${found.length === 0 ? 'nothing so far' : found.map(said).join(', ')}`}
        onPress={() => setOpen(!open)}
        className="min-h-[52px] flex-row items-center justify-between border-b border-t border-rule"
      >
        <Txt bold>What is wrong with it?</Txt>
        <Txt tone={found.length > 0 ? 'amber' : 'soft'} className="shrink text-right">
          {found.length === 0 ? 'nothing so far' : found.map(said).join(', ')} {open ? '−' : '+'}
        </Txt>
      </Pressable>
      {open ? (
        <View className="-mx-1 flex-row flex-wrap pt-1">
          {asked.map((fault) => {
            const on = has(fault)
            return (
              <View key={fault} className="w-1/3 p-1">
                <Pressable
                  role="checkbox"
                  aria-checked={on}
                  aria-label={said(fault)}
                  onPress={() => toggle(fault)}
                  className={`min-h-[84px] flex-1 items-center justify-center rounded-[4px] border-[1.5px] p-1 ${on ? 'border-amber bg-amber-wash' : 'border-rule bg-raised'}`}
                >
                  <View aria-hidden>
                    <FaultSign kind={fault} />
                  </View>
                  <Txt size="s" bold={on} className="text-center">
                    {on ? '✓ ' : ''}
                    {said(fault)}
                  </Txt>
                </Pressable>
              </View>
            )
          })}
        </View>
      ) : null}
    </View>
  )
}
