/** Set-up: instruments tried before they are kept, the sound card's clock by a known frequency, backups. */
import type { BackupState, Instrument, Settings } from '@amber-gauge/contract';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { answering, SETTINGS, show } from '../../test/scene.js';
import { bareRun, drop, measured, standForSpeedWorker, worker } from '../../test/speedClientStand.js';
import { Backups } from './Backups.js';
import { ClockCalibration } from './ClockCalibration.js';
import { Instruments } from './Instruments.js';

beforeEach(() => {
  standForSpeedWorker();
});

const button = (name: RegExp | string) => screen.getByRole('button', { name }) as HTMLButtonElement;
const type = (label: RegExp | string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe('instruments on the network', () => {
  const METER: Instrument = {
    id: '00000000-0000-4000-8000-00000000000a',
    kind: 'meter',
    name: 'Bench meter',
    address: '127.0.0.1:5025',
  };
  const SERIAL: Instrument = {
    id: '00000000-0000-4000-8000-00000000000b',
    kind: 'meter',
    name: 'Blue',
    address: 'serial:9600',
  };
  const open = (instruments: readonly Instrument[], routes: Record<string, unknown> = {}) => {
    const settings: Settings = { ...SETTINGS, instruments: [...instruments], version: 4 };
    const sent = answering({
      '/settings': (_url: string, body: unknown) => ({ ...settings, ...(body as { fields?: object })?.fields }),
      ...routes,
    });
    show(<Instruments settings={settings} />);
    return sent;
  };

  it('are added with a name of their own and an address', async () => {
    const sent = open([METER]);
    expect(button('Add').disabled).toBe(true);
    type('Called', ' Bench meter ');
    type('Address, host and port', '127.0.0.1:5026');
    expect(screen.getByText('There is one of this name already.')).toBeTruthy();
    expect(button('Add').disabled).toBe(true);
    type('Called', ' Counter ');
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'It is a' }));
    fireEvent.click(screen.getByRole('option', { name: 'counter' }));
    fireEvent.click(button('Add'));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.body).toMatchObject({
      version: 4,
      fields: { instruments: [METER, { kind: 'counter', name: 'Counter', address: '127.0.0.1:5026' }] },
    });
    await waitFor(() => expect((screen.getByLabelText('Called') as HTMLInputElement).value).toBe(''));
  });

  it('say who they are when they are tried, or why nobody answers, in plain words', async () => {
    const answers: unknown[] = [
      { maker: 'Made', model: 'Up', serial: '7', version: '1' },
      Response.json(
        { error: { code: 'INSTRUMENT', message: 'No.', fields: { address: 'Nobody answers there.' } } },
        { status: 422 },
      ),
    ];
    const sent = open([METER], { '/instruments/try': () => answers.shift() });
    fireEvent.click(screen.getAllByRole('button', { name: 'Try it' })[0] as HTMLElement);
    expect((await screen.findByRole('status')).textContent).toBe('answers as Made, Up, 7');
    expect(sent[0]?.body).toEqual({ address: '127.0.0.1:5025' });
    type('Address, host and port', ' 127.0.0.1:1 ');
    fireEvent.click(screen.getAllByRole('button', { name: 'Try it' })[1] as HTMLElement);
    expect((await screen.findByRole('alert')).textContent).toBe('Nobody answers there.');
    expect(sent[1]?.body).toEqual({ address: '127.0.0.1:1' });
    cleanup();
    open([METER]);
    fireEvent.click(screen.getAllByRole('button', { name: 'Try it' })[0] as HTMLElement);
    expect((await screen.findByRole('alert')).textContent).toBe('The server does not answer. It may be restarting.');
  });

  it('on a serial line are tried by their own device, not by the server', () => {
    open([SERIAL]);
    // Only the one to be added has the key, and not for a serial address.
    expect(screen.getAllByRole('button', { name: 'Try it' })).toHaveLength(1);
    type('Address, host and port', 'serial:115200');
    expect(button('Try it').disabled).toBe(true);
    // A name that does not say what it is has it said beside it.
    expect(screen.getByText(/^Blue/).textContent).toBe('Blue, meter');
  });

  it('are taken out by name; at other addresses only when it is allowed', async () => {
    const sent = open([METER, SERIAL]);
    expect(screen.getByText('Bench meter').textContent).toBe('Bench meter');
    fireEvent.click(button('Take Bench meter out of the list'));
    await waitFor(() => expect(sent[0]?.body).toEqual({ version: 4, fields: { instruments: [SERIAL] } }));
    fireEvent.click(screen.getByLabelText(/^Instruments may stand at other addresses/));
    await waitFor(() => expect(sent[1]?.body).toEqual({ version: 4, fields: { remoteInstruments: true } }));
    cleanup();
    open([]);
    expect(screen.getByText(/^None yet\./)).toBeTruthy();
  });
});

