/** Whole cases of household machines. Common practice, with no published source; written before the tables. */
import { wholeCases } from './wholeCase.js';

export const HOUSEHOLD_CASES = wholeCases(`
starts-after-a-tap (stand-mixer)
  Starts only after a tap, and sparks then.
  said: runs-high: still; tap-start: starts; sparks: many
  truth: brushes
  shows: brush-look: under-the-limit; runs-low: still; droop: drops; slot: sparks
  careful: brush-look
  never: mend motor until brush-look; mend triac; mend switch until brush-look

sparks-and-full-speed (stand-mixer)
  Sparks, and runs as fast as ever: brushes at the beginning of their end.
  said: runs-high: fast; sparks: many; droop: holds
  truth: brushes
  shows: brush-look: under-the-limit
  careful: brush-look
  never: mend motor; mend triac

smoke-but-works (stand-mixer)
  A bang, smoke and a smell; it works.
  said: first: smells-burnt-or-smoked; runs-high: fast
  truth: filter.burst
  shows: smoke: smoked; filter-look: cracked-or-burst; inside-look: a-burnt-place
  careful: filter-look
  never: power until filter-look|inside-look; mend motor

full-speed-only (stand-mixer)
  Full speed at every setting.
  variant: control: electronic control with a pickup
  said: runs-high: fast; runs-low: fast
  truth: triac.shorted
  shows: triac-ohms: short; feed-low: full
  careful: pickup-gap; triac-ohms
  never: mend motor; mend brushes

mixer-bites (stand-mixer)
  Tripped the earth-leakage breaker; carbon dust all over the motor.
  said: first: tingled-or-tripped-the-earth-leakage-breaker
  truth: armature.dust
  shows: insulation: poor; armature-ohms: path-to-the-frame
  careful: insulation; armature-ohms
  never: power until insulation|armature-ohms

lamp-on-motor-dead (vacuum-cleaner)
  Lamp on, motor dead.
  said: lamp: lit; pitch-high: none; suction: none
  truth: switch.pole
  shows: switch-ohms: one-pole-open; switch-volts: none
  still: yes
  careful: switch-ohms
  never: mend motor; mend board until switch-ohms

high-only (vacuum-cleaner)
  Runs on high only.
  variant: speed: boost switch or knob with a board
  said: pitch-high: usual; pitch-low: none
  truth: boost.low
  shows: boost-ohms: open-on-low; feed-low: none
  careful: boost-ohms
  never: mend motor; mend brushes; mend board until boost-ohms

cuts-out-hot (vacuum-cleaner)
  Cuts out after five minutes, comes back cold; its bag is full.
  said: hot: cuts-out; pitch-high: high
  truth: filters.blocked
  shows: filters-look: blocked; suction: weak
  careful: filters-look
  never: mend thermal until filters-look; mend motor

protector-and-what-blew-it (vacuum-cleaner)
  Dead after a summer of full bags: a one-shot link behind blocked filters.
  said: lamp: lit; pitch-high: none
  truth: filters.blocked; switch.link
  shows: filters-look: blocked; switch-ohms: protector-open; switch-volts: none
  still: yes
  careful: filters-look; switch-ohms
  never: mend thermal until filters-look; mend motor

vacuum-weak-brushes (vacuum-cleaner)
  Weak, low pitch, sparks.
  said: pitch-high: low; suction: weak; sparks: many
  truth: brushes
  shows: brush-look: under-the-limit; pitch-low: weak
  careful: filters-look; brush-look
  never: mend motor until brush-look; mend board

sucked-water (vacuum-cleaner)
  Sucked up a puddle.
  said: first: got-wet
  truth: armature.dust
  shows: insulation: poor; inside-look: wet; armature-ohms: path-to-the-frame
  careful: insulation; inside-look; armature-ohms
  never: power until inside-look; power until armature-ohms

sensor-loose (washer-top)
  Out-of-balance code with nothing in it; starts a spin and stops.
  said: code: balance; spin: wrong; hang: level
  truth: sensor.loose
  shows: sensor-look: loose; sensor-out: misses; motor-sound: jerks
  careful: sensor-look
  never: mend board; mend drive; mend rod; test sensor-out until sensor-look

rods-worn (washer-top)
  Out-of-balance code; the basket hangs to one side; the motor is steady.
  said: code: balance; hang: tilts; motor-sound: turns
  truth: basket.rod
  shows: rod-look: worn-or-off; spin: right
  careful: rod-look
  never: mend sensor until rod-look; mend board; test sensor-out until rod-look

one-wet-blanket (washer-top)
  Out-of-balance code with one blanket in it; empty it spins.
  said: code: balance; spin: right; hang: level
  truth: use.load
  shows: own-load: all-on-one-side
  careful: own-load
  never: mend sensor; mend board; mend rod

fuse-behind-it-a-bridge (washer-top)
  No spin, a drive code, the lamps lit. A shorted bridge took the fuse of the drive with it.
  said: display: lit; spin: still; code: drive; motor-sound: silent
  truth: inverter.shorted; drive-feed.fuse
  shows: drive-fuse: open; bridge-diode: near-nought-both-ways; sensor-feed: none; sensor-out: stuck
  # After the mend the bridge is sound (was left out).
  then inverter.shorted: bridge-diode: alike
  careful: drive-fuse; bridge-diode
  never: power until bridge-diode; mend drive-fuse until bridge-diode; mend motor until winding-ohms

winding-to-the-case (washer-top)
  Trips the earth-leakage breaker as soon as it spins.
  said: first: tingled-or-tripped-the-earth-leakage-breaker
  truth: winding.case
  shows: insulation: poor; winding-ohms: to-case
  careful: insulation; winding-ohms
  never: power until insulation|winding-ohms; mend drive until winding-ohms

pressure-contact (washer-front)
  Fills, does not tumble; pump works.
  said: fills: fills-and-stops; tumbles: still; drains: runs; motor-sound: silent
  truth: pressure.contact
  shows: pressure-blow: clicks-does-not-make; wash-volts: none-or-collapses; bus-volts: none
  careful: pressure-blow
  never: mend board until pressure-blow; mend motor

backfeed (washer-front)
  No tumble; the volts are there, and stay there with the wire lifted: they come from the board.
  said: tumbles: still; drains: runs; motor-sound: silent; lifted-volts: holds
  truth: control.backfeed
  # A known board cures it (was left out).
  shows: logic-swap: cured
  careful: harness-ohms; winding-ohms
  never: mend pressure; mend timer; mend door

shorted-bridge-front (washer-front)
  A bang in the spin; since then it neither tumbles nor spins, pump and lamps work.
  said: first: blew-a-fuse; lamps: lit; tumbles: still; drains: runs; motor-sound: silent
  truth: inverter.shorted; bus.fuse
  shows: bridge-diode: near-nought-both-ways; board-fuse: open; bus-volts: none
  # After the mend the bridge is sound (was left out).
  then inverter.shorted: bridge-diode: alike
  careful: board-fuse; bridge-diode
  never: power until bridge-diode; mend board-parts until bridge-diode

belt-off-front (washer-front)
  The motor hums along, the drum stands.
  said: motor-sound: turns; tumbles: still; hand-turn: free
  truth: belt.off
  shows: belt-look: off
  careful: belt-look
  never: mend board; mend motor

drum-bearing (washer-front)
  Roars in the spin.
  said: tumbles: right; noise: rumbles
  truth: drum.bearing
  shows: drum-play: plays; hand-turn: stiff
  careful: hand-turn; drum-play
  never: mend motor; mend board
`);
