import { randomUUID } from 'node:crypto';
import { CHARGE_PLACE, type EventBody } from '@amber-gauge/core/bench';
import { PATHS } from '@amber-gauge/core/families';
import jsQR from 'jsqr';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { drawnOn, wordsOn } from './drawn.js';
import { harness, line, newJob, type Harness } from './harness.js';
import { pagesOf, pdfOf } from './papers.js';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

describe('the owner’s sheet', () => {
  it('says what was found and by what, what went in, what was shown and what was not, price and what is due', async () => {
    const wish = newJob({ speedIds: ['45'], make: 'Fyrtarn', complaint: 'slow when warm' });
    await request(h.app).post('/api/v1/jobs').send(wish).expect(201);
    const { number } = (await h.db('job').where({ id: wish.id }).first('number')) as { number: number };
    const answer = (testId: string, outcome: string, words: string): EventBody => ({
      kind: 'answer',
      testId,
      name: testId,
      outcome,
      words,
      value: null,
      unit: null,
    });
    const path = PATHS.get('belt-turntable-dc');
    const look = path?.tests.find((test) => test.id === 'belt-look');
    const bad = look?.outcomes.find((one) => !one.modes.includes('healthy'));
    if (!look || !bad) throw new Error('the family has no look at its belt');
    const charge: EventBody = {
      kind: 'reading',
      text: '',
      values: [3.3],
      unit: 'V',
      qualifier: 'dc',
      bound: 'exact',
      place: CHARGE_PLACE,
      speedId: null,
      condition: null,
      holdKey: null,
    };
    const bodies: EventBody[] = [
      charge,
      { kind: 'terms', worth: 180, price: 42.5, ceiling: 60, wantedBy: null },
      answer('belt-look', bad.id, bad.words),
      { kind: 'mended', repairId: 'new-belt', name: 'Fit a new belt' },
      { kind: 'work', action: 'replace', what: 'the belt' },
      { kind: 'unproved', checkId: 'soak', name: 'Soak', why: 'fetched early' },
      { kind: 'follow-up', why: 'trial', what: 'Ask how it runs', on: '2026-03-22' },
    ];
    await request(h.app)
      .post(`/api/v1/jobs/${wish.id}/events`)
      .send({ events: bodies.map((one) => line(one)) })
      .expect(201);
    const [lot, used] = [randomUUID(), randomUUID()];
    const at = '2026-03-01T09:30:00.000Z';
    const shelf = [
      {
        key: lot,
        at,
        body: {
          kind: 'lot',
          part: 'flat belt 200 mm',
          supplier: 'Fergebod',
          quantity: 3,
          price: 4,
          orderedOn: '2026-01-01',
          expectedOn: null,
          claimDays: 30,
          place: '',
        },
      },
      { key: used, at, body: { kind: 'used', lot, quantity: 1, job: number } },
    ];
    await request(h.app).post('/api/v1/shelf').send({ lines: shelf }).expect(201);
    const { text } = await pdfOf(wish.id, h.app);
    expect(text).toContain('What was wrong slow when warm');
    expect(text).toMatch(/What was found Belt [a-z, ]+/);
    expect(text).toContain(`belt-look: ${bad.words}`);
    expect(text).toContain('Parts that went in 1 × flat belt 200 mm, from Fergebod');
    expect(text).toMatch(/Not proved .*Soak fetched early/);
    expect(text).toContain('Come again 2026-03-22: Ask how it runs');
    expect(text).toMatch(/Price 42[.,]50\s?EUR/);
    // Charge that was left is a working reading.
    expect(text).not.toContain('3.3');
  });
});

