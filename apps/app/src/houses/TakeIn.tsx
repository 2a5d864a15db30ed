import type { Change, HouseFile } from '@diarmos/contract'
import { useState } from 'react'
import { View } from 'react-native'
import { shelf } from '../data/state'
import { type Edit, edit } from '../data/store'
import type { EntityKind } from '../data/types'
import { Button } from '../ui/Button'
import { chooseFile } from '../ui/chooseFile'
import { Note } from '../ui/Note'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'
import { askFile } from '../workers/file'

/** What kinds of documents are called, one and several. */
const WORDS: Readonly<Partial<Record<EntityKind, readonly [string, string]>>> = {
  property: ['house', 'houses'],
  point: ['point', 'points'],
  line: ['line', 'lines'],
  job: ['job', 'jobs'],
  situation: ['place', 'places'],
  observation: ['look', 'looks'],
  finding: ['finding', 'findings'],
  mating: ['way', 'ways'],
  dimension: ['measurement', 'measurements'],
  check: ['check', 'checks'],
  attachment: ['picture', 'pictures'],
}
const MOST_FAULTS = 4

interface Preview {
  readonly name: string
  readonly changes: readonly Change[]
  readonly same: number
}

const titleOf = ({ kind, id, patch }: Change): string => {
  const fields = { ...(shelf.get(kind, id)?.fields as Record<string, unknown> | undefined), ...patch }
  return String(fields.label ?? fields.title ?? fields.name ?? WORDS[kind]?.[0] ?? kind)
}

/** `1 house, 3 points`. */
function counted(changes: readonly Change[]): string {
  const counts = new Map<EntityKind, number>()
  for (const { kind } of changes) counts.set(kind, (counts.get(kind) ?? 0) + 1)
  return [...counts]
    .map(([kind, count]) => `${count} ${WORDS[kind]?.[count === 1 ? 0 : 1] ?? kind}`)
    .join(', ')
}

async function preview(file: HouseFile): Promise<Preview> {
  const has: Record<string, Record<string, unknown>> = {}
  for (const [kind, rows] of Object.entries(file.documents))
    for (const { id } of rows ?? []) {
      const held = shelf.get(kind as EntityKind, id)
      if (held) has[`${kind} ${id}`] = held.fields as Record<string, unknown>
    }
  const name = String(file.documents.property?.[0]?.label ?? 'A house')
  return { name, ...(await askFile({ kind: 'compare', file, has })) }
}

/** A file of a house or of a job: read, checked, shown as what it would change, and only then taken in. */
export function TakeIn() {
  const [faults, setFaults] = useState<readonly { path: string; message: string }[] | null>(null)
  const [shown, setShown] = useState<Preview | null>(null)
  const choose = async () => {
    setFaults(null)
    const chosen = await chooseFile('application/json,.json')
    if (!chosen) return
    try {
      const read = await askFile({ kind: 'read', text: await chosen.text() })
      if (read.file) setShown(await preview(read.file))
      else setFaults(read.faults ?? [])
    } catch (error) {
      setFaults([{ path: chosen.name, message: (error as Error).message }])
    }
  }
  const take = async () => {
    if (!shown) return
    const edits = shown.changes.map(({ kind, id, patch }) => ({ kind, id, patch }) as Edit)
    if (await edit(edits, `Taken in: ${shown.name}`)) setShown(null)
  }
  const fresh = shown?.changes.filter(({ isNew }) => isNew) ?? []
  const changed = shown?.changes.filter(({ isNew }) => !isNew) ?? []
  return (
    <View className="py-2">
      {faults ? (
        <Note kind="caution" title="This file is not taken in">
          {[
            ...faults.slice(0, MOST_FAULTS).map(({ path, message }) => `${path} ${message}`),
            ...(faults.length > MOST_FAULTS ? [`and ${faults.length - MOST_FAULTS} more`] : []),
          ].join('\n')}
        </Note>
      ) : null}
      <Button label="Take in a file" hint="of a house or a job" onPress={choose} testID="take-in" />
      {shown ? (
        <SheetModal title={shown.name} onClose={() => setShown(null)}>
          <Txt bold>New: {fresh.length > 0 ? counted(fresh) : 'nothing'}</Txt>
          {changed.length > 0 ? <Txt bold>Changed: {counted(changed)}</Txt> : null}
          {changed.map((change) => (
            <Txt key={`${change.kind} ${change.id}`} size="s" tone="soft">
              {titleOf(change)}: {Object.keys(change.patch).join(', ')}
            </Txt>
          ))}
          <Txt tone="soft" className="mb-3">
            The same as here: {shown.same}. Nothing is removed.
          </Txt>
          <Button
            kind="primary"
            label="Take it in"
            disabled={shown.changes.length === 0}
            {...(shown.changes.length === 0 ? { hint: 'All of it is here' } : {})}
            onPress={take}
          />
        </SheetModal>
      ) : null}
    </View>
  )
}
