/** Checks of speeds, of time, of the closed unit and of electrical safety. */
import { provingOf } from '../../families/index.js';
import { jobSpeeds } from '../job.js';
import type { CheckBound } from './check.js';
import { blocksBehind } from './disturb.js';
import { CLOSED } from './evidence.js';
import { confirmedModes } from './faultChecks.js';
import { readingsOf, SAFETY_WORDS } from './safety.js';
import type { Standing, Wanted } from './standing.js';
import { said, say } from '../../words/index.js';

/** Every speed at its rest; warm where the family warms up; cold as well where the fault was one of warmth; the ends of the pitch. */
export function speedChecks(standing: Standing): Wanted[] {
  const { job, path } = standing;
  const { warmMin } = provingOf(job.familyId);
  const speeds = jobSpeeds(job);
  const blocks = path?.speed ? blocksBehind(path, path.speed.signal) : 'all';
  const at = (
    id: string,
    name: string,
    how: string,
    bound: Omit<Extract<CheckBound, { kind: 'speed' }>, 'kind'>,
  ): Wanted => ({
    id,
    group: 'speed',
    name,
    how,
    bound: { kind: 'speed', ...bound },
    blocks,
  });
  const byHeat = confirmedModes(standing).some(({ mode }) => mode.rows.some((row) => '@heat' in row.when));
  const out = speeds.flatMap(({ id: speedId, label }) => [
    at(`speed.${speedId}`, label, say`Measure ${label}.`, { speedId, heat: null, pitch: null }),
    ...(byHeat
      ? [
          at(`speed.${speedId}.cold`, `${label}, cold`, say`Measure ${label} in the first five minutes.`, {
            speedId,
            heat: 'cold',
            pitch: null,
          }),
        ]
      : []),
    ...(warmMin === null
      ? []
      : [
          at(`speed.${speedId}.warm`, say`${label}, warm`, say`On for ${warmMin} minutes, then measure ${label}.`, {
            speedId,
            heat: 'warm',
            pitch: null,
          }),
        ]),
  ]);
  const [first] = speeds;
  const pitch = path?.blocks.find((block) => block.id === 'pitch' && !standing.gone.has('pitch'));
  if (!first || !pitch || path?.speed === null) return out;
  const ends = (['minus', 'plus'] as const).map((end) =>
    at(
      `pitch.${end}`,
      say`Pitch at ${said(end)}`,
      say`Pitch control at its ${said(end)} end, ${first.label}: measure.`,
      {
        speedId: first.id,
        heat: null,
        pitch: end,
      },
    ),
  );
  return [...out, ...ends];
}

/** The soak, and the starting volts where they were read before. */
export function enduranceChecks({ job, path, history, worked }: Standing): Wanted[] {
  if (!worked) return [];
  const { soakMin, soakHow } = provingOf(job.familyId);
  const blocks = path?.speed ? blocksBehind(path, path.speed.signal) : 'all';
  const soak: Wanted = {
    id: 'soak',
    group: 'endurance',
    name: say`Soak`,
    how: soakHow,
    bound: { kind: 'soak', minutes: soakMin },
    blocks,
  };
  const before = history.startVolts.some((one) => one.index < worked.index);
  const starts: Wanted = {
    id: 'start-volts',
    group: 'endurance',
    name: say`Starting volts`,
    how: say`Bring it up slowly through isolation again: it must not need more than before.`,
    bound: { kind: 'start-volts' },
    blocks,
  };
  return before ? [soak, starts] : [soak];
}

/** Words of an owner who hears something. */
const NOISY = /\b(?:nois|hum|buzz|rumbl|tick|click|knock|squeal|squeak|rattl|howl|grind|whin|scrap)/i;

/** The noise that was complained of, or kept in a clip before the work: compared, or listened to. */
export function noiseChecks({ job, clips, worked }: Standing): Wanted[] {
  if (!worked) return [];
  const kept = clips.some((one) => one.when === 'before');
  if (!kept && !NOISY.test(job.complaint)) return [];
  return [
    {
      id: 'noise',
      group: 'function',
      name: say`Noise`,
      how: kept
        ? say`The same support, distance and input as before: a clip of ten seconds.`
        : say`Listen as the owner did: is it gone? No clip was kept before the work.`,
      bound: { kind: kept ? 'noise' : 'look' },
      blocks: 'all',
    },
  ];
}

/** What was opened is checked once more when it is closed: a wire in the way shows only then. */
export function closedChecks({ job, lines }: Standing): Wanted[] {
  if (!lines.some(({ body }) => body.kind === 'step')) return [];
  const [first] = jobSpeeds(job);
  if (!first) return [];
  return [
    {
      id: CLOSED,
      group: 'closed',
      name: say`Closed, once more`,
      how: say`Lid on, every screw in: measure ${first.label} again.`,
      bound: { kind: 'speed', speedId: first.id, heat: null, pitch: null },
      blocks: 'all',
      closing: true,
      always: true,
    },
  ];
}

/** Looked at, its class, then what that class is read for. */
export function safetyChecks({ job, history }: Standing): Wanted[] {
  if (job.powerKind !== 'mains') return [];
  const one = (id: string, name: string, how: string, bound: CheckBound): Wanted => ({
    id: `safety.${id}`,
    group: 'safety',
    name,
    how,
    bound,
    blocks: 'all',
    closing: true,
    always: true,
    reasonLapses: true,
  });
  const look = one(
    'look',
    say`Looked at`,
    say`Cord, plug, strain relief, housing: whole, tight, nothing bare, the right fuse.`,
    { kind: 'look' },
  );
  const protection = history.classes.at(-1)?.body.protection;
  if (!protection)
    return [
      look,
      one('class', say`Its class`, say`An earth pin, or two squares one in the other? Say which.`, { kind: 'class' }),
    ];
  return [
    look,
    ...readingsOf(protection).map((reading) =>
      one(reading, SAFETY_WORDS[reading].name, SAFETY_WORDS[reading].how, { kind: 'safety', reading }),
    ),
  ];
}
