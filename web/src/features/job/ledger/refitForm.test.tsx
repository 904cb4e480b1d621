/** A step going back: nothing is kept before every screw is counted and a cover looked at. */
import type { LedgerStep, StageId } from '@amber-gauge/core/bench';
import { ledgerOf, parseStep, reassembly } from '@amber-gauge/core/bench';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { line, show, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { RefitForm } from './RefitForm.js';

stage();

const open = (typed: string, shut: readonly string[] = []) => {
  const done = vi.fn();
  const own = line(parseStep(typed), 'open-up');
  const others = shut.map((what) => line(parseStep(what), 'open-up'));
  const items = reassembly(ledgerOf([own, ...others]));
  const item = items.find(({ step }) => step.key === own.key);
  if (!item) throw new Error('no such step');
  const steps = items.map(({ step }) => step).filter(({ key }) => key !== own.key) as LedgerStep[];
  show(
    <RefitForm
      view={viewOf([own, ...others])}
      stage={'open-up' as StageId}
      item={item}
      shuts={{ steps, ends: [] }}
      onDone={done}
    />,
  );
  return { done, own };
};
const keep = () => screen.getByRole('button', { name: /^(It is back|Look whether|Count what)/ }) as HTMLButtonElement;
const pressed = (name: string) => screen.getByRole('button', { name }).getAttribute('aria-pressed');

describe('a step goes back', () => {
  it('a cover with four screws: counted, looked at, kept', async () => {
    const { done, own } = open('cover 4 x 8 mm, tray A');
    expect(keep().textContent).toBe('Count what goes back');
    expect(keep().disabled).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'all 4' }));
    expect(keep().textContent).toBe('Look whether it is flush');
    expect([pressed('flush'), pressed('not flush')]).toEqual(['false', 'false']);
    fireEvent.click(screen.getByRole('button', { name: 'not flush' }));
    expect([pressed('flush'), pressed('not flush')]).toEqual(['false', 'true']);
    fireEvent.click(screen.getByRole('button', { name: 'flush' }));
    expect([pressed('flush'), pressed('not flush')]).toEqual(['true', 'false']);
    fireEvent.click(keep());
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    expect((await bodies())[0]).toEqual({
      kind: 'refit',
      target: own.key,
      returned: [4],
      distances: [],
      flush: true,
      renewed: [],
    });
    expect(done).toHaveBeenCalledOnce();
  });

  it('one missing is counted down from all, never below nought; one too many is counted up', async () => {
    open('motor 2 x 6 mm, tray B');
    const [fewer, more] = [/^One fewer/, /^One more/].map((name) => screen.getByRole('button', { name }));
    fireEvent.click(fewer as HTMLElement);
    fireEvent.click(fewer as HTMLElement);
    fireEvent.click(fewer as HTMLElement);
    fireEvent.click(more as HTMLElement);
    // No cover: nothing to look at.
    expect(keep().textContent).toBe('It is back');
    fireEvent.click(keep());
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    expect((await bodies())[0]).toMatchObject({ returned: [1], flush: null });
    cleanup();
    open('motor 2 x 6 mm, tray B');
    fireEvent.click(screen.getByRole('button', { name: /^One more/ }));
    fireEvent.click(keep());
    await waitFor(async () => expect(await bodies()).toHaveLength(2));
    expect((await bodies())[1]).toMatchObject({ returned: [3] });
  });

  it('says what it would shut in', () => {
    open('cover 4 x 8 mm, tray A', ['belt']);
    expect(document.body.textContent).toMatch(/Putting this back now shuts in: \d+ belt\./);
    cleanup();
    open('cover 4 x 8 mm, tray A');
    expect(document.body.textContent).not.toContain('shuts in');
  });
});
