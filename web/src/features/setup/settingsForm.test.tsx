/** The shop's fields: what is sent, what is refused at its field, and what a change made elsewhere leads to. */
import type { Settings } from '@amber-gauge/contract';
import { USUAL_SAFETY_LIMITS } from '@amber-gauge/core/bench';
import { QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { keys, queryClient } from '../../shared/api/queries.js';
import { SettingsForm } from './SettingsForm.js';

const SETTINGS: Settings = {
  shopName: 'Shop',
  shopAddress: '',
  currency: 'EUR',
  mainsVolts: 230,
  mainsHz: 50,
  captureKey: 'F9',
  flutterStandard: 'unweighted-peak',
  hourMoney: 60,
  dayMoney: 1,
  partsDays: 7,
  safety: USUAL_SAFETY_LIMITS,
  hours: { from: '09:00', to: '17:00', days: [1, 2, 3, 4, 5], places: 2, isolators: 1, variacs: 1, tapes: 1 },
  instruments: [],
  remoteInstruments: false,
  clockLimitPpm: 100,
  clockCorrectionPpm: 0,
  version: 4,
  demoShown: true,
  hasDemo: true,
};

let sent: { version: number; fields: Partial<Settings> }[] = [];
let answer: (wish: { version: number; fields: Partial<Settings> }) => Response;
const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });

beforeEach(() => {
  sent = [];
  queryClient.clear();
  answer = ({ version, fields }) => json({ ...SETTINGS, ...fields, version: version + 1 });
  vi.stubGlobal('fetch', (_url: string, init?: RequestInit) => {
    const wish = JSON.parse(String(init?.body)) as (typeof sent)[0];
    sent.push(wish);
    return Promise.resolve(answer(wish));
  });
});

const show = () =>
  render(
    <QueryClientProvider client={queryClient}>
      <SettingsForm settings={SETTINGS} />
    </QueryClientProvider>,
  );
const type = (name: RegExp | string, value: string) =>
  fireEvent.input(screen.getByRole('textbox', { name }), { target: { value } });
const keep = () => fireEvent.click(screen.getByRole('button', { name: 'Keep' }));

describe('the shop’s fields', () => {
  it('go as numbers, to the version that was seen, and then to the one that came back', async () => {
    show();
    type('An hour of hands costs', '72.5');
    type('Mains volts', '120');
    fireEvent.click(screen.getByRole('button', { name: 'Sat' }));
    keep();
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      version: 4,
      fields: { hourMoney: 72.5, mainsVolts: 120, captureKey: 'F9', instruments: [] },
    });
    expect(sent[0]?.fields.hours?.days).toEqual([1, 2, 3, 4, 5, 6]);
    await waitFor(() => expect(queryClient.getQueryData<Settings>(keys.settings)?.version).toBe(5));
    await waitFor(() =>
      expect((screen.getByRole('button', { name: 'Keep' }) as HTMLButtonElement).disabled).toBe(false),
    );
    type('Shop', 'Quay repairs');
    keep();
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]).toMatchObject({ version: 5, fields: { shopName: 'Quay repairs', hourMoney: 72.5 } });
  });

  it.each([
    ['Currency', 'euro', 'Three capital letters, as in EUR'],
    ['Mains volts', '400', 'Mains volts lie between 90 and 260'],
    ['An hour of hands costs', '0', 'An hour costs more than nothing'],
    ['Parts usually take, days', '2.5', 'Whole days'],
    ['Shop', '  ', 'The shop needs a name'],
  ])('%s “%s” is refused in words, and nothing is sent', async (name, value, message) => {
    show();
    type(name, value);
    keep();
    expect((await screen.findByRole('alert')).textContent).toBe(message);
    expect(sent).toEqual([]);
    expect((screen.getByRole('textbox', { name }) as HTMLInputElement).value).toBe(value);
  });

  it('changed elsewhere meanwhile: mine goes to their version, or theirs stays', async () => {
    const theirs = { ...SETTINGS, shopName: 'Theirs', version: 9 };
    const conflict = () => json({ error: { code: 'CONFLICT', message: 'Changed elsewhere.', present: theirs } }, 409);
    answer = conflict;
    show();
    type('Shop', 'Mine');
    keep();
    await screen.findByText(/Theirs/);
    answer = ({ fields }) => json({ ...theirs, ...fields, version: 10 });
    fireEvent.click(screen.getByRole('button', { name: /mine/i }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]).toMatchObject({ version: 9, fields: { shopName: 'Mine' } });
    expect(((await screen.findByRole('textbox', { name: 'Shop' })) as HTMLInputElement).value).toBe('Mine');
    cleanup();
    answer = conflict;
    show();
    type('Shop', 'Mine');
    keep();
    await screen.findByText(/Theirs/);
    fireEvent.click(screen.getByRole('button', { name: /theirs|there|kept/i }));
    expect(((await screen.findByRole('textbox', { name: 'Shop' })) as HTMLInputElement).value).toBe('Theirs');
    expect(queryClient.getQueryData<Settings>(keys.settings)?.version).toBe(9);
  });

  it('what the server refuses is said, and what was typed stays', async () => {
    answer = () => json({ error: { code: 'BAD_REQUEST', message: 'That cannot be.' } }, 400);
    show();
    type('Shop', 'New name');
    keep();
    expect((await screen.findByRole('alert')).textContent).toBe('That cannot be.');
    expect((screen.getByRole('textbox', { name: 'Shop' }) as HTMLInputElement).value).toBe('New name');
  });
});
