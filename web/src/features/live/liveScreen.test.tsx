/** The second screen: what another device hears, with its verdict, until nothing more comes. */
import type { LiveFrame } from '@amber-gauge/contract';
import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { show, stubSizes } from '../../test/scene.js';
import { LiveScreen } from './LiveScreen.js';

let tell: (data: object) => void = () => undefined;
let closed = 0;
const asked: { url: string; body: unknown }[] = [];

beforeEach(() => {
  vi.useFakeTimers();
  asked.length = 0;
  closed = 0;
  vi.stubGlobal(
    'EventSource',
    class {
      addEventListener(_name: string, hear: (event: { data: string }) => void) {
        tell = (data) => act(() => hear({ data: JSON.stringify(data) }));
      }
      close() {
        closed++;
      }
    },
  );
  vi.stubGlobal('fetch', (url: string, init?: RequestInit) => {
    asked.push({ url, body: JSON.parse(String(init?.body ?? 'null')) as unknown });
    return Promise.resolve(new Response('{}', { headers: { 'content-type': 'application/json' } }));
  });
  stubSizes();
});
afterEach(() => {
  vi.useRealTimers();
});

const SENDER = '33333333-3333-4333-8333-333333333333';
const frame = (more: Partial<LiveFrame> = {}): LiveFrame => ({
  sender: SENDER,
  what: '0147 a deck',
  speedLabel: '33⅓ rpm',
  nominalRpm: 100 / 3,
  lowerPercent: -0.3,
  upperPercent: 0.3,
  edgePercent: -0.52,
  meanPercent: -0.5,
  expandedPercent: 0.1,
  wowPercent: 0.08,
  words: 'mean of the last two turns',
  todo: null,
  kept: null,
  ...more,
});
const number = () => screen.getByTestId('followed-number').textContent?.replaceAll('\u202f', ' ');
const told = () => screen.getByLabelText('What came of the capture').textContent;
const status = () => screen.getAllByRole('status')[0]?.textContent;

describe('the second screen', () => {
  it('waits until something is heard elsewhere, then shows number, ± and verdict', () => {
    show(<LiveScreen />);
    expect(screen.getByRole('heading', { name: 'Nothing is heard on another device' })).toBeTruthy();
    tell(frame());
    expect(screen.getByText('0147 a deck, 33⅓ rpm')).toBeTruthy();
    expect(number()).toBe('−0.50 %± 0.10 %');
    expect(status()).toBe('slow, not right yet, mean of the last two turns');
    tell(frame({ meanPercent: 0.04 }));
    expect(status()).toBe('right, mean of the last two turns');
    tell(frame({ meanPercent: 0.25 }));
    expect(status()).toBe('undecided, mean of the last two turns');
  });

  it('a tone that ended has no number and no verdict; what is to be done stands there', () => {
    show(<LiveScreen />);
    tell(
      frame({
        edgePercent: null,
        meanPercent: null,
        expandedPercent: null,
        words: 'tone ended',
        todo: 'Turn the 33 trim',
      }),
    );
    expect(number()).toBe('–');
    expect(status()).toBe('tone ended');
    expect(screen.getByText('Turn the 33 trim')).toBeTruthy();
  });

  it('after two and a half seconds of nothing it waits again; what is no frame is passed over', () => {
    show(<LiveScreen />);
    tell(frame());
    act(() => void vi.advanceTimersByTime(2000));
    tell(frame({ meanPercent: -0.4 }));
    act(() => void vi.advanceTimersByTime(2400));
    expect(number()).toBe('−0.40 %± 0.10 %');
    tell({ ...frame(), lowerPercent: 0.3 });
    expect(number()).toBe('−0.40 %± 0.10 %');
    act(() => void vi.advanceTimersByTime(200));
    expect(screen.queryByTestId('followed-number')).toBeNull();
  });

  it('asks the device that listens to keep what it hears, by button or key', async () => {
    show(<LiveScreen />);
    fireEvent.keyDown(window, { key: 'F9' });
    expect(asked).toEqual([]);
    tell(frame());
    await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Capture' })));
    await act(async () => fireEvent.keyDown(window, { key: 'F9' }));
    expect(asked.map(({ body }) => body)).toEqual([{ sender: SENDER }, { sender: SENDER }]);
    expect(asked[0]?.url).toMatch(/\/live\/captures$/);
  });

  it('tells what came of a capture once, and nothing of one before it followed or of another device', async () => {
    show(<LiveScreen />);
    tell(frame({ kept: { count: 3, words: 'Kept: +0.30 ± 0.05 %' } }));
    expect(told()).toBe('');
    await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Capture' })));
    expect(told()).toBe('Asked to keep it');
    tell(frame({ kept: { count: 3, words: 'Kept: +0.30 ± 0.05 %' } }));
    expect(told()).toBe('Asked to keep it');
    const refused = { count: 4, words: 'Not kept. Less than two seconds of tone.' };
    tell(frame({ kept: refused }));
    expect(told()).toBe(refused.words);
    tell(frame({ sender: SENDER.replace('3', '4'), kept: { count: 9, words: 'Kept: +0.10 ± 0.05 %' } }));
    expect(told()).toBe(refused.words);
    for (let i = 0; i < 6; i++) {
      act(() => void vi.advanceTimersByTime(2000));
      tell(frame({ kept: refused }));
    }
    expect(told()).toBe('');
  });

  it('hangs up when it is left', () => {
    show(<LiveScreen />);
    cleanup();
    expect(closed).toBe(1);
  });
});
