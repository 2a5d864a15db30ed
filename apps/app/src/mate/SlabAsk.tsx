import type { EntityFields } from '../data/types'
import { MeasureRow } from '../ui/MeasureRow'
import { Toggle } from '../ui/Toggle'

type Situation = EntityFields<'situation'>

/** What a floor slab of a house is taken for until it is measured, mm: by inches, and by millimetres. Common practice. */
const USUAL_MM = { us: 4 * 25.4, metric: 100 } as const

interface Props {
  readonly access: Situation['access']
  readonly slabMm: Situation['slabMm'] | undefined
  readonly metric: boolean
  readonly onSet: (patch: Partial<Situation>, label: string) => void
}

/** Whether it lies under concrete, and how thick that is: the saw, the trench and what is set on the floor follow from it. */
export function SlabAsk({ access, slabMm, metric, onSet }: Props) {
  const under = access === 'buried' && slabMm != null
  return (
    <>
      <Toggle
        label="Under a concrete floor"
        detail={under ? 'scanned before it is cut; filled in and cast when it was proved' : undefined}
        value={under}
        onChange={(on) =>
          onSet(
            on
              ? { access: 'buried', slabMm: USUAL_MM[metric ? 'metric' : 'us'] }
              : { access: 'closed-wall', slabMm: null },
            on ? 'Under concrete' : 'No concrete over it',
          )
        }
      />
      {under ? (
        <MeasureRow
          label="Concrete over it"
          hint="Its thickness, at an edge or through a hole that is there; taken as usual until it is measured."
          mm={slabMm}
          onEnter={({ mm, text }) => onSet({ slabMm: mm }, `Concrete: ${text}`)}
        />
      ) : null}
    </>
  )
}
