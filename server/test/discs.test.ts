/** The disc as a PDF, measured in the made file. */
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { drawnOn, wordsOn } from './drawn.js';
import { harness, type Harness } from './harness.js';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const made = async (query: string) => {
  const { body } = await request(h.app)
    .get(`/api/v1/discs.pdf?${query}`)
    .buffer(true)
    .parse((res, done) => {
      const chunks: Buffer[] = [];
      res.on('data', (chunk: Buffer) => chunks.push(chunk));
      res.on('end', () => done(null, Buffer.concat(chunks)));
    })
    .expect(200)
    .expect('content-type', /application\/pdf/);
  return getDocument({ data: new Uint8Array(body as Buffer), verbosity: 0 }).promise;
};

describe('a disc as PDF', () => {
  it('is A4, has all 180 bars out to 93 mm, and a ruler of 100 mm', async () => {
    const document = await made('rpm=33.3333333333&lampHz=50&flashes=2&paper=A4&disc=190&hole=7.24');
    const page = await document.getPage(1);
    const { width, height } = page.getViewport({ scale: 1 });
    expect((width * 25.4) / 72).toBeCloseTo(210, 3);
    expect((height * 25.4) / 72).toBeCloseTo(297, 3);
    const drawn = await drawnOn(page);
    const bars = drawn.filter((one) => one.fill !== null && one.top < 205 && one.right - one.left < 10);
    // The triangle for counting and the arrow's head beside the 180.
    expect(
      bars.filter((one) => Math.hypot((one.left + one.right) / 2 - 105, (one.top + one.bottom) / 2 - 107) > 80),
    ).toHaveLength(181);
    expect(Math.max(...bars.map((one) => one.right))).toBeCloseTo(105 + 93, 1);
    const ruler = drawn.filter((one) => one.stroke !== null && one.top === one.bottom);
    expect(ruler.map((one) => one.right - one.left)).toContainEqual(expect.closeTo(100, 1));
    const words = (await wordsOn(page)).map((one) => one.text).join(' ');
    expect(words).toContain('180 bars');
    expect(words).toContain('Measure this: 100 mm');
  });

  it('refuses by name what cannot be', async () => {
    const asked = (query: string) => request(h.app).get(`/api/v1/discs.pdf?${query}`).expect(400);
    const fields = async (query: string) =>
      Object.keys(((await asked(query)).body as { error: { fields: object } }).error.fields);
    expect(await fields('rpm=0&lampHz=50&flashes=2&paper=A4&disc=190&hole=7')).toEqual(['speedsRpm']);
    expect(await fields('rpm=33&lampHz=0&flashes=2&paper=A4&disc=190&hole=7')).toEqual(['lampHz']);
    expect(await fields('rpm=33&lampHz=50&flashes=2&paper=A4&disc=400&hole=7')).toEqual(['discMm']);
    expect(await fields('rpm=33&lampHz=50&flashes=3&paper=A3&disc=400&hole=7')).toEqual(['disc']);
  });
});
