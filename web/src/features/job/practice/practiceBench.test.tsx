/** The practice bench: what is done on it and kept, what its scope draws, how a unit is marked. */
import type { EventBody } from '@amber-gauge/core/bench';
import { practiceVisit, type Debrief, type Visit } from '@amber-gauge/core/training';
import type { PracticeTrace } from '@amber-gauge/core/practice';
import { act, cleanup, fireEvent, renderHook, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { JOB, line, show, viewOf } from '../../../test/scene.js';
import * as client from '../../../workers/client.js';
import { useAsked } from '../asked.js';
import { bodies, stage } from '../find/find.test-data.js';
import { Checks } from './Checks.js';
import { PracticeStrip } from './PracticeStrip.js';
import { ScopeScreen } from './ScopeScreen.js';
import { SetTo, type Stands } from './SetTo.js';
import { useDebrief } from './useMarking.js';

const marker = { asked: [] as unknown[][], answer: (): unknown => null };

stage();
beforeEach(() => {
  vi.spyOn(client, 'marker').mockReturnValue({
    debrief: (...given: unknown[]) => {
      marker.asked.push(given);
      return Promise.resolve().then(() => marker.answer());
    },
  } as never);
  marker.asked.length = 0;
  marker.answer = () => null;
  useAsked.setState({ asked: null });
});

const CLEANER = {
  ...JOB,
  familyId: 'vacuum-cleaner',
  speedIds: [],
  complaint: 'It only hums.',
  practice: { machine: 'vacuum', faults: ['boost-low'], seed: 3, lesson: null },
};
const LIVE: EventBody = { kind: 'power', state: 'live-direct', conditions: [] };
const strip = (...told: EventBody[]) => {
  const view = viewOf(
    told.map((body) => line(body)),
    CLEANER,
  );
  show(<PracticeStrip view={view} stage="take-in" speedId="" />);
  return view;
};
const button = (name: RegExp | string) => screen.getByRole('button', { name }) as HTMLButtonElement;
const visitOf = (...told: EventBody[]) =>
  practiceVisit(
    CLEANER,
    told.map((body) => line(body)),
  ) as Visit;

describe('the scope of the practice bench', () => {
  const trace = (volts: readonly number[], intervalS: number): PracticeTrace =>
    ({ volts: Float64Array.from(volts), intervalS }) as unknown as PracticeTrace;
  const drawn = () => {
    const d = document.querySelector('figure path')?.getAttribute('d') ?? '';
    return [...d.matchAll(/[ML]([\d.-]+) ([\d.-]+)/g)].map(([, x, y]) => [Number(x), Number(y)]);
  };
  const caption = () => (document.querySelector('figcaption')?.textContent ?? '').replaceAll('\u202f', ' ');

  it('a square of 0 and 5 V over a second: 1 V and 100 ms a division, the middle in the middle', () => {
    show(<ScopeScreen trace={trace([0, 0, 5, 5, 0, 0, 5, 5, 0, 0], 0.1)} />);
    expect(caption()).toBe('1 V and 100 ms a division');
    // Ten divisions over 500, six over 120: a sample is 50 across, 2.5 V from the middle are 50 up or down.
    expect(drawn()).toEqual([
      [0, 110],
      [50, 110],
      [100, 10],
      [150, 10],
      [200, 110],
      [250, 110],
      [300, 10],
      [350, 10],
      [400, 110],
      [450, 110],
    ]);
    expect(document.querySelectorAll('figure line')).toHaveLength(11 + 7);
  });

  it('divisions go by one, two and five', () => {
    // 12 V over five and a half divisions ask for 2.2 V: five. Three seconds over ten: half a second.
    show(<ScopeScreen trace={trace([-6, 6, -6], 1)} />);
    expect(caption()).toBe('5 V and 500 ms a division');
    cleanup();
    // 8 V: 1.45, two. Twelve seconds: two.
    show(<ScopeScreen trace={trace([0, 8, 0, 8, 0, 8], 2)} />);
    expect(caption()).toBe('2 V and 2 s a division');
    cleanup();
    // Exactly 1.1 V: 0.2 each. A millisecond: 0.1.
    show(<ScopeScreen trace={trace([0, 1.1], 0.0005)} />);
    expect(caption()).toBe('0.2 V and 0.1 ms a division');
  });

  it('no more points than say something; a flat line lies in the middle', () => {
    show(
      <ScopeScreen
        trace={trace(
          Array.from({ length: 5000 }, (_, i) => i % 2),
          1e-4,
        )}
      />,
    );
    // Each third of 5000.
    expect(drawn()).toHaveLength(1667);
    cleanup();
    show(<ScopeScreen trace={trace([3.3, 3.3, 3.3], 0.01)} />);
    expect(drawn().map(([, y]) => y)).toEqual([60, 60, 60]);
  });
});

describe('how the unit stands', () => {
  const STANDS: Stands = { setting: '33', warm: 0, tapped: false, loaded: false, damp: false, held: {} };
  const WAYS = [{ id: 'belt', name: 'Belt', values: ['on', 'off'] }] as never;
  const set = (stands: Partial<Stands>, settings: readonly string[], answersTo: readonly string[]) => {
    const told = vi.fn();
    show(
      <SetTo
        machine={{ settings, answersTo } as never}
        ways={WAYS}
        stands={{ ...STANDS, ...stands }}
        onStands={told}
      />,
    );
    return told;
  };

  it('one setting is no choice; of several one is taken', () => {
    set({}, ['33'], []);
    expect(screen.queryByRole('group', { name: 'The unit is set to' })).toBeNull();
    cleanup();
    const told = set({}, ['33', '45'], []);
    fireEvent.click(button('45'));
    expect(told).toHaveBeenCalledWith({ ...STANDS, setting: '45' });
  });

  it('warm, tapped, loaded, damp stand beside each other and are taken back each for itself', () => {
    const all = ['warm', 'tapped', 'loaded', 'damp'];
    const told = set({ warm: 1, damp: true }, ['33'], all);
    expect(all.map((one) => button(one).getAttribute('aria-pressed'))).toEqual(['true', 'false', 'false', 'true']);
    fireEvent.click(button('tapped'));
    expect(told).toHaveBeenLastCalledWith({ ...STANDS, warm: 1, tapped: true, damp: true });
    fireEvent.click(button('warm'));
    expect(told).toHaveBeenLastCalledWith({ ...STANDS, warm: 0, damp: true });
    fireEvent.click(button('loaded'));
    expect(told).toHaveBeenLastCalledWith({ ...STANDS, warm: 1, loaded: true, damp: true });
    fireEvent.click(button('damp'));
    expect(told).toHaveBeenLastCalledWith({ ...STANDS, warm: 1 });
  });

  it('is held as usual until it is held otherwise', () => {
    const told = set({}, ['33'], []);
    expect(screen.getByRole('combobox', { name: 'Belt' }).textContent).toBe('on');
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Belt' }));
    fireEvent.click(screen.getByRole('option', { name: 'off' }));
    expect(told).toHaveBeenCalledWith({ ...STANDS, held: { belt: 'off' } });
  });
});

describe('the bench of a practice unit', () => {
  it('begins at nought minutes with the owner’s words, its instruments out at take-in', () => {
    strip();
    expect(screen.getByTestId('practice-clock').textContent).toBe('0');
    expect(screen.getByTestId('practice-shown').textContent).toBe('The owner says: It only hums.');
    expect(screen.getByRole('combobox', { name: 'Instrument' })).toBeTruthy();
    fireEvent.click(button('Instruments'));
    expect(screen.queryByRole('combobox', { name: 'Instrument' })).toBeNull();
    expect(button('Do what is asked').disabled).toBe(true);
  });

  it('what was done costs its minutes', () => {
    const acted: EventBody = {
      kind: 'practice-act',
      testId: null,
      name: 'a look',
      words: 'well',
      minutes: 12.4,
      harm: null,
    } as EventBody;
    strip(acted, acted);
    expect(screen.getByTestId('practice-clock').textContent).toBe('25');
  });

  it('a look that is asked for is done with one key and kept with what was seen and what it cost', async () => {
    const { path } = visitOf();
    const outside = path.tests.find((one) => one.outside && one.power === 'running') ?? path.tests[0];
    useAsked.setState({ asked: { testId: outside?.id } as never });
    strip(LIVE);
    expect(screen.getByTestId('practice-shown').textContent).toBe(outside?.name);
    fireEvent.click(button('Do what is asked'));
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    const [kept] = await bodies();
    expect(kept).toMatchObject({ kind: 'practice-act', testId: outside?.id, name: outside?.name, harm: null });
    const words = kept && 'words' in kept ? kept.words : '';
    expect(screen.getByTestId('practice-shown').textContent).toBe(`${outside?.name}: ${words}`);
    // What is only for the screen is not kept.
    expect(kept).not.toHaveProperty('typed');
    expect(kept).not.toHaveProperty('outcome');
  });

  it('what cannot be done now says why, and nothing is kept', async () => {
    const { path } = visitOf();
    const running = path.tests.find((one) => one.power === 'running');
    useAsked.setState({ asked: { testId: running?.id } as never });
    strip();
    fireEvent.click(button('Do what is asked'));
    const said = screen.getByTestId('practice-shown').textContent ?? '';
    expect(said).not.toBe(running?.name);
    expect(said.length).toBeGreaterThan(5);
    expect(await bodies()).toEqual([]);
  });

  it('danger that was done stands there', () => {
    const burnt = { kind: 'practice-act', testId: null, name: 'a look', words: '', minutes: 1, harm: 'the fuse blew' };
    strip(burnt as unknown as EventBody);
    const alert = screen.queryByRole('alert');
    expect(alert?.textContent).toContain('the fuse blew');
  });

  it('a machine that is not known here cannot be measured', () => {
    const view = viewOf([], { ...CLEANER, practice: { ...CLEANER.practice, machine: 'no such' } });
    show(<PracticeStrip view={view} stage="find" speedId="" />);
    expect(screen.getByText(/is not known to this version: it cannot be measured/)).toBeTruthy();
  });

  it('a job that is no practice has no such bench', () => {
    const { container } = show(<PracticeStrip view={viewOf([])} stage="find" speedId="33" />);
    expect(container.textContent).toBe('');
  });
});

describe('any look or check', () => {
  it('those from outside come first; what cannot be done now is not offered', () => {
    const done = vi.fn();
    const visit = visitOf();
    show(<Checks visit={visit} onDo={done} />);
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Look, listen, check' }));
    const options = within(screen.getByRole('listbox')).getAllByRole('option');
    const outside = visit.path.tests.filter((one) => one.outside).map(({ name }) => name);
    expect(options.slice(0, outside.length).map((one) => one.textContent)).toEqual(outside);
    const open = options.findLast((one) => one.getAttribute('aria-disabled') !== 'true') as HTMLElement;
    fireEvent.click(open);
    fireEvent.click(button('Do'));
    expect((done.mock.calls[0]?.[0] as { name: string }).name).toBe(open.textContent);
  });
});

describe('marking', () => {
  const DEBRIEF = {
    minutes: 20,
    best: { minutes: 5 },
    found: [],
    left: [],
  } as unknown as Debrief;

  it('asks the worker with all that was done, and says when it cannot be marked', async () => {
    marker.answer = () => {
      throw new Error('no');
    };
    const view = strip({ kind: 'note', text: 'hums' });
    fireEvent.click(button('I am done'));
    expect(button('Marking').disabled).toBe(true);
    await waitFor(() => expect(button('I am done').disabled).toBe(false));
    const [job, lines] = marker.asked[0] as [{ id: string }, { body: EventBody }[]];
    expect(job.id).toBe(view.job.id);
    expect(lines.map(({ body }) => body)).toEqual([{ kind: 'note', text: 'hums' }]);
    expect(await bodies()).toEqual([]);
  });

  const END = {
    kind: 'practice-end',
    minutes: 20,
    adviceMinutes: 10,
    bestMinutes: 5,
    liveTests: 0,
    wrongParts: 0,
    harm: [],
    found: [],
    left: [],
  } as unknown as EventBody;

  it('a unit that has ended is marked by what stood before its end, and once', async () => {
    marker.answer = () => DEBRIEF;
    const view = viewOf(
      [{ kind: 'note', text: 'hums' } as EventBody, END, { kind: 'note', text: 'after' } as EventBody].map((body) =>
        line(body),
      ),
      CLEANER,
    );
    const { result, rerender } = renderHook(() => useDebrief(view));
    expect(result.current).toEqual({ ended: true, debrief: null });
    await waitFor(() => expect(result.current.debrief).toBe(DEBRIEF));
    expect((marker.asked[0]?.[1] as unknown[]).length).toBe(1);
    rerender();
    await act(() => Promise.resolve());
    expect(marker.asked).toHaveLength(1);
  });

  it('one whose end was struck out, or was refused, has not ended', () => {
    const end = line(END);
    const struck = viewOf([end, line({ kind: 'strike', target: end.key, reason: 'too early' })], CLEANER);
    expect(renderHook(() => useDebrief(struck)).result.current.ended).toBe(false);
    const refused = { ...viewOf([end], CLEANER), lines: [{ event: end, status: 'refused', refused: 'no' }] };
    expect(renderHook(() => useDebrief(refused as never)).result.current.ended).toBe(false);
    expect(renderHook(() => useDebrief(viewOf([end], CLEANER))).result.current.ended).toBe(true);
  });
});
