/** Workings of motors: windings, temperature, what a bench supply shows. */
import {
  deltaPhases,
  imbalancePercent,
  METALS,
  resistanceAt,
  starPhases,
  temperatureBy,
  type Three,
} from '../circuit/index.js';
import { fixed, THIN } from '../quantity/index.js';
import { choice, number, words } from './fields.js';
import { figure, row, share } from './show.js';
import type { Working } from './working.js';
import { say } from '../words/index.js';
import { EVEN_PERCENT, GOVERNOR_IDLE_A, PAIRS_DIFFER_OHM } from './defaults.js';

/** Usual limits of insulation, megohms (EN 50678 / 50699, from memory; not valid everywhere). */
const INSULATION: readonly (readonly [kind: string, megohm: number])[] = [
  ['class I' as const, 1],
  ['class I with heating element' as const, 0.3],
  ['class II' as const, 2],
  ['class III' as const, 0.25],
];
const CLASSES = INSULATION.map(([kind]) => kind);

/** Three readings to three windings. */
export const WINDINGS: Working = {
  id: 'windings',
  name: say`Windings of a three-phase motor`,
  asks: say`Three readings between the leads: are the windings alike?`,
  assumes: [
    say`Unplugged, harness off, charge gone; pairs in the order ab, bc, ca.`,
    say`Healthy within half an ohm or a few percent at a few ohms (common practice).`,
    say`Open to the case on an ohmmeter is no proof of insulation: insulation tester, electronics off.`,
  ],
  fields: [
    words('pairs', say`Pairs ab, bc, ca, Ω`, { from: /u-?v|winding|phase|pairs/ }),
    choice('connection', say`Connection`, ['star', 'delta', 'unknown'], 'unknown'),
    number('leads', say`Leads shorted together`, 'Ω', { range: 'zero or more', usual: '0' }),
    number('resolution', say`Last digit of the meter`, 'Ω', { usual: '0.1' }),
    number('megohm', say`Insulation to the case`, 'MΩ', { optional: true, range: 'zero or more' }),
    choice('class', say`Its class`, CLASSES, 'class I'),
  ],
  solve(given) {
    const read = given.numbers('pairs', 3) as [number, number, number];
    if (read.some((one) => !Number.isFinite(one))) {
      const open = ['ab', 'bc', 'ca'].filter((_, i) => !Number.isFinite(read[i]));
      return {
        rows: [row(say`Open`, open.join(', '))],
        verdict: say`not right`,
        says: [say`A pair is open: winding, lead or plug.`],
        expects: null,
      };
    }
    const leads = given.number('leads');
    const pairs = read.map((one) => one - leads) as unknown as Three;
    if (pairs.some((one) => one <= 0))
      given.refuse('leads', say`The leads read as much as a winding: short them and take it again.`);
    const connection = given.choice('connection', ['star', 'delta', 'unknown'] as const);
    const phases = connection === 'star' ? starPhases(pairs) : connection === 'delta' ? deltaPhases(pairs) : null;
    if (phases?.some((one) => one <= 0))
      given.refuse(
        'pairs',
        say`No three windings read so: one pair is more than the others allow. Measure them again.`,
      );
    const apart = Math.max(...pairs) - Math.min(...pairs);
    const percent = imbalancePercent(pairs);
    const doubt = 2 * given.number('resolution');
    const rows = [row(say`Pairs apart`, `${figure(apart, 'Ω')}, ${fixed(percent, 1)}${THIN}%`)];
    if (phases)
      rows.push(
        row(say`Single windings`, phases.map((one) => fixed(one, 2)).join(', ') + `${THIN}Ω`),
        row(say`Windings apart`, `${fixed(imbalancePercent(phases), 1)}${THIN}%`),
      );
    const says: string[] = [];
    if (apart > PAIRS_DIFFER_OHM && percent > EVEN_PERCENT)
      says.push(say`One winding differs: shorted turns or a poor joint in it.`);
    const small = Math.max(...pairs) < 5;
    const undecided = says.length === 0 && small && percent > EVEN_PERCENT;
    if (undecided || (small && apart <= doubt && apart > 0))
      says.push(say`Under five ohms the meter’s last digit decides too little: measure with four wires.`);
    const megohm = given.optional('megohm');
    const limit = INSULATION.find(([kind]) => kind === given.choice('class', CLASSES))?.[1] ?? 1;
    const leaks = megohm !== null && megohm < limit;
    if (megohm !== null)
      rows.push(row(say`Insulation`, say`${megohm}${THIN}MΩ (usual limit ${limit}${THIN}MΩ; local rules decide)`));
    if (leaks) says.push(say`Insulation under ${limit}${THIN}MΩ: no mains on it.`);
    const bad = (apart > PAIRS_DIFFER_OHM && percent > EVEN_PERCENT) || leaks;
    return { rows, verdict: bad ? say`not right` : undecided ? say`undecided` : say`right`, says, expects: null };
  },
};

