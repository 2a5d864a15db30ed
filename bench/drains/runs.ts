// Runs of drain that are cut open: questions that nobody prepared, and what no plumber would put his name to there. The laws
// are written from the trade and the raw tables: no search, no rule and no price of the product.
import {
  bodyKind,
  type CutIn,
  fittingById,
  type LineRequest,
  type MateOption,
  type MateSettings,
  mayBeIron,
  mayHoldHouseTrap,
  nominalNumber,
  PIPES,
  PLAIN_CONDITIONS,
  pipeById,
  STARTING_SETTINGS,
  TOOL_IDS,
} from '@diarmos/core'
import { Dice } from '../mate/random'
import { shieldAboveGround } from './laws'
import { partsOf } from './parts'
import { DRAIN_STUBS, someShop } from './questions'

export interface AskedRun {
  readonly line: LineRequest
  readonly settings: MateSettings
}

/** The run that a number stands for. */
export function someRun(index: number): AskedRun {
  const dice = new Dice(900_000 + index)
  const pipe = dice.pick(DRAIN_STUBS)
  const bare = () => (dice.chance(0.6) ? dice.whole(10, 200) : null)
  return {
    line: {
      lineId: 'a',
      pipeId: pipe.id,
      cutIn: {
        ...ironSide(pipe.id, index, insertOf(dice)),
        farMm: bare(),
        freeMm: [0, 0],
        outMm: dice.chance(0.7) ? dice.whole(20, 1200) : null,
        sidewaysMm: dice.chance(0.5) ? dice.whole(0, 60) : 0,
      },
      conditions: {
        ...PLAIN_CONDITIONS,
        service: 'waste',
        waterSeen: true,
        line: dice.chance(0.8) ? 'dry' : 'trickle',
        access: dice.chance(0.5) ? 'reachable' : dice.chance(0.5) ? 'closed-wall' : 'buried',
        stubMm: bare(),
        outOfRound: dice.chance(0.1),
        faults: dice.chance(0.4) ? [dice.pick(['thinned', 'pinhole', 'pinholes', 'loose'] as const)] : [],
        roomMm: dice.chance(0.2) ? dice.whole(0, 100) : null,
        // of dice of its own, so that all else is asked as before
        oldTrap: mayHoldHouseTrap(pipe.id) && new Dice(1_900_000 + index).chance(0.3) ? 'running' : null,
      },
    },
    settings: someShop(dice),
  }
}

export type InDrain = 'repair' | 'cleanout' | 'tee' | 'wye'
export const SIDES = ['1-1/2', '2', '3', '4'] as const
/** What the side of a branch of that size takes, of either plastic. */
const sideOf = (nominal: (typeof SIDES)[number]) => ({
  branch: (['pvc-drain', 'abs-drain'] as const).map((material) => ({
    form: 'drain-socket' as const,
    system: 'IPS' as const,
    nominal,
    material,
  })),
})

function insertOf(dice: Dice): Pick<CutIn, 'insert' | 'branch'> {
  const insert: InDrain = dice.pick(['repair', 'repair', 'cleanout', 'tee', 'wye'] as const)
  return insert === 'tee' || insert === 'wye' ? { insert, ...sideOf(dice.pick(SIDES)) } : { insert }
}

/** Into hubless iron a branch may be of iron too; of dice of its own, so that all else is asked as before. */
function ironSide<Cut extends Pick<CutIn, 'insert' | 'branch'>>(
  pipeId: string,
  index: number,
  cut: Cut,
): Cut {
  const nominal = cut.branch?.[0]?.nominal
  if (!nominal || !mayBeIron(pipeId) || new Dice(2_700_000 + index).chance(0.5)) return cut
  return { ...cut, branch: [{ form: 'tube', system: 'hubless', nominal, material: 'cast-iron' }] }
}

/** Metric waste and soil that runs are of. */
export const METRIC_RUNS = PIPES.filter(({ id }) => /^waste\.(solvent|push|pp)\.(32|40|50|110)mm$/.test(id))
export const METRIC_SIDES = ['32', '40', '50', '110'] as const
const metricSide = (nominal: (typeof METRIC_SIDES)[number]) => ({
  branch: bodyKind(`waste.run.tee.${nominal}`)?.ports[1]?.ends,
})

