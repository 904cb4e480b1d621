import { randomUUID } from 'node:crypto';
import { createServer, type AddressInfo, type Server } from 'node:net';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  standInMeter,
  standInScope,
  standInSupply,
  type StandIn,
  type StandInFault,
} from '@amber-gauge/core/instruments';
import { harness, type Harness } from './harness.js';

let h: Harness;
const servers: Server[] = [];
beforeAll(async () => {
  h = await harness();
});
afterAll(async () => {
  for (const server of servers) server.close();
  await h.close();
});

/** What listens there, and all that was ever said to it. */
async function listening(make: () => StandIn): Promise<{ address: string; said: string[] }> {
  const said: string[] = [];
  const server = createServer((socket) => {
    const made = make();
    socket.setEncoding('latin1');
    socket.on('error', () => undefined);
    socket.on('data', (data) => {
      for (const line of String(data).split('\n').filter(Boolean)) {
        said.push(line);
        const answer = made(line);
        if (!answer) continue;
        setTimeout(() => (answer.close ? socket.end(answer.text) : socket.write(answer.text)), answer.afterMs).unref();
      }
    });
  });
  servers.push(server);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return { address: `127.0.0.1:${(server.address() as AddressInfo).port}`, said };
}

/** A meter with 5.02 V at its probes, and 47 Ω. */
const meterAt = (fault: StandInFault = 'none') =>
  listening(() => standInMeter((of) => (of === 'ohms' ? 47 : of === 'volts-dc' ? 5.02 : null), fault));

async function setUp(fields: object) {
  const { version } = (await request(h.app).get('/api/v1/settings').expect(200)).body;
  return request(h.app).patch('/api/v1/settings').send({ version, fields });
}

async function instrument(address: string, more: object = {}): Promise<string> {
  const id = randomUUID();
  await setUp({ instruments: [{ id, kind: 'meter', name: 'Bench meter', address, ...more }] }).then(({ status }) =>
    expect(status).toBe(200),
  );
  return id;
}

const read = (id: string, more: object = {}) =>
  request(h.app)
    .post('/api/v1/instruments/reading')
    .send({ id, wanted: 'volts-dc', trigger: false, ...more });

describe('instruments on the network', () => {
  it('the present reading comes with its function, after the instrument said who it is', async () => {
    const { address, said } = await meterAt();
    const id = await instrument(address);
    const { body } = await read(id).expect(200);
    expect(body).toEqual({ name: 'Bench meter', function: 'volts-dc', unit: 'V', value: 5.02 });
    expect(said).toEqual(['*IDN?', '*CLS', 'CONF?', 'READ?', 'SYST:ERR?']);
  });

  it('its own trigger gives the reading, and it is left as it was', async () => {
    const { address, said } = await meterAt();
    const { body } = await read(await instrument(address), { trigger: true }).expect(200);
    expect(body.value).toBe(5.02);
    expect(said.slice(2)).toEqual(['CONF?', 'TRIG:SOUR EXT', 'INIT', 'FETC?', 'TRIG:SOUR IMM', 'SYST:ERR?']);
  });

  it('a meter on another function than is asked for gives nothing, by name', async () => {
    const { address, said } = await meterAt();
    const { body } = await read(await instrument(address), { wanted: 'ohms' }).expect(422);
    expect(body.error.fields.instrument).toBe('The meter stands on d.c. volts; ohms are asked for. Nothing was taken.');
    expect(said).not.toContain('READ?');
  });

  it.each([
    ['garbled', /which is no number/],
    ['cut', /closed the line in the middle/],
    ['flood', /sends without end/],
    ['unit', /which is no number/],
    ['wrong-function', /stands on ohms/],
  ] as const)('one that is %s gives nothing, in a sentence, and serves again', async (fault, words) => {
    const { address } = await meterAt(fault);
    const id = await instrument(address);
    expect((await read(id).expect(422)).body.error.fields.instrument).toMatch(words);
    // Nothing hangs on: the next question is answered as the first was.
    expect((await read(id).expect(422)).body.error.fields.instrument).toMatch(words);
  });

  it('one that is off is said to be, and one not in Set-up any more as well', async () => {
    const id = await instrument('127.0.0.1:1099');
    expect((await read(id).expect(422)).body.error.fields.instrument).toMatch(
      /No instrument was reached at 127.0.0.1:1099/,
    );
    expect((await read(randomUUID()).expect(422)).body.error.fields.id).toMatch(/not in Set-up any more/);
  });

  it('two questions at once: the second waits for nothing and is told so', async () => {
    const { address } = await meterAt('slow');
    const id = await instrument(address);
    const slow = read(id)
      .timeout({ response: 400 })
      .catch(() => null);
    await new Promise((resolve) => setTimeout(resolve, 150));
    expect((await read(id).expect(422)).body.error.fields.instrument).toMatch(/being read already/);
    await slow;
    // The page went away: the line is free again.
    await expect
      .poll(async () => (await request(h.app).post('/api/v1/instruments/try').send({ address })).status, {
        timeout: 4000,
      })
      .toBe(200);
  });

  it('tried out before it is kept: who it is', async () => {
    const { address } = await meterAt();
    const { body } = await request(h.app).post('/api/v1/instruments/try').send({ address }).expect(200);
    expect(body).toEqual({ maker: 'AMBER GAUGE', model: 'STAND-IN METER', serial: '0000', version: '1.0' });
  });

  it('addresses beyond this machine are spoken to only where Set-up allows it', async () => {
    const ask = () => request(h.app).post('/api/v1/instruments/try').send({ address: '192.0.2.1:5025' });
    const { body } = await ask().expect(422);
    expect(body.error.fields.instrument).toMatch(/not this machine.*Allow it in Set-up/);
  });

  it.each([
    ['no port', '127.0.0.1'],
    ['a port of the system', '127.0.0.1:22'],
    ['a path', '127.0.0.1:5025/x'],
    ['a new line', '127.0.0.1:5025\nOUTP ON'],
    ['nothing', ''],
  ])('%s is no address, neither tried nor kept', async (_what, address) => {
    await request(h.app).post('/api/v1/instruments/try').send({ address }).expect(422);
    expect((await setUp({ instruments: [{ id: randomUUID(), name: 'X', address }] })).status).toBe(400);
  });
});

