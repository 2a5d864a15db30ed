import { View } from 'react-native'
import { LinkTo } from '../ui/LinkTo'
import { TopBar } from '../ui/TopBar'
import { Txt } from '../ui/Txt'

/** An address that leads nowhere. */
export default function NotFound() {
  return (
    <View role="main" id="main" className="flex-1">
      <TopBar title="No such page" />
      <View className="p-4">
        <Txt size="l">There is nothing at this address.</Txt>
        <LinkTo href="/" label="To the jobs" className="min-h-[52px] justify-center">
          <Txt bold tone="patina">
            To the jobs
          </Txt>
        </LinkTo>
      </View>
    </View>
  )
}