/** The same into metric waste, every pipe in its turn. */
export function someMetricRun(index: number): AskedRun {
  const dice = new Dice(1_950_000 + index)
  const { line, settings } = someRun(index * 7)
  const pipe = METRIC_RUNS[index % METRIC_RUNS.length] as (typeof METRIC_RUNS)[number]
  const { branch: _, ...cut } = line.cutIn as CutIn
  const side = cut.insert === 'tee' || cut.insert === 'wye' ? metricSide(dice.pick(METRIC_SIDES)) : {}
  return { settings, line: { ...line, pipeId: pipe.id, cutIn: { ...cut, ...side } as CutIn } }
}

/** A plain place with nothing aboard: only the pipe and what goes in decide. */
export function plainRun(
  pipeId: string,
  insert: InDrain,
  buried = false,
  side?: (typeof SIDES)[number],
): AskedRun {
  return {
    settings: { ...STARTING_SETTINGS, toolsAboard: TOOL_IDS },
    line: {
      lineId: 'a',
      pipeId,
      cutIn: {
        insert,
        ...(side ? sideOf(side) : {}),
        farMm: null,
        freeMm: [0, 0],
        sidewaysMm: 0,
        outMm: 300,
      },
      conditions: {
        ...PLAIN_CONDITIONS,
        service: 'waste',
        waterSeen: true,
        access: buried ? 'buried' : 'reachable',
      },
    },
  }
}

type Way = Pick<MateOption, 'parts' | 'joints' | 'methods' | 'removeMm' | 'closes'>
type Law = readonly [id: string, broken: (way: Way, asked: AskedRun) => boolean]

const oldPipe = ({ line }: AskedRun) => {
  const pipe = pipeById(line.pipeId ?? '')
  if (!pipe) throw new Error(`no pipe ${line.pipeId}`)
  return pipe
}
/** What a sleeve or a socket is made for and what stands in it may differ by so much, mm. */
const FITS_MM = 0.6
/** What goes in for each thing that is asked. */
const GOES_IN: Readonly<Record<string, readonly string[]>> = {
  repair: [],
  cleanout: ['cleanout-tee'],
  tee: ['sanitary-tee'],
  wye: ['wye', 'wye-eighth'],
}
const TAKES = /^(shielded|flexible|drain-socket|ring-socket|waste-compression)$/
/** A wedge of rubber makes up what pipes of one metric name differ by, mm. */
const WEDGE_MM = 4

