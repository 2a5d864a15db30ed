// What a master plumber put his name to, drain by drain (100 to 219, nothing aboard, all tools, the usual schools): what
// the first answer must be like, and what it must never be. Read and judged by hand; a better answer passes as well.
import { type MateOption, STARTING_SETTINGS, TOOL_IDS } from '@diarmos/core'
import { someDrain } from './questions'

export interface DrainVerdict {
  readonly questions: readonly number[]
  readonly says: string
  /** The first way, as `drainChain` writes it; null where it is right that there is none. */
  readonly must: RegExp | null
  readonly never?: RegExp
  /** Where there is none: the reason that has to be among those given. */
  readonly because?: string
}

/** The drain of that number out of a wall, nobody having measured to it, in a shop that has said nothing. */
export const judgedDrain = (index: number) => {
  const { line } = someDrain(index)
  const { spanMm } = line.conditions
  // nor how far a drain stands out
  const bowl = line.to?.kind === 'waste.bowl'
  const floor = bowl && spanMm != null ? { spanMm } : { spanMm: null }
  // and a bowl stands over the end of its pipe
  const turn = bowl ? 0 : line.conditions.turn
  const conditions = { ...line.conditions, roughMm: null, bowlMm: null, rises: false, turn, ...floor }
  return { line: { ...line, conditions }, settings: { ...STARTING_SETTINGS, toolsAboard: TOOL_IDS } }
}

/** A way in a line: how the old end comes off, then part by part. */
export const drainChain = ({ removalId, parts }: Pick<MateOption, 'removalId' | 'parts'>) =>
  `${removalId}: ${parts.map(({ fittingId }) => fittingId).join(' > ')}`

const BAND = 'coupling\\.shielded\\.'
const PIECE = 'tube\\.(pvc|abs)-drain\\.'

