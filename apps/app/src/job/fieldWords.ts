import type { EntityFields, EntityKind } from '../data/types'

/** Two people can change these at once; what ties a document to another is made with it and stays. */
type Changed =
  | Exclude<keyof EntityFields<'situation'>, 'jobId' | 'lineId'>
  | Exclude<keyof EntityFields<'job'>, 'propertyId' | 'pointId' | 'openedAt'>
  | keyof EntityFields<'property'>
  | Exclude<keyof EntityFields<'point'>, 'propertyId'>

/** Fields as they are spoken of. */
export const FIELD_WORDS: Readonly<Record<Changed, string>> = {
  // the place
  flame: 'flame allowed',
  line: 'line dry',
  access: 'within reach later',
  stubMm: 'bare stub',
  plateMm: 'wall plate',
  oldJoint: 'old joint',
  oldJointSeen: 'old joint looked at',
  oldPlate: 'wall plate stuck',
  hardRiser: 'stiff riser',
  stopWeeps: 'old stop weeps',
  stopOutlet: 'old stop that stays',
  thread: 'thread on the stub',
  scored: 'scored',
  outOfRound: 'out of round',
  faults: 'what is wrong with the pipe',
  waterSeen: 'water seen',
  nearHeater: 'near a heater',
  pressurePsi: 'static pressure',
  stopShape: 'shape of the stop',
  reachMm: 'reach to the fixture',
  roomMm: 'room round the stub',
  sunlight: 'in daylight',
  freezing: 'can freeze',
  wallMm: 'wall, outside to warm',
  turn: 'how far the line turns',
  outlets: 'outlets of the stop',
  spanMm: 'to the fixture’s end',
  givesMm: 'how far the old pipe lifts',
  airC: 'cold in here',
  trapped: 'trap further down',
  slow: 'runs off slowly',
  unvented: 'vent in reach',
  flangeMm: 'height of the old flange',
  rises: 'drain out of the floor',
  roughMm: 'drain to the wall',
  bowlMm: 'what the bowl is made for',
  oldTrap: 'old trap',
  slabMm: 'concrete over it',
  farMm: 'bare pipe on the other side',
  freeMm: 'free pipe to a clamp',
  sidewaysMm: 'room to push it sideways',
  trap: 'what was measured round the trap',
  slab: 'what was measured of the trench',
  tub: 'what was measured of the tub',
  onRun: 'what hangs on the run',
  opening: 'hole in the wall',
  valveWall: 'wall round the valve',
  // the job
  title: 'what is wrong',
  state: 'open or closed',
  fixtures: 'what goes in',
  more: 'further points',
  closedAt: 'when it was closed',
  closedBy: 'who closed it',
  note: 'note',
  permit: 'permit',
  advice: 'what was advised',
  warranty: 'warranty',
  // the house and its points
  label: 'name of the house',
  street: 'street',
  town: 'town',
  era: 'when it was built',
  region: 'region',
  storeys: 'storeys',
  stopAt: 'where its stop is',
  name: 'name of the point',
  kind: 'what is worked on',
}

/** Documents as they are spoken of; of others only their fields are named. */
const KIND_WORDS: Readonly<Partial<Record<EntityKind, string>>> = {
  situation: 'The place',
  job: 'The job',
  property: 'The house',
  point: 'The point',
  observation: 'A look',
  finding: 'What was found',
  mating: 'The way that was chosen',
}

/** What two people changed, in words. */
export function changedText(kind: EntityKind, field: string): string {
  return `${KIND_WORDS[kind] ?? kind}: “${(FIELD_WORDS as Record<string, string>)[field] ?? field}”`
}
