/** Before the first turn: what has to be seen to, and the task that the coach is given. */
import { COACH_CHECKS, type EventBody } from '@amber-gauge/core/bench';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { show, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { Begin } from './Begin.js';

stage();

type Task = Extract<EventBody, { kind: 'coach-begin' }>['task'];
const button = (name: RegExp | string) => screen.getByRole('button', { name }) as HTMLButtonElement;
const fields = (name: RegExp) => screen.getAllByRole('textbox', { name }) as HTMLInputElement[];
const type = (name: RegExp, at: number, value: string) =>
  fireEvent.change(fields(name)[at] as HTMLInputElement, { target: { value } });
const open = () => {
  const done = vi.fn();
  show(<Begin view={viewOf([])} stage="set-speed" onDone={done} />);
  return done;
};
const seeToAll = () => {
  for (const { text } of COACH_CHECKS) fireEvent.click(button(text));
};
const begun = async (): Promise<Task> => {
  fireEvent.click(button('Begin'));
  await waitFor(async () => expect(await bodies()).toHaveLength(1));
  const [body] = (await bodies()) as [Extract<EventBody, { kind: 'coach-begin' }>];
  return body.task;
};

describe('before the first turn', () => {
  it('everything is seen to, one by one, and can be taken back', () => {
    open();
    const all = COACH_CHECKS.length;
    expect(button(/left before the first turn/).textContent).toBe(`${all} left before the first turn`);
    const [first] = COACH_CHECKS;
    fireEvent.click(button(first.text));
    expect(button(/left before/).textContent).toBe(`${all - 1} left before the first turn`);
    fireEvent.click(button(`✓ ${first.text}`));
    expect(button(/left before/).disabled).toBe(true);
  });

  it('a trim a speed, watched live, with the limits of the unit’s use', async () => {
    const done = open();
    seeToAll();
    const task = await begun();
    expect(task.watched).toBe('live');
    expect(
      task.trims.map(({ name, serves, faster, travelTurns, stoodTurns }) => [
        name,
        serves,
        faster,
        travelTurns,
        stoodTurns,
      ]),
    ).toEqual([
      ['33 trim', ['33'], null, null, null],
      ['45 trim', ['45'], null, null, null],
    ]);
    expect(task.speeds.map(({ id }) => id)).toEqual(['33', '45']);
    for (const { lowerPercent, upperPercent } of task.speeds) {
      expect(lowerPercent).toBeLessThan(0);
      expect(upperPercent).toBeGreaterThan(0);
    }
    expect(done).toHaveBeenCalledOnce();
  });

  it('where it stands is a clock position or turns; a clock means a single turn of three quarters', async () => {
    open();
    seeToAll();
    type(/^Stands at/, 0, '12:00');
    type(/^Stands at/, 1, '7,5');
    type(/^Travel/, 1, '15');
    const [clock, turns] = (await begun()).trims;
    // From seven to five by way of twelve is the whole: noon is its middle.
    expect(clock?.travelTurns).toBe(0.75);
    expect(clock?.stoodTurns).toBeCloseTo(0.375, 2);
    expect([turns?.travelTurns, turns?.stoodTurns]).toEqual([15, 7.5]);
  });

  it('nonsense keeps it from beginning; up to six trims, at least one', () => {
    open();
    seeToAll();
    for (const wrong of ['0', '-2', '101', 'far']) {
      type(/^Travel/, 0, wrong);
      expect(button('Begin').disabled, wrong).toBe(true);
    }
    type(/^Travel/, 0, '10');
    type(/^Trim, and where it sits/, 0, '  ');
    expect(button('Begin').disabled).toBe(true);
    type(/^Trim, and where it sits/, 0, 'VR1');
    expect(button('Begin').disabled).toBe(false);
    for (let i = 0; i < 4; i++) fireEvent.click(button('Another trim'));
    expect(button('Another trim').disabled).toBe(true);
    for (const one of screen.getAllByRole('button', { name: /^Take out/ })) fireEvent.click(one);
    expect(button('Begin').disabled).toBe(true);
  });

  it('typed between moves is another way, kept with it', async () => {
    open();
    seeToAll();
    fireEvent.click(button('Read and typed between moves'));
    expect((await begun()).watched).toBe('typed');
  });
});
