/** Does this motor stand in for that one: what fits, what differs, and what the difference means. */
import { fixed, THIN } from '../quantity/index.js';
import { choice, number } from './fields.js';
import { percentOff, row } from './show.js';
import type { Given, Working, WorkingField, WorkingRow } from './working.js';
import { say } from '../words/index.js';
import { FIT_MM, TRIM_PERCENT, VOLTS_PERCENT } from './defaults.js';

const SENSES = ['clockwise', 'counter-clockwise'] as const;
const SIDES = ['shaft end', 'rear'] as const;
const GOVERNORS = ['none', 'inside', 'outside'] as const;

/** The sense seen from the shaft end: from the rear it looks the other way round. */
export function senseFromShaft(sense: (typeof SENSES)[number], side: (typeof SIDES)[number]): (typeof SENSES)[number] {
  if (side === 'shaft end') return sense;
  return sense === 'clockwise' ? 'counter-clockwise' : 'clockwise';
}

interface Match {
  readonly rows: WorkingRow[];
  readonly refused: string[];
  readonly differs: string[];
}

/** Fields of a candidate: what is kept of a motor on the shelf, so that it can be laid beside any that is wanted. */
const CANDIDATE = [
  number('newVolts', say`Candidate: rated`, 'V', { usual: '12' }),
  number('ceiling', say`Candidate: governor’s ceiling`, 'V', { optional: true }),
  number('newRpm', say`Candidate: speed`, 'rpm'),
  number('newPulley', say`Candidate: pulley`, 'mm', { optional: true }),
  choice('newSense', say`Candidate: turns`, SENSES, 'counter-clockwise'),
  choice('newSide', say`seen from (candidate)`, SIDES, 'shaft end'),
  choice('newGovernor', say`Candidate: governor`, GOVERNORS, 'inside'),
  number('newDiameter', say`Candidate: housing`, 'mm', { optional: true }),
  number('newShaft', say`Candidate: shaft`, 'mm', { optional: true }),
];

/** The candidate's fields, in their order. */
export const CANDIDATE_FIELDS: readonly WorkingField[] = CANDIDATE;

/** One motor for another. */
export const MOTOR_MATCH: Working = {
  id: 'motor-match',
  name: say`Does this motor stand in for that one?`,
  asks: say`The motor that belongs here, the one I have: what differs, and what does it mean?`,
  assumes: [
    say`A motor seen from the shaft end turns the other way than seen from behind: the face it is mounted by decides.`,
    say`A trim takes up about 8 %; a 12 V kind bears 13 to 14 V while its governor chip does (common practice).`,
    say`Swapped leads turn a bare brushed motor only; one with an electronic governor stands still or dies.`,
  ],
  fields: [
    number('volts', say`Belongs here: supply it gets`, 'V', { usual: '12' }),
    number('rpm', say`Belongs here: speed`, 'rpm', { usual: '2400' }),
    number('pulley', say`Belongs here: pulley`, 'mm', { optional: true }),
    choice('sense', say`Belongs here: turns`, SENSES, 'counter-clockwise'),
    choice('side', say`seen from`, SIDES, 'shaft end'),
    choice('governor', say`Belongs here: governor`, GOVERNORS, 'inside'),
    number('diameter', say`Belongs here: housing`, 'mm', { optional: true }),
    number('shaft', say`Belongs here: shaft`, 'mm', { optional: true }),
    ...CANDIDATE,
  ],
  solve(given) {
    const match: Match = { rows: [], refused: [], differs: [] };
    matchSense(given, match);
    matchSpeed(given, match);
    matchVolts(given, match);
    matchGovernor(given, match);
    matchSize(given, match);
    const { rows, refused, differs } = match;
    return {
      rows,
      verdict: refused.length > 0 ? say`does not fit` : differs.length > 0 ? say`fits with what is said` : say`fits`,
      says: [
        ...refused,
        ...differs,
        say`Mark plus and minus, check them before power; first power at low volts through a limit.`,
      ],
      expects: null,
    };
  },
};

