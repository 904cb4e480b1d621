import { randomUUID } from 'node:crypto';
import { createServer, type AddressInfo, type Server } from 'node:net';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { standInMeter, type StandInFault } from '@amber-gauge/core/instruments';
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

/** A meter with 5.02 V at its probes, and 47 Ω; its address and all that was ever said to it. */
async function meterAt(fault: StandInFault = 'none'): Promise<{ address: string; said: string[] }> {
  const said: string[] = [];
  const server = createServer((socket) => {
    const meter = standInMeter((of) => (of === 'ohms' ? 47 : of === 'volts-dc' ? 5.02 : null), fault);
    socket.setEncoding('latin1');
    socket.on('error', () => undefined);
    socket.on('data', (data) => {
      for (const line of String(data).split('\n').filter(Boolean)) {
        said.push(line);
        const answer = meter(line);
        if (!answer) continue;
        setTimeout(() => (answer.close ? socket.end(answer.text) : socket.write(answer.text)), answer.afterMs).unref();
      }
    });
  });
  servers.push(server);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return { address: `127.0.0.1:${(server.address() as AddressInfo).port}`, said };
}

async function setUp(fields: object) {
  const { version } = (await request(h.app).get('/api/v1/settings').expect(200)).body;
  return request(h.app).patch('/api/v1/settings').send({ version, fields });
}

async function instrument(address: string): Promise<string> {
  const id = randomUUID();
  await setUp({ instruments: [{ id, name: 'Bench meter', address }] }).then(({ status }) => expect(status).toBe(200));
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
