import type { PlannedStep } from '../sequence/types'
import type { LengthUnit } from '../units/types'
import { METHOD_WORDS } from './fixtures'
import { TOOL_WORDS } from './methods'
import { type Sentence, say } from './say'

const TOOLS: Readonly<Record<string, string>> = {
  'tube-cutter': 'a wheel cutter, little feed at each turn',
  'plastic-cutter': 'a plastic cutter, turned as it closes',
  'pipe-saw': 'a fine saw, along a mark all round',
  'chain-cutter': 'the chain, round at the mark',
}

/** Every step, as it is read on the knees. */
export const STEPS: Readonly<Record<string, Sentence>> = {
  'safe.parts': 'Lay out all parts and tools and check them against the list.',
  'safe.set-up': 'Set out for {method}: {tools}.',
  'safe.water-seen': 'Steel: make sure once more that this line carries water and nothing else.',
  'safe.protect': 'Towel, bucket, gloves: a cup of water still comes.',
  'safe.lead-solder': 'Old solder may hold lead: no dry sanding, wash hands.',
  'safe.heater-off': 'Electric heater off at the breaker, gas heater to pilot.',
  'safe.shut':
    'Close the nearest stop that holds, else {at, select, none {the main} other {the house’s own: {at}}}.',
  'safe.shut-kept': 'Close the old stop at each line, and no harder than it wants.',
  'safe.stop-shut':
    'Close the old stop; open the tap above, or flush: it runs out and stays dry. Where it does not, the stop does not hold and is replaced.',
  'open.stop-open': 'The new fixture shut: open the old stop slowly, all the way, and listen.',
  'safe.drain-kept':
    'Open the tap above, or flush: it runs out and stays dry. Where it does not, the stop does not hold and is replaced.',
  'open.valves-kept': 'The new fixture shut.',
  'safe.drain': 'Open the highest and the lowest tap, hot and cold, and let it drain.',
  'safe.proved':
    'The lowest tap has run out and stays dry for a minute: the stop holds. Where it does not, go back to the next one, or the main.',
  'remove.old-connector':
    'Hold the old stop with a second wrench; the old connector, riser or hose off its outlet, towel under it.',
  'remove.old-connector-fitting':
    'Hold the old fitting with a second wrench; the old connector or hose off it, towel under it.',
  'fixture.out': 'The old fixture out: its nuts from below, lift it off; the deck scraped clean and dry.',
  'fixture.set':
    'Set it on its gasket or putty, no oil putty on stone; square to the bowl; drawn down from below until it shows all round.',
  'heater.empty':
    'The old heater: shut the valve before it, or wait with this until the water is off; hose from its cock to a drain, a hot tap open for the air. It scalds.',
  'heater.empties': 'It runs empty.',
  'heater.out':
    'The old heater out, empty, two people or a cart. Gas, flue and wiring are parted and joined by who is licensed for them.',
  'heater.out-half':
    'The old heater out, empty, two people or a cart. Its other line has no way chosen: choose one first, or shut and cap that pipe. Gas, flue and wiring are parted and joined by who is licensed for them.',
  'heater.set':
    'The new one on its base, level, its ends under the pipes; in a pan with a drain where a leak would do harm, strapped where the ground shakes: as its sheet and the local code have it.',
  'heater.mark':
    'What goes on the heater is put there, screwed as deep as it will stand; the rest held to it, dry; the old pipe beside the mouth it goes into, marked the depth of that joint beyond the mouth, cut square there.',
  'heater.fill':
    'The valve before the heater open, a hot tap open: let it fill until no air comes, then shut the tap.',
  'fixture.hang':
    'Hang it, “up” above: one screw, level; the second, level again; its depth within the window on its sheet.',
  'fixture.hang-box':
    'Screw the box to the framing, level, its face flush with the finished wall, hot on the left.',
  'fixture.out-wall':
    'What is left of the old one out of the wall: screws, straps, plate. Look at what the new one will hang on.',
  'fixture.hoses-off':
    'Machine off and its plug out; both hoses off the old valves, a bucket under them; the drain hose drawn out.',
  'fixture.hoses':
    'Hoses on with new washers, hot to hot, by hand and a quarter turn. Open both valves and let the machine fill: nothing drips into the box.',
  'fixture.run':
    'Aerator and hand shower off: run cold, then hot, until it is clear and no air spits. Then put them back.',
  'fixture.fill': 'Let the tank fill; set its level; flush it twice.',
  'safe.bond': 'Metal line: if it may carry the bonding, have it bridged before cutting.',
  'open.valves': 'New stop shut; every tap shut, what the stop feeds too.',
  'open.valves-body': 'The new fixture shut, all other taps shut.',
  'open.valves-run': 'All taps shut.',
  'open.valves-in-line': 'The new valve shut, and every tap.',
  'open.restore': 'Open the water slowly, a high tap open for the air: cold first, then hot. Listen.',
  'open.restore-kept': 'Open each old stop slowly, all the way, and listen.',
  'open.heater-on': 'Hot side full and free of air: heater on again.',
  'open.flush': 'Run the new stop into a bucket until it runs clear.',
  'prove.tissue-inlet': 'Dry everything, then a tissue round every joint up to the stop.',
  'open.flush-in-line': 'Run the new valve into a bucket until it runs clear, and shut it again.',
  'prove.tissue-to-valve': 'Dry everything, then a tissue round every joint up to the new valve.',
  'prove.tissue-past-valve': 'Open the new valve; a tissue round every joint behind it.',
  'prove.tissue-outlet': 'Open the stop; a tissue round the connector’s two ends.',
  'open.flush-bib': 'Open the bib into a bucket until it runs clear.',
  'prove.tissue-bib': 'A tissue round its stem while it runs; then shut: none comes at its mouth.',
  'open.flush-run': 'Run the nearest tap behind it, aerator off, until it runs clear.',
  'open.flush-through':
    'Open the new valve and run the nearest tap behind it, aerator off, until it runs clear.',
  'open.flush-valve': 'Open the new valve on this side alone, until it runs clear.',
  'open.flush-box': 'Open its valve in the box into a bucket, until it runs clear; shut it again.',
  'open.flush-kept': 'Run it, aerator off, or flush it, until it runs clear.',
  'open.flush-end': 'Run it from its end into a bucket, aerator and shower head off, until it runs clear.',
  'prove.tissue-joints': 'Dry everything, then a tissue round every joint of the line.',
  'prove.old-stop':
    'A tissue round the old stop: wet at the stem, its packing nut an eighth of a turn; wet elsewhere, it is replaced.',
  'prove.tissue-behind': 'Open the stop; a tissue round every joint behind it.',
  'prove.tissue-cap': 'A tissue round the cap.',
  'prove.tissue-end': 'Let it run; a tissue round the joints at both its ends.',
  'body.strip': 'Before the flame: {inside} out of the body; nothing of rubber or plastic stays in it.',
  'body.cool':
    'Let the body cool until it can be held in the bare hand; some wait {minutes} minutes. Seals, tape and plastic come after.',
  'body.refit': 'Cold: {inside} back into the body, and shut.',
  'prove.two-hours': 'Again after two hours.',
  'prove.morning': 'Again next morning.',
  'long.cap': 'Leave the pipe long and cap it: it stays so until the wall is shut.',
  'long.cut':
    'The wall shut, the valve shut: cap off; hold what goes on there, {part}, against the pipe; mark, cut square and dress.',
  'fix.ears': 'Screw the elbow by its ears to the framing, before anything is turned into it.',
  'fix.bib':
    '{plain, select, yes {Its plate against the wall} other {Screw its flange to the wall, so that it drains outward}}; caulk round it, and leave the weep below open.',
  'fix.stub':
    'The pipe moves in the wall: strap it to the framing, or bed it behind the plate overnight, before anything is joined to it.',
  'fix.hang':
    '{of, select, stands {Strap the upright pipe to the framing, at its trap and below its top,} iron {Hang the new pipe every 5 feet and within 18 inches of each coupling,} other {Hang the new pipe every 4 feet, and at each bend and trap,}} its fall kept, so that nothing hangs on a joint (IPC 308.5, recalled: verify). Water standing in it weighs more than the pipe.',
  'fix.strap':
    'Strap the new pipe, so that nothing hangs on a joint: {of, select, soft {at least every 32 inches} stiff {at least every 3 feet} other {at least every 6 feet}}, loose enough to move (IPC 308.5, recalled: verify).',
  'prove.scald':
    'Once it is hot: set the limit at the cartridge, run full hot for a minute and measure it at the outlet: no more than 120 °F, 49 °C, where the code has it.',
  'prove.breaker': 'The hose off, the bib shut: its vacuum breaker lets the water in it go, and takes air.',
  'prove.relief':
    'The relief valve: its pipe of full size, downhill, open at its end, and nothing in it that shuts or narrows it.',
  'safe.unbond': 'Metal is joined to metal again: the bridge over the cut comes off, last of all.',
  'safe.bond-stays':
    'Plastic or a dielectric lies between now: the bridge stays for good, made by an electrician where the code says so.',
  'hold.set':
    'All taps shut, and shut away what is not made for it: heater, cartridges, hoses. The gauge on, the line at {bar, select, 0 {no less than the pressure it works at} other {{bar} bar}}. Note the reading.',
  'hold.wait': 'Leave it shut for {minutes} minutes.',
  'prove.hold':
    'Read the gauge again: no fall that warmth or plastic does not explain, and every joint that will be covered is dry.',
  'hold.fill':
    'Plug the drain below the new work and every open end; fill it with water until that stands {code, select, EN {a metre} other {ten feet}} over the highest new joint, or at the rim of the lowest fixture above. Where nothing can be plugged, ask the authority whether it takes a test by flow.',
  'hold.stand': 'Leave it full for {minutes} minutes, nobody draws a tap into it.',
  'prove.level':
    'The level has not fallen, and every joint that will be covered is dry. Let the water go slowly; take the plugs out and count them.',
  'cover.inspected':
    'A permit is open: the inspector has seen it open and under pressure, a drain full of water. Nothing is covered before.',
  'cover.wall':
    'Close the wall, or have it closed, the line under pressure meanwhile: a nail or a screw in it is seen at the gauge.',
  'cover.floor-drain':
    'Close the floor, or have it closed, what carries it whole again: no screw and no nail where the drain runs.',
  'cover.ground': 'Bed it in sand and fill in, the line under pressure meanwhile.',
  'cover.wall-drain': 'Close the wall, or have it closed: no screw and no nail where the drain runs.',
  'cover.ground-drain':
    'Bed it in sand along its whole length, its fall as it was read, so that no coupling bears it; fill in by layers.',
  'cover.slab':
    'Sheet under the slab lapped and taped, mesh tied, dowels where the slab carries; concrete to the old face, nothing of it in the box round a riser. Kept wet.',
  'slab.scan':
    'Drawings, plates and stamps looked at, then scanned: a slab with tensioned cables is not cut by us. Cables, heating, wires and pipes marked on the floor, the breaker of any of them off.',
  'slab.cut':
    'Trench marked a foot wide, clear of footings. Saw wet, guard on, mask, eyes and ears: {slabMm, number, reading} of concrete, {deep, select, yes {the disc reaches {reachMm, number, reading} of it and the last {restMm, number, reading} is broken along the cut} other {no deeper than that}}; mesh cut last. Broken out in pieces that one can lift.',
  'slab.dig':
    'Dig by hand beside the pipe and a hand’s breadth under where the new one will lie, even and firm; the old pipe held where its bed is gone. Soil kept dry, the stones picked out of it.',
  'slab.fill':
    'Pipe bedded and held along its whole length, its fall read once more; sand or clean soil tamped in by layers, six inches at a time, to the underside of the slab.',
  'slab.set': 'Concrete left a day before anybody kneels on it; longer before tile, by its bag.',
  'riser.plug':
    '{of, select, riser {Riser plumb and in the middle of where the {what} will be, left standing half a foot over the floor, a test plug in it; wrapped where concrete touches it, and a box of a foot square round it for the {what}.} other {A test plug in the mouth that looks up, plumb under where the drain will be; a box of a foot square over it, down to the pipe, so that the drain’s tail is joined there.}}',
  'riser.cut':
    '{of, select, riser {Box out, plug out. {what, select, flange {Riser cut square to its height under the finished floor, as long as the list of cuts has it.} other {Drain in its place by its height: mark the riser, take the drain away, cut it square.}}} other {Box out, plug out, the mouth wiped. The tail tried dry by its height, and cut to it.}}',
  'waste.out':
    'Old waste out: held from above, its nut turned off below or sawn through, pushed up and out. Every trace of putty off; a crack at the hole ends the work here.',
  'waste.set':
    'Putty under the flange, silicone on stone, plastic and what its sheet says; washer, then nut from below, the body held and never the flange. {closes, select, rod {Its hole for the rod looks to the wall.} other {Its slots look to the overflow’s.}} A basin with an overflow wants slots, one without has none.',
  'waste.rod':
    'Ball and rod into the body with their seats, nut by hand; rod of the faucet through the strap, set so that the stopper shuts with the rod up and stands three eighths of an inch open with it down.',
  'prove.waste-holds':
    'Closed and filled until it runs into the overflow: that takes it, the level stands for five minutes, a tissue under the flange’s nut stays dry. Opened, it lifts freely.',
  'tub.out':
    'Plate of the overflow off with what hangs on it. The drain turned out by a key that spreads in its cross; where the cross breaks, its rim is sawn from inside, not into the tub’s thread.',
  'tub.set':
    'Shoe under the drain’s hole, pipe behind the overflow’s, both tried dry and {by, select, cement {cemented} leg {their nuts drawn, plumb and in sight, the plate on the floor slid on before} other {their slip nuts drawn}}. Gasket under the shoe and behind the overflow; a plunger hangs on its rod so that it shuts at the tee with the lever down. The drain turned in on putty, silicone on plastic, by its own key. Its thread is tried first by hand: coarse and fine are not the same.',
  'prove.tub-holds':
    'Shut, and filled until it runs into the overflow: a lamp and a tissue behind the overflow’s gasket, under shoe and tee; the level stands for ten minutes. Then let go at once.',
  'base.set':
    'Drain through the hole of the base: gasket below, silicone or putty above by its sheet, its nut drawn while the body is held. Base level and bedded all over, tried dry over the pipe and lifted again.',
  'pan.base':
    'Dry over the riser: base of the drain on its bed, its top at the low point of a slope of a quarter inch to the foot, which is under the liner and not over it. Bolts turned out half.',
  'pan.liner':
    'Liner in one piece, folded at corners and never cut, {upMm, number, reading} up over the finished threshold, no nail lower than its top inch. A ring of sealant on the base; holes at the bolts, ring down by turns; only then the hole inside it, cut short of the bolts. The weep holes stay open.',
  'pan.full':
    'Test plug into the drain below its weep holes, so that the clamp is tried from both sides; {code, select, UPC {filled to the rough threshold} other {filled {deepMm, number, reading} over the floor at the threshold}}. The level marked.',
  'pan.stand':
    '{minutes, plural, =15 {Leave it 15 minutes} =1440 {Leave it a day, or as long as the inspector wants} other {Leave it # minutes}}; nobody steps into it.',
  'prove.pan':
    'Level at the mark, dry under the floor, at the threshold and where walls meet it. The plug out, counted.',
  'pan.weep':
    'Pea gravel or a spacer over the weep holes, so that mortar cannot shut them; a cup of water on the liner runs off through them. Strainer screwed to the height of the finished floor.',
  'record.write': 'Write down what was found, what was fitted and what was advised.',
  'captive.plate': 'Wall plate onto the stub now, or use a split plate.',
  'remove.undo-connector':
    'Hold the old stop with a second wrench; undo the old connector or riser at its outlet.',
  'remove.look-outlet':
    'Look into the outlet: threads whole, seat clean. A ring that has bitten the old riser goes with it.',
  'remove.undo-riser':
    'The stiff riser out: nut off at both its ends, spring it aside, or cut it; it is not used again.',
  'remove.plate-off':
    'Cut the stuck wall plate off with snips, away from the tube: a split one goes on afterwards.',
  'remove.repack':
    'Stop shut: packing nut off, the old packing out, new cord round the stem the way the nut turns; nut snug, the handle still turns. A quarter-turn stop has no packing: it is replaced.',
  'remove.look': 'Look at the bare end: round, smooth, straight?',
  'remove.cut': 'Cut the stub square, close behind the old stop.',
  'remove.cut-fitting': 'Cut the pipe square, close behind the old fitting, so that as much as can be stays.',
  'remove.cut-valve': 'Cut the pipe square, close to the old valve, so that as much as can be stays.',
  'remove.cut-marks':
    'Cut the end square an inch behind the last mark, and look: smooth and round from here to where the new joint ends?',
  'remove.sweat': 'Heat the old stop and pull it off; shield what can burn.',
  'remove.sweat-fitting': 'Heat the old fitting and draw it off the pipe; shield what can burn.',
  'remove.sweat-valve': 'Heat the old valve at this port and draw the two apart; shield what can burn.',
  'remove.wipe-solder': 'Wipe the solder while molten, then clean to bright round tube.',
  'remove.unscrew': 'Hold the stop, undo the nut, slide the stop off.',
  'remove.unscrew-fitting': 'Hold the old fitting, undo its nut, slide it off.',
  'remove.pull-ring': 'Draw the old ring with a puller; do not score the tube.',
  'remove.cut-ring': 'Cut just behind the old ring.',
  'remove.release':
    'Press the collar back with the release tool and pull the stop off.{pushFitReuse, select, few { Sound, it may serve a few times more.} never { It is not used again.} temporary { It serves again for a time only.} other {}}',
  'remove.release-fitting':
    'Press the collar back with the release tool and pull the old fitting off.{pushFitReuse, select, few { Sound, it may serve a few times more.} never { It is not used again.} temporary { It serves again for a time only.} other {}}',
  'remove.open-body-fitting':
    'Cut the old fitting’s body open round its seal with a wide wheel cutter, never into the tube; slide it off straight, no twisting.',
  'remove.open-body':
    'Cut the old stop’s body open round its seal with a wide wheel cutter, never into the tube; slide it off straight, no twisting.',
  'remove.hold-back': 'Second wrench on the pipe in the wall: it must not turn.',
  'remove.unscrew-thread': 'Unscrew what sits on the pipe’s thread, gently.',
  'joint.dress': 'Cut square with {tool}; ream inside, dress outside.',
  'joint.wipe-plug': 'Wipe the plain end that it has: no casting sand, no seam that stands up.',
  'joint.spigot': 'Look at the plain end that the fitting has: clean, no dent, no burr; it is not cut.',
  'joint.dress-cut': 'Ream inside, dress outside; where the end is not square, cut once more with {tool}.',
  'pex.cut-already': 'Is the cut square? Else once more, as little as will do.',
  'sweat.shield':
    'Shield framing and wallboard; extinguisher in reach; cartridge and rubber out of what is heated.',
  'sweat.empty': 'Empty the line for several inches back; tilt it so it drains away.',
  'made.filed':
    'File the coupling’s stop out, first from one side: evenly all round and no deeper, the wall must not be thinned.',
  'made.filed-other': 'File from its other side until the tube slides through from end to end.',
  'made.expanded':
    'Make the sleeve: a blank of the tube’s own size, {blankMm, number, least-stub} long, square, no burrs; dull red all over, or it splits; left to cool; its first end expanded {insertionMm, number, reading} deep and a little more. Its sockets are shorter than bought ones.',
  'made.expanded-other': 'Expand the sleeve’s other end until the tube slides through from end to end.',
  'close.lift':
    'Last of this line: lift the old pipe by {needsMm, number, least-stub} at least, end to mouth, and let it down into it.',
  'slide.on':
    'Push the {part} fully onto the pipe or the piece that Cut names: it takes {needsMm, number, least-stub} of it, bare, clean and straight. Both witness marks are on.',
  'slide.back': 'Draw the {part} back until it stands at both marks; where it is tight, tap it.',
  'union.draw':
    'Draw the {part} together: faces clean and square to each other, the nut on by hand as far as it goes, then home with a wrench on each side.',
  'sweat.clean': 'Clean tube and cup to bright metal; do not touch them again.',
  'sweat.flux':
    'Thin flux on {fluxOn}, wipe the surplus; push home to {insertionMm, number, insertion-mark}.',
  'sweat.flux-slid': 'Thin flux on {fluxOn}, wipe the surplus.',
  'sweat.heat-wrapped':
    'A wet rag round the joint on the same body that is made already; then heat the fitting, feed lead-free solder opposite the flame, no longer than it takes.',
  'sweat.heat-all':
    'Heat the fitting once for all its joints, the lowest first: lead-free solder opposite the flame into each.',
  'sweat.heat-same': 'In the same heat, the next joint of that fitting.',
  'sweat.heat': 'Heat the fitting, feed lead-free solder opposite the flame.',
  'sweat.cool':
    'Do not move it until set; let it cool{cooling, select, ten { ten minutes before plastic or rubber comes near} hand { until a bare hand holds it, before plastic or rubber comes near} other {}}.',
  'sweat.wipe': 'Wipe the flux off.',
  'sweat.wipe-refit': 'Wipe the flux off. Cold: what came out of the stop goes back into it.',
  'compression.insert': 'Insert into the soft tube.',
  'compression.nut': 'Nut onto the tube.',
  'compression.ring': 'Ring onto the tube, on a smooth round place.',
  'compression.tighten':
    'Tube home to {insertionMm, number, insertion-mark}; hold the body, turn the nut the maker’s amount past hand-tight. No tape; {compressionNut}.',
  'push.inspect':
    'No score, no burr, no flat on the sealing length; {pushFitClean, select, abrasive {clean it as for solder, then wipe it} other {wipe it, no abrasive}}.{material, select, copper {{stiffener, select, pull { Pull the stiffener: copper needs none.} other {}}} other {}}',
  'push.mark': 'Mark {insertionMm, number, insertion-mark} from the end.',
  'push.push': 'Push in one go until the mark is just gone; pull back to prove the grip.',
  'push.push-slid': 'It covers this end to the mark; pull to prove the grip.',
  'thread.brush': 'Brush the threads clean and look for cracks.',
  'thread.seal':
    '{threadSeal} on the male thread: clockwise seen from the end, first thread left free{tapeTurns, select, three {; three turns of tape} seven {; seven turns of tape} five {; five turns of tape} other {}}.',
  'thread.turn': 'Hand-tight, then one to three turns with two wrenches; end in line, never back off.',
  'pex.cut': 'Cut the tube square.',
  'pex.ring': 'Crimp ring onto the tube.',
  'pex.clamp': 'Cinch clamp onto the tube.',
  'crimp.press': 'Barb fully in; ring 1/8 to 1/4 in from the end; crimp square.',
  'crimp.gauge': 'Go/no-go gauge over the ring.',
  'cinch.press': 'Barb fully in; clamp 1/8 to 1/4 in from the end; close until the tool lets go.',
  'expansion.ring': 'Expansion ring flush on the end, against its stop.',
  'expansion.expand': 'Expand with a turn between strokes; fitting in to the shoulder; hold until it grips.',
  'expansion.grip': 'Let it shrink; longer when it is cold.',
  'cement.fit': 'Dry-fit, mark full depth {insertionMm, number, insertion-mark}.',
  'cement.join': 'CPVC cement on tube and socket; push, quarter turn, hold 30 s.',
  'cement.join-slid':
    'CPVC cement on this end as far as its mark and in what slides; draw it over both at once to the marks, a quarter turn, hold 30 s.',
  'cement.cure': 'Leave it alone: cure time by temperature and size, from the can.',
  'cement.cure-range':
    'Leave it alone for {taken} {unit, select, h {hours} other {minutes}}: at this temperature and size cans ask for {least} to {most}, and the one in your hand comes first.',
  'cement.join-abs': 'ABS cement on pipe and socket, no primer; push, quarter turn, hold 30 s.',
  'shield.sleeve':
    'Shield and bands back over the pipe, the rubber sleeve onto it up to its stop: it is marked for the two pipes that it joins.',
  'shield.tighten':
    'Home against the stop, the shield over the sleeve, the screws where a driver still reaches: each to {inLb} in-lb by a torque wrench, in turns.',
  'shield.sleeve-other': 'The other pipe into the sleeve, home against its stop.',
  'shield.tighten-other':
    'Home against the stop, the screws of this half: each to {inLb} in-lb by a torque wrench, in turns.',
  'shield.sleeve-folded':
    'Shield and bands back over the old pipe; half the sleeve onto its end up to the stop, the other half rolled back over itself, so that the piece comes in past it.',
  'shield.tighten-folded':
    'The shield over the sleeve, the screws of this half where a driver still reaches: each to {inLb} in-lb by a torque wrench, in turns.',
  'shield.sleeve-over': 'The piece in line, its fall as before, its end up to the sleeve’s stop.',
  'shield.tighten-over':
    'Roll the sleeve over the piece; shield over it, the screws of this half: each to {inLb} in-lb by a torque wrench, in turns.',
  'flexible.sleeve-other': 'The other pipe into the sleeve, to its middle.',
  'flexible.tighten-other':
    'In line, nothing sags; the screws of this half, each to {inLb} in-lb by a torque wrench.',
  'flexible.sleeve-folded':
    'Bands over the old pipe, the sleeve all the way onto it, so that the piece comes in past it.',
  'flexible.tighten-folded': 'The screws of this half, each to {inLb} in-lb by a torque wrench.',
  'flexible.sleeve-over': 'The piece in line, its fall as before, its end up to the old pipe.',
  'flexible.tighten-over':
    'Draw the sleeve half over the piece; the screws of this half, each to {inLb} in-lb by a torque wrench. In the ground: bedded, so that nothing sags.',
  'cement.join-pvc-slid':
    'Primer, then PVC cement, on this end as far as its mark and in what slides; draw it over both at once to the marks, a quarter turn, hold 30 s.',
  'cement.join-abs-slid':
    'ABS cement, no primer, on this end as far as its mark and in what slides; draw it over both at once to the marks, a quarter turn, hold 30 s.',
  'slip.cut': 'Cut the tube square and take both burrs off, so that the washer is not cut.',
  'slip.nut': 'Nut first, then the washer, its taper toward the joint. No tape, no paste.',
  'slip.tighten':
    'Slide it to where it has to stand, half an inch past the washer at least; nut hand-tight, then a quarter turn.',
  'waste.look':
    'Read what the pipe is printed with: ABS, MUPVC or PVC-U takes cement that names it, polypropylene (PP) none at all. Dry-fit, mark full depth {insertionMm, number, insertion-mark}.',
  'waste.join':
    'Its cement on the pipe all round and thinly in the socket; push, quarter turn, hold 30 s, wipe.',
  'waste.join-slid':
    'Its cement on this end as far as its mark and in what slides; draw it over both at once to the marks, a quarter turn, hold 30 s.',
  'waste.nut':
    'Nut, then the rubber ring onto the pipe, its taper toward the joint; the end chamfered, so that the ring is not cut.',
  'waste.tighten':
    'Home to its stop, in line; nut hand-tight, then a quarter turn: no wrench on nuts of plastic.',
  'ring.ready':
    'Chamfer the end with a file; wipe ring and groove: the ring lies in it all round. Lubricant for rubber rings on the chamfer, never grease.',
  'ring.push':
    'Push it home, mark the pipe at the socket’s mouth, then draw it back 10 mm, since hot water makes it longer: {insertionMm, number, insertion-mark} of it stay in the socket.',
  'ring.push-slid':
    'Draw what slides back over this end until the mark at {insertionMm, number, insertion-mark} stands at its mouth, its ring unrolled nowhere.',
  'waste.washer': 'The washer flat in the nut, the end of the waste clean and without burr.',
  'waste.nut-tighten':
    'The nut onto the thread of the waste by hand, straight from its first turn; hand-tight, then a quarter turn.',
  'drain.no-use': 'Nobody runs water into this drain until it is proved; chemical cleaner in it? Ask first.',
  'drain.plug': 'Plug the open pipe against sewer gas; the plug hangs on a string.',
  'drain.unplug': 'Take the plug out.',
  'drain.plug-both':
    'Plug both open pipes against sewer gas and what still comes; each plug hangs on a string.',
  'drain.unplug-both': 'Take both plugs out and count them.',
  'prove.fill': 'Fill the bowl and let it go at once; a tissue round every nut and under the bend.',
  'prove.fill-both':
    'Fill both bowls and let them go together; a tissue round every nut and under the bend: neither may come up in the other.',
  'sink.off':
    '{what, select, disposer {Disposer} dishwasher {Dishwasher} other {Disposer and dishwasher}} off at the breaker, then tried: {what, select, both {they do} other {it does}} not start.',
  'sink.elbow':
    'Its gasket and flange onto the disposer, the screws drawn in turns; the tube below still turns toward the trap.',
  'sink.second':
    'Nut and washer onto the tail of the second bowl; hand-tight, then a quarter turn. Its arm falls toward the outlet.',
  'sink.knock-out':
    'Drive the plug out of the disposer’s dishwasher inlet and pick it out of the chamber by hand, the power off.',
  'sink.hose':
    'The dishwasher’s hose onto {onto, select, disposer {the disposer’s inlet} other {its branch}}, a clamp on it; {by, select, gap {through an air gap fitting over the rim of the sink} other {looped up and fastened under the counter, higher than the rim lets the trap go, or through an air gap where the authority wants one}}.',
  'prove.disposer':
    'Cold water on, the disposer run: a tissue at its flange and at every nut while it shakes.',
  'prove.dishwasher': 'Let the dishwasher pump out: nothing comes up in the bowl, every nut stays dry.',
  'vent.riser':
    'A riser onto the top of the tee, plumb: its valve comes to stand at least 4 in over the trap’s arm, in free air, where a hand reaches it.',
  'vent.valve':
    'The valve onto the riser by hand, last of all: grit, cement and a test by water spoil its seal. Upright, nothing over it.',
  'prove.air':
    'Fill the bowl and let it go at once: the valve is heard to breathe, nothing gurgles, and water stands in the trap afterwards. No smell at the valve.',
  'branch.way':
    '{of, select, tee {Turn the tee dry until its side looks to where the new pipe comes from, its sweep down the flow; level is right, for the fall is in the pipe.} two {Turn the tee dry until both its sides look to where their pipes come from, the sweep down the flow; level is right, for the fall is in the pipe.} other {Turn the wye dry until its side leans up the flow, its mouth level with the run’s middle or higher, never under it.}} {by, select, cement {Mark it across both hubs: cement gives half a minute.} other {Mark it across both joints: it is made up to that.}}',
  'drain.fresh-air':
    'The inlet for fresh air beside the old trap leads into the open drain from now on: plugged gas-tight at the cut, or left as a vent, as the authority says.',
  'prove.traps-full':
    'A quart into every trap of the house, floor drains and fixtures that nobody uses first: the house trap no longer keeps the gas of the sewer from one that is dry. Smell at each.',
  'branch.plug':
    'A test plug into {at, select, only {the side} first {the branch} other {its second side}}, its screw drawn tight: sewer gas and all that comes from above would come out there. It stays until the new pipe comes in; who lives there is told, and it is written on the sheet.',
  'branch.plug-now':
    'A test plug into {at, select, only {the side} first {the branch} other {its second side}} until the new pipe goes in: sewer gas and what comes from above would come out there.',
  'branch.unplug':
    'The run stands, and what is cemented has set: the plug out of {at, select, only {its side} first {its branch} other {its second side}}, counted; the new pipe goes in at once.',
  'branch.cap':
    '{of, select, stop {The second outlet of the stop: a cap of its own thread on it, with its ring or washer,} other {The side of the tee: a cap or a plug of its own kind in it,}} before the water comes back: nothing hangs there yet.',
  'prove.run':
    'Run what drains through here at full flow, the fixture farthest up first, a bowl of water let go at once; a tissue round every joint, and look again when it has stopped.',
  'remove.undo-nut': 'Undo the nut at the wall and draw the old tube out; the adapter on the pipe stays.',
  'remove.nut-washer': 'Nut and seat clean and sound? A new washer goes in.',
  'remove.nut-reduced-washer': 'Nut and seat clean and sound? A reducing washer takes the smaller tube.',
  'remove.waste-nut':
    'Undo the nut and draw the pipe out of it; the old ring and nut off the pipe, and where it bore it is smooth?',
  'remove.draw-ring':
    'Twist the pipe and draw it straight out of its ring; where it sticks, a little water with soap. The end is wiped and looked at.',
  'remove.saw-thread':
    'Hold the pipe against turning; saw its thread off with a hacksaw or a blade for steel, square; file the burr off outside and in.',
  'remove.cut-shorter':
    'Mark it where Cut has it and cut it square there, a little at each turn; both burrs off.',
  'remove.saw-shorter':
    'Mark it where Cut has it, all round, and saw it square there; take off the burr outside and in.',
  'remove.saw': 'Saw the pipe square behind the old fitting; take off the burr.',
  'remove.pull-bowl':
    'Shut the stop, flush, hold the lever down; sponge tank and bowl dry. Supply nut off, closet nuts off, or cut where they are rusted fast; rock it loose and lift it straight up: two people, or the tank first.',
  'remove.scrape-wax':
    'Scrape the old wax off flange and floor into a bag, and look: the floor sound all round, the ring whole, the pipe not split? A soft floor is mended before anything is set on it.',
  'remove.flange-saw':
    'Screws of the flange out, or cut; cut its hub through in two places with the multi-tool, no deeper than its own wall, and split it off the pipe; then the pipe square below it. Keep the rag in.',
  'remove.flange-cut-inside':
    'A rag on a string down the pipe; measure from the floor to below the flange’s hub; cut the pipe from inside at that depth, all round, and lift the flange out with its ring of pipe.',
  'remove.flange-lead':
    'Pick the lead and oakum out from round the iron pipe, a rag below; nothing is hammered sideways: old iron splits. The flange lifts off; a rim that stands over the floor is ground flush with it. Lead: gloves, wash hands, no dry sanding.',
  'remove.flange-copper':
    'Screws of the flange out; cut the copper square below the flange’s hub with the multi-tool and a blade for metal, and lift both out. No flame: it is soldered, and joists burn. Take the burr off inside and out; keep the rag in.',
  'remove.hold-iron':
    'Hold the pipe above and below with strap or riser clamp before it is parted: what hangs on it drops, and it may be heavy.',
  'remove.pick-lead':
    'Drill or chisel the lead out of the hub a little at a time, then pull the oakum; no blow sideways, the hub splits. Draw the old spigot straight out, then wire-brush the hub to bare iron.',
  'remove.draw-spigot':
    'Cut the old rubber’s lip, rock the spigot straight out; the rubber out in pieces, the hub wire-brushed to bare iron.',
  'remove.bands-off': 'Loosen the bands, shield and sleeve back; part the pipes, and wipe the end.',
  'remove.bore-hub':
    'Saw the pipe flush with its hub; bore what is left of it out with the borer of that size, slowly, not into the hub; wipe the hub clean and dry.',
  'remove.chain-cut':
    'Chain round at the mark, square; tighten a notch, rock it, tighten again until it parts. Where it is thin or rotten it may crush: farther back, to sound iron.',
  'remove.chain-clay':
    'Bed the pipe on both sides of the mark; chain round it square, tighten a little at a time until it parts. Clay has no give: a blow or a saw splits it along. Goggles, gloves: its edges cut.',
  'remove.hold-fitting':
    'The fitting behind is held by a second wrench, or seen to be braced: what turns with the pipe breaks the next joint in the wall.',
  'remove.draw-pipe':
    'Turn the old pipe out. Where it breaks off in its thread: saw what is left twice lengthwise from inside, no deeper than its own wall, fold the strip in and turn the rest out.',
  'remove.chase-thread':
    'Wire-brush the thread of the fitting to bare metal, look down it with a light: a cracked hub is no place to begin. Rust and scale out of the pipe, not down it.',
  'remove.hold-run':
    'Hold the run on both sides of the cut by strap or hanger, of a stack by a riser clamp above and below, so that nothing drops and the fall stays. Nobody uses what drains through it.',
  'remove.empty-trap':
    'Nobody in the house lets water go. Draw the plugs of the trap slowly, bail out what stands in it and wash it down; it is sewage: gloves, a closed bucket, a window open. Iron traps are heavy: a strap round it too.',
  'remove.saw-open':
    'A bucket and a rag below; saw out the marked length, square at both ends, and take the burrs off inside and out.',
  'remove.chain-open':
    'Chain round at the one mark, square: tighten a notch, rock it, tighten again until it parts; then at the other, and lift the length out, two hands on it. Where it is thin or rotten it may crush: farther back, to sound pipe.',
  'remove.saw-lead':
    'Saw the lead square with a coarse saw, support it meanwhile; dress it round with a turnpin. Gloves, wash hands, no dry sanding.',
  'flexible.sleeve':
    'Bands onto the sleeve, the sleeve onto the pipe by half its length: it is marked for the two pipes that it joins.',
  'flexible.tighten':
    'The pipe to the middle of the sleeve, in line; the screws where a driver still reaches, each to {inLb} in-lb by a torque wrench. In the ground: bedded, so that nothing sags.',
  'hub.gasket':
    'The gasket that is marked for this hub and plastic pipe: pressed into the hub until its lip lies on the rim; the pipe’s end chamfered. Lubricant for gaskets on both, never grease.',
  'hub.push':
    'Push the pipe home in one go, square, with a bar if it must; the mark at {insertionMm, number, insertion-mark} stands at the rim.',
  'flange.clean-bore':
    'Scrape and wire-brush the inside of the pipe to where the rubber will lie: no rust, no burr.',
  'flange.tighten-bore':
    'Flange down onto the floor, its slots square to the wall; the screws of its gasket a turn each in turns, until the rubber bulges all round.',
  'flange.twist':
    'Push it down with a twist until it lies on the floor, its slots square to the wall. Some authorities refuse this kind: ask.',
  'flange.screw':
    'Screw it to the floor through every hole, corrosion-resistant, into wood or anchors; never into the pipe.',
  'flange.floor': 'Dry-fit: it lies flat, its slots square to the wall, equal distances on both sides.',
  'bend.aim':
    'Dry: {of, select, trap {the trap turned until it stands upright under its drain, its outlet falling to the pipe} other {the bend turned to where the next pipe goes, upright by the level where it comes up, falling where it lies}}; a mark across the joint, and it is cemented to that.',
  'bend.aim-union':
    'Its washer in, the union slack: turn the halves dry until both mouths meet their pipes; a mark across each joint. The nut by hand and a quarter turn once the cement holds.',
  'flange.aside':
    'The floor opened for its throat on the side away from the wall. Dry: the offset flange turned until its middle stands {shiftMm, number, reading} further from the wall than the pipe’s, both slots as far from the wall; a mark across it and every joint beneath it, and each is cemented to its mark.',
  'flange.ring':
    'Silicone under it; screw the ring over the broken one through into the floor, corrosion-resistant, never into the pipe.',
  'flange.stack':
    'Silicone under the ring, screwed through with longer screws into the floor, corrosion-resistant, never into the pipe.',
  'closet.bolts':
    'New brass bolts in the slots, square to the wall, as far from it as the bowl’s holes; each held upright by its washer.',
  'closet.seal':
    'The test plug and the moulded cap out, counted. The seal on the flange: one, never two on one another; warm, if it is wax.',
  'closet.set':
    'Lower the bowl straight onto the bolts, and press it down with the body’s weight, no rocking: lifted again, it takes a new seal. Level and square to the wall.',
  'closet.shim':
    'Shims where it rocks, until it does not; washers and nuts by hand, then by half turns from side to side, until it no longer moves and no further: nuts tear the flange from its bend. Supply by hand; caulk round it, open at the back.',
  'gasket.height':
    'Drain body set in its bed or pan, its height to the finished floor; the pipe cut square to stand just below its ridge.',
  'gasket.tighten-drain':
    'Gasket round the pipe, its ring turned down with the key until the rubber grips all round.',
  'prove.flush':
    'Flush it six times, paper in some; a tissue round the foot, at the floor, under the tank. Nothing may come, and nothing may rock.',
  'pan.clean':
    'The pipe’s mouth dry and clean inside, its edge without a burr; look how deep the old fins stood. A cracked mouth is cut back first.',
  'pan.into-pipe':
    'A little lubricant for rubber on the fins, no grease; the connector straight into the pipe to its shoulder, an offset one turned to the side it is wanted.',
  'pan.holes':
    'Bowl in its place for a try, level both ways; mark its feet and holes, draw it off, drill. On a tiled floor no hammer; nothing is known of what lies in the floor until it was looked for.',
  'pan.slide':
    'The spigot wiped dry, a little lubricant for rubber round it; no paste, no silicone on the fins.',
  'pan.back':
    'Slide the bowl straight back until its spigot stands in the fins all round, on its marks; nothing is forced aside. Two people, or the cistern comes after.',
  'pan.screw':
    'Screws with their sleeves and washers, by turns, until it no longer rocks; shims first where the floor is not even, a bead of silicone last, open at the back so that a leak shows.',
  'remove.pull-pan':
    'Shut the stop, flush, hold the lever down; sponge cistern and bowl dry. Supply nut off, screws out of the floor, the bead cut round; draw the bowl straight forward off its connector: two people.',
  'remove.draw-connector':
    'Turn the old connector and draw it out of the pipe, a bag in hand; the mouth is stuffed with a rag on a string.',
  'drain.listen':
    'With the plug in, let every fixture near run off, a bowl at once: a trap that gurgles or is drawn low had its air from here. Then nothing is closed before that trap has a vent of its own.',
  'prove.fill-past':
    'Let every fixture that drains past it run for some minutes, the highest first; a tissue round the cap and its joint: dry, and nothing to smell. Where it ends is written on the sheet, with a photograph before the wall is closed.',
  'prove.fill-tray':
    'Plug the waste, let an inch stand in the tray, and let it go at once; through the panel a tissue round the outlet’s nut and every joint. Lift its trap out and back in, wet: the water in it is what keeps the gas down.',
  'prove.fill-floor':
    'Plug the new work and fill it to the flood rim, or ten feet high: it stands for 15 minutes by code. Let it go; a tissue round every joint. Only then is anything covered.',
  'prove.let-go':
    'Run it full: a tub to its overflow and let go at once, a shower for some minutes. It runs off and does not come up; a tissue round the drain and every joint still in reach, and a look at what lies below.',
  'prove.standpipe':
    'Fill the machine and let it pump out, or two buckets at once: it does not rise to the top; a tissue round trap and joints. The hose is tied in place, and not sealed into the pipe.',
  'cement.join-pvc': 'Primer, then PVC cement on pipe and socket; push, quarter turn, hold 30 s.',
  'press.mark':
    'Mark {insertionMm, number, insertion-mark} from the end; look that the ring lies in its bead.',
  'press.press': 'Push until the mark is just gone, jaw square on the bead, press once.',
  'press.press-slid': 'It covers this end to the mark; jaw square on the bead, press once.',
  'press.look': 'Look at the mouth again: the mark must not have come out.',
  'flare.nut': 'Flare nut onto the tube, thread towards the end.',
  'flare.form': 'Flare the end in the bar; no crack, no ridge, as wide as the nut’s seat.',
  'flare.tighten': 'Cone to cone, nut by hand, then snug with two wrenches. No tape.',
  'gasket.clean': 'Cut square, file the edge, clean the pipe bare and smooth as far as the gasket goes.',
  'gasket.nut': 'Nut, then gasket onto the pipe.',
  'gasket.tighten':
    'Pipe in to {insertionMm, number, insertion-mark}; tighten each nut as its sheet says. Secure the run: it can pull out.',
  'gasket.tighten-slid':
    'It covers this end to the mark; tighten the nut as the sheet says. Secure the run: it can pull out.',
  'spout.slip': 'Push the spout home against the wall, tighten its screw on the tube.',
  'sleeve.round': 'Round the end with the tool: no burr, no oval.',
  'sleeve.sleeve': 'Press sleeve onto the tube.',
  'sleeve.press': 'Barb fully in, tube seen in the window; jaw square on the sleeve, press once.',
  'clips.on': 'Two clips onto the tube, screws on opposite sides.',
  'clips.tighten': 'Warm the end in hot water if it is stiff; barb in to its shoulder; tighten both clips.',
  'poly.tighten':
    'Pipe in to {insertionMm, number, insertion-mark}, past the ring; nut by hand, then with the wrench.',
  'remove.cut-open': 'Cut out the marked length, square at both ends.',
  'swivel.look': 'Rubber washer or cone sits in the nut, undamaged.',
  'swivel.snug': 'Nut by hand, then snug with a wrench. No tape, no force.',
}

