import type { Reason } from '../assembly/reason'
import type { LengthUnit } from '../units/types'
import { QUESTIONS } from './find'
import { type Parameters, type Sentence, say } from './say'
import { threadLookWords } from './threads'

/** Every reason the product gives, one sentence each. */
export const REASONS: Readonly<Record<string, Sentence>> = {
  'water.not-seen':
    'Steel may carry gas: nothing is opened until water has been seen to come from this line.',
  'flame.not-allowed': 'Soldering needs a flame, and none is allowed here.',
  'line.not-dry':
    'The line is not dry: even a trickle keeps the joint cold and its steam blows holes, so no {method} joint here.',
  'stub.too-short':
    'The stub is {missingMm, number, missing-length} too short: this joint needs {needsMm, number, least-stub} of straight bare pipe and {left, select, none {what has to come off takes more than there is} other {{hasMm, number, largest-opening} is left}}.',
  'access.closed-wall': 'The {method} joint must stay within reach, and this place will be closed.',
  'house.push-fit-concealed': 'Your house rule keeps push-fit out of closed walls.',
  'compression.second-ring': 'Never a second ring on the same spot of tube: cut back behind the old mark.',
  'push-fit.ring-mark': 'The old ring left a groove where the {method} must seal: cut back first.',
  'push-fit.solder-left': 'Solder is left where the {method} must seal: cut back to bare round tube.',
  'expansion.marked':
    'Teeth or a ring have marked the tube: stretched, each mark opens. Cut back to clean tube, or open the old body round its seal.',
  'push-fit.tooth-marks':
    'The old fitting’s teeth marked the length on which the {method} seals: cut back or find a smooth length.',
  'end.scored': 'The end is scored, and a score under the {method} seal is a leak.',
  'end.out-of-round': 'The end is out of round: the {method} joint needs a round tube.',
  'metal.steel-on-copper': 'Steel straight onto copper corrodes: brass or a dielectric union goes between.',
  'thread.plastic-female':
    'A female plastic thread on a metal male cracks: plastic goes inside, never outside.',
  'heater.plastic-near': 'Plastic pipe stays 18 in away from a water heater’s outlet.',
  'heater.plastic-stub':
    'The old pipe is plastic: measure that 18 in of metal or of a hose made for it lie between it and the heater’s nipple.',
  'bond.plastic-between':
    'Plastic between two stretches of metal pipe breaks the bonding that the run may carry: metal, or an electrician’s jumper across first.',
  'bond.rubber-between':
    'Rubber holds both ends of the run here: where it carries bonding, a jumper goes across before it is cut.',
  'run.flame-in-plastic':
    'Nothing is soldered between two stretches of plastic: copper carries the heat into both.',
  'line.further-material':
    'Neither end of the line is of this stuff: one more kind of pipe for whoever opens it next.',
  'valve.shut-in':
    'A valve is turned one day, and this place will be closed: keep it within reach, behind a panel at least.',
  'bib.on-plastic':
    'A hose pulls at a bib: on plastic it has a flange of its own on the wall, or stands in an elbow that is screwed to the framing.',
  'heater.plastic-tube': 'New tube to a heater is metal: plastic stays 18 in away.',
  'heater.in-place':
    'Nothing in it takes up a difference: measure from the pipe’s end to the heater’s, or set the heater, make what is screwed on it, hold the pipe beside its mouth, and mark where it is cut: the depth of the joint beyond the mouth.',
  'heater.not-lifted':
    'Heater and pipe both stand, so that a hose or a union closes between them. Where the pipe can be lifted off the heater by hand, measure how far: then what is pushed in can close there too.',
  'run.not-measured':
    'How far the pipe can be drawn aside is not measured: what closes only by that is not counted. Measure the free pipe and the room beside it.',
  'house.one-hole': 'This shop mends no single hole: where one has come, the length is replaced.',
  'copper.type': 'New copper of type {type}: the shop’s rule for drinking water.',
  'run.hole-out':
    'The hole comes out with the piece: cut where the metal is sound, and both new joints lie on it.',
  'resort.lead':
    'Nothing is joined to lead: it is taken out back to the first pipe of another kind, by whoever is licensed for it where you are.',
  'resort.replace-length':
    'One hole mended, the next one opens: replace the length back to sound pipe, or to its next fitting.',
  'resort.threaded-run':
    'Threaded pipe cannot be cut into here: open the place to the next fitting on each side, unscrew both halves, and make the piece anew with nipples and a union that stays within reach.',
  'run.steel-piece':
    'Steel let into a run of {run, select, brass {brass} other {copper}} rusts first: the piece is of the run’s own metal.',
  'resort.longer-piece':
    'Take out a longer piece: to where both ends are straight, bare, round and sound, with room to push a coupling on.',
  'resort.larger-run':
    'No pipe drains into a smaller one: follow the run down to where it is as large as the branch, and come in there.',
  'resort.farther-back':
    'A trap takes its own length: the drain lies too near the end of the pipe. Open wall or floor, cut the pipe farther back, and measure again from there.',
  'resort.heater-plastic': 'Cut the plastic farther back, and run the last 18 in to the heater in copper.',
  'resort.next-fitting': 'Follow the pipe back to its next fitting, and begin there with new pipe.',
  'resort.open-wall': 'Open the place as far as the next fitting, and begin there with new pipe.',
  'ground.not-buried': 'The {method} joint is not put in the ground.',
  'ground.slab':
    'Concrete {slabMm, number, reading} thick lies round it: before a saw goes into it tensioned cables, heating and wires are looked for, and its dust is kept down with water.',
  'ground.wrap': 'Wrap it before it is covered: soil and rubber do not go together.',
  'room.tool':
    'The {method} joint needs {needsMm, number, least-stub} of room round the pipe for the tool; there is {hasMm, number, largest-opening}.',
  'opening.tool':
    'In this hole the {method} joint has {hasMm, number, largest-opening} beside the pipe, and the tool wants {needsMm, number, least-stub}.',
  'opening.body':
    'The hole is {shortMm, number, missing-length} too small for the body, whichever face goes first.',
  'opening.shallow':
    'The body goes through only with a face first that wants {shortMm, number, missing-length} more behind the wall.',
  'opening.plate':
    'The valve’s own plate is {shortMm, number, missing-length} too small for the broken edge: a larger cover plate goes under it.',
  'opening.close':
    'The valve’s own plate is {shortMm, number, missing-length} too small, and no made plate covers the hole: close the wall and tile it.',
  'tool.not-fetched': 'The {method} joint needs the press tool, and it is not aboard.',
  'flare.hard-tube': 'Hard tube splits when it is flared: soft tube only.',
  'sun.plastic': 'Daylight makes this plastic brittle: no such pipe here.',
  'hot.plastic': 'PVC and polyethylene carry cold water only.',
  'spout.plastic-leg':
    'The spout’s leg is copper or brass: plastic tube throttles it and pushes water up to the shower.',
  'life.shorter-than-place':
    'The {method} joint is expected to last about {years} years; what is shut in is meant for {wall}.',
  'push-fit.stiffener': 'The stiffener stays in the end of soft tube.',
  'drinking.lead-free': 'Drinking water: every part lead-free, at most 0.25 % on wetted surfaces.',
  'offset.angle': 'No bend turns by {angle}°.',
  'offset.none': 'The lines are in one: there is no offset.',
  'offset.too-close':
    'The bends stand {shortMm, number, missing-length} too close for a piece between them: a flatter angle, or a bend with a spigot.',
  'offset.angle-too-small': 'These two bends turn by {least}° at least, and {wanted}° is wanted.',
  'offset.angle-too-large': 'These two bends turn by {most}° at most, and {wanted}° is wanted.',
  'cut.too-close':
    'There is no room for a piece: the two parts stand {shortMm, number, missing-length} too close.',
  'cut.measure-again':
    'The {what} may be off by more than the joints can take ({slackMm, number, largest-opening}): take it again before cutting.',
  'cut.dry-fit':
    'Taken from a dry fit: {shortMm, number, missing-length} shorter, since cement lets the sockets close.',
  'layout.measure-again':
    'May be off by {offMm, number, missing-length}; its joints take {slackMm, number, largest-opening}: hold it where it goes before the last trim.',
  'layout.mouth-to-mouth':
    'May be off by {offMm, number, missing-length}, most of it the parts’ own lengths; its joints take {slackMm, number, largest-opening}: hold the parts in place and measure from mouth to mouth.',
  'layout.contradiction':
    'These measurements cannot all be true: they disagree by {offMm, number, reading}. Take them again.',
  'layout.no-place': 'The way that is chosen now has no such place: the measurement is kept, and not used.',
  'layout.bends': 'Between these two places the line bends: the measurement is kept, and not used.',
  'fixed.too-little': '{shortMm, number, missing-length} more has to come out of the run.',
  'fixed.too-much':
    'With {overMm, number, missing-length} more out than this can bridge, a longer piece is needed.',
  'fixed.no-room':
    'The straight bare pipe beside the cut is {shortMm, number, missing-length} too short for what slides or goes on there.',
  'fixed.take-out':
    'Mark and cut {takeOutMm, number, piece-to-remove} out of the run, square, the old joint with it if it can be.',
  'fixed.take-out-corner':
    'Mark {nearMm, number, piece-to-remove} on this side and {farMm, number, piece-to-remove} on the other, each from where the middles of both legs meet, and cut there, square: the old elbow goes with it.',
  'fixed.branch':
    'Mark where the middle of the new branch has to come; the cut {cut, select, above {above it} below {below it} upstream {upstream of it} downstream {downstream of it} near {on this side} other {on the other side}} lies {atMm, number, reading} from it.',
  'fixed.one-cut': 'One cut through the run is enough: nothing comes out.',
  'fixed.ream': 'Ream and clean both ends, bright and round, as far as anything slides.',
  'fixed.piece': 'Cut piece {letter}: {cutMm, number, pipe-to-cut}.',
  'fixed.marks':
    'Witness marks: {firstMm, number, insertion-mark} and {secondMm, number, insertion-mark} from the two ends that meet inside what slides.',
  'fixed.slide-near':
    'Push what slides fully onto the pipe on this side: it takes {needsMm, number, least-stub} of bare straight pipe.',
  'fixed.slide-far':
    'Push what slides fully onto the pipe on the other side: it takes {needsMm, number, least-stub} of bare straight pipe.',
  'fixed.slide-piece':
    'Push what slides fully onto the piece that goes in: it takes {needsMm, number, least-stub} of it.',
  'fixed.put-in': 'Put the rest in place, each joint to its mark.',
  'fixed.spring':
    'Spring the pipe sideways until {needsMm, number, missing-length} is clear, and let it back in.',
  'fixed.bow':
    'Draw the tube by hand into a bow beside its line, no tighter than it may be bent, until {needsMm, number, missing-length} is clear, and let it back in.',
  'fixed.spring-corner':
    'Make up the one leg, then push it sideways until {needsMm, number, missing-length} is clear of the other, and let it back in.',
  'fixed.union': 'Draw the union together last.',
  'fixed.fold':
    'Roll the rubber back on itself over the old end, put the piece in line and roll it over: nothing has to be drawn apart.',
  'fixed.draw-back':
    'Draw it back until it stands at both marks; where it is tight, tap it: leave room for that.',
  'fixed.draw-back-wet':
    'Cement both ends as far as their marks and what slides inside; draw it back over both at once, before the cement sets.',
  'slab.near':
    'The trap is {shortMm, number, missing-length} longer than the way from the old pipe to under the drain: cut the old pipe farther back.',
  'slab.high':
    'The trap comes to stand {overMm, number, missing-length} too high: the drain would sit on it. A shorter arm, or the old pipe cut farther down its fall.',
  'slab.disc':
    'The disc leaves {restMm, number, reading} of the slab: broken along the cut, or a larger disc.',
  'slab.stands-out':
    'The trap’s mouth stands {overMm, number, reading} out of the slab: it wants a floor that is built up over it.',
  'tub.near':
    '{which, select, shoe {Drain and overflow} other {Tub and overflow}} are {shortMm, number, missing-length} too near for the fittings between them: measure again, and the set in hand too.',
  'tub.longer':
    'The {which, select, shoe {tube to the shoe} other {tube to the overflow}} of the usual set is {overMm, number, reading} too short: a set for deep tubs, or the tube by the length.',
  'trap.aside':
    'The drain stands {overMm, number, missing-length} further aside than the trap swings: an offset tailpiece or two eighth bends in the arm bring it over.',
  'trap.far':
    'The longest waste arm, {longestMm, number, reading}, is {overMm, number, missing-length} too short: pipe is brought further out of the wall first.',
  'trap.longer-arm':
    'The tube that came with the trap does not reach the wall: a waste arm of {lengthMm, number, reading} goes in its place, cut to this length.',
  'trap.near':
    'There is no room for the trap: it stands {shortMm, number, missing-length} too near the wall for its tube.',
  'trap.high':
    'The stub in the wall is {overMm, number, missing-length} too high for this trap: a shallower one, or the stub lowered.',
  'trap.deep':
    'The inlet of this trap draws out {drawMm, number, reading} at most, and {shortMm, number, missing-length} more is wanted: an extension of its own thread between waste and trap, or the pipe brought in higher.',
  'trap.pipe-short':
    'The pipe that is there stands {shortMm, number, missing-length} too far back for the trap: choose the way with a coupling and a piece of pipe on it.',
  'trap.pipe-long':
    'The pipe that is there is {overMm, number, missing-length} too long for the trap: saw that off, square.',
  'trap.drop':
    'The weir lies {overMm, number, missing-length} further below the outlet than 24 in, the most that model codes allow.',
  'layout.rigid':
    'The parts between fix this at {isMm, number, reading}; {measuredMm, number, reading} was measured, which is {offMm, number, reading} off.',
  'layout.connector-short':
    'The connector is {shortMm, number, missing-length} too short with the slack it needs.',
  'layout.connector-tight':
    'The connector reaches with nothing to spare: measure again, or take the next longer.',
  'plan.no-stock': 'There is no stock to cut from.',
  'plan.too-long': 'No length of stock holds {name}: it is {overMm, number, missing-length} too long.',
  'plan.not-settled':
    'No plan was found within the steps that one question has: take fewer kinds of stock, or cut in two goes.',
  'plan.too-little':
    'The stock that is there does not hold all pieces: {shortMm, number, missing-length} are missing.',
  'pitch.no-head':
    'The pipe does not go in under what is above: {shortMm, number, missing-length} are missing.',
  'pitch.too-low': 'At its low end it comes out {overMm, number, missing-length} below what is there.',
  'pitch.no-length': 'A run without length has no pitch.',
  'pitch.too-flat': 'It falls too little: the low end must lie {shortMm, number, missing-length} lower.',
  'wall.window': 'The window is the wrong way round: its least is more than its most.',
  'wall.in-front': 'The valve would stand {overMm, number, missing-length} in front of the finished wall.',
  'hole.through-the-face': 'The hole comes out of the wood by {overMm, number, missing-length}.',
  'hole.plate-by-rule':
    'No nail of the usual length reaches it: the plate is the shop’s own rule, for longer screws.',
  'hole.too-large': 'It takes {percent} % of the wood: more than any stud may lose.',
  'hole.bearing': 'It takes {percent} % of the wood: too much for a stud that bears.',
  'bib.wall-too-thick': 'No bib is made so long: the wall is {overMm, number, missing-length} too thick.',
  'rough.low': '{shortMm, number, missing-length} lower than usual.',
  'rough.high': '{overMm, number, missing-length} higher than usual.',
  'toilet.too-near':
    'The flange stands {shortMm, number, missing-length} too near the wall, also for an offset flange: a bowl for a shorter rough-in.',
  'toilet.flange-high':
    'The flange stands {overMm, number, missing-length} too high: the bowl would rock on it.',
  'toilet.flange-low':
    'The flange lies {shortMm, number, missing-length} beneath the finished floor: a thicker seal, never two waxes.',
  'toilet.extender':
    'The flange lies {shortMm, number, missing-length} beneath the finished floor: bring it up with rings screwed and sealed.',
  'toilet.no-riser': 'There is no room for a riser: {shortMm, number, missing-length} are missing.',
  'bib.too-short':
    'Its seat must lie in the warm, {needsMm, number, missing-length} behind the outside: shorter ones are left out.',
  'connector.too-short':
    'A connector pulled tight leaks: those shorter than {needsMm, number, missing-length}, an inch of slack included, are left out.',
  'connector.usual':
    'How far it hangs was not measured: shorter ones than are usual there are left out. Measured, the shortest that reaches is taken.',
  'bib.usual':
    'How thick the wall is was not measured: stems shorter than the usual {usualMm, number, reading} are left out. Its seat must lie in the warm.',
  'temporary.not-water': 'Nothing is wrapped until it is known that the pipe carries water.',
  'temporary.no-hole': 'It wraps a pinhole, and none was seen on this pipe.',
  'temporary.pressure':
    'It holds up to about {mostPsi} psi, and {psi} were read: turn the main down until it is mended for good, or couple it now.',
  'temporary.pressure-unread': 'It holds up to about {mostPsi} psi: read the pressure first.',
  'temporary.unseen': 'What holds for a time only must stay in sight, and this place will be closed.',
  'deck.fits': 'It sits on the holes that are there.',
  'deck.plate':
    'It takes the middle hole; its plate covers the others, {hasMm, number, outside-diameter} between the outer two.',
  'deck.spare': 'It fits and leaves {spare} to be covered: a cap, a sprayer or a dispenser.',
  'deck.wall': 'One comes out of the wall, the other stands on a deck.',
  'deck.too-few': 'It needs {needs} holes and there are {has}.',
  'deck.centres':
    'Its shanks do not meet the holes: there are {hasMm, number, outside-diameter} between the outer two.',
  'bib.frost':
    'Where it freezes outside, a plain bib bursts: frost-free, pitched to drain, hose off in autumn.',
  'compression.old-marks': 'Tooth marks lie near the end: set the ring on a smooth place.',
  'compression.solder-left':
    'Solder is left on the tube: wipe it while molten and clean back until the ring slides on.',
  'compression.plastic-tube':
    'On plastic tube the ring and insert must be listed for it; soft tube gets an insert.',
  'push-fit.polybutylene': 'Only some push-fit fittings are listed for polybutylene: read the sheet.',
  'push-fit.concealed': 'The seal’s life is shorter than the wall’s: know that before closing it.',
  'stub.not-measured':
    'The stub is not measured yet: this joint needs {needsMm, number, least-stub} of straight bare pipe.',
  'stub.close':
    'Only {spareMm, number, largest-opening} to spare: measure the bare stub again before cutting.',
  'body.cools':
    'A body is soldered at one end and takes tape, a seal or plastic at another: {minutes} minutes to cool are counted in; some wait only until it can be held.',
  'stop.seats-and-flame': 'Take cartridge and rubber out, or keep them off the joint until it is cold.',
  'pressure.high':
    '{psi} psi is above 80: a pressure regulator is wanted, and it changes the choice of parts.',
  'thread.old-steel':
    'Old steel may break off or start to leak at the next thread back: hold it with a second wrench.',
  'bonding.plastic-in-metal':
    'Plastic in a metal line can break the building’s electrical bonding: have it bonded across first.',
  'pipe.polybutylene':
    'Polybutylene has a record of failing at its fittings: tell the owner, touch as little as possible.',
  'start.no-end':
    'No old end of {material} is joined like that: look again at how it is joined, and at what it is.',
  'drain.other-plastic':
    'No {method} on {material}: between both plastics goes a coupling. A transition cement is for one joint alone, where the drain of the house meets its sewer, if the authority takes it.',
  'method.not-on-this-pipe': 'No {method} joint is made on {material} of this size.',
  'method.not-settled': 'The search was cut short before it was known whether the {method} joint leads on.',
  'method.nothing-turns':
    'The {method} joint fits the stub, but every way on is screwed at both ends, and what it leads to cannot be turned: a union, a swivel nut or a joint that slides has to stand between, and none may or can here.',
  'method.nothing-gives':
    'The {method} joint fits the stub, but the heater stands and so does the pipe: what closes between them goes in only where one of them moves. A hose or a union has to stand between, or the pipe be known to give.',
  'method.closes-wet':
    'The {method} joint fits the stub, but what closes the line to a body that cannot be turned would want it dry, and it trickles: a nut, a grip or a ring has to close it, and none may or can here.',
  'union.shut-in':
    'A union is drawn together by a nut, and a nut in a place that closes is never reached again: none is offered there.',
  'run.far-short':
    'The {method} joint fits this side, but the straight bare pipe on the other is too short for what closes there: cut where more of it is bare.',
  'run.no-chain':
    'The {method} joint fits this side, but nothing in the catalogue closes the run from there.',
  'method.no-chain':
    'The {method} joint fits the stub, but nothing in the catalogue leads on to the fixture.',
  'end.pitted': 'The end is pitted, and a pit under the {method} seal is a leak: cut back to smooth pipe.',
  'end.pinhole': 'A pinhole: nothing is joined here before the pipe is cut back past it.',
  'end.pinholes': 'More than one pinhole on a length: the length is done, back to sound pipe.',
  'end.bent': 'The end is not straight: the {method} joint needs a straight one.',
  'cement.not-dry': 'The line is not dry: cement does not take on wet pipe, so no {method} joint here.',
  'drain.out-of-round':
    'The pipe is out of round: it does not fill its socket. Cut back to where it is round.',
  'drain.run-held':
    'New pipe bears nothing of the old: what hangs above or beside the cut has a clamp or a hanger of its own for good, and the fall is read on both sides.',
  'lead.back-to-iron':
    'Lead of three inches and more goes whole, back to the iron: its ferrule is picked out of the hub it was caulked into, and the line begins at that hub. Bands squeeze so thin a wall out of round, and a new wiped joint is for whoever wipes lead.',
  'drain.dead-end':
    'What flows past a dead end flows into it and stays there: cut it back to the branch it comes from, as near as can be reached, unless it is kept for a fixture to come or as a cleanout.',
  'drain.closed-vent':
    'Air for another trap may come through this pipe: plugged for a try it is listened to while every fixture near runs off, and a trap that gurgles gets a vent of its own first.',
  'drain.from-fitting':
    'The fitting behind is not seen: look past the pipe with a mirror that it is one, near and braced. Old pipe often breaks off in it; then there is half an hour more, or the wall is opened.',
  'drain.tray-shut-in':
    'The nut at the outlet of a shower waste is reached through a panel in the plinth, or by lifting the tray: nothing held by a nut is shut in.',
  'drain.own-trap':
    'What goes in brings its own trap, and one stays further down: two on one way lock air between them. The old one goes, or what has no trap goes in.',
  'pan.aside':
    'The middle of the spigot stands {asideMm, number, reading} off the middle of the pipe; connectors are made up to {mostMm, number, reading} aside. Another bowl, or the pipe is laid anew at its height.',
  'pan.far':
    '{straight, select, yes {From the pipe to the spigot it is {reachMm, number, reading}, and a connector that is cut to length reaches {mostMm, number, reading}: pipe is brought nearer first.} other {An offset connector reaches {mostMm, number, reading} and it is {reachMm, number, reading}: pipe is brought nearer first.}}',
  'pan.not-measured':
    'Heights not measured: from the finished floor to the middle of the pipe and of the bowl’s spigot. Up to {givesMm, number, reading} the fins make up; beyond, a connector with an offset is the one to fetch.',
  'run.house-trap':
    'A house trap goes, and straight pipe with a cleanout takes its place, only where the authority agrees: ask before it is cut. What comes out reaches past both its hubs, as measured.',
  'run.house-trap-plain':
    'A house trap has plugs that a drain machine goes in by: where it is cut out, a cleanout takes its place, and nothing else goes in there.',
  'branch.upright':
    'For upright pipe alone: in pipe that lies, a tee throws what comes in across the flow and against it.',
  'branch.lying':
    'In pipe that lies a branch comes in leaning with the flow, at the middle or above it: a tee there would clog.',
  'branch.larger':
    'A branch of {branch} {unit} into a run of {run} {unit}: nothing of a drain is smaller downstream. The run is renewed in that size first, or the branch goes into a larger one.',
  'branch.opposite':
    'Two sides right opposite each other, for what runs in slowly: basins, tubs and showers. A bowl or a pump would shoot across into the other side.',
  'branch.beside':
    'The inlet lies on the {at} of who looks into the branch, upstream over it: hold the tee up before it is cemented. What drains by it shares the vent of what stands beside it only where the code allows that; else it has its own.',
  'branch.head-on':
    'It would come into a tee right opposite another: what a bowl or a pump sends in shoots across into that side. It gets a branch of its own, above or below.',
  'branch.vent':
    'Two things come before the new pipe: a vent for its trap, since a run that drains from above is none, and whether this pipe and all below it may take one fixture more; both as the local code counts (Bench, drain load).',
  'drain.shower-2':
    'A shower of 1-1/2 in runs off slowly and fills its pan; where the authority wants two inches, riser, trap and arm are of two.',
  'drain.unvented':
    '{from, select, floor {Over a drain out of the floor the trap would be an S, and a valve that admits air may not stand here: the drain is brought into the wall first, and vented there, as the authority has it.} bowl {No vent: a new bowl that is flushed would draw its own water low, or that of a trap near it. It is vented first, through the wall, as the authority has it.} other {No vent, and a valve that admits air may not stand here: the trap would be siphoned. It is vented first, through the wall, as the authority has it.}}',
  'drain.bowl-unvented':
    'No vent: a bowl that is flushed draws its own water low, or that of a trap near it. Nothing that goes in here vents it; that is done through the wall, as the authority has it.',
  'drain.s-trap':
    'A trap over a drain that comes up out of the floor is an S, and an S sucks itself empty: the trap goes at the side of a tee that stands on the riser, with air over it.',
  'load.no-table':
    'This code has no table for it, but reckons the flow by the fall: the authority, or who reckons it, is asked.',
  'load.no-size': 'The table of this code has no pipe of {size} {code, select, EN {mm} other {in}} for it.',
  'load.nothing': 'Count all that drains through it, with what is still to come.',
  'load.takes':
    'It takes them: {load} of {most} {code, select, EN {litres a second} other {fixture units}}, {left} left.{storey, plural, =0 {} other { On one storey no more than # of them come in; more than three storeys have another row.}}',
  'load.over':
    '{size} {code, select, EN {mm} other {in}} takes {most} {code, select, EN {litres a second} other {fixture units}}, and {load} come: a larger pipe, or less on this one.',
  'load.closets':
    '{mostClosets, plural, =0 {No toilet drains through} one {One toilet at most drains through} other {# toilets at most drain through}} {size} {code, select, EN {mm} other {in}} here, whatever else it could carry.',
  'load.own-drain':
    'A {fixture} drains through {least} {code, select, EN {mm} other {in}} itself, and nothing downstream is smaller.',
  'drain.old-bottle':
    'The bottle trap goes: it seals by its inner wall alone, which nobody sees when it is eaten through. A P-trap of pipe comes in its place.',
  'drain.old-drum':
    '{stays, select, yes {The drum trap that stays clogs, and no machine passes it: where the floor or the ceiling below is opened, it is cut out and the line gets a P-trap of its own.} other {The drum trap is cut out with the pipe that leads to it: nothing of it is made anew.}}',
  'drain.old-running':
    '{stays, select, yes {The running trap stays as this line’s one trap: its weir no more than 24 in below the fixture’s outlet, and a cleanout at it. A building trap, for the whole house, is another thing and does not count.} other {The running trap is taken out: two on one way lock air between them.}}',
  'drain.old-two':
    '{stays, select, yes {Two traps on one way lock air between them, and it drains slowly: the upper one goes, the lower stays as the only one.} other {Both old traps go: two on one way lock air between them, and it drains slowly.}}',
  'drain.old-none':
    'There was no trap: gas of the sewer came in here. Air the room before any flame; then pour water in and look: where it stands, there is a trap further down after all.',
  'drain.air-valve':
    'No vent: an air admittance valve, where the authority accepts one, on a riser at least 4 in over the trap’s arm, within reach and in free air; it is never the only vent of a house.',
  'drain.vent':
    'A trap is vented within the length of its arm, by the local code; whether this one is, is not worked out here. A gurgle or a slow drain says it is not.',
  'drain.flexible-above':
    'A bare rubber coupling sags and shears where it is not bedded in the ground: above it, a shielded one (most codes).',
  'drain.slow-machine':
    'This drain runs off slowly already, and a machine pumps 15 to 20 gallons a minute into it: no way is offered. Report it, and have the line cleared or renewed first.',
  'drain.small-machine':
    'A machine pumps 15 to 20 gallons a minute: a waste under 1-1/2 in does not take it. Report it; the line has to be renewed larger.',
  'drain.standpipe-2':
    'Current codes want 2 in for a standpipe and its trap: 1-1/2 in is offered because the old drain is no larger. Ask the authority.',
  'drain.long-arm':
    'The trap stands {outMm, number, reading} out and its arm may be {mostMm, number, reading} long up to the vent: over that the fall siphons it. A vent nearer to it, or larger pipe, if the authority has it so.',
  'drain.standpipe-height':
    'The standpipe ends {leastMm, number, reading} to {mostMm, number, reading} above its trap, by the local code; the hose hangs in it with air round it.',
  'drain.smaller-downstream':
    'The old drain is {has} {unit, select, mm {mm} other {in}} and what comes down is {wants}: nothing of a drain is smaller downstream. Riser, trap and arm go up to {wants} {unit, select, mm {mm} other {in}}, unless the authority accepts less.',
  'drain.slip-shut-in':
    'What leads on here is a slip joint, and that is never closed in: a panel that opens, or a waste that is cemented.',
  'flange.too-high':
    'The flange stands higher over the floor than a seal takes up: it is cut off and set on the floor, or the floor is raised to it.',
  'flange.too-low':
    'The flange lies deeper than stacked rings bring up: it is cut off, and a new one set on the floor.',
  'flange.kept-near':
    'The flange stands {shortMm, number, missing-length} too near the wall for this bowl: it goes, and an offset flange comes in, or a bowl for a shorter rough-in.',
  'flange.offset':
    'The bowl wants {shortMm, number, missing-length} more before its wall than there is: an offset flange moves it {asideMm, number, reading}. Its throat is narrower than a plain one’s.',
  'flange.gap':
    'The tank will stand {gapMm, number, missing-length} further from the wall than it is made for: a bowl for a longer rough-in, or tell the owner.',
  'drain.slow':
    'It runs off slowly: what stands in it is a blockage further down, and new pipe here does not cure it.',
  'drain.lead':
    'Lead is soft and gives under a band: tightened no more than it takes, looked at again, or replaced back to the iron.',
  'flange.twist-refused':
    'A flange that is twisted in seals on its own rubber, and some authorities refuse it: only where the shop has it accepted.',
  'flange.not-measured':
    'How high the flange lies over the finished floor was not measured: it decides seal and rings.',
  'removal.hub-split': 'The hub is split: a gasket does not hold in it. The iron goes back to a sound end.',
  'end.thinned':
    'The wall is thin: it may crush under cutter, ring or teeth. Cut back to sound pipe if there is any.',
  'end.choked': 'The bore is choked: what is joined to it will run no better. Tell the owner.',
  'end.loose': 'The stub moves in the wall: strap it or fill behind it, or the joint will break later.',
  'end.dirty-bore': 'The bore is dirty: clean it well back before flux and heat.',
  'removal.flame': 'Sweating the old fitting off needs a flame.',
  'removal.dry':
    'While water stands in the line nothing is sweated off it, and no hub is bored out to be cemented in.',
  'removal.room': 'The cutter needs {missingMm, number, missing-length} more bare pipe to get round.',
  'find.enough': 'Enough: {name}.',
  'find.enough-same-parts': '{name}, {grades}: the same fittings either way. Enough.',
  'find.not-water':
    '{name}, made for {medium, select, gas {fuel gas} refrigerant {refrigerant} sprinkler {fire sprinklers} other {drains}} ({percent} in 100): nothing for water is joined to it.',
  'find.ask': 'Most likely {name} ({percent} in 100). What tells most now: “{look}”',
  'find.spent':
    'Most likely {name} ({percent} in 100), and no look left here tells more: cut back to a clean length and measure there.',
  'find.undecided':
    '{name} or {other}: the looks so far cannot tell them apart, and no more of what is at hand will.',
  'find.unknown':
    'This fits none of the pipes in the tables ({percent} in 100). Look for a print line, or cut back to a known end.',
  'find.contradiction':
    'These looks fit no pipe together: one of them is wrong, or it is something else. Look again at the marked ones.',
  'find.misread': 'No pipe in the tables reads like that, clean or painted: measure it again.',
  'thread.enough': 'Enough: {name}.',
  'thread.ask': 'Most likely {name} ({percent} in 100). What tells most now: “{look}”',
  'thread.spent':
    'Most likely {name} ({percent} in 100), and no look left tells more: match it at the counter with the part in hand.',
  'thread.confused': '{name} ({percent} in 100), or {other}. What tells most now: “{look}”',
  'thread.confused-spent':
    '{name} ({percent} in 100), or {other}: no look left tells them apart. Match it at the counter with the part in hand.',
  'thread.unknown':
    'This fits none of the threads in the tables ({percent} in 100). It may be the maker’s own: match it at the counter with the part in hand.',
  'thread.no-observation': 'Nothing seen yet. Say where it is and measure across the crests.',
  'find.no-observation': 'Nothing seen yet. Start with what is easiest.',
}

