/** Whether a resistor, zener, switch, diode or transistor may stand in for another: by rule, each refusal named. */
import { choice, number } from './fields.js';
import { percentOff, row } from './show.js';
import type { Given, Working, WorkingRow } from './working.js';
import { say } from '../words/index.js';
import { INRUSH_TIMES, VALUE_PERCENT } from './defaults.js';

const KINDS = ['resistor', 'zener', 'switch', 'diode', 'transistor'] as const;
type Kind = (typeof KINDS)[number];
const LOADS = ['lamp or heater', 'motor or transformer', 'capacitors behind a rectifier'] as const;
const SAME = ['the same', 'another'] as const;

interface Found {
  readonly rows: WorkingRow[];
  readonly refused: string[];
  readonly differs: string[];
}

/** One part for another. */
export const SUBSTITUTE_PART: Working = {
  id: 'substitute-part',
  name: say`Does this part stand in for that one?`,
  asks: say`Resistor, zener, switch, diode or transistor: may mine go in?`,
  assumes: [
    say`Values of resistors and zeners within 5 %, watts, volts and amperes equal or more (common practice).`,
    say`A switch that breaks both poles stays one that does; for a motor or capacitors twice the amperes (common
      practice).`,
    say`A fusible or flameproof resistor is replaced by its own kind only.`,
  ],
  fields: [
    choice('kind', say`Part`, KINDS, 'resistor'),
    number('value', say`Fitted: value (Ω, of a zener V)`, '', { optional: true }),
    number('newValue', say`Candidate: value`, '', { optional: true }),
    number('volts', say`Fitted: rated volts`, 'V', { optional: true }),
    number('newVolts', say`Candidate: rated volts`, 'V', { optional: true }),
    number('amps', say`Fitted: rated amperes`, 'A', { optional: true }),
    number('newAmps', say`Candidate: rated amperes`, 'A', { optional: true }),
    number('watts', say`Fitted: rated watts`, 'W', { optional: true }),
    number('newWatts', say`Candidate: rated watts`, 'W', { optional: true }),
    number('poles', say`Fitted: poles`, '', { optional: true }),
    number('newPoles', say`Candidate: poles`, '', { optional: true }),
    choice('load', say`It switches`, LOADS, 'lamp or heater'),
    choice('type', say`Polarity and type (npn, n-channel, fusible) are`, SAME, 'the same'),
    choice('pins', say`Case and order of its pins are`, SAME, 'the same'),
  ],
  solve(given) {
    const kind = given.choice('kind', KINDS);
    const found: Found = { rows: [], refused: [], differs: [] };
    if (kind === 'resistor' || kind === 'zener') judgeValue(given, kind, found);
    for (const [id, name, rule] of ratingsOf(kind)) judgeRating(given, id, name, rule, found);
    if (kind === 'switch') judgeSwitch(given, found);
    if (given.text('type') !== 'the same')
      found.refused.push(say`Type rule: the same polarity and type, nothing else.`);
    if (given.text('pins') !== 'the same')
      found.differs.push(say`Its pins or case differ: bend and insulate them, check twice before power.`);
    const { rows, refused, differs } = found;
    return {
      rows,
      verdict: refused.length > 0 ? say`refused` : differs.length > 0 ? say`fits with what is said` : say`fits`,
      says: [...refused, ...differs],
      expects: null,
    };
  },
};

type Rating = readonly [id: 'volts' | 'amps' | 'watts', name: string, rule: string];
const VOLTS: Rating = ['volts', say`Volts`, say`Volts rule: equal or more, never less.`];
const AMPS: Rating = ['amps', say`Amperes`, say`Current rule: equal or more, never less.`];
const WATTS: Rating = ['watts', say`Watts`, say`Power rule: equal or more, never less.`];

const ratingsOf = (kind: Kind): readonly Rating[] =>
  kind === 'resistor'
    ? [WATTS, VOLTS]
    : kind === 'zener'
      ? [WATTS]
      : kind === 'transistor'
        ? [VOLTS, AMPS, WATTS]
        : [VOLTS, AMPS];

/** Both values of a pair, or what is still open. */
function pair(given: Given, id: string, newId: string, found: Found, name: string): readonly [number, number] | null {
  const [fitted, own] = [given.optional(id), given.optional(newId)];
  if (fitted !== null && own !== null) return [fitted, own];
  found.differs.push(say`${name}: not known of both, look it up first.`);
  return null;
}

function judgeValue(given: Given, kind: Kind, found: Found): void {
  const values = pair(given, 'value', 'newValue', found, say`Value`);
  if (!values) return;
  const off = 100 * (values[1] / values[0] - 1);
  found.rows.push(row(say`Value beside the fitted one`, percentOff(off)));
  if (Math.abs(off) > VALUE_PERCENT) found.refused.push(say`Value rule: a ${kind} within ${VALUE_PERCENT} %.`);
}

function judgeRating(given: Given, id: Rating[0], name: string, rule: string, found: Found): void {
  const values = pair(given, id, `new${id[0]?.toUpperCase()}${id.slice(1)}`, found, name);
  if (!values) return;
  const times = values[1] / values[0];
  found.rows.push(row(name, say`${Number(times.toPrecision(3))} times`));
  if (times < 1) found.refused.push(rule);
}

function judgeSwitch(given: Given, found: Found): void {
  const poles = pair(given, 'poles', 'newPoles', found, say`Poles`);
  if (poles && poles[1] < poles[0]) found.refused.push(say`Pole rule: what breaks both poles stays so.`);
  const [fitted, own] = [given.optional('amps'), given.optional('newAmps')];
  if (given.text('load') === 'lamp or heater' || fitted === null || own === null) return;
  if (own < INRUSH_TIMES * fitted)
    found.differs.push(say`Inrush: for this load take ${INRUSH_TIMES} times the amperes, or one rated for it.`);
}
