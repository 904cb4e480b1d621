/** Which parts words speak of, by whole words; a cover that is taken off is none. */
import { describe, expect, it } from 'vitest';
import { PATHS, type DrivePath } from '../../families/index.js';
import { blocksNamed, isCover, touchedBy, wordsIn } from './named.js';

const real = PATHS.get('belt-turntable-dc') as DrivePath;
const [some] = real.blocks;
const path: DrivePath = {
  ...real,
  blocks: ['motor', 'servo board', 'platter', 'pot of 45', 'brushes'].map((name, i) => ({
    ...(some as DrivePath['blocks'][number]),
    id: `b${i}`,
    name,
  })),
};

describe('words of a step', () => {
  it('name a part by its whole name, whatever stands about it', () => {
    expect(blocksNamed(path, 'platter and mat')).toEqual(['b2']);
    expect(blocksNamed(path, 'Servo-Board, motor')).toEqual(['b0', 'b1']);
    expect(blocksNamed(path, 'board')).toEqual([]);
    expect(blocksNamed(path, 'motors')).toEqual([]);
    expect(blocksNamed(path, '')).toEqual([]);
  });
  it('of covers and screws name none', () => {
    for (const words of [
      'motor cover',
      'covers of the motor',
      'Motor screws',
      'lid',
      'platter bracket',
      'back panel',
      'case',
    ])
      expect([isCover(words), blocksNamed(path, words)], words).toEqual([true, []]);
    for (const words of ['motor', 'discover the motor', 'plates']) expect(isCover(words), words).toBe(false);
  });
});

describe('work', () => {
  it('touches a part by a word of its name, in one or in many', () => {
    expect(touchedBy(path, 'cleaned the motor')).toEqual(['b0']);
    expect(touchedBy(path, 'cleaned the boards')).toEqual(['b1']);
    expect(touchedBy(path, 'turned the brush')).toEqual([]);
    expect(touchedBy(path, 'new brushes, new platter')).toEqual(['b2', 'b4']);
  });
  it('by whole words of four letters or more: a motorboat is no motor, "of" no part', () => {
    expect(touchedBy(path, 'motorboat')).toEqual([]);
    expect(touchedBy(path, 'cleaned the top of it')).toEqual([]);
    expect(touchedBy(path, 'cleaned the pot')).toEqual([]);
    expect(wordsIn('Two belts, 45 rpm; gas')).toEqual(['two', 'belt', '45', 'rpm', 'gas']);
  });
});
