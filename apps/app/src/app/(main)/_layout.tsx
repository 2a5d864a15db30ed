import { Slot, usePathname } from 'expo-router'
import House from 'lucide-react-native/icons/house'
import Ruler from 'lucide-react-native/icons/ruler'
import Settings from 'lucide-react-native/icons/settings-2'
import Wrench from 'lucide-react-native/icons/wrench'
import { View } from 'react-native'
import { LinkTo } from '../../ui/LinkTo'
import { Mark } from '../../ui/Mark'
import { usePalette } from '../../ui/palette'
import { StatusLine } from '../../ui/StatusLine'
import { Txt } from '../../ui/Txt'
import { useNarrow, useShort, useWide } from '../../ui/useWide'

const ROOMS = [
  { href: '/', label: 'Jobs', icon: Wrench },
  { href: '/bench', label: 'Bench', icon: Ruler },
  { href: '/houses', label: 'Houses', icon: House },
  { href: '/shop', label: 'Shop', icon: Settings },
] as const

function Bar({ wide }: { wide: boolean }) {
  const palette = usePalette()
  const path = usePathname()
  const short = useShort()
  const narrow = useNarrow()
  return (
    <View
      role="navigation"
      aria-label="Rooms"
      className={wide ? 'w-[124px] border-r border-rule pt-4' : 'flex-row border-t border-rule bg-sheet'}
    >
      {wide ? (
        <View className="mb-4 items-center">
          <Mark size={44} />
          <Txt bold>Diarmos</Txt>
        </View>
      ) : null}
      {ROOMS.map(({ href, label, icon: Icon }) => {
        const here = href === '/' ? path === '/' : path.startsWith(href)
        return (
          <LinkTo
            key={href}
            href={href}
            label={label}
            current={here}
            className={`${short ? 'min-h-[48px] flex-row gap-1' : 'min-h-[60px]'} items-center justify-center ${wide ? 'py-2' : 'flex-1'} ${here ? (wide ? 'border-r-[4px] border-patina' : 'border-t-[4px] border-patina') : wide ? 'border-r-[4px] border-transparent' : 'border-t-[4px] border-transparent'}`}
          >
            <Icon size={24} color={here ? palette.patina : palette.ink} />
            {narrow ? null : (
              <Txt size="s" bold={here} tone={here ? 'patina' : 'ink'}>
                {label}
              </Txt>
            )}
          </LinkTo>
        )
      })}
    </View>
  )
}

export default function MainLayout() {
  const wide = useWide()
  return (
    <View className={`flex-1 ${wide ? 'flex-row' : ''}`}>
      {wide ? <Bar wide /> : null}
      <View className="flex-1">
        <StatusLine />
        <View role="main" id="main" className="flex-1">
          <Slot />
        </View>
      </View>
      {wide ? null : <Bar wide={false} />}
    </View>
  )
}