function matchSense(given: Given, { rows, refused, differs }: Match): void {
  const wanted = senseFromShaft(given.choice('sense', SENSES), given.choice('side', SIDES));
  const has = senseFromShaft(given.choice('newSense', SENSES), given.choice('newSide', SIDES));
  rows.push(
    row(say`Turns, seen from the shaft end`, wanted === has ? say`${has}, as wanted` : say`${has}; wanted ${wanted}`),
  );
  if (wanted === has) return;
  if (given.text('newGovernor') === 'none')
    differs.push(say`It turns the wrong way on this face, but has no governor: swapped leads turn it round.`);
  else refused.push(say`It turns the wrong way on this face, and its governor forbids swapping the leads.`);
}

function matchSpeed(given: Given, { rows, refused, differs }: Match): void {
  const [pulley, newPulley] = [given.optional('pulley'), given.optional('newPulley')];
  const gear = pulley !== null && newPulley !== null ? newPulley / pulley : 1;
  const ratio = (given.number('newRpm') * gear) / given.number('rpm');
  const off = 100 * (ratio - 1);
  rows.push(row(gear === 1 ? say`Speed with the same pulley` : say`Speed with its own pulley`, percentOff(off)));
  if (Math.abs(off) <= 1) return;
  if (Math.abs(ratio - 0.5) < 0.03) refused.push(say`It reaches half of the speed only: 1⅞ in/s where 3¾ is due.`);
  else if (Math.abs(ratio - 2) < 0.12) refused.push(say`It runs at twice the speed: 3¾ in/s where 1⅞ is due.`);
  else if (Math.abs(off) <= TRIM_PERCENT) differs.push(say`${percentOff(off)} is within the reach of a trim.`);
  else {
    const needed = newPulley ?? pulley;
    const turned = needed === null ? '' : say` Its pulley would have to be ${fixed(needed / ratio, 2)}${THIN}mm.`;
    refused.push(say`${percentOff(off)} is more than a trim takes up.${turned}`);
  }
}

function matchVolts(given: Given, { rows, refused, differs }: Match): void {
  const [supply, rated, ceiling] = [given.number('volts'), given.number('newVolts'), given.optional('ceiling')];
  const over = 100 * (supply / rated - 1);
  rows.push(row(say`Supply over its rated volts`, percentOff(over)));
  if (ceiling !== null && supply > ceiling)
    refused.push(say`The supply stands over its governor’s ceiling of ${ceiling}${THIN}V.`);
  else if (over > 3 && ceiling !== null)
    differs.push(say`It runs ${percentOff(over)} over the rated volts but under the chip’s ceiling.`);
  else if (over > VOLTS_PERCENT) refused.push(say`It would run ${percentOff(over)} over its rated volts.`);
  else if (over > 3)
    differs.push(say`It runs ${percentOff(over)} over its rated volts: find its governor’s ceiling first.`);
  else if (over < -25) refused.push(say`Too few volts: its governor has nothing left to regulate with.`);
}

function matchGovernor(given: Given, { rows, refused, differs }: Match): void {
  const [wanted, has] = [given.choice('governor', GOVERNORS), given.choice('newGovernor', GOVERNORS)];
  rows.push(row(say`Governor`, wanted === has ? wanted : say`${has}; wanted ${wanted}`));
  if (wanted === has) return;
  if (wanted === 'inside')
    refused.push(say`The set relies on a governor inside the motor: without it nothing holds the speed.`);
  else if (has === 'inside')
    refused.push(say`Two governors in a row fight: the set’s own board must be left out, or another motor found.`);
  else differs.push(say`The governor sits elsewhere: pitch wires and board must be looked at.`);
}

function matchSize(given: Given, { rows, refused, differs }: Match): void {
  for (const [id, newId, name] of [
    ['diameter', 'newDiameter', 'housing'],
    ['shaft', 'newShaft', 'shaft'],
  ] as const) {
    const [wanted, has] = [given.optional(id), given.optional(newId)];
    if (wanted === null || has === null) continue;
    const more = has - wanted;
    rows.push(
      row(
        say`The ${name} is`,
        Math.abs(more) <= FIT_MM ? 'alike' : `${fixed(Math.abs(more), 1)}${THIN}mm ${more > 0 ? 'larger' : 'smaller'}`,
      ),
    );
    if (Math.abs(more) <= FIT_MM) continue;
    if (id === 'shaft')
      refused.push(say`The pulley does not sit on its shaft: bore or bush it, or take the candidate’s own.`);
    else if (more > 0) refused.push(say`The housing does not go in.`);
    else differs.push(say`The housing is smaller: it wants a ring so that it stands true.`);
  }
}
