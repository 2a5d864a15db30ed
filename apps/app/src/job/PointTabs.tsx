import { Pressable, View } from 'react-native'
import type { JobView } from '../data/select'
import { Txt } from '../ui/Txt'

/** The points of a job, where it has several: a touch brings the lines of one to the front. */
export function PointTabs({ view, onShow }: { view: JobView; onShow: (lineId: string) => void }) {
  if (view.points.length < 2) return null
  return (
    <View role="tablist" aria-label="Points" className="flex-row flex-wrap border-b border-rule">
      {view.points.map(({ point, lines }) => {
        const here = point.id === view.here.point.id
        const first = lines[0]?.line.id
        return (
          <Pressable
            key={point.id}
            role="tab"
            aria-selected={here}
            aria-label={`${point.fields.name}, point`}
            tabIndex={here ? 0 : -1}
            onPress={() => first && onShow(first)}
            className={`min-h-[48px] flex-1 items-center justify-center px-2 ${here ? 'bg-patina-wash' : ''}`}
          >
            <Txt bold={here} tone={here ? 'patina' : 'soft'} numberOfLines={1}>
              {point.fields.name}
            </Txt>
          </Pressable>
        )
      })}
    </View>
  )
}
