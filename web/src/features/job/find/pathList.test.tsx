/** The path's list drawn: rails by lane in pixels, the way back dashed, values where they pass, a mark where the next test looks. */
import type { BetweenValue } from '@amber-gauge/core/bench';
import type { DrivePath } from '@amber-gauge/core/families';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { PathList, type BlockView } from './PathList.js';

const block = (id: string, lane: string, inputs: string[], outputs: string[]) => ({
  id,
  name: id,
  lane,
  inputs,
  outputs,
});
/** A servo: plug to supply, amplifier, motor, and a generator whose signal goes back to the amplifier. */
const PATH = {
  blocks: [
    block('plug', 'supply', [], ['mains']),
    block('supply', 'supply', ['mains'], ['rail']),
    block('amplifier', 'control', ['rail', 'tacho'], ['drive']),
    block('motor', 'mechanical', ['drive'], ['turns']),
    block('generator', 'feedback', ['turns'], ['tacho']),
  ],
  signals: ['mains', 'rail', 'drive', 'turns', 'tacho'].map((id) => ({ id, name: `the ${id}` })),
} as unknown as DrivePath;

type Given = Partial<Parameters<typeof PathList>[0]>;
const list = (more: Given = {}) => {
  const opened = vi.fn<(id: string | null) => void>();
  render(
    <PathList
      path={PATH}
      blocks={new Map()}
      between={new Map()}
      asked={new Set()}
      askedSignal={null}
      opened={null}
      onOpen={opened}
      inside={({ name }) => `inside of ${name}`}
      {...more}
    />,
  );
  return opened;
};
const row = (id: string) => document.getElementById(`block-${id}`) as HTMLElement;
const lines = (id: string) =>
  [...row(id).querySelectorAll('line')].map((one) =>
    ['x1', 'y1', 'x2', 'y2', 'stroke-width'].map((name) => Number(one.getAttribute(name))),
  );
const value = (more: Partial<BetweenValue> = {}) =>
  ({
    words: '12.0 V',
    conditions: [],
    at: '2026-01-01T08:00:00.000Z',
    verdict: 'right',
    before: false,
    ...more,
  }) as never;
const text = (one: Element | null | undefined) => one?.textContent ?? '';

describe('the rails', () => {
  it('supply is a double line from its first block on, control one, what turns broad', () => {
    list();
    // A row is 40 high: the first rail begins in its middle; the supply lies at 19, two apart on each side.
    expect(lines('plug')).toEqual([
      [17, 20, 17, 40, 2],
      [21, 20, 21, 40, 2],
    ]);
    expect(lines('supply')).toEqual([
      [17, 0, 17, 40, 2],
      [21, 0, 21, 40, 2],
    ]);
    expect(lines('amplifier')).toEqual([[32, 0, 32, 40, 2]]);
    // Nothing turns behind the motor: its rail ends in the middle of its row.
    expect(lines('motor')).toEqual([[46, 0, 46, 20, 6]]);
    expect(lines('generator')).toEqual([]);
  });

  it('the way back leaves the generator, passes the motor and arrives at the amplifier', () => {
    list();
    const dashed = (id: string) => row(id).querySelector('path[stroke-dasharray]')?.getAttribute('d') ?? null;
    expect(dashed('amplifier')).toBe('M6 40V20H52');
    expect(dashed('motor')).toBe('M6 40V0');
    expect(dashed('generator')).toBe('M52 20H6V0');
    expect(dashed('plug')).toBeNull();
    expect(dashed('supply')).toBeNull();
  });

  it('a rail goes on to the foot of its row where a value stands below it', () => {
    list({ between: new Map([['turns', value()]]) });
    expect(lines('motor')).toEqual([[46, 0, 46, 40, 6]]);
  });
});

describe('values and marks', () => {
  it('a value stands under its block, with time and verdict; of before the work as earlier', () => {
    list({ between: new Map([['rail', value({ verdict: 'low', conditions: ['warm'] } as never)]]) });
    const item = row('supply').nextElementSibling;
    expect(text(item)).toMatch(/^12\.0 V, warm, .*, low, the rail$/);
    expect(item?.getAttribute('data-before')).toBe('false');
    cleanup();
    list({ between: new Map([['rail', value({ before: true })]]) });
    const earlier = row('supply').nextElementSibling;
    expect(text(earlier)).toMatch(/, right, earlier, the rail$/);
    expect(earlier?.getAttribute('data-before')).toBe('true');
  });

  it('the question mark stands where the next test looks, and nowhere else', () => {
    list({ askedSignal: 'drive', between: new Map([['rail', value()]]) });
    const marks = [...document.querySelectorAll('strong')];
    expect(marks.map((one) => one.textContent)).toEqual(['?']);
    expect(text(row('amplifier').nextElementSibling)).toBe('?, the drive');
    cleanup();
    list({ askedSignal: 'rail', between: new Map([['rail', value()]]) });
    expect(text(row('supply').nextElementSibling)).toMatch(/\?, the rail$/);
    expect(document.querySelectorAll('strong')).toHaveLength(1);
  });

  it('lies at its lane: a mark of six pixels about the rail', () => {
    list({ between: new Map([['drive', value()]]) });
    const mark = row('amplifier').nextElementSibling?.querySelector('span[style*="left: 29px"]');
    expect(mark).not.toBeNull();
  });
});

describe('a row', () => {
  const judged = (suspicion: BlockView['suspicion'], share = 0.42): Given => ({
    blocks: new Map([['motor', { suspicion, share }]]),
  });
  const button = (id: string) => row(id).querySelector('button') as HTMLButtonElement;

  it('a suspect says its chance, what is not judged or cleared says none', () => {
    list(judged('suspect-2'));
    expect(text(button('motor'))).toBe('motor42 %');
    expect(text(button('plug'))).toBe('plug');
    cleanup();
    list(judged('cleared', 0.001));
    expect(text(button('motor'))).toBe('motor');
  });

  it('opens on a tap with what is inside, and closes on the next; what is asked is marked', () => {
    const opened = list({ asked: new Set(['supply']) });
    fireEvent.click(button('motor'));
    expect(opened).toHaveBeenCalledWith('motor');
    expect(row('supply').dataset.asked).toBe('true');
    expect(row('motor').dataset.asked).toBe('false');
    cleanup();
    const closed = list({ opened: 'motor' });
    expect(screen.getByText('inside of motor')).toBeTruthy();
    expect(screen.queryByText('inside of plug')).toBeNull();
    fireEvent.click(button('motor'));
    expect(closed).toHaveBeenCalledWith(null);
  });

  it('neighbours that are cleared fold into one, of one lane alone, and not what is asked', () => {
    const cleared = new Map(
      ['plug', 'supply', 'amplifier'].map((id) => [id, { suspicion: 'cleared' as const, share: 0 }] as const),
    );
    list({ blocks: cleared });
    expect(screen.getByRole('button', { name: '2 cleared: plug, supply' })).toBeTruthy();
    expect(button('amplifier')).not.toBeNull();
    fireEvent.click(screen.getByRole('button', { name: '2 cleared: plug, supply' }));
    expect(button('plug')).not.toBeNull();
    cleanup();
    list({ blocks: cleared, asked: new Set(['supply']) });
    expect(screen.queryByRole('button', { name: /cleared: plug/ })).toBeNull();
  });
});
