/** Motors that stand in for others: what the trade knows of them (common practice, no source). */
import { describe, expect, it } from 'vitest';
import { senseFromShaft } from '../src/workings/index.js';
import { rowOf, solved } from './solved.js';

const match = (texts: Record<string, string>) => solved('motor-match', { newRpm: '2400', ...texts });

describe('a motor for another', () => {
  it('seen from behind it turns the other way round', () => {
    expect(senseFromShaft('clockwise', 'rear')).toBe('counter-clockwise');
    expect(senseFromShaft('counter-clockwise', 'shaft end')).toBe('counter-clockwise');
    expect(match({ newSense: 'clockwise', newSide: 'rear' }).verdict).toBe('fits');
    expect(match({ newSense: 'clockwise' }).verdict).toBe('does not fit');
    expect(match({ newSense: 'clockwise' }).says[0]).toContain('turns the wrong way on this face');
    expect(match({ newSense: 'clockwise', governor: 'none', newGovernor: 'none' }).verdict).toBe(
      'fits with what is said',
    );
  });

  it('2400 for 3200 is a quarter slow; half the rpm is half the tape speed; a pulley makes up for it', () => {
    expect(rowOf('motor-match', { rpm: '3200', newRpm: '2400' }, 'Speed with')).toBe('−25 %');
    expect(match({ rpm: '3200' }).verdict).toBe('does not fit');
    expect(match({ rpm: '4800' }).says[0]).toContain('1⅞ in/s where 3¾ is due');
    expect(match({ rpm: '3200', pulley: '9', newPulley: '12' }).verdict).toBe('fits');
    expect(match({ rpm: '3200', pulley: '9' }).says[0]).toContain('would have to be 12.00');
    expect(match({ rpm: '2300' }).says[0]).toContain('within the reach of a trim');
  });

  it('13.8 V on a 12 V kind is 15 % over: right under a ceiling of 14.4 V, refused above it', () => {
    expect(match({ volts: '13.8', ceiling: '14.4' }).says[0]).toContain('+15');
    expect(match({ volts: '13.8', ceiling: '14.4' }).verdict).toBe('fits with what is said');
    expect(match({ volts: '14.8', ceiling: '14.4' }).verdict).toBe('does not fit');
    expect(match({ volts: '15' }).verdict).toBe('does not fit');
  });

  it('two governors fight, none holds nothing; a shaft of another size takes no pulley', () => {
    expect(match({ newGovernor: 'none' }).says[0]).toContain('nothing holds the speed');
    expect(match({ governor: 'outside' }).says[0]).toContain('Two governors');
    expect(match({ shaft: '2', newShaft: '2.5' }).verdict).toBe('does not fit');
    expect(match({ diameter: '38', newDiameter: '36' }).says[0]).toContain('wants a ring');
  });
});
