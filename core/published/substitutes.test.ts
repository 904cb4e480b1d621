/** Parts for parts: rules of the trade (common practice, no source). */
import { describe, expect, it } from 'vitest';
import { solved } from './solved.js';

const judge = (texts: Record<string, string>) => solved('substitute-part', texts);

describe('a part for another', () => {
  it('a resistor within 5 % and with no fewer watts; a fusible one by its own kind only', () => {
    const resistor = { value: '1000', newValue: '1040', watts: '0.5', newWatts: '1', volts: '250', newVolts: '250' };
    expect(judge(resistor).verdict).toBe('fits');
    expect(judge({ ...resistor, newValue: '1100' }).says[0]).toContain('Value rule');
    expect(judge({ ...resistor, newWatts: '0.25' }).says[0]).toContain('Power rule');
    expect(judge({ ...resistor, type: 'another' }).verdict).toBe('refused');
  });

  it('a switch of two poles is never replaced by one of a single pole; motors want twice the amperes', () => {
    const own = { kind: 'switch', volts: '250', newVolts: '250', amps: '4', newAmps: '4', poles: '2', newPoles: '2' };
    expect(judge(own).verdict).toBe('fits');
    expect(judge({ ...own, newPoles: '1' }).says[0]).toContain('Pole rule');
    expect(judge({ ...own, load: 'motor or transformer' }).says[0]).toContain('2 times the amperes');
    expect(judge({ ...own, load: 'motor or transformer', newAmps: '8' }).verdict).toBe('fits');
    expect(judge({ ...own, newVolts: '125' }).says[0]).toContain('Volts rule');
  });

  it('a transistor of other pins fits with care; what is not known is said, not guessed', () => {
    const own = {
      kind: 'transistor',
      volts: '60',
      newVolts: '80',
      amps: '3',
      newAmps: '5',
      watts: '40',
      newWatts: '40',
    };
    expect(judge(own).verdict).toBe('fits');
    expect(judge({ ...own, pins: 'another' }).verdict).toBe('fits with what is said');
    expect(judge({ ...own, newAmps: '2' }).says[0]).toContain('Current rule');
    expect(judge({ kind: 'zener', value: '12', newValue: '12' }).says[0]).toContain('Watts: not known of both');
    expect(judge({ kind: 'zener', value: '12', newValue: '13', watts: '1', newWatts: '1' }).says[0]).toContain(
      'Value rule',
    );
  });
});
