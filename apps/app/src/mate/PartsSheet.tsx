import type { OperationResponse } from '@diarmos/contract'
import type { MateOption } from '@diarmos/core'
import { besidesFor, isOfDrain, openedFor, plugsOf, toolsFor } from '@diarmos/core/record'
import { BESIDES_WORDS } from '@diarmos/core/words/besides'
import { CONSUMABLE_WORDS, TOOL_WORDS } from '@diarmos/core/words/methods'
import { View } from 'react-native'
import { money } from '../ui/money'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'
import { useSolved } from '../workers/solver'

interface Row {
  readonly key: string
  readonly name: string
  readonly count: number
  readonly cents: number | null
  readonly aboard: boolean
}

/** Parts of all lines, alike ones counted together. */
export function partRows(options: readonly MateOption[]): Row[] {
  const rows = new Map<string, Row>()
  for (const part of options.flatMap((option) => option.parts)) {
    const known = rows.get(part.fittingId)
    rows.set(part.fittingId, {
      key: part.fittingId,
      name: part.name,
      count: (known?.count ?? 0) + 1,
      cents: (known?.cents ?? 0) + part.priceCents,
      aboard: part.aboard,
    })
  }
  return [...rows.values()]
}

/** What the joints use up: sized where the size matters; of what comes out of a can, the can. */
export function consumableRows(options: readonly MateOption[]): Row[] {
  const rows = new Map<string, Row>()
  for (const joint of options.flatMap((option) => option.joints))
    for (const { id, quantity } of joint.consumables) {
      const sized = /ring|clamp|sleeve|clip|insert/.test(id)
      const key = sized ? `${id} ${joint.nominal}` : id
      const size = sized ? `, ${joint.nominal} ${joint.system === 'metric' ? 'mm' : 'in'}` : ''
      rows.set(key, {
        key,
        name: `${CONSUMABLE_WORDS[id] ?? id}${size}`,
        count: (rows.get(key)?.count ?? 0) + quantity,
        cents: null,
        aboard: true,
      })
    }
  for (const id of openedFor(options))
    rows.set(id, { key: id, name: CONSUMABLE_WORDS[id] ?? id, count: 1, cents: null, aboard: true })
  return [...rows.values()]
}

/** Wall plates for the stubs: whole where the end is bare anyway, split where it goes round at any time. */
export function plateRows(plates: OperationResponse<'plates'>): Row[] {
  const rows = new Map<string, Row>()
  for (const { id, name, split } of plates.flat())
    rows.set(id, {
      key: id,
      name: `${name}: ${split ? 'round at any time' : 'on before the joint'}`,
      count: (rows.get(id)?.count ?? 0) + 1,
      cents: null,
      aboard: true,
    })
  return [...rows.values()]
}

function List({ title, rows }: { title: string; rows: readonly Row[] }) {
  if (rows.length === 0) return null
  return (
    <View className="mb-3">
      <Txt bold tone="soft" size="s">
        {title}
      </Txt>
      {rows.map((row) => (
        <View key={row.key} className="min-h-[48px] flex-row items-center gap-2 border-b border-rule py-1">
          <Txt bold className="w-[44px]">
            {row.count} ×
          </Txt>
          <View className="flex-1">
            <Txt>{row.name}</Txt>
            {row.aboard ? null : (
              <Txt size="s" tone="amber" bold>
                △ from the counter
              </Txt>
            )}
          </View>
          {row.cents === null ? null : <Txt>{money(row.cents)}</Txt>}
        </View>
      ))}
    </View>
  )
}

/** What shuts open drains meanwhile, sized by the old pipe of each way; it comes out again. */
export function plugRows(options: readonly MateOption[], pipeIds: readonly (string | null)[]): Row[] {
  const rows = new Map<string, Row>()
  for (const { nominal, unit, count } of options.flatMap((option, at) => plugsOf(option, pipeIds[at]))) {
    const key = `${nominal} ${unit}`
    rows.set(key, {
      key,
      name: `test plug, ${key}, on a string`,
      count: (rows.get(key)?.count ?? 0) + count,
      cents: null,
      aboard: true,
    })
  }
  return [...rows.values()]
}

/** What is set on the drain, and the floor over it, ask for besides. */
export function besidesRows(places: Parameters<typeof besidesFor>[0]): Row[] {
  return besidesFor(places).map((id) => ({
    key: id,
    name: BESIDES_WORDS[id],
    count: 1,
    cents: null,
    aboard: true,
  }))
}

interface Props {
  readonly options: readonly MateOption[]
  /** What each of them begins at, where that is old pipe that was found. */
  readonly pipeIds: readonly (string | null)[]
  /** Where each of them goes, and what it ends at. */
  readonly places?: Parameters<typeof besidesFor>[0]
  readonly onClose: () => void
}

/** Everything to lay out before the water goes off. */
export function PartsSheet({ options, pipeIds, places = [], onClose }: Props) {
  const stubs = options.flatMap((option) => option.joints.filter((joint) => joint.atStub))
  const plates = useSolved('plates', { diametersMm: stubs.map(({ diameterMm }) => diameterMm) })
  const tools = toolsFor(options, pipeIds).map((tool) => TOOL_WORDS[tool] ?? tool)
  return (
    <SheetModal title="Parts, and what they use up" onClose={onClose}>
      <View testID="parts">
        <List title="Parts" rows={partRows(options)} />
        <List title="Used up" rows={consumableRows(options)} />
        <List title="In open drains meanwhile, and counted out" rows={plugRows(options, pipeIds)} />
        <List title="For what is set, and where it stands" rows={besidesRows(places)} />
        <List title="At the wall, one or the other" rows={plateRows(plates.answer ?? [])} />
        <Txt bold tone="soft" size="s">
          Tools
        </Txt>
        <Txt>{tools.join(', ')}</Txt>
        {options.every(isOfDrain) ? null : (
          <Txt size="s" tone="soft" className="mt-3">
            Drinking water: every part lead-free.
          </Txt>
        )}
      </View>
    </SheetModal>
  )
}
