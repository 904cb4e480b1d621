/** A run below its number, and the runs that wait for a job: what is shown of which way, in which figures. */
import type { Run, RunBrief, RunFigures } from '@amber-gauge/contract';
import { familyOf } from '@amber-gauge/core/families';
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { allEntries, removeEntry } from '../../../shared/outbox/store.js';
import 'fake-indexeddb/auto';
import * as downloads from '../../../shared/ui/download.js';
import { drawn, standForCharts } from '../../../test/chartStand.js';
import { answering, JOB, keptRun as run, show, speedRead, toneFigures as figures } from '../../../test/scene.js';
import type { Parts } from '../useParts.js';
import { Droop } from './Droop.js';
import { Export } from './Export.js';
import { FileRun } from './FileRun.js';
import { ImportRun } from './ImportRun.js';
import { RunDetail } from './RunDetail.js';
import { RunList } from './RunList.js';
import { SoundFacts } from './SoundFacts.js';

const saved: string[][] = [];

beforeEach(() => {
  standForCharts();
  vi.spyOn(downloads, 'download').mockImplementation((...given) => void saved.push(given as never));
  localStorage.clear();
  sessionStorage.clear();
});
afterEach(async () => {
  saved.length = 0;
  for (const entry of await allEntries()) await removeEntry(entry.event.key);
});

const plain = (text: string | null | undefined) => (text ?? '').replaceAll(/[\u202f\u00a0]/g, ' ');
const PARTS: Parts = { all: [{ name: 'platter', kind: 'platter', hz: 0.5556 }], own: [], keep: () => undefined };
const series = (values: readonly number[]) => ({
  startS: 0,
  stepS: 0.05,
  errorPercent: [...values],
  halfWidthPercent: values.map(() => 0.01),
});
/** Two minutes of a wave once a turn, a tenth of a percent high. */
const WAVE = series(Array.from({ length: 2400 }, (_, i) => 0.1 * Math.sin(2 * Math.PI * 0.5556 * 0.05 * i)));
const SPECTRUM = { frequencyHz: [0.5, 0.5556, 1], peakPercent: [0.01, 0.1, 0.01] };
const WOW = { series: WAVE, spectrum: SPECTRUM, lines: [{ frequencyHz: 0.5556, peakPercent: 0.1 }] };
const detail = (of: Run, before: Run | null = null) =>
  show(<RunDetail run={of} before={before} parts={PARTS} sourceName="Shop record" />);

describe('a run in detail', () => {
  it('by hand has no course, no wow and no turn', () => {
    detail(run(1));
    expect(drawn).toEqual([]);
    expect(screen.queryByText('Who makes the wow')).toBeNull();
    expect(screen.queryByText(/^Speed over time/)).toBeNull();
    expect(screen.getByText('All figures, each with its working')).toBeTruthy();
  });

  it('of a tone shows who makes the wow, the turn of the slowest part and the course', () => {
    detail(run(1, { figures: figures(WOW) }));
    expect(screen.getByText('Who makes the wow')).toBeTruthy();
    expect(screen.getByText('The turn of the platter, % by angle')).toBeTruthy();
    expect(screen.getByText('Speed over time, % of nominal')).toBeTruthy();
    // The turn by its angle and the course by its time; the spectrum only when it is asked for.
    expect(drawn.map(({ xAxis }) => (xAxis as { max?: unknown }).max)).toEqual([360, 'dataMax']);
    const spectrum = screen.getByText('Spectrum and its lines').closest('details') as HTMLDetailsElement;
    spectrum.open = true;
    fireEvent(spectrum, new Event('toggle'));
    expect(drawn.at(-1)?.series[0]?.data).toEqual([
      [0.5, 0.01],
      [0.5556, 0.1],
      [1, 0.01],
    ]);
  });

  it('one before lies under it, dashed, with what has changed; itself does not', () => {
    const now = run(1, { figures: figures({ ...WOW, errorPercent: 0.01 }) });
    const before = run(2, { figures: figures({ ...WOW, errorPercent: -0.4 }) });
    detail(now, now);
    expect(screen.queryByText(/before dashed/)).toBeNull();
    cleanup();
    detail(now, before);
    expect(screen.getByText(', before dashed')).toBeTruthy();
    expect(drawn.at(-1)?.series.map(({ name }) => name)).toEqual(['before', 'now']);
  });

  it('of a motor’s sound has its candidates and its droop, a tone has neither', () => {
    detail(run(1, { figures: figures(WOW) }));
    expect(screen.queryByLabelText('Loaded at, s')).toBeNull();
    expect(screen.queryByRole('table', { name: 'Speeds that fit' })).toBeNull();
    cleanup();
    const heard = { way: 'sound', lines: 'blades', linesPerTurn: 7, candidates: [], stretches: [] } as never;
    detail(run(1, { figures: figures({ series: WAVE, detail: heard }) }));
    expect(screen.getByLabelText('Loaded at, s')).toBeTruthy();
    expect(screen.getByRole('table', { name: 'Speeds that fit' })).toBeTruthy();
  });

  it('without a nominal the course is of its mean', () => {
    detail(run(1, { figures: figures({ series: WAVE, nominal: null, errorPercent: null }) }));
    expect(screen.getByText('Speed over time, % of its mean')).toBeTruthy();
    // Pulses see no wow: no spectrum, no parts.
    expect(screen.queryByText('Who makes the wow')).toBeNull();
  });
});

