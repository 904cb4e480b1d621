/** Workings of the supply: chain from mains to reservoir, units for another mains, zener feeds. */
import {
  loadFromRipple,
  mainsExcess,
  primaryOhms,
  RECTIFIERS,
  reservoirFromRipple,
  supplyOf,
  zenerAt,
} from '../circuit/index.js';
import { choice, number } from './fields.js';
import { between, figure, percentOff, row } from './show.js';
import type { Given, Working, WorkingAnswer, WorkingRow } from './working.js';
import { say } from '../words/index.js';
import { MAINS_SWING, WEAK_RESERVOIR_PART } from './defaults.js';

type Answer = Omit<WorkingAnswer, 'kind'>;

/** From the transformer to the reservoir. */
export const SUPPLY_CHAIN: Working = {
  id: 'supply',
  name: say`Supply: transformer, rectifier, reservoir`,
  asks: say`What d.c. and ripple belong here, and what do my readings say?`,
  assumes: [
    say`Diodes drop 0.6 to 1.0 V each: two in a bridge, one otherwise (handbook).`,
    say`Ripple is small against the volts: Vpp = I / (f C) (handbook).`,
    say`The winding sags 10 % at this load unless you say otherwise; small ones 10 to 25 % (handbook).`,
    say`Mains within ±10 % (common practice).`,
  ],
  fields: [
    choice('rectifier', say`Rectifier`, RECTIFIERS, 'bridge'),
    number('secondary', say`A.c. that feeds it (of a centre tap: one half)`, 'V', {
      from: /secondary|transformer|winding/,
    }),
    number('load', say`Load`, 'A', { range: 'zero or more', usual: '0' }),
    number('reservoir', say`Reservoir`, 'µF'),
    number('sag', say`Sag of the winding at this load`, '%', { range: 'zero or more', usual: '10' }),
    number('mains', say`Mains`, 'Hz', { usual: '50' }),
    number('dc', say`Read: d.c.`, 'V', { optional: true, from: /reservoir|supply|rectifier/ }),
    number('ripple', say`Read: ripple, peak to peak`, 'V', {
      optional: true,
      range: 'zero or more',
      from: /reservoir|supply|rectifier/,
      peakToPeak: true,
    }),
    number('rippleHz', say`Read: frequency of the ripple`, 'Hz', { optional: true }),
  ],
  solve(given) {
    const rectifier = given.choice('rectifier', RECTIFIERS);
    const [loadA, microfarad, mainsHz] = [given.number('load'), given.number('reservoir'), given.number('mains')];
    const sag = given.number('sag') / 100;
    if (sag >= 0.6) given.refuse('sag', say`A winding that sags this far is shorted or far too small.`);
    const sum = supplyOf({
      rectifier,
      secondaryV: given.number('secondary'),
      mainsHz,
      loadA,
      microfarad,
      sag: loadA > 0 ? sag : 0,
    });
    if (sum.idleV[0] === 0) given.refuse('secondary', say`That is less than its diodes drop.`);
    const [low, usual, high] = sum.loadedV;
    if (high === 0) given.refuse('load', say`Nothing is left under this load: check load, reservoir and sag.`);
    const rows = [
      row(say`No load`, between(sum.idleV[0], sum.idleV[2], 'V')),
      row(say`Under this load, mean`, `${figure(usual, 'V')} (${between(low, high, 'V')})`),
      row(say`Ripple, peak to peak`, `${figure(sum.rippleV, 'V')} at ${sum.rippleHz} Hz`),
    ];
    if (loadA > 0) rows.push(row(say`Recharged in`, say`${figure(1000 * sum.conductionS, 'ms')} of each half wave`));
    const read = readSupply(
      given,
      sum.rippleHz,
      [low * (1 - MAINS_SWING), high * (1 + MAINS_SWING)],
      loadA,
      microfarad,
    );
    return {
      rows: [...rows, ...read.rows],
      verdict: read.verdict,
      says: [...(sum.rough ? [say`The ripple is so large that these sums are a guide only.`] : []), ...read.says],
      expects: { place: 'reservoir', unit: 'V', low: low * (1 - MAINS_SWING), high: high * (1 + MAINS_SWING) },
    };
  },
};

/** What the readings say beside the sum. */
function readSupply(
  given: Given,
  expectedHz: number,
  [low, high]: readonly [number, number],
  loadA: number,
  microfarad: number,
): Pick<Answer, 'rows' | 'verdict' | 'says'> {
  const rows: WorkingRow[] = [];
  const says: string[] = [];
  const [dc, ripple, hz] = [given.optional('dc'), given.optional('ripple'), given.optional('rippleHz')];
  if (dc !== null) {
    rows.push(row(say`Read beside the middle`, percentOff(100 * (dc / ((low + high) / 2) - 1))));
    if (dc < low) says.push(say`Too low: more load than thought, a weak reservoir, a diode open, or low mains.`);
    if (dc > high) says.push(say`Too high: hardly any load, or another winding than thought.`);
  }
  const half = hz !== null && Math.abs(hz / expectedHz - 0.5) < 0.1;
  if (half) says.push(say`Ripple at the mains frequency behind both halves: one diode or half of the winding is open.`);
  if (ripple !== null && ripple > 0) {
    const amps = loadFromRipple(ripple, hz ?? expectedHz, microfarad);
    rows.push(row(say`Load that this ripple means`, figure(amps, 'A')));
    if (loadA > 0) {
      const left = reservoirFromRipple(ripple, hz ?? expectedHz, loadA);
      rows.push(row(say`Reservoir that is left`, figure(left * 1e-6, 'F')));
      if (!half && left < WEAK_RESERVOIR_PART * microfarad)
        says.push(say`Right frequency but too much of it: the reservoir is weak, or the load is more than given.`);
    }
  }
  const read = dc !== null || ripple !== null || hz !== null;
  return { rows, says, verdict: read ? (says.length === 0 ? say`right` : say`not right`) : null };
}

