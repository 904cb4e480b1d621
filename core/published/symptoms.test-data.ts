/** Symptoms of the families and what they point at, in the words of the trade; common practice, with no published source. */
import type { Fact } from './tradeFacts.js';

const fact = (says: string, answers: string, first: string, not = ''): Fact => ({
  says,
  answers,
  first: first.split(' '),
  not: not === '' ? [] : not.split(' '),
});

/** By family. */
export const SYMPTOMS: Readonly<Record<string, readonly Fact[]>> = {
  'belt-turntable-dc': [
    fact('fast at both speeds: governor or tacho', 'speed-33=fast speed-45=fast', 'governor', 'belt bearing'),
    fact('wow at the rate of the platter: the record first', 'speed-33=right wow-rate=platter', 'use'),
    fact('dry bearing: slow until warm', 'speed-33=slow steady=steady speed-33-warm=right', 'motor', 'trims regulator'),
    fact(
      'starts and stops when the selector is tapped',
      'speed-33=right steady=steady tap-33=stops-or-jumps',
      'selector',
      'belt',
    ),
  ],
  'belt-turntable-ac': [
    fact('out of step until warm: the motor, not the belt', 'platter=slow platter-warm=right', 'motor', 'phase'),
    fact('buzz with a quiet motor: the mount', 'platter=right buzz=buzzes hum=quiet', 'mount'),
    fact('hums and stands: run capacitor or motor', 'platter=still hum=hums', 'phase', 'belt pulley'),
    fact('17 % slow: a pulley for the other mains', 'platter=slow pulley-mark=for-the-other-mains', 'pulley'),
  ],
  'direct-drive-servo': [
    fact('pitch jumps while it is moved: the pot', 'speed-33=right pitch-sweep=jumps', 'pitch', 'comparator'),
    fact('the added speed falls back to 45', 'speed-45=right speed-78=slow', 'added', 'timing'),
  ],
  'direct-drive-quartz': [
    fact('jumps off the detent and when swept: the slider', 'detent-33=right slider-sweep=jumps', 'pitch', 'crystal'),
    fact('slows warm at the detent too: the drive chip', 'detent-33=right detent-warm=slow', 'driver', 'pitch zener'),
  ],
  'rim-drive': [
    fact('slow and weak: dry bearings, glazed idler', 'speed-33=slow', 'motor idler', 'field'),
    fact('stiff lever: old grease', 'lever=stiff', 'lever', 'motor'),
    fact('dead, amplifier and all: switch or cord', 'speed-33=still amplifier=nothing', 'switch plug', 'idler rim'),
    fact('hums and will not turn by hand: seized', 'speed-33=still motor-spin=will-not-turn', 'motor', 'idler'),
  ],
  'cassette-belt': [
    fact('winds, does not play: capstan belt or pinch roller', 'play=still winds=turns', 'belt pinch', 'control motor'),
    fact('plays, does not wind: the idler tyre', 'play=right winds=still', 'idler', 'belt motor'),
    fact('warbles: pinch roller and capstan dirt', 'play=right warble=warbles', 'pinch', 'feeder belt'),
    fact('half speed at double: the speed switch', 'play=right play-double=slow', 'doubling', 'belt'),
  ],
  'cassette-direct': [
    fact('slow cold, right warm: the capacitors', 'play=slow play-warm=right', 'capacitors', 'driver'),
    fact('quivers: Hall, coil or drive', 'play=quivers', 'hall', 'capacitors pinch'),
  ],
  'video-recorder': [
    fact('does not take a tape: mode switch or loading motor', 'display=lit loads=no', 'mode', 'heads pinch'),
    fact('capstan quivers: a Hall sensor', 'capstan-look=quivers', 'hall', 'pinch control-head'),
    fact(
      'hunts in play, steady in search: control track',
      'play-speed=unsteady search-picture=good',
      'control-head pinch',
    ),
    fact(
      'bars in every picture: heads, or what stands beside it',
      'play-picture=bars-or-noise still-picture=bars-or-noise search-picture=bars-or-noise play-speed=right',
      'heads place',
      'fg capstan',
    ),
  ],
  'stand-mixer': [
    fact('sparks at the control slot: plate or brushes', 'slot=sparks runs-high=fast', 'brushes', 'switch gearbox'),
    fact('does not start: switch, brushes', 'runs-high=still', 'brushes switch', 'mounts'),
    fact('motor hangs: mounts', 'stance=motor-hangs', 'mounts', 'brushes'),
    fact(
      'drops under dough at right speed empty: governor or grease',
      'runs-high=fast droop=drops sparks=few-or-none',
      'plate gearbox',
      'switch',
    ),
  ],
  'vacuum-cleaner': [
    fact('pitch high and little suction: blocked', 'pitch-high=high suction=weak', 'filters', 'switch'),
    fact('low pitch, sparks: brushes', 'pitch-high=low sparks=many', 'brushes', 'filters'),
    fact('lamp dark, motor dead: cord or reel', 'lamp=dark pitch-high=none', 'plug reel', 'brushes board'),
  ],
  'washer-top': [
    fact('balance code and a basket that hangs: the rods', 'code=balance hang=tilts', 'basket', 'inverter'),
    fact('balance code, empty it spins: the load', 'code=balance spin=right hang=level', 'use', 'inverter'),
    fact(
      'drive code and silence: bridge or feed of the drive',
      'display=lit code=drive motor-sound=silent spin=still',
      'inverter',
      'belt sensor',
    ),
  ],
  'washer-front': [
    fact('rumbles in the spin: drum bearings', 'tumbles=right noise=rumbles', 'drum', 'motor'),
    fact('the motor turns, the drum stands: the belt', 'tumbles=still motor-sound=turns', 'belt', 'control'),
    fact(
      'volts that stay with the wire lifted: backfeed from the board',
      'tumbles=still lifted-volts=holds',
      'control',
      'pressure',
    ),
  ],
  'cordless-brushless': [
    fact('dead and dark: pack, contact, interlock', 'full=still lamp=dark', 'pack contact', 'motor dial'),
    fact('lamp lit, does nothing: pot, gate drive, bridge', 'full=still lamp=lit', 'dial inverter', 'pack interlock'),
    fact('runs free, fades loaded, lamp blinks: the pack', 'full=turns loaded=weak lamp=blinks', 'pack', 'inverter'),
  ],
  'tool-brushed': [
    fact('forward dead, reverse alive: the reversing switch', 'full=still reverse=turns', 'reverse', 'pack trigger'),
    fact('nothing at low, right at full: the pot of the trigger', 'full=fast half=still', 'contact', 'pack armature'),
    fact('spindle jammed by hand: the gearbox', 'full=still spindle-turn=jammed', 'gearbox', 'pack'),
  ],
  'open-reel': [
    fact('both reels drag by hand: the brakes', 'reels-by-hand=both-drag winds=weak', 'brakes', 'take-up-reel'),
    fact('slow toward the end of the reel: holdback', 'play-19=right play-end=slow', 'supply-reel', 'motor'),
    fact('hums and stands: run capacitor or motor', 'play-19=still motor-noise=hums', 'run motor', 'belt'),
  ],
};
