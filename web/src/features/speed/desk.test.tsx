/** The speed desk: what is shown when it is opened, after a measurement, and when another run is chosen. */
import 'fake-indexeddb/auto';
import type { NewRun, Run } from '@amber-gauge/contract';
import { FAMILIES, familyOf } from '@amber-gauge/core/families';
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { keys } from '../../shared/api/queries.js';
import { answering, keptRun, show, stubSizes, toneFigures } from '../../test/scene.js';
import * as runDetail from '../measuring/parts/RunDetail.js';
import * as waysModule from '../measuring/ways/Ways.js';
import { SpeedDesk } from './SpeedDesk.js';

interface WaysGiven {
  readonly way: string;
  readonly ways: readonly string[];
  readonly limits: { readonly lowerPercent: number };
  readonly onMeasured: (measured: object) => Promise<void>;
  readonly onWay: (way: string) => void;
  readonly onLive: (live: boolean) => void;
}
const given = { ways: null as unknown };

beforeEach(() => {
  vi.spyOn(waysModule, 'Ways').mockImplementation((props) => {
    given.ways = props;
    return <>{props.children}</>;
  });
  vi.spyOn(runDetail, 'RunDetail').mockImplementation(({ run, before, sourceName }) => (
    <p>
      detail of {run.fileName} before {before?.fileName ?? 'none'} by {sourceName ?? 'none'}
    </p>
  ));
  stubSizes();
  localStorage.clear();
  sessionStorage.clear();
  Element.prototype.scrollIntoView = () => undefined;
});

const ways = () => given.ways as WaysGiven;
/** Of now, unless told otherwise; heard live or from a recording. */
const run = (n: number, more: Partial<Run> = {}, live = false): Run => {
  const figures = toneFigures();
  const detail = { ...figures.detail, live } as typeof figures.detail;
  return keptRun(n, {
    fileName: `take ${n}`,
    measuredAt: new Date().toISOString(),
    figures: { ...figures, detail },
    ...more,
  });
};
const desk = (runs: readonly Run[]) => {
  const sent = answering({
    '/runs/': (url: string) => runs.find(({ id }) => url.includes(id)),
    '/runs': (_url: string, body: unknown) =>
      body ? { ...(body as NewRun), demo: false, hasRecording: false } : { runs },
  });
  show(<SpeedDesk />, [[keys.runs(null), { runs }], ...runs.map((one) => [keys.run(one.id), one] as const)]);
  return sent;
};
const shown = () => screen.queryByText(/^detail of/)?.textContent ?? null;
const number = () => screen.queryByTestId('speed-number')?.textContent.replaceAll('\u202f', ' ') ?? null;
const heading = () => screen.getByRole('heading', { level: 1 }).textContent;

describe('the speed desk', () => {
  it('opened with nothing of today it says so; yesterday’s figure stands only in the list', async () => {
    desk([run(1, { measuredAt: '2025-01-01T10:00:00.000Z' })]);
    expect(heading()).toBe('Nothing measured today: choose a way and measure');
    expect([number(), shown()]).toEqual([null, null]);
    fireEvent.click(screen.getByText('take 1'));
    await waitFor(() => expect(shown()).toBe('detail of take 1 before none by none'));
    expect(number()).toBe('−0.32 %');
  });

  it('opened with one of today in the way shown, it is there; in another way it is not', async () => {
    desk([run(1, {}, true), run(2, { sourceId: '22222222-2222-4222-8222-222222222222' })]);
    // The desk begins with recordings: the tone heard live is of another way.
    await waitFor(() => expect(shown()).toBe('detail of take 2 before none by Shop record'));
    act(() => ways().onWay('live tone'));
    await waitFor(() => expect(shown()).toBe('detail of take 1 before none by none'));
    act(() => ways().onWay('pulses'));
    expect(shown()).toBeNull();
  });

  it('while something is heard live its own reading has the room', async () => {
    desk([run(1)]);
    await waitFor(() => expect(number()).toBe('−0.32 %'));
    act(() => ways().onLive(true));
    expect([number(), shown()]).toEqual([null, null]);
    expect(heading()).toBe('Speed desk');
    act(() => ways().onLive(false));
    expect(number()).toBe('−0.32 %');
  });

  it('one can be laid under the one shown, and taken away; where none is shown it is shown itself', async () => {
    desk([run(1), run(2)]);
    await waitFor(() => expect(shown()).toBe('detail of take 1 before none by none'));
    const compare = () => screen.getAllByRole('button', { name: /^compare/ });
    fireEvent.click(compare()[1] as HTMLElement);
    await waitFor(() => expect(shown()).toBe('detail of take 1 before take 2 by none'));
    fireEvent.click(compare()[1] as HTMLElement);
    await waitFor(() => expect(shown()).toBe('detail of take 1 before none by none'));
    cleanup();
    desk([run(1, { measuredAt: '2025-01-01T10:00:00.000Z' })]);
    fireEvent.click(compare()[0] as HTMLElement);
    await waitFor(() => expect(shown()).toBe('detail of take 1 before none by none'));
  });

  it('what was measured is stored without a job and shown, at the speed that ran', async () => {
    const sent = desk([]);
    const { figures } = run(3);
    await act(() =>
      ways().onMeasured({
        run: { ...figures, lines: [], errorPercent: 1.25 },
        fileName: 'new.wav',
        fileBytes: 4,
        sha256: null,
        source: null,
        recording: null,
        speedId: '45',
      }),
    );
    const post = sent.find(({ method }) => method === 'POST');
    expect(post?.body).toMatchObject({ jobId: null, fileName: 'new.wav', figures: { errorPercent: 1.25 } });
    expect(screen.getByRole('combobox', { name: 'Speed' }).textContent).toBe('45 rpm');
  });

  it('another kind of machine has its own speeds, ways and limits', () => {
    desk([]);
    const first = familyOf(FAMILIES[0]?.id ?? '');
    expect(screen.getByRole('combobox', { name: 'Kind of machine' }).textContent).toBe(first.name);
    const other = FAMILIES.find(({ testTone }) => testTone === 'none') as (typeof FAMILIES)[number];
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Kind of machine' }));
    fireEvent.click(screen.getByRole('option', { name: other.name }));
    expect(ways().ways).not.toContain('recording');
    // A way that this machine has not is not kept.
    expect(ways().way).toBe('pulses');
  });
});