/** Ohms at another temperature, and the temperature behind ohms. */
export const COPPER: Working = {
  id: 'copper',
  name: say`Winding at another temperature`,
  asks: say`This many ohms now: how many cold, or how hot is it?`,
  assumes: [say`R2 = R1 (k + T2) / (k + T1), k 235 for copper, 225 for aluminium (IEC 60034-1, from memory).`],
  fields: [
    choice('metal', say`Wire`, METALS, 'copper'),
    number('ohm', say`Read`, 'Ω', { from: /winding|coil|primary/ }),
    number('from', say`Read at`, '°C', { range: 'any', usual: '20' }),
    number('to', say`Temperature asked for`, '°C', { range: 'any', optional: true }),
    number('hot', say`Read hot`, 'Ω', { optional: true }),
  ],
  solve(given) {
    const metal = given.choice('metal', METALS);
    const [ohm, from, to, hot] = [
      given.number('ohm'),
      given.number('from'),
      given.optional('to'),
      given.optional('hot'),
    ];
    if (from < -60 || (to ?? 0) < -60) given.refuse('from', say`No bench is that cold.`);
    const rows = [];
    if (to !== null) rows.push(row(`At ${to} °C`, figure(resistanceAt(ohm, from, to, metal), 'Ω')));
    if (hot !== null)
      rows.push(row(say`Temperature by its ohms`, `${fixed(temperatureBy(ohm, from, hot, metal), 0)}${THIN}°C`));
    return {
      rows,
      verdict: null,
      says: rows.length === 0 ? [say`Type a temperature, or the ohms read hot.`] : [],
      expects: null,
    };
  },
};

/** A motor by what it takes and does. */
export const MOTOR_STATE: Working = {
  id: 'motor-state',
  name: say`Motor on a bench supply`,
  asks: say`Volts, amps, and does it turn: what is the matter with it?`,
  assumes: [
    say`A bare motor with an open path takes nothing; a jammed one its stall current V / R.`,
    say`A governed motor at about 10 mA and still: brush path open, or the governor does not drive (common practice).`,
    say`Current limit set before power; plus and minus marked before it: a governed motor dies of swapped leads.`,
  ],
  fields: [
    choice('kind', say`Motor`, ['bare', 'governed'], 'governed'),
    number('volts', say`Supply`, 'V', { usual: '12' }),
    number('amps', say`It takes`, 'A', { range: 'zero or more' }),
    choice('does', 'It', ['turns well', 'turns slowly', 'hums or twitches', 'stands still'], 'stands still'),
    number('ohm', say`Ohms across the brushes`, 'Ω', { optional: true }),
    number('usual', say`A good one takes, free`, 'A', { optional: true }),
  ],
  solve(given) {
    const [volts, amps] = [given.number('volts'), given.number('amps')];
    const governed = given.text('kind') === 'governed';
    const does = given.choice('does', ['turns well', 'turns slowly', 'hums or twitches', 'stands still'] as const);
    const [ohm, usual] = [given.optional('ohm'), given.optional('usual')];
    const stall = ohm === null ? null : volts / ohm;
    const rows = [row(say`Power`, figure(volts * amps, 'W'))];
    if (stall !== null) rows.push(row(say`Of its stall current`, share(amps / stall)));
    const answer = (verdict: string, says: string) => ({ rows, verdict, says: [says], expects: null });
    if (does === 'stands still' || does === 'hums or twitches') {
      if (amps < 0.001) return answer('open', say`No current at all: lead, brush or armature path open.`);
      if (governed && amps <= GOVERNOR_IDLE_A)
        return answer(
          say`open or not driven`,
          say`Split it at the inner brush tabs: volts there, the brush path is open; none, the governor does not
            drive.`,
        );
      if (stall !== null && amps > 0.7 * stall)
        return answer('jammed', say`Its stall current: jammed, or shorted turns. Seconds only, then turn it by hand.`);
      return answer(
        does === 'stands still' ? say`weak or jammed` : say`weak`,
        say`It gets current and does not turn: turn it by hand, look at brushes and commutator, measure its ohms.`,
      );
    }
    if (usual !== null && amps > 1.5 * usual)
      return answer('drags', say`It takes half as much again as a good one: dry bearing, drag, or shorted turns.`);
    return does === 'turns well'
      ? answer('right', say`The motor itself is good: look at what feeds it and what it drives.`)
      : answer('weak', say`It turns slowly and takes no more than it should: brushes, commutator, or its governor.`);
  },
};
