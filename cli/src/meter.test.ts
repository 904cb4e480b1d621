import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';

const GAUGE = join(import.meta.dirname, '../bin/gauge.mjs');
const running: ChildProcess[] = [];
afterAll(() => running.forEach((child) => child.kill()));

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo;
      server.close(() => resolve(port));
    });
  });
}

/** A stand-in that listens; its address. */
async function standIn(...more: string[]): Promise<string> {
  const port = await freePort();
  const child = spawn(process.execPath, [GAUGE, 'stand-in', '--port', String(port), ...more, '--json']);
  running.push(child);
  await new Promise<void>((resolve, reject) => {
    child.stdout.once('data', () => resolve());
    child.once('exit', (code) => reject(new Error(`the stand-in ended with ${code}`)));
  });
  return `127.0.0.1:${port}`;
}

function meter(...args: string[]) {
  const { status, stdout } = spawnSync(process.execPath, [GAUGE, 'meter', ...args, '--json'], { encoding: 'utf8' });
  return {
    status,
    json: JSON.parse(stdout) as { value: number; function: string; error?: { code: string; message: string } },
  };
}

describe('gauge meter', () => {
  it('reads a stand-in at a sound machine, set to a function or as it stands', async () => {
    const at = await standIn('--machine', 'turntable-dc', '--at', 'board.V');
    const set = meter('--at', at, '--read', 'volts-dc');
    expect(set.status).toBe(0);
    // The board of that machine is made for 12 V within 3 %.
    expect(set.json).toMatchObject({ function: 'volts-dc', unit: 'V', over: false });
    expect(Math.abs(set.json.value - 12)).toBeLessThan(0.5);
    expect(meter('--at', at).json.value).toBeCloseTo(set.json.value, 1);
  });

  it('at a machine with a fault reads what is there: nothing behind an open regulator', async () => {
    const at = await standIn('--machine', 'turntable-dc', '--broken', 'regulator-open');
    expect(meter('--at', at, '--read', 'volts-dc').json.value).toBe(0);
  });

  it.each([
    ['garbled', 'BAD_REPLY'],
    ['cut', 'CUT_OFF'],
    ['flood', 'TOO_MUCH'],
    ['unit', 'BAD_REPLY'],
    ['slow', 'NO_ANSWER'],
  ])('with one that is %s ends in plain words', async (fault, code) => {
    const at = await standIn('--fault', fault);
    const { status, json } = meter('--at', at, '--read', 'volts-dc', '--wait', '1.5');
    expect([status, json.error?.code]).toEqual([2, code]);
  });

  it('speaks to no other machine unless told to, and says when nothing is there', async () => {
    expect(meter('--at', '192.0.2.7:5025').json.error?.code).toBe('NOT_ALLOWED');
    expect(meter('--at', 'nonsense').json.error?.code).toBe('BAD_ADDRESS');
    expect(meter('--at', `127.0.0.1:${await freePort()}`).json.error?.code).toBe('NO_INSTRUMENT');
    expect(meter('--at', '127.0.0.1:5025', '--read', 'weight').json.error?.code).toBe('USAGE');
  });
});
