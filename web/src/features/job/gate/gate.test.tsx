/** What the gate asks for before power, as it stands on the screen. */
import 'fake-indexeddb/auto';
import { parseStep, type EventBody } from '@amber-gauge/core/bench';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { line, show, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { Gate } from './Gate.js';

stage();

const button = (name: RegExp | string) => screen.getByRole('button', { name }) as HTMLButtonElement;
const type = (name: RegExp | string, value: string) =>
  fireEvent.change(screen.getByRole('textbox', { name }), { target: { value } });
const end = (what: string): EventBody => ({
  kind: 'open-end',
  what,
  how: 'unplugged',
  usualId: null,
  stepKey: null,
  moveKey: null,
});

describe('the gate', () => {
  const gate = (events: Parameters<typeof viewOf>[0], onPassed = () => {}) =>
    show(<Gate view={viewOf(events)} stage="mend" to="live-isolated" onCancel={() => {}} onPassed={onPassed} />);

  it('stays shut while an end is open, and opens when it is accepted with a reason', async () => {
    const passed = vi.fn();
    gate([line(end('belt'))], passed);
    for (const box of screen.getAllByRole('checkbox')) fireEvent.click(box);
    fireEvent.click(button('Fuse'));
    expect(button(/still open/).textContent).toBe('1 still open');
    type('Or stays open because', 'motor alone is tested');
    fireEvent.click(button('Go live'));
    expect(passed).toHaveBeenCalled();
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    expect((await bodies())[0]).toMatchObject({
      kind: 'gate',
      to: 'live-isolated',
      accepted: [{ why: 'motor alone is tested' }],
    });
  });

  it('writes what nobody had listed as open', async () => {
    gate([line(parseStep('cover'))]);
    fireEvent.click(button('It is off: motor connector'));
    await waitFor(async () => expect((await bodies())[0]).toMatchObject({ kind: 'open-end', usualId: 'motor-plug' }));
  });

  it('shows the sum of fuse or lamp, and refuses one that is too small', () => {
    gate([]);
    fireEvent.click(button('Lamp in series'));
    expect(screen.getByText(/A lamp limits, it does not isolate/)).toBeTruthy();
    type('Lamp, W', '1');
    expect(screen.getByText(/too small, the unit would not start/)).toBeTruthy();
  });

  it('asks for ohms across the supply after capacitor work', () => {
    gate([line({ kind: 'work', action: 'replace', what: 'the reservoir capacitor', reach: 'circuit' })]);
    expect(screen.queryByLabelText(/nothing of the circuit was touched/)).toBeNull();
    type('Ω, as in 47k or OL', '120');
    expect(screen.getByText(/do not power, look for the short/)).toBeTruthy();
    for (const good of ['47k', '1k', 'OL']) {
      type('Ω, as in 47k or OL', good);
      expect(screen.queryByText(/do not power/), good).toBeNull();
    }
    for (const low of ['999', '0', '0.9k']) {
      type('Ω, as in 47k or OL', low);
      expect(screen.getByText(/do not power/), low).toBeTruthy();
    }
  });

  it('after work that does not say what it reached, takes the word that no circuit was touched', () => {
    gate([line({ kind: 'work', action: 'replace', what: 'the grommet' })]);
    const section = within(screen.getByLabelText('Short test of the supply'));
    const left = () => Number(/^\d+/.exec(screen.getByRole('button', { name: /still open/ }).textContent ?? '')?.[0]);
    const before = left();
    fireEvent.click(section.getByLabelText(/nothing of the circuit was touched/));
    expect(left()).toBe(before - 1);
    fireEvent.click(section.getByLabelText(/nothing of the circuit was touched/));
    expect(left()).toBe(before);
    type('Ω, as in 47k or OL', '47k');
    expect(left()).toBe(before - 1);
  });

  it('defers to local rules when live work is not isolated', () => {
    show(
      <Gate
        view={viewOf([line({ kind: 'hold', prompt: 'x' })])}
        stage="find"
        to="live-direct"
        onCancel={() => {}}
        onPassed={() => {}}
      />,
    );
    expect(screen.getByText(/local rules and licensed practice decide/)).toBeTruthy();
    expect(screen.getByText('A held value is still to be typed.')).toBeTruthy();
  });
});
