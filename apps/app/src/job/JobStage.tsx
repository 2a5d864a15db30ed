import { View } from 'react-native'
import { CutStage } from '../cut/CutStage'
import type { Span } from '../cut/span'
import { isDrain, type JobView, type LineView, type Stage } from '../data/select'
import { FindStage } from '../find/FindStage'
import { FixtureStage } from '../fixture/FixtureStage'
import { WasteStage } from '../fixture/WasteStage'
import { MakeStage } from '../make/MakeStage'
import { MateStage } from '../mate/MateStage'
import { ProveStage } from '../prove/ProveStage'
import { Txt } from '../ui/Txt'
import type { useJobQuestions } from './useJobQuestions'
import type { GoTo } from './usePlace'

interface Props {
  readonly view: JobView
  readonly line: LineView
  readonly shown: Stage
  readonly goTo: GoTo
  readonly showLine: (lineId: string) => void
  readonly known: ReturnType<typeof useJobQuestions>
  readonly onWeighed: (optionId: string) => void
  readonly improvised: boolean
  readonly onImprovised: (improvised: boolean) => void
  readonly asked: Span | null
  readonly onAsk: (span: Span | null) => void
}

/** The stage of a job that is shown, beneath or beside the drawing. */
export function JobStage(props: Props) {
  const { view, line, shown, goTo, known, onWeighed, improvised, onImprovised, asked, onAsk } = props
  const common = { view, line, goTo }
  const { service } = line.line.fields
  return service === 'vent' && ['fixture', 'mate', 'cut'].includes(shown) ? (
    <View className="flex-1 px-4 pt-2">
      <Txt size="l">This line is a vent.</Txt>
      <Txt tone="soft">
        What its pipe is, is found and remembered with the house. What joins a vent is not worked out here
        yet: the steps below are those of the other lines.
      </Txt>
    </View>
  ) : shown === 'find' ? (
    <FindStage {...common} belief={known.belief} expectation={known.expectation} settings={known.settings} />
  ) : shown === 'fixture' && isDrain(line) ? (
    <WasteStage {...common} />
  ) : shown === 'fixture' ? (
    <FixtureStage {...common} showLine={props.showLine} />
  ) : shown === 'mate' ? (
    <MateStage
      {...common}
      mate={known.mate}
      settings={known.settings}
      shown={known.weighed?.id}
      onShow={onWeighed}
      improvised={improvised}
      onImprovised={onImprovised}
    />
  ) : shown === 'cut' ? (
    <CutStage
      {...common}
      fixed={known.fixed}
      layout={known.layout}
      beside={known.beside}
      stagger={known.stagger}
      svg={known.svg}
      asked={asked}
      onAsk={onAsk}
    />
  ) : shown === 'make' ? (
    <MakeStage {...common} plan={known.plan} />
  ) : (
    <ProveStage {...common} plan={known.plan} />
  )
}
