import { View } from 'react-native'
import { useDocs, useDocsOf } from '../data/select'
import { type Edit, edit, shelf, useData } from '../data/store'
import type { Doc, EntityKind } from '../data/types'
import { Button } from '../ui/Button'
import { Note } from '../ui/Note'
import { Txt } from '../ui/Txt'

/** What a proposal would do, in a few words. */
function wordsOf({ kind, entityId, patch, removes }: Doc<'proposal'>['fields']): string {
  const held = shelf.get(kind as EntityKind, entityId)?.fields as
    | { title?: string; label?: string; name?: string }
    | undefined
  const called = held?.title ?? held?.label ?? held?.name
  const whose = called ? ` “${called}”` : ''
  if (removes) return `Remove the ${kind === 'property' ? 'house' : kind}${whose}`
  if (kind === 'finding') return `Found: ${String(patch.name ?? 'another pipe')}`
  if (kind === 'mating') return 'Another way is chosen for a line'
  if (kind === 'job' && 'state' in patch)
    return patch.state === 'closed' ? 'Close the job' : 'Open the job again'
  if (kind === 'settings') return `Change of the shop’s settings: ${Object.keys(patch).join(', ')}`
  return `Change of ${kind}${whose}`
}

/** Who may say yes or no to what. The server has the last word of this. */
function mayDecide(role: string | undefined, kind: string): boolean {
  return role === 'owner' || (role === 'technician' && kind !== 'settings')
}

function Waiting({ proposal, whose = false }: { proposal: Doc<'proposal'>; whose?: boolean }) {
  const session = useData((state) => state.session)
  const { fields } = proposal
  const job = shelf.get('job', fields.jobId ?? undefined)
  const own = fields.byId === session?.person.id
  const decides = mayDecide(session?.person.role, fields.kind)
  const say = (state: 'taken' | 'declined') =>
    edit([{ kind: 'proposal', id: proposal.id, patch: { state } } as Edit])
  return (
    <Note kind="note" title={`proposed. ${wordsOf(fields)}`}>
      <View>
        {whose && job ? <Txt size="s">{job.fields.title}</Txt> : null}
        <Txt size="s">
          {own
            ? 'Yours: it shows on this phone alone until somebody says yes.'
            : `Proposed on ${fields.proposedAt.slice(0, 10)}; nothing has changed yet.`}
        </Txt>
        <View className="flex-row flex-wrap gap-2 pt-1">
          {decides ? <Button label="Take it" onPress={() => say('taken')} /> : null}
          {decides || own ? (
            <Button label={own && !decides ? 'Take it back' : 'Decline'} onPress={() => say('declined')} />
          ) : null}
        </View>
      </View>
    </Note>
  )
}

const open = (list: readonly Doc<'proposal'>[]) => list.filter((proposal) => proposal.fields.state === 'open')

/** What waits for a word in one job. */
export function JobProposals({ jobId }: { jobId: string }) {
  const list = open(useDocsOf('proposal', 'jobId', jobId))
  return (
    <>
      {list.map((proposal) => (
        <Waiting key={proposal.id} proposal={proposal} />
      ))}
    </>
  )
}

/** Everything that waits for a word in the shop. */
export function AllProposals() {
  const list = open(useDocs('proposal'))
  if (list.length === 0) return null
  return (
    <View className="mb-4">
      <Txt bold size="l" heading={2} className="mb-1">
        Waiting for a word
      </Txt>
      {list.map((proposal) => (
        <Waiting key={proposal.id} proposal={proposal} whose />
      ))}
    </View>
  )
}
