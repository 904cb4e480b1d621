import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../src/app.js';
import { printers } from '../src/features/sheet/printers.js';
import type { EventBody } from '@amber-gauge/core/bench';
import type { Printer } from '../src/features/sheet/printed.js';
import { drawnOn, wordsOn } from './drawn.js';
import { pagesOf, pdfOf } from './papers.js';
import { harness, type Harness, line, newJob, note, sent } from './harness.js';

let h: Harness;
beforeAll(async () => {
  h = await harness({ demo: true });
});
afterAll(() => h.close());

describe('the sheet as PDF', () => {
  it('is A4, carries its fonts and says what the model says', async () => {
    const job = await h.db('job').where({ number: 142 }).first();
    const { text, size, raw, pages } = await pdfOf(job.id, h.app);
    expect([size?.width, size?.height].map(Math.round as (v: unknown) => number)).toEqual([595, 842]);
    expect(raw).toMatch(/FontFile[23]/);
    expect(text).toContain('Job 0142');
    expect(text).toContain('+2.41');
    expect(text).toContain('+0.12');
    expect(text).toContain('right');
    expect(text).toContain('Cleaned capstan, pinch roller and belt path');
    expect(pages).toBeLessThanOrEqual(2);
    expect(text).toMatch(/page 1 of [12]/);
  });

  it('breaks pages for a long log and loses nothing', async () => {
    const wish = newJob({ make: 'Lang', complaint: 'x '.repeat(300) });
    await request(h.app).post('/api/v1/jobs').send(wish);
    const events = Array.from({ length: 90 }, (_, i) => line(note(`remark number ${i} with Ω and 33⅓`)));
    await sent(h.app, wish.id, events).expect(201);
    expect((await pdfOf(wish.id, h.app)).text).not.toContain('remark number');
    const chosen: EventBody = { kind: 'sheet', photos: [], notes: events.map(({ key }) => key), watch: 'a squeal' };
    await sent(h.app, wish.id, [line(chosen)]).expect(201);
    const { text, pages } = await pdfOf(wish.id, h.app);
    expect(text).toContain('What to watch a squeal');
    expect(pages).toBeGreaterThan(2);
    for (let i = 0; i < 90; i++) expect(text).toContain(`remark number ${i} with`);
    expect(text.replaceAll(' ', '')).toContain('Ωand33⅓');
  });
});