describe('other kinds', () => {
  it('a supply gives what is at its terminals, is never set or switched from here, and reads no ohms', async () => {
    const { address, said } = await listening(() => standInSupply(() => 10));
    const id = await instrument(address, { kind: 'supply' });
    expect((await read(id).expect(200)).body).toMatchObject({ function: 'volts-dc', value: 0 });
    expect((await read(id, { wanted: 'amps-dc' }).expect(200)).body).toMatchObject({ unit: 'A', value: 0 });
    const refused = await read(id, { wanted: 'ohms' }).expect(422);
    expect(refused.body.error.fields.instrument).toBe('A bench supply does not read ohms. Nothing was taken.');
    expect(said.filter((line) => /OUTP|^VOLT|^CURR/.test(line))).toEqual([]);
  });

  it('a scope gives peak to peak where a prompt is read by scope, and its trace as a table; a meter has none', async () => {
    const volts = [0, 0.25, 0.5, 0.25, 0, -0.1];
    const { address } = await listening(() => standInScope(() => ({ intervalS: 0.001, volts })));
    const id = await instrument(address, { kind: 'scope' });
    expect((await read(id, { wanted: 'volts-pp' }).expect(200)).body).toMatchObject({ unit: 'V', value: 0.6 });
    expect((await read(id).expect(422)).body.error.fields.instrument).toContain('does not read d.c. volts');
    const trace = await request(h.app).post('/api/v1/instruments/trace').send({ id }).expect(200);
    expect(trace.body).toEqual({
      name: 'Bench meter',
      csv: 'time_s,volts\n0,0\n0.001,0.25\n0.002,0.5\n0.003,0.25\n0.004,0\n0.005,-0.1\n',
    });
    const { address: other } = await meterAt();
    const none = await request(h.app)
      .post('/api/v1/instruments/trace')
      .send({ id: await instrument(other) });
    expect([none.status, none.body.error.fields.instrument]).toEqual([
      422,
      'Bench meter is no scope: it shows no trace.',
    ]);
  });

  it('one on a serial line is not spoken to from the server; one kept before there were kinds is a meter', async () => {
    const id = await instrument('serial:9600');
    expect((await read(id).expect(422)).body.error.fields.instrument).toContain('on a serial line');
    expect(
      (await setUp({ instruments: [{ id: randomUUID(), kind: 'meter', name: 'X', address: 'serial:9601' }] })).status,
    ).toBe(400);
    await h.db('setting').update({ instruments: JSON.stringify([{ id, name: 'Old', address: '127.0.0.1:5025' }]) });
    const { body } = await request(h.app).get('/api/v1/settings').expect(200);
    expect(body.instruments).toEqual([{ id, kind: 'meter', name: 'Old', address: '127.0.0.1:5025' }]);
  });
});