/** What each change of condition is called when it would help. */
export const CHANGES: Readonly<Record<string, string>> = {
  flame: 'allow a flame',
  dry: 'get the line dry',
  access: 'keep the place within reach',
  'push-fit-rule': 'allow push-fit in this wall',
  'water-seen': 'see water come from the line',
  stub: 'win more bare stub',
  smooth: 'cut back to smooth pipe',
  round: 'cut back to round pipe',
  thread: 'get to a sound thread',
  sound: 'cut back to sound pipe',
  straight: 'cut back to straight pipe',
  'away-from-heater': 'move the joint 18 in from the heater',
  vented: 'open the wall: the drain comes out of it, and is vented there',
  bowl: 'take a bowl made for this rough-in',
  room: 'make room round the pipe',
  opening: 'open the wall wider',
  shade: 'keep daylight off it',
  plate: 'take a split wall plate, put on when the joint is made',
  tool: 'bring the press tool',
}

/** A look that a reason names, as it is asked. */
function lookWords({ look, pitchMm, form }: Parameters): string {
  if (typeof pitchMm === 'number' && typeof form === 'number')
    return threadLookWords(String(look), { pitchMm, form })
  return QUESTIONS[String(look)] ?? threadLookWords(String(look))
}

/** A reason in one sentence. An unknown rule shows its id rather than nothing. */
export function reasonText(reason: Pick<Reason, 'ruleId' | 'parameters'>, unit: LengthUnit): string {
  const { look } = reason.parameters
  return say(
    REASONS[reason.ruleId] ?? reason.ruleId,
    look === undefined ? reason.parameters : { ...reason.parameters, look: lookWords(reason.parameters) },
    unit,
  )
}

/** A rule by its sentence, for where it is spoken of and not applied: what depends on the place is left open. */
export function ruleText(ruleId: string): string {
  return (REASONS[ruleId] ?? ruleId).replace(/\{[^}]+\}/g, '…')
}
