/** What to do before a unit is opened: each line says how it stands, and what is said by hand is kept. */
import type { UnitSafeLine } from '@amber-gauge/core/bench';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { show, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { SafeLines } from './SafeLines.js';

stage();

const one = (id: string, more: Partial<UnitSafeLine> = {}, line: Partial<UnitSafeLine['line']> = {}): UnitSafeLine =>
  ({
    line: { id, text: `Do ${id}`, why: `because of ${id}`, waitMin: null, byReading: false, ...line },
    state: 'open',
    waitUntil: null,
    ...more,
  }) as UnitSafeLine;
function shown(...lines: readonly UnitSafeLine[]) {
  const view = viewOf([]);
  show(<SafeLines view={{ ...view, state: { ...view.state, safeLines: lines } }} stage="make-safe" />);
  return screen.getAllByRole('listitem').map((item) => item.textContent);
}

describe('lines before it is opened', () => {
  it('say what, why, and how each stands', () => {
    const past = new Date(Date.now() - 1000).toISOString();
    expect(
      shown(
        one('unplug'),
        one('pack-out'),
        one('read-it', {}, { byReading: true }),
        one('read', { state: 'answered' }, { byReading: true }),
        one('off', { state: 'answered' }),
        one('covered', { state: 'said' }),
        one('wait', {}, { waitMin: 10 }),
        one('waited', { waitUntil: past }, { waitMin: 10 }),
      ),
    ).toEqual([
      'Do unplugbecause of unplugsay so above',
      'Do pack-outbecause of pack-outsay so above',
      'Do read-itbecause of read-itby a reading',
      '✓Do readbecause of readmeasured',
      '✓Do offbecause of offit is',
      '✓Do coveredbecause of covereddone',
      'Do waitbecause of waitonce unplugged',
      'Do waitedbecause of waitedover: measure',
    ]);
    expect(screen.queryByRole('button')).toBeNull();
  });

  it('count down while they wait', () => {
    const until = new Date(Date.now() + 270_000 - 500).toISOString();
    const [text] = shown(one('wait', { waitUntil: until }, { waitMin: 10 }));
    expect(text).toMatch(/4:(30|29)$/);
  });

  it('what only the hand knows is said by it, once, with the words it had', async () => {
    shown(one('shorted'), one('other'));
    fireEvent.click(screen.getByRole('button', { name: 'Done: Do shorted' }));
    await waitFor(async () =>
      expect(await bodies()).toEqual([{ kind: 'safe', lineId: 'shorted', text: 'Do shorted' }]),
    );
  });
});
