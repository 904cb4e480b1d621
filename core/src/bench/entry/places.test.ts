/** What a typed place stands for: slips of the keys counted by hand, one for each letter too many, missing, wrong, or two exchanged. */
import { describe, expect, it } from 'vitest';
import { PATHS, type DrivePath } from '../../families/index.js';
import { knownPlaces, resolve } from './places.js';
import type { KnownPlace } from './types.js';
import told from './places.json' with { type: 'json' };

const place = (name: string, more: Partial<KnownPlace> = {}): KnownPlace => ({
  name,
  aliases: [],
  unit: 'V',
  ripple: false,
  ...more,
});
const PLACES = [
  place('reservoir'),
  place('motor terminals'),
  place('board', { aliases: ['servo board'] }),
  place('tp12'),
];
const meant = (typed: string, qualifier: string | null = null, places: readonly KnownPlace[] = PLACES) => {
  const found = resolve(typed, places, qualifier);
  return found?.kind === 'known' ? `is ${found.place.name}` : (found?.names ?? null);
};

describe('a place', () => {
  it('is known by its name or another, whatever stands about it', () => {
    expect(meant('Reservoir')).toBe('is reservoir');
    expect(meant('at the reservoir,')).toBe('is reservoir');
    expect(meant('Servo-Board')).toBe('is board');
    expect(meant('motor  terminals')).toBe('is motor terminals');
    expect(meant('')).toBeNull();
    expect(meant('the')).toBeNull();
  });

  it.each(told.asked as unknown as readonly [string, string][])('%s is asked about', (_slip, typed) => {
    expect(meant(typed)).toEqual(['reservoir']);
  });

  it.each(told.not as unknown as readonly [string, string][])('%s is not', (_slip, typed) => {
    expect(meant(typed)).toBeNull();
  });

  it('that the model’s sheet calls otherwise is known by that name, and by the family’s own beside it', () => {
    const family = PATHS.get('belt-turntable-dc') as DrivePath;
    const [own] = family.signals.flatMap(({ id, measure }) => (measure ? [{ id, measure }] : []));
    if (!own) throw new Error('nothing is measured');
    const signals = family.signals.map((one) =>
      one.id === own.id ? { ...one, measure: { ...own.measure, place: 'CN3 pin 1' } } : one,
    );
    const job = { familyId: 'belt-turntable-dc', powerKind: 'mains', ratedVolts: 230 } as const;
    const places = knownPlaces(job, { ...family, signals }, family, []);
    for (const name of ['CN3 pin 1', own.measure.place]) expect(meant(name, null, places)).toBe('is CN3 pin 1');
  });

  it('of six letters may have one slip, of seven two', () => {
    const near = (typed: string) =>
      meant(
        typed,
        null,
        ['magnet', 'spindle'].map((name) => place(name)),
      );
    expect([near('magmet'), near('mogmet'), near('spondlo')]).toEqual([['magnet'], null, ['spindle']]);
  });

  it('a word of several is enough when it has four letters', () => {
    expect(meant('motor')).toEqual(['motor terminals']);
    expect(meant('terminals')).toEqual(['motor terminals']);
    expect(meant('servo')).toEqual(['board']);
    expect(meant('termnals')).toEqual(['motor terminals']);
  });

  it('of many that are near three are named, each once', () => {
    const many = ['board a', 'board b', 'board c', 'board d'].map((name) => place(name, { aliases: [`${name} top`] }));
    expect(meant('boar', null, many)).toEqual(['board a', 'board b', 'board c']);
  });

  it('a ripple reads at the place of its own, all else at the plain one', () => {
    const both = [place('reservoir', { ripple: true, unit: 'Vpp' }), place('reservoir')];
    const read = (qualifier: string | null) => {
      const found = resolve('reservoir', both, qualifier);
      return found?.kind === 'known' ? found.place.unit : null;
    };
    expect([read('pp'), read('dc'), read(null)]).toEqual(['Vpp', 'V', 'V']);
    expect(meant('reservoir', 'pp', [place('reservoir')])).toBe('is reservoir');
  });
});
