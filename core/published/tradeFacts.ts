/** What repairers of each kind of machine think of first. */
/** A symptom in the trade's words, the answers that tell it, and what it points at. */
export interface Fact {
  readonly says: string;
  readonly answers: string;
  /** Among the first three. */
  readonly first: readonly string[];
  /** Hardly thought of. */
  readonly not?: readonly string[];
}

/** By family; common practice, with no published source. */
export const FACTS: Readonly<Record<string, readonly Fact[]>> = {
  'belt-turntable-dc': [
    {
      says: 'slow at both speeds: belt or dry bearings',
      answers: 'speed-33=slow speed-45=slow',
      first: ['belt'],
      not: ['selector'],
    },
    {
      says: 'one speed only is wrong: its trim',
      answers: 'speed-33=slow speed-45=right',
      first: ['trims'],
      not: ['belt', 'motor'],
    },
    {
      says: 'surges: dirty trims or pot, loose ring magnet',
      answers: 'speed-33=right steady=surges',
      first: ['trims', 'pitch'],
    },
    {
      says: 'wow once a turn of the platter: its seat',
      answers: 'speed-33=right wow-rate=platter',
      first: ['platter'],
      not: ['belt'],
    },
    {
      says: 'wow a little below it: the belt',
      answers: 'speed-33=right wow-rate=belt',
      first: ['belt'],
      not: ['platter'],
    },
    { says: 'wow once a turn of the pulley: the pulley', answers: 'speed-33=right wow-rate=pulley', first: ['pulley'] },
    {
      says: 'starts, then stops after turning over: auto-return',
      answers: 'lamp=lit speed-33=still speed-45=still return-look=tripped',
      first: ['return'],
    },
    {
      says: 'ticks with the belt off are inside the motor',
      answers: 'speed-33=right motor-noise=ticks-once-a-turn',
      first: ['motor'],
    },
  ],
  'belt-turntable-ac': [
    {
      says: 'hum with the switch off: the spark capacitor',
      answers: 'platter=right off-hum=hums-or-turns off-turns=still',
      first: ['switch'],
    },
    { says: 'turns backward: run capacitor open', answers: 'platter=backward', first: ['phase'], not: ['belt'] },
    { says: 'knocks when cold: dry bearing', answers: 'platter=slow hum=knocks-or-grinds', first: ['motor'] },
    {
      says: 'slow without noise: belt or pulley',
      answers: 'platter=slow hum=quiet',
      first: ['belt', 'pulley'],
      not: ['phase'],
    },
  ],
  'direct-drive-servo': [
    {
      says: 'runs away: the frequency generator is lost',
      answers: 'rim-lamp=lit speed-33=fast speed-45=fast',
      first: ['fg'],
    },
    {
      says: 'quivers and will not turn: Hall or one phase',
      answers: 'rim-lamp=lit speed-33=quivers',
      first: ['hall'],
      not: ['pitch'],
    },
    {
      says: 'right cold, wrong warm: timing or the drive chip',
      answers: 'speed-33=right speed-45=right speed-warm=slow',
      first: ['timing', 'driver'],
      not: ['pitch'],
    },
    {
      says: 'dead at one speed only: its contact',
      answers: 'speed-33=right speed-45=still',
      first: ['selector'],
      not: ['driver'],
    },
  ],
  'direct-drive-quartz': [
    {
      says: 'steady at the detent, wild off it when warm: zener and oscillator, not the slider',
      answers: 'detent-33=right off-33=right off-warm=wanders detent-warm=right',
      first: ['zener', 'oscillator'],
      not: ['pitch'],
    },
    {
      says: 'never locks at one speed: that speed’s trim',
      answers: 'detent-33=right detent-45=slow',
      first: ['trims'],
    },
    { says: 'quivers: Hall', answers: 'rim-lamp=lit detent-33=quivers', first: ['hall'] },
  ],
  'rim-drive': [
    { says: 'a thump a turn of the idler: a flat spot', answers: 'speed-33=right thump=thumps', first: ['idler'] },
    {
      says: 'slow cold, right warm: gummed bearings',
      answers: 'speed-33=slow speed-warm=right',
      first: ['motor'],
      not: ['rim'],
    },
    { says: 'backward: refitted turned round', answers: 'speed-33=backward', first: ['motor'] },
    {
      says: 'amplifier plays and nothing turns: not the cord',
      answers: 'amplifier=plays speed-33=still',
      first: ['motor'],
      not: ['plug', 'switch', 'field'],
    },
  ],
  'cassette-belt': [
    { says: 'chews tape: take-up too slow, the idler tyre', answers: 'play=right take-up=slack', first: ['idler'] },
    {
      says: 'lamps and no function: control or motor feed',
      answers: 'lamps=lit play=still motor-heard=silent',
      first: ['control'],
      not: ['pinch', 'idler'],
    },
    {
      says: 'motor heard, capstan stands: the belt',
      answers: 'lamps=lit play=still motor-heard=turns winds=turns',
      first: ['belt'],
      not: ['control'],
    },
    { says: 'slow without warble: the belt', answers: 'play=slow warble=steady', first: ['belt'] },
  ],
  'cassette-direct': [
    { says: 'follows a damp breath: leaked electrolyte', answers: 'play=fast breath=moves', first: ['capacitors'] },
    {
      says: 'too fast cold, right warm: leaked electrolyte',
      answers: 'play=fast play-warm=right',
      first: ['capacitors'],
      not: ['driver'],
    },
    {
      says: 'plays right, spills: the reels, not the servo',
      answers: 'play=right take-up=slack',
      first: ['reels'],
      not: ['servo', 'capacitors'],
    },
  ],
  'video-recorder': [
    {
      says: 'takes a tape in and changes its mind: the mode switch',
      answers: 'display=lit loads=changes-its-mind',
      first: ['mode'],
    },
    {
      says: 'picture in search and still, none in play, tape fast: the FG path',
      answers: 'still-picture=good search-picture=good play-picture=bars-or-noise play-speed=fast',
      first: ['fg'],
      not: ['heads'],
    },
    { says: 'warns of damp in a dry room: the sensor', answers: 'dew=on', first: ['dew'] },
  ],
  'stand-mixer': [
    { says: 'starts after a tap: brushes', answers: 'runs-high=still tap-start=starts', first: ['brushes'] },
    {
      says: 'smoke, and works: the X2 capacitor',
      answers: 'smoke=smoked runs-high=fast runs-low=slow',
      first: ['filter'],
      not: ['armature'],
    },
    {
      says: 'full speed only: triac or pickup gap',
      answers: 'runs-high=fast runs-low=fast',
      first: ['triac', 'pickup'],
      not: ['switch', 'brushes'],
    },
  ],
  'vacuum-cleaner': [
    {
      says: 'lamp on, motor dead: switch and rings',
      answers: 'lamp=lit pitch-high=none',
      first: ['switch'],
      not: ['plug', 'filters'],
    },
    {
      says: 'runs on high only: boost switch or board',
      answers: 'pitch-high=usual pitch-low=none',
      first: ['boost'],
      not: ['plug', 'brushes'],
    },
    {
      says: 'howls and draws nothing: blocked',
      answers: 'pitch-high=high suction=weak',
      first: ['filters'],
      not: ['brushes'],
    },
    { says: 'cuts out hot: blocked, or its protector', answers: 'pitch-high=high hot=cuts-out', first: ['filters'] },
  ],
  'washer-top': [
    {
      says: 'balance code with a level basket: the speed sensor',
      answers: 'code=balance hang=level spin=wrong',
      first: ['sensor'],
      not: ['basket'],
    },
    {
      says: 'will not spin and does not lock: the lid lock',
      answers: 'display=lit lid-click=does-not',
      first: ['lid'],
    },
  ],
  'washer-front': [
    {
      says: 'hums and does not tumble: one phase is missing',
      answers: 'fills=fills-and-stops tumbles=still motor-sound=hums',
      first: ['harness', 'inverter'],
      not: ['pump', 'timer'],
    },
    {
      says: 'no tumble, pump works, silent: the feed of the board and the board',
      answers: 'drains=runs tumbles=still motor-sound=silent',
      first: [],
      not: ['pump', 'plug', 'drum'],
    },
  ],
  'cordless-brushless': [
    {
      says: 'kicks once and faults: one phase or a Hall sensor',
      answers: 'full=kicks-once-and-stops load-turn=free-and-tight',
      first: ['harness', 'motor'],
      not: ['pack', 'interlock'],
    },
    {
      says: 'dead with a good pack: interlock or contact',
      answers: 'full=still lamp=dark pack-volts=holds',
      first: ['contact', 'interlock'],
      not: ['motor', 'load'],
    },
  ],
  'tool-brushed': [
    {
      says: 'full speed only: the switch is shorted',
      answers: 'full=fast half=full-speed-at-once',
      first: ['trigger'],
      not: ['brushes', 'pack'],
    },
    {
      says: 'a ring of sparks, weak: brushes or armature',
      answers: 'full=weak sparks=many',
      first: ['brushes', 'armature'],
      not: ['gearbox'],
    },
    { says: 'holds free, sags loaded: the pack', answers: 'full=fast half=slow loaded=weak', first: ['pack'] },
  ],
  'open-reel': [
    {
      says: 'plays, tape falls: the take-up reel',
      answers: 'play-19=right take-up=none',
      first: ['take-up-reel'],
      not: ['supply-reel'],
    },
    { says: 'on speed and hums: the run capacitor', answers: 'play-19=right motor-noise=hums', first: ['run'] },
    { says: 'loops when stopping: brakes', answers: 'play-19=right stop=loops', first: ['brakes'] },
  ],
};