/** A unit for another mains. */
export const OTHER_MAINS: Working = {
  id: 'mains',
  name: say`Unit for another mains`,
  asks: say`What does this unit want, and is what I give it right?`,
  assumes: [
    say`Units for 100 V take ±6 to 10 % (common practice).`,
    say`At 50 instead of 60 Hz the flux rises by a fifth: volts down in proportion, or it overheats (handbook).`,
    say`Primary: half of the regulation of 10 to 25 % is lost in it (handbook).`,
  ],
  fields: [
    number('wanted', say`Volts on its plate`, 'V', { usual: '100' }),
    number('given', say`What it gets`, 'V', { from: /mains|outlet|plug/ }),
    number('plateHz', say`Frequency on its plate`, 'Hz', { usual: '50' }),
    number('mains', say`Mains here`, 'Hz', { usual: '50' }),
    number('va', say`Its transformer`, 'VA', { optional: true }),
    number('primary', say`Read: primary, unplugged`, 'Ω', { optional: true, from: /primary/ }),
  ],
  solve(given) {
    const [wanted, got] = [given.number('wanted'), given.number('given')];
    const flux = given.number('plateHz') / given.number('mains');
    const exact = wanted / Math.max(1, flux);
    // 94 V of 100 are six percent less, whatever the last bit says.
    const off = Number(mainsExcess(exact, got).toFixed(6));
    const [va, ohm] = [given.optional('va'), given.optional('primary')];
    const rows = [row(say`Beside what it wants here`, percentOff(off)), row(say`Set it to`, figure(exact, 'V'))];
    const bad: string[] = [];
    const mind: string[] = [];
    if (off > 10) bad.push(say`Far over: unplug it, use a step-down transformer.`);
    else if (off < -10) bad.push(say`Far under: it will not lock or pull.`);
    else if (Math.abs(off) > 6) mind.push(say`Near the limit: set it exactly before judging a lock or a speed.`);
    if (flux > 1.05)
      mind.push(say`The frequency here takes the volts down with it; the run capacitor is chosen for it too.`);
    if (va !== null) {
      const [least, most] = primaryOhms(wanted, va);
      rows.push(
        row(say`Take at least`, figure(1.5 * va, 'VA')),
        row(say`Primary ought to read`, between(least, most, 'Ω')),
      );
      if (ohm !== null && ohm > 20 * most)
        bad.push(say`Primary open: a thermal fuse under the wrap is the usual reason.`);
      if (ohm !== null && ohm < least / 3) bad.push(say`Primary far too low: shorted turns, or not the primary.`);
    }
    const verdict = bad.length > 0 ? say`not right` : Math.abs(off) > 6 ? say`near the limit` : say`right`;
    return { rows, says: [...bad, ...mind], verdict, expects: null };
  },
};

/** A zener and its feed. */
export const ZENER: Working = {
  id: 'zener',
  name: say`Zener and its feed resistor`,
  asks: say`What runs through the zener before and after another feed resistor?`,
  assumes: [say`The zener holds its volts from about 1 mA (common practice).`],
  fields: [
    number('supply', say`Supply`, 'V', { from: /supply|reservoir/ }),
    number('zener', say`Zener`, 'V', { from: /zener/ }),
    number('old', say`Feed resistor now`, 'Ω'),
    number('new', say`Feed resistor instead`, 'Ω', { optional: true }),
    number('load', say`Load beside the zener`, 'mA', { range: 'zero or more', usual: '0' }),
    number('rating', say`Zener rated`, 'W', { usual: '0.4' }),
  ],
  solve(given) {
    const [supply, zener, rating] = [given.number('supply'), given.number('zener'), given.number('rating')];
    if (supply <= zener) given.refuse('supply', say`The supply must stand over the zener’s volts.`);
    const says: string[] = [];
    const rows = (['old', 'new'] as const).flatMap((id) => {
      const ohm = given.optional(id);
      if (ohm === null) return [];
      const at = zenerAt(supply, zener, ohm, given.number('load') / 1000);
      const name = id === 'old' ? say`now` : say`instead`;
      if (at.amps < 1e-3) says.push(say`With ${figure(ohm, 'Ω')} it is starved: it no longer holds its volts.`);
      if (at.watts > rating) says.push(say`With ${figure(ohm, 'Ω')} it burns more than its rating.`);
      else if (at.watts > rating / 2) says.push(say`With ${figure(ohm, 'Ω')} it runs hot: over half of its rating.`);
      const burnt = (supply - zener) ** 2 / ohm;
      return [
        row(say`Zener ${name}`, `${figure(1000 * at.amps, 'mA')}, ${figure(1000 * at.watts, 'mW')}`),
        row(say`Resistor ${name}`, figure(burnt, 'W')),
      ];
    });
    return { rows, says, verdict: says.length === 0 ? say`right` : say`not right`, expects: null };
  },
};
