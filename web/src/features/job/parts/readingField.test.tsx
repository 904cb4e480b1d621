/** The large field of a prompt: a value typed is kept once, asked about where it is two things, refused in words. */
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { show, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { ReadingField } from './ReadingField.js';

stage();

const PROMPT = { testId: null, name: 'Supply', place: 'supply at the board', unit: 'V' } as never;
const open = (more: { disabled?: boolean; held?: boolean } = {}) => {
  const kept = vi.fn();
  show(
    <ReadingField
      view={viewOf([])}
      stage="find"
      speedId="33"
      prompt={PROMPT}
      placeholder="V"
      label="Supply, V"
      onKept={kept}
      {...more}
    />,
  );
  return kept;
};
const field = () => screen.getByRole('textbox', { name: 'Supply, V' }) as HTMLInputElement;
const type = (value: string) => fireEvent.change(field(), { target: { value } });
const key = () => screen.getByRole('button', { name: 'Keep reading' }) as HTMLButtonElement;

describe('the field of a prompt', () => {
  it('keeps by Enter, once: a key held down keeps nothing more', async () => {
    const kept = open();
    type('9,4');
    expect(screen.getByRole('status').textContent).toMatch(/^→ .*9\.4.V/);
    fireEvent.keyDown(field(), { key: 'Enter', repeat: true });
    expect(kept).not.toHaveBeenCalled();
    fireEvent.keyDown(field(), { key: 'a' });
    expect(kept).not.toHaveBeenCalled();
    fireEvent.keyDown(field(), { key: 'Enter' });
    expect(kept).toHaveBeenCalledOnce();
    expect(field().value).toBe('');
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    expect((await bodies())[0]).toMatchObject({ kind: 'reading', values: [9.4], unit: 'V' });
  });

  it('nothing typed has no key', () => {
    const kept = open();
    expect(key().disabled).toBe(true);
    fireEvent.keyDown(field(), { key: 'Enter' });
    type('  ');
    expect(key().disabled).toBe(true);
    fireEvent.keyDown(field(), { key: 'Enter' });
    expect(kept).not.toHaveBeenCalled();
  });

  it('while the last one is on its way what is typed stays; switched off it takes nothing', () => {
    const kept = open({ held: true });
    type('9.4');
    fireEvent.keyDown(field(), { key: 'Enter' });
    fireEvent.click(key());
    expect([field().value, kept.mock.calls.length]).toEqual(['9.4', 0]);
  });

  it('switched off it has no key', () => {
    open({ disabled: true });
    expect([field().disabled, key().disabled]).toEqual([true, true]);
  });
});
