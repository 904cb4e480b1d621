/** The capture key while a job stands open, and the lines of one stage. */
import type { BenchEvent, EventBody } from '@amber-gauge/core/bench';
import { cleanup, createEvent, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { JOB, line, show, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { StageLines } from './StageLines.js';
import { useCapture } from './useCapture.js';

stage();

function Listening() {
  useCapture(JOB.id, 'find', 'Supply at the board');
  return <input aria-label="field" />;
}
let clock = 10_000;
/** A key pressed so long after the last one, ms. */
const press = (key: string, afterMs: number, on: Window | HTMLElement = window) => {
  clock += afterMs;
  const event = createEvent.keyDown(on, { key });
  Object.defineProperty(event, 'timeStamp', { value: clock });
  return fireEvent(on, event);
};
const holds = async () => (await bodies()).filter(({ kind }) => kind === 'hold');

describe('the capture key', () => {
  it('stamps what is asked for; the page does nothing else with it', async () => {
    show(<Listening />);
    expect(press('F9', 5000)).toBe(false);
    await waitFor(async () => expect(await holds()).toEqual([{ kind: 'hold', prompt: 'Supply at the board' }]));
    expect(press('F8', 5000)).toBe(true);
    expect(await holds()).toHaveLength(1);
  });

  it('a space stamps too, but not within three seconds of a letter: that is a sentence typed blind', async () => {
    show(<Listening />);
    press('a', 5000);
    press(' ', 2900);
    expect(await holds()).toEqual([]);
    // Spaces are no letters: the three seconds run from the last of those.
    press(' ', 200);
    await waitFor(async () => expect(await holds()).toHaveLength(1));
    // A key that is no letter does not count either.
    press('Shift', 5000);
    press(' ', 100);
    await waitFor(async () => expect(await holds()).toHaveLength(2));
  });

  it('in a field a space is a space', async () => {
    show(<Listening />);
    const field = screen.getByRole('textbox', { name: 'field' });
    field.focus();
    press(' ', 9000, field);
    expect(await holds()).toEqual([]);
    press('F9', 9000, field);
    await waitFor(async () => expect(await holds()).toHaveLength(1));
  });
});

describe('the lines of a stage', () => {
  const note = (text: string): EventBody => ({ kind: 'note', text });
  const rows = (lines: BenchEvent[], more: { kinds?: string[]; refused?: BenchEvent } = {}) => {
    cleanup();
    const view = viewOf(lines);
    const shown = {
      ...view,
      lines: view.lines.map((one) => (one.event === more.refused ? { ...one, status: 'refused' as const } : one)),
    };
    show(<StageLines view={shown} stage="find" empty="Nothing yet." {...(more.kinds ? { kinds: more.kinds } : {})} />);
    return screen.queryAllByRole('listitem').map((one) => one.textContent.replace(/^.*\d\d:\d\d/, ''));
  };

  it('stand the newest first with their number, of this stage alone', () => {
    const all = [line(note('one')), line(note('elsewhere'), 'mend'), line(note('two'))];
    expect(rows(all)).toEqual(['two2', 'one1']);
  });

  it('without what was struck out, refused, or says only where something is', () => {
    const [one, two, three] = [line(note('one')), line(note('two')), line(note('three'))];
    const strike = line({ kind: 'strike', target: one.key, reason: 'wrong' });
    const place = line({ kind: 'place', target: two.key, place: 'motor' } as EventBody);
    expect(rows([one, two, three, strike, place], { refused: three })).toEqual(['two1']);
  });

  it('may be of one kind; none says so', () => {
    const all = [line(note('one')), line({ kind: 'work', action: 'oil', what: 'the bearing' })];
    expect(rows(all, { kinds: ['work'] })).toHaveLength(1);
    rows([]);
    expect(screen.getByText('Nothing yet.')).toBeTruthy();
  });
});
