/** A passed gate holds until something new is opened, mended or taken off, or for twelve hours. */
import { linesOf, type BenchEvent, type WorkBody } from '../event.js';
import { ledgerOf, openEnds } from '../ledger/index.js';
import { safetyHolds, safetyWords } from '../prove/safety.js';
import { NO_CIRCUIT, type GateBody, type GateTo } from './body.js';
import { say } from '../../words/index.js';
import { GATE_HOURS } from '../defaults.js';
export { GATE_HOURS } from '../defaults.js';

/** A gate in the log. */
export interface GatePass {
  readonly key: string;
  readonly at: string;
  readonly body: GateBody;
  /** What ended it, in words; null while only time can. */
  readonly brokenBy: string | null;
}

/** The newest gate of each kind among standing lines, in the order in which they were passed, with what broke it. */
export function gatePasses(lines: readonly BenchEvent[]): GatePass[] {
  const newest = new Map<GateTo, { index: number; key: string; at: string; body: GateBody }>();
  lines.forEach(({ key, enteredAt: at, body }, index) => {
    if (body.kind !== 'gate') return;
    newest.delete(body.to);
    newest.set(body.to, { index, key, at, body });
  });
  return [...newest.values()].map(({ index, key, at, body }) => ({
    key,
    at,
    body,
    brokenBy: breakerOf(lines, index, body),
  }));
}

/** Work since the last gate that was told of a short test, or that nothing of the circuit was touched. */
export function untestedWork(lines: readonly BenchEvent[]): WorkBody[] {
  const tested = lines.findLastIndex(
    ({ body }) => body.kind === 'gate' && (body.shortOhm !== null || body.confirmed.includes(NO_CIRCUIT)),
  );
  return linesOf(lines.slice(tested + 1), 'work').map(({ body }) => body);
}

function breakerOf(lines: readonly BenchEvent[], gateIndex: number, gate: GateBody): string | null {
  for (const { body } of lines.slice(gateIndex + 1)) {
    if (body.kind === 'step') return say`taken off since: ${body.what}`;
    if (body.kind === 'open-end') return say`opened since: ${body.what}`;
    if (body.kind === 'work') return say`worked on since: ${body.what}`;
    if (body.kind === 'safety-reading' && !safetyHolds(body)) return say`failed since: ${safetyWords(body)}`;
    if (body.kind === 'move') return say`begun since: ${body.name}`;
  }
  const accepted = new Set(gate.accepted.map((one) => one.key));
  const open = openEnds(ledgerOf(lines)).find((end) => !accepted.has(end.key));
  return open ? say`open again: ${open.end.what}` : null;
}

/** Whether the last gate still holds, and why not. */
export type GateHolds =
  { readonly holds: true; readonly until: string } | { readonly holds: false; readonly why: string };

/** May the unit go to `to` with one key at `now`? */
export function gateHolds(passes: readonly GatePass[], to: GateTo, now: Date): GateHolds {
  const pass = passes.find((one) => one.body.to === to);
  if (!pass) return { holds: false, why: say`not passed yet` };
  if (pass.brokenBy) return { holds: false, why: pass.brokenBy };
  const until = new Date(Date.parse(pass.at) + GATE_HOURS * 3_600_000);
  if (now > until) return { holds: false, why: say`passed more than ${GATE_HOURS} hours ago` };
  return { holds: true, until: until.toISOString() };
}
