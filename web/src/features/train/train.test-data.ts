/** Trains whose turns are worked out by hand, for the tests of their parts, dimensions and picture. */
import type { Train } from '@amber-gauge/core/drive';

/** A part, with what is usual but for what is told. */
export const part = (id: string, more: Partial<Train['parts'][number]>): Train['parts'][number] => ({
  id,
  name: id,
  kind: 'pulley',
  by: 'motor',
  contact: 'shaft',
  sizes: [10],
  toleranceMm: null,
  belt: null,
  centreMm: null,
  slipPercent: 0,
  ...more,
});

/** Four poles at 50 Hz: 1500 rpm; a pulley of 10 on it and a rim of 450 against an idler: 1500 · 10 / 450 = 33⅓. */
export const RIM: Train = {
  motor: {
    name: 'motor',
    kind: 'synchronous',
    poles: [4],
    slipPercent: 0,
    rpm: [1],
    sense: 'clockwise',
    seenFrom: 'shaft end',
    shaft: 'towards you',
    segments: null,
    generator: null,
  },
  parts: [
    part('step', { name: 'stepped shaft' }),
    part('idler', { name: 'idler', kind: 'idler', by: 'step', contact: 'rim', sizes: [45] }),
    part('platter', { name: 'platter', kind: 'platter', by: 'idler', contact: 'inside of a rim', sizes: [450] }),
  ],
  output: { part: 'platter', kind: 'turns', tapeThicknessMm: 0 },
  speeds: [{ id: 's1', label: '33', nominal: 33.3333 }],
};

/** A wheel of 10 mm and one of 200 mm, 150 mm apart, a belt 0.6 mm thick, on a motor that is held electronically. */
export const BELT: Train = {
  ...RIM,
  motor: { ...RIM.motor, kind: 'governed', rpm: [660] },
  parts: [
    part('pulley', {}),
    part('platter', {
      kind: 'platter',
      by: 'pulley',
      contact: 'belt',
      sizes: [200],
      centreMm: 150,
      belt: { thicknessMm: 0.6, lengthMm: 670, shape: 'flat' },
    }),
  ],
};
