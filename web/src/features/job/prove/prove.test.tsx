/** Figures of Prove as they stand on the screen and as they are kept: worked out by hand beside each. */
import type { EventBody } from '@amber-gauge/core/bench';
import { createEvent, fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { drawn, standForCharts } from '../../../test/chartStand.js';
import { line, show, speedRead, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { CoastDown } from './CoastDown.js';
import { Drift } from './Drift.js';
import { ClassCheck, SafetyCheck } from './SafetyCheck.js';
import { TrialCheck, TrialTable } from './TrialCheck.js';

beforeEach(standForCharts);

stage();

const plain = (text: string | null | undefined) => (text ?? '').replaceAll('\u202f', ' ');
const button = (name: RegExp | string) => screen.getByRole('button', { name }) as HTMLButtonElement;
const type = (name: RegExp | string, value: string) =>
  fireEvent.change(screen.getByRole('textbox', { name }), { target: { value } });
const speed = (errorPercent: number) => speedRead('33', errorPercent);
const power = (state: 'live-isolated' | 'unplugged-discharged'): EventBody => ({
  kind: 'power',
  state,
  conditions: [],
});
/** A line so many minutes after a fixed moment. */
const at = (minutes: number, body: EventBody) => ({
  ...line(body),
  enteredAt: new Date(Date.UTC(2026, 0, 1, 8) + minutes * 60_000).toISOString(),
});
const protection = (cordM: number): EventBody => ({ kind: 'protection-class', protection: 'I', cordM });

describe('readings of electrical safety', () => {
  it('are judged by the shop’s limit, which is kept with them', async () => {
    show(<SafetyCheck view={viewOf([line(protection(2))])} stage="prove" reading="earth" />);
    expect(plain(screen.getByText(/^At most/).textContent)).toBe('At most 0.30 Ω in this shop.');
    type(/^Earth path, as read/, 'about one');
    expect(screen.getByText('A number, as in 0.12 or >20')).toBeTruthy();
    expect(button('Keep reading').disabled).toBe(true);
    type(/^Earth path, as read/, '0,12');
    type('Read with', ' bench tester ');
    fireEvent.click(button('Keep reading'));
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    expect(await bodies()).toEqual([
      { kind: 'safety-reading', reading: 'earth', value: 0.12, above: false, limit: 0.3, instrument: 'bench tester' },
    ]);
  });

  it('of currents say who may take them; earth and insulation do not, nor what has failed already', () => {
    const only = /^Only with a tester made for it/;
    const { unmount } = show(
      <SafetyCheck view={viewOf([line(protection(2))])} stage="prove" reading="earth-current" />,
    );
    expect(screen.getByText(only)).toBeTruthy();
    unmount();
    const dead = show(<SafetyCheck view={viewOf([line(protection(2))])} stage="prove" reading="insulation" />);
    expect(screen.queryByText(only)).toBeNull();
    dead.unmount();
    const failed: EventBody = {
      kind: 'safety-reading',
      reading: 'earth',
      value: 2,
      above: false,
      limit: 0.3,
      instrument: '',
    };
    show(<SafetyCheck view={viewOf([line(protection(2)), line(failed)])} stage="prove" reading="earth-current" />);
    expect(screen.getByText(/^Failed: .*Stop: no mains on it/)).toBeTruthy();
    expect(screen.queryByText(only)).toBeNull();
  });

  it('above the range are kept as such, and by Enter', async () => {
    show(<SafetyCheck view={viewOf([line(protection(2))])} stage="prove" reading="insulation" />);
    expect(screen.getByText(/^At least/)).toBeTruthy();
    type(/^Insulation, as read/, '> 20');
    fireEvent.keyDown(screen.getByRole('textbox', { name: /^Insulation, as read/ }), { key: 'Enter' });
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    expect((await bodies())[0]).toMatchObject({ reading: 'insulation', value: 20, above: true });
  });

  it('of a dead unit are not taken live, and nothing is fed at mains while one of them failed', () => {
    const live = [line(protection(2)), line(power('live-isolated'))];
    show(<SafetyCheck view={viewOf(live)} stage="prove" reading="earth" />);
    type(/^Earth path, as read/, '0.1');
    expect(screen.getByText('Live: unplug first.')).toBeTruthy();
    expect(button('Keep reading').disabled).toBe(true);
  });

  it('of the leakage are refused after a failed earth path, by its name', () => {
    const failed = line({
      kind: 'safety-reading',
      reading: 'earth',
      value: 2,
      above: false,
      limit: 0.3,
      instrument: '',
    });
    show(<SafetyCheck view={viewOf([line(protection(2)), failed])} stage="prove" reading="touch-current" />);
    expect(screen.getByText(/^Failed: earth path\. Stop: no mains on it/)).toBeTruthy();
    type(/, as read/, '0.1');
    expect(button('Keep reading').disabled).toBe(true);
  });

  it('begin with the class of the unit and a cord of a length that can be', async () => {
    const done = vi.fn();
    show(<ClassCheck view={viewOf([])} stage="prove" onDone={done} />);
    for (const wrong of ['0', '-1', '101', 'long']) {
      type('Length of the cord', wrong);
      expect(button('I: earth pin').disabled, wrong).toBe(true);
    }
    type('Length of the cord', '2,5');
    fireEvent.click(button('II: two squares'));
    await waitFor(async () =>
      expect(await bodies()).toEqual([{ kind: 'protection-class', protection: 'II', cordM: 2.5 }]),
    );
    expect(done).toHaveBeenCalledOnce();
  });
});

describe('coast-down', () => {
  const run = (seconds: number): EventBody => ({
    kind: 'coast',
    speedId: '33',
    fromRpm: 100 / 3,
    toRpm: 50 / 3,
    seconds,
    how: 'stopwatch',
    conditions: '',
  });

  it('is kept from the nominal speed to its half, with how it was held', async () => {
    show(<CoastDown view={viewOf([])} stage="prove" speedId="33" />);
    expect(screen.getByText(/seconds from 33\.3 to 16\.7 rpm/)).toBeTruthy();
    for (const wrong of ['0', '-3', '10000', 'x']) {
      type('Or timed', wrong);
      expect(button('Keep the time').disabled, wrong).toBe(true);
    }
    type('Or timed', '41,5');
    type('Held how, with what on it', ' mat on ');
    fireEvent.click(button('Keep the time'));
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    const [kept] = (await bodies()) as [Extract<EventBody, { kind: 'coast' }>];
    expect(kept).toMatchObject({ seconds: 41.5, how: 'stopwatch', conditions: 'mat on', speedId: '33' });
    expect(kept.fromRpm).toBeCloseTo(33.3333, 3);
    expect(kept.toRpm).toBeCloseTo(16.6667, 3);
  });

  it('twice as long after the work is half the drag, with what the thumb leaves open', () => {
    const work: EventBody = { kind: 'work', action: 'oil', what: 'the bearing' };
    show(<CoastDown view={viewOf([line(run(20)), line(work), line(run(40))])} stage="prove" speedId="33" />);
    // 20/40; each time ± √2 · 0.15 s, so 0.5 · hypot(0.0106, 0.0053), doubled.
    expect(plain(screen.getByText(/^Drag/).textContent)).toBe('Drag 0.50 ± 0.01 times that before');
    expect(screen.getByText('before the work:')).toBeTruthy();
    expect(screen.getByText('after the work:')).toBeTruthy();
  });

  it('tapped at every turn it is timed from 98 % of the speed to its half', async () => {
    show(<CoastDown view={viewOf([])} stage="prove" speedId="33" />);
    // Two turns at full speed, then a run down with a time constant of 30 s: n turns are over after
    // −30 ln(1 − n / (0.5556 · 30)) seconds.
    const perS = 100 / 3 / 60;
    for (let n = -2; n <= 9; n++) {
      const atMs = 1000 * (5 + (n < 0 ? n / perS : -30 * Math.log(1 - n / (perS * 30))));
      const tap = createEvent.pointerDown(button(/^Tap at every turn|^Tapped/));
      Object.defineProperty(tap, 'timeStamp', { value: atMs });
      fireEvent(button(/^Tap at every turn|^Tapped/), tap);
    }
    expect(button('Tapped 12')).toBeTruthy();
    fireEvent.click(button('Slow enough'));
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    const [kept] = (await bodies()) as [Extract<EventBody, { kind: 'coast' }>];
    expect(kept).toMatchObject({ how: 'taps', speedId: '33' });
    expect(kept.fromRpm).toBeCloseTo(0.98 * 33.3333, 3);
    expect(kept.toRpm).toBeCloseTo(16.6667, 3);
    // 30 ln(0.98 / 0.5) = 20.19 s, to a quarter of a turn: where it was switched off between two taps is not seen.
    expect(Math.abs(kept.seconds - 20.19)).toBeLessThan(0.45);
  });

  it('is tapped by Enter too, once a press; no other key taps', () => {
    show(<CoastDown view={viewOf([])} stage="prove" speedId="33" />);
    const tap = () => button(/^Tap at every turn$|^Tapped/);
    fireEvent.keyDown(tap(), { key: 'Enter' });
    fireEvent.keyDown(tap(), { key: 'Enter', repeat: true });
    fireEvent.keyDown(tap(), { key: 'a' });
    expect(button('Tapped 1')).toBeTruthy();
    fireEvent.keyDown(tap(), { key: 'Enter' });
    expect(button('Tapped 2')).toBeTruthy();
    // Two are no run down yet.
    expect(screen.queryByRole('button', { name: 'Slow enough' })).toBeNull();
    fireEvent.keyDown(tap(), { key: 'Enter' });
    expect(button('Slow enough')).toBeTruthy();
  });

  it('tapped too fast, or too few, says so and keeps nothing', async () => {
    show(<CoastDown view={viewOf([])} stage="prove" speedId="33" />);
    const tap = button('Tap at every turn');
    for (let i = 0; i < 3; i++) fireEvent.pointerDown(tap);
    expect(button('Tapped 3')).toBeTruthy();
    fireEvent.click(button('Slow enough'));
    expect(button('Tap at every turn')).toBeTruthy();
    expect(await bodies()).toEqual([]);
  });
});

describe('drift since it was switched on', () => {
  const MINUTES = [1, 3, 6, 10, 15, 22, 30, 40];
  /** From +0.8 % to +0.2 %, a time constant of 8 min. */
  const warming = MINUTES.map((t) => at(t, speed(0.2 + 0.6 * Math.exp(-t / 8))));

  it('is fitted: where it runs to, how fast, since when it is steady', () => {
    drawn.length = 0;
    show(<Drift view={viewOf([at(0, power('live-isolated')), ...warming])} speedId="33" />);
    const words = plain(screen.getByRole('region', { name: 'Warm-up and drift' }).textContent);
    expect(words).toMatch(/Runs to \+0\.20 \(\+0\.(19|20) to \+0\.2[01]\) %/);
    expect(words).toMatch(/time constant 8\.0 \(/);
    expect(words).toMatch(/steady within 0\.\d\d % since \d+ min/);
    const [chart] = drawn;
    const read = chart?.series.find(({ name }) => name === 'read')?.data ?? [];
    expect(read.map(([minutes]) => minutes)).toEqual(MINUTES);
    const curve = chart?.series.find(({ name }) => name === 'curve')?.data ?? [];
    // The curve begins at 0.8 and at 8 min has lost 1 − 1/e of the 0.6.
    expect(curve[0]?.[1]).toBeCloseTo(0.8, 2);
    const eight = curve.find(([t]) => (t as number) >= 8);
    expect(eight?.[1]).toBeCloseTo(0.2 + 0.6 / Math.E, 2);
  });

  it('of few readings says how many are wanted, and readings of another session do not count', () => {
    const off = [
      at(41, power('unplugged-discharged')),
      at(50, power('live-isolated')),
      at(52, speed(0.5)),
      at(55, speed(0.4)),
    ];
    show(<Drift view={viewOf([at(0, power('live-isolated')), ...warming, ...off])} speedId="33" />);
    expect(screen.getByText('2 of 5 readings for a curve')).toBeTruthy();
  });
});

describe('a trial', () => {
  type Step = readonly [phase: 'rest' | 'provoked', value: number];
  const phase = (minutes: number, next: 'rest' | 'provoked' | 'end', began: string | null) =>
    at(minutes, { kind: 'trial-phase', began, provocation: 'heat', block: 'governor', name: 'governor', phase: next });
  const begin = phase(1, 'rest', null);
  const trial = (...values: Step[]) => {
    let now: 'rest' | 'provoked' = 'rest';
    return values.flatMap(([next, value], i) => {
      const turned = next === now ? [] : [phase(2 + i, next, begin.key)];
      now = next;
      return [...turned, at(2.5 + i, speed(value))];
    });
  };
  const view = (...values: Step[]) => viewOf([at(0, power('live-isolated')), begin, ...trial(...values)]);
  const check = (one: ReturnType<typeof view>) =>
    show(<TrialCheck view={one} stage="prove" provocation="heat" block="governor" name="governor" />);

  it('goes from rest to provoked only after a reading, and says how far it is', async () => {
    check(viewOf([at(0, power('live-isolated')), begin]));
    expect(button(/^Now /).disabled).toBe(true);
    expect(screen.getByRole('status').textContent).toMatch(/^Now at rest, read it\. 0 of 3 times\./);
  });

  it('asks for rest again once the provoked one is read, and keeps each step with its beginning', async () => {
    check(view(['rest', 0], ['provoked', 1.1]));
    expect(screen.getByRole('status').textContent).toMatch(/1 read\. 1 of 3 times\./);
    fireEvent.click(button('At rest again'));
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    expect((await bodies())[0]).toMatchObject({ kind: 'trial-phase', began: begin.key, phase: 'rest' });
  });

  it('that moved the speed says by how much, and what leak does that', () => {
    const moved = view(['rest', 0], ['provoked', -1], ['rest', 0.02], ['provoked', -1.02], ['rest', 0]);
    show(<TrialTable view={moved} block="governor" provocation="heat" />);
    const cells = screen.getAllByRole('cell').map((cell) => plain(cell.textContent));
    expect(cells[0]).toBe('before');
    expect(cells[1]).toBe('0.00 | −1.00 | +0.02 | −1.02 | 0.00');
    expect(cells[2]).toMatch(/−1\.0\d/);
    // Slower by one percent: a leak of about a hundred times the leg across which it lies.
    expect(cells[3]).toMatch(/^(9\d|10\d) R across the lower leg of a divider/);
  });
});
