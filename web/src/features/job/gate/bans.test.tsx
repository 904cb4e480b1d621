/** What Find says against power stands in the gate, and no gate passed before it was known opens the way. */
import type { EventBody } from '@amber-gauge/core/bench';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { line, show, viewOf } from '../../../test/scene.js';
import { FindContext } from '../find/findContext.js';
import { answered, bodies, findOf, stage } from '../find/find.test-data.js';
import { PowerControl } from '../parts/PowerControl.js';

stage();

const passed: EventBody = {
  kind: 'gate',
  to: 'live-direct',
  accepted: [],
  inPlace: [],
  shortOhm: null,
  limit: null,
  confirmed: [],
};

describe('going live against the advice', () => {
  const press = (...given: EventBody[]) => {
    const { find } = findOf(...given);
    const view = viewOf([
      line({ kind: 'power', state: 'unplugged-unknown', conditions: [] }),
      // Passed a minute ago: it still holds.
      { ...line(passed), enteredAt: new Date(Date.now() - 60_000).toISOString() },
    ]);
    show(
      <FindContext value={find}>
        <PowerControl view={view} stage="find" />
      </FindContext>,
    );
    fireEvent.click(screen.getByRole('button', { name: /^Power:/ }));
    fireEvent.click(screen.getByRole('menuitem', { name: 'Live direct' }));
  };

  it('a gate that holds lets through where nothing speaks against it', async () => {
    press(answered('lamp', 'lit'), answered('speed-33', 'slow'));
    await waitFor(async () => expect((await bodies())[0]).toMatchObject({ kind: 'power', state: 'live-direct' }));
    expect(screen.queryByRole('dialog')).toBeNull();
  });

  it('a motor that will not turn opens the gate again, which names it and asks for a word', async () => {
    press(answered('lamp', 'lit'), answered('spin-pulley', 'will-not-turn'));
    const gate = await screen.findByRole('dialog');
    expect(gate.textContent).toContain('Find says: no power yet.');
    expect(gate.textContent).toContain('A motor that cannot turn burns itself or what feeds it: first turn it by hand');
    const word = screen.getByRole('checkbox', { name: /I know this, and go live through a limit/ });
    const open = () => Number(/(\d+) still open/.exec(gate.textContent)?.[1] ?? 0);
    const before = open();
    fireEvent.click(word);
    expect(open()).toBe(before - 1);
    expect(await bodies()).toEqual([]);
  });
});
