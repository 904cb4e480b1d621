import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { gauge, started } from './gauge.test-data.js';

let dir: string;
beforeAll(() => (dir = mkdtempSync(join(tmpdir(), 'gauge-disc-'))));
afterAll(() => rmSync(dir, { recursive: true }));

describe('gauge disc', () => {
  it('writes a disc as SVG and PDF, says its rings, and refuses what cannot be', async () => {
    const out = join(dir, 'disc.svg');
    const made = await gauge('disc', '--mains', '50', '--rpm', '33.3333,45', '--out', out);
    expect(made.status).toBe(0);
    expect(made.json).toEqual({
      file: out,
      pages: 1,
      rings: [
        { nominal_rpm: 33.3333, bars: 180, residue_percent: expect.closeTo(0.0001, 4) as number },
        { nominal_rpm: 45, bars: 133, residue_percent: expect.closeTo(0.2506, 3) as number },
      ],
    });
    const svg = readFileSync(out, 'utf8');
    expect(svg).toContain('width="210mm" height="297mm"');
    // Both rings, the triangle and the arrow's head.
    expect(svg.match(/<polygon/g)).toHaveLength(180 + 133 + 2);
    const pdf = join(dir, 'strip.pdf');
    expect(started('disc', '--mains', '60', '--rpm', '45', '--strip', '250', '--out', pdf).out).toContain('160 bars');
    expect(readFileSync(pdf).subarray(0, 5).toString()).toBe('%PDF-');
    const refusal = async (...args: string[]) => {
      const { status, json } = await gauge('disc', ...args);
      expect(status).toBe(2);
      return (json.error as { code: string }).code;
    };
    expect(await refusal('--mains', '0', '--rpm', '45', '--out', out)).toBe('USAGE');
    expect(await refusal('--mains', '50', '--rpm', '1000000', '--out', out)).toBe('UNUSABLE');
    expect(await refusal('--mains', '50', '--rpm', '45', '--out', 'disc.txt')).toBe('USAGE');
    expect(await refusal('--mains', '50', '--rpm', '45', '--out', join(dir, 'no', 'where.svg'))).toBe('UNUSABLE');
  });
});

describe('gauge coach-score', () => {
  it('prints a row a case, the same for the same seed, within the goals', async () => {
    const { json } = await gauge('coach-score', '--runs', '40', '--seed', '5');
    const rows = json.rows as Record<string, unknown>[];
    expect(rows.map((row) => [row.watched, row.trims, row.runs, row.beyond_stop])).toEqual([
      ['live', 2, 40, 0],
      ['live', 3, 40, 0],
      ['typed', 2, 40, 0],
      ['typed', 3, 40, 0],
    ]);
    [4, 6, 8, 13].forEach((most, i) => expect(rows[i]?.median_moves).toBeLessThanOrEqual(most));
    expect((await gauge('coach-score', '--runs', '0')).status).toBe(2);
  });
});

const practice = (...args: string[]) => gauge('advice-score', '--units', 'practice', ...args);

describe('gauge advice-score --units practice', () => {
  it('plays the advice on machines that are physics: short, on one family: found, unharmed, and sooner than by the list', async () => {
    const { status, json } = await practice('--family', 'belt-turntable-ac', '--runs', '14', '--seed', '8');
    expect(status).toBe(0);
    const { families } = json as unknown as {
      families: { ways: Record<string, Record<string, number>>; best_minutes: number }[];
    };
    const [family] = families;
    if (!family) throw new Error('no family');
    const { engine, plain } = family.ways as { engine: Record<string, number>; plain: Record<string, number> };
    expect(engine.found_share).toBeGreaterThanOrEqual(0.9);
    expect(engine.harmed_share).toBe(0);
    expect(engine.minutes).toBeLessThan(plain.minutes ?? 0);
    expect(engine.minutes).toBeGreaterThan(family.best_minutes);
  });

  it('says which families there are, what its units may be, and with what the advice alone goes', async () => {
    expect((await practice('--family', 'steam-engine')).status).toBe(2);
    expect((await gauge('advice-score', '--engine-alone')).status).toBe(2);
    expect((await gauge('advice-score', '--units', 'dreams')).status).toBe(2);
  });
});
