import type { Belief, PipeMaterial } from '@diarmos/core'
import { odds } from '@diarmos/core/words/find'
import { MATERIAL_NAMES } from '@diarmos/core/words/pipes'
import { View } from 'react-native'
import { useSettings } from '../data/select'
import type { EntityFields } from '../data/types'
import { setExpected } from '../job/actions'
import { ERA_WORDS } from '../job/eras'
import { Button } from '../ui/Button'
import { PipeSign } from '../ui/PipeSign'
import { SheetModal } from '../ui/SheetModal'
import { Txt } from '../ui/Txt'

const SHOWN = 14
const STEPS = [0.1, 0.2, 0.5, 1, 2, 5, 10] as const

function stepFrom(factor: number, by: 1 | -1): number {
  const at = STEPS.reduce(
    (best, step, index) => (Math.abs(step - factor) < Math.abs((STEPS[best] ?? 1) - factor) ? index : best),
    0,
  )
  return STEPS[Math.min(STEPS.length - 1, Math.max(0, at + by))] ?? 1
}

/** How a factor is said. */
function factorText(factor: number): string {
  if (factor === 1) return 'as the tables have it'
  return factor > 1 ? `${factor} × commoner, by your shop` : `${Math.round(1 / factor)} × rarer, by your shop`
}

interface Props {
  readonly belief: Belief
  readonly era: EntityFields<'property'>['era']
  /** Whether the shop's own corrections can be made here. */
  readonly editable: boolean
  readonly finds: Readonly<Partial<Record<PipeMaterial, number>>>
  readonly onClose: () => void
}

/** What is usual at such a place, before anyone looks; a shop corrects it for its own town. */
export function ExpectedSheet({ belief, era, editable, finds, onClose }: Props) {
  const settings = useSettings()
  const factors = settings?.fields.expected?.[era] ?? {}
  const listed = belief.expected.filter(({ share }) => share > 0.0005)
  return (
    <SheetModal title="What is usual here" onClose={onClose}>
      <Txt size="s" tone="soft" className="mb-2">
        Before any look, in houses piped {ERA_WORDS[era]}, on such a line. Rough figures from practice, moved
        by what this house and your other jobs showed. {editable ? 'Yours to correct for your town.' : ''}
      </Txt>
      {listed.slice(0, SHOWN).map(({ material, share }) => {
        const factor = factors[material] ?? 1
        const found = finds[material] ?? 0
        const name = MATERIAL_NAMES[material]
        return (
          <View key={material} className="min-h-[60px] flex-row items-center gap-2 border-b border-rule">
            <View aria-hidden>
              <PipeSign material={material} small />
            </View>
            <View className="flex-1">
              <Txt>
                {name}: <Txt bold>{odds(share)}</Txt>
              </Txt>
              <Txt size="s" tone="soft">
                {factorText(factor)}
                {found > 0 ? ` · found ${found} × in houses of that age` : ''}
              </Txt>
            </View>
            {editable && settings ? (
              <>
                <Button
                  kind="quiet"
                  label="−"
                  hint={`${name} is rarer here`}
                  className="w-[52px]"
                  onPress={() => setExpected(settings, era, material, stepFrom(factor, -1))}
                />
                <Button
                  kind="quiet"
                  label="+"
                  hint={`${name} is commoner here`}
                  className="w-[52px]"
                  onPress={() => setExpected(settings, era, material, stepFrom(factor, 1))}
                />
              </>
            ) : null}
          </View>
        )
      })}
    </SheetModal>
  )
}
