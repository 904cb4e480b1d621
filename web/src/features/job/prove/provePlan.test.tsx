/** Prove as a whole: one check after the other, how far it is, what is left unproved and why. */
import type { EventBody, ProvingCheck, ProvingPlan } from '@amber-gauge/core/bench';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { useClock } from '../../../shared/outbox/clock.js';
import { line, show, speedRead, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { useGoLive } from '../parts/goLive.js';
import { CheckGrid, PlanGlance } from './CheckGrid.js';
import { LookCheck, TestCheck } from './LookCheck.js';
import { ProvePower } from './ProvePower.js';
import { ProveStage } from './ProveStage.js';
import { SoakCheck } from './SoakCheck.js';
import { Unproved } from './Unproved.js';

stage();

const button = (name: RegExp | string) => screen.getByRole('button', { name }) as HTMLButtonElement;
const check = (id: string, status: ProvingCheck['status'], more: Partial<ProvingCheck> = {}): ProvingCheck => ({
  id,
  group: 'function',
  name: `Check ${id}`,
  how: 'Look at it.',
  bound: { kind: 'look' },
  blocks: 'all',
  status,
  words: `words of ${id}`,
  by: null,
  at: null,
  ...more,
});
const plan = (checks: readonly ProvingCheck[], proved = false): ProvingPlan =>
  ({ ...viewOf([]).state.proving, begun: true, proved, checks }) as ProvingPlan;
const BELT: EventBody = { kind: 'work', action: 'replace', what: 'the belt', blocks: ['belt'], reach: 'mechanics' };
const power = (state: 'live-isolated' | 'unplugged-discharged'): EventBody => ({
  kind: 'power',
  state,
  conditions: [],
});
const kept = async (count: number) => {
  await waitFor(async () => expect(await bodies()).toHaveLength(count));
  return bodies();
};

describe('how far the proof is', () => {
  const summary = (checks: readonly ProvingCheck[], proved = false) => {
    cleanup();
    show(<PlanGlance plan={plan(checks, proved)} />);
    return screen.getByRole('status').textContent;
  };

  it('counts what is shown, owed and left unproved; what nobody touched is not asked', () => {
    const all = [
      check('a', 'met'),
      check('b', 'met'),
      check('c', 'owed'),
      check('d', 'undone'),
      check('e', 'bad'),
      check('f', 'undecided'),
      check('g', 'waived'),
      check('h', 'untouched'),
    ];
    // Owed, owed again, bad and undecided all want hands.
    expect(summary(all)).toBe('2 of 7 shown, 4 owed, 1 not proved.');
    expect(document.querySelectorAll('svg')).toHaveLength(7);
    expect(summary([check('a', 'met'), check('b', 'met')], true)).toBe('Proved: 2 of 2 shown.');
    expect(summary([check('c', 'owed')])).toBe('1 owed.');
    expect(summary([check('h', 'untouched')])).toBe('Nothing shown yet.');
  });

  it('lists the checks by group, each with its shape, its word and what it read; the present one is marked', () => {
    const chosen = vi.fn();
    const checks = [
      check('safe', 'bad', { group: 'safety' }),
      check('a', 'met', { group: 'speed' }),
      check('b', 'owed', { group: 'speed' }),
    ];
    show(<CheckGrid plan={plan(checks)} present="b" onCheck={chosen} />);
    const text = screen.getByLabelText('Proving plan').textContent;
    expect(text).toBe(
      'SpeedsCheck ashownwords of aCheck bowedwords of bElectrical safetyCheck safenot as it shouldwords of safe',
    );
    expect(screen.getAllByRole('button').map((one) => one.getAttribute('aria-pressed'))).toEqual([
      'false',
      'true',
      'false',
    ]);
    fireEvent.click(button(/^Check safe/));
    expect(chosen).toHaveBeenCalledWith('safe');
  });
});

describe('a check', () => {
  it('that is looked at is answered with one tap, in words where they help', async () => {
    const done = vi.fn();
    show(<LookCheck view={viewOf([])} stage="prove" check={check('lid', 'owed')} onDone={done} />);
    fireEvent.change(screen.getByLabelText('In words, when it helps'), { target: { value: ' a gap ' } });
    fireEvent.click(button('Not as it should'));
    fireEvent.click(button('As it should'));
    expect(await kept(2)).toEqual([
      { kind: 'proved', checkId: 'lid', name: 'Check lid', good: false, words: 'a gap' },
      { kind: 'proved', checkId: 'lid', name: 'Check lid', good: true, words: '' },
    ]);
    expect(done).toHaveBeenCalledTimes(2);
  });

  it('of the path is answered in the path’s words, which Find hears too', async () => {
    const done = vi.fn();
    const test = { id: 'turns', name: 'Does it turn', outcomes: [{ id: 'yes', words: 'it turns' }] } as never;
    show(<TestCheck view={viewOf([])} stage="prove" test={test} onDone={done} />);
    fireEvent.click(button('it turns'));
    expect(await kept(1)).toEqual([
      {
        kind: 'answer',
        testId: 'turns',
        name: 'Does it turn',
        outcome: 'yes',
        words: 'it turns',
        value: null,
        unit: null,
      },
    ]);
    expect(done).toHaveBeenCalledOnce();
  });

  it('is left unproved only with a reason; it may stand for the others of its kind that are owed', async () => {
    const checks = [
      check('a', 'owed', { group: 'safety' }),
      check('b', 'undone', { group: 'safety' }),
      check('c', 'bad', { group: 'safety' }),
      check('d', 'met', { group: 'safety' }),
      check('e', 'owed', { group: 'speed' }),
    ];
    const view = viewOf([]);
    const shown = { ...view, state: { ...view.state, proving: plan(checks) } };
    show(<Unproved view={shown} stage="prove" check={checks[0] as ProvingCheck} />);
    const [one, others] = [button('Not proved'), button('Nor the other 1 of its kind')];
    fireEvent.change(screen.getByLabelText(/^Why/), { target: { value: '  ' } });
    expect([one.disabled, others.disabled]).toEqual([true, true]);
    fireEvent.change(screen.getByLabelText(/^Why/), { target: { value: ' no tester ' } });
    fireEvent.click(others);
    // What failed is not excused along with it.
    expect(await kept(2)).toEqual([
      { kind: 'unproved', checkId: 'a', name: 'Check a', why: 'no tester' },
      { kind: 'unproved', checkId: 'b', name: 'Check b', why: 'no tester' },
    ]);
    expect(one.disabled).toBe(true);
  });

  it('that runs the unit leads through the gate while it is off', () => {
    const { ask } = useGoLive.getState();
    const asked = vi.fn();
    useGoLive.setState({ ask: asked });
    show(<ProvePower view={viewOf([])} bound={{ kind: 'soak', minutes: 60 } as never} />);
    fireEvent.click(button('To the gate'));
    expect(asked).toHaveBeenCalledWith('last');
    cleanup();
    show(<ProvePower view={viewOf([line(power('live-isolated'))])} bound={{ kind: 'soak' } as never} />);
    expect(screen.queryByRole('button')).toBeNull();
    show(<ProvePower view={viewOf([])} bound={{ kind: 'look' }} />);
    expect(screen.queryByRole('button')).toBeNull();
    useGoLive.setState({ ask });
  });
});

describe('the soak', () => {
  it('is started with a look in on the way when it is longer than one', async () => {
    show(<SoakCheck view={viewOf([])} stage="prove" minutes={60} />);
    fireEvent.click(button(/^Start the soak/));
    expect(await kept(1)).toMatchObject([{ kind: 'timer', timer: 'soak', minutes: 60 }]);
    cleanup();
    show(<SoakCheck view={viewOf([])} stage="prove" minutes={240} />);
    expect(button('Start the soak, 4 h')).toBeTruthy();
    fireEvent.click(button(/^Start the soak/));
    expect((await kept(3)).slice(1)).toMatchObject([
      { kind: 'timer', timer: 'soak', minutes: 240 },
      { kind: 'timer', timer: 'look-in', minutes: 60 },
    ]);
  });

  it('that runs counts down, and the look in is answered', async () => {
    const soak = line({ kind: 'timer', timer: 'soak', label: 'Soak', minutes: 240 });
    const look = line({ kind: 'timer', timer: 'look-in', label: 'Look in', minutes: 60 });
    // Half an hour after it was begun.
    useClock.setState({ offsetMs: Date.parse(soak.enteredAt) + 30 * 60_000 - Date.now() });
    show(<SoakCheck view={viewOf([soak, look])} stage="prove" minutes={240} />);
    expect(screen.getByRole('timer').textContent).toMatch(/^3:(30:00|29:59)$/);
    expect(screen.getByText(/^Look again in/).textContent).toMatch(/^Look again in (30|31):/);
    fireEvent.click(button('Looked in: all well'));
    expect(await kept(3)).toMatchObject([
      { kind: 'note', text: 'Soak: looked in, all well' },
      { kind: 'timer-end', target: look.key, how: 'answered' },
      { kind: 'timer', timer: 'look-in' },
    ]);
    useClock.setState({ offsetMs: 0 });
  });
});

describe('prove', () => {
  const prove = (...given: EventBody[]) => {
    const spoken = vi.fn();
    const view = viewOf(given.map((body) => line(body)));
    vi.stubGlobal('Worker', class {});
    Element.prototype.scrollIntoView = () => undefined;
    show(
      <ProveStage
        view={view}
        stage="prove"
        prompt={{ text: 'Prove it', place: null } as never}
        speedId="33"
        onSpeed={spoken}
        onStage={() => undefined}
      />,
    );
    return { view, spoken };
  };
  const prompt = () => screen.getAllByRole('heading', { level: 1 })[0]?.textContent;

  it('of a unit that nobody worked on is the speed as it stands, with no plan', () => {
    prove();
    expect(prompt()).toBe('Prove it');
    expect(screen.queryByLabelText('Proving plan')).toBeNull();
  });

  it('begins with the first that is owed, and another is a tap away', () => {
    const { view, spoken } = prove(BELT);
    const owed = view.state.proving.checks.filter(({ status }) => status === 'owed');
    const grid = within(screen.getByLabelText('Proving plan'));
    const pressed = () =>
      grid.getAllByRole('button').find((one) => one.getAttribute('aria-pressed') === 'true')?.textContent;
    expect(pressed()).toContain(owed[0]?.name);
    const look = owed.find(({ bound }) => bound.kind === 'look') as ProvingCheck;
    fireEvent.click(grid.getByRole('button', { name: new RegExp(`^${look.name}`) }));
    expect(prompt()).toBe(look.name);
    expect(screen.getByText(look.how)).toBeTruthy();
    expect(spoken).not.toHaveBeenCalled();
    // A speed that is chosen is the speed that is measured.
    const other = owed.find(({ bound }) => bound.kind === 'speed' && bound.speedId === '45') as ProvingCheck;
    fireEvent.click(grid.getAllByRole('button', { name: new RegExp(`^${other.name}`) })[0] as HTMLElement);
    expect(spoken).toHaveBeenCalledWith('45');
  });

  it('a fresh number stays; the next check is asked for', () => {
    const { view } = prove(BELT, power('live-isolated'), speedRead('33', 0.02, { method: 'tone-recording' }));
    const met = view.state.proving.checks.find(({ status }) => status === 'met') as ProvingCheck;
    const grid = within(screen.getByLabelText('Proving plan'));
    fireEvent.click(grid.getAllByRole('button', { name: new RegExp(`^${met.name}`) })[0] as HTMLElement);
    const next = view.state.proving.checks.find(({ status }) => status === 'owed') as ProvingCheck;
    expect(screen.queryByText('Leave it unproved')).toBeNull();
    fireEvent.click(button(`Next: ${next.name}`));
    const pressed = grid.getAllByRole('button').filter((one) => one.getAttribute('aria-pressed') === 'true');
    expect(pressed.map((one) => one.textContent).join()).toContain(next.name);
  });
});