/** A parameter's value as it is said: tools, and the shop's own choices where schools differ. */
const SAID: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  tool: TOOLS,
  method: METHOD_WORDS,
  threadSeal: { 'tape-then-paste': 'Tape, then paste over it,', tape: 'Tape', paste: 'Paste' },
  fluxOn: { both: 'tube and fitting', 'tube-only': 'the tube only' },
  // a choice in a sentence is one word
  cooling: { 'ten-minutes': 'ten' },
  compressionNut: { dry: 'threads dry', 'silicone-trace': 'a trace of silicone grease on the threads' },
}

/** Tools by id, as one would lay them out. */
const toolList = (ids: string): string =>
  ids === ''
    ? 'no tool, two hands'
    : ids
        .split(' ')
        .map((id) => TOOL_WORDS[id] ?? id)
        .join(', ')

/** A step in one sentence. An unknown one shows its id rather than nothing. */
export function stepText(step: Pick<PlannedStep, 'words' | 'parameters'>, unit: LengthUnit): string {
  const parameters = Object.fromEntries(
    Object.entries(step.parameters).map(([name, value]) => [
      name,
      name === 'tools'
        ? toolList(String(value))
        : name === 'inside'
          ? String(value).split(' ').join(', ')
          : (SAID[name]?.[value] ?? value),
    ]),
  )
  return say(STEPS[step.words] ?? step.words, parameters, unit)
}
