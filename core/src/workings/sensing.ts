/** Workings of sensors, brushes and lamp codes. */
import { brushLife, lampNumbers, LENGTH_LIMIT_MM } from '../circuit/index.js';
import { fixed, THIN } from '../quantity/index.js';
import { choice, number, words } from './fields.js';
import { figure, row, share } from './show.js';
import type { Working } from './working.js';
import { say } from '../words/index.js';
import { NEAR_RAIL_PART } from './defaults.js';

/** A Hall sensor or pulses. */
export const HALL: Working = {
  id: 'hall',
  name: say`Speed sensor: Hall or pulses`,
  asks: say`Its output at rest and turned slowly, or so many hertz: is it alive, how fast is that?`,
  assumes: [
    say`Supply about 9 to 12 V; the output toggles near 0 and near supply as it is turned slowly (common practice).`,
    say`A slow meter shows the middle only while it turns; most are open collector: unplugged there is nothing to see.`,
    say`In washers, mixers and vacuums these few volts usually ride on the mains: clip dead, step back, power, read,
      unplug.`,
  ],
  fields: [
    number('supply', say`Supply at the sensor`, 'V', { optional: true, from: /sensor supply|hall supply/ }),
    number('rest', say`Output at rest`, 'V', { optional: true, range: 'zero or more' }),
    number('turning', say`Mean while turned`, 'V', { optional: true, range: 'zero or more' }),
    number('hz', say`Frequency`, 'Hz', { optional: true }),
    number('perTurn', say`Pulses a turn`, '', { usual: '1' }),
    number('ratio', say`Motor turns a turn of the drum or platter`, '', { usual: '1' }),
  ],
  solve(given) {
    const [supply, rest, turning, hz] = ['supply', 'rest', 'turning', 'hz'].map((id) => given.optional(id)) as [
      number | null,
      number | null,
      number | null,
      number | null,
    ];
    const rows = [];
    const says: string[] = [];
    let verdict: string | null = null;
    if (hz !== null) {
      const rpm = (60 * hz) / given.number('perTurn');
      rows.push(row(say`Shaft with the sensor`, `${fixed(rpm, 1)}${THIN}rpm`));
      if (given.number('ratio') !== 1)
        rows.push(row(say`Drum or platter`, `${fixed(rpm / given.number('ratio'), 1)}${THIN}rpm`));
    }
    if (supply !== null && rest !== null) {
      if (rest > 1.1 * supply) given.refuse('rest', say`More than its supply: another pin, or another supply.`);
      const part = rest / supply;
      rows.push(row(say`At rest`, say`${share(part)} of the supply`));
      const steadyHalf = part > NEAR_RAIL_PART && part < 1 - NEAR_RAIL_PART;
      verdict = steadyHalf ? say`not right` : say`right at rest`;
      if (steadyHalf) says.push(say`A steady middle at rest: no pull-up, a damaged output, or the wrong pin.`);
      if (turning !== null) {
        const duty = turning / supply;
        rows.push(row(say`While turned`, say`${share(duty)} of the supply`));
        const toggles = Math.abs(duty - part) > 0.15;
        if (!steadyHalf) verdict = toggles ? say`right` : say`not right`;
        if (!toggles) says.push(say`It does not move when turned: sensor, its magnet, or turned too little.`);
      } else says.push(say`Now turn it slowly by hand: it must move to the other end.`);
    }
    if (rows.length === 0) return given.refuse('hz', say`Type the frequency, or supply and output at rest.`);
    return { rows, verdict, says, expects: null };
  },
};

