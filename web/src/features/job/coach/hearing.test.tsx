/** The coach as it listens: what is heard is fed in as readings of a known course, what it shows and keeps is asserted. */
import type { EventBody } from '@amber-gauge/core/bench';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { heard, standForFollowing, standForListening } from '../../../test/liveStand.js';
import { line, show, speedRead, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import * as guide from '../../../shared/sound/guide.js';
import { Coach } from './Coach.js';

const played = { words: [] as string[], louder: [] as number[] };
const player = () => ({
  play: ({ word }: { word: string }) => void (played.words.at(-1) !== word && played.words.push(word)),
  volume: (decibels: number) => void played.louder.push(decibels),
  close: () => undefined,
});

stage();
beforeEach(() => {
  standForListening(48000);
  vi.spyOn(guide, 'guidePlayer').mockImplementation(player as never);
  played.words.length = 0;
  played.louder.length = 0;
});

const LIMIT = 0.3;
const speed = (id: '33' | '45') => ({ id, label: id, lowerPercent: -LIMIT, upperPercent: LIMIT });
const trim = (id: string, serves: string) => ({
  id,
  name: `${serves} trim`,
  serves: [serves],
  faster: null,
  travelTurns: null,
  stoodTurns: null,
});
const begun = (): EventBody =>
  ({
    kind: 'coach-begin',
    task: { speeds: [speed('33'), speed('45')], trims: [trim('t33', '33'), trim('t45', '45')], watched: 'live' },
    checks: [],
  }) as unknown as EventBody;

const plain = (text: string | null | undefined) => (text ?? '').replaceAll(/[\u202f\u00a0]/g, ' ');
const number = () => plain(screen.getByTestId('coach-number').textContent);
const said = () => screen.getByRole('status', { name: 'What is heard' });

/** A tone of so many hertz for so long, twenty readings a second; sliding from one frequency to the other. */
function tone(hz: number, lastS: number, fromS: number, towardHz = hz): number {
  act(() => {
    for (let i = 1; i <= lastS * 20; i++)
      heard.tell({
        kind: 'tone',
        atS: fromS + i / 20,
        hz: hz + ((towardHz - hz) * i) / (lastS * 20),
        edgePercent: 0,
        level: { peak: 0.4, clipped: false },
        mean: { errorPercent: 0, expandedPercent: 0.05, overS: 3.6, of: 'two turns' },
        halfWidthPercent: 0,
        toneS: i / 20,
      });
  });
  return fromS + lastS;
}
const listen = (...given: EventBody[]) => {
  show(<Coach view={viewOf([begun(), ...given].map((body) => line(body, 'set-speed')))} stage="set-speed" />);
  fireEvent.click(screen.getByRole('button', { name: 'Listen' }));
};

describe('the coach that listens', () => {
  it('asks for the shop’s tone, for the turn of the first speed and for the clock as it is known', () => {
    listen();
    // 60 s / 33 1/3 = 1.8 s; a record within ±0.1 % has U = 2 · 0.1/√3; a clock within 100 parts in a million is within 0.01 %.
    const { of, wish } = heard.wish as { of: string; wish: Record<string, number> };
    expect([of, wish.sampleRate, wish.nominalHz, wish.clockCorrectionPpm]).toEqual(['tone', 48000, 3150, 0]);
    expect(wish.turnS).toBeCloseTo(1.8, 9);
    expect(wish.referenceUncertaintyPercent).toBeCloseTo(0.11547, 5);
    expect(wish.clockLimitPercent).toBeCloseTo(0.01, 9);
  });

  it('shows the error of the speed that is heard and keeps it once it has settled', async () => {
    listen();
    expect(number()).toBe('–');
    expect(said().textContent).toBe('waiting for the tone');
    // 3150 Hz · 0.976: 2.4 % slow at 33.
    let now = tone(3150 * 0.976, 1, 0);
    expect(number()).toBe('−2.40 %');
    expect(said().textContent).toBe('33⅓ rpm, moving');
    expect(await bodies()).toEqual([]);
    now = tone(3150 * 0.976, 2, now);
    expect(said().textContent).toBe('33⅓ rpm, settled');
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    const [kept] = (await bodies()) as [Extract<EventBody, { kind: 'speed' }>];
    expect(kept).toMatchObject({ speedId: '33', method: 'tone-live', turned: true, condition: 'warm', runId: null });
    expect(kept).toMatchObject({ expandedPercent: 0.05, referenceIncluded: true, sourceName: 'Shop record' });
    expect(kept.errorPercent).toBeCloseTo(-2.4, 3);
    // 33.333 · 0.976 = 32.533.
    expect(kept.rpm).toBeCloseTo(32.533, 2);
    // The selector goes to 45: the same record sounds 1.35 times as high, and stands right.
    tone(3150 * 1.35, 3, now + 1);
    expect(number()).toMatch(/^[+−]?0\.00 %$/);
    expect(said().textContent).toBe('45 rpm, settled');
    await waitFor(async () => expect(await bodies()).toHaveLength(2));
    expect((await bodies())[1]).toMatchObject({ kind: 'speed', speedId: '45' });
  });

  it('a second screen that asks for a reading is told the figure that was kept, or that none is heard', async () => {
    listen();
    const { told, ask, end } = standForFollowing();
    const ended = (atS: number) => () => heard.tell({ kind: 'ended', atS, level: { peak: 0, clipped: false } });
    expect(await told(ended(0.1))).toBeNull();
    await ask(ended(0.2));
    expect(await told(ended(0.3))).toEqual({ count: 1, words: 'Not kept: no speed is heard.' });
    // 3150 Hz · 0.976: 2.4 % slow at 33, kept on its way before it has settled.
    await told(() => void tone(3150 * 0.976, 0.5, 1));
    await ask(() => void tone(3150 * 0.976, 0.05, 1.5));
    expect(await told(() => void tone(3150 * 0.976, 0.05, 1.55))).toEqual({ count: 2, words: 'Kept: −2.40 %' });
    await waitFor(async () => expect((await bodies())[0]).toMatchObject({ kind: 'speed', speedId: '33' }));
    end();
  });

  it('leads by ear: slow below the window, inside within, ended in silence, listening at another speed', () => {
    listen();
    let now = tone(3150 * 0.99, 1, 0);
    expect(played.words).toEqual(['slow']);
    now = tone(3150 * 1.002, 4, now);
    expect(played.words).toContain('inside');
    expect(played.words).not.toContain('fast');
    now = tone(3150 * 1.01, 2, now);
    expect(played.words.at(-1)).toBe('fast');
    act(() => heard.tell({ kind: 'ended', atS: now + 1, level: { peak: 0, clipped: false } }));
    expect(played.words.at(-1)).toBe('ended');
    expect(said().textContent).toBe('33⅓ rpm, tone ended');
    expect(number()).toBe('–');
    tone(3150 * 1.35, 1, now + 2);
    expect(played.words.at(-1)).toBe('listening');
  });

  it('what moved since the last reading at this speed is a turn of the trim, and stands before it', async () => {
    const read = (id: string, percent: number) => speedRead(id, percent, { method: 'tone-live', condition: 'warm' });
    listen(read('33', -2.4), read('45', 0));
    expect(screen.getByRole('status', { name: 'What to do' }).textContent).toMatch(/Turn the 33 trim/);
    let now = tone(3150 * 0.976, 3, 0);
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    // The mean of two turns follows a quick hand over two turns.
    now = tone(3150 * 0.976, 3.6, now, 3150 * 1.0005);
    tone(3150 * 1.0005, 5, now);
    await waitFor(async () => expect(await bodies()).toHaveLength(4));
    // The first turn of a course is work on the trims, and stands in the log as such.
    expect((await bodies()).map(({ kind }) => kind)).toEqual(['speed', 'work', 'coach-turned', 'speed']);
    expect((await bodies())[1]).toMatchObject({ action: 'adjust', what: '33 trim, 45 trim' });
    expect((await bodies())[2]).toMatchObject({ trimId: 't33', turns: null });
    // Turned a little more and nothing moved: told by hand, at once.
    fireEvent.click(screen.getByRole('button', { name: 'Turned, and nothing moved' }));
    await waitFor(async () => expect(await bodies()).toHaveLength(7));
    expect((await bodies())[5]).toMatchObject({ kind: 'coach-turned', trimId: 't33' });
    expect(((await bodies())[6] as { errorPercent: number }).errorPercent).toBeCloseTo(0.05, 2);
  });

  it('by pulses of a shaft it says no uncertainty, and names no record', async () => {
    show(<Coach view={viewOf([line(begun(), 'set-speed')])} stage="set-speed" />);
    fireEvent.click(screen.getByRole('button', { name: 'By the tone' }));
    const turns = screen.getByRole('textbox', { name: 'Pulses a turn' });
    const key = () => screen.getByRole('button', { name: 'Listen' }) as HTMLButtonElement;
    for (const [typed, off] of [
      ['0', true],
      ['1', false],
      ['2,5', true],
      ['10000', false],
      ['10001', true],
      ['x', true],
      ['24', false],
    ] as const) {
      fireEvent.change(turns, { target: { value: typed } });
      expect(key().disabled, typed).toBe(off);
    }
    fireEvent.click(key());
    expect(heard.wish).toEqual({
      of: 'pulses',
      wish: { perTurn: 24, nominalRpm: 100 / 3, sampleRate: 48000 },
    });
    act(() => {
      for (let i = 1; i <= 40; i++)
        heard.tell({
          kind: 'pulses',
          atS: i / 10,
          level: { peak: 0.4, clipped: false },
          rpm: 33,
          errorPercent: -1,
          pulses: i,
        });
    });
    // 33 of 33 1/3 turns: one percent slow.
    expect(number()).toBe('−1.00 %');
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    const [kept] = (await bodies()) as [Extract<EventBody, { kind: 'speed' }>];
    expect(kept).toMatchObject({ method: 'pulses', expandedPercent: null, sourceName: null, referenceIncluded: true });
    expect(kept.errorPercent).toBeCloseTo(-1, 6);
  });

  it('is louder and softer by three decibels from −30 to +12, by key or button; silent when it is told', () => {
    listen();
    const row = screen.getByRole('button', { name: 'Louder' }).parentElement as HTMLElement;
    fireEvent.click(within(row).getByRole('button', { name: 'Louder' }));
    expect(row.textContent).toContain('3 dB');
    for (let i = 0; i < 6; i++) fireEvent.keyDown(window, { key: '+' });
    expect(row.textContent).toContain('12 dB');
    for (let i = 0; i < 20; i++) fireEvent.keyDown(window, { key: '-' });
    expect(row.textContent).toContain('30 dB');
    expect(Math.min(...played.louder)).toBe(-30);
    expect(Math.max(...played.louder)).toBe(12);
    fireEvent.click(within(row).getByRole('button', { name: 'Sound is on' }));
    tone(3150 * 0.98, 1, 0);
    expect(played.words).toEqual([]);
    fireEvent.click(within(row).getByRole('button', { name: 'Sound is off' }));
    tone(3150 * 0.98, 1, 1);
    expect(played.words).toEqual(['slow']);
    fireEvent.click(within(row).getByRole('button', { name: 'Stop listening' }));
    expect(screen.getByRole('button', { name: 'Listen' })).toBeTruthy();
  });

  it('speaks the numbers where it is asked to: what changed, at most one every three seconds', () => {
    const spoken: string[] = [];
    vi.stubGlobal('speechSynthesis', {
      cancel: () => undefined,
      speak: ({ text }: { text: string }) => spoken.push(text),
    });
    vi.stubGlobal(
      'SpeechSynthesisUtterance',
      class {
        constructor(readonly text: string) {}
      },
    );
    const clock = vi.spyOn(Date, 'now');
    clock.mockReturnValue(10_000);
    listen();
    tone(3150 * 0.976, 1, 0);
    expect(spoken).toEqual([]);
    fireEvent.click(screen.getByRole('button', { name: 'Speak the numbers' }));
    // Every speed is to be measured: the middle of the window is led to.
    expect(spoken).toEqual(['slow, 2.4 percent']);
    clock.mockReturnValue(12_900);
    let now = tone(3150 * 0.98, 1, 1);
    expect(spoken).toHaveLength(1);
    clock.mockReturnValue(13_100);
    now = tone(3150 * 0.981, 1, now);
    expect(spoken.at(-1)).toMatch(/^slow, (1\.9|2\.0) percent$/);
    clock.mockReturnValue(17_000);
    act(() => heard.tell({ kind: 'ended', atS: now + 1, level: { peak: 0, clipped: false } }));
    expect(spoken.at(-1)).toBe('tone ended');
    clock.mockRestore();
  });
});
