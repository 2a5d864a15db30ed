import { STAGES, type Stage } from '@diarmos/core/record'
import { View } from 'react-native'
import { Txt } from '../ui/Txt'

export const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  find: 'Find',
  fixture: 'Fixture',
  mate: 'Mate',
  cut: 'Cut',
  make: 'Make',
  prove: 'Prove',
}

/** How far a job has come, as graduations on a rule. */
export function StageRule({ stage, closed }: { stage: Stage; closed: boolean }) {
  const at = STAGES.indexOf(stage)
  return (
    <View
      className="mt-2 flex-row items-end"
      role="img"
      aria-label={closed ? 'closed' : `at ${STAGE_WORDS[stage]}`}
    >
      {STAGES.map((name, index) => (
        <View key={name} className="mr-1 flex-1" aria-hidden>
          <View
            className={`h-[5px] ${closed || index < at ? 'bg-patina' : index === at ? 'bg-ink' : 'bg-rule'}`}
          />
        </View>
      ))}
      <Txt size="s" bold tone={closed ? 'patina' : 'ink'} className="ml-1 w-[64px] text-right">
        {closed ? 'Closed' : STAGE_WORDS[stage]}
      </Txt>
    </View>
  )
}
