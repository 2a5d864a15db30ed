import { ruleText } from '@diarmos/core/words/reasons'
import { useState } from 'react'
import { Pressable } from 'react-native'
import { useDraft } from '../data/draft'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Field } from '../ui/Field'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'
import { useSolved } from '../workers/solver'
import { type Amendment, SEVERITY_WORDS } from './severity'

interface Props {
  onSave: (amendment: Amendment) => void
  onClose: () => void
}

const SHOWN = 8

/** Which rule, how it is weighed here, and who says so. */
export function AmendmentSheet({ onSave, onClose }: Props) {
  const rules = useSolved('rules', {})
  const [search, setSearch] = useState('')
  const [ruleId, setRule] = useState<string | null>(null)
  const [severity, setSeverity] = useState<Amendment['severity']>('forbid')
  const [why, setWhy, saved] = useDraft('amendment', '')
  const [fault, setFault] = useState<string>()
  const save = () => {
    if (!ruleId) return
    const text = why.trim()
    if (text === '') return setFault('Say who has written or said it.')
    if (text.length > 150) return setFault('At most 150 letters.')
    saved()
    onSave({ ruleId, severity, why: text })
  }
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  const found = (rules.answer ?? []).filter(({ id }) => {
    const text = ruleText(id).toLowerCase()
    return words.every((word) => text.includes(word))
  })
  if (!ruleId)
    return (
      <SheetModal title="Which rule?" onClose={onClose}>
        <Field label="Look up a rule" value={search} onChange={setSearch} placeholder="closed wall" />
        {found.slice(0, SHOWN).map(({ id, severity: now }) => (
          <Pressable
            key={id}
            role="button"
            onPress={() => setRule(id)}
            className="min-h-[56px] justify-center border-b border-rule py-1"
          >
            <Txt size="s">{ruleText(id)}</Txt>
            <Txt size="s" tone="soft">
              as written: {SEVERITY_WORDS[now]}
            </Txt>
          </Pressable>
        ))}
        {found.length > SHOWN ? (
          <Txt size="s" tone="soft">
            {found.length - SHOWN} more: say it more closely.
          </Txt>
        ) : null}
        {rules.answer && found.length === 0 ? <Txt tone="soft">No rule speaks of that.</Txt> : null}
      </SheetModal>
    )
  return (
    <SheetModal title="A local amendment" onClose={onClose}>
      <Txt className="mb-2">{ruleText(ruleId)}</Txt>
      <Choice
        label="Here it is"
        value={severity}
        options={Object.entries(SEVERITY_WORDS).map(([value, label]) => ({
          value: value as Amendment['severity'],
          label,
        }))}
        onChange={setSeverity}
      />
      <Field label="By whom, and where it is written" value={why} onChange={setWhy} error={fault} />
      <Button kind="primary" label="Save" onPress={save} />
    </SheetModal>
  )
}
