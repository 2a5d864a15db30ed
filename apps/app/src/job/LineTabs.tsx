import { Pressable, View } from 'react-native'
import { type JobView, keepsStop } from '../data/select'
import { SERVICE_LOOK } from '../ui/service'
import { Txt } from '../ui/Txt'
import { usePressed } from '../ui/usePressed'
import { addLine } from './actions'

/** The lines of a job, hot before cold; the drain can be added. */
export function LineTabs({
  view,
  shown,
  onShow,
}: {
  view: JobView
  shown: string
  onShow: (id: string) => void
}) {
  const [chosen, press] = usePressed(shown, onShow)
  return (
    <View className="flex-row">
      <View role="tablist" aria-label="Lines" className="flex-1 flex-row">
        {view.here.lines.map(({ line, finding, ends }) => {
          const here = line.id === chosen
          const { service } = line.fields
          const look = SERVICE_LOOK[service]
          const edge = service === 'hot' ? 'border-hot' : service === 'cold' ? 'border-cold' : 'border-ink'
          return (
            <Pressable
              key={line.id}
              role="tab"
              aria-selected={here}
              tabIndex={here ? 0 : -1}
              aria-label={`${service} line`}
              onPress={() => press(line.id)}
              className={`min-h-[48px] flex-1 flex-row items-center justify-center gap-2 border-b-[4px] px-1 ${here ? edge : 'border-transparent'}`}
            >
              <Txt
                bold={here}
                tone={look.tone}
                numberOfLines={1}
                className="shrink-0"
                {...(view.here.lines.length > 3 ? { size: 's' as const } : {})}
              >
                {look.mark} {look.word}
              </Txt>
              {view.here.lines.length > 3 ? null : (
                <Txt size="s" tone="soft" numberOfLines={1} className="shrink">
                  {keepsStop(ends)
                    ? 'old stop'
                    : finding
                      ? finding.fields.name
                      : ends && ends.from !== 'pipe'
                        ? 'new'
                        : 'not known'}
                </Txt>
              )}
            </Pressable>
          )
        })}
      </View>
      {view.here.lines.some(({ line }) => line.fields.service === 'drain') ? null : (
        <Pressable
          role="button"
          aria-label="Add the drain"
          onPress={() => addLine(view, 'drain').then(onShow)}
          className="min-h-[48px] w-[76px] items-center justify-center border-b-[4px] border-transparent"
        >
          <Txt size="s" tone="patina" bold>
            + drain
          </Txt>
        </Pressable>
      )}
    </View>
  )
}
