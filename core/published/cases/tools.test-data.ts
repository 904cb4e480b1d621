/** Whole cases of cordless and corded tools. Common practice, with no published source; written before the tables. */
import { wholeCases } from './wholeCase.js';

export const TOOL_CASES = wholeCases(`
fuse-and-bridge (cordless-brushless)
  Dead with a good pack: the fuse is open and one leg of the bridge is shorted.
  said: full: still; lamp: dark; pack-volts: holds
  truth: inverter.shorted; contact.fuse
  shows: contact-ohms: fuse-open; bridge-diode: near-nought-both-ways; input-volts: none; reference-volts: none
  # After the mend the bridge is sound (was left out).
  then inverter.shorted: bridge-diode: alike
  still: yes
  careful: other-pack; contact-ohms; bridge-diode
  never: power until bridge-diode; mend fuse until bridge-diode; mend motor until winding-ohms

kicks-once (cordless-brushless)
  Kicks once and faults. One wire of the motor is broken under its sleeve.
  said: full: kicks-once-and-stops; pack-volts: holds
  truth: harness.one
  shows: harness-ohms: one-broken; loaded: kicks-once-and-stops; lamp: lit
  careful: load-turn; bridge-diode; winding-ohms; harness-ohms
  never: power until load-turn; power until bridge-diode; mend motor until winding-ohms; mend controller until harness-ohms

cell-sags (cordless-brushless)
  Runs free and fades under load; the lamp blinks.
  said: full: turns; loaded: weak; lamp: blinks
  truth: pack.weak
  shows: pack-volts: sags; input-volts: sags
  careful: pack-volts
  never: mend motor; mend controller; mend switches

pack-swollen (cordless-brushless)
  Dead; the pack is swollen.
  said: first: swollen-punctured-or-reversed-cell
  truth: pack
  shows: pack-volts: nothing; input-volts: none; reference-volts: none
  still: yes
  never: power; test pack-volts

chain-jammed (cordless-brushless)
  Kicks; a twig sits in the chain.
  said: full: kicks-once-and-stops
  truth: load.jammed
  shows: load-turn: jammed; loaded: kicks-once-and-stops; lamp: lit
  careful: load-turn
  never: power until load-turn; mend controller; mend motor

contact-burnt (cordless-brushless)
  Dead now and then for months, dead for good today. The pack is good in another tool.
  said: full: still; lamp: dark; pack-volts: holds; other-pack: seats-bright
  truth: contact.burnt
  shows: contact-ohms: contact-open; input-volts: none; reference-volts: none
  still: yes
  careful: contact-ohms
  never: mend motor; mend controller until contact-ohms; mend pack

full-speed-at-once (tool-brushed)
  Full speed as soon as it is touched.
  said: full: fast; half: full-speed-at-once
  truth: trigger.shorted
  shows: trigger-ohms: short; feed-low: full
  careful: trigger-ohms
  never: mend motor; mend brushes

forward-dead (tool-brushed)
  Forward dead, reverse alive.
  said: full: still; reverse: turns
  truth: reverse.forward
  shows: reverse-ohms: open-in-forward; half: still; loaded: stalls
  careful: reverse-ohms
  never: mend motor; mend trigger; mend pack; mend brushes

ring-of-fire (tool-brushed)
  Weak, a ring of fire round the commutator, a sharp smell.
  said: first: smells-burnt-or-smoked; full: weak; sparks: many
  truth: armature.bar
  shows: armature-ohms: one-bar-differs; half: weak; loaded: stalls; inside-look: a-burnt-place
  careful: brush-look; armature-ohms
  never: power until inside-look|armature-ohms; mend brushes until brush-look; mend trigger

drive-jammed (tool-brushed)
  Stands and grows warm; its gearbox is jammed.
  said: full: still; half: still
  truth: gearbox.jammed
  shows: gear-look: jammed; loaded: stalls; reverse: still; spindle-turn: jammed
  careful: spindle-turn
  never: power until spindle-turn|gear-look; mend motor; mend trigger; mend pack

none-at-low (tool-brushed)
  Nothing for the first third of the trigger, then as it should be.
  said: full: fast; half: still
  truth: contact.track
  shows: contact-ohms: pot-dead-at-its-start; feed-low: none
  careful: contact-ohms
  never: mend motor; mend brushes; mend pack
`);
