import type { LengthUnit } from '../units/types'
import { type Parameters, say } from './say'

/** What screens say with a number in it. */
export const SCREENS = {
  'ways.all': 'All {ways} ways',
  'ways.chosen': '{lines, plural, one {Chosen} other {Chosen for # lines}}',
  'way.worth-trip': 'Worth the trip: what is aboard makes a longer line of more kinds of joints.',
  'way.return': ': back within {days, plural, one {# day} other {# days}}',
  'sync.kept': 'No server: {edits, plural, =0 {working from the phone} other {# kept on the phone}}',
  'sync.refused': '{edits, plural, other {# refused}}',
  'sync.waiting':
    '{edits, plural, one {# edit waits on this phone and goes} other {# edits wait on this phone and go}} out when you sign in again.',
  'prove.close':
    '{checks, plural, =0 {Close the job} one {Close with # check to come} other {Close with # checks to come}}',
  'measured.elsewhere':
    '{count, plural, one {One measurement belongs to a way that is no longer chosen: it is kept, and counts again with that way.} other {# measurements belong to ways that are no longer chosen: they are kept, and count again with them.}}',
  'measure.next': '{asks, plural, one {to measure} other {next of # to measure}}',
  'measure.any':
    '{most, select, 0 {{leastMm, number, least-stub} or more will do} other {Anything from {leastMm, number, least-stub} to {mostMm, number, largest-opening} will do}}: the hose takes up the rest.',
  'valve-wall.unsure': 'The wall may be off by {mm, number, missing-length}: measure again.',
  'ways.kinds':
    '{ways, plural, one {# way} other {# ways, {kinds, plural, one {all of a kind} other {# shown}}}}',
  'parts.fetch': '{parts, plural, one {# part} other {# parts}} from the counter',
  'house.points': '{points, plural, one {# point} other {# points}}',
  'house.stop-at': 'Its water is shut {at}.',
  'house.storeys': 'It runs empty from {storeys, plural, one {# storey} other {# storeys}}.',
  'house.open-jobs':
    '{jobs, plural, one {# open job} other {# open jobs}} here: a house goes once all its jobs are closed.',
  'beside.touch':
    '⚠ they would touch: set the {line} line {outMm, number, missing-length} further out or {inMm, number, missing-length} further in; side by side they need {apartMm, number, least-stub}',
  'cut.there':
    'Cut {nearMm, number, reading} on this side of the mark and {farMm, number, reading} beyond it: {outMm, number, reading} comes out.',
  'cut.goes':
    '{count, plural, one {The {what} goes} other {{what} go}} with it: nothing old stands too near a new joint.',
  'cut.short': '{shortMm, number, missing-length} are missing to the {what}: no joint goes on there.',
  'cut.short-parts':
    'More would have to come out than what goes in can fill, by {shortMm, number, missing-length}: choose a way with a longer piece.',
  'cut.corner': 'The elbow goes with the cut where a new corner goes in: say so at Fixture.',
  'cut.no-elbow':
    'Measure the old elbow, here or at Fixture: what comes out on each side is counted from its middle.',
  'opening.clear':
    'The hole is {widthMm, number, largest-opening} wide and {heightMm, number, largest-opening} high.',
  'opening.passes':
    '✓ It goes through, {askew, select, yes {turned askew, } other {}}with the face of {first, number, reading} by {second, number, reading} first: {behindMm, number, least-stub} behind the wall.',
  'run.thing':
    '{what}, {side, select, near {this side} other {other side}}: {fromMm, number, reading} off, {longMm, number, reading} long',
  'spring.yields':
    'It yields {haveMm, number, largest-opening} of the {needsMm, number, missing-length} that the shortest joint goes in',
  'spring.corner':
    'Pushed sideways, a leg gives {haveMm, number, largest-opening}; the joint of the other goes in {needsMm, number, missing-length}',
  'spring.pushed':
    ', {limit, select, bow {drawn by hand into a bow of {sidewaysMm, number, largest-opening}} other {pushed {sidewaysMm, number, largest-opening} sideways by {force} at {stressMPa} MPa ({limit, select, stress {as far as it bends back from} other {as far as there is room}})}}',
  'spring.from': 'It would from {free, number, least-stub} of free pipe on each side.',
  'pitch.below': '{down, number, reading} below the high end',
  'heights.range': '{least, number, reading} to {most, number, reading}',
} as const
export type ScreenText = keyof typeof SCREENS

/** A sentence of a screen. */
export function screenText(id: ScreenText, parameters: Parameters, unit: LengthUnit = 'mm'): string {
  return say(SCREENS[id], parameters, unit)
}
