/** The reckoned discharge: t = R C ln(V0/V), its energy and its resistor, worked out by hand. */
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { JOB, show, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { DischargeSum } from './DischargeSum.js';

stage();

const RECORDER = { ...JOB, familyId: 'video-recorder', speedIds: ['sp'] };
const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
const set = (microfarad: string, volts: string, ohm: string, watts: string) => {
  type('Capacitance, µF', microfarad);
  type('From, V', volts);
  type('Through, Ω', ohm);
  type('Resistor, W', watts);
};
const open = () => show(<DischargeSum view={viewOf([], RECORDER)} stage="make-safe" />);
const key = () => screen.queryByRole('button', { name: 'Resistor is on: count down' }) as HTMLButtonElement | null;
const plain = (text: RegExp) => screen.getByText(text).textContent.replaceAll('\u202f', ' ');

describe('the discharge of what is stored', () => {
  it('1000 µF from 325 V through 10 kΩ: 10 s by ln(325/V), a fifth longer with the capacitor over its print', async () => {
    open();
    set('1000', '325', '10000', '25');
    // ½ · 0.001 · 325² = 52.8 J; 325² / 10 000 = 10.6 W at first.
    expect(plain(/^t = R C/)).toContain('Energy 52.8 J, 10.6 W in the resistor at first.');
    const limit = Number(/(\d+) V\s+d\.c\. is the dry touch limit/.exec(plain(/^t = R C/))?.[1]);
    // IEC 61010-1 has 60 to 70 V d.c. for a dry hand (from memory).
    expect(limit).toBeGreaterThanOrEqual(60);
    expect(limit).toBeLessThanOrEqual(70);
    fireEvent.click(key() as HTMLElement);
    await waitFor(async () => expect(await bodies()).toHaveLength(2));
    const [charge, timer] = await bodies();
    expect(charge).toMatchObject({ kind: 'charge', microfarad: 1000, volts: 325, ohm: 10000, watts: 25 });
    const seconds = timer?.kind === 'timer' ? 60 * timer.minutes : 0;
    expect(seconds).toBeCloseTo(1.2 * 10 * Math.log(325 / limit), 6);
    expect(timer).toMatchObject({ kind: 'timer', timer: 'discharge' });
  });

  it('a resistor that is too small is refused, with what would do; without its watts nobody can say', () => {
    open();
    // 325² / 1000 = 105.6 W for 25 W: 325² / 25 = 4225 Ω are the least.
    set('1000', '325', '1000', '25');
    expect(plain(/^The resistor is too small/)).toMatch(
      /too small for 105\.6 W: take at least\s+4225 Ω of this rating/,
    );
    expect(key()?.disabled).toBe(true);
    type('Resistor, W', '');
    expect(screen.queryByText(/^The resistor is too small/)).toBeNull();
    expect(key()?.disabled).toBe(false);
  });

  it.each([
    ['Capacitance, µF', '0'],
    ['From, V', '-5'],
    ['From, V', ''],
    ['Through, Ω', 'thick'],
    ['Resistor, W', '0'],
    ['Resistor, W', 'x'],
  ])('%s of “%s” gives no time and no key', (field, value) => {
    open();
    set('1000', '325', '10000', '25');
    type(field, value);
    expect(screen.getByText('Type values above zero.')).toBeTruthy();
    expect(screen.getByLabelText(field).getAttribute('aria-invalid')).toBe('true');
    expect(key()).toBeNull();
  });

  it('a unit that stores nothing has no sum', () => {
    const { container } = show(<DischargeSum view={viewOf([])} stage="make-safe" />);
    expect(container.textContent).toBe('');
  });
});
