/** Whole cases of tape machines. Common practice, with no published source; written before the tables. */
import { wholeCases } from './wholeCase.js';

export const TAPE_CASES = wholeCases(`
chews-tape (cassette-belt)
  Plays at the right speed and chews tape; hardly winds.
  said: play: right; take-up: slack; winds: still
  truth: idler.tyre
  shows: idler-look: tyre-glazed
  careful: idler-look
  never: mend belt; mend pinch; mend motor-swap

belt-wound-feeder-cooked (cassette-belt)
  Lamps only. The belt wound itself round the pulley; the stalled motor cooked the transistor that feeds it.
  said: lamps: lit; play: still; winds: still; motor-heard: silent
  truth: belt.wound; feeder.open
  shows: belt-look: wound-round-the-pulley; feeder-look: open-or-melted; spin-pulley: will-not-turn; order-volts: there; feed-volts: none; motor-alone: still
  then belt.wound: spin-pulley: free; belt-look: sound
  still: yes
  careful: belt-look; feeder-look
  never: power until belt-look; mend feeder until belt-look; mend motor-swap; test play-warm

oxide-on-the-capstan (cassette-belt)
  Warbles; right in the mean. Nobody has cleaned it for years.
  said: play: right; warble: warbles
  truth: pinch.dirt
  shows: pinch-look: oxide-came-off
  careful: pinch-look
  never: mend motor-swap; mend governor; mend pinch until pinch-look

a-little-fast (cassette-belt)
  Two and a half percent fast: dirt on the capstan, the trim or the governor; nothing more is known.
  said: play: 2.5 %
  truth: pinch.dirt
  shows: pinch-look: oxide-came-off; warble: warbles
  careful: pinch-look
  never: mend governor; mend motor-swap
  most: 0.6

ten-milliamps-and-still (cassette-belt)
  The motor alone on a bench supply takes 10 mA at 12 V and stands: its brush path is open.
  said: lamps: lit; play: still; motor-heard: silent; trial: fed-direct motor = nothing 12 V 0.01 A
  truth: motor.open
  shows: motor-ohms: open; order-volts: there; spin-pulley: free; feed-volts: right; drive-volts: right
  still: yes
  careful: motor-ohms
  never: mend feeder; mend mode; mend governor until motor-ohms

mode-contacts (cassette-belt)
  Lamps, and no function at all; now and then it wakes for a second.
  said: lamps: lit; play: still; winds: still
  truth: control.switch
  shows: mode-look: switch-dirty; order-volts: none; feed-volts: none; belt-look: sound
  still: yes
  careful: belt-look; mode-look
  never: mend motor-swap; mend feeder until belt-look

conductive-board (cassette-direct)
  Changes its speed with the weather and with a breath.
  said: play: wanders; breath: moves
  truth: capacitors.leaked
  shows: board-look: leaked; play-warm: wanders; control-volts: wanders
  careful: board-look
  never: mend fg; mend servo until board-look; mend driver

recapped-and-salty (cassette-direct)
  The capacitors were renewed alone; a breath still moves it.
  said: mend: recap = no-change; breath: moves
  truth: capacitors.salts
  shows: board-look: new-parts-white-salts; play: wanders; play-warm: wanders; control-volts: wanders
  careful: board-look
  never: mend recap; mend servo until board-look; mend driver

slow-cold (cassette-direct)
  Slow for the first ten minutes, then right: tired small electrolytics.
  said: play: slow; play-warm: right
  truth: capacitors
  shows: board-look: leaked
  careful: capstan-spin; board-look
  never: mend servo until board-look; mend driver until board-look

roller-hard (cassette-direct)
  Warbles; the capstan runs dead true.
  said: play: right; warble: warbles
  truth: pinch.hard
  shows: pinch-look: hard-or-glazed
  careful: pinch-look
  never: mend servo; mend fg

mode-switch-oxidised (video-recorder)
  Takes the tape, thinks about it, and gives it back.
  said: display: lit; loads: changes-its-mind; loading-sound: turns
  truth: mode.dirty
  shows: position-scope: erratic; mode-look: oxidised; play-picture: none; play-speed: still
  careful: position-scope; mode-look
  never: mend loading-motor; mend system; mend mechanism until mode-look

capstan-pulses-lost (video-recorder)
  Plays at search speed without a picture; a good picture in search and in still.
  said: play-picture: none; search-picture: good; still-picture: good; play-speed: fast
  truth: fg.track
  shows: fg-scope: none; fg-joints: open-between; capstan-look: fast; order-volts: full; play-warm: fast
  careful: fg-scope; fg-joints
  never: mend heads; mend drum; mend servo until fg-joints; mend fg-head until fg-joints

order-full-capstan-quivers (video-recorder)
  The servo asks for all it has; the capstan quivers: a Hall sensor is dead.
  said: play-speed: still; capstan-look: quivers; order-volts: full
  truth: hall.one
  shows: hall-by-hand: one-does-not; phase-scope: one-missing; capstan-search: quivers; winds: still; fg-scope: clean-sine
  careful: capstan-spin; hall-by-hand
  never: mend servo; mend system; mend driver until hall-by-hand

switch-never-soldered (video-recorder)
  The mode switch was cleaned; since then nothing loads.
  said: mend: mode-switch; work: mode; loads: no
  truth: mode.unsoldered
  shows: mode-look: was-not-soldered; position-scope: nothing; loading-sound: silent
  still: yes
  careful: position-scope; mode-look
  never: mend system; mend loading-motor; mend mode-switch

beside-a-plasma-screen (video-recorder)
  Bars across every picture in its owner’s room, none at the bench.
  said: play-picture: bars-or-noise; still-picture: bars-or-noise; search-picture: bars-or-noise
  truth: place.disturbed
  shows: elsewhere: clean-elsewhere
  careful: elsewhere
  never: mend heads until elsewhere; mend drum

reel-run-capacitor (open-reel)
  The capstan motor hums and stands.
  variant: capstan: a.c. synchronous, run capacitor
  said: lamps: lit; play-19: still; motor-noise: hums; winds: pulls
  truth: run.open
  shows: run-capacitors: open; capstan-look: still; play-9: still; play-end: still; take-up: pulls
  careful: motor-spin; run-capacitors
  never: test play-warm; mend motor until run-capacitors

slow-at-the-end (open-reel)
  Right in the middle of a reel, slow toward its end.
  said: play-19: right; play-end: slow
  truth: supply-reel.tap
  shows: holdback-balance: high; supply-reel-ohms: tap-set-high
  careful: holdback-balance; supply-reel-ohms
  never: mend motor; mend supply-motor

brakes-do-not-lift (open-reel)
  Winds weakly both ways, takes up slack; both reels drag by hand.
  said: winds: weak; rewinds: weak; take-up: slack
  truth: brakes.drags
  shows: reels-by-hand: both-drag; brake-look: one-does-not-lift
  careful: reels-by-hand; brake-look
  never: mend take-up-motor; mend supply-motor; mend supply-reel until brake-look

tape-loops (open-reel)
  Throws loops when stopped.
  said: play-19: right; stop: loops
  truth: brakes.worn
  shows: brake-look: worn-or-oily
  careful: brake-look
  never: mend supply-motor; mend motor
`);
