/** The demo's shelf: invented parts from invented suppliers, with the days counted from the start. */
import type { ShelfBody } from '@amber-gauge/core/bench';

/** A line of the demo's shelf: `lot` names lots by their `id`; days count back from today, forward below nought. */
export type DemoShelfLine =
  | {
      readonly id: string;
      readonly part: string;
      readonly supplier: string;
      readonly quantity: number;
      readonly price: number;
      readonly orderedDaysAgo: number;
      readonly expectedDaysAgo: number | null;
      readonly place: string;
      readonly motor?: Readonly<Record<string, string>>;
      readonly serves?: readonly string[];
    }
  | { readonly of: string; readonly arrivedDaysAgo: number }
  | { readonly of: string; readonly good: number; readonly bad: number }
  | {
      readonly of: string;
      readonly kind: Extract<ShelfBody, { job: unknown }>['kind'];
      readonly quantity: number;
      readonly job: number | null;
    };

export const DEMO_SHELF: readonly DemoShelfLine[] = [
  {
    id: 'belt',
    part: 'flat belt 198 x 5 x 0.6 mm',
    supplier: 'Fergebod',
    quantity: 10,
    price: 4,
    orderedDaysAgo: 160,
    expectedDaysAgo: 152,
    place: 'drawer 1',
    serves: ['belt-turntable-dc/new-belt', 'belt-turntable-ac/belt'],
  },
  { of: 'belt', arrivedDaysAgo: 151 },
  { of: 'belt', good: 9, bad: 1 },
  { of: 'belt', kind: 'used', quantity: 4, job: null },
  { of: 'belt', kind: 'reserved', quantity: 1, job: 147 },
  {
    id: 'motor',
    part: 'governed motor 12 V, 2400 rpm, ccw',
    supplier: 'Nordkai',
    quantity: 12,
    price: 9,
    orderedDaysAgo: 120,
    expectedDaysAgo: 104,
    place: 'shelf above the door',
    serves: ['belt-turntable-dc/motor-swap', 'cassette-belt/motor-swap'],
    motor: {
      newVolts: '12',
      ceiling: '14.4',
      newRpm: '2400',
      newSense: 'counter-clockwise',
      newGovernor: 'inside',
      newShaft: '2',
    },
  },
  { of: 'motor', arrivedDaysAgo: 100 },
  { of: 'motor', good: 10, bad: 2 },
  { of: 'motor', kind: 'used', quantity: 5, job: null },
  { of: 'motor', kind: 'failed', quantity: 1, job: 141 },
  {
    id: 'runcap',
    part: 'run capacitor 1.2 µF 400 V~',
    supplier: 'Nordkai',
    quantity: 4,
    price: 6,
    orderedDaysAgo: 12,
    expectedDaysAgo: 4,
    place: 'drawer 3',
    serves: ['belt-turntable-ac/run-capacitor', 'open-reel/run-capacitors'],
  },
  { of: 'runcap', arrivedDaysAgo: 3 },
  { of: 'runcap', kind: 'reserved', quantity: 1, job: 143 },
  {
    id: 'idler',
    part: 'idler tyre 12 x 8 x 2.5 mm',
    supplier: 'Fergebod',
    quantity: 20,
    price: 1,
    orderedDaysAgo: 5,
    expectedDaysAgo: -3,
    place: '',
    serves: ['cassette-belt/idler', 'cassette-direct/idler', 'video-recorder/idler'],
  },
  {
    id: 'brush',
    part: 'carbon brush pair 6 x 9 x 18 mm',
    supplier: 'Fergebod',
    quantity: 6,
    price: 5,
    orderedDaysAgo: 200,
    expectedDaysAgo: null,
    place: 'drawer 7',
    serves: ['stand-mixer/brushes', 'vacuum-cleaner/brushes', 'tool-brushed/brushes'],
  },
  { of: 'brush', kind: 'used', quantity: 4, job: null },
  {
    id: 'alcohol',
    part: 'isopropyl alcohol, half a litre',
    supplier: 'Fergebod',
    quantity: 3,
    price: 7,
    orderedDaysAgo: 90,
    expectedDaysAgo: null,
    place: 'cupboard by the door',
    serves: ['use/isopropyl-alcohol'],
  },
  { of: 'alcohol', kind: 'used', quantity: 2, job: null },
  {
    id: 'cleaner',
    part: 'contact cleaner, 200 ml',
    supplier: 'the harbour store',
    quantity: 2,
    price: 11,
    orderedDaysAgo: 140,
    expectedDaysAgo: null,
    place: 'cupboard by the door',
    serves: ['use/contact-cleaner'],
  },
  { of: 'cleaner', kind: 'used', quantity: 2, job: null },
];
