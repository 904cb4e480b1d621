/** One line of the log: what it says, what it came to, and what may be done to it. */
import type { EventBody } from '@amber-gauge/core/bench';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { line, show, speedRead, viewOf } from '../../../test/scene.js';
import { stage } from '../find/find.test-data.js';
import type { LogLine } from '../useJobView.js';
import { logIndex, LogRow } from './LogRow.js';

stage();

const READING: EventBody = {
  kind: 'reading',
  text: '9.4 V at regulator',
  values: [9.4],
  unit: 'V',
  qualifier: null,
  bound: 'exact',
  place: 'regulator',
  speedId: null,
  condition: null,
  holdKey: null,
};
const row = (body: EventBody, more: Partial<LogLine> = {}, ...others: ReturnType<typeof line>[]) => {
  const own = line(body);
  const view = viewOf([own, ...others.map((one) => aimed(one, own.key))]);
  const [strike, sum] = [vi.fn(), vi.fn<(id: string) => void>()];
  show(
    <ul>
      <LogRow
        line={{ ...(view.lines[0] as LogLine), ...more }}
        view={view}
        index={logIndex(view)}
        onStrike={strike}
        onSum={sum}
      />
    </ul>,
  );
  return { strike, sum, words: (screen.getByRole('listitem').textContent ?? '').replaceAll('\u202f', ' ') };
};
/** A strike of the row's own line. */
const aimed = (one: ReturnType<typeof line>, target: string) =>
  one.body.kind === 'strike' ? { ...one, body: { ...one.body, target } } : one;
const strikeKey = () => screen.queryByRole('button', { name: /^Strike out/ });

describe('a line of the log', () => {
  it('kept it may be struck out; waiting or refused it may not', () => {
    const { strike, words } = row({ kind: 'note', text: 'belt smells' });
    expect(words).toContain('belt smells kept');
    fireEvent.click(strikeKey() as HTMLElement);
    expect(strike).toHaveBeenCalledOnce();
    cleanup();
    expect(row({ kind: 'note', text: 'belt smells' }, { status: 'waiting' }).words).toContain('belt smells waiting');
    expect(strikeKey()).toBeNull();
  });

  it('struck out it says why, and is struck no second time', () => {
    const struck = line({ kind: 'strike', target: '', reason: 'wrong place' });
    const { words } = row({ kind: 'note', text: 'belt smells' }, {}, struck);
    expect(words).toContain('(struck out: wrong place)');
    expect(strikeKey()).toBeNull();
  });

  it('refused it says why, and is mended, copied or dropped', () => {
    const { words } = row({ kind: 'note', text: 'belt smells' }, { status: 'refused', refused: 'too long' });
    expect(words).toContain('Cannot be kept: too long');
    expect(screen.getAllByRole('button').map((one) => one.textContent)).toEqual(['Edit', 'Copy', 'Drop']);
  });

  it('a speed has its ribbon, where it turned and was not struck out', () => {
    const speed = speedRead('33', -2.4);
    expect(row(speed).words).toMatch(/−2\.4/);
    expect(document.querySelectorAll('svg[aria-label], li svg')).toHaveLength(1);
    cleanup();
    row({ ...speed, turned: false, errorPercent: null });
    expect(document.querySelectorAll('svg[aria-label], li svg')).toHaveLength(0);
    cleanup();
    row(speed, {}, line({ kind: 'strike', target: '', reason: 'mistyped' }));
    expect(document.querySelectorAll('svg[aria-label], li svg')).toHaveLength(0);
  });

  it('a reading says value and place', () => {
    expect(row(READING).words).toMatch(/9\.4 V.*regulator/);
  });
});