export const DRAIN_VERDICTS: readonly DrainVerdict[] = [
  {
    questions: [121, 124, 156, 159, 161, 172, 191, 202, 206],
    says: 'a whole flange at the floor stays, with a new seal and nothing else',
    must: /^keep-flange: $/,
  },
  {
    questions: [170],
    says: 'a flange that lies deep is brought up by rings, no more than two, under one seal',
    must: /^keep-flange: flange\.riser\.\S+( > flange\.riser\.\S+)?$/,
  },
  {
    questions: [100, 112, 129, 133, 200],
    says: 'where a flange is gone: back to sound pipe, a riser of the size that is there, and a flange on the floor',
    must: /^\S+: (coupling\.\S+ > )?(tube\.\S+\.([34]) > flange\.\w+\.(over|inside)\.\3|flange\.gasket\.\S+)$/,
    never: /riser|repair-ring|reducer|\dx\d/,
  },
  {
    questions: [141, 167, 176, 201],
    says: 'threaded steel keeps its thread: the old adapter unscrewed, one of brass on it, never plastic over metal',
    must: /^unscrew: trap-adapter\.brass\.fnpt\.\S+( > trap\.\S+)?$/,
  },
  {
    questions: [101, 145, 165, 178, 203],
    says: 'a sound slip nut is used again, with a reducing washer where the tube is smaller',
    must: /^undo-nut(-reduced)?:( trap\.\S+| )$/,
  },
  {
    questions: [104, 106, 119, 123, 127, 138, 140, 152, 157, 175, 182, 219],
    says: 'a basin on copper, lead or iron: one band marked for the pair, plastic, an adapter, one trap where none stays',
    must: new RegExp(`^\\S+: ${BAND}\\S+ > (${PIECE}\\S+ > )?trap-adapter\\.\\S+( > trap\\.\\S+)?$`),
    never: /bushing|extension/,
  },
  {
    questions: [104, 106, 175, 182, 201, 214],
    says: 'where a trap stays further down none goes in',
    must: /./,
    never: /trap\.(plastic|brass)\.|p-trap/,
  },
  {
    questions: [177, 183, 210, 214, 216],
    says: 'plastic of its own kind: cemented on, reduced on the way up, never down',
    must: /^\S+: (reducer\.drain\.(pvc|abs)\.2x1-1\/2 > tube\.\S+ > )?trap-adapter\.(pvc|abs)\.\S+( > trap\.\S+)?$/,
    never: /shielded/,
  },
  {
    questions: [136, 142, 195, 213],
    says: 'a shower: two inches from the trap up, pipe between trap and drain',
    must: /p-trap\.(pvc|abs)\.2 > tube\.(pvc|abs)-drain\.2$/,
    never: /1-1\/2/,
  },
  {
    questions: [143, 144],
    says: 'a shower over a trap that stays: no second one',
    must: new RegExp(`^\\S+: ${BAND}\\S+ > ${PIECE}2$`),
  },
  {
    questions: [115, 151, 187, 193],
    says: 'a machine on a wide drain: two inches of trap and standpipe',
    must: /p-trap\.(pvc|abs)\.2 > standpipe\.(pvc|abs)\.2$/,
    never: /1-1\/2/,
  },
  {
    questions: [125, 149, 180],
    says: 'a machine: its pipe stands over the one trap there is, new or old',
    must: /standpipe\.(pvc|abs)\.\S+$/,
    never: /p-trap.*p-trap|reducer|bushing/,
  },
  {
    questions: [107, 108, 110, 113, 134, 135, 154, 162, 189, 197, 207, 212, 217],
    says: 'a tub that is cemented: one trap, of its size or the next, all of one plastic',
    must: /p-trap\.(pvc|abs)\.(1-1\/2|2)( > bushing\.drain\.\w+\.2x1-1\/2)?$/,
    never: /pvc.*abs|abs.*pvc|slip/,
  },
  {
    questions: [146, 148, 150, 163, 166, 208, 215],
    says: 'a tub with a slip tail: the nut is the trap’s own',
    must: /p-trap\.(pvc|abs)\.slip\.1-1\/2$/,
  },
  {
    questions: [117, 155, 168, 185, 198],
    says: 'a tub over a trap that stays: no second one',
    must: /./,
    never: /p-trap/,
  },
  {
    questions: [100, 148, 189, 207, 208],
    says: 'an iron hub takes pipe and a gasket, not the short end of a fitting',
    must: /^(draw-from-hub|pick-hub|chain-cut): (tube|coupling\.shielded)/,
    never: /: bushing/,
  },
  {
    questions: [105, 158, 173],
    says: 'nothing is smaller downstream',
    must: null,
    because: 'drain.smaller-downstream',
  },
  { questions: [103], says: 'no machine on a slow drain', must: null, because: 'drain.slow-machine' },
  {
    questions: [186],
    says: 'no machine on an inch and a quarter',
    must: null,
    because: 'drain.small-machine',
  },
  { questions: [128, 192], says: 'no slip joint is shut in', must: null, because: 'drain.slip-shut-in' },
  {
    questions: [120, 126, 174, 181],
    says: 'pipe that is out of round is cut back first',
    must: null,
    because: 'drain.out-of-round',
  },
  { questions: [199], says: 'nothing is joined at a hole', must: null, because: 'end.pinhole' },
  {
    questions: [137, 160, 190, 204],
    says: 'no shield in the ground',
    must: null,
    because: 'ground.not-buried',
  },
  { questions: [171, 188], says: 'no room for a band', must: null, because: 'room.tool' },
  {
    questions: [109, 111, 122, 130, 132, 139, 153, 164, 169],
    says: 'too little pipe to take hold of',
    must: null,
    because: 'stub.too-short',
  },
  {
    questions: [116, 147, 194, 196, 209],
    says: 'three inches of lead, clay in a wall: back to the iron, or the wall is opened',
    must: null,
  },
  {
    questions: [102],
    says: 'rubber without a shield is for the ground alone',
    must: null,
  },
]
