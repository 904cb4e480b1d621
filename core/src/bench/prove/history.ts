/** What the log holds for the proving plan: every piece of evidence with its place, gone through once. */
import { isLive, type BenchEvent, type SpeedBody } from '../event.js';
import type { AnswerBody } from '../find/body.js';
import type { TimerBody } from '../timers/body.js';
import { provokedKeys } from './trial.js';
import type { ClassBody, ProvedBody, SafetyReadingBody, UnprovedBody } from './body.js';

/** Something at its place among the standing lines. */
interface Placed<B> {
  readonly index: number;
  readonly key: string;
  readonly at: string;
  readonly body: B;
}

/** A speed reading with how long the unit had been on; null while nobody said that it was. */
export interface PlacedSpeed extends Placed<SpeedBody> {
  readonly onMin: number | null;
}

/** A timer that ran by itself, with its end and what interrupted it. */
export interface SoakRun extends Placed<TimerBody> {
  readonly end: { readonly index: number; readonly at: string; readonly how: 'stopped' | 'answered' } | null;
  /** When the power went off while it ran. */
  readonly interruptedAt: string | null;
}

/** Evidence of proving by kind, in order. */
export interface ProveHistory {
  readonly speeds: readonly PlacedSpeed[];
  readonly answers: readonly Placed<AnswerBody>[];
  readonly proved: readonly Placed<ProvedBody>[];
  readonly unproved: readonly Placed<UnprovedBody>[];
  readonly soaks: readonly SoakRun[];
  readonly classes: readonly Placed<ClassBody>[];
  readonly safety: readonly Placed<SafetyReadingBody>[];
  readonly startVolts: readonly Placed<{ readonly volts: number }>[];
  /** Trials that somebody only looked at, of a provocation. */
  readonly looked: readonly Placed<{ readonly block: string; readonly trial: string; readonly result: string }>[];
}

/** Goes through standing lines once. */
export function proveHistory(lines: readonly BenchEvent[]): ProveHistory {
  const out = nothing();
  const provoked = provokedKeys(lines);
  let onSince: number | null = null;
  lines.forEach(({ key, enteredAt: at, body }, index) => {
    const placed = <B>(one: B): Placed<B> => ({ index, key, at, body: one });
    switch (body.kind) {
      case 'power':
        if (isLive(body.state)) onSince ??= Date.parse(at);
        else {
          onSince = null;
          for (const soak of out.soaks) if (soak.end === null) soak.interruptedAt ??= at;
        }
        return;
      case 'speed':
        if (!provoked.has(key))
          out.speeds.push({ ...placed(body), onMin: onSince === null ? null : (Date.parse(at) - onSince) / 60_000 });
        return;
      case 'answer':
        out.answers.push(placed(body));
        return;
      case 'proved':
        out.proved.push(placed(body));
        return;
      case 'unproved':
        out.unproved.push(placed(body));
        return;
      case 'timer':
        if (body.timer === 'soak' || body.timer === 'run-in')
          out.soaks.push({ ...placed(body), end: null, interruptedAt: null });
        return;
      case 'timer-end': {
        const soak = out.soaks.find((one) => one.key === body.target);
        if (soak) soak.end ??= { index, at, how: body.how };
        return;
      }
      case 'protection-class':
        out.classes.push(placed(body));
        return;
      case 'safety-reading':
        out.safety.push(placed(body));
        return;
      case 'start-volts':
        out.startVolts.push(placed({ volts: body.volts }));
        return;
      case 'tried':
        out.looked.push(placed({ block: body.block, trial: body.trial, result: body.result }));
    }
  });
  return out;
}

const nothing = () => ({
  speeds: [] as PlacedSpeed[],
  answers: [] as Placed<AnswerBody>[],
  proved: [] as Placed<ProvedBody>[],
  unproved: [] as Placed<UnprovedBody>[],
  soaks: [] as { -readonly [K in keyof SoakRun]: SoakRun[K] }[],
  classes: [] as Placed<ClassBody>[],
  safety: [] as Placed<SafetyReadingBody>[],
  startVolts: [] as Placed<{ volts: number }>[],
  looked: [] as Placed<{ block: string; trial: string; result: string }>[],
});
