/** Whole cases of the record players. Common practice, with no published source; written before the tables. */
import { wholeCases } from './wholeCase.js';

export const TURNTABLE_CASES = wholeCases(`
belt-stretched (belt-turntable-dc)
  Both speeds a few percent slow, steady. The belt is as old as the machine.
  said: speed-33: slow; speed-45: slow; steady: steady
  truth: belt.slips
  shows: speed-33-warm: slow; belt-look: slack-or-shiny
  careful: spin-platter; belt-look
  never: test trim-nudge until belt-look; mend motor-swap; mend set-trims until belt-look

trim-dirty (belt-turntable-dc)
  Hunts; better for a day after somebody turned the trims.
  said: speed-33: right; steady: surges
  truth: trims.dirty
  shows: trim-ohms: jumps; drive-33: wanders; drive-45: wanders
  careful: pitch-sweep; trim-ohms
  never: mend motor-swap; mend governor until trim-ohms

trim-45-low (belt-turntable-dc)
  33 is right, 45 is 3 % slow. Foam over one trim is pierced.
  said: speed-33: right; speed-45: slow; steady: steady
  truth: trims.low-45
  shows: drive-45: low; trim-nudge: 45-only-was-low
  careful: selector-ohms; trim-nudge
  never: mend new-belt; mend motor-swap

return-tripped (belt-turntable-dc)
  Started and stopped for good after it was turned over on the bench.
  said: lamp: lit; speed-33: still; speed-45: still
  truth: return.tripped
  shows: return-look: tripped; gated-volts: none; drive-33: none; drive-45: none; motor-alone: still; speed-33-warm: still; tap-33: stays; tacho-out: nothing
  careful: belt-look; return-look
  never: mend motor-swap until return-look; mend governor until return-look

record-off-centre (belt-turntable-dc)
  Wow once a turn with one record; its hole is off centre. The machine is sound.
  said: speed-33: right; speed-45: right; wow-rate: platter
  truth: use.record
  shows: other-record: gone
  careful: other-record
  never: mend platter-bearing; mend new-belt; mend seat until other-record

motor-stiff-cold (belt-turntable-dc)
  Slow for ten minutes of a winter morning, then right.
  said: speed-33: slow; speed-33-warm: right
  truth: motor.dry
  shows: speed-45: slow; spin-pulley: stiff; motor-alone: slow
  careful: belt-look; spin-platter; spin-pulley
  never: mend motor-swap until spin-pulley; mend governor until spin-pulley

plug-of-the-sensor-left-off (belt-turntable-dc)
  Its magnet ring was glued yesterday; since then it races.
  said: mend: glue-magnet; work: tacho; speed-33: fast; speed-45: fast
  truth: tacho.unplugged
  shows: magnet-look: plug-off; tacho-out: nothing; drive-33: full; drive-45: full; motor-alone: fast; speed-33-warm: fast
  careful: magnet-look
  never: mend governor; mend motor-swap

run-capacitor-open (belt-turntable-ac)
  Hums and stands; given a push it runs either way.
  said: platter: still; hum: hums
  truth: phase.open
  shows: run-capacitor: open; motor-alone: still; platter-warm: still; switch-volts: mains
  careful: coast; run-capacitor
  never: test motor-alone until run-capacitor; test platter-warm; mend motor

spark-capacitor-leaks (belt-turntable-ac)
  Quivers with the switch off as long as it is plugged in; plays well.
  said: platter: right; off-hum: hums-or-turns
  truth: switch.leaks
  shows: switch-ohms: capacitor-leaks; switch-volts: mains
  careful: switch-ohms
  never: mend motor; mend motor-oil

pulley-loose (belt-turntable-ac)
  Slow, the motor as quiet as ever, the belt a year old.
  said: platter: slow; hum: quiet
  truth: pulley.loose
  shows: platter-warm: slow; pulley-mark: marks-part
  careful: belt-look; platter-spin; pulley-mark
  never: mend motor; mend run-capacitor

buzz-of-the-mount (belt-turntable-ac)
  Buzzes in its plinth, right speed. The rubber of the motor is as hard as wood.
  said: platter: right; buzz: buzzes
  truth: mount.hard
  shows: mount-look: hard-or-touching; cradle: gone
  careful: coast; mount-look
  never: mend motor

tingles (belt-turntable-ac)
  Its owner felt a tingle at the arm; the flex is nicked where it enters.
  said: first: tingled-or-tripped-the-earth-leakage-breaker
  truth: plug.frame
  shows: insulation: poor; cord: a-lead-reaches-the-frame
  careful: insulation; cord
  never: power until insulation|cord

tacho-lost (direct-drive-servo)
  Races away at every speed.
  said: speed-33: fast; speed-45: fast
  truth: fg.lost
  shows: fg-scope: none; fg-look: open-or-off; fg-volts: none; control-volts: at-its-rail; speed-warm: fast; phases-scope: full; pitch-sweep: nothing-happens-or-it-stops
  careful: fg-look
  never: mend comparator until fg-look; mend driver

third-phase-hall (direct-drive-servo)
  Quivers and does not start; started by hand it goes round with a limp.
  said: rim-lamp: lit; speed-33: quivers
  truth: hall.one
  # The head is now turned by hand: the control volts are sound in this unit (was: none, while it quivers).
  shows: speed-45: quivers; speed-warm: quivers; hall-volts: one-does-not; phases-scope: one-missing; control-volts: at-its-rail
  careful: rotor-seat; coil-ohms; hall-volts
  never: power until coil-ohms; mend driver until coil-ohms; test speed-warm

pitch-scratchy (direct-drive-servo)
  Jumps while the pitch is moved, steady where it is left alone.
  said: speed-33: right; pitch-sweep: jumps
  truth: pitch.dirty
  never: mend timing; mend comparator

timing-part-warm (direct-drive-servo)
  Right cold, 4 % slow after half an hour.
  said: speed-33: right; speed-warm: slow
  truth: timing.warm
  # The heat sink does nothing here (was left out).
  shows: trim-nudge: right-cold-wrong-warm; sink: still-wrong
  careful: supply-warm; trim-nudge
  never: mend driver until trim-nudge

bias-drifts (direct-drive-quartz)
  Steady at the detent, wild off it, worst at the slow end and after twenty minutes.
  said: detent-33: right; detent-warm: right; off-33: right; off-warm: wanders; slow-end: wanders
  truth: zener.drifts
  shows: zener-warm: wanders; oscillator-warm: wanders
  careful: slider-sweep; zener-warm
  never: mend slider; mend crystal; mend lock

never-locks-at-45 (direct-drive-quartz)
  Locks at 33, never at 45.
  said: detent-33: right; detent-45: wanders; lock-lamp: steady
  truth: trims.off-45
  shows: capture-edges: off-45
  careful: reference-45; capture-edges
  never: mend lock until capture-edges; mend crystal; mend zener

wrong-mains-tap (direct-drive-quartz)
  A machine for another mains; nothing locks, the lamp of the rim is dim.
  said: rim-lamp: lit; detent-33: wanders; detent-45: wanders; lock-lamp: flashing
  truth: transformer.tap
  shows: transformer-look: set-wrong; ac-volts: low; raw-volts: low; supply-volts: low; supply-warm: low; detent-warm: wanders; off-33: wanders; slow-end: wanders; off-warm: wanders
  careful: transformer-look
  never: mend crystal; mend lock until transformer-look; mend driver

chip-warm (direct-drive-quartz)
  Slows after half an hour, at the detent too; a heat sink pressed on the drive chip cured it for the evening.
  said: detent-33: right; detent-warm: slow; trial: sink driver = helped
  truth: driver.warm
  shows: off-warm: slow; sink: comes-right
  careful: supply-warm; sink
  never: mend zener; mend slider; mend crystal

motor-gummed (rim-drive)
  Slow and weak when cold, right after half an hour.
  said: speed-33: slow; speed-warm: right
  truth: motor.gummed
  shows: motor-spin: drags; start-volts: two-thirds; spindle-dot: slow
  careful: bearing-spin; idler-look; motor-spin
  never: mend motor; mend idler until idler-look

idler-flat (rim-drive)
  A thump once a turn of the idler; it was parked in gear for years.
  said: speed-33: right; thump: thumps
  truth: idler.flat
  shows: idler-look: flat-spot
  careful: idler-look
  never: mend motor; mend ball

stack-turned (rim-drive)
  Runs backward since the motor was cleaned.
  said: work: motor; speed-33: backward
  truth: motor.turned
  shows: motor-spin: stack-turned-round; spindle-dot: backward; speed-warm: backward
  careful: motor-spin
  never: mend motor; mend idler

seized-and-smelt (rim-drive)
  Stood for thirty years, was plugged in, hummed, stank, and was unplugged.
  said: first: smells-burnt-or-smoked; speed-33: still
  truth: motor.seized
  shows: inside-look: nothing-burnt-dry; motor-spin: will-not-turn; start-volts: never
  still: yes
  careful: motor-spin; inside-look
  never: power until inside-look; power until motor-spin; mend motor until motor-spin; test speed-warm

switch-worn (rim-drive)
  Dead, amplifier and all.
  said: speed-33: still; amplifier: nothing
  truth: switch.open
  shows: switch-ohms: open
  still: yes
  careful: cord; switch-ohms
  never: mend motor; mend amp-mend; test speed-warm

wrong-speed-chosen (rim-drive)
  Everything sounds like a cartoon: 45 on the lever, a long-playing record on the platter.
  said: speed-33: 35 %
  truth: lever.stepped
  shows: lever-set: another-speed
  careful: lever-set
  never: mend trims; mend linkage until lever-set; mend motor

belt-and-bearing (belt-turntable-dc)
  Stood for twenty years: the belt is slack, and the motor is stiff until it is warm.
  said: speed-33: -9 %; steady: steady
  truth: belt.slips; motor.dry
  shows: speed-45: slow; belt-look: slack-or-shiny; spin-pulley: stiff; motor-alone: slow
  then belt.slips: belt-look: sound
  then motor.dry: spin-pulley: free; motor-alone: right
  careful: belt-look; spin-platter; spin-pulley
  never: mend motor-swap until spin-pulley; mend governor until spin-pulley
`);
