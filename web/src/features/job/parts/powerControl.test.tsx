/** The power state by menu and key: what is logged, what the undo puts back, which live state a key goes to. */
import type { EventBody } from '@amber-gauge/core/bench';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { JOB, line, show, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { useGoLive } from './goLive.js';
import { PowerControl } from './PowerControl.js';
import { usePowerUndo } from './powerUndo.js';

stage();
afterEach(() => {
  vi.useRealTimers();
  usePowerUndo.getState().offer(null);
});

type State = Extract<EventBody, { kind: 'power' }>['state'];
const power = (state: State) => line({ kind: 'power', state, conditions: [] });
const gate = (to: Extract<EventBody, { kind: 'gate' }>['to']) => ({
  ...line({ kind: 'gate', to, accepted: [], inPlace: [], shortOhm: null, limit: null, confirmed: [] }),
  enteredAt: new Date(Date.now() - 60_000).toISOString(),
});
// A job of its own each time: the same line twice at once would be a double click.
const open = (lines: ReturnType<typeof line>[], job = JOB) =>
  show(<PowerControl view={viewOf(lines, { ...job, id: crypto.randomUUID() })} stage="find" />);
const menu = () => {
  fireEvent.click(screen.getByRole('button', { name: /^Power:/ }));
  return screen.getAllByRole('menuitem').map((one) => one.textContent.trim());
};
const choose = (name: string) => fireEvent.click(screen.getByRole('menuitem', { name }));
const kept = async (count: number) => {
  await waitFor(async () => expect(await bodies()).toHaveLength(count));
  return (await bodies()).at(-1);
};

const seconds = () => vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] });

describe('power', () => {
  it('mains and packs have states of their own', () => {
    open([power('unplugged-unknown')]);
    expect(menu()).toEqual(['Unplugged', 'Live through isolation', 'Live direct']);
  });

  it('a pack is out or in', () => {
    open([power('pack-out')], { ...JOB, powerKind: 'pack' });
    expect(menu()).toEqual(['Pack out', 'Pack in']);
  });

  it('off is logged at once, with ten seconds to take it back; on goes through the gate', async () => {
    seconds();
    open([gate('live-isolated'), power('live-isolated')]);
    menu();
    choose('Unplugged');
    expect(screen.getByText('Logged: Unplugged')).toBeTruthy();
    act(() => void vi.advanceTimersByTime(9000));
    const undo = screen.getByRole('button', { name: 'Undo, 1 s' });
    vi.useRealTimers();
    expect(await kept(1)).toMatchObject({ kind: 'power', state: 'unplugged-unknown', conditions: [] });
    fireEvent.click(undo);
    // A slip never was: the unit is live as before, and says so.
    expect(await kept(2)).toMatchObject({ kind: 'power', state: 'live-isolated', wasOn: true });
    expect(screen.queryByRole('button', { name: /^Undo/ })).toBeNull();
  });

  it('after ten seconds it stands', async () => {
    seconds();
    open([gate('live-isolated'), power('live-isolated')]);
    menu();
    choose('Unplugged');
    for (let i = 0; i < 10; i++) act(() => void vi.advanceTimersByTime(1000));
    expect(screen.queryByRole('button', { name: /^Undo/ })).toBeNull();
  });

  it('what it is already is logged no second time', async () => {
    open([gate('live-isolated'), power('live-isolated')]);
    menu();
    choose('Live through isolation');
    expect(await bodies()).toEqual([]);
    expect(screen.queryByRole('dialog')).toBeNull();
  });

  it('undone, a proved discharge does not come back with it', async () => {
    open([gate('live-isolated'), power('unplugged-discharged')]);
    menu();
    choose('Live through isolation');
    expect(await kept(1)).toMatchObject({ state: 'live-isolated' });
    fireEvent.click(screen.getByRole('button', { name: /^Undo/ }));
    expect(await kept(2)).toMatchObject({ state: 'unplugged-unknown', wasOn: false });
  });

  it('the key goes off from live, and to the live state that the gate was last passed for', async () => {
    open([gate('live-isolated'), gate('live-direct'), power('live-direct')]);
    act(() => useGoLive.getState().ask('last'));
    expect(await kept(1)).toMatchObject({ state: 'unplugged-unknown' });
    expect(useGoLive.getState().wanted).toBeNull();
  });

  it('from off the key goes to that state, where its gate still holds', async () => {
    open([gate('live-isolated'), gate('live-direct'), power('unplugged-unknown')]);
    act(() => useGoLive.getState().ask('last'));
    expect(await kept(1)).toMatchObject({ state: 'live-direct', conditions: ['the gate passed before holds'] });
  });

  it('with no gate passed it asks for the safest live state, and logs nothing before that is answered', async () => {
    open([power('unplugged-unknown')]);
    act(() => useGoLive.getState().ask('last'));
    expect((await screen.findByRole('dialog')).textContent).toMatch(/isolat/i);
    expect(await bodies()).toEqual([]);
  });

  it('handing back is no live state to go to', async () => {
    open([gate('live-direct'), gate('hand-back'), power('unplugged-unknown')]);
    act(() => useGoLive.getState().ask('last'));
    expect(await kept(1)).toMatchObject({ state: 'live-direct' });
  });

  it('gone back to isolation after a direct test, the key goes to isolation', async () => {
    open([gate('live-isolated'), gate('live-direct'), gate('live-isolated'), power('unplugged-unknown')]);
    act(() => useGoLive.getState().ask('last'));
    expect(await kept(1)).toMatchObject({ state: 'live-isolated' });
  });
});
