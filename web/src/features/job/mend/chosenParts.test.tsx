/** Parts of the chosen mend: what a supplier said, how long it takes, what it uses up. */
import { pathOf, type EventBody, type Offer } from '@amber-gauge/core/bench';
import { mendOf, type PathRepair } from '@amber-gauge/core/families';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { JOB, line, show, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { ChosenParts } from './ChosenParts.js';
import { PartsAsk } from './PartsAsk.js';
import type { MendParts } from './useMendParts.js';

stage();

const button = (name: RegExp | string) => screen.getByRole('button', { name }) as HTMLButtonElement;
const BELT = mendOf(pathOf(JOB), 'new-belt') as PathRepair;
const OIL = mendOf(pathOf(JOB), 'oil-platter') as PathRepair;

describe('what a supplier said', () => {
  const ask = () => {
    const done = vi.fn();
    show(<PartsAsk view={viewOf([])} stage="mend" one={{ id: 'new-belt', name: 'Fit a new belt' }} onDone={done} />);
    return done;
  };
  const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
  const [COST, DAYS] = ['Its parts cost', 'Here in, days'];

  it('is kept with its price, and its days where they are known', async () => {
    const done = ask();
    expect(button('Reckon with it').disabled).toBe(true);
    type(COST, '12,50');
    fireEvent.click(button('Reckon with it'));
    expect(done).toHaveBeenCalledOnce();
    type(DAYS, '7');
    fireEvent.keyDown(screen.getByLabelText(DAYS), { key: 'Enter' });
    await waitFor(async () => expect(await bodies()).toHaveLength(2));
    const quote = { kind: 'quote', optionId: 'new-belt', name: 'Fit a new belt', money: 12.5 };
    expect(await bodies()).toEqual([
      { ...quote, days: null },
      { ...quote, days: 7 },
    ]);
  });

  it.each([
    [COST, '-1', 'The price is no amount of money.'],
    [COST, 'dear', 'The price is no amount of money.'],
    [DAYS, '-1', 'Days: a whole number, empty for not known.'],
    [DAYS, '2.5', 'Days: a whole number, empty for not known.'],
    [DAYS, '3651', 'Days: a whole number, empty for not known.'],
    [DAYS, 'soon', 'Days: a whole number, empty for not known.'],
  ])('%s of %s is refused in plain words, and nothing is kept', async (field, value, words) => {
    const done = ask();
    type(COST, '5');
    type(field, value);
    expect(screen.getByRole('alert').textContent).toBe(words);
    expect(button('Reckon with it').disabled).toBe(true);
    fireEvent.keyDown(screen.getByLabelText(COST), { key: 'Enter' });
    expect(done).not.toHaveBeenCalled();
    expect(await bodies()).toEqual([]);
  });

  it('nought costs nothing and may be here today; ten years are the most', () => {
    ask();
    type(COST, '0');
    type(DAYS, '0');
    expect(button('Reckon with it').disabled).toBe(false);
    type(DAYS, '3650');
    expect(button('Reckon with it').disabled).toBe(false);
  });
});

describe('parts of what was chosen', () => {
  const offer = (days: number, from: Offer['from']): Offer =>
    ({ days, from, money: 12, lot: null }) as unknown as Offer;
  const parts = (more: Partial<MendParts>): MendParts => ({
    offer: () => offer(0, 'shelf'),
    aside: () => [],
    setAside: () => undefined,
    giveBack: () => undefined,
    buildIn: () => undefined,
    problem: null,
    ...more,
  });
  const open = (
    more: Partial<MendParts>,
    repairs: readonly PathRepair[] = [BELT],
    job = JOB,
    ...given: EventBody[]
  ) => {
    cleanup();
    show(
      <ChosenParts
        view={viewOf(
          given.map((body) => line(body)),
          job,
        )}
        stage="mend"
        parts={parts(more)}
        repairs={repairs}
      />,
    );
  };
  const coming = () => screen.queryByText(/^Parts\./)?.parentElement?.textContent ?? null;

  it('what is here needs no waiting', () => {
    open({});
    expect(coming()).toBeNull();
    expect(screen.queryByRole('button', { name: /^Ordered/ })).toBeNull();
  });

  it('what has to come says in how many days, and whether that was said or is usual', () => {
    open({ offer: () => offer(1, 'ordered') });
    expect(coming()).toBe('Parts. Fit a new belt: in a day, on its way');
    open({ offer: () => offer(7, 'usual') });
    expect(coming()).toBe('Parts. Fit a new belt: in 7 days, usually');
    open({ offer: (repair) => (repair === BELT ? offer(3, 'asked') : offer(0, 'shelf')) }, [BELT, OIL]);
    expect(coming()).toBe('Parts. Fit a new belt: in 3 days');
  });

  it('the wait for them is the longest of theirs, sixty days at most', async () => {
    open({ offer: (repair) => offer(repair === BELT ? 3 : 5, 'asked') }, [BELT, OIL]);
    fireEvent.click(button(/^Ordered/));
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    expect((await bodies())[0]).toMatchObject({ kind: 'timer', timer: 'parts', minutes: 5 * 1440 });
    open({ offer: () => offer(200, 'asked') });
    fireEvent.click(button(/^Ordered/));
    await waitFor(async () => expect(await bodies()).toHaveLength(2));
    expect((await bodies())[1]).toMatchObject({ minutes: 60 * 1440 });
  });

  it('a practice unit orders nothing real', () => {
    open({ offer: () => offer(7, 'usual') }, [BELT], {
      ...JOB,
      practice: { machine: 'x', faults: [], seed: 1, lesson: null },
    });
    expect(coming()).toBe('Parts. Fit a new belt: in 7 days, usually');
    expect(screen.queryByRole('button', { name: /^Ordered/ })).toBeNull();
  });

  it('what lies set aside is named with its place, or that it is on its way', () => {
    const lot = (part: string, place: string, onHand: number) =>
      ({ lot: { lot: { part, place }, onHand }, repair: BELT }) as unknown as ReturnType<MendParts['aside']>[number];
    open({ aside: () => [lot('belt 670', 'box 3', 1), lot('oil', '', 2), lot('motor', 'shelf', 0)] });
    expect(screen.getByText(/^Set aside/).textContent).toBe('Set aside: belt 670, in box 3; oil; motor, on its way.');
  });

  it('a shelf that could not be changed says so', () => {
    open({ problem: 'Nothing was set aside.' });
    expect(screen.getByRole('alert').textContent).toBe('Nothing was set aside.');
  });
});
