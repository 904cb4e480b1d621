/** What a spoken ledger line opens, closes and measures. */
import { describe, expect, it } from 'vitest';
import { minutesIn } from '../timers/index.js';
import { parseStep } from './parse.js';
import { saidClosed, saidDistances, saidEnds } from './words.js';

const ends = (line: string) => saidEnds(line).map((end) => `${end.how}: ${end.what}`);

describe('ledger words', () => {
  it.each([
    ['unsoldered motor red', ['unsoldered: motor red']],
    ['motor red was unsoldered', ['unsoldered: motor red']],
    ['de-soldered red, black and screen', ['unsoldered: red', 'unsoldered: black', 'unsoldered: screen']],
    ['red, black and screen unsoldered', ['unsoldered: red', 'unsoldered: black', 'unsoldered: screen']],
    ['unplugged 3 pin plug from the board', ['unplugged: 3 pin plug from the board']],
    ['disconnected harness', ['unplugged: harness']],
    ['motor spades off', ['unplugged: motor spades']],
    ['earth wire off its tab', ['unplugged: earth wire']],
    ['lifted leg of R7; cut tie', ['lifted: leg of R7', 'cut: tie']],
    ['bridged the boost switch for a minute', ['bridged: boost switch']],
    ['jumpered mode switch', ['bridged: mode switch']],
    ['shorted hall pins for a test', ['shorted: hall pins']],
    ['swapped brown and blue', ['swapped: brown', 'swapped: blue']],
    ['taped over the interlock lever', ['taped: interlock lever']],
    ['bottom cover 4 x 30 mm, tray B; unsoldered motor red', ['unsoldered: motor red']],
    ['swapped the regulator for a good one', []],
    ['found the fuse bridged', []],
    ['bottom cover 4 x 30 mm, tray B', []],
    ['motor red soldered back', []],
    ['resoldered R7', []],
  ])('%s', (line, expected) => expect(ends(line)).toEqual(expected));

  it.each([
    ['soldered back motor red', 'motor red'],
    ['motor plug plugged back in', 'motor plug'],
    ['bridge over the boost switch removed', 'over the boost switch'],
    ['reconnected harness', 'harness'],
    ['unsoldered motor red', null],
  ])('%s closes %s', (line, expected) => expect(saidClosed(line)).toBe(expected));

  it('a distance is set back to itself, and a plug’s pins are no screws', () => {
    expect(saidDistances('hall gap 17 mm')).toEqual([{ what: 'hall gap', value: 17, unit: 'mm', tolerance: 0.85 }]);
    expect(saidDistances('gap 0,4mm')).toEqual([{ what: 'gap', value: 0.4, unit: 'mm', tolerance: 0.1 }]);
    expect(saidDistances('cover 4 x 30 mm, tray B')).toEqual([]);
    const step = parseStep('hall board 2 x 8 mm, tray A, hall gap 17 mm');
    expect(step.distances).toHaveLength(1);
    expect(step.fasteners).toEqual([{ count: 2, what: '8 mm', tray: 'A', odd: false }]);
    expect(parseStep('3 pin plug').fasteners).toEqual([]);
    expect(parseStep('3 pin plug').what).toBe('3 pin plug');
    expect(parseStep('5 pin DIN socket').fasteners).toEqual([]);
    expect(parseStep('pulley 2 pins').fasteners).toEqual([{ count: 2, what: 'pins', tray: null, odd: false }]);
  });
});

describe('lengths of time', () => {
  it.each([
    ['20 min', 20],
    ['20', 20],
    ['1:30 h', 90],
    ['1:30', 90],
    ['1:30 min', 1.5],
    ['12h', 720],
    ['1 h 30', 90],
    ['1h30', 90],
    ['2 days', 2880],
    ['45 s', 0.75],
    ['1,5 h', 90],
    ['half an hour', 30],
    ['overnight', 720],
    ['1:75', null],
    ['soon', null],
    ['0', null],
    ['', null],
  ])('%s', (text, expected) => expect(minutesIn(text)).toBe(expected));
});