export const RUN_LAWS: readonly Law[] = [
  [
    // by real diameters from end to end: old pipe, what takes it, the piece, and so on to the old pipe again
    'by-diameter',
    (way, asked) => {
      const { odMm } = oldPipe(asked)
      const ends = partsOf(way).flatMap(({ near, far }) => [near, far])
      const faces = [undefined, ...ends, undefined]
      return Array.from({ length: faces.length / 2 }, (_, at) => [faces[2 * at], faces[2 * at + 1]]).some(
        ([a, b]) => {
          const [left, right] = [a?.diameterMm ?? odMm, b?.diameterMm ?? odMm]
          const taken = TAKES.test(a?.form ?? 'tube') !== TAKES.test(b?.form ?? 'tube')
          const wedge = [a, b].some((end) => end?.form === 'waste-compression')
          return !taken || Math.abs(left - right) > (wedge ? WEDGE_MM : FITS_MM)
        },
      )
    },
  ],
  [
    'full-size',
    (way, asked) =>
      partsOf(way).some(({ near, far }) =>
        [near, far].some(
          (end) => nominalNumber(end?.nominal ?? '') !== nominalNumber(oldPipe(asked).nominal),
        ),
      ),
  ],
  [
    // metric pipe goes on in its own make and diameter, and what is pushed together takes no cement
    'own-make',
    (way, asked) => {
      const { material, system } = oldPipe(asked)
      return (
        partsOf(way).some(
          ({ family, near }) =>
            family === 'tube-piece' &&
            /^waste/.test(`${near?.material}${material}`) &&
            (near?.material !== material || near.system !== system),
        ) ||
        (way.methods.includes('cement-waste') && material !== 'waste-solvent')
      )
    },
  ],
  [
    // what is held by a nut is undone one day
    'nut-in-reach',
    (way, { line }) => way.methods.includes('waste-compression') && line.conditions.access !== 'reachable',
  ],
  ['of-drains', (way) => partsOf(way).some(({ ports }) => ports.some(({ medium }) => medium !== 'drain'))],
  [
    'one-plastic',
    (way, asked) => {
      const stuffs = new Set(
        partsOf(way).flatMap(({ material }) => (/^(pvc|abs)-/.test(material) ? [material] : [])),
      )
      const old = oldPipe(asked).material
      return stuffs.size > 1 || (/^(pvc|abs)-/.test(old) && [...stuffs].some((stuff) => stuff !== old))
    },
  ],
  [
    'no-splice',
    (way, { line }) =>
      way.parts.filter(({ family }) => family === 'tube-piece').length >
      (line.cutIn?.insert === 'repair' ? 1 : 2),
  ],
  [
    // a tee for what stands, a wye for what lies: on its back a tee clogs
    'what-was-asked',
    (way, { line }) => {
      const own = GOES_IN[line.cutIn?.insert ?? ''] ?? []
      const there = way.parts.filter(({ family }) => Object.values(GOES_IN).flat().includes(family))
      return there.length !== (own.length > 0 ? 1 : 0) || there.some(({ family }) => !own.includes(family))
    },
  ],
  [
    'side-as-asked',
    (way, { line }) =>
      partsOf(way).some(({ ports }) => {
        const [asked] = line.cutIn?.branch ?? []
        return ports.length > 2 && asked !== undefined && ports[2]?.nominal !== asked.nominal
      }),
  ],
  [
    // one hole for each pipe that comes in, the second where it was asked for
    'second-as-asked',
    (way, { line }) =>
      partsOf(way).some(({ id, ports }) => {
        const { at, ends } = line.cutIn?.second ?? {}
        if (ports.length < 3) return false
        const there = /^tee\.(double|left|right)\./.exec(id)?.[1]
        return there !== (at === 'opposite' ? 'double' : at) || ports[3]?.nominal !== ends?.[0]?.nominal
      }),
  ],
  [
    'side-no-larger',
    (way, asked) =>
      partsOf(way).some(({ ports }) =>
        ports.slice(2).some(({ nominal }) => nominalNumber(nominal) > nominalNumber(oldPipe(asked).nominal)),
      ),
  ],
  [
    // the side leans up the flow, or is swept down it: the first end of the run is upstream
    'with-the-flow',
    (way) =>
      way.parts.some(({ family, fittingId, inPort, outPort }) => {
        const [up, down, side] = [inPort, outPort, 2].map((at) => fittingById(fittingId)?.ports[at]?.pose)
        if (!up || !down || !side) return false
        const reach = ({ origin }: typeof up) => Math.hypot(...(origin as [number, number, number]))
        return family === 'sanitary-tee' ? reach(up) >= reach(down) : reach(up) <= reach(down)
      }),
  ],
  [
    // a trap of the whole house makes room for a cleanout alone
    'house-trap',
    (way, { line }) =>
      line.conditions.oldTrap === 'running' && !way.parts.some(({ family }) => family === 'cleanout-tee'),
  ],
  ['fills-what-comes-out', (way, { line }) => (way.removeMm?.max ?? 0) < (line.cutIn?.outMm ?? 0) - 0.02],
  [
    // nothing of a drain is sprung aside: something is rolled back or slid
    'closes',
    ({ closes, methods, parts }) =>
      closes?.by === 'fold'
        ? !methods.some((id) => /^(shielded|flexible)-/.test(id))
        : closes?.by !== 'slide' || parts[closes.seam]?.family !== 'repair-coupling',
  ],
  [
    // what is rolled back over an old end lies on as much again of it
    'bare-for-rubber',
    (way, { line }) =>
      way.joints.some(({ method, maxMm, atStub }, at) => {
        if (!atStub || !/^(shielded|flexible)-/.test(method)) return false
        const bare = at === 0 ? line.conditions.stubMm : line.cutIn?.farMm
        return bare != null && bare < 2 * maxMm
      }),
  ],
  ['shield-above-ground', shieldAboveGround],
  [
    'no-shield-in-ground',
    (way, { line }) => way.methods.includes('shielded-coupling') && line.conditions.access === 'buried',
  ],
  [
    'dry-for-cement',
    (way, { line }) =>
      line.conditions.line !== 'dry' &&
      way.joints.some(({ method, atStub }) => atStub && method.startsWith('cement-')),
  ],
  [
    'iron-to-iron',
    (way, asked) =>
      way.parts.some(({ fittingId }) => fittingId.startsWith('tube.cast-iron')) &&
      oldPipe(asked).system !== 'hubless',
  ],
]

/** The laws that a way into a run breaks. */
export function brokenRunLaws(way: Way, asked: AskedRun): string[] {
  return RUN_LAWS.flatMap(([id, broken]) => (broken(way, asked) ? [id] : []))
}
