/** Workings of resistors that set a speed: an added one for a third speed, and which law holds. */
import {
  addedFor,
  E_SERIES,
  fittedFrom,
  lawFrom,
  nearestOf,
  SERIES_TOLERANCE,
  speedWith,
  SPEED_LAWS,
  type AddedResistor,
  type SeriesName,
} from '../circuit/index.js';
import { fixed, THIN } from '../quantity/index.js';
import { choice, number } from './fields.js';
import { figure, percentOff, row } from './show.js';
import type { Working } from './working.js';
import { say } from '../words/index.js';

const SERIES = Object.keys(E_SERIES) as SeriesName[];

/** A resistor for a third speed. */
export const SPEED_RESISTOR: Working = {
  id: 'speed-resistor',
  name: say`Resistor for another speed`,
  asks: say`Which resistor turns this speed into that one, and how near does a part I can buy come?`,
  assumes: [
    say`A timed period or a current goes as 1/R, a reference voltage as R: ask which, or find it from two readings.`,
    say`E12 and E24 parts ±5 %, E96 ±1 % (IEC 60063, from memory).`,
    say`The trim of the speed it is added to then serves both.`,
  ],
  fields: [
    choice('law', say`Speed goes as`, SPEED_LAWS, '1/R'),
    number('fitted', say`Resistor fitted`, 'Ω', { from: /timing|speed resistor/ }),
    number('from', say`Speed now`, 'rpm', { usual: '45' }),
    number('to', say`Speed wanted`, 'rpm', { usual: '78' }),
    choice('series', say`Parts from`, SERIES, 'E24'),
    number('contact', say`Ohms of the switch contact`, 'Ω', { range: 'zero or more', usual: '0' }),
    number('trim', say`Range of the trim, ±`, '%', { optional: true }),
  ],
  solve(given) {
    const law = given.choice('law', SPEED_LAWS);
    const [fitted, from, to] = [given.number('fitted'), given.number('from'), given.number('to')];
    const exact = addedFor(law, fitted, from, to);
    if (!exact) return given.refuse('to', say`That is the speed it has.`);
    const series = given.choice('series', SERIES);
    const part: AddedResistor = { ...exact, ohm: nearestOf(series, exact.ohm) };
    const rpm = (added: AddedResistor, contact = given.number('contact')) =>
      speedWith(law, fitted, from, added, contact);
    const off = (value: number) => 100 * (value / to - 1);
    const tolerance = SERIES_TOLERANCE[series] / 100;
    const edges = [1 + tolerance, 1 - tolerance]
      .map((k) => off(rpm({ ...part, ohm: part.ohm * k })))
      .sort((a, b) => a - b);
    const [low, high] = edges as [number, number];
    const dirty = off(rpm(part, given.number('contact') + 1000)) - off(rpm(part));
    const trim = given.optional('trim');
    const says = [
      say`An open contact falls back to ${fixed(from, 2)} rpm.`,
      say`The trim of ${fixed(from, 0)} serves both: set it there first, then read ${fixed(to, 0)}, then both again.`,
      say`Switch and resistor close to the one fitted, leads short, the switch’s contacts gold or silver: a few ohms
        of dirt are a speed.`,
      say`Records of another speed want their own stylus and tracking force: say so on the sheet.`,
      say`Read it at the pitch control’s detent and off it, at minus and plus: the range shifts with the resistor.`,
    ];
    const held = trim === null ? null : Math.max(Math.abs(low), Math.abs(high)) <= trim;
    if (held === false)
      says.unshift(say`The trim cannot take up the spread of this part: measure several, or take a closer series.`);
    return {
      rows: [
        row(say`Exact`, `${figure(exact.ohm, 'Ω')} ${exact.how === 'parallel' ? say`across it` : say`in series`}`),
        row(say`Nearest in ${series}`, figure(part.ohm, 'Ω')),
        row(say`Speed with it`, say`${fixed(rpm(part), 2)}${THIN}rpm, ${percentOff(off(rpm(part)))}`),
        row(say`By its tolerance`, `${percentOff(low)} to ${percentOff(high)}`),
        row(say`1 kΩ of dirt at the contact`, percentOff(dirty)),
      ],
      verdict: held === null ? null : held ? say`the trim holds it` : say`out of the trim’s reach`,
      says,
      expects: null,
    };
  },
};

/** What sits inside, from what an added one did. */
export const FITTED_RESISTOR: Working = {
  id: 'fitted-resistor',
  name: say`What is fitted, from what an added one did`,
  asks: say`I added this resistor and the speed went there: what sits inside, and which law holds?`,
  assumes: [say`Only the resistor changed between the two readings.`],
  fields: [
    choice('law', say`Speed goes as`, SPEED_LAWS, '1/R'),
    choice('how', say`Added`, ['parallel', 'series'], 'parallel'),
    number('added', say`Resistor added`, 'Ω'),
    number('from', say`Speed before`, 'rpm'),
    number('to', say`Speed after`, 'rpm'),
    number('checkOhm', say`Another total tried: resistor`, 'Ω', { optional: true }),
    number('checkRpm', say`Another total tried: speed`, 'rpm', { optional: true }),
  ],
  solve(given) {
    const law = given.choice('law', SPEED_LAWS);
    const how = given.choice('how', ['parallel', 'series'] as const);
    const [from, to] = [given.number('from'), given.number('to')];
    const fitted = fittedFrom(law, { how, ohm: given.number('added') }, from, to);
    if (fitted === null)
      return given.refuse(
        'to',
        say`That resistor cannot have done this by this law: turn the law or the way it was added.`,
      );
    const [ohm, rpm] = [given.optional('checkOhm'), given.optional('checkRpm')];
    const found = ohm !== null && rpm !== null ? lawFrom(fitted, from, ohm, rpm) : null;
    const tried = ohm !== null && rpm !== null;
    return {
      rows: [
        row(say`Fitted`, figure(fitted, 'Ω')),
        ...(tried ? [row(say`Law by two readings`, found ?? 'neither')] : []),
      ],
      verdict: tried ? (found === law ? say`the law holds` : say`the law does not hold`) : null,
      says:
        tried && found === null
          ? [say`Neither law fits: something else moved, or a second resistor sets the speed too.`]
          : [],
      expects: null,
    };
  },
};