describe('the ribbon in the PDF', () => {
  const speed = (errorPercent: number): EventBody => ({
    kind: 'speed',
    text: '',
    speedId: '45',
    method: 'tone-recording',
    turned: true,
    errorPercent,
    expandedPercent: 0.1,
    referenceIncluded: true,
    wowPeakPercent: 0.1,
    rpm: 45 * (1 + errorPercent / 100),
    sourceName: null,
    runId: null,
    condition: null,
  });

  it('has every mark and every figure where the rule of the scale puts it', async () => {
    const limits = { use: 'agreed', lowerPercent: -1, upperPercent: 1.5, origin: { kind: 'practice', text: 'agreed' } };
    const wish = newJob({ speedIds: ['45'], tolerance: limits });
    await request(h.app).post('/api/v1/jobs').send(wish).expect(201);
    const events = [line(speed(-3)), line({ kind: 'work', action: 'adjust', what: 'the 45 trim' }), line(speed(0.1))];
    await sent(h.app, wish.id, events).expect(201);
    const { pages } = await pagesOf(wish.id, h.app);
    const page = pages[0] as (typeof pages)[0];
    const drawn = await drawnOn(page);
    const words = await wordsOn(page);
    // The sheet's margin is 20 mm; the rest is asinh(2 u) / asinh(80) of 170 mm, each side in its own limit.
    const top = drawn.find(({ fill }) => fill === '#fbe6b8')?.top ?? 0;
    const box = (fill: string | null, stroke: string | null, left: number, right: number) =>
      drawn.some((one) => one.fill === fill && one.stroke === stroke && one.left === left && one.right === right);
    const INK = '#221c15';
    expect(drawn).toContainEqual({
      fill: '#fbe6b8',
      stroke: null,
      left: 80.82,
      right: 129.18,
      top,
      bottom: expect.closeTo(top + 8, 1),
      line: expect.any(Number),
    });
    expect(box('#ffffff', INK, 62.67, 63.87), 'as found, hollow').toBe(true);
    expect(box(INK, null, 106.63, 107.83), 'as left, solid').toBe(true);
    expect(box(INK, null, 105, 109.41), 'wow as left').toBe(true);
    expect(box(null, INK, 62.73, 63.83), 'bracket as found').toBe(true);
    expect(box(null, INK, 105, 109.41), 'bracket as left').toBe(true);
    expect(box(null, INK, 64.27, 104.63), 'arrow').toBe(true);
    expect(box(INK, null, 104.63, 106.23), 'its head, at the end of as left').toBe(true);
    // Thin lines and ticks a quarter of a millimetre, edges of what is right and what was found a half.
    const lines = (stroke: string) =>
      new Set(
        drawn.filter((one) => one.stroke === stroke && one.top < top + 14 && one.bottom > top).map(({ line }) => line),
      );
    expect(lines(INK)).toEqual(new Set([0.25, 0.5]));
    expect([...lines('#b26a00')]).toContain(0.5);
    for (const x of [20, 31.61, 43.21, 54.79, 69.92, 80.82, 129.18, 140.08, 155.21, 166.79, 178.39, 190])
      expect(box(null, INK, x, x), `tick at ${x}`).toBe(true);
    const under = words.filter(({ y }) => Math.abs(y - (top + 13)) < 0.1);
    expect(under.map(({ text, x, width }) => [text, Math.round(x + width / 2)])).toEqual([
      ['45', 105],
      ['−20', 32],
      ['−5', 55],
      ['−1', 81],
      ['+1.5', 129],
      ['+7.5', 155],
      ['+30', 178],
    ]);
    const said = words.map(({ text }) => text).join(' ');
    expect(said).toContain('−3.00 ± 0.10 % +0.10 ± 0.10 % slow, not right yet right');
    expect(said).toContain('Tolerance −1.0 to +1.5 % for agreed');
    expect(said).toContain('Adjusted the 45 trim');
  });
});

describe('sheets drawn in a thread of their own', () => {
  const built = new URL('../dist/printed.mjs', import.meta.url);
  const quiet = pino({ level: 'silent' });
  const printing = (print: Printer) =>
    createApp({ db: h.db, now: () => new Date(), logger: quiet, pageDir: null, print });

  it('are the same, and leave this one free', async () => {
    const pool = printers(built, quiet);
    const app = printing(pool.print);
    const job = await h.db('job').where({ number: 142 }).first();
    expect((await pdfOf(job.id, app)).text).toBe((await pdfOf(job.id, h.app)).text);
    await pool.stop();
  });

  it('say that the server is busy when too many wait, and that one failed when it failed', async () => {
    const id = (await h.db('job').where({ number: 142 }).first()).id;
    const ask = async (module: URL, count: number) => {
      const pool = printers(module, quiet);
      const app = printing(pool.print);
      const answers = await Promise.all(
        Array.from({ length: count }, () => request(app).get(`/api/v1/jobs/${id}/sheet.pdf`)),
      );
      await pool.stop();
      return answers;
    };
    const dir = mkdtempSync(join(tmpdir(), 'amber-gauge-printers-'));
    const moduleOf = (name: string, source: string) => {
      writeFileSync(join(dir, name), `export default ${source}`);
      return pathToFileURL(join(dir, name));
    };
    const slow = moduleOf('slow.mjs', '() => new Promise((done) => setTimeout(() => done(new Uint8Array(3)), 300))');
    const many = await ask(slow, 12);
    expect(many.filter(({ status }) => status === 200).length).toBeGreaterThanOrEqual(3);
    expect(many.filter(({ status }) => status === 503).length).toBeGreaterThanOrEqual(1);
    expect(many.every(({ status }) => status === 200 || status === 503)).toBe(true);
    expect(many.find(({ status }) => status === 503)?.headers['retry-after']).toBe('2');
    const broken = moduleOf('broken.mjs', '() => { throw new Error("no ink") }');
    expect((await ask(broken, 1))[0]?.status).toBe(500);
    // A thread that dies takes its sheet with it and nothing else.
    const dead = moduleOf('dead.mjs', '() => process.exit(3)');
    expect((await ask(dead, 1))[0]?.status).toBe(500);
    rmSync(dir, { recursive: true });
  });
});
