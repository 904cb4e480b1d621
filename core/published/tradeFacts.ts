/**
 * Symptoms in the trade's words and what they point at, by family; common practice, with no published source. A line:
 * what is said | the answers that tell it | parts of which each is among the first three | parts hardly thought of.
 */
const LINES = `
belt-turntable-dc
  slow at both speeds: belt or dry bearings | speed-33=slow speed-45=slow | belt | selector
  one speed only is wrong: its trim | speed-33=slow speed-45=right | trims | belt motor
  surges: dirty trims or pot, loose ring magnet | speed-33=right steady=surges | trims pitch
  wow once a turn of the platter: its seat | speed-33=right wow-rate=platter | platter | belt
  wow a little below it: the belt | speed-33=right wow-rate=belt | belt | platter
  wow once a turn of the pulley: the pulley | speed-33=right wow-rate=pulley | pulley
  starts, then stops after turning over: auto-return | lamp=lit speed-33=still speed-45=still return-look=tripped | return
  ticks with the belt off are inside the motor | speed-33=right motor-noise=ticks-once-a-turn | motor
  fast at both speeds: governor or tacho | speed-33=fast speed-45=fast | governor | belt bearing
  wow at the rate of the platter: the record first | speed-33=right wow-rate=platter | use
  dry bearing: slow until warm | speed-33=slow steady=steady speed-33-warm=right | motor | trims regulator
  starts and stops when the selector is tapped | speed-33=right steady=steady tap-33=stops-or-jumps | selector | belt

belt-turntable-ac
  hum with the switch off: the spark capacitor | platter=right off-hum=hums-or-turns off-turns=still | switch
  turns backward: run capacitor open | platter=backward | phase | belt
  knocks when cold: dry bearing | platter=slow hum=knocks-or-grinds | motor
  slow without noise: belt or pulley | platter=slow hum=quiet | belt pulley | phase
  out of step until warm: the motor, not the belt | platter=slow platter-warm=right | motor | phase
  buzz with a quiet motor: the mount | platter=right buzz=buzzes hum=quiet | mount
  hums and stands: run capacitor or motor | platter=still hum=hums | phase | belt pulley
  17 % slow: a pulley for the other mains | platter=slow pulley-mark=for-the-other-mains | pulley

direct-drive-servo
  runs away: the frequency generator is lost | rim-lamp=lit speed-33=fast speed-45=fast | fg
  quivers and will not turn: Hall or one phase | rim-lamp=lit speed-33=quivers | hall | pitch
  right cold, wrong warm: timing or the drive chip | speed-33=right speed-45=right speed-warm=slow | timing driver | pitch
  dead at one speed only: its contact | speed-33=right speed-45=still | selector | driver
  pitch jumps while it is moved: the pot | speed-33=right pitch-sweep=jumps | pitch | comparator
  the added speed falls back to 45 | speed-45=right speed-78=slow | added | timing

direct-drive-quartz
  steady at the detent, wild off it when warm: zener and oscillator, not the slider | detent-33=right off-33=right off-warm=wanders detent-warm=right | zener oscillator | pitch
  never locks at one speed: that speed’s trim | detent-33=right detent-45=slow | trims
  quivers: Hall | rim-lamp=lit detent-33=quivers | hall
  jumps off the detent and when swept: the slider | detent-33=right slider-sweep=jumps | pitch | crystal
  slows warm at the detent too: the drive chip | detent-33=right detent-warm=slow | driver | pitch zener

rim-drive
  a thump a turn of the idler: a flat spot | speed-33=right thump=thumps | idler
  slow cold, right warm: gummed bearings | speed-33=slow speed-warm=right | motor | rim
  backward: refitted turned round | speed-33=backward | motor
  amplifier plays and nothing turns: not the cord | amplifier=plays speed-33=still | motor | plug switch field
  slow and weak: dry bearings, glazed idler | speed-33=slow | motor idler | field
  stiff lever: old grease | lever=stiff | lever | motor
  dead, amplifier and all: switch or cord | speed-33=still amplifier=nothing | switch plug | idler rim
  hums and will not turn by hand: seized | speed-33=still motor-spin=will-not-turn | motor | idler

cassette-belt
  chews tape: take-up too slow, the idler tyre | play=right take-up=slack | idler
  lamps and no function: control or motor feed | lamps=lit play=still motor-heard=silent | control | pinch idler
  motor heard, capstan stands: the belt | lamps=lit play=still motor-heard=turns winds=turns | belt | control
  slow without warble: the belt | play=slow warble=steady | belt
  winds, does not play: capstan belt or pinch roller | play=still winds=turns | belt pinch | control motor
  plays, does not wind: the idler tyre | play=right winds=still | idler | belt motor
  warbles: pinch roller and capstan dirt | play=right warble=warbles | pinch | feeder belt
  half speed at double: the speed switch | play=right play-double=slow | doubling | belt

cassette-direct
  follows a damp breath: leaked electrolyte | play=fast breath=moves | capacitors
  too fast cold, right warm: leaked electrolyte | play=fast play-warm=right | capacitors | driver
  plays right, spills: the reels, not the servo | play=right take-up=slack | reels | servo capacitors
  slow cold, right warm: the capacitors | play=slow play-warm=right | capacitors | driver
  quivers: Hall, coil or drive | play=quivers | hall | capacitors pinch

video-recorder
  takes a tape in and changes its mind: the mode switch | display=lit loads=changes-its-mind | mode
  picture in search and still, none in play, tape fast: the FG path | still-picture=good search-picture=good play-picture=bars-or-noise play-speed=fast | fg | heads
  warns of damp in a dry room: the sensor | dew=on | dew
  does not take a tape: mode switch or loading motor | display=lit loads=no | mode | heads pinch
  capstan quivers: a Hall sensor | capstan-look=quivers | hall | pinch control-head
  hunts in play, steady in search: control track | play-speed=unsteady search-picture=good | control-head pinch
  bars in every picture: heads, or what stands beside it | play-picture=bars-or-noise still-picture=bars-or-noise search-picture=bars-or-noise play-speed=right | heads place | fg capstan

stand-mixer
  starts after a tap: brushes | runs-high=still tap-start=starts | brushes
  smoke, and works: the X2 capacitor | smoke=smoked runs-high=fast runs-low=slow | filter | armature
  full speed only: triac or pickup gap | runs-high=fast runs-low=fast | triac pickup | switch brushes
  sparks at the control slot: plate or brushes | slot=sparks runs-high=fast | brushes | switch gearbox
  does not start: switch, brushes | runs-high=still | brushes switch | mounts
  motor hangs: mounts | stance=motor-hangs | mounts | brushes
  drops under dough at right speed empty: governor or grease | runs-high=fast droop=drops sparks=few-or-none | plate gearbox | switch

vacuum-cleaner
  lamp on, motor dead: switch and rings | lamp=lit pitch-high=none | switch | plug filters
  runs on high only: boost switch or board | pitch-high=usual pitch-low=none | boost | plug brushes
  howls and draws nothing: blocked | pitch-high=high suction=weak | filters | brushes
  cuts out hot: blocked, or its protector | pitch-high=high hot=cuts-out | filters
  pitch high and little suction: blocked | pitch-high=high suction=weak | filters | switch
  low pitch, sparks: brushes | pitch-high=low sparks=many | brushes | filters
  lamp dark, motor dead: cord or reel | lamp=dark pitch-high=none | plug reel | brushes board

washer-top
  balance code with a level basket: the speed sensor | code=balance hang=level spin=wrong | sensor | basket
  will not spin and does not lock: the lid lock | display=lit lid-click=does-not | lid
  balance code and a basket that hangs: the rods | code=balance hang=tilts | basket | inverter
  balance code, empty it spins: the load | code=balance spin=right hang=level | use | inverter
  drive code and silence: bridge or feed of the drive | display=lit code=drive motor-sound=silent spin=still | inverter | belt sensor

washer-front
  hums and does not tumble: one phase is missing | fills=fills-and-stops tumbles=still motor-sound=hums | harness inverter | pump timer
  no tumble, pump works, silent: the feed of the board and the board | drains=runs tumbles=still motor-sound=silent |  | pump plug drum
  rumbles in the spin: drum bearings | tumbles=right noise=rumbles | drum | motor
  the motor turns, the drum stands: the belt | tumbles=still motor-sound=turns | belt | control
  volts that stay with the wire lifted: backfeed from the board | tumbles=still lifted-volts=holds | control | pressure

cordless-brushless
  kicks once and faults: one phase or a Hall sensor | full=kicks-once-and-stops load-turn=free-and-tight | harness motor | pack interlock
  dead with a good pack: interlock or contact | full=still lamp=dark pack-volts=holds | contact interlock | motor load
  dead and dark: pack, contact, interlock | full=still lamp=dark | pack contact | motor dial
  lamp lit, does nothing: pot, gate drive, bridge | full=still lamp=lit | dial inverter | pack interlock
  runs free, fades loaded, lamp blinks: the pack | full=turns loaded=weak lamp=blinks | pack | inverter

tool-brushed
  full speed only: the switch is shorted | full=fast half=full-speed-at-once | trigger | brushes pack
  a ring of sparks, weak: brushes or armature | full=weak sparks=many | brushes armature | gearbox
  holds free, sags loaded: the pack | full=fast half=slow loaded=weak | pack
  forward dead, reverse alive: the reversing switch | full=still reverse=turns | reverse | pack trigger
  nothing at low, right at full: the pot of the trigger | full=fast half=still | contact | pack armature
  spindle jammed by hand: the gearbox | full=still spindle-turn=jammed | gearbox | pack

open-reel
  plays, tape falls: the take-up reel | play-19=right take-up=none | take-up-reel | supply-reel
  on speed and hums: the run capacitor | play-19=right motor-noise=hums | run
  loops when stopping: brakes | play-19=right stop=loops | brakes
  both reels drag by hand: the brakes | reels-by-hand=both-drag winds=weak | brakes | take-up-reel
  slow toward the end of the reel: holdback | play-19=right play-end=slow | supply-reel | motor
  hums and stands: run capacitor or motor | play-19=still motor-noise=hums | run motor | belt
`;

/** A symptom in the trade's words, the answers that tell it, and what it points at. */
export interface Fact {
  readonly says: string;
  readonly answers: string;
  /** Among the first three. */
  readonly first: readonly string[];
  /** Hardly thought of. */
  readonly not: readonly string[];
}

const words = (text = ''): string[] => text.split(' ').filter(Boolean);

/** By family. */
export const FACTS: Readonly<Record<string, readonly Fact[]>> = Object.fromEntries(
  LINES.trim()
    .split(/\n\n+/)
    .map((block) => {
      const [family = '', ...lines] = block.split('\n');
      return [
        family,
        lines.map((line) => {
          const [says = '', answers = '', first, not] = line.trim().split(' | ');
          return { says, answers, first: words(first), not: words(not) };
        }),
      ];
    }),
);
