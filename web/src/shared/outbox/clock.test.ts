/** The server's clock from here: half the way is allowed for; asked again after sleep, after a jump, when the page is seen. */
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { serverNow, serverTimeOf, setClock, useClock, watchClock } from './clock.js';

const START = Date.UTC(2026, 2, 1, 12);
let asked = 0;
let ahead = 0;
let tookMs = 0;

beforeEach(() => {
  vi.useFakeTimers({ now: START });
  [asked, ahead, tookMs] = [0, 0, 0];
  useClock.setState({ offsetMs: 0 });
  vi.stubGlobal('fetch', () => {
    asked++;
    // The server reads its clock half way through.
    const now = new Date(Date.now() + tookMs / 2 + ahead).toISOString();
    vi.setSystemTime(Date.now() + tookMs);
    return Promise.resolve(new Response(JSON.stringify({ now }), { headers: { 'content-type': 'application/json' } }));
  });
});
afterEach(() => {
  vi.useRealTimers();
});

describe('the server’s clock', () => {
  it.each([
    [0, 0],
    [90_000, 0],
    [-3_600_000, 400],
    [250, 1000],
  ])('%i ms ahead is told as such, though the answer takes %i ms', async (by, way) => {
    [ahead, tookMs] = [by, way];
    await setClock();
    expect(useClock.getState().offsetMs).toBeCloseTo(by, 6);
    expect(serverNow().getTime()).toBeCloseTo(Date.now() + by, 6);
    expect(serverTimeOf(1234).getTime()).toBeCloseTo(performance.timeOrigin + 1234 + by, 0);
  });

  it('what was known stays when it does not answer', async () => {
    ahead = 5000;
    await setClock();
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')));
    await expect(setClock()).rejects.toThrow();
    expect(useClock.getState().offsetMs).toBe(5000);
  });

  it('is asked again when the page is seen, when the device slept, and when its clock was moved; else not', async () => {
    watchClock();
    await vi.advanceTimersByTimeAsync(60_000);
    expect(asked).toBe(0);
    document.dispatchEvent(new Event('visibilitychange'));
    await vi.advanceTimersByTimeAsync(0);
    expect(asked).toBe(1);
    // Two minutes that no timer saw.
    vi.setSystemTime(Date.now() + 120_000);
    await vi.advanceTimersByTimeAsync(5000);
    expect(asked).toBe(2);
    await vi.advanceTimersByTimeAsync(20_000);
    expect(asked).toBe(2);
    // Set back by two seconds by hand.
    vi.setSystemTime(Date.now() - 2000);
    await vi.advanceTimersByTimeAsync(5000);
    expect(asked).toBe(3);
  });
});
