import { END_KINDS, endOfKind } from '@diarmos/core/words/ends'
import { Pressable, View } from 'react-native'
import { Choice } from './Choice'
import { SheetModal } from './SheetModal'
import { Txt } from './Txt'

/** An end as it was chosen; a touch asks for another. */
export function EndRow({
  name,
  kind,
  size,
  onPress,
}: {
  name: string
  kind: string
  size: string
  onPress: () => void
}) {
  const found = endOfKind(kind, size)
  return (
    <Pressable
      role="button"
      aria-label={name}
      onPress={onPress}
      className="min-h-[60px] flex-row items-center justify-between border-b border-rule"
    >
      <Txt tone="soft">{name}</Txt>
      <Txt bold size="l">
        {size} {found?.system === 'metric' ? 'mm' : 'in'} {found?.label}
      </Txt>
    </Pressable>
  )
}

/** Which end: its size, then what it is. */
export function EndSheet(props: {
  title: string
  kind: string
  size: string
  pipesOnly: boolean
  onPick: (kind: string, size: string) => void
  onClose: () => void
}) {
  const { title, kind, size, pipesOnly, onPick, onClose } = props
  const kinds = END_KINDS.filter((entry) => !pipesOnly || entry.pipe)
  const current = END_KINDS.find((entry) => entry.id === kind)
  return (
    <SheetModal title={title} onClose={onClose}>
      <Choice
        label="Size"
        columns={4}
        value={size}
        options={(current?.sizes ?? []).map((value) => ({ value, label: value }))}
        onChange={(value) => onPick(kind, value)}
      />
      <View className="mt-3">
        <Choice
          label="What it is"
          value={kind}
          options={kinds.map(({ id, label }) => ({ value: id, label }))}
          onChange={(id) => {
            const sizes = END_KINDS.find((entry) => entry.id === id)?.sizes ?? []
            onPick(id, sizes.includes(size) ? size : sizes.includes('1/2') ? '1/2' : (sizes[0] ?? size))
          }}
        />
      </View>
    </SheetModal>
  )
}
