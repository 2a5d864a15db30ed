import { bodyKind } from '@diarmos/core/bodies'
import { oldJointsOn } from '@diarmos/core/old-joints'
import { ANSWERS } from '@diarmos/core/words/find'
import { useState } from 'react'
import { Pressable, View } from 'react-native'
import {
  alike,
  beginsAt,
  conditionsOf,
  endKind,
  foundMaterial,
  foundSize,
  isDrain,
  type JobView,
  kindsOf,
  type LineView,
  situationOf,
} from '../data/select'
import type { EntityFields } from '../data/types'
import { FaultPanel } from '../find/FaultPanel'
import { isHeater, reachMeasure } from '../fixture/reachMeasure'
import { RUN_MEASURES, runLabel } from '../fixture/runMeasures'
import { setConditions } from '../job/actions'
import { Choice } from '../ui/Choice'
import { JointSign } from '../ui/jointSigns'
import { MeasureRow } from '../ui/MeasureRow'
import { Toggle } from '../ui/Toggle'
import { Txt } from '../ui/Txt'
import { DrainConditions } from './DrainConditions'
import { SlabAsk } from './SlabAsk'
import { WaterConditions } from './WaterConditions'

type Situation = EntityFields<'situation'>
const MEASURES = [
  [
    'stubMm',
    'Bare stub, wall to the old fitting',
    'From the wall to the back of the old fitting or its nut.',
  ],
  ['plateMm', 'Wall plate that stays', 'Its thickness; leave out if none.'],
  ['reachMm', ...reachMeasure(undefined)],
  [
    'spanMm',
    'To the fixture’s end, where all is rigid',
    'From the wall, or the valve’s mouth, straight on to the tip of the fixture’s end. Leave out where a hose hangs.',
  ],
  ['roomMm', 'Clear room round the stub', 'For wrench, jaw or flame; leave out if there is plenty.'],
] as const satisfies readonly Measure[]

/** Asked before a heater alone. */
const LIFTS: Measure = [
  'givesMm',
  'Old pipe lifts off the heater by',
  'Lift it by hand, and measure how far its end moves. Not measured, it stands: then a hose or a union closes the line.',
]

/** What stands for a cold place, degrees Celsius. */
const COLD_C = 5

type Measure = readonly [MeasureKey, string, string]
type MeasureKey =
  | 'stubMm'
  | 'plateMm'
  | 'reachMm'
  | 'spanMm'
  | 'givesMm'
  | 'roomMm'
  | keyof typeof RUN_MEASURES

/** What is measured at a stub of drain pipe: out of a wall, or up to a floor. */
function ofWaste(kind: string | undefined, rises: boolean): ReturnType<typeof measuresOf> {
  const bowl = kind === 'waste.bowl'
  return [
    [
      bowl
        ? [
            'stubMm',
            'Bare pipe under the flange',
            'From the rim of the fitting below up to the hub of the old flange; leave out where nothing can be seen.',
          ]
        : [
            'stubMm',
            `Bare stub, ${rises ? 'floor' : 'wall'} to the old fitting`,
            'From the finished wall or floor to the hub that comes off, to the bare end, or to the mouth of a nut that stays.',
          ],
    ],
    MEASURES.filter(([key]) => key === 'roomMm' || (key === 'plateMm' && !bowl)),
  ]
}

/** What is measured where a line begins: at once, and on asking for more. */
function measuresOf(
  begins: ReturnType<typeof beginsAt>,
  /** Drains hang in their fall and are not sprung. */
  waste = false,
  kind: string | undefined = undefined,
): readonly [readonly Measure[], readonly Measure[]] {
  if (begins === 'fresh')
    return [[], waste ? MEASURES.filter(([key]) => key === 'roomMm') : MEASURES.slice(2)]
  if (begins === 'pipe') return [MEASURES.slice(0, 1), MEASURES.slice(1)]
  const asked = Object.keys(RUN_MEASURES) as (keyof typeof RUN_MEASURES)[]
  const run = (waste ? asked.slice(0, 2) : asked).map(
    (key): Measure => [key, runLabel(key, kind), RUN_MEASURES[key][1]],
  )
  return [run, MEASURES.slice(-1)]
}

interface Props {
  view: JobView
  line: LineView
  /** Whether ways that are made up on the job are asked for too. */
  improvised: boolean
  onImprovised: (improvised: boolean) => void
}