describe('what the sound said', () => {
  const sound = (stretches: { startS: number; endS: number; rpm: number }[]) =>
    ({
      way: 'sound',
      lines: 'blades',
      linesPerTurn: 7,
      candidates: [
        { rpm: 12000.4, share: 0.993, why: 'seven lines a turn' },
        { rpm: 6000, share: 0.004, why: 'half of it' },
      ],
      stretches,
    }) as Extract<RunFigures['detail'], { way: 'sound' }>;
  const cells = (name: string) =>
    [...screen.getByRole('table', { name }).querySelectorAll('tr')].map((row) =>
      [...row.children].map((cell) => cell.textContent),
    );

  it('candidates with their odds; runs only of what stops and starts', () => {
    show(<SoundFacts detail={sound([{ startS: 0, endS: 5, rpm: 12000 }])} />);
    expect(cells('Speeds that fit')).toEqual([
      ['12000 rpm', 'over 99 %', 'seven lines a turn'],
      ['6000 rpm', '0 %', 'half of it'],
    ]);
    expect(screen.queryByRole('table', { name: 'Runs' })).toBeNull();
    cleanup();
    const many = Array.from({ length: 14 }, (_, i) => ({ startS: i, endS: i + 0.64, rpm: i % 2 ? 50.4 : -50.4 }));
    show(<SoundFacts detail={sound(many)} />);
    expect(cells('Runs')).toHaveLength(12);
    expect(cells('Runs').slice(0, 2)).toEqual([
      ['0.0 to 0.6 s', '−50 rpm'],
      ['1.0 to 1.6 s', '50 rpm'],
    ]);
  });

  it('droop is how much slower it is loaded than free, about two marks', () => {
    // Ten seconds free at +1 %, ten loaded at −4 %: 0.96 / 1.01 is 4.95 % slower.
    const values = [...new Array<number>(200).fill(1), ...new Array<number>(201).fill(-4)];
    show(<Droop series={series(values)} />);
    expect(['Free at, s', 'Loaded at, s'].map((one) => (screen.getByLabelText(one) as HTMLInputElement).value)).toEqual(
      ['1', '19'],
    );
    expect(screen.getByRole('status').textContent).toMatch(/^5\.0 % slower loaded than free \(±/);
    fireEvent.change(screen.getByLabelText('Loaded at, s'), { target: { value: '5' } });
    expect(screen.getByRole('status').textContent).toMatch(/^0\.0 % slower/);
    for (const wrong of ['', '400', 'late']) {
      fireEvent.change(screen.getByLabelText('Loaded at, s'), { target: { value: wrong } });
      expect(screen.getByRole('status').textContent, wrong).toMatch(/^Marks lie between the ends/);
    }
  });
});

describe('runs without a job', () => {
  const list = (runs: readonly RunBrief[], chosen: string | null = null, compared: string | null = null) => {
    const told = { chosen: vi.fn(), compared: vi.fn() };
    show(<RunList runs={runs} chosen={chosen} onChoose={told.chosen} compared={compared} onCompare={told.compared} />);
    return told;
  };

  it('stand with day, name, figure and way; one without nominal by its turns', () => {
    const gyro = figures({
      detail: { way: 'gyro', biasDps: 0, unit: 'deg/s' } as never,
      expandedPercent: 1.5,
      errorPercent: 2.04,
    });
    const sound = figures({
      detail: { way: 'sound' } as never,
      unit: 'rpm',
      nominal: null,
      errorPercent: null,
      mean: 11999.6,
    });
    const told = list(
      [run(1, { hasRecording: true }), run(2, { figures: gyro }), run(3, { figures: sound })],
      run(1).id,
      run(2).id,
    );
    const rows = [...screen.getByLabelText('Runs without a job').children].map((row) => plain(row.textContent));
    expect(rows).toEqual([
      '2025-03-04take 1.wav−0.32 ± 0.05 %sound keptcompare',
      '2025-03-04take 2.wav+2.04 ± 1.50 %gyroscopecompared',
      '2025-03-04take 3.wav12000 rpm ± 0.05 %soundcompare',
    ]);
    const keys = screen.getAllByRole('button', { name: /^compare/ }) as HTMLButtonElement[];
    expect(keys.map((one) => one.disabled)).toEqual([true, false, false]);
    fireEvent.click(keys[2] as HTMLElement);
    fireEvent.click(screen.getByText('take 2.wav'));
    expect([told.compared.mock.calls, told.chosen.mock.calls]).toEqual([[[run(3).id]], [[run(2).id]]]);
  });

  it('none says what would stand there', () => {
    list([]);
    expect(screen.getByText(/^No runs without a job\./)).toBeTruthy();
  });

  const family = familyOf('belt-turntable-dc');
  const speed = family.speeds.find(({ id }) => id === '33') as (typeof family.speeds)[number];
  const item = (number: number, speedIds: readonly string[]) => ({
    job: { ...JOB, id: `1111111${number}-1111-4111-8111-111111111111`, number, speedIds },
    next: { stage: 'find', kind: 'hands', text: '', until: null },
    power: 'unplugged-discharged',
    speeds: [],
    timers: [],
    lineCount: 1,
    lastAt: null,
    movedAt: '2026-01-01T08:00:00.000Z',
  });

  it('is filed to an open unit that has this speed, as a line of the moment it was measured', async () => {
    const filed = vi.fn();
    const sent = answering({
      '/jobs?family': { jobs: [item(1, ['33', '45']), item(2, ['78'])], counts: null, unreadable: [] },
      '/runs': (_url: string) => run(1, { jobId: item(1, []).job.id }),
      '/jobs': () => new Response('', { status: 503 }),
    });
    show(<FileRun run={run(1)} speed={speed} reading={speedRead('33', -0.3)} familyId={family.id} onFiled={filed} />);
    await waitFor(() => expect(sent.length).toBeGreaterThan(0));
    fireEvent.click(screen.getByRole('button', { name: 'File to a job' }));
    const choices = await screen.findAllByRole('menuitem', { name: /as 33⅓ rpm$/ });
    expect(choices.map((one) => one.textContent)).toEqual(['0001 Made Up, as 33⅓ rpm']);
    fireEvent.click(choices[0] as HTMLElement);
    await waitFor(() => expect(filed).toHaveBeenCalledOnce());
    const post = sent.find(({ url }) => url === `/runs/${run(1).id}/file`);
    expect(post).toMatchObject({ method: 'POST', body: { jobId: item(1, []).job.id } });
    const [entry] = await allEntries();
    expect(entry).toMatchObject({
      jobId: item(1, []).job.id,
      event: { stage: 'take-in', enteredAt: '2025-03-04T10:00:00.000Z', body: { kind: 'speed', errorPercent: -0.3 } },
    });
  });

  it('without an open unit of this kind there is nothing to file to', async () => {
    answering({ '/jobs?family': { jobs: [item(2, ['78'])], counts: null, unreadable: [] } });
    show(<FileRun run={run(1)} speed={speed} reading={speedRead('33', 0)} familyId={family.id} onFiled={() => {}} />);
    fireEvent.click(screen.getByRole('button', { name: 'File to a job' }));
    const none = await screen.findByRole('menuitem', { name: 'No open job of this kind has 33⅓ rpm' });
    expect(none.getAttribute('aria-disabled')).toBe('true');
  });
});

describe('a run out and in', () => {
  it('goes out under the name of its file, in letters that a file may have', () => {
    show(<Export run={run(1, { fileName: 'Side A/33: warm.wav' })} sourceName="Shop record" />);
    fireEvent.click(screen.getByRole('button', { name: 'Export CSV' }));
    fireEvent.click(screen.getByRole('button', { name: 'Export JSON' }));
    expect(saved.map(([name, kind]) => [name, kind])).toEqual([
      ['Side-A-33-warm-speed.csv', 'text/csv'],
      ['Side-A-33-warm-speed.json', 'application/json'],
    ]);
    expect(screen.getByText('recording’s SHA-256 abcdef012345…')).toBeTruthy();
    cleanup();
    show(<Export run={run(1, { fileName: '', sha256: null })} sourceName={null} />);
    fireEvent.click(screen.getByRole('button', { name: 'Export CSV' }));
    expect(saved.at(-1)?.[0]).toBe('run-speed.csv');
    expect(screen.getByText('nothing was recorded')).toBeTruthy();
  });

  it('what went out comes in with the same figures; what is none, or far too long, does not', async () => {
    show(<Export run={run(1)} sourceName={null} />);
    fireEvent.click(screen.getByRole('button', { name: 'Export JSON' }));
    const text = saved[0]?.[2] ?? '';
    cleanup();
    const imported = vi.fn();
    const sent = answering({
      '/runs': (_url: string, body: unknown) => ({ ...(body as Run), demo: false, hasRecording: false }),
    });
    show(<ImportRun onImported={imported} />);
    const take = (file: File) => fireEvent.change(screen.getByLabelText('Exported run'), { target: { files: [file] } });
    take(new File([text], 'back.json'));
    await waitFor(() => expect(imported).toHaveBeenCalledOnce());
    expect(sent[0]?.body).toMatchObject({ jobId: null, fileName: 'take 1.wav', figures: figures() });
    expect((sent[0]?.body as Run).id).not.toBe(run(1).id);
    take(new File(['<html>'], 'page.html'));
    const long = new File(['{}'], 'long.json');
    Object.defineProperty(long, 'size', { value: 64e6 + 1 });
    take(long);
    for (let turn = 0; turn < 5; turn++) await act(() => new Promise((resolve) => setTimeout(resolve)));
    expect(imported).toHaveBeenCalledOnce();
    expect(sent).toHaveLength(1);
  });
});
