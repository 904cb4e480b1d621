/**
 * Electrical safety at hand-back: usual limits of in-service testing (EN 50678 and EN 50699, from memory; not valid
 * outside EN countries). They are a shop's own to change; local rules and a qualified tester decide.
 */
import { fixed, THIN } from '../../quantity/index.js';
import type { BenchEvent } from '../event.js';
import type { ProtectionClass, SafetyReading, SafetyReadingBody } from './body.js';
import { say } from '../../words/index.js';
import { CORD_M, CORD_STEP_M } from '../defaults.js';

/** Limits that a shop may change: ohm, megohm, mA. */
export interface SafetyLimits {
  /** Protective conductor with a cord up to five metres, ohm. */
  readonly earthOhm: number;
  /** More for each further 7.5 m begun, ohm. */
  readonly earthOhmPer: number;
  readonly earthOhmMost: number;
  readonly insulationMohm: Readonly<Record<ProtectionClass, number>>;
  readonly earthCurrentMa: number;
  readonly touchCurrentMa: number;
}

/** As usual in EN countries. */
export const USUAL_SAFETY_LIMITS: SafetyLimits = {
  earthOhm: 0.3,
  earthOhmPer: 0.1,
  earthOhmMost: 1,
  insulationMohm: { I: 1, 'I-heating': 0.3, II: 2, III: 0.25 },
  earthCurrentMa: 3.5,
  touchCurrentMa: 0.5,
};

/** What has to be read, in the usual order: look, earth, insulation, leakage. An earth that failed stops the rest. */
export function readingsOf(protection: ProtectionClass): readonly SafetyReading[] {
  if (protection === 'III') return ['insulation'];
  return protection === 'II' ? ['insulation', 'touch-current'] : ['earth', 'insulation', 'earth-current'];
}

/** The limit of a reading: the most for earth and currents, the least for insulation. */
export function safetyLimit(
  limits: SafetyLimits,
  reading: SafetyReading,
  protection: ProtectionClass,
  cordM: number,
): number {
  switch (reading) {
    case 'earth': {
      const more = Math.max(0, Math.ceil((cordM - CORD_M) / CORD_STEP_M)) * limits.earthOhmPer;
      return Math.min(limits.earthOhmMost, limits.earthOhm + more);
    }
    case 'insulation':
      return limits.insulationMohm[protection];
    case 'earth-current':
      return limits.earthCurrentMa;
    case 'touch-current':
      return limits.touchCurrentMa;
  }
}

/** Name, unit and how each is read. */
export const SAFETY_WORDS: Readonly<
  Record<SafetyReading, { readonly name: string; readonly unit: string; readonly how: string }>
> = {
  earth: {
    name: say`Earth path`,
    unit: 'Ω',
    how: say`Unplugged: earth pin of the plug to bare metal, wiggle the cord meanwhile.`,
  },
  insulation: {
    name: say`Insulation`,
    unit: 'MΩ',
    how: say`Unplugged, switch on: both mains pins together to earth or bare parts, 500 V d.c. (250 V with surge
      parts).`,
  },
  'earth-current': {
    name: say`Current in the earth`,
    unit: 'mA',
    how: say`With a tester made for it, at mains, switch on, both ways round of the plug.`,
  },
  'touch-current': {
    name: say`Touch current`,
    unit: 'mA',
    how: say`With a tester made for it, at mains, from every bare part, both ways round of the plug.`,
  },
};

/** Is the reading within its limit? More than the meter's range is enough for insulation, and too much for the others. */
export const safetyHolds = ({ reading, value, above, limit }: SafetyReadingBody): boolean =>
  reading === 'insulation' ? value >= limit : !above && value <= limit;

/** "Earth path 0.12 Ω, at most 0.3 Ω". */
export function safetyWords(body: SafetyReadingBody): string {
  const { name, unit } = SAFETY_WORDS[body.reading];
  const decimals = (value: number) => (value < 1 ? 2 : value < 10 ? 1 : 0);
  const shown = (value: number) => `${fixed(value, decimals(value))}${THIN}${unit}`;
  const bound = body.reading === 'insulation' ? say`at least` : say`at most`;
  return `${name} ${body.above ? 'above ' : ''}${shown(body.value)}, ${bound} ${shown(body.limit)}`;
}

/** Id of the check that is a look at cord, plug and case. */
export const SAFETY_LOOK = 'safety.look';

/**
 * What failed of the look, the earth path and the insulation and was not read better since: before that nothing is fed
 * at mains (order of EN 50678, from memory). Names in lower case, in that order.
 */
export function failedBefore(lines: readonly BenchEvent[]): string[] {
  const newest = new Map<string, { readonly name: string; readonly holds: boolean }>();
  for (const { body } of lines) {
    if (body.kind === 'proved' && body.checkId === SAFETY_LOOK)
      newest.set(SAFETY_LOOK, { name: body.name.toLowerCase(), holds: body.good });
    if (body.kind === 'safety-reading')
      newest.set(body.reading, { name: SAFETY_WORDS[body.reading].name.toLowerCase(), holds: safetyHolds(body) });
  }
  return [SAFETY_LOOK, 'earth', 'insulation'].flatMap((id) => {
    const found = newest.get(id);
    return found && !found.holds ? [found.name] : [];
  });
}
