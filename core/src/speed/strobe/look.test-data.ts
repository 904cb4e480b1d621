/** A look at a strobe ring for tests: 33⅓ under 50 Hz, 18 bars a minute with the rotation. */
import type { DiscWish } from './disc.js';
import { readStrobe, type StrobeLook, type StrobeReading } from './reading.js';

/** 33⅓ rpm under 50 Hz, the near edge, clockwise, 18 bars to the left in a minute. */
export const LOOK: StrobeLook = {
  nominalRpm: 100 / 3,
  mainsHz: 50,
  measuredMainsHz: null,
  lamp: 'mains',
  ringBars: 180,
  direction: 'left',
  edge: 'near',
  bars: 18,
  overS: 60,
  clockwise: true,
  camera: 'none',
};
/** Its reading, with what is looked at otherwise. */
export const read = (more: Partial<StrobeLook>): StrobeReading => {
  const reading = readStrobe({ ...LOOK, ...more });
  if (reading.kind !== 'measured') throw new Error(reading.reason);
  return reading;
};

/** A disc of 190 mm on A4 for 33⅓ and 45 under 50 Hz. */
export const DISC: DiscWish = {
  speedsRpm: [100 / 3, 45],
  lampHz: 50,
  flashesPerCycle: 2,
  paper: 'A4',
  discMm: 190,
  holeMm: 7.24,
  stripMm: null,
};
