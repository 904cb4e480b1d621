/** The day as it is read at the bench: what the hands do next, by the clock on the wall. */
import type { DayPlanInput } from '@amber-gauge/contract';
import type { DayPlan } from '@amber-gauge/core/bench';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useClock } from '../../shared/outbox/clock.js';
import { drawn, lastDrawn, standForCharts } from '../../test/chartStand.js';
import { JOB, show } from '../../test/scene.js';
import * as client from '../../workers/client.js';
import { DayChart } from './DayChart.js';
import { DayScreen } from './DayScreen.js';

const planner = { answer: null as unknown, asked: [] as unknown[][] };
beforeEach(() => {
  standForCharts();
  vi.spyOn(client, 'planner').mockReturnValue({
    plan: (...given: unknown[]) => {
      planner.asked.push(given);
      return Promise.resolve(planner.answer);
    },
  } as never);
});

/** A Wednesday, half past ten in the morning, by this machine's clock. */
const NOW = new Date(2026, 2, 4, 10, 30);
const [DECK, MIXER] = [JOB.id, '33333333-3333-4333-8333-333333333333'];
const HOURS = { from: '09:00', to: '17:00', days: [1, 2, 3, 4, 5], places: 2, isolators: 1, variacs: 1, tapes: 1 };
const block = (id: string, words: string, handsMin: number, waitMin: number) =>
  ({ id, words, handsMin, waitMin, needs: [], keeps: [] }) as DayPlan['laid'][number]['block'];
const laid = (jobId: string, of: ReturnType<typeof block>, startMin: number) => ({
  jobId,
  block: of,
  startMin,
  handsEndMin: startMin + of.handsMin,
  endMin: startMin + of.handsMin + of.waitMin,
  why: 'next in turn',
});
const CLEAN = block('a', 'Clean the pots', 20, 0);
const SOAK = block('b', 'Put it on soak', 5, 180);
const LATE = block('c', 'Prove it', 15, 119);
const PLAN = {
  laid: [laid(DECK, CLEAN, 10 * 60 + 45), laid(MIXER, SOAK, 11 * 60 + 5), laid(DECK, LATE, 1440 + 9 * 60)],
  cost: 1050,
  bound: 1000,
  firstComeCost: 1400,
} as unknown as DayPlan;
const row = (id: string, number: number, model: string): DayPlanInput['jobs'][number] => ({
  job: { ...JOB, id, number, model, createdAt: '2026-03-01T08:00:00.000Z' },
  chain: { blocks: [CLEAN], busyUntil: null, busyWhy: null, dueOn: null } as never,
  partOn: null,
  part: null,
});
const sent: { url: string; body: unknown }[] = [];
const day = async (given: Partial<DayPlanInput> = {}, plan: DayPlan = PLAN) => {
  planner.answer = plan;
  let first = given.first ?? [];
  vi.stubGlobal('fetch', (url: string, asked?: RequestInit) => {
    if (asked?.method === 'PUT') {
      const body = JSON.parse(asked.body as string) as { first: string[] };
      sent.push({ url, body });
      first = body.first;
      return Promise.resolve(Response.json(body));
    }
    return Promise.resolve(
      Response.json({
        jobs: [row(DECK, 7, 'Up'), row(MIXER, 12, 'Stir')],
        hours: HOURS,
        more: 0,
        ...given,
        first,
      }),
    );
  });
  show(<DayScreen />);
  await screen.findByRole('heading', { level: 1 });
};
const rows = () =>
  within(screen.getByLabelText('Blocks'))
    .getAllByRole('listitem')
    .map((one) => one.textContent);

beforeEach(() => {
  useClock.setState({ offsetMs: NOW.getTime() - Date.now() });
});
afterEach(() => {
  useClock.setState({ offsetMs: 0 });
  drawn.length = 0;
  planner.asked.length = 0;
  sent.length = 0;
});

