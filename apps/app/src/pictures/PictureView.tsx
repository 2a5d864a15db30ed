import { useEffect, useState } from 'react'
import { Image, View } from 'react-native'
import type { Doc } from '../data/types'
import { Txt } from '../ui/Txt'
import { addressOf } from './kept'

/** One picture, from the phone where it is there. */
export function PictureView({ picture, large = false }: { picture: Doc<'attachment'>; large?: boolean }) {
  const [missing, setMissing] = useState(false)
  // with the network back it may be had
  useEffect(() => {
    const again = () => setMissing(false)
    window.addEventListener('online', again)
    return () => window.removeEventListener('online', again)
  }, [])
  const { content, mediaType, name } = picture.fields
  const size = large ? 'h-[52vh] w-full' : 'h-[104px] w-[104px]'
  if (missing)
    return (
      <View className={`${size} items-center justify-center border border-rule bg-raised p-1`}>
        <Txt size="s" tone="soft">
          {large
            ? 'This picture is not on the phone: it comes when the shop’s server can be reached.'
            : 'not here'}
        </Txt>
      </View>
    )
  return (
    <Image
      source={{ uri: content ? `data:${mediaType};base64,${content}` : addressOf(picture.id) }}
      accessibilityLabel={name || 'Picture'}
      resizeMode={large ? 'contain' : 'cover'}
      onError={() => setMissing(true)}
      className={`${size} bg-raised`}
    />
  )
}