/** What holds at the place; every change gives a new answer. */
export function ConditionPanel({ view, line, improvised, onImprovised }: Props) {
  const [both, setBoth] = useState(true)
  const [more, setMore] = useState(false)
  const conditions = conditionsOf(line) ?? { ...situationOf(line), service: 'cold' as const }
  const same = alike(view, line)
  const waste = isDrain(line)
  const set = (patch: Partial<Situation>, label: string) =>
    void setConditions(view, both ? same : [line], patch, label)
  const begins = beginsAt(line)
  const [first, rest] =
    waste && begins === 'pipe'
      ? ofWaste(endKind(line), conditions.rises === true)
      : measuresOf(begins, waste, waste ? endKind(line) : undefined)
  const [main] = kindsOf(view).water
  const lifts = !waste && begins === 'pipe' && isHeater(main) ? [LIFTS] : []
  const material = foundMaterial(line)
  const threaded = /steel|brass/.test(material ?? '')

  // what stands on a floor is asked what floor that is
  const onFloor = waste && bodyKind(endKind(line) ?? '')?.mount === 'floor'
  const slab = (
    <SlabAsk
      access={conditions.access}
      slabMm={conditions.slabMm}
      metric={view.property.fields.region === 'metric'}
      onSet={set}
    />
  )
  const row = ([key, ...said]: Measure) => {
    const [label, hint] = key === 'reachMm' ? reachMeasure(main) : said
    return (
      <MeasureRow
        key={key}
        label={label}
        hint={hint}
        mm={conditions[key]}
        onEnter={({ mm, text }) => set({ [key]: mm }, `${label}: ${text}`)}
      />
    )
  }
  return (
    <View testID="conditions">
      {[...first, ...lifts].map(row)}
      {waste ? (
        <DrainConditions
          kind={endKind(line)}
          fresh={begins === 'fresh'}
          flangeMm={conditions.flangeMm}
          roughMm={conditions.roughMm}
          bowlMm={conditions.bowlMm}
          spanMm={conditions.spanMm}
          reachMm={conditions.reachMm}
          trapped={conditions.trapped}
          slow={conditions.slow}
          unvented={conditions.unvented}
          rises={conditions.rises}
          turn={conditions.turn}
          oldTrap={conditions.oldTrap}
          oldJoint={conditions.oldJoint}
          onSet={set}
        />
      ) : null}
      {onFloor ? slab : null}
      <Pressable
        role="button"
        aria-expanded={more}
        onPress={() => setMore(!more)}
        className="min-h-[48px] justify-center"
      >
        <Txt bold tone="patina">
          {more ? '− fewer conditions' : '+ more conditions'}
        </Txt>
      </Pressable>
      {more ? (
        <View>
          {begins !== 'pipe' ? null : (
            <Choice
              label={waste ? 'On the old end' : 'Old stop is joined by'}
              columns={3}
              value={conditions.oldJoint}
              options={oldJointsOn(material, waste, foundSize(line)).map((value) => ({
                value,
                label: ANSWERS[value] ?? value,
                sign: <JointSign kind={value} />,
              }))}
              onChange={(oldJoint) =>
                set({ oldJoint, oldJointSeen: true }, `Old joint: ${ANSWERS[oldJoint]}`)
              }
            />
          )}
          {begins === 'pipe' && conditions.oldJoint !== 'none' ? (
            <Toggle
              label="An old wall plate is stuck there"
              detail={conditions.oldPlate ? 'cut off to get behind it' : undefined}
              value={conditions.oldPlate === true}
              onChange={(oldPlate) =>
                set({ oldPlate }, oldPlate ? 'The wall plate is stuck' : 'The wall plate slides')
              }
            />
          ) : null}
          {begins === 'pipe' && (threaded || conditions.oldJoint === 'threaded') ? (
            <Choice
              label="Thread on the stub"
              columns={3}
              value={conditions.thread}
              options={[
                { value: 'NPT', label: 'NPT' },
                { value: 'BSP', label: 'BSP' },
                { value: 'none', label: 'none' },
              ]}
              onChange={(thread) => set({ thread }, `Thread: ${thread}`)}
            />
          ) : null}
          {rest.map(row)}
          {begins === 'fresh' ? null : <FaultPanel view={view} line={line} />}
          {waste ? null : (
            <WaterConditions
              conditions={conditions}
              set={set}
              improvised={improvised}
              onImprovised={onImprovised}
            />
          )}
          <Toggle
            label="Cold in here, under 50 °F"
            detail={conditions.airC == null ? undefined : 'cement and rings take longer'}
            value={conditions.airC != null && conditions.airC < 10}
            onChange={(cold) => set({ airC: cold ? COLD_C : null }, cold ? 'Cold in here' : 'Not cold')}
          />
          <Toggle
            label="In the ground"
            value={conditions.access === 'buried'}
            onChange={(buried) =>
              set(
                buried ? { access: 'buried' } : { access: 'reachable', slabMm: null },
                buried ? 'In the ground' : 'Within reach later',
              )
            }
          />
          {conditions.access === 'buried' && !onFloor ? slab : null}
          {same.length < 2 ? null : (
            <Toggle
              label={same.length > 2 ? 'All lines alike' : 'Both lines alike'}
              detail={`a change here holds for ${same.map((other) => other.line.fields.service).join(', ')}`}
              value={both}
              onChange={setBoth}
            />
          )}
        </View>
      ) : null}
    </View>
  )
}