describe('the day', () => {
  it('begins with what the hands do next, and when; tomorrow has its day', async () => {
    await day();
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('10:45: Clean the pots, 0007 Made Up');
    // Two hours and more are said in hours; less in minutes.
    expect(rows()).toEqual([
      '10:45Clean the pots, 20 min0007 Made Upnext in turnFirst',
      '11:05Put it on soak, 5 min, then 3 h by itself0012 Made Stirnext in turnFirst',
      'Thu 5 09:00Prove it, 15 min, then 119 min by itself0007 Made Upnext in turnFirst',
    ]);
  });

  it('says how good the plan is: 50 over 1000 that no plan beats, 350 of 1400 saved', async () => {
    await day();
    expect(screen.getByText(/^At most/).textContent).toBe(
      'At most 5.0 % over what no plan can beat; 25.0 % less waiting than first come, first served.',
    );
  });

  it('a block that runs by itself is not what the hands do next; without any nothing wants them', async () => {
    const wait = laid(DECK, block('w', 'Runs out', 0, 60), 640);
    await day({}, { ...PLAN, laid: [wait, laid(MIXER, SOAK, 700)] });
    expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(/^11:40: Put it on soak/);
    cleanup();
    await day({}, { ...PLAN, laid: [], bound: 0 });
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Nothing wants hands');
    expect(screen.queryByText(/no plan can beat/)).toBeNull();
  });

  it('one is put first, before those that were, and it can be planned freely again', async () => {
    await day({ first: [DECK] });
    expect(screen.getByText(/^First, because you said so/).textContent).toMatch(/: 0007 Made Up\./);
    // The planner knows the order.
    expect(planner.asked.at(-1)?.[2]).toEqual([DECK]);
    fireEvent.click(screen.getByRole('button', { name: 'First: 0012 Made Stir' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ url: expect.stringMatching(/\/day-plan\/first$/), body: { first: [MIXER, DECK] } });
    expect(screen.getByText(/^First, because/).textContent).toMatch(/0012 Made Stir, 0007 Made Up\./);
    fireEvent.click(screen.getByRole('button', { name: 'Plan it freely again' }));
    await waitFor(() => expect(sent.at(-1)?.body).toEqual({ first: [] }));
    await waitFor(() => expect(screen.queryByText(/^First, because/)).toBeNull());
  });

  it('what was put first once stays first once', async () => {
    await day({ first: [DECK, MIXER] });
    fireEvent.click(screen.getByRole('button', { name: 'First: 0012 Made Stir' }));
    await waitFor(() => expect(sent[0]?.body).toEqual({ first: [MIXER, DECK] }));
  });

  it('a job dragged onto another comes first; onto itself, or something else, nothing', async () => {
    await day();
    const [deck, mixer] = screen.getAllByRole('listitem') as [HTMLElement, HTMLElement];
    const drop = (onto: HTMLElement, id: string) => fireEvent.drop(onto, { dataTransfer: { getData: () => id } });
    drop(mixer, MIXER);
    drop(mixer, 'a picture');
    expect(sent).toEqual([]);
    drop(deck, MIXER);
    await waitFor(() => expect(sent[0]?.body).toEqual({ first: [MIXER] }));
  });

  it('says what is left out, and why there is no plan', async () => {
    await day({ more: 31 });
    expect(screen.getByText('31 open jobs that moved longest ago are not in the plan.')).toBeTruthy();
    cleanup();
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')));
    show(<DayScreen />);
    expect(await screen.findByText(/away|server/i)).toBeTruthy();
  });
});

describe('the plan by day, drawn', () => {
  const start = new Date(2026, 2, 4);
  const chart = (plan: DayPlan) => {
    show(
      <DayChart
        plan={plan}
        open={{ first: 3, hours: HOURS }}
        name={(id) => (id === DECK ? 'deck' : 'mixer')}
        start={start}
      />,
    );
    return lastDrawn();
  };

  it('one row a job; hands, then what runs by itself', () => {
    const { yAxis, series } = chart(PLAN);
    expect(yAxis.data).toEqual(['deck', 'mixer']);
    expect(series[0]?.data).toEqual([
      [0, 645, 665, 1],
      [1, 665, 670, 1],
      [1, 670, 850, 0],
      [0, 1980, 1995, 1],
      [0, 1995, 2114, 0],
    ]);
  });

  it('begins at the step before the first block: four hours, or half a day for more than two days', () => {
    const { xAxis } = chart(PLAN);
    // 645 lies between 480 and 720; the last end, 2114, in the hour that ends at 2160.
    expect([xAxis.min, xAxis.max, xAxis.interval]).toEqual([480, 2160, 240]);
    const long = chart({ ...PLAN, laid: [...PLAN.laid, laid(MIXER, block('z', 'Soak', 5, 10 * 1440), 3000)] }).xAxis;
    // Five days are drawn at most.
    expect([long.min, long.max, long.interval]).toEqual([0, 5 * 1440, 720]);
    expect(lastDrawn().series[0]?.data.at(-1)).toEqual([1, 3005, 7200, 0]);
  });

  it('midnight has its day, other hours the clock', () => {
    const { formatter } = chart(PLAN).xAxis.axisLabel;
    expect([formatter(1440), formatter(720), formatter(1440 + 485)]).toEqual(['Thu 5', '12:00', '08:05']);
  });

  it('closed is shaded: before nine, from five on, and the week’s end whole', () => {
    const closed = chart(PLAN).series[0]?.markArea.data as [{ xAxis: number }, { xAxis: number }][];
    const spans = closed.map(([a, b]) => [a.xAxis, b.xAxis]);
    expect(spans.slice(0, 2)).toEqual([
      [0, 540],
      [1020, 1440],
    ]);
    // Saturday is three days on.
    expect(spans).toContainEqual([3 * 1440, 4 * 1440]);
    expect(spans).not.toContainEqual([1440, 2880]);
  });

  it('hands are high and filled, what runs by itself low and dashed; nothing is thinner than three pixels', () => {
    const item = chart(PLAN).series[0]?.renderItem;
    const drawnAt = (from: number, to: number, hands: 0 | 1) =>
      item?.(null, { value: (at: number) => [0, from, to, hands][at], coord: ([x]: number[]) => [x, 100] });
    expect(drawnAt(10, 40, 1)).toEqual({
      type: 'rect',
      shape: { x: 10, y: 90, width: 30, height: 20 },
      style: { fill: 'ink' },
    });
    expect(drawnAt(10, 40, 0)).toMatchObject({
      shape: { x: 10, y: 96, width: 30, height: 8 },
      style: { stroke: 'ink2' },
    });
    expect(drawnAt(10, 11, 1)?.shape.width).toBe(3);
  });
});
