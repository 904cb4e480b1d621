/** Storing a run: once, whatever was lost on the way; by hand it is a line of the log even without a server. */
import 'fake-indexeddb/auto';
import type { NewRun } from '@amber-gauge/contract';
import { familyOf } from '@amber-gauge/core/families';
import { runOfStopwatch, stopwatch, type SpeedRun } from '@amber-gauge/core/speed';
import { afterEach, describe, expect, it } from 'vitest';
import { allEntries, removeEntry } from '../../shared/outbox/store.js';
import { answering } from '../../test/scene.js';
import { storeInJob, storeRun } from './storeRun.js';
import { withoutFile, type Measured } from './ways/way.js';

const family = familyOf('belt-turntable-dc');
const speed = family.speeds.find(({ id }) => id === '33') as (typeof family.speeds)[number];
/** Ten turns in 18.18 s are 33.003 a minute. */
const timed = (): SpeedRun =>
  runOfStopwatch(
    stopwatch(
      Array.from({ length: 11 }, (_, i) => i * 1.818),
      1,
    ),
    100 / 3,
  ) as SpeedRun;
const JOB_ID = '11111111-1111-4111-8111-111111111111';
const bodies = async () => (await allEntries()).map(({ event }) => event.body);
const echo = (_url: string, body: unknown) => ({ ...(body as NewRun), demo: false, hasRecording: false });

afterEach(async () => {
  for (const entry of await allEntries()) await removeEntry(entry.event.key);
});

describe('a run', () => {
  it('stored again after its answer was lost is the same run, of the same moment', async () => {
    let lost = true;
    const sent = answering({
      '/runs': (url: string, body: unknown) => {
        if (!lost) return echo(url, body);
        lost = false;
        return new Response('cut off');
      },
    });
    const measured = withoutFile(timed(), 'timed');
    await expect(storeRun(measured, null)).rejects.toThrow('does not fit');
    // Answered meanwhile that it is right, it is what was measured then.
    const kept = await storeRun({ ...measured, answered: true }, null);
    const [first, second] = sent.map(({ body }) => body as NewRun);
    expect(second).toEqual(first);
    expect(kept.id).toBe(first?.id);
    const other = await storeRun(withoutFile(timed(), 'timed'), null);
    expect(other.id).not.toBe(kept.id);
  });

  it('its recording follows it, as it was', async () => {
    const sent = answering({
      '/runs': (url: string, body: unknown) => (url === '/runs' ? echo(url, body) : echo(url, sent[0]?.body)),
    });
    const recording = new File(['RIFF'], 'a.wav');
    const measured: Measured = { ...withoutFile(timed(), 'a.wav'), recording, sha256: 'f'.repeat(64), fileBytes: 4 };
    const kept = await storeRun(measured, null);
    expect(sent.map(({ url, method }) => [url, method])).toEqual([
      ['/runs', 'POST'],
      [`/runs/${kept.id}/recording`, 'PUT'],
    ]);
    expect(sent[1]?.body).toBe(recording);
  });
});

describe('a run of a job', () => {
  it('is a line of its log that points to it', async () => {
    const sent = answering({ '/runs': echo, '/jobs': () => new Response('', { status: 503 }) });
    await storeInJob(withoutFile(timed(), 'timed'), JOB_ID, speed, 'take-in', { pitch: 'plus' } as never);
    const [body] = await bodies();
    expect(body).toMatchObject({
      kind: 'speed',
      speedId: '33',
      turned: true,
      pitch: 'plus',
      runId: (sent[0]?.body as NewRun).id,
    });
    const error = body?.kind === 'speed' ? body.errorPercent : null;
    // 60 / 1.818 = 33.0033; over 33⅓: −0.99 %.
    expect(error).toBeCloseTo(-0.99, 2);
    expect((sent[0]?.body as NewRun).jobId).toBe(JOB_ID);
  });

  it('by hand while the server is away is a line without the run; a recording is not lost but waits', async () => {
    answering({});
    await storeInJob(withoutFile(timed(), 'timed'), JOB_ID, speed, 'take-in', {} as never);
    expect(await bodies()).toMatchObject([{ kind: 'speed', runId: null, sourceName: 'timed' }]);
    const tone = { ...timed(), detail: { way: 'pulses' } } as unknown as SpeedRun;
    await expect(storeInJob(withoutFile(tone, 'pulses'), JOB_ID, speed, 'take-in', {} as never)).rejects.toThrow();
    expect(await bodies()).toHaveLength(1);
  });

  it('that the server refuses is no line, by hand or not', async () => {
    answering({
      '/runs': () => Response.json({ error: { code: 'UNKNOWN_REFERENCE', message: 'No such job.' } }, { status: 400 }),
    });
    await expect(storeInJob(withoutFile(timed(), 'timed'), JOB_ID, speed, 'take-in', {} as never)).rejects.toThrow(
      'No such job.',
    );
    expect(await bodies()).toEqual([]);
  });
});
