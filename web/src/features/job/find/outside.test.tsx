/** Take in asks what can be seen from outside, and says what an answer clears. */
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { line, show, viewOf } from '../../../test/scene.js';
import { answered, bodies, findOf, stage } from './find.test-data.js';
import { FindContext } from './findContext.js';
import { OutsideQuestions } from './OutsideQuestions.js';

stage();

const open = (...given: Parameters<typeof findOf>) => {
  const { view, find } = findOf(...given);
  show(
    <FindContext value={find}>
      <OutsideQuestions view={view} stage="take-in" />
    </FindContext>,
  );
  return find;
};

describe('seen from outside', () => {
  it('what happened to it is asked before anything else, and the answer is kept as it was given', async () => {
    const find = open();
    const first = find.answer.advice.tests.find(({ test }) => test.id === 'first')?.test;
    if (!first) throw new Error('nothing is asked of what happened');
    expect(screen.getByRole('heading', { level: 2 }).textContent).toBe(first.name);
    const [, second] = first.outcomes;
    fireEvent.click(screen.getByRole('button', { name: second?.words ?? '' }));
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    expect((await bodies())[0]).toMatchObject({
      kind: 'answer',
      testId: 'first',
      outcome: second?.id,
      words: second?.words,
    });
  });

  it('once it is answered the next one is asked, of what is seen from outside alone', () => {
    const find = open(answered('first', 'nothing'), answered('lamp', 'lit'));
    const name = screen.queryByRole('heading', { level: 2 })?.textContent;
    const asked = find.answer.advice.tests.find(({ test }) => test.name === name)?.test;
    expect(asked?.outside).toBe(true);
    expect(asked?.id).not.toBe('lamp');
  });

  it('a lit lamp clears what feeds it, in words (common practice)', () => {
    open(answered('first', 'nothing'), answered('lamp', 'lit'));
    const cleared = screen.getByRole('list', { name: 'Cleared by what was seen' }).textContent ?? '';
    expect(cleared).toMatch(/lit/);
    expect(cleared).toMatch(/far less likely now: .*(plug|transformer)/);
    expect(cleared).not.toMatch(/far less likely now: .*belt/);
  });

  it('after work nothing is asked as it came in', () => {
    const { find } = findOf();
    show(
      <FindContext value={find}>
        <OutsideQuestions view={viewOf([line({ kind: 'work', action: 'clean', what: 'trims' })])} stage="take-in" />
      </FindContext>,
    );
    expect(screen.queryByRole('region', { name: 'Seen from outside' })).toBeNull();
  });
});