describe('the clock of the sound card', () => {
  const open = (more: Partial<Settings> = {}) => {
    const settings: Settings = { ...SETTINGS, version: 2, ...more };
    const sent = answering({ '/settings': settings });
    show(<ClockCalibration settings={settings} />);
    return sent;
  };

  it('runs at its own rate until it was corrected', () => {
    open();
    expect(screen.getByText(/^Record a frequency/).textContent).toMatch(/runs at its own rate now, within ±100 ppm\.$/);
    cleanup();
    open({ clockCorrectionPpm: -12.345, clockLimitPpm: 2 });
    expect(screen.getByText(/^Record a frequency/).textContent).toMatch(/runs at −12\.3[45] ppm now, within ±2 ppm\.$/);
  });

  it.each([
    ['19', '1', false],
    ['20', '0', true],
    ['20000', '1', true],
    ['20001', '1', false],
    ['1000', '-1', false],
    ['1000', '', false],
  ])('a frequency of %s Hz within %s ppm can be used: %s', (hz, ppm, usable) => {
    open();
    type('Known frequency, Hz', hz);
    type('Known within ± ppm', ppm);
    expect(button('Choose a recording').disabled).toBe(!usable);
  });

  it('that reads 1000 Hz as 1000.05 runs 50 ppm slow; the correction is kept with its limit', async () => {
    const uncertainty = [
      { name: 'clock', standardPercent: 9, why: '' },
      { name: 'noise', standardPercent: 0.00001, why: '' },
    ] as const;
    worker.answers = [measured(bareRun({ mean: 1000.05, uncertainty }))];
    const sent = open();
    await drop('Recording of the known frequency');
    await waitFor(() => expect(worker.asked[0]?.[3]).toEqual({ nominalHz: 1000, clockLimitPercent: 0.01 }));
    // 1000 / 1000.05 − 1 = −50.0 ppm; within 1 ppm, twice the noise's 0.1 and 5 ppm of ageing (common practice).
    expect(screen.getByText(/^Read as/).textContent).toMatch(
      /^Read as 1000\.05000 Hz: correction −(49\.99|50\.00) ppm, then within ±6\.2 ppm\.$/,
    );
    fireEvent.click(button('Use it'));
    await waitFor(() => expect(sent).toHaveLength(1));
    const { fields, version } = sent[0]?.body as { version: number; fields: Record<string, number> };
    expect(version).toBe(2);
    expect(fields.clockCorrectionPpm).toBeCloseTo(-49.9975, 3);
    expect(fields.clockLimitPpm).toBeCloseTo(6.2, 9);
    await waitFor(() => expect(screen.queryByText(/^Read as/)).toBeNull());
  });
});

describe('backups', () => {
  const STATE: BackupState = {
    newest: { name: 'a.pgdump', madeAt: '2025-03-01T10:00:00.000Z', bytes: 1_240_000, jobs: 24, lines: 310 },
    kept: 8,
    drill: null,
    trouble: null,
    busy: false,
  };

  it('while it is not known, nothing is claimed; a server that keeps none says so', async () => {
    answering({});
    show(<Backups />);
    expect(screen.getByText('Looking for backups.')).toBeTruthy();
    expect(await screen.findByText('The server does not answer. It may be restarting.')).toBeTruthy();
    expect(screen.queryByText(/keeps no backups/)).toBeNull();
    cleanup();
    answering({ '/backups': () => Response.json(null) });
    show(<Backups />);
    expect(await screen.findByText('This server keeps no backups by itself.')).toBeTruthy();
  });

  it('are made and tried with a key each, and say what came of it', async () => {
    const drill = { name: 'a.pgdump', at: '2025-03-02T10:00:00.000Z', trouble: 'Two rows are missing.' };
    const sent = answering({ '/backups/try': { ...STATE, drill }, '/backups': { ...STATE, drill } });
    show(<Backups />);
    expect((await screen.findByText(/^a\.pgdump/)).textContent).toMatch(
      /24 jobs, 310 lines, 1\.2 MB\. 7 older kept\.$/,
    );
    expect(screen.getByText('Two rows are missing.').className).toBe('danger');
    fireEvent.click(button('Try the newest'));
    await waitFor(() => expect(sent.at(-1)).toMatchObject({ url: '/backups/try', method: 'POST' }));
    await waitFor(() => expect(button('Back up now').disabled).toBe(false));
    fireEvent.click(button('Back up now'));
    await waitFor(() => expect(sent.at(-1)).toMatchObject({ url: '/backups', method: 'POST' }));
    cleanup();
    answering({ '/backups': { ...STATE, newest: null, kept: 0 } });
    show(<Backups />);
    expect(await screen.findByText(/^There is no backup yet/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Try the newest' })).toBeNull();
  });
});
