import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';

let dir: string;
beforeAll(() => (dir = mkdtempSync(join(tmpdir(), 'gauge-disc-'))));
afterAll(() => rmSync(dir, { recursive: true }));

function gauge(...args: string[]) {
  const { status, stdout } = spawnSync(process.execPath, [join(import.meta.dirname, '../bin/gauge.mjs'), ...args], {
    encoding: 'utf8',
  });
  return { status, out: stdout, json: () => JSON.parse(stdout) as Record<string, unknown> };
}

describe('gauge disc', () => {
  it('writes a disc as SVG and PDF, says its rings, and refuses what cannot be', () => {
    const out = join(dir, 'disc.svg');
    const made = gauge('disc', '--mains', '50', '--rpm', '33.3333,45', '--out', out, '--json');
    expect(made.status).toBe(0);
    expect(made.json()).toEqual({
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
    expect(gauge('disc', '--mains', '60', '--rpm', '45', '--strip', '250', '--out', pdf).out).toContain('160 bars');
    expect(readFileSync(pdf).subarray(0, 5).toString()).toBe('%PDF-');
    const refused = (...args: string[]) => gauge('disc', ...args, '--json');
    expect(refused('--mains', '0', '--rpm', '45', '--out', out).status).toBe(2);
    expect(refused('--mains', '50', '--rpm', '1000000', '--out', out).json()).toMatchObject({
      error: { code: 'UNUSABLE' },
    });
    expect(refused('--mains', '50', '--rpm', '45', '--out', 'disc.txt').json()).toMatchObject({
      error: { code: 'USAGE' },
    });
    expect(refused('--mains', '50', '--rpm', '45', '--out', join(dir, 'no', 'where.svg')).json()).toMatchObject({
      error: { code: 'UNUSABLE' },
    });
  });
});

describe('gauge coach-score', () => {
  it('prints a row a case, the same for the same seed, within the goals', () => {
    const rows = (
      gauge('coach-score', '--runs', '40', '--seed', '5', '--json').json() as { rows: Record<string, unknown>[] }
    ).rows;
    expect(rows.map((row) => [row.watched, row.trims, row.runs, row.beyond_stop])).toEqual([
      ['live', 2, 40, 0],
      ['live', 3, 40, 0],
      ['typed', 2, 40, 0],
      ['typed', 3, 40, 0],
    ]);
    [4, 6, 8, 13].forEach((most, i) => expect(rows[i]?.median_moves).toBeLessThanOrEqual(most));
    expect(gauge('coach-score', '--runs', '0', '--json').status).toBe(2);
  });
});