describe('the bench sheet', () => {
  it('says what was read at test points after the work, and not what was read before it or left of a charge', async () => {
    const wish = newJob({ speedIds: ['45'], make: 'Vardehus' });
    await request(h.app).post('/api/v1/jobs').send(wish).expect(201);
    const volts = (place: string, value: number): EventBody => ({
      kind: 'reading',
      text: '',
      values: [value],
      unit: 'V',
      qualifier: 'dc',
      bound: 'exact',
      place,
      speedId: null,
      condition: null,
      holdKey: null,
    });
    const place =
      PATHS.get('belt-turntable-dc')?.signals.find((one) => one.measure?.unit === 'V')?.measure?.place ?? '';
    const events = [
      volts(place, 7.11),
      { kind: 'work', action: 'clean', what: 'the selector' } as const,
      volts(place, 12.34),
      volts(CHARGE_PLACE, 0.77),
    ];
    const lines = events.map((body, i) => line(body, { enteredAt: `2026-03-01T09:0${i}:00.000Z` }));
    await request(h.app).post(`/api/v1/jobs/${wish.id}/events`).send({ events: lines }).expect(201);
    const { text } = await pdfOf(wish.id, h.app, 'bench-sheet');
    expect(text).toContain('Cleaned the selector');
    expect(text).toContain('12.34');
    for (const stray of ['7.11', '0.77']) expect(text).not.toContain(stray);
    // Its columns on a page of 210 mm: what, 62 mm on the value, 142 mm on the day; the number 120 mm on.
    const [page] = (await pagesOf(wish.id, h.app, 'bench-sheet')).pages;
    if (!page) throw new Error('no page');
    const words = await wordsOn(page);
    const edge = Math.min(...words.map(({ x }) => x));
    const find = (said: RegExp) => words.find((one) => said.test(one.text));
    expect((find(/^Bench sheet/)?.x ?? 0) - edge).toBeCloseTo(120, 1);
    expect((find(/12\.34/)?.x ?? 0) - edge).toBeCloseTo(62, 1);
    expect((find(/2026-03-01|01\.03\.2026|1 Mar/)?.x ?? 0) - edge).toBeCloseTo(142, 1);
    for (const { text: said, x, width } of words) expect(x + width, said).toBeLessThanOrEqual(210 - edge + 0.5);
  });
});

describe('the sticker', () => {
  it('carries a code that opens the job: drawn in the file, read back by a library', async () => {
    const wish = newJob();
    const { body: job } = await request(h.app).post('/api/v1/jobs').send(wish).expect(201);
    const answer = await request(h.app)
      .get(`/api/v1/jobs/${job.id}/sticker.pdf`)
      .set('host', '127.0.0.1:4747')
      .buffer(true)
      .parse((res, done) => {
        const parts: Buffer[] = [];
        res.on('data', (part: Buffer) => parts.push(part));
        res.on('end', () => done(null, Buffer.concat(parts)));
      });
    const doc = await getDocument({ data: new Uint8Array(answer.body as Buffer) }).promise;
    const page = await doc.getPage(1);
    const { width, height } = page.getViewport({ scale: 1 });
    expect([width, height].map((one) => Math.round((one * 25.4) / 72))).toEqual([62, 29]);
    const marks = (await drawnOn(page)).filter(({ fill }) => fill === '#000000');
    const dots = 20;
    const side = 29 * dots;
    const pixels = new Uint8ClampedArray(side * side * 4).fill(255);
    for (const { left, right, top, bottom } of marks)
      for (let y = Math.round(top * dots); y < Math.round(bottom * dots); y++)
        for (let x = Math.round(left * dots); x < Math.round(right * dots); x++)
          pixels.fill(0, 4 * (y * side + x), 4 * (y * side + x) + 3);
    expect(jsQR(pixels, side, side)?.data).toBe(`http://127.0.0.1:4747/job/${job.id}`);
    const words = await wordsOn(page);
    expect(words.map(({ text }) => text).join(' ')).toContain(String(job.number).padStart(4, '0'));
    // Beside the code, inside of the label: the code ends at 27 mm, the label at 62 by 29.
    expect(Math.max(...marks.map(({ right }) => right))).toBeLessThanOrEqual(27.01);
    expect(Math.min(...marks.map(({ left, top }) => Math.min(left, top)))).toBeGreaterThanOrEqual(2);
    for (const { text: said, x, y, width: wide } of words) {
      expect(x, said).toBeCloseTo(30, 1);
      expect(x + wide, said).toBeLessThanOrEqual(60.01);
      expect(y, said).toBeGreaterThan(3);
      expect(y, said).toBeLessThan(29);
    }
    // The number at arm's length: 18 points, what it is 8, the shop 7 and at the foot.
    const heights = (await page.getTextContent()).items.flatMap((item) =>
      'str' in item && item.str.trim() !== '' ? [Math.round(item.height)] : [],
    );
    expect(heights[0]).toBe(18);
    expect(new Set(heights.slice(1, -1))).toEqual(new Set([8]));
    expect(heights.at(-1)).toBe(7);
    expect(words.at(-1)?.y).toBeGreaterThan(21);
  });
});
