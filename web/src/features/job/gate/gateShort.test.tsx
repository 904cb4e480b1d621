/** The short test of the supply: what is read as ohms, and that a short says so. */
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { NeverPlanned } from '../safe/NeverPlanned.js';
import { GateShort } from './GateShort.js';

function Held({ noCircuit = null }: { readonly noCircuit?: boolean | null }) {
  const [ohm, setOhm] = useState<number | null>(null);
  return (
    <>
      <GateShort work="the plug" ohm={ohm} onOhm={setOhm} noCircuit={noCircuit} onNoCircuit={() => undefined} />
      <output>{ohm ?? 'none'}</output>
    </>
  );
}
const read = () => screen.getByRole('status').textContent;
const field = () => screen.getByRole('textbox', { name: /^Ω/ });
const type = (text: string) => fireEvent.change(field(), { target: { value: text } });
const wrong = () => field().getAttribute('aria-invalid') === 'true';
const warned = () => /do not power, look for the short/.test(document.body.textContent ?? '');

describe('the short test before power', () => {
  it.each([
    ['47k', 47_000],
    ['4,7 kΩ', 4700],
    ['1M2', 1_200_000],
    // Beyond the meter's range: at least twenty megohms.
    ['OL', 20e6],
    ['open', 20e6],
    ['>20M', 20e6],
    ['1k', 1000],
  ])('%s is %d Ω', (typed, ohm) => {
    render(<Held />);
    type(typed);
    expect(read()).toBe(String(ohm));
    expect(wrong()).toBe(false);
    expect(warned()).toBe(false);
  });

  it.each(['0', '0.4', '100', '999', '> 0.5', '>2'])('%s is a short and says not to power it', (typed) => {
    render(<Held />);
    type(typed);
    expect(warned()).toBe(true);
    expect(wrong()).toBe(true);
  });

  it.each(['good', '12 V', '4k7 mA', '>'])('%s is no reading of ohms', (typed) => {
    render(<Held />);
    type(typed);
    expect(read()).toBe('none');
    expect(wrong()).toBe(true);
    expect(warned()).toBe(false);
  });

  it('empty is not wrong yet; that nothing was touched is asked only where it is a question', () => {
    render(<Held />);
    expect(wrong()).toBe(false);
    expect(screen.queryByText(/nothing of the circuit was touched/)).toBeNull();
    cleanup();
    render(<Held noCircuit={false} />);
    expect(screen.getByText(/nothing of the circuit was touched/)).toBeTruthy();
  });
});

describe('what is never planned', () => {
  it('stands behind a key, each rule with its reason', () => {
    render(<NeverPlanned familyId="belt-turntable-dc" />);
    expect(screen.queryAllByRole('listitem')).toHaveLength(0);
    fireEvent.click(screen.getByRole('button', { name: 'What is never planned here' }));
    const rules = screen.getAllByRole('listitem').map((one) => one.textContent);
    expect(rules.length).toBeGreaterThan(3);
    for (const rule of rules) expect(rule).toMatch(/^[^.]+\. .{20,}/);
  });
});
