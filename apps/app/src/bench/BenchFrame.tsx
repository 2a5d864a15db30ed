import type { OperationName, OperationRequest } from '@diarmos/contract'
import type { ReactNode } from 'react'
import { ScrollView, View } from 'react-native'
import { usePreferences } from '../data/preferences'
import { CopyCase } from '../job/CopyCase'
import { faultWords } from '../ui/faultWords'
import { Note } from '../ui/Note'
import { TopBar } from '../ui/TopBar'
import { ShareLink } from './ShareLink'

interface Props<Name extends OperationName> {
  title: string
  /** What is wrong with the link that was opened. */
  fault: string | null
  /** Why it could not be worked out, where it could not. */
  error?: Error | null
  /** What is asked of the core; null while too little is known. */
  operation: Name
  request: OperationRequest<Name> | null
  children: ReactNode
  /** In reach of the thumb, below what scrolls. */
  actions?: ReactNode
  /** Beside the link: what clears the bench, say. */
  beside?: ReactNode
}

/** A tool of the bench: its title, what the link says, and how to share and repeat what was asked. */
export function BenchFrame<Name extends OperationName>({
  title,
  fault,
  error = null,
  operation,
  request,
  children,
  actions,
  beside,
}: Props<Name>) {
  const unit = usePreferences((state) => state.unit)
  return (
    <View className="mx-auto w-full max-w-[720px] flex-1">
      <TopBar bare title={title} />
      <ScrollView className="flex-1 px-4" contentContainerClassName="pb-5 pt-2">
        {fault ? (
          <Note kind="caution" title="This link cannot be read">
            {fault}
          </Note>
        ) : null}
        {error ? (
          <Note kind="caution" title="This could not be worked out">
            {faultWords(error, unit)}
          </Note>
        ) : null}
        {children}
        <ShareLink />
        {beside}
        <CopyCase operation={operation} request={request} />
      </ScrollView>
      {actions ? <View className="flex-row gap-2 border-t border-rule bg-sheet p-3">{actions}</View> : null}
    </View>
  )
}