/** Carbon brushes. */
export const BRUSHES: Working = {
  id: 'brushes',
  name: say`Carbon brushes`,
  asks: say`Are they due, and how many hours are left?`,
  assumes: [
    say`Lengths read within ±${LENGTH_LIMIT_MM} mm (common practice).`,
    say`For a domestic stand mixer 7.9 mm is the limit, 6.4 mm finished (common practice).`,
    say`Both together, bevel as it came out; caps fly: hold them, wear glasses.`,
  ],
  fields: [
    number('left', say`One side`, 'mm', { from: /brush/ }),
    number('right', say`Other side`, 'mm'),
    number('limit', say`Replace at`, 'mm', { usual: '7.9' }),
    number('before', say`Length before`, 'mm', { optional: true }),
    number('hours', say`Hours of running since`, 'h', { optional: true }),
  ],
  solve(given) {
    const [left, right, limit] = [given.number('left'), given.number('right'), given.number('limit')];
    const shorter = Math.min(left, right);
    const rows = [
      row(say`Shorter side over the limit`, figure(shorter - limit, 'mm')),
      row(say`Sides apart`, figure(Math.abs(left - right), 'mm')),
    ];
    const says: string[] = [];
    if (shorter <= limit) says.push(say`Worn: renew both together.`);
    if (Math.abs(left - right) > 1.5) says.push(say`Uneven: one sticks in its holder, or its spring is weak.`);
    const [before, hours] = [given.optional('before'), given.optional('hours')];
    if (before !== null && hours !== null) {
      if (before < shorter - LENGTH_LIMIT_MM) given.refuse('before', say`It cannot have grown: which brush was that?`);
      const life = brushLife(before, shorter, limit, hours);
      if (life) {
        const { least, usual, most } = life.hours;
        rows.push(row(say`Wear`, `${Number(life.mmPerHour.toPrecision(2))}${THIN}mm/h`));
        rows.push(
          row(
            say`Hours left`,
            `${Math.round(usual)} (${Math.round(least)} to ${most === null ? 'unknown' : Math.round(most)})`,
          ),
        );
      } else says.push(say`No wear to be seen between the two lengths.`);
    }
    const doubtful = shorter > limit && shorter - limit <= LENGTH_LIMIT_MM;
    return { rows, verdict: shorter <= limit ? 'renew' : doubtful ? 'undecided' : 'good', says, expects: null };
  },
};

/** A code on a row of lamps. */
export const LAMPS: Working = {
  id: 'lamps',
  name: say`Code on a row of lamps`,
  asks: say`This row of lamps: which number is it?`,
  assumes: [say`Some sheets print lit as dark, some count from the right: all readings stand here, the sheet decides.`],
  fields: [
    words('row', say`Lamps from left to right, 1 lit, 0 dark`),
    choice('means', say`On the sheet, lit counts`, ['as 1', 'as 0'], 'as 1'),
    choice('first', say`Most significant`, ['left', 'right'], 'left'),
    words('table', say`The sheet’s codes: 26 = pump, 37 = door`, { optional: true, fromSheet: 'codes' }),
  ],
  solve(given) {
    const text = given.text('row').replace(/[\s,;]+/g, '');
    if (!/^[01]{2,16}$/.test(text)) return given.refuse('row', say`Two to sixteen lamps, 1 for lit and 0 for dark.`);
    const shown = [...text].map((one) => (one === '1') === (given.text('means') === 'as 1'));
    const lit = given.text('first') === 'left' ? shown : [...shown].reverse();
    const { asShown, inverted, mirrored } = lampNumbers(lit);
    const table = new Map(
      given
        .text('table')
        .split(/[,;\n]+/)
        .flatMap((entry): [number, string][] => {
          const match = /^\s*(\d+)\s*[=:]\s*(.+?)\s*$/.exec(entry);
          return match ? [[Number(match[1]), match[2] as string]] : [];
        }),
    );
    const named = (value: number) => (table.has(value) ? `${value}: ${table.get(value)}` : String(value));
    const known = table.size === 0 || table.has(asShown);
    return {
      rows: [
        row(say`Code`, named(asShown)),
        row(say`If lit and dark are swapped`, named(inverted)),
        row(say`If read from the other end`, named(mirrored)),
      ],
      verdict: table.size === 0 ? null : known ? (table.get(asShown) ?? null) : say`not in the sheet`,
      says: known
        ? [say`A code names a symptom, not a part.`]
        : [say`Not in the sheet as read: try it swapped or mirrored before anything else.`],
      expects: null,
    };
  },
};
