/** One key takes what stands on the bench meter: what is asked of it, and what comes into the line. */
import type { Instrument } from '@amber-gauge/contract';
import type { PromptAsked } from '@amber-gauge/core/bench';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { keys } from '../../../shared/api/queries.js';
import { TakeReading } from './TakeReading.js';

const METER: Instrument = {
  id: '00000000-0000-4000-8000-00000000000a',
  kind: 'meter',
  name: 'Bench meter',
  address: '127.0.0.1:5025',
};
const SUPPLY: Instrument = {
  id: '00000000-0000-4000-8000-00000000000b',
  kind: 'supply',
  name: 'Supply',
  address: '127.0.0.1:5027',
};
const asked = (unit: string | null, by?: PromptAsked['by']): PromptAsked => ({
  testId: 't',
  name: 'n',
  place: 'p',
  unit,
  by,
});

let sent: { id: string; wanted: string | null; trigger: boolean }[] = [];
let answer: () => Promise<Response>;
const json = (body: unknown, status = 200) =>
  Promise.resolve(new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } }));
const reads = (of: string, unit: string, value: number | null) => () =>
  json({ name: 'Bench meter', function: of, unit, value });

beforeEach(() => {
  sent = [];
  localStorage.clear();
  answer = reads('volts-dc', 'V', 12.34);
  vi.stubGlobal('fetch', (_url: string, init?: RequestInit) => {
    sent.push(JSON.parse(String(init?.body)) as (typeof sent)[0]);
    return answer();
  });
});

const show = (prompt: PromptAsked | null, instruments = [METER]) => {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } });
  client.setQueryData(keys.settings, { instruments });
  const taken = vi.fn<(text: string, instrument: string) => void>();
  render(
    <QueryClientProvider client={client}>
      <TakeReading prompt={prompt} onTaken={taken} />
    </QueryClientProvider>,
  );
  return taken;
};

describe('the bench meter', () => {
  it.each([
    [asked('V'), 'volts-dc', reads('volts-dc', 'V', 4.98), '4.98V'],
    [asked('V', 'volts-ac'), 'volts-ac', reads('volts-ac', 'V', 23.05), '23.05V ac'],
    [asked('V', 'scope'), 'volts-pp', reads('volts-pp', 'V', 0.31), '0.31V'],
    [asked('Ω'), 'ohms', reads('ohms', 'Ω', 47), '47R'],
    [asked('Ω'), 'ohms', reads('ohms', 'Ω', null), 'OL'],
    [null, null, reads('volts-dc', 'V', -0.000_012), '-0.000012V'],
  ])('is asked for what the prompt wants and gives what one would type (%#)', async (prompt, wanted, reply, text) => {
    answer = reply;
    const taken = show(prompt);
    fireEvent.click(screen.getByRole('button', { name: 'Take from Bench meter' }));
    await waitFor(() => expect(taken).toHaveBeenCalledWith(text, 'Bench meter'));
    expect(sent).toEqual([{ id: METER.id, wanted, trigger: false }]);
  });

  it('is taken with its key, not with the key held down or beside others', async () => {
    const taken = show(asked('V'));
    fireEvent.keyDown(window, { key: 'F4', repeat: true });
    fireEvent.keyDown(window, { key: 'F4', altKey: true });
    fireEvent.keyDown(window, { key: 'F5' });
    expect(sent).toEqual([]);
    fireEvent.keyDown(window, { key: 'F4' });
    await waitFor(() => expect(taken).toHaveBeenCalledOnce());
  });

  it('waits for its own trigger and can be stopped: what comes after that is not taken', async () => {
    let give: (response: Response) => void = () => undefined;
    answer = () => new Promise((resolve) => (give = resolve));
    const taken = show(asked('V'));
    fireEvent.click(screen.getByRole('button', { name: 'On its trigger' }));
    expect(sent[0]).toMatchObject({ trigger: true });
    fireEvent.click(screen.getByRole('button', { name: 'Waiting for its trigger: stop' }));
    give(await reads('volts-dc', 'V', 1)());
    await screen.findByRole('button', { name: 'Take from Bench meter' });
    expect(taken).not.toHaveBeenCalled();
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('says what went wrong in its own words, and that nothing was taken where it does not answer', async () => {
    answer = () =>
      json(
        { error: { code: 'INSTRUMENT', message: 'Refused.', fields: { wanted: 'The meter stands on ohms.' } } },
        422,
      );
    const taken = show(asked('V'));
    fireEvent.click(screen.getByRole('button', { name: 'Take from Bench meter' }));
    expect((await screen.findByRole('alert')).textContent).toBe('The meter stands on ohms.');
    answer = () => Promise.reject(new TypeError('away'));
    fireEvent.click(screen.getByRole('button', { name: 'Take from Bench meter' }));
    await waitFor(() =>
      expect(screen.getByRole('alert').textContent).toBe('The server is not answering: nothing was taken.'),
    );
    answer = () => json({ function: 'volts-dc', value: 'lots' });
    fireEvent.click(screen.getByRole('button', { name: 'Take from Bench meter' }));
    await waitFor(() =>
      expect(screen.getByRole('alert').textContent).toBe('What came back is no reading: nothing was taken.'),
    );
    expect(taken).not.toHaveBeenCalled();
  });

  it('is one of several by choice; a supply has no trigger of its own; without one there is no key', () => {
    show(asked('V'), [SUPPLY, METER]);
    expect(screen.getByRole('button', { name: 'Take from Supply' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'On its trigger' })).toBeNull();
    cleanup();
    show(asked('V'), []);
    expect(screen.queryByRole('group', { name: 'Instrument' })).toBeNull();
  });
});
