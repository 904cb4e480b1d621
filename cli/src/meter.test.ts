import { PRACTICE_MACHINES } from '@amber-gauge/core/practice';
import { spawn, type ChildProcess } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { gauge as ended, GAUGE } from './gauge.test-data.js';

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

interface Said {
  readonly value: number;
  readonly function: string;
  readonly error?: { readonly code: string; readonly message: string };
  readonly [more: string]: unknown;
}
const gauge = async (...args: string[]) => (await ended(...args)) as { status: number; json: Said };
const meter = (...args: string[]) => gauge('meter', ...args);

describe('gauge meter', () => {
  it('reads a stand-in at a sound machine, set to a function or as it stands', async () => {
    const at = await standIn('--machine', 'turntable-dc', '--at', 'board.V');
    const set = await meter('--at', at, '--read', 'volts-dc');
    expect(set.status).toBe(0);
    // The board of that machine is made for 12 V within 3 %.
    expect(set.json).toMatchObject({ function: 'volts-dc', unit: 'V', over: false });
    expect(Math.abs(set.json.value - 12)).toBeLessThan(0.5);
    expect((await meter('--at', at)).json.value).toBeCloseTo(set.json.value, 1);
  });

  it('at a machine with a fault reads what is there: nothing behind an open regulator', async () => {
    const at = await standIn('--machine', 'turntable-dc', '--broken', 'regulator-open');
    expect((await meter('--at', at, '--read', 'volts-dc')).json.value).toBe(0);
  });

  it.each([
    ['garbled', 'BAD_REPLY'],
    ['cut', 'CUT_OFF'],
    ['flood', 'TOO_MUCH'],
    ['unit', 'BAD_REPLY'],
    ['slow', 'NO_ANSWER'],
  ])('with one that is %s ends in plain words', async (fault, code) => {
    const at = await standIn('--fault', fault);
    const { status, json } = await meter('--at', at, '--read', 'volts-dc', '--wait', '1.5');
    expect([status, json.error?.code]).toEqual([2, code]);
  });

  it('speaks to no other machine unless told to, and says when nothing is there', async () => {
    expect((await meter('--at', '192.0.2.7:5025')).json.error?.code).toBe('NOT_ALLOWED');
    expect((await meter('--at', 'nonsense')).json.error?.code).toBe('BAD_ADDRESS');
    expect((await meter('--at', `127.0.0.1:${await freePort()}`)).json.error?.code).toBe('NO_INSTRUMENT');
    expect((await meter('--at', '127.0.0.1:5025', '--read', 'weight')).json.error?.code).toBe('USAGE');
  });
});

describe('other instruments', () => {
  it('a counter at the motor of a turntable gives its turns a second', async () => {
    const at = await standIn('--kind', 'counter', '--at', 'motor.rpm');
    const tacho = await standIn('--at', 'motor.rpm');
    const turns = (await meter('--at', tacho, '--read', 'volts-dc')).json.value;
    expect((await meter('--at', at)).json).toMatchObject({ function: 'frequency', unit: 'Hz' });
    expect(Math.abs((await meter('--at', at, '--read', 'frequency')).json.value / (turns / 60) - 1)).toBeLessThan(0.01);
  });

  it('a supply is set with its output off, on for the time said alone, and its limit holds a winding of some ohms', async () => {
    const at = await standIn('--kind', 'supply');
    const wish = ['--volts', '5', '--limit', '0.05'];
    expect((await gauge('supply', '--at', at, ...wish)).json).toMatchObject({ volts: 0, amps: 0, output: 'off' });
    const run = (await gauge('supply', '--at', at, ...wish, '--on', '0.2')).json;
    expect(run).toMatchObject({ amps: 0.05, limited: true, output: 'off' });
    const ohm = (await meter('--at', await standIn('--at', 'motor.ohm'), '--read', 'ohms')).json.value;
    expect(Math.abs((run.volts as number) / (0.05 * ohm) - 1)).toBeLessThan(0.02);
    expect((await gauge('supply', '--at', at, '--on', '1')).json.error?.code).toBe('USAGE');
    expect((await gauge('supply', '--at', at, ...wish, '--on', '900')).json.error?.code).toBe('USAGE');
    expect((await gauge('supply', '--at', at, '--volts', '400', '--limit', '1')).json.error?.code).toBe('BAD_COMMAND');
  });

  it('a trace of a pulse a turn is written as a table that the pulses are read from again', async () => {
    const dir = mkdtempSync(join(tmpdir(), 'gauge-'));
    const file = join(dir, 'trace.csv');
    const at = await standIn('--kind', 'scope', '--at', 'motor.rpm');
    expect((await gauge('scope', '--at', at, '--out', file)).json).toMatchObject({ points: 5000, peak_to_peak_V: 5 });
    const turns = (await meter('--at', await standIn('--at', 'motor.rpm'), '--read', 'volts-dc')).json.value;
    const { status, json } = await gauge('pulses', file, '--nominal-rpm', String(Math.round(turns)), '--per-turn', '1');
    expect(status, JSON.stringify(json)).toBe(0);
    expect(Math.abs((json.mean_rpm as number) / turns - 1)).toBeLessThan(0.01);
    // Ripple as the rectifier of the machine leaves it, with its own swing: five cycles of the mains.
    const machine = PRACTICE_MACHINES.find(({ id }) => id === 'turntable-dc');
    const swing = machine?.unit([], 1).moment()['reservoir.ripple.Vpp'] ?? NaN;
    const ripple = await standIn('--kind', 'scope', '--at', 'reservoir.ripple.Vpp');
    expect((await gauge('scope', '--at', ripple, '--out', file)).json).toMatchObject({
      points: 2000,
      interval_s: 5e-5,
      peak_to_peak_V: expect.closeTo(swing, 3),
    });
    expect((await gauge('scope', '--at', at, '--out', join(dir, 'no', 'where.csv'))).json.error?.code).toBe(
      'CANNOT_WRITE',
    );
  });
});
