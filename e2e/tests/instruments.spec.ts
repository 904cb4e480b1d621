/** A bench meter on the network: set up by address, its reading lands where the prompt asks, with one key. */
import { createServer, type AddressInfo, type Server } from 'node:net';
import { standInMeter, standInScope, type StandIn } from '@amber-gauge/core/instruments';
import { expect, test } from '../support/app.js';
import { takeIn, tell } from '../support/jobs.js';

const servers: Server[] = [];
/** Where something listens. */
async function listening(make: () => StandIn): Promise<string> {
  const server = createServer((socket) => {
    const made = make();
    socket.on('error', () => undefined);
    socket.on('data', (data) => {
      for (const line of String(data).split('\n').filter(Boolean)) {
        const answer = made(line);
        if (answer) socket.write(answer.text);
      }
    });
  });
  servers.push(server);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return `127.0.0.1:${(server.address() as AddressInfo).port}`;
}
test.afterAll(() => servers.forEach((server) => server.close()));

test('a meter is tried out and added in Set-up; F4 takes its reading to the prompt, and a wrong function nothing', async ({
  page,
  demo,
  request,
}) => {
  let volts = 0;
  const address = await listening(() => standInMeter((of) => (of === 'volts-dc' ? volts : null)));
  await page.goto(`${demo.url}/set-up`);
  const part = page.getByLabel('Instruments', { exact: true });
  await part.getByLabel('Called').fill('Bench meter');
  await part.getByLabel('Address, host and port').fill(address);
  await part.getByRole('button', { name: 'Try it' }).click();
  await expect(part.getByText('answers as AMBER GAUGE, STAND-IN METER, 0000')).toBeVisible();
  await part.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(part.getByText(address)).toBeVisible();

  const { id } = await takeIn(request, demo.url);
  await tell(request, demo.url, id, [[0, { kind: 'power', state: 'live-isolated', conditions: [] }]]);
  await page.goto(`${demo.url}/job/${id}/find`);
  const log = page.getByLabel('Bench log');
  await expect(page.getByRole('button', { name: 'Take from Bench meter' })).toBeVisible();
  // Nothing is asked in volts here: it is kept as a reading without a place, in the meter's own unit.
  volts = 12.34;
  await page.goto(`${demo.url}/job/${id}/open-up`);
  await page.getByRole('button', { name: 'Take from Bench meter' }).waitFor();
  await page.keyboard.press('F4');
  await expect(log.getByText('12.34\u202fV d.c.')).toBeVisible();
  volts = -0.0512;
  await page.getByRole('button', { name: 'On its trigger' }).click();
  await expect(log.getByText('−0.0512\u202fV d.c.')).toBeVisible();
});

test('a meter that is not there says so, and what is typed stays', async ({ page, demo, request }) => {
  const settings = (await (await request.get(`${demo.url}/api/v1/settings`)).json()) as { version: number };
  await request.patch(`${demo.url}/api/v1/settings`, {
    data: {
      version: settings.version,
      fields: { instruments: [{ id: crypto.randomUUID(), kind: 'meter', name: 'Gone', address: '127.0.0.1:1098' }] },
    },
  });
  const { id } = await takeIn(request, demo.url);
  await page.goto(`${demo.url}/job/${id}/open-up`);
  await page.getByLabel('Entry line').fill('left side clip');
  await page.getByRole('button', { name: 'Take from Gone' }).click();
  await expect(page.getByLabel('Instrument', { exact: true }).getByRole('alert')).toContainText(
    'No instrument was reached at 127.0.0.1:1098',
  );
  await expect(page.getByLabel('Entry line')).toHaveValue('left side clip');
});

test('the trace of a scope is measured at the speed desk: three pulses a turn at 34 turns a minute read +2.00 %', async ({
  page,
  demo,
}) => {
  const hz = (3 * 34) / 60;
  const volts = Float64Array.from({ length: 20_000 }, (_, i) => ((i * 1e-3 * hz) % 1 < 0.3 ? 5 : 0));
  const address = await listening(() => standInScope(() => ({ intervalS: 1e-3, volts })));
  await page.goto(`${demo.url}/set-up`);
  const part = page.getByLabel('Instruments', { exact: true });
  await part.getByLabel('Called').fill('Old scope');
  await part.getByLabel('It is a').click();
  await page.getByRole('option', { name: 'scope' }).click();
  await part.getByLabel('Address, host and port').fill(address);
  await part.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(part.getByText(address)).toBeVisible();
  await page.goto(`${demo.url}/speed`);
  await page.getByRole('button', { name: 'pulses' }).click();
  await page.getByLabel('Pulses a turn').fill('3');
  await page.getByRole('button', { name: 'Take the trace of Old scope' }).click();
  await expect(page.getByText('20000 rows')).toBeVisible();
  await page.getByRole('button', { name: 'Measure', exact: true }).click();
  await expect(page.getByTestId('speed-number')).toHaveText('+2.000\u202f%');
});
